import { chipInputA, chipVoltageV } from '../items/index.ts';
import type { Driven, SizingInput } from './driven.ts';
import type { Switched } from './switching.ts';
import { holdA, type TransistorSwitch } from './transistors.ts';

/** What a hub gives its channels, and what its rail gives for it: by way of the chip behind a pin that gives. */
export function hubOf(
  switched: Switched,
  transistor: TransistorSwitch | null,
  channels: number,
  input: SizingInput,
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
  const hold = (railV: number): ReturnType<typeof holdA> =>
    holdA(transistor, chipVoltageV(board.part, isOfRail ? railV : boardV), railV);
  return {
    hubV: (railV) => railV,
    takenA: (litA, railV) => {
      const { chipA, railA } = hold(railV);
      return litA + channels * (railA + (isOfRail ? chipA : 0));
    },
    boardA: isOfRail ? none : (ownV) => channels * holdA(transistor, chipVoltageV(board.part, ownV), 0).chipA,
  };
}
