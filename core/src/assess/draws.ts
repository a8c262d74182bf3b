import { peakOfMood, type Show } from '../motion/index.ts';
import { addRailDraws, type Draws, noDraw, type RailDraw, type SupplyTree, scaleLit } from '../power/index.ts';
import type { MoodBudget } from './budget.ts';
import { type Consumer, fullOf } from './consumers.ts';

/** Where in a tree each consumer draws. */
export interface Drawn {
  readonly tree: SupplyTree;
  /** Number of the node; −1 = from another tree. */
  readonly nodeOf: (consumer: Consumer) => number;
  /** All that draw, whatever feeds them. */
  readonly consumers: readonly Consumer[];
  /** All lights draw so many times what is likely. */
  readonly factor: number;
}

/** Puts what single consumers draw on their nodes. */
function gather(drawn: Drawn, of: (consumer: Consumer) => RailDraw | null): Draws {
  const atNode = drawn.tree.nodes.map((): RailDraw[] => []);
  for (const consumer of drawn.consumers) {
    const node = drawn.nodeOf(consumer);
    const draw = node < 0 ? null : of(consumer);
    if (!draw) continue;
    const factor = factorOf(consumer, drawn.factor);
    atNode[node]?.push(factor === 1 ? draw : { steadyA: draw.steadyA * factor, shaped: scaleLit(draw.shaped, factor) });
  }
  return atNode.map(addRailDraws);
}

/** `factor` is 1 plus so many spreads. */
const factorOf = (consumer: Consumer, deviation: number): number => 1 + deviation * consumer.relativeSpread;

/** Lights of a consumer at a share of their full: on a rail that sags they follow it. */
function lit(consumer: Consumer, share: number, fullA: number): RailDraw {
  if (share === 0 || fullA === 0) return noDraw;
  const { follows } = consumer;
  if (!follows) return { steadyA: fullA * share, shaped: [] };
  const shares = new Array<number>(follows.slots).fill(0);
  shares[follows.slot] = share;
  return { steadyA: 0, shaped: [{ law: follows.law, shares }] };
}

/** Of all that follows the rail, the part that a program drives, or that is lit without one. */
const partOf = (consumer: Consumer, amps: number): number => {
  const whole = consumer.fullA + consumer.steadyA - (consumer.byBoard?.fullA ?? 0);
  return whole <= 0 ? 0 : amps / whole;
};

const plus = (a: RailDraw, b: RailDraw): RailDraw => ({
  steadyA: a.steadyA + b.steadyA,
  shaped: [...a.shaped, ...b.shaped],
});

/** What one draws with its programmed lights dark: on the mean, or with a load at its most. */
function darkDraw(consumer: Consumer, at: 'mean' | 'peak'): RailDraw {
  const rest: RailDraw = { steadyA: consumer.restA, shaped: [] };
  if (consumer.steadyA === 0 && consumer.steadyPeakA === 0) return rest;
  return consumer.follows
    ? plus(rest, lit(consumer, partOf(consumer, consumer.steadyA), 1))
    : { steadyA: consumer.restA + (at === 'mean' ? consumer.steadyA : consumer.steadyPeakA), shaped: [] };
}

/** What is drawn with every programmed light dark: on the mean, or with other loads at their most. */
export const darkDraws = (drawn: Drawn, at: 'mean' | 'peak'): Draws =>
  gather(drawn, (consumer) => darkDraw(consumer, at));

/** The same in the moment in which everything is switched on: a load that starts takes more than at its most. */
export const startDraws = (drawn: Drawn): Draws =>
  gather(drawn, (consumer) =>
    consumer.startA > consumer.restA + consumer.steadyPeakA
      ? { steadyA: consumer.startA, shaped: [] }
      : darkDraw(consumer, 'peak'),
  );

/** Lights of a mood at shares of their full, by group of the show. */
export const lightDraws = (
  drawn: Drawn,
  { groups }: { readonly groups: readonly { readonly id: string }[] },
  shares: readonly number[],
  at: 'mean' | 'peak' = 'peak',
): Draws => {
  const shareOf = new Map(groups.map((group, g) => [group.id, shares[g] ?? 0]));
  const held = new Map<string, RailDraw['shaped'][number][]>();
  for (const { id, byBoard } of drawn.consumers) {
    const share = shareOf.get(id) ?? 0;
    if (byBoard && share > 0)
      held.set(byBoard.boardId, [...(held.get(byBoard.boardId) ?? []), { law: byBoard.law, shares: [share] }]);
  }
  return gather(drawn, (consumer) => {
    const shaped = held.get(consumer.id);
    if (shaped) return { steadyA: 0, shaped };
    const share = shareOf.get(consumer.id) ?? 0;
    const fullA = fullOf(consumer, at) - (consumer.byBoard?.fullA ?? 0);
    if (share === 0 || fullA <= 0) return null;
    return consumer.follows ? lit(consumer, share * partOf(consumer, fullA), 1) : lit(consumer, share, fullA);
  });
};

/**
 * Shares of each group at a mood's height at full brightness, as they come together on each rail: what moves as one
 * does not all peak at once, so each rail's are scaled to what it really comes to.
 */
export function heightShares(
  budget: MoodBudget,
  show: Show,
  consumers: ReadonlyMap<string, Consumer>,
  nodeOf: (consumer: Consumer) => number,
): readonly number[] {
  const nodes = show.groups.map((group) => {
    const consumer = consumers.get(group.id);
    return consumer ? nodeOf(consumer) : -1;
  });
  const full = show.groups.map((group) => (group.switches ? 0 : (consumers.get(group.id)?.fullA ?? 0)));
  const scale = new Map<number, number>();
  for (const node of new Set(nodes)) {
    const worth = full.map((amps, g) => (nodes[g] === node ? amps : 0));
    const apart = worth.reduce((sum, amps, g) => sum + amps * (budget.load.groups[g]?.peak ?? 0), 0);
    scale.set(node, apart <= 0 ? 1 : peakOfMood(budget.load, worth) / apart);
  }
  return show.groups.map(
    ({ switches }, g) => (budget.load.groups[g]?.peak ?? 0) * (switches ? 1 : (scale.get(nodes[g] ?? -1) ?? 1)),
  );
}
