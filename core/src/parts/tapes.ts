import { typical } from './figure.ts';
import type { PixelTapePart } from './kinds.ts';

interface Row {
  readonly perMetre: number;
  readonly widthMm: number;
  readonly dieCurrentA: number;
  readonly railOhmPerMetre: number;
  readonly price: number;
}

/** Values typical of the kind (RECKONING §5): narrow tapes have thinner rails and smaller dice. */
const rows: readonly Row[] = [
  { perMetre: 30, widthMm: 10, dieCurrentA: 0.013, railOhmPerMetre: 0.2, price: 4.2 },
  { perMetre: 60, widthMm: 10, dieCurrentA: 0.012, railOhmPerMetre: 0.2, price: 6.8 },
  { perMetre: 74, widthMm: 8, dieCurrentA: 0.012, railOhmPerMetre: 0.24, price: 8.9 },
  { perMetre: 100, widthMm: 8, dieCurrentA: 0.012, railOhmPerMetre: 0.22, price: 11.5 },
  { perMetre: 144, widthMm: 12, dieCurrentA: 0.012, railOhmPerMetre: 0.15, price: 15.8 },
  { perMetre: 200, widthMm: 5, dieCurrentA: 0.01, railOhmPerMetre: 0.3, price: 19.5 },
];

/** Pixel tapes for 5 V, one data wire at 800 kHz, cut at every light. */
export const pixelTapes: readonly PixelTapePart[] = rows.map((row) => ({
  kind: 'pixel-tape',
  id: `pixel-tape-${row.perMetre}`,
  name: `Pixel tape, 5 V, one-wire 800 kHz, ${row.perMetre}/m, ${row.widthMm} mm`,
  perMetre: row.perMetre,
  lightsPerJoint: 1,
  widthMm: row.widthMm,
  heightMm: row.perMetre >= 200 ? 1.6 : 2.2,
  restCurrentA: typical(0.0008, 0.0002),
  dieCurrentA: typical(row.dieCurrentA, row.dieCurrentA / 10),
  dice: 3,
  bitPeriodUs: 1.25,
  latchUs: 300,
  ratedVoltageV: 5,
  leastVoltageV: 3.7,
  railOhmPerMetre: row.railOhmPerMetre,
  feedLimitA: 3,
  price: row.price,
}));
