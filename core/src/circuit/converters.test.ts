import { describe, expect, it } from 'vitest';
import { type Element, type Netlist, solveNetlist } from './index.ts';

const law = { table: [[0, 0.8]] as const, fullA: 1, statedInputV: 4, perVolt: 0, least: 0.3, most: 0.98 };
const boost = (change: object = {}): Element => ({
  kind: 'converter',
  name: 'boost',
  inPlus: 'in',
  inMinus: '0',
  outPlus: 'out',
  outMinus: '0',
  volts: 5,
  idleA: 0,
  leastV: 2.5,
  law,
  ...change,
});
const regulator: Element = {
  kind: 'regulator',
  name: 'regulator',
  input: 'in',
  output: 'out',
  minus: '0',
  volts: 3.3,
  dropOutV: 0.3,
  idleA: 0.002,
};
const source = (volts: number, ohm: number): Netlist => [
  { kind: 'voltage', name: 'cell', plus: 'cell', minus: '0', volts },
  { kind: 'resistor', name: 'inside', a: 'cell', b: 'in', ohm },
];
const load = (ohm: number): Element => ({ kind: 'resistor', name: 'load', a: 'out', b: '0', ohm });
const solved = (netlist: Netlist) => {
  const found = solveNetlist(netlist);
  if (!found.ok) throw new Error(found.reason);
  return {
    volts: (node: string) => found.voltageV.get(node) ?? 0,
    amps: (name: string) => found.currentA.get(name) ?? 0,
    found,
  };
};

describe('a converter in a circuit', () => {
  it('takes in by power what it gives: 5 W at 80 % from 4.1 V behind 0.1 Ω', () => {
    const { volts, amps, found } = solved([...source(4.1, 0.1), boost(), load(5)]);
    // 6.25 W = V·(4.1 − V)/0.1, on the stable side: V = 3.9414 V, 1.5857 A.
    expect(volts('out')).toBeCloseTo(5, 9);
    expect(volts('in')).toBeCloseTo(3.9414, 3);
    expect(amps('boost')).toBeCloseTo(6.25 / 3.9414, 3);
    // What the converter loses is a fifth of what it takes in.
    expect(found.powerW.get('boost')).toBeCloseTo(1.25, 6);
    expect([...found.powerW.values()].reduce((sum, watts) => sum + watts, 0)).toBeCloseTo(0, 9);
  });
  it('draws its own current with nothing on it', () => {
    const { amps } = solved([...source(4, 0), boost({ idleA: 0.003 }), load(1e9)]);
    expect(amps('boost')).toBeCloseTo(0.003, 6);
  });
  it('collapses where the source can’t give the power: 6.25 W want more than 3 V behind 0.4 Ω has', () => {
    // 3² / (4 · 0.4) = 5.6 W at most.
    const found = solveNetlist([...source(3, 0.4), boost(), load(5)]);
    expect(found).toMatchObject({ ok: false, kind: 'collapse', reason: expect.stringContaining('boost') });
  });
  it('has a minus of its own on each side, where it keeps them apart', () => {
    const { volts } = solved([
      ...source(4, 0.1),
      boost({ outPlus: 'out', outMinus: 'low' }),
      { kind: 'resistor', name: 'apart', a: 'out', b: 'low', ohm: 50 },
      { kind: 'resistor', name: 'tie', a: 'low', b: '0', ohm: 1000 },
    ]);
    expect(volts('out') - volts('low')).toBeCloseTo(5, 9);
    expect(volts('low')).toBeCloseTo(0, 6);
  });
});

describe('a linear regulator in a circuit', () => {
  it('passes its current on, and what it draws itself', () => {
    const { volts, amps } = solved([...source(5, 0), regulator, load(33)]);
    expect(volts('out')).toBeCloseTo(3.3, 9);
    expect(amps('regulator')).toBeCloseTo(0.102, 9);
  });
  it('follows its input down below its drop-out', () => {
    const { volts } = solved([...source(3.4, 0), regulator, load(33)]);
    expect(volts('out')).toBeCloseTo(3.1, 6);
  });
  it('gives nothing at all from less than its drop-out', () => {
    expect(solved([...source(0.2, 0), regulator, load(33)]).volts('out')).toBeCloseTo(0, 9);
  });
});

describe('a load that asks for its amperes', () => {
  const asks = (amps: number): Element => ({ kind: 'current', name: 'motor', from: 'in', to: '0', amps, leastV: 0 });
  it('has them as long as something is left across it', () => {
    expect(solved([...source(3, 1), asks(2)]).volts('in')).toBeCloseTo(1, 9);
  });
  it('is named where nothing would be left: 3 V behind 1 Ω can’t give 4 A', () => {
    expect(solveNetlist([...source(3, 1), asks(4)])).toMatchObject({
      ok: false,
      kind: 'collapse',
      reason: expect.stringContaining('motor'),
    });
  });
});
