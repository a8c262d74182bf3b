import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Element, solveNetlist } from '../circuit/index.ts';
import { steadyChain, type WarmBody, warmChain } from './index.ts';

const anyBody = fc.record({
  heatW: fc.double({ min: 0, max: 5, noNaN: true }),
  toNextKPerW: fc.double({ min: 0.5, max: 80, noNaN: true }),
  capacityJPerK: fc.double({ min: 0.2, max: 200, noNaN: true }),
});
const anyChain = fc.array(anyBody, { minLength: 1, maxLength: 4 });

/** The same chain as a circuit: watts are amperes, kelvin are volts, the air is the common minus. */
const asCircuit = (bodies: readonly WarmBody[]): Element[] =>
  bodies.flatMap(({ heatW, toNextKPerW }, i): Element[] => [
    { kind: 'resistor', name: `R${i}`, a: `n${i}`, b: i + 1 === bodies.length ? '0' : `n${i + 1}`, ohm: toNextKPerW },
    { kind: 'current', name: `P${i}`, from: '0', to: `n${i}`, amps: heatW },
  ]);

describe('heat along a chain', () => {
  it('once even, is what a circuit of resistances says in which watts are amperes and kelvin are volts', () => {
    fc.assert(
      fc.property(anyChain, (bodies) => {
        const solved = solveNetlist(asCircuit(bodies));
        expect(solved.ok).toBe(true);
        steadyChain(bodies, 20).forEach((atC, i) => {
          const volts = solved.ok ? (solved.voltageV.get(`n${i}`) ?? Number.NaN) : Number.NaN;
          expect(Math.abs(atC - 20 - volts)).toBeLessThan(1e-6 * Math.max(1, Math.abs(volts)));
        });
      }),
    );
  });
  it('one body: 28.3 % of the rise after 60 s of τ 180 s', () => {
    // 9 J/K behind 20 K/W: τ = 180 s; 1 W rises 20 K at last.
    const [atC = 0] = warmChain([{ heatW: 1, toNextKPerW: 20, capacityJPerK: 9 }], 22, 60);
    expect((atC - 22) / 20).toBeCloseTo(0.283, 3);
  });
  it('keeps the heat: what was made has gone into the bodies or out to the air', () => {
    fc.assert(
      fc.property(anyChain, fc.double({ min: 1, max: 5000, noNaN: true }), (bodies, seconds) => {
        const at = warmChain(bodies, 0, seconds);
        const steady = steadyChain(bodies, 0);
        at.forEach((kelvin, i) => {
          expect(kelvin).toBeGreaterThanOrEqual(0);
          expect(kelvin).toBeLessThanOrEqual((steady[i] ?? 0) * (1 + 1e-9) + 1e-9);
        });
        // Longer is never cooler, and long enough is steady.
        const later = warmChain(bodies, 0, seconds * 2);
        for (const [i, kelvin] of later.entries())
          expect(kelvin).toBeGreaterThanOrEqual((at[i] ?? 0) - 1e-6 * (1 + (steady[i] ?? 0)));
        const slowestS = bodies.reduce(
          (sum, body, i) => sum + body.capacityJPerK * bodies.slice(i).reduce((ohm, each) => ohm + each.toNextKPerW, 0),
          0,
        );
        for (const [i, kelvin] of warmChain(bodies, 0, slowestS * 2000).entries())
          expect(Math.abs(kelvin - (steady[i] ?? 0))).toBeLessThan(1e-3 * (1 + (steady[i] ?? 0)));
      }),
    );
  });
});
