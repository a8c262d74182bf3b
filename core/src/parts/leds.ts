import { dieColours, type LedPart } from './kinds.ts';

type Dice = Pick<
  LedPart,
  | 'colour'
  | 'forwardAt1mAV'
  | 'forwardAt20mAV'
  | 'forwardSpreadV'
  | 'seriesOhm'
  | 'intensityMcd'
  | 'invisible'
  | 'wavelengthNm'
  | 'radiantW'
  | 'halfAngleDeg'
>;
type Body = Pick<
  LedPart,
  'body' | 'ratedCurrentA' | 'bareDiameterMm' | 'sleeveWallMm' | 'lengthMm' | 'wireDiameterMm' | 'price'
>;

/** Forward voltages typical of the kind; ±0.15 V within a kind. */
const dice = {
  red: {
    colour: '#ff2a1a',
    forwardAt1mAV: 1.72,
    forwardAt20mAV: 2.0,
    forwardSpreadV: 0.15,
    seriesOhm: 6.5,
    intensityMcd: 900,
  },
  amber: {
    colour: '#ff9a1c',
    forwardAt1mAV: 1.78,
    forwardAt20mAV: 2.06,
    forwardSpreadV: 0.15,
    seriesOhm: 6.5,
    intensityMcd: 1200,
  },
  green: {
    colour: '#2cff6a',
    forwardAt1mAV: 2.6,
    forwardAt20mAV: 3.08,
    forwardSpreadV: 0.15,
    seriesOhm: 12,
    intensityMcd: 4000,
  },
  blue: {
    colour: '#2a6bff',
    forwardAt1mAV: 2.66,
    forwardAt20mAV: 3.12,
    forwardSpreadV: 0.15,
    seriesOhm: 12,
    intensityMcd: 1100,
  },
  white: {
    colour: '#f4f6ff',
    forwardAt1mAV: 2.72,
    forwardAt20mAV: 3.14,
    forwardSpreadV: 0.15,
    seriesOhm: 11,
    intensityMcd: 5000,
  },
  'warm white': {
    colour: '#ffd9a0',
    forwardAt1mAV: 2.7,
    forwardAt20mAV: 3.12,
    forwardSpreadV: 0.15,
    seriesOhm: 11,
    intensityMcd: 4200,
  },
  yellow: {
    colour: '#ffd02a',
    forwardAt1mAV: 1.8,
    forwardAt20mAV: 2.1,
    forwardSpreadV: 0.15,
    seriesOhm: 7,
    intensityMcd: 1000,
  },
  ultraviolet: {
    colour: '#7a3bff',
    forwardAt1mAV: 2.95,
    forwardAt20mAV: 3.45,
    forwardSpreadV: 0.2,
    seriesOhm: 13,
    intensityMcd: 40,
    invisible: 'ultraviolet',
    wavelengthNm: 395,
    radiantW: 0.012,
    halfAngleDeg: 15,
  },
  infrared: {
    colour: '#5a1420',
    forwardAt1mAV: 1.1,
    forwardAt20mAV: 1.3,
    forwardSpreadV: 0.1,
    seriesOhm: 4,
    intensityMcd: 0,
    invisible: 'infrared',
    wavelengthNm: 940,
    radiantW: 0.01,
    halfAngleDeg: 20,
  },
} as const satisfies Readonly<Record<string, Dice>>;

const bodies = {
  '3mm': {
    body: '3 mm',
    ratedCurrentA: 0.02,
    bareDiameterMm: 3.4,
    sleeveWallMm: 0.45,
    lengthMm: 5.4,
    wireDiameterMm: 1.1,
    price: 0.12,
  },
  '5mm': {
    body: '5 mm',
    ratedCurrentA: 0.02,
    bareDiameterMm: 5.8,
    sleeveWallMm: 0.45,
    lengthMm: 8.7,
    wireDiameterMm: 1.1,
    price: 0.14,
  },
  '8mm': {
    body: '8 mm',
    ratedCurrentA: 0.02,
    bareDiameterMm: 9.2,
    sleeveWallMm: 0.45,
    lengthMm: 11,
    wireDiameterMm: 1.1,
    price: 0.25,
  },
  '10mm': {
    body: '10 mm',
    ratedCurrentA: 0.02,
    bareDiameterMm: 11.2,
    sleeveWallMm: 0.45,
    lengthMm: 13.4,
    wireDiameterMm: 1.1,
    price: 0.32,
  },
  chip: {
    body: 'pre-wired chip',
    ratedCurrentA: 0.015,
    bareDiameterMm: 1.9,
    sleeveWallMm: 0,
    lengthMm: 1.2,
    wireDiameterMm: 0.25,
    price: 0.45,
  },
} as const satisfies Readonly<Record<string, Body>>;

