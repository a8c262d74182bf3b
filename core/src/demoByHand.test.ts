import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { type Assessment, assess } from './assess.ts';
import { readPlanText } from './plan/reading.ts';

const known = new Map<string, Assessment>();
function piece(file: string): Assessment {
  const before = known.get(file);
  if (before) return before;
  const read = readPlanText(readFileSync(new URL(`../../demo/${file}.glimmer.json`, import.meta.url), 'utf8'));
  if (!read.ok) throw new Error(`${file}: ${JSON.stringify(read.problems)}`);
  const assessment = assess(read.plan.design);
  known.set(file, assessment);
  return assessment;
}

const allAtFullA = ({ allWhiteA }: Assessment): number => allWhiteA;
const darkA = ({ restA }: Assessment): number => restA;
const driven = (itemId: string) => (assessment: Assessment) => {
  const found = assessment.driven.find((each) => each.itemId === itemId);
  if (!found) throw new Error(`nothing drives ${itemId}`);
  return found;
};
const exactOhm =
  (itemId: string) =>
  (assessment: Assessment): number =>
    driven(itemId)(assessment).resistor?.exactOhm ?? Number.NaN;
const lightA =
  (itemId: string) =>
  (assessment: Assessment): number =>
    driven(itemId)(assessment).corners.currentA;
const heatW =
  (partId: string) =>
  ({ warm }: Assessment): number =>
    warm.parts.find(({ id }) => id === partId)?.heatW ?? Number.NaN;
const outsideC =
  (partId: string) =>
  ({ warm }: Assessment): number =>
    warm.parts.find(({ id }) => id === partId)?.forGood.outsideC ?? Number.NaN;
const hours =
  (supplyId: string) =>
  ({ supplies }: Assessment): number =>
    supplies.find(({ rail }) => rail.id === supplyId)?.runsFor?.likelyH ?? Number.NaN;
/** Out of a source at the height of its own hardest mood, with a tenth of its charge left. */
const heightA =
  (supplyId: string) =>
  ({ supplies }: Assessment): number =>
    supplies.find(({ rail }) => rail.id === supplyId)?.atPeak.packA ?? Number.NaN;
const energyWh =
  (supplyId: string) =>
  ({ standBy }: Assessment): number =>
    standBy.find((each) => each.supplyId === supplyId)?.energyWh ?? Number.NaN;

