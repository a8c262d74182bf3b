import type { SupplyAssessment } from '../assess.ts';
import { sourceAt } from '../power/index.ts';

/** What a converter hangs on: a voltage behind a resistance. */
export interface BeforeConverter {
  readonly openV: number;
  readonly sourceOhm: number;
}

const LEAST_OHM = 1e-4;

/**
 * What a converter of a supply hangs on at the height of the evening with the reserve left: the source, and all that lies
 * between, with what others draw through it counted as more resistance.
 * @param node its number in the tree
 */
export function beforeConverter(
  { tree, reserve, atPeak }: Pick<SupplyAssessment, 'tree' | 'reserve' | 'atPeak'>,
  node: number,
): BeforeConverter {
  const { openV, ohm } = sourceAt(tree.source, reserve);
  const now = atPeak.nodes[node];
  if (now && now.inA > 0) return { openV, sourceOhm: Math.max(LEAST_OHM, (openV - now.inV) / now.inA) };
  let between = ohm;
  for (let i = node; i >= 0; i = tree.nodes[i]?.parent ?? -1) between += tree.nodes[i]?.ohm ?? 0;
  return { openV, sourceOhm: Math.max(LEAST_OHM, between) };
}
