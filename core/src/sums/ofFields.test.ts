import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyDesign } from '../../tests/anyDesign.ts';
import { itemOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { checkDesign } from '../findings/index.ts';
import { rowsOf } from '../items/index.ts';
import type { Design, Item } from '../plan/index.ts';
import { readPlanText } from '../plan/reading.ts';
import { usualPrinter } from '../units/index.ts';
import { answerSum, answerToJson, askOfField, findSum, hasSum, sumOfField, textsOfField } from './index.ts';

const demos = new URL('../../../demo/', import.meta.url);
/** Fields that stand on a sheet by themselves, beside the rows of their kind. */
const besides = ['light.resistorOhm', 'light.switchedBy.rows', 'pixel tape.lengthMm', 'plain tape.lengthMm'];

const asked = readdirSync(demos).flatMap((file) => {
  const read = readPlanText(readFileSync(new URL(file, demos), 'utf8'));
  if (!read.ok) throw new Error(file);
  const { design } = read.plan;
  const assessment = assess(design);
  return design.items.flatMap((item) => {
    const fields = [
      ...rowsOf(item).map(({ field }) => field),
      ...besides.map((key) => key.split('.').slice(1).join('.')),
    ];
    return [...new Set(fields)].flatMap((field) => {
      const found = askOfField(field, { item, design, assessment });
      return found ? [{ file, design, item, field, assessment, ...found }] : [];
    });
  });
});

/** As a card has it: each value written down as a person would, and read again. */
const answerOf = (each: (typeof asked)[number]) => {
  const { sum } = each;
  const texts = textsOfField(each, usualPrinter);
  const answered = answerSum(sum, texts, usualPrinter);
  if (!answered.ok) throw new Error(JSON.stringify({ sum: sum.name, texts, problems: answered.problems }));
  return answered.answer;
};

describe('a sum out of a field of a plan', () => {
  it('names sums that there are, and rows that there are', () => {
    for (const name of Object.values(sumOfField)) expect(findSum(name), name).toBeDefined();
    expect(hasSum('light.name')).toBe(false);
  });

  it('is asked out of the pieces that ship, nearly every one of them, and answers', () => {
    const answered = new Set(asked.map(({ item, field }) => `${item.kind}.${field}`));
    expect([...answered].sort()).toEqual(
      expect.arrayContaining([
        'light.resistorOhm',
        'light.inSeries',
        'pack.fuseA',
        'pack.capacityMah',
        'converter.part',
        'light.switchedBy.rows',
        'guide.gapMm',
        'load.startA',
      ]),
    );
    expect(answered.size).toBeGreaterThanOrEqual(15);
    expect(asked.length).toBeGreaterThan(150);
    for (const each of asked) expect(answerOf(each).results.length).toBeGreaterThan(0);
  });

  it('asks a board by its longest line: the frame that it sends is that of the plan, and all else of its loop is work', () => {
    const boards = asked.filter(({ item, field }) => item.kind === 'board' && field === 'part');
    expect(boards.length).toBeGreaterThan(5);
    for (const each of boards) {
      const { assessment, item } = each;
      const lines = assessment.dataLines.filter(({ board }) => board?.id === item.id).map(({ line }) => line.frameS);
      const loop = assessment.programs.find(({ board }) => board.id === item.id)?.loop;
      const answer = answerOf(each);
      const frame = answer.results.find(({ key }) => key === 'frameS');
      expect(frame?.form === 'figure' ? frame.value : null).toBeCloseTo(Math.max(...lines), 5);
      expect(Number(answer.values.workS)).toBeCloseTo(
        (loop?.computeS ?? 0) + (loop?.senseS ?? 0) + (loop?.sendS ?? 0) - Math.max(...lines),
        4,
      );
    }
  });

  it('stops nobody where the plan itself does not, whatever it is asked out of', () => {
    // These ask what the plan does not do: to charge what is never charged, to light all colours at full, another resistor.
    const asksElse = new Set(['never-charge', 'supply-short', 'resistor-power']);
    const designs = [
      ...asked.map(({ design }) => design).filter((design, i, all) => all.indexOf(design) === i),
      ...fc.sample(anyDesign, { numRuns: 60, seed: 3 }),
    ];
    const stopped = designs.flatMap((design) => {
      const assessment = assess(design);
      const inPlan = checkDesign(design, assessment).filter(({ gravity }) => gravity === 'stop');
      return design.items.flatMap((item) =>
        rowsOf(item).flatMap(({ field }) => {
          const found = askOfField(field, { item, design, assessment });
          const answered = found && answerSum(found.sum, textsOfField(found, usualPrinter), usualPrinter);
          // What a plan says is written down as a sum reads it.
          if (answered && !answered.ok) expect(JSON.stringify(answered.problems)).not.toContain('unit known here');
          const own = answered?.ok ? answered.answer.findings : [];
          return own
            .filter(({ id, gravity }) => gravity === 'stop' && !asksElse.has(id))
            .map(({ what }) => ({ told: `${item.kind}.${field}: ${usualPrinter.message(what)}`, inPlan }));
        }),
      );
    });
    expect(stopped.length).toBeGreaterThan(5);
    for (const { told, inPlan } of stopped) expect(inPlan, told).not.toEqual([]);
  });

  it('a charge is asked with the pack’s own load and the charger at that pack: 86 mA at 5 V are 143 mA of the cell', () => {
    const oars = asked.find(({ file, item }) => file.startsWith('crews-oars') && item.kind === 'pack');
    if (!oars) throw new Error('no oars');
    const charger = (id: string, part: string, feed: string | null) =>
      itemOf('charger', { id, name: id, at: { xMm: 0, yMm: 0 }, part, feed });
    const charged = { ...oars.item, charging: 'in place, while it runs' } as Item;
    // Another pack with a charger of its own, named before.
    const other = itemOf('pack', {
      id: 'other',
      name: 'Other',
      at: { xMm: 0, yMm: 0 },
      part: 'pack-three-lithium-round',
    });
    const design: Design = {
      ...oars.design,
      items: [
        charger('strange', 'charger-lithium-2-1a', 'other'),
        other,
        ...oars.design.items.map((item) => (item.id === charged.id ? charged : item)),
        charger('own', 'charger-lithium-1-0a5', charged.id),
      ],
    };
    const found = askOfField('charging', { item: charged, design, assessment: assess(design) });
    expect(Number(found?.given.loadA)).toBeCloseTo(0.143, 3);
    expect(found?.given.chargerA).toBe(0.5);
  });

  it('its JSON asked again gives the same JSON', () => {
    const seen = new Set<string>();
    for (const each of asked) {
      if (seen.has(each.sum.name)) continue;
      seen.add(each.sum.name);
      const json = answerToJson(answerOf(each), usualPrinter);
      const again = answerSum(each.sum, json.inputs as Record<string, unknown>, usualPrinter);
      if (!again.ok) throw new Error(each.sum.name);
      expect(JSON.parse(JSON.stringify(answerToJson(again.answer, usualPrinter).results))).toEqual(
        JSON.parse(JSON.stringify(json.results)),
      );
    }
    expect(seen.size).toBeGreaterThanOrEqual(12);
  });

  it('a resistor is asked about with what the plan’s supply gives from spent to fresh', () => {
    let resistors = 0;
    for (const each of asked.filter(({ field }) => field === 'resistorOhm')) {
      const [driven, ...others] = each.assessment.driven.filter(({ itemId }) => itemId === each.item.id);
      // A transistor that is not full on has another resistance at either end of the pack: no supply of a sum knows that.
      if (!driven?.resistor || others.length > 0 || driven.scan || driven.resistor.overruled || driven.feed.endsOhm)
        continue;
      const { results } = answerOf(each);
      for (const key of ['brightestA', 'dimmestA'] as const)
        expect(results.find((result) => result.key === key)).toMatchObject({
          value: expect.closeTo(driven.corners[key], 6),
        });
      resistors += 1;
    }
    expect(resistors).toBeGreaterThanOrEqual(12);
  });

  it('puts back what the plan has: the resistor that it reckons itself, and whatever was only looked at', () => {
    let resistors = 0;
    for (const each of asked) {
      if (!each.back) continue;
      const value = each.back(answerOf(each));
      const now = each.field.split('.').reduce<unknown>((at, key) => (at as Record<string, unknown>)?.[key], each.item);
      if (each.field === 'resistorOhm') {
        const driven = each.assessment.driven.filter(({ itemId }) => itemId === each.item.id);
        if (driven.length !== 1 || driven[0]?.scan || driven[0]?.resistor?.overruled !== false) continue;
        expect(value, `${each.file} ${each.item.name}`).toBe(driven[0].resistor.resistorOhm);
        resistors += 1;
      } else if (
        typeof now === 'number' &&
        ['pullUpOhm', 'darkOhm', 'lowV', 'magnet.wallMm', 'diffuserMm', 'lengthMm'].includes(each.field)
      )
        expect(value, `${each.file} ${each.item.name} ${each.field}`).toBeCloseTo(now, 6);
    }
    expect(resistors).toBeGreaterThanOrEqual(15);
  });
});
