import { typical } from './figure.ts';
import type { Chemistry, ConverterPart, PackPart } from './kinds.ts';

/** How a chemistry behaves: open-circuit volts of one cell against charge left, and the effect of rate and cold. */
export interface ChemistryRow {
  /** From empty (0) to full (1), evenly spaced. */
  readonly openCircuitV: readonly number[];
  /** Rate exponent k of t = H·(C/(I·H))^k above the rated current; 1 where capacity hardly depends on rate. */
  readonly rateExponent: number;
  /** Share of the capacity left at 0 °C against 21 °C, and the factor on resistance. */
  readonly capacityAtFreezing: number;
  readonly resistanceAtFreezing: number;
  readonly rechargeable: boolean;
}

/** Curves typical of the chemistry at rest and room temperature (RECKONING §7). */
export const chemistries: Readonly<Record<Chemistry, ChemistryRow>> = {
  'lithium-ion': {
    openCircuitV: [3.0, 3.42, 3.53, 3.6, 3.64, 3.69, 3.76, 3.85, 3.95, 4.06, 4.19],
    rateExponent: 1,
    capacityAtFreezing: 0.85,
    resistanceAtFreezing: 1.9,
    rechargeable: true,
  },
  alkaline: {
    openCircuitV: [0.9, 1.05, 1.13, 1.18, 1.22, 1.26, 1.3, 1.34, 1.4, 1.47, 1.58],
    rateExponent: 1.25,
    capacityAtFreezing: 0.6,
    resistanceAtFreezing: 2.5,
    rechargeable: false,
  },
  'nickel-metal hydride': {
    openCircuitV: [1.0, 1.17, 1.21, 1.23, 1.24, 1.25, 1.26, 1.275, 1.3, 1.33, 1.4],
    rateExponent: 1.03,
    capacityAtFreezing: 0.85,
    resistanceAtFreezing: 1.6,
    rechargeable: true,
  },
};

/** Packs by chemistry and size; values typical of the kind. */
export const packs: readonly PackPart[] = [
  {
    kind: 'pack',
    id: 'pack-lithium-round-2600',
    name: 'Lithium-ion cell, round, 18 × 65 mm, 2600 mAh, protected',
    price: 7.8,
    chemistry: 'lithium-ion',
    cellsInSeries: 1,
    capacityMah: typical(2600, 160),
    ratedCurrentA: 0.52,
    resistanceOhm: typical(0.085, 0.03),
    steadyLimitA: 5,
    cutOffV: 3.0,
    protected: true,
    massG: 48,
    sizeMm: [18.6, 18.6, 68.5],
  },
  {
    kind: 'pack',
    id: 'pack-lithium-round-3400',
    name: 'Lithium-ion cell, round, 18 × 65 mm, 3400 mAh, protected',
    price: 10.5,
    chemistry: 'lithium-ion',
    cellsInSeries: 1,
    capacityMah: typical(3400, 200),
    ratedCurrentA: 0.68,
    resistanceOhm: typical(0.095, 0.03),
    steadyLimitA: 5,
    cutOffV: 3.0,
    protected: true,
    massG: 49,
    sizeMm: [18.6, 18.6, 69.5],
  },
  {
    kind: 'pack',
    id: 'pack-lithium-pouch-1200',
    name: 'Lithium-ion pouch, 1200 mAh, bare leads',
    price: 8.2,
    chemistry: 'lithium-ion',
    cellsInSeries: 1,
    capacityMah: typical(1200, 90),
    ratedCurrentA: 0.24,
    resistanceOhm: typical(0.14, 0.04),
    steadyLimitA: 1.2,
    cutOffV: 3.0,
    protected: true,
    massG: 24,
    sizeMm: [34, 62, 6],
  },
  {
    kind: 'pack',
    id: 'pack-three-aa-alkaline',
    name: 'Three AA alkaline cells in a holder',
    price: 3.6,
    chemistry: 'alkaline',
    cellsInSeries: 3,
    capacityMah: typical(2500, 250),
    ratedCurrentA: 0.05,
    resistanceOhm: typical(0.6, 0.15),
    steadyLimitA: 1,
    cutOffV: 2.7,
    protected: false,
    massG: 78,
    sizeMm: [48, 58, 17],
  },
  {
    kind: 'pack',
    id: 'pack-three-aa-nimh',
    name: 'Three AA nickel-metal hydride cells in a holder',
    price: 9.6,
    chemistry: 'nickel-metal hydride',
    cellsInSeries: 3,
    capacityMah: typical(2000, 150),
    ratedCurrentA: 0.4,
    resistanceOhm: typical(0.22, 0.08),
    steadyLimitA: 3,
    cutOffV: 3.0,
    protected: false,
    massG: 86,
    sizeMm: [48, 58, 17],
  },
];

/** Boost converters to 5 V; efficiency typical of small boards, less at the ends of the load. */
export const converters: readonly ConverterPart[] = [
  {
    kind: 'converter',
    id: 'boost-5v-0a6',
    name: 'Boost converter, 5 V, 0.6 A',
    price: 2.4,
    outputV: 5,
    outputLimitA: 0.6,
    inputLeastV: 2.5,
    inputMostV: 4.9,
    inputLimitA: 1.5,
    idleA: 0.0005,
    efficiency: [
      [0, 0.6],
      [0.05, 0.8],
      [0.2, 0.9],
      [0.5, 0.91],
      [1, 0.86],
    ],
  },
  {
    kind: 'converter',
    id: 'boost-5v-1a5',
    name: 'Boost converter, 5 V, 1.5 A',
    price: 4.1,
    outputV: 5,
    outputLimitA: 1.5,
    inputLeastV: 2.7,
    inputMostV: 4.9,
    inputLimitA: 3.2,
    idleA: 0.001,
    efficiency: [
      [0, 0.6],
      [0.05, 0.82],
      [0.2, 0.91],
      [0.5, 0.92],
      [1, 0.88],
    ],
  },
  {
    kind: 'converter',
    id: 'boost-5v-3a',
    name: 'Boost converter, 5 V, 3 A',
    price: 7.3,
    outputV: 5,
    outputLimitA: 3,
    inputLeastV: 2.8,
    inputMostV: 4.9,
    inputLimitA: 6,
    idleA: 0.002,
    efficiency: [
      [0, 0.55],
      [0.05, 0.82],
      [0.2, 0.91],
      [0.5, 0.92],
      [1, 0.87],
    ],
  },
];
