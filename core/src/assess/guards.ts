import { findRailLimitA, findReserve, type LinkLimit, type SupplyNode, type SupplyTree } from '../power/index.ts';
import { type Consumer, fullOf } from './consumers.ts';
import { darkDraws } from './draws.ts';
import { keepFew } from './keepFew.ts';
import type { LaidTree } from './trees.ts';
import type { Wires } from './wiring.ts';

/** What the rails of one supply give to what a program lights, with little charge left: found by searching, plain data. */
export interface SupplyGuard {
  /** Of each rail that lights hang on, the hungriest first: number of its node, and the most with all else dark. */
  readonly rails: readonly { readonly node: number; readonly limitA: number }[];
  /**
   * Of each of these, in the same order, the most above the dark that what they share gives one of them alone, whatever
   * its own plugs, fuses and converters bear. Null where they can't be too much together.
   */
  readonly aloneA: readonly number[] | null;
}

/** A guard with the tree that it was found for. */
export interface LaidGuard extends SupplyGuard {
  readonly nodeOf: (consumer: Consumer) => number;
}

/** Of nothing it is 0. */
export const sumOf = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0);

/** What a program moves there at its most, by node. */
const fullOn = (node: number, moved: readonly Consumer[], nodeOf: (consumer: Consumer) => number): number =>
  sumOf(moved.filter((each) => nodeOf(each) === node).map((each) => fullOf(each, 'peak')));

/** Whether one node is another, or stands before it. */
function standsBefore(nodes: readonly SupplyNode[], before: number, node: number): boolean {
  for (let i = node; i >= 0; i = nodes[i]?.parent ?? -1) if (i === before) return true;
  return false;
}

/** What only one of these rails goes through: it is in the limit of that rail, and no matter of what they share. */
const withoutOwnLinks = (tree: SupplyTree, rails: readonly number[]): SupplyTree => ({
  ...tree,
  links: tree.links.filter(
    ({ node }: LinkLimit) => rails.filter((rail) => standsBefore(tree.nodes, node, rail)).length !== 1,
  ),
});

const findLimits = keepFew(({ drawnIn }: Wires, laid: LaidTree, nodes: readonly number[]) => {
  const drawn = drawnIn(laid);
  const restOn = (node: number): number =>
    sumOf(drawn.consumers.filter((each) => drawn.nodeOf(each) === node).map((each) => each.restA + each.steadyPeakA));
  const reserve = findReserve(laid.tree, darkDraws(drawn, 'mean'));
  const dark = darkDraws(drawn, 'peak');
  const shared = withoutOwnLinks(laid.tree, nodes);
  return {
    limitsA: nodes.map((node) => findRailLimitA(laid.tree, reserve, node, dark)),
    sharedA: nodes.map((node) => (nodes.length === 1 ? 0 : findRailLimitA(shared, reserve, node, dark) - restOn(node))),
  };
}, 12);

/**
 * What a limiter keeps to on one supply; null where no program lights anything on it. A point is safe where no rail is
 * above its own limit and what they share is not overdrawn. Of the latter it is enough to know how much each rail could
 * draw alone: what a source with its resistance and its limits can give is convex (the more is drawn, the more a further
 * ampere costs), so that every mixture of safe points is safe.
 * @param first the consumer whose rail is told of
 * @param moved all that a program moves
 * @param searched what was found of it before
 */
export function guardSupply(
  wires: Wires,
  laid: LaidTree,
  first: Consumer | null,
  moved: readonly Consumer[],
  searched: SupplyGuard | null,
): LaidGuard | null {
  const { nodeOf } = wires.drawnIn(laid);
  if (!first || nodeOf(first) < 0) return null;
  if (searched) return { ...searched, nodeOf };
  const nodes = [...new Set([first, ...moved].map(nodeOf).filter((node) => node >= 0))];
  const { limitsA, sharedA } = findLimits(wires, laid, nodes);
  const share = sumOf(nodes.map((node, i) => fullOn(node, moved, nodeOf) / (sharedA[i] ?? 0)));
  const isTogetherTooMuch = nodes.length > 1 && sharedA.every((each) => each > 0) && share > 1;
  return {
    rails: nodes.map((node, i) => ({ node, limitA: limitsA[i] ?? 0 })),
    aloneA: isTogetherTooMuch ? sharedA : null,
    nodeOf,
  };
}
