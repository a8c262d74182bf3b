import { type DataLine, timeDataLine } from '../drive/index.ts';
import type { PlacedTape } from '../items/index.ts';
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

/** Each data line that has a pixel, with the board that sends it. */
export const listDataLines = (chains: readonly (readonly PlacedTape[])[], boards: readonly Board[]): LineOfData[] =>
  chains.flatMap((chain): LineOfData[] => {
    const [first] = chain;
    if (!first) return [];
    const pixels = chain.reduce((sum, tape) => sum + tape.cut.lights, 0);
    return [{ tapeId: first.id, board: boardOf(boards, first.tape.board), line: timeDataLine(pixels, first.part) }];
  });
