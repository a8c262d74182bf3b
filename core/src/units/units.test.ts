import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  amps,
  defineFormula,
  fillSum,
  judge,
  ohms,
  parseQuantity,
  printNumber,
  type QuantityKind,
  quantityKinds,
  usualPrinter,
  volts,
} from './index.ts';

const value = (kind: QuantityKind, text: string): number => {
  const parsed = parseQuantity(kind, text);
  if (!parsed.ok) throw new Error(parsed.problem);
  return parsed.value;
};

describe('reading what a maker writes', () => {
  it.each([
    ['currentA', '20mA', 0.02],
    ['currentA', '20 mA', 0.02],
    ['currentA', '1,5 A', 1.5],
    ['currentA', '300 µA', 0.0003],
    ['currentA', '300 uA', 0.0003],
    ['resistanceOhm', '4k7', 4700],
    ['resistanceOhm', '2R2', 2.2],
    ['resistanceOhm', '1M5', 1_500_000],
    ['resistanceOhm', '330', 330],
    ['resistanceOhm', '10 kΩ', 10_000],
    ['resistanceOhm', '1 M', 1_000_000],
    ['resistanceOhm', '5 mΩ', 0.005],
    ['powerW', '1/4W', 0.25],
    // inch fractions are exact.
    ['lengthMm', '3/8 in', 9.525],
    ['lengthMm', '9/32 in', 7.14375],
    ['lengthMm', '5/8"', 15.875],
    ['lengthMm', '1 3/8 in', 34.925],
    ['lengthMm', '0.5in', 12.7],
    ['lengthMm', '2.5 cm', 25],
    ['temperatureC', '−5 °C', -5],
    ['temperatureC', '-5', -5],
    ['timeH', '90 min', 1.5],
    ['timeS', '250 ms', 0.25],
    ['capacityMah', '2.6 Ah', 2600],
    ['fraction', '40 %', 0.4],
    ['perMetre', '74/m', 74],
    ['count', '3', 3],
  ] as const)('takes %s "%s" as %d', (kind, text, expected) => {
    expect(value(kind, text)).toBeCloseTo(expected, 10);
  });

  it('tells mega from milli', () => {
    expect(value('resistanceOhm', '1 MΩ') / value('resistanceOhm', '1 mΩ')).toBeCloseTo(1e9, -2);
  });

  it.each([
    ['currentA', '20 mm', /unit of a length.*20 mA/],
    ['currentA', 'plenty', /"plenty" is not a current/],
    ['lengthMm', '', /nothing written/],
    ['lengthMm', '12 furlong', /not a unit known here/],
    ['lengthMm', '1e999', /is not a length/],
    ['lengthMm', '3/0 in', /is not|not a unit/],
  ] as const)('refuses %s "%s" and says what to write', (kind, text, message) => {
    const parsed = parseQuantity(kind, text);
    expect(parsed.ok).toBe(false);
    expect(parsed.ok ? '' : parsed.problem).toMatch(message);
  });

  it('never throws and never gives a number that is not one, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string(), fc.constantFrom(...(Object.keys(quantityKinds) as QuantityKind[])), (text, kind) => {
        const parsed = parseQuantity(kind, text);
        expect(parsed.ok ? Number.isFinite(parsed.value) : parsed.problem.length > 0).toBe(true);
      }),
      { seed: 7, numRuns: 2000 },
    );
  });
});

