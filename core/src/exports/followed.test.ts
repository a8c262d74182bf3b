import { readdirSync, readFileSync } from 'node:fs';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { assess } from '../assess.ts';
import { itemsOf } from '../items/index.ts';
import { readPlanText } from '../plan/reading.ts';
import { usualPrinter } from '../units/index.ts';
import { exportProgram, exportShoppingCsv, exportWireCsv } from './index.ts';

// The lists as one who has nothing else follows them: read back from their text, not from what they were written of.

type Row = Readonly<Record<string, string>>;

const read = (csv: string): readonly Row[] => Papa.parse<Row>(csv, { header: true, skipEmptyLines: true }).data;

const folder = new URL('../../../demo/', import.meta.url);
const plans = readdirSync(folder).map((file) => {
  const found = readPlanText(readFileSync(new URL(file, folder), 'utf8'));
  if (!found.ok) throw new Error(JSON.stringify(found.problems));
  const assessment = assess(found.plan.design);
  const wires = read(exportWireCsv(assessment, usualPrinter));
  return {
    name: found.plan.name,
    plan: found.plan,
    wires,
    // What sits at one place is in the list too, of no length and no colour.
    cut: wires.filter(({ colour }) => colour !== ''),
    bought: read(exportShoppingCsv(assessment, found.plan.design.piece.copies, usualPrinter)),
    program: exportProgram(found.plan, assessment, {}),
  };
});

/** `pin 4 of Board`, also where a transistor hangs on it. */
const pinOf = (text: string | undefined): string | null => /pin \S+ of .+$/.exec(text ?? '')?.[0] ?? null;

const grouped = (rows: readonly Row[], key: (row: Row) => string): ReadonlyMap<string, readonly Row[]> =>
  new Map([...new Set(rows.map(key))].map((each) => [each, rows.filter((row) => key(row) === each)]));

describe.each(plans)('$name', ({ plan, wires, cut, bought, program }) => {
  it('every core begins and ends at something that is named, and not at the same place', () => {
    expect(wires.length).toBeGreaterThan(0);
    for (const row of wires) {
      expect(row['begins at']).toMatch(/\S/);
      expect(row['ends at']).toMatch(/\S/);
      expect(row['begins at']).not.toBe(row['ends at']);
    }
  });

  it('no place has a plus and a minus on it', () => {
    const ends = wires.flatMap((row) =>
      ['begins at', 'ends at'].map((end) => [row[end] ?? '', row.core ?? ''] as const),
    );
    for (const [place, core] of ends) {
      if (/\bplus( in| out|$)/.test(place) && !/minus/.test(place)) expect(core, place).not.toMatch(/^minus|minus of/);
      if (/\bminus( in| out| \d+|$)/.test(place) && !/channel/.test(core)) expect(core, place).not.toMatch(/plus/);
    }
  });

  it('a pin has one meaning, and the program has the same pins for the same things', () => {
    const byPin = grouped(
      wires.filter((row) => pinOf(row['begins at'])),
      (row) => pinOf(row['begins at']) ?? '',
    );
    for (const [pin, rows] of byPin) expect(new Set(rows.map((row) => row.core)).size, pin).toBe(1);
    const defined = Object.entries(program)
      .filter(([name]) => name.endsWith('pins.h'))
      .flatMap(([, text]) => [...text.matchAll(/^#define PIN_\w+ (\d+) \/\* (.*?) \*\/$/gm)])
      .map(([, number, what = '']) => [number ?? '', what.replace(/^Data of |, channel \d+$|,/g, '')] as const);
    const inList = [...byPin].map(([pin, [row]]) => [/^pin (\S+) of/.exec(pin)?.[1] ?? '', row] as const);
    expect(inList.map(([number]) => number).sort()).toEqual(defined.map(([number]) => number).sort());
    for (const [number, row] of inList)
      expect(
        defined.filter(
          ([each, what]) =>
            each === number && `${row?.run} ${row?.core} ${row?.['ends at']}`.replaceAll(',', '').includes(what),
        ),
        `${number}: ${row?.run}`,
      ).not.toEqual([]);
  });

  it('each pixel tape has its plus, its minus and its data', () => {
    for (const { name } of itemsOf(plan.design, 'pixel tape'))
      for (const pad of ['plus', 'minus', 'data in'])
        expect(
          wires.filter((row) => row['ends at'] === `${name} ${pad}`),
          `${name} ${pad}`,
        ).toHaveLength(1);
  });

  it.each([
    ['board', ['plus in', 'minus']],
    ['converter', ['in plus', 'in minus', 'out plus', 'out minus']],
    ['switch', ['a', 'b']],
  ] as const)('each %s is joined at %j', (kind, ports) => {
    const ends = wires.flatMap((row) => [row['begins at'] ?? '', row['ends at'] ?? '']);
    for (const { name } of itemsOf(plan.design, kind))
      for (const port of ports) {
        const pin = `${name} ${port}`;
        // A resistor may sit at the pin: "390 Ω before Votives 1, on Wick b".
        expect(
          ends.some((end) => end === pin || end.endsWith(`, on ${pin}`)),
          pin,
        ).toBe(true);
      }
  });

  it('the cores of one loom are told apart by their colours; minus is black, and nothing else is', () => {
    for (const [run, rows] of grouped(cut, (row) => row.run ?? '')) {
      expect(new Set(rows.map((row) => row.colour)).size, run).toBe(rows.length);
      expect(new Set(rows.map((row) => row['length mm'])).size, run).toBe(1);
      expect(new Set(rows.map((row) => row['gauge AWG'])).size, run).toBe(1);
    }
    for (const row of cut) expect(row.colour === 'black', `${row.run}: ${row.core}`).toBe(row.core === 'minus');
  });

  it('as much wire of each gauge and colour is bought as the list has', () => {
    const wanted = [...grouped(cut, (row) => `Wire, stranded, ${row['gauge AWG']} gauge, ${row.colour}`)].map(
      ([wire, rows]) => [wire, rows.reduce((sum, row) => sum + Number(row['length mm']), 0) / 1000] as const,
    );
    const inList = bought
      .filter((row) => row.part?.startsWith('Wire, stranded'))
      .map((row) => [row.part ?? '', Number(row['for one'])] as const);
    const sorted = (lines: readonly (readonly [string, number])[]) =>
      [...lines].sort(([a], [b]) => (a < b ? -1 : 1)).map(([wire, metres]) => `${wire}: ${metres.toFixed(3)} m`);
    expect(sorted(inList)).toEqual(sorted(wanted));
  });

  it('what is bought for all copies is what one takes, so many times, at its price', () => {
    for (const row of bought) {
      // One transmitter may work them all.
      const isShared =
        /transmitter/.test(row.part ?? '') &&
        plan.design.items.some((item) => 'transmitters' in item && item.transmitters === 'one for all copies');
      const inAll = Number(row['for one']) * (isShared ? 1 : plan.design.piece.copies);
      expect(Number(row['in all']), row.part).toBeCloseTo(inAll, 2);
      expect(Number(row.cost), row.part).toBeCloseTo(inAll * Number(row['unit price']), 1);
    }
  });
});