/** Power stars: one large die on a board 20 mm across, rated in hundreds of milliamperes; they need a heatsink. */
const stars: readonly LedPart[] = (
  [
    ['white', 2.5, 2.65, 0.7, 30_000],
    ['warm white', 2.48, 2.63, 0.7, 26_000],
    ['red', 1.6, 1.75, 0.9, 16_000],
  ] as const
).map(([colour, forwardAt1mAV, forwardAt20mAV, seriesOhm, intensityMcd]) => ({
  kind: 'led',
  id: `led-star-${colour.replace(' ', '-')}`,
  name: `Power star, ${colour}, 0.35 A`,
  price: 2.4,
  body: 'power star',
  colour: dice[colour].colour,
  forwardAt1mAV,
  forwardAt20mAV,
  forwardSpreadV: 0.2,
  seriesOhm,
  ratedCurrentA: 0.35,
  bareDiameterMm: 20,
  sleeveWallMm: 0,
  lengthMm: 3.2,
  wireDiameterMm: 1.3,
  intensityMcd,
}));

/** Bare chips to solder by their pads, by their length and width; taken at their diagonal. */
const bareChips: readonly LedPart[] = (
  [
    ['0805', '2.0 × 1.25 mm', 0.02, 2.4, 0.06],
    ['3528', '3.5 × 2.8 mm', 0.02, 4.5, 0.08],
  ] as const
).flatMap(([size, sides, ratedCurrentA, bareDiameterMm, price]) =>
  (['red', 'amber', 'green', 'blue', 'white', 'warm white'] as const).map((colour) => ({
    kind: 'led' as const,
    id: `led-bare-${size}-${colour.replace(' ', '-')}`,
    name: `Bare chip, ${colour}, ${sides}`,
    ...dice[colour],
    body: 'bare chip' as const,
    ratedCurrentA,
    bareDiameterMm,
    sleeveWallMm: 0,
    lengthMm: 1.1,
    wireDiameterMm: 0.3,
    price,
  })),
);

/** Ready-wired lights with the resistor inside, by the supply that it was chosen for: 12 mA there. */
const modules: readonly LedPart[] = (
  [
    [5, 270, 180],
    [12, 820, 750],
  ] as const
).flatMap(([madeForV, lowOhm, highOhm]) =>
  (['red', 'amber', 'green', 'blue', 'white', 'warm white'] as const).map((colour) => ({
    kind: 'led' as const,
    id: `led-module-${madeForV}v-${colour.replace(' ', '-')}`,
    name: `Ready-wired, resistor inside, ${madeForV} V, ${colour}, 5 mm`,
    ...dice[colour],
    body: 'module' as const,
    ratedCurrentA: 0.02,
    bareDiameterMm: 5.8,
    sleeveWallMm: 0,
    lengthMm: 22,
    wireDiameterMm: 1.1,
    price: 0.4,
    insideOhm: colour === 'red' || colour === 'amber' ? lowOhm : highOhm,
    madeForV,
  })),
);

