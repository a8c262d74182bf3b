import { chipVoltageV, type Item, kindOf } from '../items/index.ts';
import { findPart, type LoadPart } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';
import { aboveChipV, chipRange, type SizingInput } from './driven.ts';
import type { Board, Switched } from './switching.ts';
import { chooseTransistor, holdA, type TransistorSwitch } from './transistors.ts';
import { isProgrammed, type Way } from './ways.ts';

/** A load that a program starts and stops: by a transistor in its lead, or at an input of its own. */
export interface LoadDrive {
  readonly itemId: string;
  readonly name: string;
  readonly part: LoadPart;
  readonly way: Way;
  readonly board: Board;
  /** Null while nothing feeds it. */
  readonly railId: string | null;
  /** Null where the load has an input of its own. */
  readonly transistor: TransistorSwitch | null;
  /** Out of the board, to hold the transistor on, by the voltage of its rail. */
  readonly heldAt: (boardV: number) => number;
  /** Out of its own rail, for the same. */
  readonly railHeldA: number;
  /** At its most while it runs, and in the moment in which it starts. */
  readonly mostA: number;
  readonly startA: number;
  /** What is wound throws its voltage back when it is switched off: a diode across it takes that. */
  readonly wantsDiode: boolean;
}

/** What of an item's own draw matters to what switches it. */
interface Asks {
  readonly mostA: number;
  readonly startA: number;
}

function asksOf(item: Item, input: SizingInput): Asks {
  const own = kindOf(item.kind).draws?.(item, input.library, 0);
  const mostA = own ? own.restA + own.steadyPeakA : 0;
  return { mostA, startA: Math.max(mostA, own?.startA ?? 0) };
}

/** Sizes what stands before every load that a program runs. */
export function sizeLoads(
  design: Pick<Design, 'items'>,
  switched: ReadonlyMap<string, readonly Switched[]>,
  input: SizingInput,
): readonly LoadDrive[] {
  return design.items.flatMap((item): LoadDrive[] => {
    const [first] = switched.get(item.id) ?? [];
    if (kindOf(item.kind).role !== 'load' || !('part' in item) || !first || !isProgrammed(first.way)) return [];
    const part = findPart(input.library, 'load', item.part);
    const { board, railId, way } = first;
    const rail = input.rangeOf(railId);
    if (!part || !board) return [];
    const { mostA, startA } = asksOf(item, input);
    const chip = rail && chipRange(board, rail, input);
    const own = 'part' in first.said ? first.said.part : null;
    const transistor =
      way.transistor !== null && rail && chip
        ? chooseTransistor(
            {
              side: way.transistor,
              wantedA: mostA,
              brightestBehind: () => ({ channelA: mostA, brightestA: startA }),
            },
            board,
            { chip, rail, aboveV: aboveChipV(first, board, rail, input) },
            input.library,
            own,
          )
        : null;
    const heldBy = (boardV: number) =>
      transistor && rail ? holdA(transistor, chipVoltageV(board.part, boardV), rail.nominalV) : { chipA: 0, railA: 0 };
    return [
      {
        itemId: item.id,
        name: item.name,
        part,
        way,
        board,
        railId,
        transistor,
        heldAt: (boardV) => heldBy(boardV).chipA,
        railHeldA: heldBy(board.part.supplyLeastV).railA,
        mostA,
        startA,
        wantsDiode: part.what === 'motor',
      },
    ];
  });
}
