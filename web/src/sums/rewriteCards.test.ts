import { quickSums, readInputs } from '@glimmer/core/sums';
import { type Printer, printerFor, usualPrinter } from '@glimmer/core/units';
import type { DeskCard } from '@glimmer/core/workshop';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exampleTexts } from './exampleTexts.ts';
import { rewriteCards } from './rewriteCards.ts';

const inches = printerFor({ length: 'in', wire: 'mm²', temperature: '°F', currency: '€' });
const card = (sum: string, texts: DeskCard['texts']): DeskCard => ({ id: 'a', sum, texts });
const rewritten = (sum: string, texts: DeskCard['texts'], before: Printer, after: Printer): DeskCard['texts'] =>
  rewriteCards([card(sum, texts)], before, after)[0]?.texts ?? {};
const valuesOf = (name: string, texts: DeskCard['texts'], printer: Printer): unknown => {
  const sum = quickSums.find((each) => each.name === name);
  const read = sum && readInputs(sum, texts, printer);
  return read?.ok ? read.values : null;
};

describe('the desk in other units', () => {
  it('gives a bare number the unit that it stood for, and leaves alone what says its own', () => {
    // 700 was millimetres; 1 A and 0.5 in say what they are.
    expect(rewritten('wire', { currentA: '1 A', lengthMm: '700' }, usualPrinter, inches)).toEqual({
      currentA: '1 A',
      lengthMm: '700 mm',
    });
    expect(rewritten('wire', { currentA: '1 A', lengthMm: '0.5 in' }, usualPrinter, inches).lengthMm).toBe('0.5 in');
    // And back: 10 was inches.
    expect(rewritten('wire', { currentA: '1 A', lengthMm: '10' }, inches, usualPrinter).lengthMm).toBe('10 in');
  });

  it('leaves what can’t be read as it was typed', () => {
    const unread: readonly DeskCard['texts'][] = [{ currentA: 'plenty', lengthMm: '700' }, {}];
    for (const texts of unread) expect(rewritten('wire', texts, usualPrinter, inches)).toEqual(texts);
    expect(rewritten('gone', { a: '1' }, usualPrinter, inches)).toEqual({ a: '1' });
  });

  it.each(quickSums.map(({ name }) => name))('%s stands for the same after it, from any bare numbers', (name) => {
    const sum = quickSums.find((each) => each.name === name);
    const keys = Object.entries(sum?.inputs ?? {}).flatMap(([key, input]) =>
      input.as === 'quantity' || input.as === 'optional' ? [key] : [],
    );
    if (keys.length === 0) return;
    fc.assert(
      fc.property(fc.constantFrom(...keys), fc.integer({ min: 1, max: 60 }), (key, number) => {
        const texts = { ...exampleTexts(name, usualPrinter), [key]: String(number) };
        const before = valuesOf(name, texts, usualPrinter);
        fc.pre(before !== null);
        const after = valuesOf(name, rewritten(name, texts, usualPrinter, inches), inches);
        for (const [each, value] of Object.entries(before as Record<string, unknown>))
          if (typeof value === 'number')
            expect((after as Record<string, number>)[each], `${key} ${number}: ${each}`).toBeCloseTo(value, 4);
          else expect((after as Record<string, unknown>)[each]).toEqual(value);
      }),
      { numRuns: 25, seed: 3 },
    );
  });
});
