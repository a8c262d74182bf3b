import type { PlacedPlain, PlacedTape } from '../items/index.ts';

/** A tape off a reel, of pixels or plain. */
type Tape = PlacedTape | PlacedPlain;

/** What a piece of a tape is called: those of a grid are rows. */
export const pieceWord = ({ tape }: Tape): 'row' | 'piece' => ('grid' in tape && tape.grid ? 'row' : 'piece');

/** The run that joins a piece of a tape to the next, pieces counted from 0. */
export const pieceRunId = (tapeId: string, piece: number): string => `row:${tapeId}:${piece + 1}`;

/** Number of the first light of each piece, counted from 0. */
export const pieceStarts = (pieces: readonly number[]): readonly number[] => {
  let first = 0;
  return pieces.map((lights) => {
    const start = first;
    first += lights;
    return start;
  });
};

/** The port where one side of a piece begins; the first one begins where the tape does. */
export const padsIn = (tape: Tape, side: string, piece: number): string =>
  piece === 0 ? side : `${side}, ${pieceWord(tape)} ${piece + 1} in`;

/** The port where one side of a piece ends; the last one ends where the tape does. */
export const padsOut = (tape: Tape, side: string, piece: number): string =>
  piece === tape.pieces.length - 1 ? `${side} out` : `${side}, ${pieceWord(tape)} ${piece + 1} out`;

/** The port at the pads right before a light, counted from 0; beyond the last light it is the far end. */
export function padsBefore(tape: Tape, side: string, light: number): string {
  if (light >= tape.cut.lights) return `${side} out`;
  const piece = pieceStarts(tape.pieces).indexOf(light);
  return piece >= 0 ? padsIn(tape, side, piece) : `${side} before light ${light + 1}`;
}
