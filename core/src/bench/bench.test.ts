import { describe, expect, it } from 'vitest';
import { demoPlan } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { emptyDesign } from '../plan/index.ts';
import { usualPrinter } from '../units/index.ts';
import { expectShare, findGates, judgeReading, listSteps, trackSteps } from './index.ts';

const { design } = demoPlan();
const steps = listSteps(design, assess(design));
const readingOf = (stepId: string, value: number, takenAt = '2026-11-01T10:00:00Z') => ({
  id: `${stepId}${takenAt}`,
  stepId,
  value,
  takenAt,
  note: '',
});

describe('expected readings', () => {
  it('0.98 A ± 6 % with a meter of ± 1.5 %: 0.907 to 1.053 A', () => {
    const expected = expectShare('currentA', 0.98, 0.06);
    expect(expected.low).toBeCloseTo(0.9065, 6);
    expect(expected.high).toBeCloseTo(1.0535, 6);
  });
  it.each([
    [0.98, 'right', /as expected/],
    [0.89, 'near', /just outside/],
    [0.41, 'wrong', /too low/],
    [980, 'wrong', /was it milli/],
    [9.8, 'wrong', /ten times/],
    [0, 'wrong', /no current/],
  ])('%d A is %s', (value, verdict, words) => {
    const judged = judgeReading(expectShare('currentA', 0.98, 0.06), value);
    expect(judged.verdict).toBe(verdict);
    expect(usualPrinter.message(judged.words)).toMatch(words);
  });
  it('178.6 for 180 Ω passes at −0.78 %', () => {
    const judged = judgeReading(expectShare('resistanceOhm', 180, 0.01), 178.6);
    expect(judged.verdict).toBe('right');
    expect(judged.deviation * 100).toBeCloseTo(-0.78, 2);
  });
  it('an amber light on the diode range, near 1 mA: its drop at 1 mA within its spread', () => {
    const drop = steps.find((step) => step.id === 'drop:eyes');
    // 1.78 ± 0.05 V, measured, widened by 1.5 %.
    expect(drop?.expect?.low).toBeCloseTo(1.73 * 0.985, 6);
    expect(drop?.expect?.high).toBeCloseTo(1.83 * 1.015, 6);
  });
  it('no short: anything from 1 kΩ up is right, a few ohms are a bridge', () => {
    const step = steps.find((each) => each.id === 'no-short');
    if (!step?.expect) throw new Error('expected a band');
    expect(judgeReading(step.expect, 25_000).verdict).toBe('right');
    expect(judgeReading(step.expect, 3)).toMatchObject({
      verdict: 'wrong',
      words: expect.arrayContaining([expect.stringContaining('bridge')]),
    });
  });
});

describe('the order of work', () => {
  const at = (id: string): number => steps.findIndex((step) => step.id === id);
  it('tests before power, power before light, closing last', () => {
    expect(at('resistor:eyes')).toBeLessThan(at('solder:light:eyes:l'));
    expect(at('no-short')).toBeLessThan(at('pack-voltage'));
    expect(at('pack-voltage')).toBeLessThan(at('converter-output'));
    expect(at('converter-output')).toBeLessThan(at('rest-current'));
    expect(at('mood:hunt')).toBeLessThan(at('close'));
    expect(at('close')).toBeLessThan(at('run-down'));
  });
  it('has one step for every wire, every channel and every mood, and no id twice', () => {
    const { runs, moods, driven } = assess(design);
    expect(steps.filter((step) => step.id.startsWith('solder:'))).toHaveLength(runs.length);
    expect(steps.filter((step) => step.id.startsWith('channel:'))).toHaveLength(driven.length);
    // Strike is above its ceiling: what collapses has no current to expect.
    expect(steps.filter((step) => step.id.startsWith('mood:')).length).toBeGreaterThanOrEqual(moods.length - 1);
    expect(new Set(steps.map((step) => step.id)).size).toBe(steps.length);
  });
  it('before closing names every test that is not right yet', () => {
    const none = trackSteps(steps, { readings: [], done: [] });
    expect(findGates(none, 'close')).toHaveLength(steps.slice(0, at('close')).filter((step) => step.expect).length);
    const all = trackSteps(steps, {
      readings: steps.flatMap((step) =>
        step.expect ? [readingOf(step.id, Number.isFinite(step.expect.likely) ? step.expect.likely : 1e5)] : [],
      ),
      done: [],
    });
    expect(findGates(all, 'close')).toEqual([]);
  });
  it('counts 66 pixels as the plan does', () => {
    const counted = steps.filter((step) => step.id.startsWith('cut:')).map((step) => step.expect?.likely);
    expect(counted).toEqual([43, 23]);
  });
  it('an empty plan has no steps', () => {
    expect(listSteps(emptyDesign, assess(emptyDesign))).toEqual([]);
  });
});

describe('progress', () => {
  it('takes the last reading, and a wrong one is not done', () => {
    const readings = [readingOf('resistor:eyes', 385), readingOf('resistor:eyes', 39, '2026-11-01T11:00:00Z')];
    const one = trackSteps(steps, { readings, done: [] }).find((each) => each.step.id === 'resistor:eyes');
    expect(one).toMatchObject({
      done: false,
      judgement: { verdict: 'wrong', words: expect.arrayContaining([expect.stringContaining('a tenth')]) },
    });
    const mended = trackSteps(steps, {
      readings: [...readings, readingOf('resistor:eyes', 388, '2026-11-01T12:00:00Z')],
      done: [],
    });
    expect(mended.find((each) => each.step.id === 'resistor:eyes')?.done).toBe(true);
  });
  it('a step without a reading is done when it is ticked', () => {
    const ticked = trackSteps(steps, { readings: [], done: [{ stepId: 'drill', at: '2026-11-01T10:00:00Z' }] });
    expect(ticked.filter((each) => each.done).map((each) => each.step.id)).toEqual(['drill']);
  });
});
