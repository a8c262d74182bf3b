import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { amber, white } from '../../tests/circuits.ts';
import { circuitOf, itemOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { listSteps } from '../bench/index.ts';
import { type LedCurve, shiftCurve, solveNetlist, solveSideBySide } from '../circuit/index.ts';
import { drawNetwork } from '../exact/index.ts';
import { checkDesign } from '../findings/index.ts';
import { applyEdits, type Design } from '../plan/index.ts';
import { usualPrinter } from '../units/index.ts';
import { listStringOptions, stringsOf } from './index.ts';

const places = (count: number) =>
  Array.from({ length: count }, (_, i) => ({ id: `p${i}`, at: { xMm: 20 * i, yMm: 0 }, hollowId: null }));

interface Strung {
  readonly lights: number;
  readonly inSeries?: number;
  readonly sideBySide?: number;
  readonly volts?: number;
  readonly wantedCurrentA?: number;
  readonly resistorOhm?: number;
  readonly wiring?: 'bus' | 'pair';
}

/** Amber lights, always on, on a supply of so many volts. */
const strung = ({ lights, volts = 12, wantedCurrentA = 0.008, ...change }: Strung): Design =>
  circuitOf([
    itemOf('outside supply', { id: 'supply', at: { xMm: 0, yMm: 0 }, part: 'supply-bench', volts }),
    itemOf('light', {
      id: 'eyes',
      name: 'Eyes',
      part: 'led-5mm-amber',
      places: places(lights),
      wantedCurrentA,
      switchedBy: { way: 'always on' },
      ...change,
    }),
  ]);

const drivenOf = (design: Design) => {
  const assessment = assess(design);
  const [driven] = assessment.driven;
  if (!driven) throw new Error('nothing is driven');
  return { assessment, driven };
};
const idsOf = (design: Design): string[] => checkDesign(design, assess(design)).map(({ id }) => id);

describe('lights side by side on one resistor', () => {
  const three = (shifts: readonly number[]) =>
    solveSideBySide({
      supplyV: 5,
      resistanceOhm: 110,
      sorts: shifts.map((shift) => ({ curve: shiftCurve(amber, shift), count: 1, strings: 1 })),
      switchDropV: 0,
    }).map((amps) => Number((amps * 1000).toFixed(2)));

  it('alike take alike; a tenth of a volt apart the lowest takes seven times the highest; open, the next takes more', () => {
    // Worked out beforehand for three amber lights behind 110 Ω on 5.0 V.
    expect(three([0, 0, 0])).toEqual([9.24, 9.24, 9.24]);
    expect(three([-0.1, 0, 0.1])).toEqual([17.35, 8.09, 2.42]);
    expect(three([0, 0.1])).toEqual([18.17, 8.71]);
  });

  it('says what the general solver says, of strings of any light, of any number', () => {
    fc.assert(
      fc.property(
        fc.record({
          supplyV: fc.double({ min: 0.5, max: 24, noNaN: true }),
          resistanceOhm: fc.double({ min: 1, max: 2000, noNaN: true }),
          sorts: fc.array(
            fc.record({
              curve: fc
                .tuple(fc.constantFrom<LedCurve>(amber, white), fc.double({ min: -0.2, max: 0.2, noNaN: true }))
                .map(([curve, shift]) => shiftCurve(curve, shift)),
              count: fc.integer({ min: 1, max: 4 }),
              strings: fc.integer({ min: 1, max: 3 }),
            }),
            { minLength: 1, maxLength: 3 },
          ),
        }),
        ({ supplyV, resistanceOhm, sorts }) => {
          const solved = solveNetlist([
            { kind: 'voltage', name: 'supply', plus: 'v', minus: '0', volts: supplyV },
            { kind: 'resistor', name: 'R', a: 'v', b: 'n', ohm: resistanceOhm },
            ...sorts.flatMap(({ curve, count, strings }, s) =>
              Array.from({ length: strings }, (_, k) =>
                Array.from({ length: count }, (_light, i) => ({
                  kind: 'diode' as const,
                  name: `${s} ${k} ${i}`,
                  anode: i === 0 ? 'n' : `${s} ${k} after ${i}`,
                  cathode: i === count - 1 ? '0' : `${s} ${k} after ${i + 1}`,
                  curve,
                })),
              ).flat(),
            ),
          ]);
          expect(solved.ok).toBe(true);
          const amps = solveSideBySide({ supplyV, resistanceOhm, sorts, switchDropV: 0 });
          for (const [s, each] of amps.entries())
            expect(
              Math.abs(each - (solved.ok ? (solved.currentA.get(`${s} 0 0`) ?? Number.NaN) : Number.NaN)),
            ).toBeLessThan(1e-8);
        },
      ),
      { numRuns: 200 },
    );
  });
});

describe('stringing', () => {
  it('takes every light of a channel once, in order, none of another, in whole strings but for the rest', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 40 }),
        fc.integer({ min: 1, max: 6 }),
        fc.integer({ min: 1, max: 5 }),
        fc.integer({ min: 1, max: 5 }),
        (lights, channels, inSeries, sideBySide) => {
          const all = Array.from({ length: channels }, (_, channel) =>
            stringsOf(places(lights), { inSeries, sideBySide }, channel, channels),
          );
          const taken = all.flat().flatMap(({ strings }) => strings.flat());
          expect([...taken].sort((a, b) => a - b)).toEqual(Array.from({ length: lights }, (_, i) => i));
          for (const [channel, shares] of all.entries())
            for (const { strings, placeId } of shares) {
              expect(strings.flat().every((light) => light % channels === channel)).toBe(true);
              expect(strings.length).toBeLessThanOrEqual(sideBySide);
              expect(placeId).toBe(`p${strings[0]?.[0]}`);
            }
        },
      ),
    );
  });

  it('six lights in strings of three on 12 V: two resistors, one current through three drops, four wires a string', () => {
    const { assessment, driven } = drivenOf(strung({ lights: 6, inSeries: 3 }));
    // 12 V − 3 · 1.934 V = 6.20 V over 8 mA: 775 Ω, so 820 Ω, which gives (12 − 3 · 1.93) / 820 = 7.58 mA.
    expect(driven.resistor?.resistorOhm).toBe(820);
    expect(driven.corners.currentA).toBeCloseTo(0.00758, 4);
    expect(driven.totalA).toBeCloseTo(2 * 0.00758, 4);
    const line = assessment.shopping.find((each) => usualPrinter.message(each.name).startsWith('Resistor 820'));
    expect(line?.quantity).toBe(2);
    const wires = assessment.runs.filter((run) => /^(light|back):eyes/.test(run.id));
    expect(wires.map((run) => [run.id, run.cores.length])).toEqual([
      ['light:eyes:p0', 1],
      ['light:eyes:p1', 1],
      ['light:eyes:p2', 1],
      ['back:eyes:p0', 1],
      ['light:eyes:p3', 1],
      ['light:eyes:p4', 1],
      ['light:eyes:p5', 1],
      ['back:eyes:p3', 1],
    ]);
    const step = listSteps(strung({ lights: 6, inSeries: 3 }), assessment).find((each) => each.id === 'channel:eyes:1');
    expect(step?.expect?.likely).toBeCloseTo(2 * 0.00758, 4);
    expect(usualPrinter.message(step?.todo ?? '')).toMatch(/6 lights glow/);
  });

  it('two strings of two on one resistor at the hub, each with wires of its own; four in turn behind one at the first', () => {
    const both = assess(strung({ lights: 4, inSeries: 2, sideBySide: 2 }));
    const [share] = both.joins.filter((join) => join.bare && join.id.includes('eyes'));
    expect(share?.cores.map(({ to }) => to)).toEqual([{ item: 'resistor:eyes:p0', port: 'a' }]);
    const froms = both.joins
      .filter((join) => ['light:eyes:p0', 'light:eyes:p2'].includes(join.id))
      .flatMap((join) => join.cores.map(({ from }) => from));
    expect(froms).toEqual([
      { item: 'resistor:eyes:p0', port: 'b' },
      { item: 'resistor:eyes:p0', port: 'b' },
    ]);
    const turn = assess(strung({ lights: 4, sideBySide: 4, wiring: 'bus' }));
    const cores = turn.joins.find((join) => join.id === 'light:eyes:p2')?.cores ?? [];
    expect(cores.map(({ from }) => from)).toEqual([
      { item: 'eyes', port: 'plus 2' },
      { item: 'eyes', port: 'minus 2' },
    ]);
    expect(turn.shopping.find((each) => usualPrinter.message(each.name).startsWith('Resistor'))?.quantity).toBe(1);
  });

  it('the whole circuit, solved with every wire and light, draws what the quick way says', () => {
    for (const asked of [
      { lights: 6, inSeries: 3 },
      { lights: 6, inSeries: 2, sideBySide: 3 },
      { lights: 9, sideBySide: 9, wiring: 'bus' as const },
      { lights: 8, sideBySide: 4, wiring: 'pair' as const },
    ]) {
      const design = strung(asked);
      const { assessment } = drivenOf(design);
      const network = drawNetwork(design, assessment, { charge: 1, moodId: null, openIds: [] });
      const solved = solveNetlist(network.netlist);
      const supplyA = solved.ok
        ? Math.abs(
            solved.currentA.get('supply') ??
              [...solved.currentA].find(([name]) => name.startsWith('supply'))?.[1] ??
              Number.NaN,
          )
        : Number.NaN;
      const [consumer] = assessment.consumers.filter(({ id }) => id === 'eyes');
      const reducedA = (consumer?.restA ?? 0) + (consumer?.steadyA ?? 0);
      expect(Math.abs(supplyA / reducedA - 1), JSON.stringify(asked)).toBeLessThan(1e-3);
    }
  });
});

