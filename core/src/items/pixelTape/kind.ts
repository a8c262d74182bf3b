import { findPart, sundryPrices } from '../../parts/index.ts';
import { quantity, say } from '../../units/index.ts';
import { pieces, resistors, SIGNAL_RESISTOR_W } from '../buys.ts';
import type { KindDefinition } from '../contract.ts';
import { bands } from '../limits.ts';
import { boardRow, diffuserRow, feedRow, itsPart, partRow } from '../rows.ts';
import { placeTape } from './place.ts';

/** Tape whose every light is told its colour by data. */
export const pixelTape: KindDefinition<'pixel tape'> = {
  kind: 'pixel tape',
  name: 'Pixel tape',
  freshName: 'Tape',
  stage: 'lights',
  role: 'light',
  create: ({ id, name }) => ({
    kind: 'pixel tape',
    id,
    name,
    part: 'pixel-tape-60',
    feed: null,
    board: null,
    route: [],
    lengthMm: null,
    reversed: false,
    after: null,
    hollowId: null,
    dieCurrentA: null,
    dataResistorOhm: null,
    levelShifter: false,
    reservoirUf: null,
  }),
  rows: [
    partRow('pixel-tape', 'Kind of tape'),
    { type: 'named', field: 'after', label: 'Data comes from', names: 'tape', none: 'the controller' },
    boardRow,
    feedRow,
    {
      type: 'quantity',
      field: 'dataResistorOhm',
      label: 'Resistor in the data line',
      quantity: 'resistanceOhm',
      band: bands.resistorOhm,
      empty: 'none',
    },
    {
      type: 'quantity',
      field: 'reservoirUf',
      label: 'Reservoir at its feed',
      quantity: 'capacitanceUf',
      band: bands.reservoirUf,
      empty: 'none',
    },
    diffuserRow,
    { type: 'tick', field: 'levelShifter', label: 'Level shifter in the data line' },
  ],
  parts: ({ part }) => itsPart('pixel-tape', part),
  light: {
    hasColours: () => true,
    place: (item, library, firstIndex) => {
      const part = findPart(library, 'pixel-tape', item.part);
      return part ? placeTape(item, part, firstIndex) : null;
    },
  },
  buys: ({ reservoirUf, dataResistorOhm, levelShifter, after }) => [
    ...(reservoirUf === null
      ? []
      : [
          pieces(
            say`Electrolytic capacitor ${quantity('capacitanceUf', reservoirUf)}, 10 V`,
            sundryPrices.reservoir,
            'at the tape’s feed',
          ),
        ]),
    ...(dataResistorOhm === null || after !== null ? [] : [resistors(dataResistorOhm, SIGNAL_RESISTOR_W, 'data line')]),
    ...(levelShifter && after === null
      ? [pieces('Level shifter, one line, 3.3 V to 5 V', sundryPrices.levelShifter, 'data line')]
      : []),
  ],
};
