import { type Finding, named } from '../items/index.ts';
import { cellsOf, compileMove, NO_CONTROL, stillAfter } from '../moves/index.ts';
import { editMove } from '../plan/index.ts';
import type { Rule } from './finding.ts';
import { listLaid } from './moodRules.ts';

/** Cells on more lights than the engine keeps, and cells that are dead or still before half of their time. */
export const cellsRule: Rule = ({ design, assessment }) =>
  listLaid(design, assessment).flatMap(({ key, mood, onId, name, move, at }): Finding[] => {
    const set = assessment.show.sets.find((each) => each.id === onId);
    const cells = cellsOf(move);
    if (!cells || !set || set.points === 0) return [];
    const { most } = cells;
    const base = { stage: 'moods', aboutId: onId, gravity: 'mind' } as const;
    if (set.points > most)
      return [
        {
          ...base,
          ...named('many-cells', key),
          gravity: 'mend',
          what: `${name} has ${set.points} lights; cells live on the first ${most} only`,
          why: 'The program keeps two boards of so many in the controller’s memory.',
          mend: 'Split it into sets, each with cells of its own.',
          fixes: [],
        },
      ];
    const target = { columns: set.columns, rows: set.rows, controlIndex: () => NO_CONTROL };
    const start = cells.begins;
    const still = (seed: number): number => stillAfter(compileMove(cells.from({ ...start, seed }), target));
    const generations = still(start.seed);
    if (generations * 2 >= start.generations) return [];
    const seeds = Array.from({ length: SEEDS_TRIED }, (_, i) => (start.seed + i + 1) % 65_536);
    const lively = seeds.find((seed) => still(seed) * 2 >= start.generations);
    return [
      {
        ...base,
        ...named('still-cells', key),
        what: `The cells of ${name} are dead or still after ${generations} generations in ${mood.name}`,
        why: `It begins again after ${start.generations}; until then nothing moves.`,
        mend: 'Take another start number, another rule, or begin again sooner.',
        fixes: [
          ...(lively === undefined
            ? []
            : [{ label: 'Take a livelier start', edits: [editMove(at, cells.from({ ...start, seed: lively }))] }]),
          ...(generations === 0
            ? []
            : [
                {
                  label: `Begin again after ${Math.max(2, generations)}`,
                  edits: [editMove(at, cells.from({ ...start, generations: Math.max(2, generations) }))],
                },
              ]),
        ],
      },
    ];
  });

/** Start numbers that are looked through for a livelier one. */
const SEEDS_TRIED = 40;
