import { describe, expect, it } from 'vitest';
import { amber, circuitKinds, createStream, white } from '../../tests/circuits.ts';
import {
  type Element,
  fitLedReadings,
  forwardVoltageV,
  lightAt,
  type Netlist,
  nodesOf,
  shiftCurve,
  solveNetlist,
  solveString,
  spiceLines,
} from './index.ts';

function solved(netlist: Netlist) {
  const found = solveNetlist(netlist);
  if (!found.ok) throw new Error(found.reason);
  return found;
}
const supply = (volts: number): Element => ({ kind: 'voltage', name: 'supply', plus: 'v', minus: '0', volts });

describe('the general solver', () => {
  it('a divider: 9 V over 1 kΩ and 2 kΩ stands at 6 V', () => {
    const { voltageV, currentA } = solved([
      supply(9),
      { kind: 'resistor', name: 'upper', a: 'v', b: 'm', ohm: 1000 },
      { kind: 'resistor', name: 'lower', a: 'm', b: '0', ohm: 2000 },
    ]);
    expect(voltageV.get('m')).toBeCloseTo(6, 6);
    expect(currentA.get('supply')).toBeCloseTo(-0.003, 9);
  });
  it('agrees with the loop solver on strings', () => {
    for (const [volts, ohm, lights] of [
      [12.6, 1200, 1],
      [11.1, 680, 3],
      [9, 180, 5],
    ] as const) {
      const chain = Array.from(
        { length: lights },
        (_, i): Element => ({
          kind: 'diode',
          name: `d${i}`,
          anode: `n${i}`,
          cathode: i + 1 === lights ? '0' : `n${i + 1}`,
          curve: amber,
        }),
      );
      const { currentA } = solved([supply(volts), { kind: 'resistor', name: 'R', a: 'v', b: 'n0', ohm }, ...chain]);
      expect(currentA.get('R')).toBeCloseTo(
        solveString({ supplyV: volts, resistanceOhm: ohm, curve: amber, count: lights }),
        9,
      );
    }
  });
  it('one resistor for three lights of a spread: the lowest drop takes most', () => {
    const shared = (curves: readonly (typeof amber)[]) => {
      const { currentA } = solved([
        supply(5),
        { kind: 'resistor', name: 'R', a: 'v', b: 'n', ohm: 110 },
        ...curves.map((curve, i): Element => ({ kind: 'diode', name: `d${i}`, anode: 'n', cathode: '0', curve })),
      ]);
      return curves.map((_, i) => (currentA.get(`d${i}`) ?? 0) * 1000);
    };
    shared([amber, amber, amber]).forEach((milliamps) => {
      expect(milliamps).toBeCloseTo(9.24, 1);
    });
    const spread = [-0.1, 0, 0.1].map((by) => shiftCurve(amber, by));
    shared(spread).forEach((milliamps, i) => {
      expect(milliamps).toBeCloseTo([17.35, 8.09, 2.42][i] ?? 0, 1);
    });
    shared(spread.slice(1)).forEach((milliamps, i) => {
      expect(milliamps).toBeCloseTo([18.17, 8.71][i] ?? 0, 1);
    });
    expect(shared([amber, amber, white])[2]).toBeLessThan(0.001);
  });
  it('a transistor at forced gain 10 is full on; with its base open it is off', () => {
    const circuit = (base: number): Netlist => [
      supply(5),
      { kind: 'voltage', name: 'pin', plus: 'pin', minus: '0', volts: base },
      { kind: 'resistor', name: 'Rb', a: 'pin', b: 'b', ohm: 680 },
      { kind: 'npn', name: 'Q', base: 'b', collector: 'c', emitter: '0', gain: 100, saturationA: 1e-14 },
      { kind: 'resistor', name: 'Rc', a: 'v', b: 'c', ohm: 130 },
    ];
    // (5 − 0.1) V / 130 Ω = 37.7 mA with 3.75 mA in the base.
    const on = solved(circuit(3.3));
    expect(on.voltageV.get('c')).toBeLessThan(0.2);
    expect(on.currentA.get('Q')).toBeCloseTo(0.0377, 3);
    expect(solved(circuit(0)).currentA.get('Q')).toBeLessThan(1e-9);
  });
  it('a field-effect transistor has its promised on-resistance at its promised gate voltage, and is shut at 0 V', () => {
    const circuit = (gate: number): Netlist => [
      supply(12),
      { kind: 'voltage', name: 'pin', plus: 'g', minus: '0', volts: gate },
      { kind: 'nmos', name: 'M', gate: 'g', drain: 'd', source: '0', thresholdV: 1.5, onOhm: 0.045, atGateV: 3.3 },
      { kind: 'resistor', name: 'tape', a: 'v', b: 'd', ohm: 18.75 },
    ];
    const on = solved(circuit(3.3));
    expect((on.voltageV.get('d') ?? 0) / (on.currentA.get('M') ?? 1)).toBeCloseTo(0.045, 2);
    expect(solved(circuit(0)).currentA.get('M')).toBeCloseTo(0, 9);
    // At 1.6 V, barely over the threshold, it is half on: far more than 0.045 Ω.
    expect(solved(circuit(1.6)).voltageV.get('d')).toBeGreaterThan(3);
  });
  it('a converter of 10.80 W behind 0.25 Ω holds on 3.4 V and collapses on 3.2 V', () => {
    const behind = (volts: number): Netlist => [
      supply(volts),
      { kind: 'resistor', name: 'cell', a: 'v', b: 'in', ohm: 0.25 },
      { kind: 'power load', name: 'converter', plus: 'in', minus: '0', watts: 10.8, leastV: 0.5 },
    ];
    const { voltageV } = solved(behind(3.4));
    // The stable root of V² − 3.4·V + 0.25·10.8 = 0.
    expect(voltageV.get('in')).toBeCloseTo((3.4 + Math.sqrt(3.4 ** 2 - 4 * 0.25 * 10.8)) / 2, 6);
    const lost = solveNetlist(behind(3.2));
    expect(lost).toMatchObject({ ok: false, kind: 'collapse' });
    // V²/4R = 10.24 W is the most there is.
    expect(lost.ok ? '' : lost.reason).toMatch(/10\.[23] W/);
  });
  it('two supplies against each other have no operating point that is right, and it says so', () => {
    const fight: Netlist = [supply(5), { kind: 'voltage', name: 'other', plus: 'v', minus: '0', volts: 12 }];
    expect(solveNetlist(fight)).toMatchObject({ ok: false, kind: 'no convergence' });
  });
});