/** Long pieces of many small dice: a filament of dice side by side, a segment of strings of three with their resistors. */
const pieces: readonly LedPart[] = (['warm white', 'amber'] as const).flatMap((colour): LedPart[] => [
  {
    kind: 'led',
    id: `led-filament-38-${colour.replace(' ', '-')}`,
    name: `Filament piece, ${colour}, 38 mm, 3 V`,
    ...dice[colour],
    body: 'filament',
    forwardAt1mAV: 2.5,
    forwardAt20mAV: 2.64,
    forwardSpreadV: 0.1,
    seriesOhm: 2.5,
    intensityMcd: 2500,
    ratedCurrentA: 0.1,
    bareDiameterMm: 1.7,
    sleeveWallMm: 0,
    lengthMm: 38,
    wireDiameterMm: 0.5,
    price: 0.6,
  },
  {
    kind: 'led',
    id: `led-cob-60-${colour.replace(' ', '-')}`,
    name: `Chip-on-board segment, ${colour}, 60 × 8 mm, 12 V`,
    ...dice[colour],
    body: 'chip on board',
    forwardAt1mAV: 7.9,
    forwardAt20mAV: 8.3,
    forwardSpreadV: 0.3,
    seriesOhm: 4,
    intensityMcd: 9000,
    ratedCurrentA: 0.18,
    bareDiameterMm: 8,
    sleeveWallMm: 0,
    lengthMm: 60,
    wireDiameterMm: 1.1,
    price: 1.6,
    insideOhm: 22,
    madeForV: 12,
  },
]);

/** Three dice or four behind one leg: moods mix them, and what the three have in common comes from a white one. What stands for the whole is its green die. */
const manyColoured: readonly LedPart[] = (
  [
    ['5mm', bodies['5mm'], 3, 0.3],
    ['10mm', bodies['10mm'], 3, 0.5],
    ['10mm', bodies['10mm'], 4, 0.7],
  ] as const
).flatMap(([key, body, count, price]) =>
  (['plus', 'minus'] as const).map((common) => ({
    kind: 'led' as const,
    id: `led-${key}-${count === 3 ? 'three' : 'four'}-colours-${common}`,
    name: `Light, ${body.body}, ${count === 3 ? 'three colours' : 'three colours and white'}, common ${common}`,
    ...dice.green,
    ...body,
    colour: '#ffffff',
    dice: dieColours.slice(0, count),
    common,
    price,
  })),
);

/** Invisible light of other wavelengths, in the common body. */
const invisible: readonly LedPart[] = (
  [
    ['ultraviolet', 365, 3.3, 3.7, 0.006],
    ['infrared', 850, 1.3, 1.5, 0.012],
  ] as const
).map(([kind, wavelengthNm, forwardAt1mAV, forwardAt20mAV, radiantW]) => ({
  kind: 'led' as const,
  id: `led-5mm-${kind}-${wavelengthNm}`,
  name: `Light, 5 mm, ${kind}, ${wavelengthNm} nm`,
  ...dice[kind],
  ...bodies['5mm'],
  forwardAt1mAV,
  forwardAt20mAV,
  wavelengthNm,
  radiantW,
}));

/** The die that stands for one of a colour that is not a part of its own, such as those of a tape; white where it is not known. */
export function dieOf(colour: string): LedPart {
  const round = leds.filter(({ body }) => body === '5 mm');
  const named = (wanted: string): LedPart | undefined =>
    round.find((part) => part.id === `led-5mm-${wanted.replace(' ', '-')}`);
  const die = named(colour) ?? named('white');
  if (!die) throw new Error('The table of lights has no white one of 5 mm, which stands for what is not known');
  return die;
}

/** Single lights: each colour in each body, and the power stars. A chip's potted end is taken at its diagonal. */
export const leds: readonly LedPart[] = [
  ...Object.entries(bodies).flatMap(([bodyKey, body]) =>
    Object.entries(dice).map(([colour, die]) => ({
      kind: 'led' as const,
      id: `led-${bodyKey}-${colour.replace(' ', '-')}`,
      name:
        body.body === 'pre-wired chip'
          ? `Pre-wired chip light, ${colour}, 1.6 × 0.8 mm`
          : `Light, ${body.body}, ${colour}`,
      ...die,
      ...body,
    })),
  ),
  ...bareChips,
  ...modules,
  ...pieces,
  ...manyColoured,
  ...invisible,
  ...stars,
];
