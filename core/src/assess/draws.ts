import { peakOfMood, type Show } from '../motion/index.ts';
import { type Draws, noDraw, type RailDraw, type SupplyTree } from '../power/index.ts';
import type { MoodBudget } from './budget.ts';
import type { Consumer } from './consumers.ts';

/** Where in a tree each consumer draws. */
export interface Drawn {
  readonly tree: SupplyTree;
  /** Number of the node; −1 = from another tree. */
  readonly nodeOf: (consumer: Consumer) => number;
  readonly consumers: readonly Consumer[];
  /** All lights draw so many times what is likely. */
  readonly factor: number;
}

/** Puts what single consumers draw on their nodes. */
function gather(drawn: Drawn, of: (consumer: Consumer) => RailDraw | null): Draws {
  const steady = drawn.tree.nodes.map(() => 0);
  const shaped = drawn.tree.nodes.map((): RailDraw['shaped'][number][] => []);
  for (const consumer of drawn.consumers) {
    const node = drawn.nodeOf(consumer);
    const draw = node < 0 ? null : of(consumer);
    if (!draw) continue;
    steady[node] = (steady[node] ?? 0) + draw.steadyA * factorOf(consumer, drawn.factor);
    shaped[node]?.push(
      ...draw.shaped.map((each) => ({ ...each, share: each.share * factorOf(consumer, drawn.factor) })),
    );
  }
  return drawn.tree.nodes.map((_, i) => ({ steadyA: steady[i] ?? 0, shaped: shaped[i] ?? [] }));
}

/** `factor` is 1 plus so many spreads. */
const factorOf = (consumer: Consumer, deviation: number): number => 1 + deviation * consumer.relativeSpread;

/** Lights of a consumer at a share of their full: on a rail that sags they follow it. */
function lit(consumer: Consumer, share: number, fullA: number): RailDraw {
  if (share === 0 || fullA === 0) return noDraw;
  if (!consumer.atRail) return { steadyA: fullA * share, shaped: [] };
  return { steadyA: 0, shaped: [{ share, atRail: consumer.atRail }] };
}

/** Of all that follows the rail, the part that a program drives, or that is lit without one. */
const partOf = (consumer: Consumer, amps: number): number => {
  const whole = consumer.fullA + consumer.steadyA;
  return whole <= 0 ? 0 : amps / whole;
};

const plus = (a: RailDraw, b: RailDraw): RailDraw => ({
  steadyA: a.steadyA + b.steadyA,
  shaped: [...a.shaped, ...b.shaped],
});

/** What is drawn with every programmed light dark: on the mean, or with other loads at their most. */
export const darkDraws = (drawn: Drawn, at: 'mean' | 'peak'): Draws =>
  gather(drawn, (consumer) => {
    const rest: RailDraw = { steadyA: consumer.restA, shaped: [] };
    if (consumer.steadyA === 0 && consumer.steadyPeakA === 0) return rest;
    return consumer.atRail
      ? plus(rest, lit(consumer, partOf(consumer, consumer.steadyA), 1))
      : { steadyA: consumer.restA + (at === 'mean' ? consumer.steadyA : consumer.steadyPeakA), shaped: [] };
  });

/** What loads add in the moment in which everything is switched on. */
export const startDraws = (drawn: Drawn): Draws =>
  gather(drawn, (consumer) => ({
    steadyA: Math.max(consumer.restA + consumer.steadyPeakA, consumer.startA),
    shaped: [],
  }));

/** Lights of a mood at shares of their full, by group of the show. */
export const lightDraws = (
  drawn: Drawn,
  { groups }: { readonly groups: readonly { readonly id: string }[] },
  shares: readonly number[],
): Draws => {
  const shareOf = new Map(groups.map((group, g) => [group.id, shares[g] ?? 0]));
  return gather(drawn, (consumer) => {
    const share = shareOf.get(consumer.id) ?? 0;
    if (share === 0 || consumer.fullA === 0) return null;
    return consumer.atRail
      ? lit(consumer, share * partOf(consumer, consumer.fullA), 1)
      : lit(consumer, share, consumer.fullA);
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
  const full = show.groups.map((group) => consumers.get(group.id)?.fullA ?? 0);
  const scale = new Map<number, number>();
  for (const node of new Set(nodes)) {
    const worth = full.map((amps, g) => (nodes[g] === node ? amps : 0));
    const apart = worth.reduce((sum, amps, g) => sum + amps * (budget.load.groups[g]?.peak ?? 0), 0);
    scale.set(node, apart <= 0 ? 1 : peakOfMood(budget.load, worth) / apart);
  }
  return show.groups.map((_, g) => (budget.load.groups[g]?.peak ?? 0) * (scale.get(nodes[g] ?? -1) ?? 1));
}
