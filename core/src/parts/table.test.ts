import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseQuantity } from '../units/index.ts';
import { readStockCsv, writeStockCsv } from './stock.ts';
import { readTable, writeTable } from './table.ts';

const columns = ['name', 'note', 'count'] as const;
const readAll = (text: string) => readTable(text, columns, (cell) => columns.map((column) => cell(column))).rows;
/** Texts as makers and mischief write them: formulas, quotes, line ends, other scripts. */
const anyText = fc
  .oneof(
    fc.string({ unit: 'grapheme', maxLength: 20 }),
    fc.constantFrom('=1+1', '+cmd', '-2', '@now', "'=already", 'a "b", c', 'two\nlines', 'Ünrühe Kiefer', '深海'),
    fc.stringMatching(/^[=+@-][a-z(]{1,6}$/),
  )
  .map((text) => text.trim().replace(/\r\n?/g, '\n'));

describe('tables that go out and come back', () => {
  it('come back as they were, whatever stands in a cell', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(anyText, anyText, fc.nat()), { maxLength: 6 }), (rows) => {
        // A line in which nothing stands is none; a count always stands there.
        const text = writeTable(
          columns,
          rows.map(([name, note, count]) => ({ name, note, count })),
        );
        expect(readAll(text)).toEqual(rows.map(([name, note, count]) => [name, note, `${count}`]));
      }),
    );
  });
  it('hold no cell that a spreadsheet would run, and leave figures as figures', () => {
    const text = writeTable(
      ['name', 'count'],
      [
        { name: '=HYPERLINK("x")', count: -4 },
        { name: '@sum', count: 2 },
        { name: '-5 V rail', count: 1 },
      ],
    );
    expect(text.split('\n').slice(1, 4)).toEqual(['"\'=HYPERLINK(""x"")",-4', "'@sum,2", '-5 V rail,1']);
  });
  it('the drawer keeps a name that looks like a formula', () => {
    const { items } = readStockCsv('kind,name,count,resistance\nresistor,=odd lot,4,4k7\n');
    expect(items[0]?.name).toBe('=odd lot');
    expect(readStockCsv(writeStockCsv(items)).items).toEqual(items);
  });
});

describe('where a table is wrong', () => {
  const wrong = (text: string) =>
    readTable(text, ['name'], (cell) => (cell('name') === 'bad' ? 'it is bad' : [cell('name')])).problems;
  it.each([
    ['at once', 'name\nbad\n', 2],
    ['after blank lines', 'name\n\n\nbad\n', 4],
    ['after a quoted cell of three lines', 'name\n"one\ntwo\nthree"\nbad\n', 5],
    ['with line ends of another system', 'name\r\n\r\n"one\r\ntwo"\r\nbad\r\n', 5],
    ['behind a byte-order mark', '\uFEFFname\nbad\n', 2],
  ] as const)('%s: its line is named', (_what, text, line) => {
    expect(wrong(text)).toEqual([{ line, problem: 'it is bad' }]);
  });
});

describe('texts of great length', () => {
  it.each([
    ['digits', '1'.repeat(50_000)],
    ['blanks in between', `1${' '.repeat(50_000)}A`],
    ['fractions', `${'1 '.repeat(20_000)}/2`],
  ])('%s are no quantity, and are not shown at length', (_what, text) => {
    const parsed = parseQuantity('currentA', text);
    expect(parsed.ok).toBe(false);
    if (!parsed.ok) expect(parsed.problem.length).toBeLessThan(120);
  });
});
