import { findPart } from '../../parts/index.ts';
import { mm, say } from '../../units/index.ts';
import { type Finding, named } from '../finding.ts';
import type { ItemRule } from '../rules.ts';
import type { LeadSwitchItem } from '../types.ts';
import { reachMm } from './magnet.ts';
import { tellMagnet } from './tellMagnet.ts';

/** A magnet switch whose magnet does not reach it, or that never lets go. */
export const magnetRule: ItemRule<LeadSwitchItem> = (item, { library, set }) => {
  const part = findPart(library, 'switch', item.part);
  if (!part?.magnetic) return [];
  const base = { stage: 'power', aboutId: item.id } as const;
  if (!item.magnet)
    return [
      {
        ...base,
        ...named('magnet-none', item.id),
        gravity: 'mend',
        what: `${item.name} is worked by a magnet, and none is told of`,
        why: 'Whether it closes through the wall follows from the magnet’s size and strength.',
        mend: 'Say which magnet, and how thick the wall is.',
        fixes: [
          set(say`A disc of ${mm(6)} × ${mm(3)} behind ${mm(3)}`, {
            magnet: { diameterMm: 6, thicknessMm: 3, remanenceMt: 1200, wallMm: 3, litWhen: 'near' },
          }),
        ],
      },
    ];
  const magnet = { Br: item.magnet.remanenceMt, r: item.magnet.diameterMm / 2, t: item.magnet.thicknessMm };
  const pullInMm = reachMm(magnet, part.magnetic.pullInMt);
  const lost: Finding[] =
    item.magnet.litWhen === 'away'
      ? [
          {
            ...base,
            ...named('magnet-lost', item.id),
            gravity: 'mind',
            what: `Without its magnet ${item.name} is on for good`,
            why: 'A magnet falls off in a bag or is left at home: then the pack is run flat on the way.',
            mend: 'A second magnet that is kept with the piece, the pack unplugged on the way, or lit while the magnet is near.',
            fixes: [set('Lit while it is near', { magnet: { ...item.magnet, litWhen: 'near' } })],
          },
        ]
      : [];
  const weak = tellMagnet({ name: item.name, pullInMm, wallMm: item.magnet.wallMm });
  return weak ? [...lost, { ...base, ...weak, ...named(weak.rule, item.id), fixes: [] }] : lost;
};
