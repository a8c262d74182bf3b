import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoPlan } from '../../tests/designs.ts';
import { builtInLibrary, type OwnPart, ownColumns, readPartsCsv, writePartsCsv } from '../parts/index.ts';
import { usualPrinter } from '../units/index.ts';
import { ownPartSchema } from './ownPartSchema.ts';
import { readPlan } from './reading.ts';

const families = Object.keys(ownColumns) as (keyof typeof ownColumns)[];
const likes = [...builtInLibrary.parts.values()].filter(({ kind }) => families.includes(kind as never));
const cells = (line: readonly string[]): string => line.map((cell) => `"${cell.replaceAll('"', '""')}"`).join(',');

/** What some columns say in words. */
const worded: Readonly<Record<string, Readonly<Record<string, readonly string[]>>>> = {
  controller: {
    size: ['51 x 21 x 5 mm', '30 × 20.5 × 4'],
    regulator: ['none', '0.3 V', 'lifts, 0.2 V'],
    'converter counts to': ['its supply', '1.1 V'],
    pins: ['D2 out data; A0 analog in; TX out @ tells while it starts'],
  },
  protection: { 'comes back by': ['load off', 'charger'] },
  pack: {
    'at rest': ['100 %: 8.4 V; 50 %: 7.5 V; 0 %: 6 V', '0 %: 2 V; 100 %: 3 V'],
    'resistance over charge': ['100 %: 120 mΩ; 0 %: 0.3 Ω'],
  },
};

/** A line of a maker's table about a part like this one, some of its figures said, each within or at its bounds. */
const anyLine = fc.constantFrom(...likes).chain(({ kind, id }) => {
  const columns = Object.entries(ownColumns[kind as keyof typeof ownColumns]);
  const inWords = Object.entries(worded[kind] ?? {});
  return fc
    .record({
      name: fc.oneof(
        fc.constantFrom('Odd one', '深海の灯', 'Ñandú 3', '=SUM(1)', "O'Brien", 'λαμπ', 'a "quoted" one'),
        fc
          .string({ unit: 'grapheme', minLength: 1, maxLength: 30 })
          .map((text) => `x${text.replace(/\s/g, ' ').trim()}`),
      ),
      said: fc.tuple(
        ...columns.map(([, { least, most, kind: quantity }]) =>
          fc.option(
            fc
              .oneof(fc.constantFrom(least, most), fc.double({ min: least, max: most, noNaN: true }))
              .map((value) => usualPrinter.forEditing(quantity, value)),
          ),
        ),
        ...inWords.map(([, texts]) => fc.option(fc.constantFrom(...texts))),
      ),
    })
    .map(({ name, said }) => ({
      headings: [...columns, ...inWords].map(([heading]) => heading),
      line: [kind, id, name, ...said.map((value) => value ?? '')],
    }));
});

describe('parts of the maker’s own, from a table into a plan', () => {
  it('every part of the library can be the like of one, the invisible ones too', () => {
    const lines = likes.map(({ kind, id }, i) => cells([kind, id, `Like ${i}`]));
    const { parts, problems } = readPartsCsv(`kind,like,name\n${lines.join('\n')}\n`);
    expect(problems).toEqual([]);
    for (const part of parts) expect(ownPartSchema.safeParse(part).success, part.like).toBe(true);
    expect(parts.some((part) => part.kind === 'led' && part.invisible !== undefined)).toBe(true);
  });

  it('what the reader takes the plan keeps, and the table gives back', () => {
    fc.assert(
      fc.property(anyLine, ({ headings, line }) => {
        const { parts, problems } = readPartsCsv(`${cells(['kind', 'like', 'name', ...headings])}\n${cells(line)}\n`);
        const [part] = parts;
        if (!part) {
          expect(problems).toHaveLength(1);
          return;
        }
        const plan = demoPlan();
        const read = readPlan({ ...plan, design: { ...plan.design, ownParts: [part] } });
        expect(read.ok ? read.plan.design.ownParts : read.problems).toEqual([part]);
        expect(readPartsCsv(writePartsCsv([part]))).toEqual({ parts: [part], problems: [] });
      }),
      { numRuns: 400, seed: 3 },
    );
  });

  it('names of other scripts are told apart by their ids', () => {
    const lines = ['深海の灯', '深海の火', 'λαμπ', 'Odd one'].map((name) => cells(['led', likes[0]?.id ?? '', name]));
    const { parts, problems } = readPartsCsv(`kind,like,name\n${lines.join('\n')}\n`);
    expect(problems).toEqual([]);
    expect(new Set(parts.map((part: OwnPart) => part.id)).size).toBe(4);
    expect(parts.at(-1)?.id).toBe('own-odd-one');
  });
});
