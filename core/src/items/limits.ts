import type { Band } from '../units/index.ts';

/** Hard limits and usual ranges of the fields a maker types: read by validation and by the forms alike. */
export const bands = {
  ambientC: { least: -40, most: 60, usual: [-15, 40] },
  hoursWanted: { least: 0.05, most: 8760, usual: [0.2, 48] },
  copies: { least: 1, most: 500, usual: [1, 50] },
  budget: { least: 0, most: 1e6, usual: [1, 5000] },
  viewMm: { least: 5, most: 20_000, usual: [20, 4000] },
  hollowMm: { least: 0.1, most: 5000, usual: [0.5, 600] },
  guideGapMm: { least: 0, most: 200, usual: [0.5, 40] },
  guideMm: { least: 1, most: 10_000, usual: [5, 2000] },
  dieMm: { least: 0.2, most: 60, usual: [0.5, 12] },
  halfAngleDeg: { least: 2, most: 85, usual: [8, 70] },
  perEnd: { least: 1, most: 200, usual: [1, 20] },
  diffuserMm: { least: 0.5, most: 500, usual: [2, 80] },
  placeMm: { least: -20_000, most: 20_000 },
  tapeLengthMm: { least: 1, most: 20_000, usual: [20, 6000] },
  wireLengthMm: { least: 1, most: 20_000, usual: [10, 4000] },
  ledCurrentA: { least: 0.0001, most: 1, usual: [0.0005, 0.03] },
  dieCurrentA: { least: 0.001, most: 0.1, usual: [0.004, 0.025] },
  forwardV: { least: 0.8, most: 60, usual: [1.1, 3.9] },
  thermalKPerW: { least: 0.2, most: 300, usual: [1, 80] },
  sinkG: { least: 0.5, most: 5000, usual: [2, 300] },
  pulseS: { least: 0.0005, most: 0.0025, usual: [0.0009, 0.0021] },
  litS: { least: 1, most: 86_400, usual: [5, 7200] },
  resistorOhm: { least: 1, most: 10_000_000, usual: [10, 100_000] },
  inSeries: { least: 1, most: 30, usual: [1, 12] },
  sideBySide: { least: 1, most: 100, usual: [1, 12] },
  channels: { least: 1, most: 12, usual: [1, 6] },
  gridRows: { least: 1, most: 16, usual: [2, 12] },
  columnA: { least: 0.0005, most: 0.2, usual: [0.002, 0.06] },
  idleV: { least: 0, most: 12, usual: [0, 3.5] },
  chaseGroups: { least: 2, most: 32, usual: [2, 12] },
  periodS: { least: 0.02, most: 600, usual: [0.1, 60] },
  stepS: { least: 0.01, most: 60, usual: [0.02, 5] },
  tail: { least: 0, most: 200, usual: [0, 40] },
  wave: { least: 0, most: 2000, usual: [0, 400] },
  seed: { least: 0, most: 65_535 },
  shots: { least: 1, most: 50, usual: [1, 12] },
  pauseS: { least: 0, most: 600, usual: [0, 30] },
  generations: { least: 2, most: 200, usual: [8, 100] },
  steps: { least: 2, most: 8 },
  holdS: { least: 0.2, most: 20, usual: [0.5, 5] },
  settleS: { least: 0.1, most: 120, usual: [2, 30] },
  /** Share of the turn of a knob. */
  turn: { least: 0.05, most: 0.95, usual: [0.2, 0.8] },
  /** Set on a motion sensor. */
  staysS: { least: 0.5, most: 300, usual: [2, 60] },
  /** Packs brought besides the first. */
  spares: { least: 0, most: 20, usual: [0, 3] },
  rangeMm: { least: 100, most: 1_000_000, usual: [1000, 50_000] },
  outputs: { least: 1, most: 12 },
  packV: { least: 0.8, most: 60, usual: [1, 30] },
  fadeS: { least: 0, most: 60 },
  afterS: { least: 0.1, most: 86_400 },
  minutes: { least: 0.1, most: 1440, usual: [0.5, 600] },
  perHour: { least: 0, most: 3600, usual: [0, 240] },
  capacityMah: { least: 10, most: 100_000, usual: [50, 20_000] },
  supplySpread: { least: 0, most: 0.5, usual: [0.005, 0.2] },
  loadV: { least: 0.5, most: 60, usual: [1.5, 24] },
  loadA: { least: 0, most: 30, usual: [0.001, 5] },
  supplyV: { least: 1, most: 60, usual: [3, 30] },
  supplyA: { least: 0.01, most: 60, usual: [0.1, 10] },
  powerPerMetreW: { least: 0.1, most: 60, usual: [2, 30] },
  magnetMm: { least: 0.5, most: 200, usual: [2, 40] },
  remanenceMt: { least: 50, most: 1600, usual: [200, 1450] },
  wallMm: { least: 0, most: 100, usual: [0.5, 20] },
  lux: { least: 0.001, most: 120_000, usual: [0.1, 2000] },
  fuseA: { least: 0.1, most: 30, usual: [0.25, 10] },
  reservoirUf: { least: 1, most: 10_000, usual: [100, 2200] },
  gaugeAwg: { least: 10, most: 40, usual: [18, 34] },
  runHours: { least: 0.01, most: 720, usual: [0.1, 48] },
  share: { least: 0, most: 1 },
} as const satisfies Record<string, Band>;

/** What holds or surrounds what gets warm. */
export const holders = [
  'hot-melt glue',
  'printed PLA',
  'printed PETG',
  'printed ABS',
  'foam, polystyrene',
  'foam, EVA',
] as const;

/** What a flicker is like. */
export const flickerCharacters = ['candle', 'ember', 'failing tube', 'engine idle', 'engine full'] as const;
/** What a flicker is like. */
export type FlickerCharacter = (typeof flickerCharacters)[number];

/** How a breath rises and falls: a raised cosine, straight up and down, up at once and dying away, two beats and a rest. */
export const breathCurves = ['soft', 'even', 'sharp', 'heart'] as const;
/** How a breath rises and falls. */
export type BreathCurve = (typeof breathCurves)[number];

/** The orders in which a travelling move can meet the lights of a group. */
export const alongs = ['route', 'route back', 'both ends', 'ring', 'across', 'down', 'outward'] as const;
/** The order in which a move meets the lights. */
export type Along = (typeof alongs)[number];

/** What a mixing of two lights holds even while it goes from one to the other. */
export const keepings = ['current', 'look'] as const;

/** How a move lies upon what is below it. */
export const layings = ['over', 'add', 'lightest'] as const;
/** How a move lies upon another. */
export type Laying = (typeof layings)[number];

/** How much one plan may hold; the app stays quick up to these. */
export const plenty = {
  lights: 5000,
  items: 200,
  points: 400,
  places: 2000,
  feeds: 24,
  guided: 64,
  ends: 1000,
  textLength: 4000,
  nameLength: 120,
  pictureBytes: 3_000_000,
} as const;
