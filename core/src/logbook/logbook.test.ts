import { describe, expect, it } from 'vitest';
import { allDemos, demoPlan, moodOf, soundDesign, soundSimple, tapeOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { typical } from '../parts/index.ts';
import type { RunTest } from '../plan/index.ts';
import { type Message, usualPrinter } from '../units/index.ts';
import { compareRun, compareVersions, predictRun, summarise, tuneCapacity, tunePacks } from './index.ts';

const testOf = (hours: number, predictedHours: number | null): RunTest => ({
  id: 't',
  at: '2026-11-01T10:00:00Z',
  moodId: 'mood',
  moodName: 'Mood',
  brightness: 0.4,
  ambientC: 18,
  hours,
  predictedHours,
  note: '',
});

describe('run tests against predictions', () => {
  it('3.62, 3.71, 3.55 h: 3.63 ± 0.08 h, −7.0 % of 3.9 h', () => {
    const summary = summarise([3.62, 3.71, 3.55]);
    expect(summary?.mean).toBeCloseTo(3.627, 3);
    expect(summary?.deviation).toBeCloseTo(0.08, 2);
    expect((compareRun(testOf(3.627, 3.9)).deviation ?? 0) * 100).toBeCloseTo(-7, 1);
    expect(summarise([])).toBeNull();
  });
  it('0.41 of 0.98 is far off (−58 %)', () => {
    const compared = compareRun(testOf(0.41, 0.98));
    expect((compared.deviation ?? 0) * 100).toBeCloseTo(-58, 0);
    expect(compared.say).toMatch(/far off/);
    expect(compareRun(testOf(3, null)).say).toMatch(/no prediction/);
  });
  it('predicts one mood at one brightness: less light never ends sooner', () => {
    const design = soundDesign();
    const assessment = assess(design);
    const hours = [1, 0.6, 0.3, 0].map(
      (brightness) => predictRun(design, assessment, { moodId: 'mood', brightness })?.hours ?? 0,
    );
    expect(hours).toEqual([...hours].sort((a, b) => a - b));
    expect(predictRun(design, assessment, { moodId: 'gone', brightness: 1 })).toBeNull();
    expect(predictRun(design, assessment, { moodId: null, brightness: 1 })?.hours).toBe(
      assessment.supply?.runsFor?.likelyH,
    );
  });
  it('tuning finds the capacity that made the readings', () => {
    const true2000 = soundDesign({
      power: { ...soundSimple.power, capacityMah: { likely: 2000, spread: 0, origin: 'measured' } },
    });
    const guess = soundDesign();
    const predicted = predictRun(guess, assess(guess), { moodId: 'mood', brightness: 0.4 })?.hours ?? 0;
    const ran = predictRun(true2000, assess(true2000), { moodId: 'mood', brightness: 0.4 })?.hours ?? 0;
    const now = typical(3400, 200);
    const tuned = tuneCapacity(now, [testOf(ran, predicted)]);
    expect(Math.abs((tuned?.likely ?? 0) - 2000)).toBeLessThan(tuned?.spread ?? 0);
    expect(tuned?.origin).toBe('measured');
    expect(tuneCapacity(now, [])).toBeNull();
  });
});

it('a test speaks of the pack that was to end first: 13.7 of 14.2 h say 217 mAh of the coin cell, nothing of the other', () => {
  const reliquary = allDemos().find(([name]) => name.startsWith('Reef'))?.[1];
  if (!reliquary) throw new Error('no reliquary');
  const { design, logbook } = reliquary;
  const assessment = assess(design);
  expect(predictRun(design, assessment, { moodId: null, brightness: 1 })).toMatchObject({
    packId: 'coin',
    capacityMah: 225,
  });
  // 225 · 13.7 / 14.2 = 217.1.
  expect(tunePacks(assessment, logbook.runTests)).toMatchObject([
    { packId: 'coin', name: 'Coin cell', nowMah: 225, tuned: { likely: 217 } },
  ]);
  // One that does not say which of two packs it was speaks of neither.
  const unsaid = logbook.runTests.map(({ predictedPackId: _, ...test }) => test);
  expect(tunePacks(assessment, unsaid)).toEqual([]);
});

describe('versions side by side', () => {
  const jaw = (part: string) =>
    assess(
      soundDesign({
        tapes: [tapeOf({ part, lengthMm: 581 })],
        moods: { ...soundDesign().moods, list: [moodOf({ brightness: 1 })] },
      }),
    );
  it('a version against itself has no row', () => {
    const demo = assess(demoPlan().design);
    expect(compareVersions(demo, demo)).toEqual([]);
  });
  it('74 against 100 a metre on 581 mm: 42 and 58 lights (581 mm is a shade short of 43), 1.58 → 2.13 A white', () => {
    const [from, to] = [assess(soundDesign({ tapes: [tapeOf({ lengthMm: 583 })] })), jaw('pixel-tape-100')];
    expect(from.lightCount).toBe(43);
    expect(to.lightCount).toBe(58);
    // 43 · 36.8 mA and 58 · 36.8 mA, without the controller.
    expect(from.allWhiteA - 0.028).toBeCloseTo(1.58, 2);
    expect(to.allWhiteA - 0.028).toBeCloseTo(2.13, 2);
  });
  it('the other way round is the inverse', () => {
    const [a, b] = [jaw('pixel-tape-60'), jaw('pixel-tape-100')];
    const swapped = compareVersions(b, a).map(({ label, before, after, better }) => ({
      label,
      before: after,
      after: before,
      better: better === null ? null : better === 'after' ? 'before' : 'after',
    }));
    const order = (rows: readonly { label: Message }[]) =>
      [...rows].sort((x, y) => usualPrinter.message(x.label).localeCompare(usualPrinter.message(y.label)));
    expect(order(compareVersions(a, b))).toEqual(order(swapped));
  });
});