/** A piece, what is looked at, what it comes to on paper, within which share of that, and that paper. */
const byHand: readonly (readonly [
  file: string,
  what: string,
  of: (assessment: Assessment) => number,
  paper: number,
  within: number,
  reckoning: string,
])[] = [
  // A pixel takes 0.8 mA dark and 36 mA more in white, three dice of 12 mA.
  [
    'anglerfish-headdress',
    'all at full',
    allAtFullA,
    2.577,
    0.002,
    '66 × 36.8 mA + 120 mA + 12 mA of lure + 16 mA of eyes',
  ],
  ['anglerfish-headdress', 'all dark', darkA, 0.173, 0.002, '66 × 0.8 mA + 120 mA'],
  ['jellyfish-parasol', 'all at full', allAtFullA, 18.96, 0.002, '(8 × 61 + 24) × 36.8 mA + 120 mA'],
  ['jellyfish-parasol', 'all dark', darkA, 0.5296, 0.002, '512 × 0.8 mA + 120 mA'],
  ['crews-oars', 'all at full', allAtFullA, 0.6218, 0.002, '16 × 36.8 mA + 28 mA + 5 mA of the ear'],
  ['stepping-stone-lanterns', 'all at full', allAtFullA, 0.4566, 0.002, '12 × 36.8 mA + 15 mA'],
  ['pilots-semaphore-wands', 'all dark', darkA, 0.0624, 0.002, '48 × 0.8 mA + 2 × 12 mA'],
  ['bow-wave', 'all at full', allAtFullA, 0.0886, 0.002, '2 × 36.8 mA + 15 mA'],
  [
    'paddle-steamer-handcart',
    'all at full',
    allAtFullA,
    2.121,
    0.003,
    '8 × 36.8 mA + 28 mA + 299 mA + two stalled motors of 750 mA',
  ],
  ['harbour-beacon', 'all dark', darkA, 0.02817, 0.003, '28 mA + 5 V over 30 kΩ of divider in light'],
  // What a light drops between its two readings, 1 mA and 20 mA: V = V1 + nVt · ln(I/1 mA) + R · (I − 1 mA), with
  // nVt = (V20 − V1 − 19 mA · R) / ln 20.
  ['coxs-mask', 'all dark', darkA, 0.017, 0.03, '12 mA + 5 mA of the ear'],
  [
    'coxs-mask',
    'exact resistor',
    exactOhm('brow'),
    419.5,
    0.01,
    'nVt 52.24 mV; 1.78 + 0.0724 + 0.0195 = 1.872 V; (3 × 1.25 − 0.2 of the transistor − 1.872) / 4 mA',
  ],
  [
    'mooring-float',
    'exact resistor',
    exactOhm('lamp'),
    93.3,
    0.01,
    'nVt 70.4 mV; 2.944 V at 8 mA; (3.69 − 2.944) / 8 mA',
  ],
  [
    'harbour-lighthouse',
    'exact resistor of the beam',
    exactOhm('beam'),
    487,
    0.01,
    '2.72 + 70.4 mV · ln 4 + 33 mV = 2.851 V; pin and its 0.2 V: (4.80 − 2.851) / 4 mA',
  ],
  [
    'lock-keepers-key',
    'exact resistor',
    exactOhm('beam'),
    144.9,
    0.01,
    'nVt 41.4 mV; 1.431 V at 10 mA; (2.88 − 1.431) / 10 mA',
  ],
  [
    'lock-keepers-key',
    'exact resistor of the tell-tale',
    exactOhm('tell'),
    558.6,
    0.01,
    'nVt 52.2 mV; 1.763 V at 2 mA; (2.88 − 1.763) / 2 mA',
  ],
  [
    'harbour-beacon',
    'exact resistor at the top',
    exactOhm('top'),
    234.6,
    0.01,
    '2.7 + 70.4 mV · ln 8 + 77 mV = 2.923 V; pin and its 0.2 V: (4.80 − 2.923) / 8 mA',
  ],
  [
    'mooring-float',
    'with 100 Ω',
    lightA('lamp'),
    0.00755,
    0.01,
    '0.755 V over 100 Ω leave 2.935 V, which the light has at 7.6 mA',
  ],
  [
    'lock-keepers-key',
    'with 150 Ω',
    lightA('beam'),
    0.00968,
    0.01,
    '1.452 V over 150 Ω leave 1.428 V, which it has at 9.7 mA',
  ],
  // What holds a current burns what is over: the full pack less the light, or the rail less the chip.
  ['divers-helmet-lamp', 'heat of the driver', heatW('driver:star'), 1.1, 0.01, '(2 × 4.19 V − 2.88 V) · 0.2 A'],
  ['divers-helmet-lamp', 'its temperature', outsideC('driver:star'), 80, 0.01, '14 °C + 1.10 W · 60 K/W'],
  ['foghorn-buoy', 'heat of the horn', heatW('load:horn'), 0.394, 0.01, '0.7 · 0.15 A · 3.75 V of three cells'],
  ['foghorn-buoy', 'its temperature', outsideC('load:horn'), 15.9, 0.01, '8 °C + 0.394 W · 20 K/W'],
  ['paddle-steamer-handcart', 'heat of a motor', heatW('load:port'), 0.42, 0.01, '0.7 · 5 V · 0.12 A'],
  // Charge over current, the current at the pack by the converter’s efficiency or by what is left of a fading voltage.
  [
    'stepping-stone-lanterns',
    'hours',
    hours('cell'),
    45,
    0.1,
    '2,321 mAh in the cold / 49.3 mA is 47 h, less what is left below 3 V',
  ],
  ['mooring-float', 'hours', hours('cell'), 19.5, 0.12, '136 mAh over 7.5 mA when new and half of that at the end'],
  ['bandstand-rail', 'hours', hours('pack'), 2.3, 0.08, '20 h · (6.35 Ah / (2.0 A · 20 h))^1.15 is 2.4 h, to 11.4 V'],
  [
    'harbour-beacon',
    'hours',
    hours('cell'),
    39,
    0.1,
    '3,327 mAh; 5 V · 51.8 mA / (0.88 · 3.65 V) = 81 mA: 41 h, less the last tenth of a boost',
  ],
  // Each wand is hardest on its own cell in another mood: one that is raised is filled to its tip.
  [
    'pilots-semaphore-wands',
    'height of the port cell',
    heightA('port-cell'),
    0.32,
    0.04,
    '24 red dice of 13 mA, 50 %: 156 mA; 24 × 0.8 mA + 12 mA; 5 V · 187 mA / (0.87 · 3.35 V)',
  ],
  [
    'pilots-semaphore-wands',
    'height of the starboard cell',
    heightA('starboard-cell'),
    0.32,
    0.04,
    'the same in green',
  ],
  // By its cells: carriers count nominal volts times ampere-hours.
  ['kelp-cloak', 'energy', energyWh('pack'), 28.9, 0.005, '3 × 3.7 V × 2.6 Ah'],
  ['bandstand-rail', 'energy', energyWh('pack'), 84, 0.005, '12 V × 7 Ah'],
];

describe('the demo pieces, by hand', () => {
  it.each(byHand)('%s, %s', (file, _what, of, paper, within) => {
    const found = of(piece(file));
    expect(Math.abs(found / paper - 1), `${found} here, ${paper} on paper`).toBeLessThanOrEqual(within);
  });
});
