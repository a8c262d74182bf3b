import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Asked, ask } from '../../tests/sums.ts';
import { HELD_OHM } from '../drive/index.ts';
import { usualPrinter } from '../units/index.ts';
import { answerSum, answerToJson, findSum } from './index.ts';

/** A figure by its key; null where the sum has none. */
const figureOf = (asked: Asked, key: string): number | null => asked.results[key] ?? null;
const ids = ({ findings }: Asked): readonly string[] => findings;
const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('a sum never says what can’t be', () => {
  it('a resistor that can’t be is nothing with a reason, never a number below nothing, and nor is what it would give', () => {
    fc.assert(
      fc.property(between(1, 12), between(1.6, 3.6), fc.integer({ min: 1, max: 5 }), (supplyV, forwardV, count) => {
        const answer = ask('led-resistor', `supply=${supplyV}V forward=${forwardV}V current=10mA count=${count}`);
        const can = supplyV > count * forwardV;
        for (const key of ['resistorOhm', 'exactOhm', 'likelyA', 'brightestA', 'heatW', 'totalA']) {
          const value = figureOf(answer, key);
          if (can) expect(value ?? -1, key).toBeGreaterThanOrEqual(0);
          else expect(value, key).toBeNull();
        }
        if (!can) expect(ids(answer)).toContain('head-room');
      }),
      { seed: 5, numRuns: 200 },
    );
  });

  it('lights on a pack get what it gives from fresh to spent; volts beside it are set aside, and it says so', () => {
    // Three alkaline cells: 4.74 V fresh, 0.9 V each spent. A light of 2 V at 10 mA: (3.66 − 2) V / 10 mA = 166 Ω, so 180 Ω.
    const answer = ask('led-resistor', 'pack=three-aa-alkaline forward=2V current=10mA spread=0.1V');
    expect(figureOf(answer, 'resistorOhm')).toBe(180);
    const mA = (key: string): number => (figureOf(answer, key) ?? 0) * 1000;
    // Fresh (4.74 − 2.03)/180, spent (2.7 − 1.93)/180; in the corner (4.74 − 1.94)/171.
    expect(mA('freshA')).toBeCloseTo(15.0, 0);
    expect(mA('spentA')).toBeCloseTo(4.3, 0);
    expect(mA('brightestA')).toBeCloseTo(16.4, 0);
    expect(ids(answer)).not.toContain('printed-voltage');
    const both = ask('led-resistor', 'pack=three-aa-alkaline supply=9V forward=2V current=10mA spread=0.1V');
    expect(both.results).toEqual(answer.results);
    expect(ids(both)).toContain('set-aside-supply');
    // A choice is read before what hangs on it is: none is none, however it is written.
    const none = ask('led-resistor', 'pack=NONE supply=5V forward=2V current=10mA');
    expect(figureOf(none, 'resistorOhm')).toBe(330);
    expect(ids(none)).not.toContain('set-aside-supply');
    expect(() => ask('led-resistor', 'forward=2V current=10mA')).toThrow(/pack or the volts of the supply/);
    expect(() => ask('led-resistor', 'supply=5V sinks=6V forward=2V current=10mA')).toThrow(/can’t sink to 6.00 V/);
  });

  it('nobody who gives a steady current is told of a peak, whatever the load', () => {
    for (const asked of [
      ['runtime', 'capacity=800mAh load=1.5A lead=0.6 least=3.2V'],
      ['runtime', 'capacity=200mAh chemistry=alkaline load=0.5A'],
      ['fuse', 'steady=3A gauge=28AWG fitted=2A'],
      ['fuse', 'steady=0.1A gauge=20AWG fitted=3A'],
      ['wire', 'current=6A length=2m gauge=28AWG'],
      ['wire', 'current=0.5A length=9m gauge=28AWG'],
      ['tape-drop', 'length=3m density=60/m pixel=36.8mA'],
      ['boost-limit', 'cell=3.7V source=0.1 output=5V current=1A inputlimit=1A'],
    ] as const) {
      const sum = findSum(asked[0]);
      const given = Object.fromEntries(asked[1].split(' ').map((each) => each.split('=')));
      const answered = sum && answerSum(sum, given, usualPrinter);
      if (!answered?.ok) throw new Error(`${asked[0]}: ${JSON.stringify(answered?.problems)}`);
      expect(JSON.stringify(answerToJson(answered.answer, usualPrinter)), asked.join(' ')).not.toMatch(/\bpeak\b/);
    }
  });

  it('a converter that stands at its top, since its reference is lower, has read what it can', () => {
    // 5 V over 2.4 kΩ and 22 kΩ are 4.5 V at the pin: above a reference of 2.5 V every code is 4095.
    const asked = 'dark=180k light=2k4 fixed=22k supply=5V reference=2.5V readat=light';
    const answer = ask('light-divider', `${asked} code=4095`);
    expect(figureOf(answer, 'lightCode')).toBe(4095);
    expect(ids(answer)).not.toContain('code-disagrees');
    expect(ids(ask('light-divider', `${asked} code=1000`))).toContain('code-disagrees');
  });

  it('a plain tape asks of its supply only for the colours that are lit at once', () => {
    // 9.6 W/m · 2.4 m at 12 V: 1.92 A in white, 0.64 A a colour, 1.28 A two of them.
    const lit = (colours: string) => ask('plain-tape', `power=9.6W/m length=2.4m supply=1.5A ${colours}`);
    const isShort = (answer: ReturnType<typeof lit>) => ids(answer).filter((id) => ['link', 'start'].includes(id));
    expect(isShort(lit(''))).toEqual(['link']);
    expect(figureOf(lit('lit=2'), 'litA')).toBeCloseTo(1.28, 9);
    expect(isShort(lit('lit=2'))).toEqual([]);
    expect(isShort(lit('lit=2 supply=1.1A'))).toEqual(['link']);
    expect(() => lit('lit=4')).toThrow(/4 are lit at once/);
  });

  it('a base resistor is never advised against the pin: what serves lies between both ends, or none does, said once', () => {
    fc.assert(
      fc.property(
        between(0.005, 0.6),
        between(1.8, 5.5),
        between(0.002, 0.04),
        fc.option(between(10, 20_000)),
        (loadA, pinV, pinLimitA, fittedOhm) => {
          const answer = ask(
            'transistor-switch',
            `load=${loadA}A pin=${pinV}V pinlimit=${pinLimitA}A limit=1A${fittedOhm === null ? '' : ` base=${fittedOhm}`}`,
          );
          const found = ids(answer).filter((id) => id !== 'switch-load' && id !== 'assumed');
          // At its very limit the pin gives (V − 0.75)/R; full on the base asks for a tenth of the load.
          const [leastOhm, mostOhm] = [(pinV - 0.75) / pinLimitA, (10 * (pinV - 0.75)) / loadA];
          if (mostOhm < leastOhm * (1 - 1e-9)) expect(found).toEqual(['pin-load']);
          else expect(found.length).toBeLessThanOrEqual(1);
          const isFull = (figureOf(answer, 'goodForA') ?? 0) >= loadA * (1 - 1e-9);
          if (!isFull) expect(figureOf(answer, 'heatW')).toBeNull();
        },
      ),
      { seed: 6, numRuns: 300 },
    );
  });

  it('a ghost current in a grid is never above what the pin that holds its line could give', () => {
    fc.assert(
      fc.property(
        between(3, 12),
        between(1.7, 2.4),
        fc.constantFrom('float', 'rows_low,_columns_high', 'held_in_the_middle'),
        (supplyV, lowV, idle) => {
          const answer = ask('grid-scan', `rows=8 columns=8 supply=${supplyV}V low=${lowV}V idle=${idle} peak=20mA`);
          expect(figureOf(answer, 'sneakA') ?? 0).toBeLessThanOrEqual(supplyV / HELD_OHM);
        },
      ),
      { seed: 7, numRuns: 60 },
    );
  });

  it('two feeds on one pixel share their leads alone, and one past the end is at its last: both are said, and the figures are those', () => {
    const of = (feeds: string) => ask('tape-drop', `length=1m density=60 pixel=36.8mA lead=50mΩ feeds=${feeds}`);
    const [one, twice, past] = [of('0'), of('0,2mm'), of('0,3m')];
    expect(ids(twice)).toContain('feeds-on-one');
    // 60 · 36.8 mA = 2.208 A through 25 mΩ instead of 50: 55.2 mV less lost.
    expect((figureOf(twice, 'leastV') ?? 0) - (figureOf(one, 'leastV') ?? 0)).toBeCloseTo(0.0552, 6);
    expect(ids(past)).toContain('feed-beyond');
    expect(figureOf(past, 'leastV')).toBe(figureOf(of('0,1m'), 'leastV'));
    expect(() => ask('tape-drop', 'length=1m density=60 pixel=36.8mA feeds=0,1m leads=0.1Ω')).toThrow(
      /1 leads are given for 2 feeds/,
    );
    // One cause, one finding: past the end beside one at the end is past the end.
    expect(ids(of('0,1m,3m')).filter((id) => id.startsWith('feed'))).toEqual(['feed-beyond']);
    for (const each of [one, of('0,1m')]) expect(ids(each).filter((id) => id.startsWith('feed'))).toEqual([]);
  });

  it('warm thread loses more than cool, as copper does: 3.9 parts in a thousand a kelvin', () => {
    const dropAt = (ambientC: number): number =>
      figureOf(ask('wire', `conductor=thread thread=90Ω/m length=200mm current=10mA ambient=${ambientC}`), 'dropV') ??
      0;
    // 2 · 10 mA · 0.2 m · 90 Ω/m = 0.36 V at 20 °C.
    expect(dropAt(20)).toBeCloseTo(0.36, 6);
    expect(dropAt(60) / dropAt(20)).toBeCloseTo(1 + 0.00393 * 40, 6);
  });

  it('what takes a thick wire is told one: 25 A over half a metre on 12 V', () => {
    // 10 AWG: 3.28 mΩ/m; 2 · 25 A · 0.5 m · 3.28 mΩ/m = 82 mV.
    const answer = ask('wire', 'current=25A length=500mm supply=12V gauge=10');
    expect(figureOf(answer, 'thinnestAwg')).toBe(10);
    expect(figureOf(answer, 'dropV')).toBeCloseTo(0.082, 3);
  });
});
