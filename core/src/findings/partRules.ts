import type { Design } from '../plan/index.ts';
import type { Finding, Rule, Stage } from './finding.ts';

interface Use {
  readonly id: string;
  readonly what: string;
  readonly stage: Stage;
  readonly part: string | null;
  readonly kind: string;
}

const listUses = ({ tapes, leds, drive, power }: Design): Use[] => [
  ...tapes.map(({ id, name, part }): Use => ({ id, what: name, stage: 'lights', part, kind: 'pixel-tape' })),
  ...leds.map(({ id, name, part }): Use => ({ id, what: name, stage: 'lights', part, kind: 'led' })),
  { id: 'controller', what: 'The controller', stage: 'drive', part: drive.controller, kind: 'controller' },
  ...(['pack', 'converter', 'switch', 'plug'] as const).map(
    (kind): Use => ({ id: kind, what: `The ${kind}`, stage: 'power', part: power[kind], kind }),
  ),
];

/** A plan that names a part which nobody knows any more: what hangs on it is left out of every figure. */
export const partGoneRule: Rule = ({ design, library }) =>
  listUses(design)
    .filter(({ part, kind }) => part !== null && library.parts.get(part)?.kind !== kind)
    .map(
      ({ id, what, stage, part }): Finding => ({
        id: `part-gone:${id}`,
        gravity: 'stop',
        stage,
        aboutId: id,
        what: `${what} is of a kind that is not known: ${part}`,
        why: 'It is left out of every figure, so that current, fuse and running time come out wrong.',
        mend: 'Choose a kind from the list, or bring in the table of your own parts that holds it.',
        fixes: [],
      }),
    );
