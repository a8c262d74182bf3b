import { createHash } from 'node:crypto';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyDesign } from '../../tests/anyDesign.ts';
import { demoPlan } from '../../tests/designs.ts';
import { readPartsCsv, readStockCsv } from '../parts/index.ts';
import { createPlan, type Plan } from '../plan/index.ts';
import type { Units } from '../units/index.ts';
import {
  type BelongingName,
  type Belongings,
  belongingNames,
  type DeskCard,
  isBelonging,
  joinBelongings,
} from './index.ts';
import { packWorkshop, readBelonging, unpackWorkshop, type Workshop } from './reading.ts';

const hashOf = (text: string): string => createHash('sha256').update(text).digest('hex');
const pack = (workshop: Workshop): ReadonlyMap<string, string> =>
  packWorkshop(workshop, { madeAt: '2026-11-26T10:00:00Z', hashOf });
const nothing: Belongings = { desk: [], drawer: [], 'own-parts': [], units: [] };
const problemsOf = (files: ReadonlyMap<string, string>): readonly string[] => {
  const read = unpackWorkshop(files, hashOf);
  return read.ok ? [] : read.problems.map(({ place, message }) => `${place}: ${message}`);
};

/** Letters of every script, and some that mean something to file systems, tables and scripts. */
const anyText = fc.string({ unit: 'grapheme', maxLength: 60 });
const anyCard: fc.Arbitrary<DeskCard> = fc.record({
  id: fc.uuid(),
  sum: fc.constantFrom('led-resistor', 'runtime', 'gone'),
  texts: fc.dictionary(fc.constantFrom('supply', 'wanted', 'note'), anyText),
});
const drawer = readStockCsv('kind,name,count,resistance\nresistor,grey,12,4k7\ncell,Ω 灯,3,\n').items;
const inches: Units = { length: 'in', wire: 'mm²', temperature: '°F', currency: '€' };
const parts = readPartsCsv('kind,like,name,price\nled,led-5mm-white,Lantern white,0.2\n').parts;
const anyPlan: fc.Arbitrary<Plan> = fc
  .record({ id: fc.uuid({ version: 4 }), name: anyText, design: anyDesign })
  .map(({ id, name, design }) => createPlan({ id, name: name.trim() === '' ? 'x' : name.trim(), design }));

describe('the files of a workshop', () => {
  it('are read back as they were packed, whatever its plans are and are called', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.record({ plan: anyPlan, putAway: fc.boolean() }), {
          maxLength: 4,
          selector: ({ plan }) => plan.id,
        }),
        fc.uniqueArray(anyCard, { maxLength: 4, selector: ({ id }) => id }),
        (plans, desk) => {
          // What the reader of plans makes of it is what is kept: texts that can’t be stored are mended there.
          const workshop = { plans, belongings: { desk, drawer, 'own-parts': parts, units: [inches] } };
          const read = unpackWorkshop(pack(workshop), hashOf);
          if (!read.ok) throw new Error(JSON.stringify(read.problems));
          const again = unpackWorkshop(pack(read.workshop), hashOf);
          expect(again).toEqual(read);
          expect(read.workshop.plans.map(({ plan, putAway }) => [plan.id, putAway])).toEqual(
            plans.map(({ plan, putAway }) => [plan.id, putAway]),
          );
          expect(read.workshop.belongings.desk).toEqual(desk);
          expect(read.workshop.belongings.drawer).toEqual(drawer);
          expect(read.workshop.belongings['own-parts']).toEqual(parts);
          expect(read.workshop.belongings.units).toEqual([inches]);
        },
      ),
      { numRuns: 25, seed: 7 },
    );
  });

  it('have names of their own that every system takes', () => {
    const names = ['Kelp', 'kelp', '  KELP!', '../../etc/passwd', 'a/b\\c:d*e?"<>|', '...', '灯の海', 'x'.repeat(200)];
    const plans = names.map((name, i) => ({
      plan: { ...demoPlan(), id: `6f1d0c52-3b6e-4f0a-9a51-2c7d5b1e7b0${i}`, name },
      putAway: false,
    }));
    const files = [...pack({ plans, belongings: nothing }).keys()].filter((file) => file.startsWith('plans/'));
    expect(files).toHaveLength(names.length);
    expect(new Set(files.map((file) => file.toLowerCase())).size).toBe(names.length);
    for (const file of files) expect(file).toMatch(/^plans\/[\p{L}\p{N}-]{1,64}\.glimmer\.json$/u);
  });

  it('that the list does not name are left out, and what it names must be there', () => {
    const files = pack({ plans: [{ plan: demoPlan(), putAway: false }], belongings: nothing });
    expect(problemsOf(new Map([...files, ['plans/stray.glimmer.json', 'rubbish']]))).toEqual([]);
    for (const file of files.keys()) {
      const without = new Map([...files].filter(([name]) => name !== file));
      expect(problemsOf(without)).toEqual([
        expect.stringMatching(file === 'workshop.json' ? /has no workshop/ : /is missing/),
      ]);
    }
  });

  it('tell of every plan that is wrong, not of the first alone', () => {
    const plans = [1, 2, 3].map((i) => ({
      plan: { ...demoPlan(), id: `6f1d0c52-3b6e-4f0a-9a51-2c7d5b1e7b1${i}`, name: `Piece ${i}` },
      putAway: false,
    }));
    const files = new Map(pack({ plans, belongings: nothing }));
    let list = files.get('workshop.json') ?? '';
    for (const file of ['plans/piece-1.glimmer.json', 'plans/piece-3.glimmer.json']) {
      const before = files.get(file) ?? '';
      const after = before.replace('"hoursWanted": 3', '"hoursWanted": "three"');
      files.set(file, after);
      list = list.replace(hashOf(before), hashOf(after));
    }
    files.set('workshop.json', list);
    const told = problemsOf(files);
    expect(told).toHaveLength(2);
    for (const [i, number] of [1, 3].entries())
      expect(told[i]).toBe(
        `plans/piece-${number}.glimmer.json, design.piece.hoursWanted: found "three"; must be a number`,
      );
  });

  it.each([
    ['nothing', '', /is not JSON; the archive is damaged/],
    ['null', 'null', /workshop\.json, the document: found null/],
    ['a list', '[]', /must be a group of fields/],
    [
      'another format',
      '{"format":"something else","version":1}',
      /format: found "something else"; allowed: unruly-glimmer-workshop/,
    ],
    [
      'a path for a hash',
      '{"format":"unruly-glimmer-workshop","version":1,"madeAt":"","plans":[{"file":"a","sha256":"../a","putAway":false}],"belongings":[]}',
      /sha256/,
    ],
    [
      'a belonging of no workshop',
      '{"format":"unruly-glimmer-workshop","version":1,"madeAt":"","plans":[],"belongings":[{"file":"a","sha256":"' +
        'a'.repeat(64) +
        '","name":"constructor"}]}',
      /constructor: is nothing that a workshop has/,
    ],
  ])('with %s for a list are refused', (_what, text, says) => {
    expect(problemsOf(new Map([['workshop.json', text]])).join('\n')).toMatch(says);
  });

  it('with a desk that is no JSON are refused, though it is just as it was packed', () => {
    const files = new Map(pack({ plans: [], belongings: nothing }));
    const before = files.get('workshop/desk.json') ?? '';
    const list = files.get('workshop.json') ?? '';
    files.set('workshop/desk.json', '[{');
    files.set('workshop.json', list.replace(hashOf(before), hashOf('[{')));
    // Three belongings that are empty have one hash: only the first of them is the desk’s.
    expect(problemsOf(files)).toContain('workshop/desk.json, the document: found nothing; must be a list in [ ]');
  });

  it('with one plan twice are refused: which of the two nobody could say', () => {
    const plan = demoPlan();
    const files = pack({
      plans: [
        { plan, putAway: false },
        { plan: { ...plan, name: 'Another' }, putAway: false },
      ],
      belongings: nothing,
    });
    expect(problemsOf(files)).toEqual([expect.stringMatching(/^Another: is in the archive twice/)]);
  });
});

