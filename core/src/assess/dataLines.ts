import { type DataLine, timeDataLine } from '../drive/index.ts';
import { type PlacedTape, sparesBefore } from '../items/index.ts';
import { type Board, boardOf } from '../network/index.ts';

/** One data line: the board that sends it, and its timing. */
export interface LineOfData {
  /** The first tape of the line. */
  readonly tapeId: string;
  /** Null while none is chosen. */
  readonly board: Board | null;
  /** How long a frame takes, and how many there can be. */
  readonly line: DataLine;
}

/** Pixels that a frame of a line is sent to: to the last one that is used, the spare one before them too. */
function countSent(chain: readonly PlacedTape[]): number {
  const last = chain[chain.length - 1];
  const dark = last ? last.cut.lights - last.lit : 0;
  const spare = chain[0] ? sparesBefore(chain[0]) : 0;
  return chain.reduce((sum, tape) => sum + tape.cut.lights, spare) - dark;
}

/** Each data line that has a pixel, with the board that sends it. */
export const listDataLines = (chains: readonly (readonly PlacedTape[])[], boards: readonly Board[]): LineOfData[] =>
  chains.flatMap((chain): LineOfData[] => {
    const [first] = chain;
    if (!first) return [];
    const pixels = countSent(chain);
    return [{ tapeId: first.id, board: boardOf(boards, first.tape.board), line: timeDataLine(pixels, first.part) }];
  });
