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
): Pick<Driven, 'hubV' | 'takenA'> {
  const { board, way } = switched;
  if (!board) return { hubV: (railV) => railV, takenA: (litA) => litA };
  if (way.throughPin === 'given')
    return {
      hubV: (railV) => chipVoltageV(board.part, railV),
      takenA: (litA, railV) => chipInputA(board.part, litA, railV),
    };
  const isOfRail = board.railId === switched.railId;
  const boardV = input.rangeOf(board.railId)?.nominalV ?? 0;
  const chipV = (railV: number): number => chipVoltageV(board.part, isOfRail ? railV : boardV);
  return {
    hubV: (railV) => railV,
    takenA: (litA, railV) => litA + (transistor ? channels * holdA(transistor, chipV(railV), railV) : 0),
  };
}