describe('what a workshop has beside its plans', () => {
  const examples: Belongings = {
    desk: [{ id: 'a', sum: 'runtime', texts: {} }],
    drawer,
    'own-parts': parts,
    units: [inches],
  };

  it.each(belongingNames)('%s: what it gives is what it takes', (name: BelongingName) => {
    expect(isBelonging(name)).toBe(true);
    expect(examples[name].length).toBeGreaterThan(0);
    expect(readBelonging(name, JSON.parse(JSON.stringify(examples[name])))).toEqual({
      ok: true,
      value: examples[name],
    });
  });

  it.each(belongingNames)('%s: rubbish is refused with its place, and never throws', (name: BelongingName) => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        const read = readBelonging(name, value);
        if (read.ok) expect(read.value).toEqual(value);
        else for (const { place, message } of read.problems) expect(`${place}${message}`).not.toBe('');
      }),
      { numRuns: 200, seed: 9 },
    );
  });

  it('knows its own names alone', () => {
    for (const name of ['constructor', '__proto__', 'toString', '', 'Desk']) expect(isBelonging(name)).toBe(false);
  });
});

describe('two states of a desk as one', () => {
  const anyDesk = fc.uniqueArray(
    fc.record({
      id: fc.constantFrom('a', 'b', 'c', 'd', 'constructor'),
      sum: fc.constantFrom('runtime', 'led-resistor'),
      texts: fc.constant({}),
    }),
    { selector: ({ id }) => id },
  );
  const idsOf = (desk: readonly DeskCard[]): string[] => desk.map(({ id }) => id);

  it('have every card of either, each once, and of a card in both mine', () => {
    fc.assert(
      fc.property(anyDesk, anyDesk, (mine, other) => {
        const joined = joinBelongings('desk', mine, other);
        expect(new Set(idsOf(joined))).toEqual(new Set([...idsOf(mine), ...idsOf(other)]));
        expect(new Set(idsOf(joined)).size).toBe(joined.length);
        expect(joined.slice(0, mine.length)).toEqual(mine);
      }),
      { seed: 11 },
    );
  });

  it('joined again with either are the same', () => {
    fc.assert(
      fc.property(anyDesk, anyDesk, (mine, other) => {
        const joined = joinBelongings('desk', mine, other);
        expect(joinBelongings('desk', joined, mine)).toEqual(joined);
        expect(joinBelongings('desk', joined, other)).toEqual(joined);
      }),
      { seed: 12 },
    );
  });

  it('of a drawer go by what a thing is, not by how many there are', () => {
    const [grey] = drawer;
    if (!grey) throw new Error('there is a resistor in the drawer');
    const fewer = { ...grey, count: 3 };
    const salvaged = { ...grey, condition: 'salvaged' as const };
    expect(joinBelongings('drawer', [fewer], [grey, salvaged])).toEqual([fewer, salvaged]);
  });
});
