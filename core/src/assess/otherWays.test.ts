import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { type Assessment, assess } from '../assess.ts';
import { figuresOf } from '../figures/index.ts';
import type { Edit } from '../items/index.ts';
import { builtInLibrary, findPart, type OwnPart } from '../parts/index.ts';
import { applyEdits, type Design } from '../plan/index.ts';
import { readPlanText } from '../plan/reading.ts';
import { usualPrinter } from '../units/index.ts';

// What must hold whatever the formulas are: the plans that ship, changed in a way whose outcome is known beforehand.

const folder = new URL('../../../demo/', import.meta.url);
const plans = readdirSync(folder).map((file) => {
  const read = readPlanText(readFileSync(new URL(file, folder), 'utf8'));
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  const { design } = read.plan;
  return [read.plan.name, design, assess(design)] as const;
});

const numbersOf = (assessment: Assessment): Readonly<Record<string, number | null>> =>
  Object.fromEntries(Object.entries(figuresOf(assessment)).map(([name, figure]) => [name, figure.likely]));

/** Each number to nine digits: sums in another order differ in the last. */
const nearly = (numbers: Readonly<Record<string, number | null>>) =>
  Object.fromEntries(
    Object.entries(numbers).map(([name, value]) => [name, value === null ? null : expect.closeTo(value, 9)]),
  );

/** Every run at the gauge that it has, at its length times a factor. */
const atLength = (assessment: Assessment, factor: number): readonly Edit[] =>
  assessment.runs.flatMap((run): Edit[] =>
    run.lengthMm === null
      ? []
      : [{ kind: 'run', id: run.id, fields: { lengthMm: run.lengthMm * factor, gaugeAwg: run.gaugeAwg } }],
  );

/** The same design on packs of so many times the capacity, all else as it was. */
function withCapacity(design: Design, factor: number): Design {
  const own: OwnPart[] = [];
  const items = design.items.map((item) => {
    if (item.kind !== 'pack' || item.part === null) return item;
    const part = findPart(builtInLibrary, 'pack', item.part);
    if (!part) return item;
    own.push({
      ...part,
      id: `own-${part.id}`,
      like: part.id,
      capacityMah: { ...part.capacityMah, likely: part.capacityMah.likely * factor },
    });
    return { ...item, part: `own-${part.id}` };
  });
  return { ...design, items, ownParts: [...new Map(own.map((part) => [part.id, part])).values()] };
}

const dimmed = (design: Design, factor: number): Design =>
  applyEdits(
    design,
    design.moods.list.map(
      (mood): Edit => ({
        kind: 'mood',
        id: mood.id,
        fields: { brightness: mood.brightness * factor },
      }),
    ),
  );

