import { type Fix, kindOf } from '../items/index.ts';
import type { RuleInput } from './finding.ts';

/** A converter put between, for what wants more than the pack gives. */
export function addBoost({ design, assessment }: RuleInput, id = 'converter'): Fix[] {
  const { rails } = assessment;
  const from = rails.mainId === null ? undefined : rails.byId.get(rails.mainId);
  if (!from || rails.list.some((rail) => rail.gives.form === 'converter')) return [];
  const free = design.items.some((item) => item.id === id) ? `${id}-5v` : id;
  const board = design.items.find((item) => kindOf(item.kind).role === 'board');
  const at = board && 'at' in board ? board.at : { xMm: design.view.widthMm / 2, yMm: design.view.heightMm / 2 };
  // A fresh converter is a boost one for 5 V.
  const item = kindOf('converter').create({ id: free, name: 'Converter', at });
  return [{ label: 'Add a 5 V boost converter', edits: [{ kind: 'add item', item }] }];
}
