import { type Chemistry, chemistryNames, type PackPart, packs, typical } from '../../parts/index.ts';
import { SumError } from '../answer.ts';
import { assume, choice, optional, pairs } from '../inputs.ts';

/** What sums ask of a pack that need not be of the catalogue. */
export const packInputs = {
  chemistry: choice('chemistry', 'Chemistry', chemistryNames, 'lithium-ion'),
  series: assume('count', 'series', 'Cells in series', 1, { whole: true, least: 1, most: 20 }),
  packOhm: optional('resistanceOhm', 'resistance', 'Resistance of the pack, full', { least: 0.001, most: 100 }),
  atRest: pairs({
    word: 'atrest',
    label: 'Your own readings at rest',
    hint: 'charge left : voltage of the pack',
    names: ['charge', 'voltageV'],
    kinds: ['fraction', 'voltageV'],
    bands: [
      { least: 0, most: 1 },
      { least: 0.3, most: 100 },
    ],
    initial: [],
  }),
  overCharge: pairs({
    word: 'resistances',
    label: 'Your own readings of its resistance',
    hint: 'charge left : resistance',
    names: ['charge', 'resistanceOhm'],
    kinds: ['fraction', 'resistanceOhm'],
    bands: [
      { least: 0, most: 1 },
      { least: 0.001, most: 200 },
    ],
    initial: [],
  }),
  rateExponent: optional('count', 'exponent', 'Rate exponent, if you know it', { least: 1, most: 1.6 }),
  ratedH: optional('timeH', 'stated', 'Its capacity is stated over', { least: 0.02, most: 10_000 }),
} as const;

type Pairs = readonly (readonly [number, number])[];

/** A pack as a sum was told of it. */
export interface PackAsked {
  readonly capacityMah: number;
  readonly chemistry: Chemistry;
  readonly series: number;
  readonly packOhm: number | null;
  readonly atRest: Pairs;
  readonly overCharge: Pairs;
  readonly rateExponent: number | null;
  readonly ratedH: number | null;
}

/** Readings from empty to full; refuses one charge twice, or one reading alone. */
function inOrder(readings: Pairs, what: string, rises: boolean): Pairs {
  const sorted = [...readings].sort((a, b) => a[0] - b[0]);
  if (sorted.length === 1)
    throw new SumError(
      `One reading ${what} says nothing of the rest; give two or more, such as one full and one nearly empty`,
    );
  sorted.forEach(([charge, value], i) => {
    const [before, less] = sorted[i - 1] ?? [-1, 0];
    if (charge <= before) throw new SumError(`Two readings ${what} are at one charge; keep one of them`);
    if (rises && value < less)
      throw new SumError(`The readings ${what} fall as the charge rises; a pack that holds more has no less voltage`);
  });
  return sorted;
}

/** A part that is what was said, and else as is typical of its chemistry at this capacity. */
export function describePack(asked: PackAsked, id: string): PackPart & { readonly like: string } {
  const { capacityMah, chemistry, series, packOhm, rateExponent, ratedH } = asked;
  const nearest = packs
    .filter((part) => part.chemistry === chemistry)
    .map((part) => ({ part, off: Math.abs(Math.log(part.capacityMah.likely / capacityMah)) }))
    .sort((a, b) => a.off - b.off)[0]?.part;
  if (!nearest) throw new SumError(`The catalogue has no ${chemistry} pack to take typical values from`);
  const cells = nearest.cellsInSeries;
  const scale = capacityMah / nearest.capacityMah.likely;
  const restV = inOrder(asked.atRest, 'at rest', true);
  const resistanceOver = inOrder(asked.overCharge, 'of its resistance', false);
  const ohm = packOhm ?? ((nearest.resistanceOhm.likely / cells) * series) / scale;
  return {
    ...nearest,
    id,
    like: nearest.id,
    name: `Pack of ${Math.round(capacityMah)} mAh, ${chemistry}`,
    cellsInSeries: series,
    capacityMah: typical(capacityMah, capacityMah * (nearest.capacityMah.spread / nearest.capacityMah.likely)),
    cutOffV: Math.min((nearest.cutOffV / cells) * series, restV[0]?.[1] ?? Number.POSITIVE_INFINITY),
    ratedCurrentA: ratedH === null ? nearest.ratedCurrentA * scale : capacityMah / 1000 / ratedH,
    steadyLimitA: nearest.steadyLimitA * scale,
    massG: (nearest.massG / cells) * series * scale,
    resistanceOhm: typical(ohm, ohm * 0.3),
    ...(restV.length > 0 ? { restV } : {}),
    ...(resistanceOver.length > 0 ? { resistanceOver } : {}),
    ...(rateExponent === null ? {} : { rateExponent }),
  };
}