describe.each(plans)('%s', (_name, design, assessment) => {
  const runs = assessment.supply?.runsFor;

  it('comes to the same whichever item was placed first', () => {
    const turned = assess({ ...design, items: [...design.items].reverse() });
    expect(numbersOf(turned)).toEqual(nearly(numbersOf(assessment)));
    // Colours are handed out in the order of the plan; what is bought of each gauge is not.
    const bought = (each: Assessment) =>
      each.shopping
        .map((line) => `${usualPrinter.message(line.name).replace(/(gauge), .*/, '$1')} ${line.quantity.toFixed(6)}`)
        .sort();
    expect(bought(turned)).toEqual(bought(assessment));
    const ends = (each: Assessment) => each.runs.map((run) => [run.from.name, run.to.name].sort().join(' – ')).sort();
    expect(ends(turned)).toEqual(ends(assessment));
  });

  it('costs what its shopping list adds up to', () => {
    const sum = assessment.shopping.reduce((total, line) => total + line.quantity * line.unitPrice, 0);
    expect(figuresOf(assessment).costPerCopy.likely).toBeCloseTo(sum, 6);
  });

  it('saying of each wire what is reckoned changes nothing; twice as long, a wire loses twice as much', () => {
    const same = assess(applyEdits(design, atLength(assessment, 1)));
    expect(same.runs.map((run) => run.dropV)).toEqual(assessment.runs.map((run) => expect.closeTo(run.dropV, 9)));
    const longer = assess(applyEdits(design, atLength(assessment, 2)));
    const before = new Map(assessment.runs.map((run) => [run.id, run]));
    for (const run of longer.runs) {
      const was = before.get(run.id);
      if (was?.lengthMm === null || run.peakA !== was?.peakA) continue;
      expect(run.dropV, run.name).toBeCloseTo(2 * (was?.dropV ?? 0), 9);
    }
  });

  it('loses in copper what its gauge says: 0.127 mm × 92 to the power of (36 − gauge) / 39 across', () => {
    for (const run of assessment.runs) {
      if (run.lengthMm === null || run.peakA === null || run.peakA === 0) continue;
      const acrossMm = 0.127 * 92 ** ((36 - run.gaugeAwg) / 39);
      const ohmPerMm = 0.01724 / 1000 / ((Math.PI / 4) * acrossMm ** 2);
      // Out and back, or the one way of a signal.
      const ways = run.dropV / (run.peakA * run.lengthMm * ohmPerMm);
      expect(ways, run.name).toBeGreaterThan(0.9);
      expect(ways, run.name).toBeLessThan(2.3);
    }
  });

  it('runs about twice as long on twice the capacity, and takes no more from it', () => {
    const twice = assess(withCapacity(design, 2));
    const ratio = (twice.supply?.runsFor?.likelyH ?? 0) / (runs?.likelyH ?? 1);
    expect(ratio).toBeGreaterThan(1.8);
    expect(ratio).toBeLessThan(2.4);
    expect(numbersOf(twice).peakA).toBeCloseTo(numbersOf(assessment).peakA ?? 0, 9);
  });

  it('runs no longer in the cold, and no longer for one who is cautious', () => {
    const cold = assess({ ...design, piece: { ...design.piece, ambientC: -5 } }).supply?.runsFor;
    expect(cold?.likelyH ?? 0).toBeLessThanOrEqual((runs?.likelyH ?? 0) + 1e-9);
    expect(runs?.cautiousH ?? 0).toBeLessThanOrEqual(runs?.likelyH ?? 0);
    expect(cold?.cautiousH ?? 0).toBeLessThanOrEqual(cold?.likelyH ?? 0);
  });

  it('draws no more and runs no shorter when every mood is at half its brightness', () => {
    const dim = assess(dimmed(design, 0.5));
    const [was, is] = [numbersOf(assessment), numbersOf(dim)];
    expect(is.peakA ?? 0).toBeLessThanOrEqual((was.peakA ?? 0) + 1e-9);
    expect(is.usualA ?? 0).toBeLessThanOrEqual((was.usualA ?? 0) + 1e-9);
    expect(is.restA ?? 0).toBeCloseTo(was.restA ?? 0, 9);
    expect(dim.supply?.runsFor?.likelyH ?? 0).toBeGreaterThanOrEqual((runs?.likelyH ?? 0) - 1e-9);
  });

  it('at rest draws no more than usual, and usually no more than at its peak', () => {
    const { restA, usualA, peakA } = numbersOf(assessment);
    expect(restA ?? 0).toBeLessThanOrEqual((usualA ?? 0) + 1e-9);
    expect(usualA ?? 0).toBeLessThanOrEqual((peakA ?? 0) + 1e-9);
  });

  it('comes to the same with one more hollow that nothing sits in, and one more mood that nothing reaches', () => {
    const [first] = design.moods.list;
    const spare: Design = {
      ...design,
      hollows: [...design.hollows, ...design.hollows.slice(0, 1).map((hollow) => ({ ...hollow, id: 'spare' }))],
      moods: {
        ...design.moods,
        list: [...design.moods.list, ...(first ? [{ ...first, id: 'unreached', brightness: 0.01 }] : [])],
      },
    };
    const { ceiling: _lowestOfAll, ...numbers } = nearly(numbersOf(assessment));
    expect(numbersOf(assess(spare))).toMatchObject(numbers);
  });
});
