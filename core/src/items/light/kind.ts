import { findPart, sundryPrices } from '../../parts/index.ts';
import { quantity, say } from '../../units/index.ts';
import { pieces } from '../buys.ts';
import { asReckoned, type FormRow, type KindDefinition } from '../contract.ts';
import { bands } from '../limits.ts';
import { diffuserRow, feedRow, heldByRow, itsPart, partRow, switchedRow, wiringRow } from '../rows.ts';
import type { LightItem } from '../types.ts';
import { takesTurns } from './scan.ts';

/** What a power star is asked besides. */
const heatRows: readonly FormRow[] = [
  {
    type: 'quantity',
    field: 'sinkKPerW',
    label: 'Its heatsink, to the air',
    quantity: 'thermalKPerW',
    band: bands.thermalKPerW,
    empty: 'none, its board alone',
    isLeftOut: true,
    hint: 'as it is sold; half of it is lost where no air can move',
  },
  {
    type: 'quantity',
    field: 'sinkG',
    label: 'Mass of the heatsink',
    quantity: 'massG',
    band: bands.sinkG,
    empty: 'of its board alone',
    isLeftOut: true,
  },
  { type: 'named', field: 'boxId', label: 'Closed in', names: 'hollow box', none: 'nothing: it stands in the open' },
  {
    type: 'quantity',
    field: 'hollowKPerW',
    label: 'Closed hollow, to the room',
    quantity: 'thermalKPerW',
    band: bands.thermalKPerW,
    empty: 'open to the air',
    isLeftOut: true,
    hint: 'by the walls of the box that it is closed in, in still air; about 4 K/W for one as large as two fists, twice that under cloth',
  },
  {
    type: 'quantity',
    field: 'litS',
    label: 'On for, at a time',
    quantity: 'timeS',
    band: bands.litS,
    empty: 'as long as it may be',
    isLeftOut: true,
  },
  heldByRow,
];

/** What takes turns knows no channels, no strings and no other wiring: each light is by itself. */
function eachByItself({ inSeries: _, sideBySide: _besides, ...item }: LightItem): LightItem {
  return { ...item, channels: 1 };
}

/** Single lights that are switched together, each with its resistor or in a string. */
export const light: KindDefinition<'light'> = {
  kind: 'light',
  name: 'Single lights',
  freshName: 'Lights',
  stage: 'lights',
  role: 'light',
  create: ({ id, name }) => ({
    kind: 'light',
    id,
    name,
    part: 'led-5mm-warm-white',
    feed: null,
    switchedBy: asReckoned,
    wiring: 'bus',
    resistorAt: 'light',
    channels: 1,
    wantedCurrentA: 0.01,
    forwardV: null,
    resistorOhm: null,
    resistorRatedW: 0.25,
    sleeved: true,
    places: [],
  }),
  rows: [
    partRow('led', 'Kind of light'),
    {
      type: 'quantity',
      field: 'wantedCurrentA',
      label: 'Wanted current, each',
      quantity: 'currentA',
      band: bands.ledCurrentA,
    },
    {
      type: 'quantity',
      field: 'channels',
      label: 'Channels, lit by turns',
      quantity: 'count',
      band: bands.channels,
      isWhole: true,
      hint: 'the first light on channel 1, the next on channel 2, and round again',
    },
    {
      type: 'quantity',
      field: 'inSeries',
      label: 'Lights one behind the other',
      quantity: 'count',
      band: bands.inSeries,
      isWhole: true,
      isLeftOut: true,
      empty: 'each by itself',
      hint: 'a string shares one current and one resistor, and asks for all their drops together',
    },
    {
      type: 'quantity',
      field: 'sideBySide',
      label: 'Strings on one resistor',
      quantity: 'count',
      band: bands.sideBySide,
      isWhole: true,
      isLeftOut: true,
      empty: 'a resistor each',
      hint: 'the lowest drop takes the most of it: sound for one batch, gently lit',
    },
    {
      type: 'quantity',
      field: 'forwardV',
      label: 'Forward voltage at that current',
      quantity: 'voltageV',
      band: bands.forwardV,
      empty: 'typical of the kind',
      isFigure: true,
    },
    ...heatRows,
    switchedRow,
    {
      type: 'tick',
      field: 'diodes',
      label: 'A diode behind each light',
    },
    feedRow,
    wiringRow,
    {
      type: 'choice',
      field: 'resistorAt',
      label: 'Its resistor sits',
      options: [
        { value: 'light', label: 'at the light' },
        { value: 'switch', label: 'at the switch or board' },
        { value: 'source', label: 'at the source' },
      ],
    },
    diffuserRow,
  ],
  usual: ({ part }, field, library) => {
    const rated = findPart(library, 'led', part)?.ratedCurrentA;
    // A power star is asked for hundreds of milliamperes, which of any other light would be a slip.
    return field === 'wantedCurrentA' && rated ? [rated / 40, rated * 1.5] : null;
  },
  parts: ({ part }) => itsPart('led', part),
  light: {
    hasColours: ({ part }, library) => findPart(library, 'led', part)?.dice !== undefined,
    place: (item, library) => {
      const part = findPart(library, 'led', item.part);
      if (!part) return null;
      const { id, name, places } = item;
      const group = takesTurns(item.switchedBy) ? eachByItself(item) : item;
      return { shape: 'lights', id, name, group, part, places: places.map(({ at }) => at) };
    },
  },
  assembly: ({ name, sinkKPerW }) =>
    sinkKPerW === undefined
      ? null
      : {
          title: `${name} on its heatsink`,
          todo: say`A heatsink of ${quantity('thermalKPerW', sinkKPerW)} or less: both faces flat and clean, a thin film of heat-conducting paste or a pad between, screws drawn in turns. A bare metal back may be joined to a leg: where it is, the pad keeps them apart. At more than the meter’s current it is never lit without.`,
        },
  buys: ({ sinkKPerW, places, name, diodes, switchedBy }) => [
    ...(sinkKPerW === undefined
      ? []
      : [
          pieces(
            say`Heatsink, ${quantity('thermalKPerW', sinkKPerW)} or less`,
            sundryPrices.heatsink,
            name,
            places.length,
          ),
        ]),
    ...(diodes && takesTurns(switchedBy)
      ? [pieces('Small signal diode', sundryPrices.diode, `${name}, one behind each light`, places.length)]
      : []),
  ],
  channels: ({ channels, places, part, switchedBy }, library) =>
    findPart(library, 'led', part)?.dice ??
    (channels > 1 && !takesTurns(switchedBy)
      ? Array.from({ length: Math.max(1, Math.min(channels, places.length)) }, (_, i) => `${i + 1}`)
      : ['']),
};
