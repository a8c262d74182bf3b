import { typical } from './figure.ts';
import type { Chemistry, PackPart } from './kinds.ts';

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
  /** Can burn: a hard case, a fuse and a charger made for it are asked for. */
  readonly canBurn: boolean;
}

/** Curves typical of the chemistry at rest and room temperature (RECKONING §7). */
export const chemistries: Readonly<Record<Chemistry, ChemistryRow>> = {
  'lithium-ion': {
    openCircuitV: [3.0, 3.42, 3.53, 3.6, 3.64, 3.69, 3.76, 3.85, 3.95, 4.06, 4.19],
    rateExponent: 1,
    capacityAtFreezing: 0.85,
    resistanceAtFreezing: 1.9,
    rechargeable: true,
    canBurn: true,
  },
  alkaline: {
    openCircuitV: [0.9, 1.05, 1.13, 1.18, 1.22, 1.26, 1.3, 1.34, 1.4, 1.47, 1.58],
    rateExponent: 1.25,
    capacityAtFreezing: 0.6,
    resistanceAtFreezing: 2.5,
    rechargeable: false,
    canBurn: false,
  },
  'nickel-metal hydride': {
    openCircuitV: [1.0, 1.17, 1.21, 1.23, 1.24, 1.25, 1.26, 1.275, 1.3, 1.33, 1.4],
    rateExponent: 1.03,
    capacityAtFreezing: 0.85,
    resistanceAtFreezing: 1.6,
    rechargeable: true,
    canBurn: false,
  },
  'lithium iron phosphate': {
    openCircuitV: [2.5, 3.1, 3.2, 3.24, 3.26, 3.28, 3.29, 3.3, 3.31, 3.33, 3.4],
    rateExponent: 1,
    capacityAtFreezing: 0.8,
    resistanceAtFreezing: 2.2,
    rechargeable: true,
    canBurn: true,
  },
  'lithium coin': {
    openCircuitV: [2.0, 2.55, 2.72, 2.8, 2.85, 2.88, 2.91, 2.93, 2.95, 2.98, 3.1],
    rateExponent: 1.25,
    capacityAtFreezing: 0.8,
    resistanceAtFreezing: 2,
    rechargeable: false,
    canBurn: false,
  },
  'alkaline button': {
    openCircuitV: [0.9, 1.08, 1.15, 1.2, 1.24, 1.28, 1.32, 1.36, 1.41, 1.47, 1.56],
    rateExponent: 1.3,
    capacityAtFreezing: 0.5,
    resistanceAtFreezing: 2.5,
    rechargeable: false,
    canBurn: false,
  },
  'lead-acid': {
    openCircuitV: [1.9, 1.942, 1.96, 1.978, 1.997, 2.015, 2.033, 2.052, 2.07, 2.098, 2.122],
    rateExponent: 1.15,
    capacityAtFreezing: 0.85,
    resistanceAtFreezing: 1.4,
    rechargeable: true,
    canBurn: false,
  },
  'power bank': {
    openCircuitV: [5.0, 5.01, 5.02, 5.03, 5.04, 5.05, 5.06, 5.07, 5.08, 5.09, 5.1],
    rateExponent: 1,
    capacityAtFreezing: 0.8,
    resistanceAtFreezing: 1.2,
    rechargeable: true,
    canBurn: true,
  },
};

/** All chemistries by name; Object.keys of a record of them has just these. */
export const chemistryNames = Object.keys(chemistries) as Chemistry[];

/** What one cell of a kind is like; values typical of the kind. */
interface CellRow {
  readonly name: string;
  readonly chemistry: Chemistry;
  readonly capacityMah: readonly [likely: number, spread: number];
  readonly ratedA: number;
  readonly ohm: readonly [likely: number, spread: number];
  readonly limitA: number;
  readonly cutOffV: number;
  readonly massG: number;
  readonly sizeMm: readonly [number, number, number];
  readonly price: number;
  readonly protected?: boolean;
  readonly switchesOffBelowA?: number;
}

const round = (diameter: number, length: number): readonly [number, number, number] => [diameter, diameter, length];

