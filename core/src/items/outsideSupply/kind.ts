import { findPart, fuseRatingsA } from '../../parts/index.ts';
import { fuseOf } from '../buys.ts';
import type { KindDefinition } from '../contract.ts';
import { bands } from '../limits.ts';
import { minusRow, partRow } from '../rows.ts';
import { drawSource } from '../source.ts';
import { supplyRangeRule } from './rules.ts';

/** A port or a plug-in supply: it ends never, and gives so much at most. */
export const outsideSupply: KindDefinition<'outside supply'> = {
  kind: 'outside supply',
  name: 'Outside supply',
  stage: 'power',
  role: 'source',
  create: ({ id, name, at }) => ({
    kind: 'outside supply',
    id,
    name,
    at,
    part: 'supply-port-0a5',
    volts: null,
    fuseA: null,
    plug: null,
    minus: 'joined',
  }),
  rows: [
    partRow('outside-supply', 'Outside supply'),
    {
      type: 'quantity',
      field: 'volts',
      label: 'Its voltage',
      quantity: 'voltageV',
      band: bands.supplyV,
      empty: 'as its kind gives',
    },
    {
      type: 'quantity',
      field: 'tolerance',
      label: 'Varies by, either way',
      quantity: 'fraction',
      band: bands.supplySpread,
      empty: 'as its kind does',
      isLeftOut: true,
    },
    {
      type: 'quantity',
      field: 'sinksToV',
      label: 'Or sinks to',
      quantity: 'voltageV',
      band: bands.supplyV,
      empty: 'as it varies',
      isLeftOut: true,
    },
    {
      type: 'quantity',
      field: 'risesToV',
      label: '… and rises to',
      quantity: 'voltageV',
      band: bands.supplyV,
      empty: 'as it varies',
      isLeftOut: true,
    },
    { type: 'part', field: 'plug', label: 'Its plug', partKind: 'plug', none: 'none: soldered' },
    {
      type: 'rating',
      field: 'fuseA',
      label: 'Fuse in its lead',
      unit: 'currentA',
      ratings: fuseRatingsA,
      none: 'none',
    },
    minusRow,
  ],
  parts: ({ part, plug }) => [
    { field: 'part', partKind: 'outside-supply', part },
    { field: 'plug', partKind: 'plug', part: plug },
  ],
  feeding: {
    ports: { plus: 'plus', minus: 'minus' },
    giving: (item, library) => ({
      form: 'outside',
      item,
      part: findPart(library, 'outside-supply', item.part) ?? null,
    }),
    rangeV: (giving) => {
      if (giving.form !== 'outside' || !giving.part) return null;
      const volts = giving.item.volts ?? giving.part.volts;
      const tolerance = giving.item.tolerance ?? giving.part.tolerance;
      const { sinksToV = volts * (1 - tolerance), risesToV = volts * (1 + tolerance) } = giving.item;
      return { leastV: Math.min(volts, sinksToV), nominalV: volts, mostV: Math.max(volts, risesToV) };
    },
  },
  buys: ({ fuseA, name }) => fuseOf(fuseA, name),
  draw: drawSource,
  rules: [supplyRangeRule],
};
