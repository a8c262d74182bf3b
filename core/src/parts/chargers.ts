import type { ChargerPart, Chemistry } from './kinds.ts';

const charger = (
  id: string,
  name: string,
  chemistry: Chemistry,
  cellsInSeries: number,
  chargeA: number,
  price: number,
  more: Partial<Pick<ChargerPart, 'sharesLoad' | 'endShare'>> = {},
): ChargerPart => ({
  kind: 'charger',
  id: `charger-${id}`,
  name,
  price,
  chemistry,
  cellsInSeries,
  chargeA,
  endShare: 0.1,
  sharesLoad: false,
  ...more,
});

/** Chargers by what they are made for; currents typical of the kind. */
export const chargers: readonly ChargerPart[] = [
  charger('lithium-1-0a1', 'Charger for one lithium cell, 0.1 A', 'lithium-ion', 1, 0.1, 2.4),
  charger('lithium-1-0a5', 'Charger for one lithium cell, 0.5 A', 'lithium-ion', 1, 0.5, 2.6),
  charger('lithium-1-1a', 'Charger for one lithium cell, 1 A', 'lithium-ion', 1, 1, 3.2),
  charger(
    'lithium-1-1a-path',
    'Charger for one lithium cell, 1 A, feeds the load beside it',
    'lithium-ion',
    1,
    1,
    5.5,
    {
      sharesLoad: true,
    },
  ),
  charger('lithium-2-1a', 'Charger for two lithium cells in series, balancing, 1 A', 'lithium-ion', 2, 1, 11),
  charger('lithium-3-1a', 'Charger for three lithium cells in series, balancing, 1 A', 'lithium-ion', 3, 1, 13),
  charger('iron-phosphate-1-0a5', 'Charger for one iron phosphate cell, 0.5 A', 'lithium iron phosphate', 1, 0.5, 3),
  charger('nimh-3-0a2', 'Charger for three nickel-metal hydride cells, 0.2 A', 'nickel-metal hydride', 3, 0.2, 9),
  charger('nimh-4-0a5', 'Charger for four nickel-metal hydride cells, 0.5 A', 'nickel-metal hydride', 4, 0.5, 14),
  charger('lead-12v-0a8', 'Charger for a 12 V lead-acid block, 0.8 A', 'lead-acid', 6, 0.8, 18),
  charger('lead-12v-2a', 'Charger for a 12 V lead-acid block, 2 A', 'lead-acid', 6, 2, 26),
];