const cells = {
  'li-round-2600': {
    name: 'Lithium-ion cell, round, 18 × 65 mm, 2600 mAh, protected',
    chemistry: 'lithium-ion',
    capacityMah: [2600, 160],
    ratedA: 0.52,
    ohm: [0.085, 0.03],
    limitA: 5,
    cutOffV: 3,
    massG: 48,
    sizeMm: round(18.6, 68.5),
    price: 7.8,
    protected: true,
  },
  'li-round-3400': {
    name: 'Lithium-ion cell, round, 18 × 65 mm, 3400 mAh, protected',
    chemistry: 'lithium-ion',
    capacityMah: [3400, 200],
    ratedA: 0.68,
    ohm: [0.095, 0.03],
    limitA: 5,
    cutOffV: 3,
    massG: 49,
    sizeMm: round(18.6, 69.5),
    price: 10.5,
    protected: true,
  },
  'li-round-800': {
    name: 'Lithium-ion cell, round, 14 × 50 mm, 800 mAh, protected',
    chemistry: 'lithium-ion',
    capacityMah: [800, 80],
    ratedA: 0.16,
    ohm: [0.15, 0.05],
    limitA: 1.6,
    cutOffV: 3,
    massG: 21,
    sizeMm: round(14.3, 53),
    price: 6.4,
    protected: true,
  },
  'li-round-5000': {
    name: 'Lithium-ion cell, round, 21 × 70 mm, 5000 mAh, bare',
    chemistry: 'lithium-ion',
    capacityMah: [5000, 200],
    ratedA: 1,
    ohm: [0.03, 0.01],
    limitA: 9.8,
    cutOffV: 2.8,
    massG: 69,
    sizeMm: round(21.5, 70.6),
    price: 9.2,
  },
  'li-pouch-150': {
    name: 'Lithium-ion pouch, 150 mAh, bare leads',
    chemistry: 'lithium-ion',
    capacityMah: [150, 15],
    ratedA: 0.03,
    ohm: [0.35, 0.1],
    limitA: 0.15,
    cutOffV: 3,
    massG: 4,
    sizeMm: [20, 30, 4],
    price: 4.6,
    protected: true,
  },
  'li-pouch-400': {
    name: 'Lithium-ion pouch, 400 mAh, bare leads',
    chemistry: 'lithium-ion',
    capacityMah: [400, 35],
    ratedA: 0.08,
    ohm: [0.2, 0.06],
    limitA: 0.4,
    cutOffV: 3,
    massG: 9,
    sizeMm: [25, 36, 5],
    price: 5.4,
    protected: true,
  },
  'li-pouch-850': {
    name: 'Lithium-ion pouch, 850 mAh, bare leads',
    chemistry: 'lithium-ion',
    capacityMah: [850, 70],
    ratedA: 0.17,
    ohm: [0.16, 0.05],
    limitA: 0.85,
    cutOffV: 3,
    massG: 17,
    sizeMm: [30, 48, 6],
    price: 6.8,
    protected: true,
  },
  'li-pouch-1200': {
    name: 'Lithium-ion pouch, 1200 mAh, bare leads',
    chemistry: 'lithium-ion',
    capacityMah: [1200, 90],
    ratedA: 0.24,
    ohm: [0.14, 0.04],
    limitA: 1.2,
    cutOffV: 3,
    massG: 24,
    sizeMm: [34, 62, 6],
    price: 8.2,
    protected: true,
  },
  'li-pouch-2000': {
    name: 'Lithium-ion pouch, 2000 mAh, bare leads',
    chemistry: 'lithium-ion',
    capacityMah: [2000, 130],
    ratedA: 0.4,
    ohm: [0.1, 0.03],
    limitA: 2,
    cutOffV: 3,
    massG: 38,
    sizeMm: [36, 60, 10],
    price: 9.6,
    protected: true,
  },
  'lfp-round-1500': {
    name: 'Lithium iron phosphate cell, round, 18 × 65 mm, 1500 mAh, bare',
    chemistry: 'lithium iron phosphate',
    capacityMah: [1500, 90],
    ratedA: 0.3,
    ohm: [0.05, 0.02],
    limitA: 4.5,
    cutOffV: 2.5,
    massG: 41,
    sizeMm: round(18.4, 65.2),
    price: 6.9,
  },
  'alkaline-aaa': {
    name: 'AAA alkaline',
    chemistry: 'alkaline',
    capacityMah: [1100, 120],
    ratedA: 0.02,
    ohm: [0.25, 0.08],
    limitA: 0.5,
    cutOffV: 0.9,
    massG: 11.5,
    sizeMm: round(10.5, 44.5),
    price: 0.7,
  },
  'alkaline-aa': {
    name: 'AA alkaline',
    chemistry: 'alkaline',
    capacityMah: [2500, 250],
    ratedA: 0.05,
    ohm: [0.17, 0.05],
    limitA: 1,
    cutOffV: 0.9,
    massG: 23.5,
    sizeMm: round(14.5, 50.5),
    price: 0.8,
  },
  'alkaline-c': {
    name: 'C alkaline',
    chemistry: 'alkaline',
    capacityMah: [7000, 700],
    ratedA: 0.1,
    ohm: [0.13, 0.04],
    limitA: 1.5,
    cutOffV: 0.9,
    massG: 66,
    sizeMm: round(26.2, 50),
    price: 1.9,
  },
  'alkaline-d': {
    name: 'D alkaline',
    chemistry: 'alkaline',
    capacityMah: [14_000, 1400],
    ratedA: 0.2,
    ohm: [0.11, 0.04],
    limitA: 2,
    cutOffV: 0.9,
    massG: 138,
    sizeMm: round(34.2, 61.5),
    price: 2.6,
  },
  'alkaline-n': {
    name: 'N alkaline',
    chemistry: 'alkaline',
    capacityMah: [850, 100],
    ratedA: 0.015,
    ohm: [0.35, 0.1],
    limitA: 0.3,
    cutOffV: 0.9,
    massG: 9,
    sizeMm: round(12, 30.2),
    price: 1.4,
  },
  'nimh-aaa': {
    name: 'AAA nickel-metal hydride',
    chemistry: 'nickel-metal hydride',
    capacityMah: [800, 60],
    ratedA: 0.16,
    ohm: [0.08, 0.03],
    limitA: 1.6,
    cutOffV: 1,
    massG: 12.5,
    sizeMm: round(10.5, 44.5),
    price: 2.1,
  },
  'nimh-aa': {
    name: 'AA nickel-metal hydride',
    chemistry: 'nickel-metal hydride',
    capacityMah: [2000, 150],
    ratedA: 0.4,
    ohm: [0.05, 0.02],
    limitA: 3,
    cutOffV: 1,
    massG: 27,
    sizeMm: round(14.5, 50.5),
    price: 2.8,
  },
  'coin-2016': {
    name: 'Coin cell, 20 × 1.6 mm',
    chemistry: 'lithium coin',
    capacityMah: [85, 9],
    ratedA: 0.0001,
    ohm: [25, 10],
    limitA: 0.005,
    cutOffV: 2,
    massG: 1.7,
    sizeMm: [20, 20, 1.6],
    price: 0.5,
  },
  'coin-2025': {
    name: 'Coin cell, 20 × 2.5 mm',
    chemistry: 'lithium coin',
    capacityMah: [160, 15],
    ratedA: 0.0002,
    ohm: [18, 7],
    limitA: 0.01,
    cutOffV: 2,
    massG: 2.5,
    sizeMm: [20, 20, 2.5],
    price: 0.5,
  },
  'coin-2032': {
    name: 'Coin cell, 20 × 3.2 mm',
    chemistry: 'lithium coin',
    capacityMah: [225, 20],
    ratedA: 0.0002,
    ohm: [15, 6],
    limitA: 0.015,
    cutOffV: 2,
    massG: 3,
    sizeMm: [20, 20, 3.2],
    price: 0.6,
  },
  'coin-2450': {
    name: 'Coin cell, 24 × 5 mm',
    chemistry: 'lithium coin',
    capacityMah: [600, 50],
    ratedA: 0.0004,
    ohm: [12, 5],
    limitA: 0.02,
    cutOffV: 2,
    massG: 6.8,
    sizeMm: [24.5, 24.5, 5],
    price: 1.2,
  },
  button: {
    name: 'Button cell, 11.6 × 5.4 mm',
    chemistry: 'alkaline button',
    capacityMah: [110, 15],
    ratedA: 0.0001,
    ohm: [8, 3],
    limitA: 0.008,
    cutOffV: 0.9,
    massG: 2,
    sizeMm: [11.6, 11.6, 5.4],
    price: 0.3,
  },
} satisfies Readonly<Record<string, CellRow>>;

