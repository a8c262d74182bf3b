import { colourOrders, findPart, sundryPrices } from '../../parts/index.ts';
import { joinMessages, ohms, quantity, say } from '../../units/index.ts';
import { pieces, resistors, SIGNAL_RESISTOR_W } from '../buys.ts';
import type { KindDefinition } from '../contract.ts';
import { bands, plenty } from '../limits.ts';
import { boardRow, diffuserRow, feedRow, itsPart, partRow } from '../rows.ts';
import { sayOrder } from './order.ts';
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
      label: 'Capacitor at its feed',
      quantity: 'capacitanceUf',
      band: bands.reservoirUf,
      empty: 'none',
    },
    diffuserRow,
    {
      type: 'choice',
      field: 'order',
      label: 'Takes its colours in the order',
      none: 'usual for its kind',
      options: colourOrders.map((value) => ({ value, label: sayOrder(value) })),
    },
    {
      type: 'choice',
      field: 'spareFirst',
      label: 'A spare pixel before the first',
      none: 'none',
      options: [
        { value: 'plain', label: 'yes, to send the data on afresh' },
        { value: 'behind a diode', label: 'behind a diode: takes a lower data level too' },
      ],
    },
    {
      type: 'quantity',
      field: 'litFirst',
      label: 'Use only the first',
      quantity: 'count',
      band: { least: 1, most: plenty.lights, usual: [1, 600] },
      isWhole: true,
      isLeftOut: true,
      empty: 'all of them',
    },
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
  beside: ({ reservoirUf, levelShifter, dataResistorOhm }, port) => {
    if (port === 'plus' && reservoirUf !== null)
      return say`, with ${quantity('capacitanceUf', reservoirUf)} across to its minus`;
    const through = [
      ...(levelShifter ? ['a level shifter'] : []),
      ...(dataResistorOhm === null ? [] : [ohms(dataResistorOhm)]),
    ];
    return port === 'data pin' && through.length > 0 ? say`, through ${joinMessages(through, ' and ')}` : null;
  },
  buys: ({ reservoirUf, dataResistorOhm, levelShifter, after, spareFirst }) => [
    ...(spareFirst === undefined || after !== null
      ? []
      : [
          pieces(
            'Single pixel with the tape’s own data, or a piece with one light',
            sundryPrices.sparePixel,
            'spare, before the first',
          ),
          ...(spareFirst === 'behind a diode'
            ? [pieces('Diode, silicon, 1 A', sundryPrices.diode, 'before the spare pixel')]
            : []),
        ]),
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
