import { typical } from './figure.ts';
import type { PixelForm, PixelTapePart, PlainTapePart } from './kinds.ts';

interface Row {
  readonly perMetre: number;
  readonly widthMm: number;
  readonly dieCurrentA: number;
  readonly railOhmPerMetre: number;
  readonly price: number;
}

/** Values typical of the kind: narrow tapes have thinner rails and smaller dice. */
const rows: readonly Row[] = [
  { perMetre: 30, widthMm: 10, dieCurrentA: 0.013, railOhmPerMetre: 0.2, price: 4.2 },
  { perMetre: 60, widthMm: 10, dieCurrentA: 0.012, railOhmPerMetre: 0.2, price: 6.8 },
  { perMetre: 74, widthMm: 8, dieCurrentA: 0.012, railOhmPerMetre: 0.24, price: 8.9 },
  { perMetre: 100, widthMm: 8, dieCurrentA: 0.012, railOhmPerMetre: 0.22, price: 11.5 },
  { perMetre: 144, widthMm: 12, dieCurrentA: 0.012, railOhmPerMetre: 0.15, price: 15.8 },
  { perMetre: 200, widthMm: 5, dieCurrentA: 0.01, railOhmPerMetre: 0.3, price: 19.5 },
];

const tapeOf = (row: Row, dice: 3 | 4): PixelTapePart => ({
  kind: 'pixel-tape',
  id: `pixel-tape-${row.perMetre}${dice === 4 ? '-rgbw' : ''}`,
  name: `Pixel tape, 5 V, one-wire 800 kHz, ${row.perMetre}/m, ${row.widthMm} mm${dice === 4 ? ', with a white die' : ''}`,
  perMetre: row.perMetre,
  lightsPerJoint: 1,
  widthMm: row.widthMm,
  heightMm: row.perMetre >= 200 ? 1.6 : 2.2,
  restCurrentA: typical(0.0008, 0.0002),
  dieCurrentA: typical(row.dieCurrentA, row.dieCurrentA / 10),
  dice,
  bitPeriodUs: 1.25,
  latchUs: 300,
  ratedVoltageV: 5,
  leastVoltageV: 3.7,
  railOhmPerMetre: row.railOhmPerMetre,
  feedLimitA: 3,
  price: row.price,
});

/** Pixels of three lights in series for 12 V: each is one to the data line, and its chip has a regulator of its own. */
const inThrees: readonly PixelTapePart[] = [10, 20].map((perMetre) => ({
  ...tapeOf(
    { perMetre, widthMm: 10, dieCurrentA: 0.014, railOhmPerMetre: 0.18, price: perMetre === 10 ? 5.6 : 8.4 },
    3,
  ),
  id: `pixel-tape-12v-${perMetre * 3}`,
  name: `Pixel tape, 12 V, one-wire 800 kHz, ${perMetre * 3}/m in threes, 10 mm`,
  dotsPerPixel: 3,
  ratedVoltageV: 12,
  // Three dice of 3.05 V and what the chip needs to hold their current.
  leastVoltageV: 9.9,
  chipV: 5,
}));

/** Pixel tapes with one data wire at 800 kHz, cut at every pixel: for 5 V, and in threes for 12 V. */
export const pixelTapes: readonly PixelTapePart[] = [
  ...rows.map((row) => tapeOf(row, 3)),
  ...inThrees,
  tapeOf({ perMetre: 60, widthMm: 12, dieCurrentA: 0.016, railOhmPerMetre: 0.18, price: 9.9 }, 4),
];

/** Plain tapes: volts, lights a metre, lights between cut marks, colours, watts a metre, width, rails. Typical of the kind. */
export const plainTapes: readonly PlainTapePart[] = (
  [
    [5, 60, 1, 1, 4.8, 8, 3.1, 0.3],
    [5, 60, 1, 3, 7.2, 10, 4.9, 0.3],
    [12, 60, 3, 1, 4.8, 8, 3.2, 0.2],
    [12, 120, 3, 1, 9.6, 8, 4.6, 0.2],
    [12, 60, 3, 3, 14.4, 10, 5.2, 0.18],
    [12, 72, 3, 3, 9.6, 10, 5.6, 0.18],
    [24, 120, 6, 1, 9.6, 10, 5.1, 0.18],
    [24, 60, 6, 4, 19.2, 12, 8.4, 0.16],
    [12, 384, 12, 1, 8, 8, 6.9, 0.2],
  ] as const
).map(([voltageV, perMetre, lightsPerJoint, colours, powerPerMetreW, widthMm, price, railOhmPerMetre]) => ({
  kind: 'plain-tape',
  id: `plain-tape-${voltageV}v-${perMetre}-${colours}`,
  name: `Plain tape, ${voltageV} V, ${perMetre > 200 ? 'chip-on-board, ' : ''}${colours === 1 ? 'white' : colours === 3 ? 'red, green and blue' : 'red, green, blue and white'}, ${perMetre}/m, cut every ${lightsPerJoint === 1 ? 'light' : lightsPerJoint}, ${powerPerMetreW} W/m`,
  price,
  voltageV,
  perMetre,
  lightsPerJoint,
  colours,
  powerPerMetreW,
  widthMm,
  heightMm: 2.2,
  railOhmPerMetre,
  diceInSeries: voltageV < 10 ? 1 : voltageV < 20 ? 3 : 6,
  colour: '#fff1dc',
}));

/** Way from the first pixel of a shape to where one more would be. */
function chainMm(
  shape: PixelForm['shape'],
  pixels: number,
  columns: number,
  [first, second]: readonly [number, number],
): number {
  if (shape === 'ring') return (Math.PI * (first + second)) / 2;
  return (first / columns) * pixels;
}

/** Rings, panels, sticks and single pixels at 5 V, on a data line like tape. */
export const pixelShapes: readonly PixelTapePart[] = (
  [
    ['ring', 8, 8, 32, 18, 3, 2.6],
    ['ring', 12, 12, 37, 23, 3, 3.1],
    ['ring', 16, 16, 44.5, 31.7, 3, 3.8],
    ['ring', 24, 24, 66, 52, 3, 5.4],
    ['panel', 64, 8, 65, 65, 3, 9.5],
    ['panel', 16, 4, 32, 32, 4, 4.9],
    ['stick', 8, 8, 51, 10, 3, 2.4],
    ['single', 1, 1, 10, 10, 3, 0.4],
  ] as const
).map(([shape, pixels, columns, first, second, dice, price]) => ({
  kind: 'pixel-tape',
  id: `pixel-${shape}-${pixels}`,
  name: `${pixels === 1 ? 'Single pixel' : `Pixel ${shape}, ${pixels} pixels`}, ${shape === 'ring' ? `⌀ ${first} mm` : `${first} × ${second} mm`}${dice === 4 ? ', with a white die' : ''}`,
  price,
  perMetre: (1000 * pixels) / chainMm(shape, pixels, columns, [first, second]),
  lightsPerJoint: pixels,
  widthMm: shape === 'ring' ? (first - second) / 2 : second,
  heightMm: 3,
  dice,
  restCurrentA: typical(0.0008, 0.0002),
  dieCurrentA: typical(0.012, 0.0012),
  bitPeriodUs: 1.25,
  latchUs: 300,
  ratedVoltageV: 5,
  leastVoltageV: 3.7,
  railOhmPerMetre: 0.1,
  feedLimitA: 2,
  form: { shape, pixels, columns, sizeMm: [first, second] },
}));
