import { findPart } from '../../parts/index.ts';
import { asReckoned, type KindDefinition } from '../contract.ts';
import { bands } from '../limits.ts';
import { diffuserRow, feedRow, itsPart, partRow, switchedRow, wiringRow } from '../rows.ts';
import { coloursOfTape } from './colours.ts';
import { placePlain } from './place.ts';
import { commonPlusRule } from './rules.ts';

/** Tape that is dimmed as a whole, in one colour or several. */
export const plainTape: KindDefinition<'plain tape'> = {
  kind: 'plain tape',
  name: 'Plain tape',
  stage: 'lights',
  role: 'light',
  create: ({ id, name }) => ({
    kind: 'plain tape',
    id,
    name,
    part: 'plain-tape-12v-60-1',
    feed: null,
    switchedBy: [asReckoned],
    wiring: 'bus',
    route: [],
    lengthMm: null,
    hollowId: null,
    powerPerMetreW: null,
  }),
  rows: [
    partRow('plain-tape', 'Kind of tape'),
    {
      type: 'quantity',
      field: 'lengthMm',
      label: 'Length of the route',
      quantity: 'lengthMm',
      band: bands.tapeLengthMm,
      empty: 'as it lies on the picture',
    },
    {
      type: 'quantity',
      field: 'powerPerMetreW',
      label: 'A metre takes, every colour at full',
      quantity: 'powerW',
      band: bands.powerPerMetreW,
      empty: 'typical of the kind',
      isFigure: true,
    },
    switchedRow,
    feedRow,
    wiringRow,
    { type: 'named', field: 'hollowId', label: 'Lies in', names: 'channel', none: 'no channel' },
    diffuserRow,
  ],
  parts: ({ part }) => itsPart('plain-tape', part),
  light: {
    hasColours: (item, library) => (findPart(library, 'plain-tape', item.part)?.colours ?? 1) > 1,
    place: (item, library) => {
      const part = findPart(library, 'plain-tape', item.part);
      return part ? placePlain(item, part) : null;
    },
  },
  channels: (item, library) => {
    const part = findPart(library, 'plain-tape', item.part);
    return part && part.colours > 1 ? coloursOfTape(part) : [''];
  },
  rules: [commonPlusRule],
};
