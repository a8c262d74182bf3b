import { chipInputA, chipVoltageV } from '../items/index.ts';
import type { Driven, SizingInput } from './driven.ts';
import type { Switched } from './switching.ts';
import { holdA, type TransistorSwitch } from './transistors.ts';

/** Transistors of one kind that are held on together. */
interface HeldOn {
  readonly on: TransistorSwitch;
  readonly count: number;
}

/**
 * What a hub gives its channels, and what its rail gives for it: by way of the chip behind a pin that gives.
 * @param besides further transistors that are on with those of the channels
 */
export function hubOf(
  switched: Switched,
  transistor: TransistorSwitch | null,
  channels: number,
  input: SizingInput,
  besides: HeldOn | null = null,
): Pick<Driven, 'hubV' | 'takenA' | 'boardA'> {
  const { board, way } = switched;
  const none = (): number => 0;
  if (!board) return { hubV: (railV) => railV, takenA: (litA) => litA, boardA: none };
  if (way.throughPin === 'given')
    return {
      hubV: (railV) => chipVoltageV(board.part, railV),
      takenA: (litA, railV) => chipInputA(board.part, litA, railV),
      boardA: none,
    };
  if (!transistor) return { hubV: (railV) => railV, takenA: (litA) => litA, boardA: none };
  const isOfRail = board.railId === switched.railId;
  const boardV = input.rangeOf(board.railId)?.nominalV ?? 0;
  const all: readonly HeldOn[] = [{ on: transistor, count: channels }, ...(besides ? [besides] : [])];
  const sumOf = (each: (held: HeldOn) => number): number => all.reduce((sum, held) => sum + each(held), 0);
  return {
    hubV: (railV) => railV,
    takenA: (litA, railV) => {
      const chipV = chipVoltageV(board.part, isOfRail ? railV : boardV);
      return (
        litA +
        sumOf(({ on, count }) => {
          const { chipA, railA } = holdA(on, chipV, railV);
          return count * (railA + (isOfRail ? chipA : 0));
        })
      );
    },
    boardA: isOfRail
      ? none
      : (ownV) => sumOf(({ on, count }) => count * holdA(on, chipVoltageV(board.part, ownV), 0).chipA),
  };
}
