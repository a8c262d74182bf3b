import { findPart, fuseRatingsA } from '../../parts/index.ts';
import { fuseOf } from '../buys.ts';
import type { KindDefinition } from '../contract.ts';
import { bands } from '../limits.ts';
import { boxRow, minusRow, partRow } from '../rows.ts';
import { drawSource } from '../source.ts';
import { modelPack, openCircuitVoltageV } from './model.ts';
import { behindProtection } from './protection.ts';
import { packCareRule } from './rules.ts';

const same = (value: string): { readonly value: string; readonly label: string } => ({ value, label: value });

/** Cells in series with their holder, protection and plug. */
export const pack: KindDefinition<'pack'> = {
  kind: 'pack',
  name: 'Pack',
  stage: 'power',
  role: 'source',
  create: ({ id, name, at }) => ({
    kind: 'pack',
    id,
    name,
    at,
    part: 'pack-lithium-round-3400',
    capacityMah: null,
    fuseA: null,
    plug: null,
    housing: 'none',
    nextToBody: false,
    lockedLid: false,
    minus: 'joined',
    charging: 'taken out',
  }),
  rows: [
    partRow('pack', 'Pack'),
    { type: 'part', field: 'plug', label: 'Plug of the pack', partKind: 'plug', none: 'none: soldered' },
    {
      type: 'rating',
      field: 'fuseA',
      label: 'Fuse, near the pack',
      unit: 'currentA',
      ratings: fuseRatingsA,
      none: 'none',
    },
    {
      type: 'quantity',
      field: 'capacityMah',
      label: 'Capacity',
      quantity: 'capacityMah',
      band: bands.capacityMah,
      empty: 'typical of the kind',
      isFigure: true,
    },
    {
      type: 'choice',
      field: 'housing',
      label: 'Kept in',
      options: [{ value: 'none', label: 'nothing: bare' }, same('soft pouch'), same('hard case')],
    },
    boxRow,
    {
      type: 'part',
      field: 'protection',
      label: 'Protection board',
      partKind: 'protection',
      none: 'none but what is inside',
    },
    {
      type: 'quantity',
      field: 'spares',
      label: 'Charged ones brought to exchange',
      quantity: 'count',
      band: bands.spares,
      isWhole: true,
      empty: 'none',
      isLeftOut: true,
    },
    {
      type: 'choice',
      field: 'charging',
      label: 'Charged',
      options: [same('taken out'), same('in place, switched off'), same('in place, while it runs')],
    },
    { type: 'tick', field: 'mixed', label: 'Its cells differ in kind, age or charge' },
    { type: 'tick', field: 'nextToBody', label: 'Sits next to the body' },
    { type: 'tick', field: 'lockedLid', label: 'Lid needs a screwdriver' },
    minusRow,
  ],
  parts: ({ part, plug, protection, spares = 0 }) => [
    { field: 'part', partKind: 'pack', part, quantity: 1 + spares },
    ...(protection ? [{ field: 'protection', partKind: 'protection', part: protection } as const] : []),
    { field: 'plug', partKind: 'plug', part: plug },
  ],
  feeding: {
    ports: { plus: 'plus', minus: 'minus' },
    giving: (item, library, ambientC) => {
      const cells = findPart(library, 'pack', item.part);
      const part = cells ? behindProtection(cells, findPart(library, 'protection', item.protection ?? null)) : null;
      const model = part && modelPack({ part, capacityMah: item.capacityMah ?? part.capacityMah, ambientC });
      return { form: 'cells', item, part, model };
    },
    rangeV: (giving) =>
      giving.form === 'cells' && giving.model
        ? {
            leastV: giving.model.cutOffV,
            nominalV: openCircuitVoltageV(giving.model, 0.5),
            mostV: openCircuitVoltageV(giving.model, 1),
          }
        : null,
  },
  buys: ({ fuseA, name }) => fuseOf(fuseA, name),
  draw: drawSource,
  rules: [packCareRule],
};
