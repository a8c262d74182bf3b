import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Element, solveNetlist } from '../circuit/index.ts';
import { type ClosedAir, type WarmBody, type WarmChain, warmTogether } from './index.ts';

const anyBody = fc.record({
  heatW: fc.double({ min: 0, max: 5, noNaN: true }),
  toNextKPerW: fc.double({ min: 0.5, max: 80, noNaN: true }),
  capacityJPerK: fc.double({ min: 0.2, max: 200, noNaN: true }),
});
const anyChain = fc.record({
  bodies: fc.array(anyBody, { minLength: 1, maxLength: 3 }),
  count: fc.integer({ min: 1, max: 4 }),
});
const anyAir = fc.option(
  fc.record({
    toRoomKPerW: fc.double({ min: 0.5, max: 30, noNaN: true }),
    capacityJPerK: fc.double({ min: 1, max: 200, noNaN: true }),
  }),
);
const anyChains = fc.array(anyChain, { minLength: 1, maxLength: 4 });
const forGood = [Number.POSITIVE_INFINITY];
const single = (bodies: readonly WarmBody[]): WarmChain[] => [{ bodies, count: 1 }];

/** The same as a circuit, every part drawn out: watts are amperes, kelvin are volts, the room is the common minus. */
const asCircuit = (chains: readonly WarmChain[], air: ClosedAir | null): Element[] => [
  ...chains.flatMap(({ bodies, count }, c) =>
    Array.from({ length: count }, (_, k) =>
      bodies.flatMap(({ heatW, toNextKPerW }, i): Element[] => {
        const [here, next] = [`n${c}_${k}_${i}`, `n${c}_${k}_${i + 1}`];
        const b = i + 1 < bodies.length ? next : air ? 'air' : '0';
        return [
          { kind: 'resistor', name: `R${here}`, a: here, b, ohm: toNextKPerW },
          { kind: 'current', name: `P${here}`, from: '0', to: here, amps: heatW },
        ];
      }),
    ).flat(),
  ),
  ...(air ? [{ kind: 'resistor', name: 'walls', a: 'air', b: '0', ohm: air.toRoomKPerW } as const] : []),
];

describe('parts that warm each other', () => {
  it('once even, are what a circuit of resistances says in which watts are amperes and kelvin are volts', () => {
    fc.assert(
      fc.property(anyChains, anyAir, (chains, air) => {
        const solved = solveNetlist(asCircuit(chains, air));
        if (!solved.ok) throw new Error('no solution');
        const [even] = warmTogether(chains, air, 20, forGood);
        const near = (atC: number | undefined, net: string): void => {
          const volts = solved.voltageV.get(net) ?? Number.NaN;
          expect(Math.abs((atC ?? Number.NaN) - 20 - volts)).toBeLessThan(1e-6 * Math.max(1, Math.abs(volts)));
        };
        if (air) near(even?.airC, 'air');
        chains.forEach(({ bodies, count }, c) => {
          bodies.forEach((_, i) => {
            near(even?.chainsC[c]?.[i], `n${c}_${count - 1}_${i}`);
          });
        });
      }),
    );
  });
  it('one body: 28.3 % of the rise after 60 s of τ 180 s', () => {
    // 9 J/K behind 20 K/W: τ = 180 s; 1 W rises 20 K at last.
    const [after] = warmTogether(single([{ heatW: 1, toNextKPerW: 20, capacityJPerK: 9 }]), null, 22, [60]);
    expect(((after?.chainsC[0]?.[0] ?? 0) - 22) / 20).toBeCloseTo(0.283, 2);
  });
  it('a small part in a large box: it is warm at once by itself, and slowly by what the air gathers', () => {
    // Alone 2 W · 5 K/W = 10 K in 5 J/K · 5 K/W = 25 s; the box 2 W · 8 K/W = 16 K in about 100 J/K · 8 K/W = 800 s.
    const moments = warmTogether(
      single([{ heatW: 2, toNextKPerW: 5, capacityJPerK: 5 }]),
      { toRoomKPerW: 8, capacityJPerK: 100 },
      20,
      [100, 800, ...forGood],
    );
    const [early, later, even] = moments.map(({ airC, chainsC }) => [airC - 20, (chainsC[0]?.[0] ?? 0) - airC]);
    // 1 − e^(−100/800) of 16 K is 1.9 K, less what the part itself still holds back.
    expect(early?.[0]).toBeGreaterThan(1);
    expect(early?.[0]).toBeLessThan(1.9);
    expect(early?.[1]).toBeCloseTo(9.8, 0);
    expect(later?.[0]).toBeGreaterThan(9);
    expect(later?.[0]).toBeLessThan(10.2);
    expect(even?.[0]).toBeCloseTo(16, 6);
    expect(even?.[1]).toBeCloseTo(10, 6);
  });
  it('keeps the heat: never hotter than at last, longer is never cooler, and all that is made is found again', () => {
    fc.assert(
      fc.property(anyChains, anyAir, fc.double({ min: 1, max: 5000, noNaN: true }), (chains, air, seconds) => {
        const [at, later, even] = warmTogether(chains, air, 0, [seconds, 2 * seconds, ...forGood]);
        at?.chainsC.forEach((bodies, c) => {
          bodies.forEach((kelvin, i) => {
            const last = even?.chainsC[c]?.[i] ?? 0;
            expect(kelvin).toBeGreaterThanOrEqual(-1e-9);
            expect(kelvin).toBeLessThanOrEqual(last * (1 + 1e-9) + 1e-9);
            expect(later?.chainsC[c]?.[i] ?? 0).toBeGreaterThanOrEqual(kelvin - 1e-6 * (1 + last));
          });
        });
        // In a step so short that next to nothing has left, what was made stands in the bodies and the air.
        const shortS = 1e-6;
        const [soon] = warmTogether(chains, air, 0, [shortS]);
        const heldJ = chains.reduce(
          (sum, { bodies, count }, c) =>
            sum +
            count * bodies.reduce((own, { capacityJPerK }, i) => own + capacityJPerK * (soon?.chainsC[c]?.[i] ?? 0), 0),
          (soon?.airC ?? 0) * (air?.capacityJPerK ?? 0),
        );
        const madeJ = chains.reduce(
          (sum, { bodies, count }) => sum + count * shortS * bodies.reduce((own, { heatW }) => own + heatW, 0),
          0,
        );
        expect(Math.abs(heldJ - madeJ)).toBeLessThan(1e-4 * madeJ + 1e-12);
      }),
    );
  });
});
