import type { Assessment } from '../assess.ts';
import type { Rail } from '../network/index.ts';
import type { Design } from '../plan/index.ts';
import { type Lever, listLevers, MOST_LEVERS } from './levers.ts';
import { type PlanState, prepareWalk } from './walk.ts';

/** Every position of switches, plugs and chargers, with what is live in it. */
export interface StateTable {
  readonly levers: readonly Lever[];
  /** Levers beyond what is tried one by one: they stay at rest. */
  readonly leftAtRest: readonly Lever[];
  /** The rails that something hangs on, each once. */
  readonly rails: readonly Rail[];
  /** All positions; the first lever changes slowest. */
  readonly states: readonly PlanState[];
}

/** Rails that something draws from, or that a source gives. */
function railsInUse({ consumers, boards, rails }: Assessment): Rail[] {
  const used = new Set([...consumers.map(({ railId }) => railId), ...boards.map(({ railId }) => railId)]);
  return rails.list.filter(({ id, sourceId }) => used.has(id) && sourceId !== null);
}

// Several rules and the sheet ask for the same table.
const known = new WeakMap<Assessment, StateTable>();

/**
 * What is live in each state of a plan’s switches, plugs and chargers: walked along its nets, not along what was meant.
 * @param assessment of this design
 */
export function tabulateStates(design: Pick<Design, 'items'>, assessment: Assessment): StateTable {
  const before = known.get(assessment);
  if (before) return before;
  const all = listLevers(design, assessment);
  const levers = all.slice(0, MOST_LEVERS);
  const walk = prepareWalk(assessment, levers);
  const table: StateTable = {
    levers,
    leftAtRest: all.slice(MOST_LEVERS),
    rails: railsInUse(assessment),
    states: Array.from({ length: 2 ** levers.length }, (_, row) =>
      walk(levers.map((_lever, i) => (row >> (levers.length - 1 - i)) & 1)),
    ),
  };
  known.set(assessment, table);
  return table;
}

/** Whether a plan has anything to tabulate: two levers, or one that is more than a switch. */
export const isWorthATable = ({ levers }: StateTable): boolean =>
  levers.length > 1 || levers.some(({ kind }) => kind !== 'switch');

/** Whether anything gives a rail power in a state. */
export const isLive = (state: PlanState, railId: string): boolean => (state.fedBy.get(railId) ?? []).length > 0;