describe('printing', () => {
  it.each([
    ['currentA', 0.0137, '13.7 mA'],
    ['currentA', 1.5, '1.50 A'],
    ['currentA', 0.9996, '1.00 A'],
    ['resistanceOhm', 4700, '4.70 kΩ'],
    ['powerW', 0.0222, '22.2 mW'],
    ['capacityMah', 2600, '2600 mAh'],
    ['capacitanceUf', 1000, '1000 µF'],
    ['capacitanceUf', 0.1, '100 nF'],
    ['lengthMm', 581.08, '581 mm'],
    ['lengthMm', 1.92, '1.92 mm'],
    ['timeH', 0.5, '30 min'],
    ['timeH', 3.9, '3.90 h'],
    ['temperatureC', -5, '−5 °C'],
    ['fraction', 0.559, '55.9 %'],
    ['fraction', 0.5, '50 %'],
    ['money', 15, '15.00'],
    ['count', 66, '66'],
  ] as const)('%s %d is "%s"', (kind, number, text) => {
    expect(usualPrinter.quantity(kind, number)).toBe(text);
  });

  it('shows a dash for what is not a number, and a real minus sign', () => {
    expect(usualPrinter.quantity('currentA', Number.NaN)).toBe('–');
    expect(printNumber(-0.0777)).toBe('−0.0777');
  });

  it('what a field shows can be typed back without loss', () => {
    const kinds = fc.constantFrom<QuantityKind>('currentA', 'voltageV', 'resistanceOhm', 'timeS', 'timeH');
    const times = fc.constantFrom<QuantityKind>('timeS', 'timeH', 'timeMin');
    fc.assert(
      fc.property(
        fc.oneof(
          fc.tuple(fc.double({ min: 0.001, max: 900, noNaN: true }), kinds),
          fc.tuple(fc.double({ min: 900, max: 1e5, noNaN: true }), times),
        ),
        ([number, kind]) => {
          const back = value(kind, usualPrinter.forEditing(kind, number));
          expect(Math.abs(back - number) / number).toBeLessThan(1e-5);
        },
      ),
      { seed: 3 },
    );
  });
  it('half an hour is not so many thousand seconds', () => {
    expect(usualPrinter.forEditing('timeS', 1800)).toBe('30 min');
    expect(usualPrinter.quantity('timeS', 90)).toBe('90.0 s');
    expect(usualPrinter.quantity('timeS', 7200)).toBe('2.00 h');
  });
});

describe('plausibility', () => {
  const band = { least: 0.0001, most: 100, usual: [0.0005, 0.03] } as const;
  it('asks about amperes that were meant as milliamperes', () => {
    const judged = judge('currentA', 20, band);
    expect(judged.ok && judged.didYouMean).toBe(0.02);
  });
  it('lets a usual value pass without a question', () => {
    expect(judge('currentA', 0.012, band)).toEqual({ ok: true, value: 0.012 });
  });
  it('questions 25 mm where 2.5 mm is usual, and a 3 mAh pack', () => {
    expect(judge('lengthMm', 25, { least: 0.1, most: 100, usual: [0.5, 12] })).toMatchObject({
      ok: true,
      didYouMean: 2.5,
    });
    expect(judge('capacityMah', 3, { least: 1, most: 1e5, usual: [50, 20_000] })).toMatchObject({
      didYouMean: 3000,
    });
  });
  it('refuses what is outside the limits with both numbers', () => {
    const judged = judge('lengthMm', -20, { least: 1, most: 20_000 });
    expect(judged.ok ? '' : usualPrinter.message(judged.problem)).toBe('−20.0 mm is outside 1.00 mm to 20 m.');
  });
});

it('prints a sum with its numbers put in', () => {
  const ohm = defineFormula({
    name: 'Ohm',
    gives: { meaning: 'resistance', kind: 'resistanceOhm' },
    symbols: { U: { meaning: 'voltage', kind: 'voltageV' }, I: { meaning: 'current', kind: 'currentA' } },
    form: '{R} = {U} / {I}',
    source: 'Ohm’s law',
    reckon: ({ U, I }) => U / I,
  });
  expect(fillSum(ohm, { U: 5, I: 0.02 })).toMatchObject({
    form: 'R = U / I',
    filled: [volts(5), ' / ', amps(0.02)],
    answer: ohms(250),
  });
});

describe('whatever is printed can be typed again', () => {
  // From a billionth to a million, both signs: as it is printed it is read back, to the digits that were shown.
  const size = fc
    .tuple(fc.double({ min: -9, max: 6, noNaN: true }), fc.constantFrom(1, -1))
    .map(([e, sign]) => sign * 10 ** e);
  it.each((Object.keys(quantityKinds) as QuantityKind[]).filter((kind) => kind !== 'gaugeAwg' && kind !== 'money'))(
    '%s',
    (kind) => {
      fc.assert(
        fc.property(size, (number) => {
          const text = usualPrinter.quantity(kind, number);
          const read = parseQuantity(kind, text);
          expect(read.ok ? 'read' : `${text}: ${read.problem}`).toBe('read');
          if (!read.ok || read.value === 0) return;
          // Counts are whole, and what is told of minutes and lengths stops at the last digit that anyone measures.
          if (Math.abs(number) >= 0.1 && kind !== 'count') expect(Math.abs(read.value / number - 1)).toBeLessThan(0.06);
        }),
        { seed: 7, numRuns: 300 },
      );
    },
  );
});
