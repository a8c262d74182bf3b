import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { buildFromList, emittersOf, fedOf, terminal } from '../../tests/builtFromList.ts';
import { anyWholeDesign } from '../../tests/wholeDesign.ts';
import { assess } from '../assess.ts';
import { itemsOf } from '../items/index.ts';
import type { Design, Item } from '../plan/index.ts';
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
    placed: assessment.placed,
    wires,
    // What is soldered without a wire is in the list too, of no length and no colour.
    cut: wires.filter(({ colour }) => colour !== ''),
    bought: read(exportShoppingCsv(assessment, found.plan.design.piece.copies, usualPrinter)),
    program: exportProgram(found.plan, assessment, {}),
  };
});

const joinOf = (row: Row) => ({ from: row['begins at'] ?? '', to: row['ends at'] ?? '' });

/** `pin 4 of Board`, also where a transistor hangs on it. */
const pinOf = (text: string | undefined): string | null => /pin \S+ of .+$/.exec(text ?? '')?.[0] ?? null;

const grouped = (rows: readonly Row[], key: (row: Row) => string): ReadonlyMap<string, readonly Row[]> =>
  new Map([...new Set(rows.map(key))].map((each) => [each, rows.filter((row) => key(row) === each)]));

describe.each(plans)('$name', ({ plan, placed, wires, cut, bought, program }) => {
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
      ['begins at', 'ends at'].map((end) => [terminal(row[end] ?? ''), row.core ?? ''] as const),
    );
    for (const [place, core] of ends) {
      if (/\bplus( in| out|$)/.test(place) && !/minus/.test(place)) expect(core, place).not.toMatch(/^minus|minus of/);
      if (/\bminus( in| out| \d+|$)/.test(place) && !/channel/.test(core)) expect(core, place).not.toMatch(/plus/);
    }
  });

  it('a pin has one meaning, and the program has the same pins for the same things', () => {
    const byPin = grouped(
      cut.filter((row) => pinOf(row['begins at'])),
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
          wires.filter((row) => terminal(row['ends at'] ?? '') === `${name} ${pad}`),
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

  it('by the list alone everything has a whole way from plus and back to minus, each signal its pin, and nothing is shorted', () => {
    const built = buildFromList(plan.design, placed, wires.map(joinOf));
    expect(built.shorts).toEqual([]);
    expect(emittersOf(placed).length).toBeGreaterThan(0);
    for (const { plus, minus } of [...emittersOf(placed), ...fedOf(plan.design)]) {
      expect(built.reaches(plus, 'plus'), plus).toBe(true);
      expect(built.reaches(minus, 'minus'), minus).toBe(true);
    }
    const signals = wires.filter((row) => /^(signal|data)/.test(row.core ?? ''));
    for (const row of signals) expect(built.isOnPin(row['ends at'] ?? ''), row['ends at']).toBe(true);
  });

  it('nothing that the list has at a light can be left out', () => {
    const isAtLight = (row: Row): boolean =>
      placed.some(({ name }) => [row['begins at'], row['ends at']].some((end) => end?.startsWith(`${name} `))) &&
      !/^data/.test(row.core ?? '');
    for (const row of wires.filter(isAtLight)) {
      const built = buildFromList(plan.design, placed, wires.filter((each) => each !== row).map(joinOf));
      const isDark = emittersOf(placed).some(
        ({ plus, minus }) => !built.reaches(plus, 'plus') || !built.reaches(minus, 'minus'),
      );
      expect(isDark, `${row['begins at']} to ${row['ends at']}`).toBe(true);
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

it('so it is in any plan whose pins suffice: what hangs on a source has a whole way by the list alone', () => {
  fc.assert(
    fc.property(anyWholeDesign, (given) => {
      // Twins would be one terminal.
      const design: Design = { ...given, items: given.items.map((item, i) => ({ ...item, name: `Thing ${i}` })) };
      const assessment = assess(design);
      const list = read(exportWireCsv(assessment, usualPrinter)).map(joinOf);
      fc.pre(!list.some(({ from, to }) => /its pin/.test(from + to)));
      const built = buildFromList(design, assessment.placed, list);
      const feedsOf = (item: Item): readonly (string | null)[] => {
        const feed = 'after' in item && item.after !== null ? item.after : 'feed' in item ? item.feed : null;
        return 'other' in item ? [feed, item.other] : [feed];
      };
      const isFed = (id: string | null, depth = 0): boolean => {
        const item = design.items.find((each) => each.id === id);
        if (!item || depth > design.items.length) return false;
        const isSource = item.kind === 'pack' || item.kind === 'outside supply';
        return isSource || feedsOf(item).every((feed) => isFed(feed, depth + 1));
      };
      const hangsOn = new Map(assessment.driven.map(({ itemId, railId }) => [itemId, railId]));
      const fed = assessment.placed.filter(({ id, shape }) =>
        isFed(shape === 'pixels' ? id : (hangsOn.get(id) ?? null)),
      );
      expect(built.shorts).toEqual([]);
      for (const { plus, minus } of emittersOf(fed)) {
        expect(built.reaches(plus, 'plus'), plus).toBe(true);
        expect(built.reaches(minus, 'minus'), minus).toBe(true);
      }
    }),
    { seed: 31, numRuns: 60 },
  );
});

it.each([
  ['Anglerfish headdress', 'pin 7 of Board, through a level shifter and 330 Ω'],
  ['Anglerfish headdress', 'Upper jaw plus, with 1000 µF across to its minus'],
  ['Paddle-steamer handcart', 'Paddle, port plus, with a diode across to its minus, the ringed end here'],
])('%s: what stands in a wire or across its end is said where it stands: %s', (name, end) => {
  const ends = plans.find((each) => each.name === name)?.wires.flatMap((row) => [row['begins at'], row['ends at']]);
  expect(ends).toContain(end);
});
