import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  capitalise,
  celsius,
  gauge,
  joinMessages,
  mm,
  money,
  type Printer,
  parseUnits,
  printerFor,
  type QuantityKind,
  quantitiesOf,
  quantity,
  rulerFor,
  say,
  usualPrinter,
  usualUnits,
  volts,
} from './index.ts';

const inches = printerFor({ length: 'in', wire: 'mm²', temperature: '°F', currency: '€' });
const readValue = (printer: Printer, kind: QuantityKind, text: string): number => {
  const parsed = printer.parse(kind, text);
  if (!parsed.ok) throw new Error(parsed.problem);
  return parsed.value;
};

describe('quantities in a maker’s units', () => {
  it.each([
    // 25.4 mm and 9.525 mm are an inch and three eighths by definition.
    ['lengthMm', 25.4, '1 in'],
    ['lengthMm', 9.525, '3/8 in'],
    ['lengthMm', 34.925, '1 3/8 in'],
    ['lengthMm', 7.14375, '9/32 in'],
    ['lengthMm', -9.525, '−3/8 in'],
    // 3 mm are 0.11811 in: 7.56 sixty-fourths, which is no fraction.
    ['lengthMm', 3, '0.118 in'],
    ['lengthMm', 0, '0 in'],
    // Copper of 24 gauge: 0.5106 mm.
    ['lengthMm', 0.5106, '0.0201 in'],
    // 620 mm are 24.409 in: on a tape 24 7/16, 0.7 mm from it.
    ['lengthMm', 620, '24 7/16 in'],
    ['lengthMm', 152.4 * 100, '50.0 ft'],
    ['temperatureC', 0, '32 °F'],
    ['temperatureC', -40, '−40 °F'],
    ['temperatureC', 60, '140 °F'],
    ['temperatureRiseK', 10, '18 °F'],
    // d = 0.127 · 92^((36 − 24) / 39) = 0.5106 mm; π/4 · d² = 0.2047 mm².
    ['gaugeAwg', 24, '0.205 mm²'],
    ['money', 12.5, '€12.50'],
    ['money', -3, '−€3.00'],
    ['areaCm2', 6.4516, '1.00 in²'],
    ['currentA', 0.02, '20.0 mA'],
  ] as const)('%s %d is "%s"', (kind, value, text) => {
    expect(inches.quantity(kind, value)).toBe(text);
  });

  it('a bare number is in the maker’s unit, one with its unit is what it says', () => {
    expect(readValue(inches, 'lengthMm', '3/8')).toBeCloseTo(9.525, 12);
    expect(readValue(inches, 'lengthMm', '3 mm')).toBe(3);
    expect(readValue(usualPrinter, 'lengthMm', '3')).toBe(3);
    expect(readValue(inches, 'temperatureC', '212')).toBeCloseTo(100, 9);
    expect(readValue(usualPrinter, 'temperatureC', '212 °F')).toBeCloseTo(100, 9);
    expect(readValue(inches, 'temperatureRiseK', '18')).toBeCloseTo(10, 9);
    expect(readValue(inches, 'gaugeAwg', '0.2047')).toBeCloseTo(24, 1);
    expect(readValue(usualPrinter, 'gaugeAwg', '0.2047 mm²')).toBeCloseTo(24, 1);
    expect(readValue(inches, 'money', '€12.50')).toBe(12.5);
    expect(inches.parse('gaugeAwg', '-1').ok).toBe(false);
  });

  it('what a field shows is typed back without loss, in any units', () => {
    const kinds = ['lengthMm', 'temperatureC', 'temperatureRiseK', 'areaCm2', 'money'] as const;
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 900, noNaN: true }), fc.constantFrom(...kinds), (value, kind) => {
        for (const printer of [usualPrinter, inches]) {
          const back = readValue(printer, kind, printer.forEditing(kind, value));
          // Millimetres are shown to the hundredth and money to the cent; all else to six figures.
          expect(Math.abs(back - value), `${kind} ${printer.forEditing(kind, value)}`).toBeLessThan(
            0.0051 + value * 2e-6,
          );
        }
      }),
      { seed: 5 },
    );
  });

  it('a printed fraction of an inch is never farther off than a drill’s slack, on a tape half a sixteenth', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.2, max: 2000, noNaN: true }), (value) => {
        const off = Math.abs(readValue(inches, 'lengthMm', inches.quantity('lengthMm', value)) - value);
        expect(off).toBeLessThan(value < 152 ? 0.052 : 25.4 / 32 + 1e-9);
      }),
      { seed: 6 },
    );
  });
});

describe('a ruler along the picture', () => {
  it('has the finest ticks that can be told apart, in the maker’s unit', () => {
    // 640 mm in steps of 20 mm are 32 ticks, of 10 mm 64; 640 mm are 25.2 in: 26 ticks of an inch, 50.4 of a half.
    expect(rulerFor(640, usualUnits)).toMatchObject({ stepMm: 20, unit: 'mm' });
    expect(rulerFor(640, inches.units)).toMatchObject({ stepMm: 25.4, unit: 'in' });
    expect(rulerFor(640, inches.units).numberAt(10)).toBe(10);
    expect(rulerFor(2000, usualUnits).numberAt(10)).toBe(500);
  });
});

describe('messages', () => {
  const message = say`${'Jaw'} gets ${volts(12)} on ${mm(25.4)} of ${gauge(24)} at ${celsius(20)}, ${3} lights`;

  it('are printed in whoever’s units, and hold their quantities', () => {
    expect(usualPrinter.message(message)).toBe('Jaw gets 12.0 V on 25.4 mm of 24 gauge at 20 °C, 3 lights');
    expect(inches.message(message)).toBe('Jaw gets 12.0 V on 1 in of 0.205 mm² at 68 °F, 3 lights');
    expect(quantitiesOf(message)).toEqual([volts(12), mm(25.4), gauge(24), celsius(20)]);
  });

  it('within messages become part of them; words alone are a plain text, one quantity is itself', () => {
    const half = say`${say`at ${volts(5)}`}${''}`;
    expect(say`It stands ${half}.`).toEqual(['It stands at ', volts(5), '.']);
    expect(say`${'no'} ${'figure'}`).toBe('no figure');
    expect(say`${money(3)}`).toEqual(quantity('money', 3));
    expect(joinMessages([mm(3), 'and', say`${mm(4)} deep`], ' ')).toEqual([mm(3), ' and ', mm(4), ' deep']);
    expect(joinMessages([], ', ')).toBe('');
    expect(capitalise(say`it is ${mm(3)}`)).toEqual(['It is ', mm(3)]);
  });

  it('outlive a trip through JSON', () => {
    expect(inches.message(JSON.parse(JSON.stringify(message)))).toBe(inches.message(message));
  });
});

describe('units as words', () => {
  it.each([
    ['', usualUnits],
    ['in', { ...usualUnits, length: 'in' }],
    ['in, mm2, F, €', inches.units],
    ['MM,awg,C', usualUnits],
    ['kr', { ...usualUnits, currency: 'kr' }],
  ] as const)('"%s" is read', (text, units) => {
    expect(parseUnits(text)).toEqual({ ok: true, units });
  });

  it.each(['cm', 'k', 'furlong', '12', '<b>', 'constructor'])(
    '"%s" is refused, and what may be said is named',
    (text) => {
      const read = parseUnits(text);
      expect(read.ok ? '' : read.problem).toMatch(/mm or in, gauge or mm2, C or F/);
    },
  );
});