describe('ten thousand circuits of the kinds that the app makes', () => {
  const kinds = Object.entries(circuitKinds);
  it.each(kinds)(
    '%s: solved to a nanoampere with power in = power out, or named as having no solution',
    (kind, make) => {
      const rounds = Math.ceil(10_000 / kinds.length);
      for (let seed = 1; seed <= rounds; seed += 1) {
        const netlist = make(createStream(seed * 7919));
        const found = solveNetlist(netlist);
        if (!found.ok) {
          expect([kind, found.kind]).toEqual(['converter', 'collapse']);
          // A second way: V²/4R, and the least voltage of 1 V.
          const [source, cell, load] = netlist;
          if (source?.kind !== 'voltage' || cell?.kind !== 'resistor' || load?.kind !== 'power load') throw new Error();
          const root = source.volts ** 2 - 4 * cell.ohm * load.watts;
          const standsAt = root < 0 ? 0 : (source.volts + Math.sqrt(root)) / 2;
          expect(standsAt).toBeLessThan(1.02);
          continue;
        }
        expect(found.residualA).toBeLessThan(1e-9);
        const volts = (node: string): number => found.voltageV.get(node) ?? 0;
        // Two-terminal elements: the power that all take together is none (Tellegen); transistors take what is left.
        const taken = netlist.reduce((sum, element) => {
          const [a = '0', b = '0'] = nodesOf(element);
          return nodesOf(element).length === 2
            ? sum + (volts(a) - volts(b)) * (found.currentA.get(element.name) ?? 0)
            : sum;
        }, 0);
        const hasThird = netlist.some((element) => nodesOf(element).length === 3);
        if (hasThird) expect(taken).toBeLessThan(1e-8);
        else expect(Math.abs(taken)).toBeLessThan(1e-7);
      }
    },
  );
});

describe('a light as a device', () => {
  it('its current at a voltage inverts its voltage at a current', () => {
    for (const curve of [amber, white])
      for (let exponent = -9; exponent <= 0; exponent += 0.25) {
        const currentA = 10 ** exponent;
        expect(lightAt(curve, forwardVoltageV(curve, currentA)).currentA / currentA).toBeCloseTo(1, 9);
      }
  });
  it('its slope is the slope: against a small difference', () => {
    for (const volts of [1.2, 1.8, 2.0, 2.5]) {
      const slope = (lightAt(amber, volts + 1e-6).currentA - lightAt(amber, volts - 1e-6).currentA) / 2e-6;
      expect(lightAt(amber, volts).slopeS / slope).toBeCloseTo(1, 4);
    }
  });
  it('three readings give back the curve they were taken from', () => {
    const readings = [0.001, 0.005, 0.02].map((currentA) => ({ currentA, voltageV: forwardVoltageV(amber, currentA) }));
    const fitted = fitLedReadings(readings, 0);
    expect(fitted.seriesOhm).toBeCloseTo(6.5, 6);
    expect(fitted.nVtV).toBeCloseTo(amber.nVtV, 9);
    // Two readings can't tell the bend: the resistance given is taken.
    expect(fitLedReadings(readings.slice(1), 6.5).seriesOhm).toBe(6.5);
    expect(() => fitLedReadings(readings.slice(1, 2), 6.5)).toThrow(/two different currents/);
  });
});

it('writes a circuit as SPICE-format text: one line an element, and its model', () => {
  const circuit: Netlist = [
    supply(5),
    { kind: 'resistor', name: 'R of lure', a: 'v', b: 'n 1', ohm: 180 },
    { kind: 'diode', name: 'lure', anode: 'n 1', cathode: '0', curve: white },
    { kind: 'nmos', name: 'M', gate: 'v', drain: 'n 1', source: '0', thresholdV: 1, onOhm: 0.05, atGateV: 3 },
    { kind: 'power load', name: 'boost', plus: 'v', minus: '0', watts: 2, leastV: 1 },
  ];
  expect(circuit.flatMap(spiceLines)).toEqual([
    'V1_supply v 0 DC 5',
    'R2_R_of_lure v n_1 180',
    'D3_lure n_1 0 D3_lure',
    expect.stringMatching(/^\.model D3_lure D\(IS=\d.*e-20 N=2\.72.* RS=11\)$/),
    'M4_M n_1 v 0 0 M4_M W=1 L=1',
    '.model M4_M NMOS(LEVEL=1 VTO=1 KP=10)',
    'B5_boost v 0 I=V(v,0)>1?2/V(v,0):2*V(v,0)',
  ]);
});
