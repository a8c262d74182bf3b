import { findPart, type Library } from '../../parts/index.ts';
import type { KindDefinition } from '../contract.ts';
import { drawsAtRest } from '../draws.ts';
import { feedRow, itsPart, partRow } from '../rows.ts';
import { closeToMinus, drawOwn } from '../switcher.ts';
import type { BoxItem } from '../types.ts';

const outputsOf = ({ part }: BoxItem, library: Library): readonly string[] =>
  Array.from({ length: findPart(library, 'box', part)?.outputs ?? 0 }, (_, i) => `output ${i + 1}`);

/** A ready-made control box with outputs of its own. */
export const box: KindDefinition<'box'> = {
  kind: 'box',
  name: 'Ready-made box',
  stage: 'drive',
  role: 'switches',
  create: ({ id, name, at }) => ({ kind: 'box', id, name, at, part: 'box-three-6a', feed: null }),
  rows: [partRow('box', 'Box'), feedRow],
  parts: ({ part }) => itsPart('box', part),
  lead: { plus: 'plus in', minus: 'minus' },
  outputs: outputsOf,
  throughOhm: ({ part }, library) => findPart(library, 'box', part)?.onOhm ?? 0,
  draws: ({ part }, library) => {
    const found = findPart(library, 'box', part);
    return found ? drawsAtRest(found.ownA, 0.2) : null;
  },
  draw: (item, drawing) => {
    drawOwn(item.id, drawing);
    const ohm = findPart(drawing.library, 'box', item.part)?.onOhm ?? 0;
    for (const output of outputsOf(item, drawing.library)) closeToMinus(item.id, output, ohm, drawing);
  },
};
