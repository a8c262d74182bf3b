import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { assess } from './assess.ts';
import { judgeReading, listSteps } from './bench/index.ts';
import { compareRun, predictRun, tunePacks } from './logbook/index.ts';
import { readPlanText } from './plan/reading.ts';

const demos = new URL('../../demo/', import.meta.url);

describe.each(readdirSync(demos))('the log of %s', (file) => {
  const read = readPlanText(readFileSync(new URL(file, demos), 'utf8'));
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  const { design, bench, logbook } = read.plan;
  const assessment = assess(design);

  it('has readings, each of a step that there is, and right by the model', () => {
    const steps = new Map(listSteps(design, assessment).map((step) => [step.id, step]));
    expect(bench.readings.length).toBeGreaterThan(0);
    for (const { stepId, value } of bench.readings) {
      const expected = steps.get(stepId)?.expect;
      expect(expected, stepId).toBeDefined();
      if (expected) expect(judgeReading(expected, value).verdict, stepId).toBe('right');
    }
  });

  it('has a run test that the model explains: its prediction is what the plan says, and it came true', () => {
    const [test] = logbook.runTests;
    if (!test) throw new Error('no run test');
    // A test in a mood, or in other air than the evening’s, was predicted for that.
    if (test.moodId === null && test.ambientC === design.piece.ambientC) {
      const now = predictRun(design, assessment, { moodId: null, brightness: 1 });
      expect(Math.abs((test.predictedHours ?? 0) / (now?.hours ?? 0) - 1)).toBeLessThan(0.02);
      if (test.predictedWithMah !== undefined) expect(test.predictedWithMah).toBe(now?.capacityMah);
      if (assessment.standBy.length > 1) expect(test.predictedPackId).toBe(now?.packId);
    }
    expect(compareRun(test).say).toBe('as predicted');
    // What it says of a pack is near what that pack is sold with.
    for (const { nowMah, tuned } of tunePacks(assessment, logbook.runTests))
      expect(Math.abs(tuned.likely / nowMah - 1)).toBeLessThan(0.1);
    // Less than was likely, as cells are seldom better than they say; never less than with caution.
    expect(test.hours).toBeGreaterThan((assessment.runsFor?.cautiousH ?? 0) * 0.98);
  });

  it('is told in a few words of what was found, and its versions can be opened', () => {
    expect(logbook.entries.length).toBeGreaterThan(1);
    for (const version of logbook.versions) expect(assess(version.design).lightCount).toBeGreaterThan(0);
  });
});