/** How many cells of which kind, in what. Springs and tags add their resistance for each cell. */
interface PackRow {
  readonly id: string;
  readonly cell: keyof typeof cells;
  readonly series: number;
  readonly name: string;
  readonly holderOhm: number;
  readonly holderG: number;
  readonly holderPrice: number;
  readonly sizeMm: readonly [number, number, number];
}

const single = (id: string, cell: keyof typeof cells, holderOhm = 0): PackRow => ({
  id,
  cell,
  series: 1,
  name: cells[cell].name,
  holderOhm,
  holderG: 0,
  holderPrice: 0,
  sizeMm: cells[cell].sizeMm,
});

const rows: readonly PackRow[] = [
  single('pack-lithium-round-2600', 'li-round-2600'),
  single('pack-lithium-round-3400', 'li-round-3400'),
  single('pack-lithium-round-800', 'li-round-800'),
  single('pack-lithium-round-5000', 'li-round-5000'),
  single('pack-lithium-pouch-150', 'li-pouch-150'),
  single('pack-lithium-pouch-400', 'li-pouch-400'),
  single('pack-lithium-pouch-850', 'li-pouch-850'),
  single('pack-lithium-pouch-1200', 'li-pouch-1200'),
  single('pack-lithium-pouch-2000', 'li-pouch-2000'),
  single('pack-lithium-iron-1500', 'lfp-round-1500'),
  {
    id: 'pack-two-lithium-round',
    cell: 'li-round-2600',
    series: 2,
    name: 'Two lithium-ion cells in series, 2600 mAh',
    holderOhm: 0.02,
    holderG: 14,
    holderPrice: 2.4,
    sizeMm: [40, 78, 21],
  },
  {
    id: 'pack-three-lithium-round',
    cell: 'li-round-2600',
    series: 3,
    name: 'Three lithium-ion cells in series, 2600 mAh',
    holderOhm: 0.02,
    holderG: 20,
    holderPrice: 4.8,
    sizeMm: [58, 78, 21],
  },
  ...(
    [
      ['two', 2, [26, 52, 14]],
      ['three', 3, [38, 52, 14]],
      ['four', 4, [50, 52, 14]],
    ] as const
  ).map(
    ([word, series, sizeMm]): PackRow => ({
      id: `pack-${word}-aaa-alkaline`,
      cell: 'alkaline-aaa',
      series,
      name: `${word[0]?.toUpperCase()}${word.slice(1)} AAA alkaline cells in a holder`,
      holderOhm: 0.03,
      holderG: 5,
      holderPrice: 1.1,
      sizeMm,
    }),
  ),
  ...(
    [
      ['two', 2, [32, 58, 17]],
      ['three', 3, [48, 58, 17]],
      ['four', 4, [63, 58, 17]],
    ] as const
  ).map(
    ([word, series, sizeMm]): PackRow => ({
      id: `pack-${word}-aa-alkaline`,
      cell: 'alkaline-aa',
      series,
      name: `${word[0]?.toUpperCase()}${word.slice(1)} AA alkaline cells in a holder`,
      holderOhm: 0.03,
      holderG: 7.5,
      holderPrice: 1.2,
      sizeMm,
    }),
  ),
  {
    id: 'pack-three-aaa-nimh',
    cell: 'nimh-aaa',
    series: 3,
    name: 'Three AAA nickel-metal hydride cells in a holder',
    holderOhm: 0.03,
    holderG: 5,
    holderPrice: 1.1,
    sizeMm: [38, 52, 14],
  },
  {
    id: 'pack-three-aa-nimh',
    cell: 'nimh-aa',
    series: 3,
    name: 'Three AA nickel-metal hydride cells in a holder',
    holderOhm: 0.025,
    holderG: 5,
    holderPrice: 1.2,
    sizeMm: [48, 58, 17],
  },
  {
    id: 'pack-four-aa-nimh',
    cell: 'nimh-aa',
    series: 4,
    name: 'Four AA nickel-metal hydride cells in a holder',
    holderOhm: 0.025,
    holderG: 7,
    holderPrice: 1.3,
    sizeMm: [63, 58, 17],
  },
  {
    id: 'pack-two-c-alkaline',
    cell: 'alkaline-c',
    series: 2,
    name: 'Two C alkaline cells in a holder',
    holderOhm: 0.03,
    holderG: 14,
    holderPrice: 1.8,
    sizeMm: [56, 60, 29],
  },
  {
    id: 'pack-four-d-alkaline',
    cell: 'alkaline-d',
    series: 4,
    name: 'Four D alkaline cells in a holder',
    holderOhm: 0.03,
    holderG: 60,
    holderPrice: 3.9,
    sizeMm: [140, 74, 38],
  },
  {
    id: 'pack-two-n-alkaline',
    cell: 'alkaline-n',
    series: 2,
    name: 'Two N alkaline cells in a holder',
    holderOhm: 0.04,
    holderG: 3,
    holderPrice: 1,
    sizeMm: [28, 36, 14],
  },
  single('pack-coin-2016', 'coin-2016', 0.2),
  single('pack-coin-2025', 'coin-2025', 0.2),
  single('pack-coin-2032', 'coin-2032', 0.2),
  single('pack-coin-2450', 'coin-2450', 0.2),
  {
    id: 'pack-two-coin-2032',
    cell: 'coin-2032',
    series: 2,
    name: 'Two coin cells in series, 20 × 3.2 mm',
    holderOhm: 0.2,
    holderG: 3,
    holderPrice: 0.9,
    sizeMm: [24, 28, 9],
  },
  {
    id: 'pack-three-button',
    cell: 'button',
    series: 3,
    name: 'Three button cells in series, 11.6 × 5.4 mm',
    holderOhm: 0.2,
    holderG: 2,
    holderPrice: 0.6,
    sizeMm: [14, 20, 14],
  },
];

