import { listRebuilds } from '../bench/index.ts';
import { type Finding, named } from '../items/index.ts';
import type { Plan } from '../plan/index.ts';
import { joinMessages, say } from '../units/index.ts';
import type { RuleInput } from './finding.ts';

/** What is soldered and what the plan says by now differ: nothing is rewired without being told of. */
export const findRebuilds = ({ design, assessment }: RuleInput, bench: Plan['bench']): readonly Finding[] =>
  listRebuilds(bench, design, assessment).map(
    ({ stepId, built, undo, keep }): Finding => ({
      ...named('built-otherwise', stepId),
      gravity: 'mend',
      stage: 'bench',
      aboutId: built.itemId,
      what: `${built.name} is soldered already, and the plan now wires it otherwise`,
      why: 'What is built stays built until somebody unsolders it: a program or a sheet of the new plan would not fit the piece.',
      mend: say`To follow the plan: ${joinMessages(undo, '; ')}; then tick the step at the Bench again. Or keep what is built.`,
      fixes: keep ? [{ label: 'Keep what is built', edits: keep }] : [],
    }),
  );
