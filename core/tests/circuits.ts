import { type Element, fitLedCurve, type LedCurve, type Netlist, shiftCurve } from '../src/circuit/index.ts';

/** The check lights of the needs: 1 mA and 20 mA points with their series resistance. */
export const amber = fitLedCurve({
  low: { currentA: 0.001, voltageV: 1.78 },
  high: { currentA: 0.02, voltageV: 2.06 },
  seriesOhm: 6.5,
});
export const white = fitLedCurve({
  low: { currentA: 0.001, voltageV: 2.72 },
  high: { currentA: 0.02, voltageV: 3.14 },
  seriesOhm: 11,
});

/** A stream of numbers from 0 to 1 out of a start number (linear congruential; enough to scatter test circuits). */
export function createStream(seed: number): (low: number, high: number) => number {
  let state = seed >>> 0;
  return (low, high) => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return low + ((high - low) * state) / 2 ** 32;
  };
}

const supply = (volts: number): Element => ({ kind: 'voltage', name: 'supply', plus: 'v', minus: '0', volts });
const resistor = (name: string, a: string, b: string, ohm: number): Element => ({ kind: 'resistor', name, a, b, ohm });
const light = (name: string, anode: string, cathode: string, curve: LedCurve): Element => ({
  kind: 'diode',
  name,
  anode,
  cathode,
  curve,
});

type Stream = ReturnType<typeof createStream>;
const anyLight = (of: Stream): LedCurve => shiftCurve(of(0, 1) < 0.5 ? amber : white, of(-0.2, 0.2));
const count = (of: Stream, low: number, high: number): number => Math.floor(of(low, high + 0.999));

/** The kinds of circuit that the app makes, each with parts at random. */
export const circuitKinds: Readonly<Record<string, (of: Stream) => Netlist>> = {
  string: (of) => {
    const lights = count(of, 1, 6);
    return [
      supply(of(0, 24)),
      resistor('R', 'v', 'n0', of(1, 4700)),
      ...Array.from({ length: lights }, (_, i) =>
        light(`light ${i}`, `n${i}`, i + 1 === lights ? '0' : `n${i + 1}`, anyLight(of)),
      ),
    ];
  },
  'no resistor': (of) => [
    supply(of(1, 5)),
    resistor('source', 'v', 'n', of(0.02, 2)),
    light('light', 'n', '0', anyLight(of)),
  ],
  'shared resistor': (of) => [
    supply(of(2, 12)),
    resistor('R', 'v', 'n', of(5, 1000)),
    ...Array.from({ length: count(of, 2, 8) }, (_, i) => light(`light ${i}`, 'n', '0', anyLight(of))),
  ],
  'bipolar switch': (of) => [
    supply(of(3, 14)),
    { kind: 'voltage', name: 'pin', plus: 'pin', minus: '0', volts: of(0, 5) },
    resistor('base', 'pin', 'b', of(100, 10_000)),
    { kind: 'npn', name: 'transistor', base: 'b', collector: 'c', emitter: '0', gain: of(40, 400), saturationA: 1e-14 },
    resistor('R', 'v', 'n', of(20, 2000)),
    light('light', 'n', 'c', anyLight(of)),
  ],
  'high side': (of) => [
    supply(of(3, 12)),
    { kind: 'voltage', name: 'pin', plus: 'g', minus: '0', volts: of(0, 12) },
    { kind: 'pmos', name: 'switch', gate: 'g', drain: 'd', source: 'v', thresholdV: 1.2, onOhm: 0.06, atGateV: 4.5 },
    resistor('R', 'd', 'n', of(20, 2000)),
    light('light', 'n', '0', anyLight(of)),
  ],
  'light gate': (of) => [
    supply(of(2.5, 6)),
    resistor('pull-up', 'v', 'g', of(10_000, 1e6)),
    { kind: 'current', name: 'phototransistor', from: 'g', to: '0', amps: of(0, 3e-6) },
    resistor('dark leak', 'g', '0', of(1e6, 1e8)),
    {
      kind: 'nmos',
      name: 'switch',
      gate: 'g',
      drain: 'd',
      source: '0',
      thresholdV: of(0.6, 2.5),
      onOhm: 0.05,
      atGateV: 4,
    },
    resistor('R', 'v', 'n', of(20, 500)),
    light('light', 'n', 'd', anyLight(of)),
  ],
  grid: (of) => {
    const [rows, columns] = [count(of, 2, 4), count(of, 2, 4)];
    return [
      supply(of(3, 6)),
      // One row driven high, one column low, the rest floating: the sneak paths.
      resistor('row driver', 'v', 'r0', of(20, 220)),
      resistor('column driver', 'c0', '0', 1),
      ...Array.from({ length: rows * columns }, (_, i) =>
        light(`light ${i}`, `r${i % rows}`, `c${Math.floor(i / rows)}`, anyLight(of)),
      ),
    ];
  },
  converter: (of) => [
    supply(of(2.5, 9)),
    resistor('cell', 'v', 'in', of(0.02, 0.6)),
    { kind: 'power load', name: 'converter', plus: 'in', minus: '0', watts: of(0, 14), leastV: 1 },
  ],
  'pixels behind a lead': (of) => {
    const pixels = count(of, 1, 8);
    return [
      supply(of(2, 6)),
      ...Array.from({ length: pixels }, (_, i) =>
        resistor(`rail ${i}`, i === 0 ? 'v' : `p${i - 1}`, `p${i}`, of(0.01, 2)),
      ),
      ...Array.from(
        { length: pixels },
        (_, i): Element => ({
          kind: 'falling load',
          name: `pixel ${i}`,
          plus: `p${i}`,
          minus: '0',
          amps: of(0, 0.06),
          fullAboveV: 3.7,
        }),
      ),
    ];
  },
};