/** Packs whose inside is not a row of cells of the table. */
const whole: readonly PackPart[] = [
  {
    kind: 'pack',
    id: 'pack-block-9v',
    name: 'Block, 9 V alkaline',
    price: 2.3,
    chemistry: 'alkaline',
    cellsInSeries: 6,
    capacityMah: typical(550, 60),
    ratedCurrentA: 0.01,
    resistanceOhm: typical(1.8, 0.6),
    steadyLimitA: 0.2,
    cutOffV: 5.4,
    protected: false,
    massG: 46,
    sizeMm: [26.5, 48.5, 17.5],
  },
  {
    kind: 'pack',
    id: 'pack-lead-12v-3ah',
    name: 'Sealed lead-acid, 12 V, 3 Ah',
    price: 24,
    chemistry: 'lead-acid',
    cellsInSeries: 6,
    capacityMah: typical(3000, 250),
    ratedCurrentA: 0.15,
    resistanceOhm: typical(0.06, 0.02),
    steadyLimitA: 6,
    cutOffV: 11.4,
    protected: false,
    massG: 1250,
    sizeMm: [134, 67, 60],
  },
  {
    kind: 'pack',
    id: 'pack-lead-12v-7ah',
    name: 'Sealed lead-acid, 12 V, 7 Ah',
    price: 29,
    chemistry: 'lead-acid',
    cellsInSeries: 6,
    capacityMah: typical(7000, 500),
    ratedCurrentA: 0.35,
    resistanceOhm: typical(0.03, 0.01),
    steadyLimitA: 14,
    cutOffV: 11.4,
    protected: false,
    massG: 2300,
    sizeMm: [151, 65, 100],
  },
  // Stated as charge at the cells: 3.7 V ÷ 5 V × 0.9 of it comes out.
  ...(
    [
      [5000, 0.07, 125, [95, 63, 14], 14],
      [10_000, 0.06, 215, [138, 68, 15], 19],
    ] as const
  ).map(
    ([cellMah, switchesOffBelowA, massG, sizeMm, price]): PackPart => ({
      kind: 'pack',
      id: `pack-bank-${cellMah}`,
      name: `Power bank, 5 V 2.4 A, ${cellMah} mAh at its cells`,
      price,
      chemistry: 'power bank',
      cellsInSeries: 1,
      capacityMah: typical(Math.round(cellMah * (3.7 / 5) * 0.9), cellMah * 0.06),
      ratedCurrentA: 1,
      resistanceOhm: typical(0.08, 0.03),
      steadyLimitA: 2.4,
      cutOffV: 4.5,
      protected: true,
      massG,
      sizeMm,
      switchesOffBelowA,
    }),
  ),
];

/** Packs by chemistry and size; values typical of the kind. */
export const packs: readonly PackPart[] = [
  ...rows.map((row): PackPart => {
    const cell: CellRow = cells[row.cell];
    return {
      kind: 'pack',
      id: row.id,
      name: row.name,
      price: cell.price * row.series + row.holderPrice,
      chemistry: cell.chemistry,
      cellsInSeries: row.series,
      capacityMah: typical(...cell.capacityMah),
      ratedCurrentA: cell.ratedA,
      resistanceOhm: typical((cell.ohm[0] + row.holderOhm) * row.series, cell.ohm[1] * Math.sqrt(row.series)),
      steadyLimitA: cell.limitA,
      cutOffV: Number((cell.cutOffV * row.series).toFixed(2)),
      protected: cell.protected ?? false,
      massG: cell.massG * row.series + row.holderG,
      sizeMm: row.sizeMm,
    };
  }),
  ...whole,
];
