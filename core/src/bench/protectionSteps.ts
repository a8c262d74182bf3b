import type { Assessment } from '../assess.ts';
import { sayComesBack, suitsCells } from '../items/index.ts';
import { findPart } from '../parts/index.ts';
import { sourceAt } from '../power/index.ts';
import { amps, say, volts } from '../units/index.ts';
import { expectBetween } from './expectation.ts';
import { type BenchStep, step } from './step.ts';

/** Protection boards between cells and all else, each with what it gives once it is joined. */
export const protectionSteps = ({ supplies, library }: Assessment): BenchStep[] =>
  supplies.flatMap(({ rail, tree }): BenchStep[] => {
    if (rail.gives.form !== 'cells' || tree.source.kind !== 'pack') return [];
    const board = findPart(library, 'protection', rail.gives.item.protection ?? null);
    // One for other cells is refused; there is nothing to read behind it.
    if (!board || !rail.gives.part || !suitsCells(board, rail.gives.part)) return [];
    return [
      step({
        id: `protection:${rail.id}`,
        chapter: 'Soldering',
        title: `Protection board of ${rail.name}`,
        todo: say`Cells to its cell side first, minus before plus${board.cellsInSeries > 1 ? ', then the joints between the cells in their order' : ''}; all else of the piece begins at its output side. It lets go at ${amps(board.tripA)} and cuts off at ${volts(board.cutOffV)}. ${sayComesBack(board)}`,
        probe: 'Direct volts at its output side, red on plus.',
        expect: expectBetween(
          'voltageV',
          board.cutOffV,
          sourceAt(tree.source, 1).openV,
          sourceAt(tree.source, 0.5).openV,
        ),
        caution:
          'The cells are live all the while: cover every tab but the one under the iron, and keep the iron short on it. Cells with tags are bought so; a bare cell is never soldered to itself.',
      }),
    ];
  });
