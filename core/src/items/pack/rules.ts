import { chemistries, findPart, type PackPart } from '../../parts/index.ts';
import { milliampHours, say } from '../../units/index.ts';
import { type Finding, named } from '../finding.ts';
import type { ItemRule, Ruled } from '../rules.ts';
import type { PackItem } from '../types.ts';

/** A capacity that its kind of cell can hardly have. */
const OFTEN = 1.6;

/** A pack as it is kept and charged. */
interface Kept extends Pick<Ruled, 'piece' | 'set'> {
  readonly item: PackItem;
  readonly part: PackPart;
}

const aboutPack = ({ id }: PackItem) => ({ stage: 'power', aboutId: id }) as const;

function charging({ item, part, piece, set }: Kept): Finding | null {
  const { rechargeable, canBurn } = chemistries[part.chemistry];
  if (item.charging === 'taken out') return null;
  if (!rechargeable)
    return {
      ...aboutPack(item),
      ...named('charge-primary', item.id),
      gravity: 'stop',
      what: 'Cells of this kind must never be charged',
      why: 'They leak or burst.',
      mend: 'Exchange them, or take rechargeable cells.',
      fixes: [set('They are exchanged', { charging: 'taken out' })],
    };
  if (item.charging === 'in place, while it runs')
    return {
      ...aboutPack(item),
      ...named('charge-and-use', item.id),
      gravity: 'stop',
      what: `${item.name} is charged while the piece runs`,
      why: `The load hides the end of charge, so a plain charger never stops${canBurn ? '; a lithium cell overheats inside a closed piece' : ''}.`,
      mend: 'Charge it taken out, or with the switch proven to cut the load off.',
      fixes: [set('Charge it taken out', { charging: 'taken out' })],
    };
  if (!canBurn || piece.setting === 'dry' || item.housing !== 'none') return null;
  return {
    ...aboutPack(item),
    ...named('charge-wet', item.id),
    gravity: 'stop',
    what: `${item.name} is bare, gets wet, and is charged in place`,
    why: 'Water bridges its contacts, and a wet lithium cell that is charged can burn.',
    mend: 'Put it into a closed case, or take it out, dry it and charge it outside.',
    fixes: [
      set('Put it into a hard case', { housing: 'hard case' }),
      set('Charge it taken out', { charging: 'taken out' }),
    ],
  };
}

function onBody({ item, part, piece, set }: Kept): Finding | null {
  const { canBurn } = chemistries[part.chemistry];
  if (!item.nextToBody || item.housing === 'hard case' || piece.carriedBy === 'nobody') return null;
  return {
    ...aboutPack(item),
    ...named('cell-on-body', item.id),
    gravity: canBurn ? 'stop' : 'mend',
    what: `${item.name} sits next to the body ${item.housing === 'none' ? 'without a case' : 'in a soft pouch'}`,
    why: `A fall or a screw end can pierce it against the wearer${canBurn ? '; a damaged lithium cell burns skin' : '; leaking cells burn skin'}.`,
    mend: 'Put it into a hard case, away from the spine, with the lead’s exit relieved of strain.',
    fixes: [set('Put it into a hard case', { housing: 'hard case' })],
  };
}

/** Cells in series that are not alike. */
function mixedCells({ item, part, set }: Kept): Finding | null {
  if (!item.mixed || part.cellsInSeries < 2) return null;
  const { canBurn } = chemistries[part.chemistry];
  return {
    ...aboutPack(item),
    ...named('mixed-cells', item.id),
    gravity: canBurn ? 'stop' : 'mend',
    what: `The ${part.cellsInSeries} cells of ${item.name} are not alike`,
    why: `The weakest is empty first, and the others drive their current backwards through it: ${canBurn ? 'a lithium cell that is reversed can burn, and one that is charged with it is overcharged' : 'it leaks'}. The hours that are told here are then the hours of the weakest.`,
    mend: 'Cells of one kind and one age, charged together; write on them which belong together.',
    fixes: [set('They are alike now', { mixed: false })],
  };
}

function childReach({ item, part, piece, set }: Kept): Finding | null {
  if (piece.carriedBy !== 'child' || item.lockedLid) return null;
  return {
    ...aboutPack(item),
    ...named('child-reach', item.id),
    gravity: 'stop',
    what: `A child can reach the cells (${part.name})`,
    why: 'Small cells are swallowed, and a swallowed coin cell burns within two hours; loose cells short.',
    mend: 'Close the pack with a lid that needs a screwdriver.',
    fixes: [set('The lid is screwed', { lockedLid: true })],
  };
}

function untrueCapacity({ item, part, set }: Kept): Finding | null {
  const stated = part.capacityMah.likely;
  if (!item.capacityMah || item.capacityMah.likely <= OFTEN * stated) return null;
  return {
    ...aboutPack(item),
    ...named('capacity-much', item.id),
    gravity: 'mend',
    actual: { kind: 'capacityMah', value: item.capacityMah.likely },
    limit: { kind: 'capacityMah', value: stated * OFTEN },
    what: say`${milliampHours(item.capacityMah.likely)} are typed for a pack whose kind holds ${milliampHours(stated)}`,
    why: 'No cell of this size holds so much: a label that says more is not true, and the night would end early.',
    mend: 'Take what its kind holds, measure it in a run test, or choose the kind that it is.',
    fixes: [set('Take what its kind holds', { capacityMah: null })],
  };
}

/** How a pack is kept and charged, and whether its capacity can be true. */
export const packCareRule: ItemRule<PackItem> = (item, { library, piece, set }) => {
  const part = findPart(library, 'pack', item.part);
  if (!part) return [];
  return [charging, onBody, childReach, mixedCells, untrueCapacity].flatMap(
    (judge) => judge({ item, part, piece, set }) ?? [],
  );
};