describe('how many in a string', () => {
  it('on three lithium cells: resistors, currents from fresh to spent and the share of the energy, as reckoned on paper', () => {
    const { driven } = drivenOf(strung({ lights: 60 }));
    const feed = { ...driven.feed, mostV: 12.6, nominalV: 11.1, leastV: 9 };
    const rows = listStringOptions({ ...driven, feed }, { wantedCurrentA: 0.008 });
    const milliamps = (value: number): number => Number((value * 1000).toFixed(2));
    const shown = rows.map((row) => [
      row.inSeries,
      row.resistorOhm,
      milliamps(row.freshA),
      milliamps(row.usualA),
      milliamps(row.spentA),
      Math.round(row.lightShare * 100),
      row.isSteady,
    ]);
    expect(shown[0]).toEqual([1, 1200, 8.88, 7.64, 5.91, 17, true]);
    expect(shown[2]).toEqual([3, 680, 9.89, 7.8, 4.9, 52, true]);
    expect(shown[3]).toEqual([4, 470, 10.13, 7.24, 3.34, 69, false]);
    // Six would drop 11.6 V, more than there is.
    expect(rows.map((row) => row.inSeries)).toEqual([1, 2, 3, 4, 5]);
  });
});

describe('what is found about strings', () => {
  it('says of lights that make no whole strings, reckons nothing for them, and mends it', () => {
    const design = strung({ lights: 7, inSeries: 3 });
    const assessment = assess(design);
    expect(assessment.driven).toEqual([]);
    const found = checkDesign(design, assessment).find(({ id }) => id === 'strings-uneven:eyes');
    expect(found?.gravity).toBe('stop');
    // One cause, one finding; and no figure is made up meanwhile.
    expect(idsOf(design).filter((id) => id.startsWith('needs'))).toEqual([]);
    expect(assessment.needs.map(({ words }) => words)).toContain('another wiring for Eyes');
    expect(usualPrinter.message(found?.mend ?? '')).toMatch(/^Take 6 or 9 lights/);
    const mended = applyEdits(design, found?.fixes[0]?.edits ?? []);
    expect(idsOf(mended)).not.toContain('strings-uneven:eyes');
    expect(assess(mended).driven[0]?.hung).toEqual({ inSeries: 1, sideBySide: 1 });
  });

  it('names a string whose drops are above the supply, and shortens it to one that stays steady', () => {
    // 8 · 1.934 V = 15.5 V on 12 V.
    const design = strung({ lights: 8, inSeries: 8 });
    const found = checkDesign(design, assess(design)).find(({ id }) => id === 'head-room:eyes');
    expect(found?.gravity).toBe('stop');
    expect(usualPrinter.message(found?.what ?? '')).toMatch(/12\.0 V feeds 8 lights of 15\.5 V together/);
    expect(idsOf(applyEdits(design, found?.fixes[0]?.edits ?? []))).not.toContain('head-room:eyes');
  });

  it('many on one resistor are no more in doubt together than one by itself: what one takes another leaves', () => {
    const doubtOf = (change: Partial<Strung>): number =>
      assess(strung({ lights: 4, ...change })).consumers.find(({ id }) => id === 'eyes')?.relativeSpread ?? Number.NaN;
    expect(doubtOf({ sideBySide: 4 })).toBeLessThan(doubtOf({}) * 1.1);
  });

  it('three in a string on 12 V are sound: nothing is said of them', () => {
    expect(idsOf(strung({ lights: 6, inSeries: 3 })).filter((id) => id.endsWith(':eyes'))).toEqual([]);
  });

  it('a shared resistor is a thing to know where it is gentle, and to be mended where it is not', () => {
    const gentle = checkDesign(strung({ lights: 3, sideBySide: 3 }), assess(strung({ lights: 3, sideBySide: 3 })));
    expect(gentle.find(({ id }) => id === 'shared-resistor:eyes')?.gravity).toBe('mind');
    const design = strung({ lights: 3, sideBySide: 3, wantedCurrentA: 0.015, volts: 5 });
    const bold = checkDesign(design, assess(design)).find(({ id }) => id === 'shared-resistor:eyes');
    expect(bold?.gravity).toBe('mend');
    expect(idsOf(applyEdits(design, bold?.fixes[0]?.edits ?? []))).not.toContain('shared-resistor:eyes');
    // Whatever was chosen, the brightest of the batch keeps within its rating.
    expect(drivenOf(design).driven.corners.brightestA).toBeLessThanOrEqual(0.02);
  });
});
