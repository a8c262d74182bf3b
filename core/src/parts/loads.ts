import { type Figure, typical } from './figure.ts';
import type { BoxPart, DriverPart, LoadPart, ScanDriverPart } from './kinds.ts';

const about = (amps: number): Figure => typical(amps, amps * 0.2);

const load = (
  id: string,
  what: LoadPart['what'],
  name: string,
  volts: readonly [least: number, most: number],
  amps: readonly [rest: number, usual: number, most: number, start: number],
  price: number,
  input?: LoadPart['input'],
): LoadPart => ({
  kind: 'load',
  id: `load-${id}`,
  name,
  price,
  what,
  leastV: volts[0],
  mostV: volts[1],
  restA: about(amps[0]),
  usualA: about(amps[1]),
  mostA: about(amps[2]),
  startA: about(amps[3]),
  ...(input && { input }),
});

/** What draws and is no light; currents typical of the kind. */
export const loads: readonly LoadPart[] = [
  load('sound-3w', 'sound', 'Sound module with its speaker, 3 W', [3.2, 5.5], [0.02, 0.15, 0.7, 0.7], 4.8, 'low'),
  load('motor-6v', 'motor', 'Small gear motor, 3 to 6 V', [2.5, 6.5], [0, 0.12, 0.2, 0.75], 3.9),
  load('motor-12v', 'motor', 'Gear motor, 12 V', [9, 14], [0, 0.4, 0.9, 3.2], 12.5),
  load('servo-small', 'servo', 'Small servo, 9 g', [4.5, 6], [0.006, 0.12, 0.5, 0.7], 3.5, 'pulses'),
  load('receiver-433', 'receiver', 'Radio receiver, one output', [3, 5.5], [0.005, 0.005, 0.008, 0.008], 2.2),
  load('any', 'any', 'Any load, by its figures', [0.5, 60], [0, 0.1, 0.1, 0.1], 0),
];

/** Constant-current drivers for lights. */
export const drivers: readonly DriverPart[] = [
  {
    kind: 'driver',
    id: 'driver-20ma',
    name: 'Constant-current driver, linear, 20 mA',
    price: 0.4,
    setA: 0.02,
    inputLeastV: 2.5,
    inputMostV: 30,
    dropOutV: 0.7,
    ownA: 0.0003,
    dims: null,
  },
  {
    kind: 'driver',
    id: 'driver-350ma',
    name: 'Constant-current driver, linear, 350 mA, with a dimming input',
    price: 3.2,
    setA: 0.35,
    inputLeastV: 4.5,
    inputMostV: 24,
    dropOutV: 0.6,
    ownA: 0.002,
    dims: 'high is lit',
  },
];

/** Ready-made boxes with a remote of their own. */
export const boxes: readonly BoxPart[] = [
  {
    kind: 'box',
    id: 'box-three-6a',
    name: 'Ready-made box with hand remote, 3 outputs of 2 A, 5 to 24 V',
    price: 6.5,
    outputs: 3,
    outputLimitA: 2,
    onOhm: 0.08,
    leastV: 5,
    mostV: 24,
    ownA: 0.008,
  },
];

/** Drivers that scan a grid of single lights by themselves. */
export const scanDrivers: readonly ScanDriverPart[] = [
  {
    kind: 'scan-driver',
    id: 'scan-driver-8x8',
    name: 'Scan driver, 8 rows of 8, holds the current of each column, three wires',
    price: 2.9,
    rows: 8,
    columns: 8,
    setA: 0.02,
    mostA: 0.04,
    dropOutV: 0.6,
    rowOhm: 0.6,
    supplyLeastV: 3,
    supplyMostV: 5.5,
    ownA: 0.003,
    picturesPerS: 800,
    idleBelowV: 1.2,
  },
  {
    kind: 'scan-driver',
    id: 'scan-driver-16x12',
    name: 'Scan driver, 12 rows of 16, holds the current of each column, three wires',
    price: 4.6,
    rows: 12,
    columns: 16,
    setA: 0.02,
    mostA: 0.04,
    dropOutV: 0.5,
    rowOhm: 0.4,
    supplyLeastV: 3,
    supplyMostV: 5.5,
    ownA: 0.005,
    picturesPerS: 600,
    idleBelowV: 1.2,
  },
];
