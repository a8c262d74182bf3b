import { describe, expect, it, vi } from 'vitest';
import { moodOf, soundDesign, soundSimple, tapeOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { remember } from './remember.ts';

describe('what was reckoned before', () => {
  it('is not reckoned again, and the oldest gives way', () => {
    const reckoned: string[] = [];
    const keep = remember<number>(2);
    const ask = (key: string): number => keep(key, () => reckoned.push(key));
    expect(['a', 'b', 'a', 'c', 'b', 'a'].map(ask)).toEqual([1, 2, 1, 3, 2, 4]);
    expect(reckoned).toEqual(['a', 'b', 'c', 'a']);
  });
  it('never stands for a plan that differs: each edit of a mood, a set or a limit gives what a fresh start gives', async () => {
    const of = (level: number, brightness: number, lengthMm: number, fuseA: number) =>
      soundDesign({
        tapes: [tapeOf({ lengthMm })],
        moods: {
          ...soundDesign().moods,
          list: [
            moodOf({
              brightness,
              moves: { tape: { kind: 'breathe', colour: '#ffffff', periodS: 2, low: 0, high: level } },
              tops: [{ id: 't', on: 'tape', how: 'add', move: { kind: 'steady', colour: '#400000', level } }],
            }),
          ],
        },
        power: { ...soundSimple.power, fuseA },
      });
    const edits = [1, 0.5].flatMap((level) =>
      [0.2, 1].flatMap((brightness) =>
        [300, 900].flatMap((lengthMm) => [0.2, 0.7].map((fuseA) => of(level, brightness, lengthMm, fuseA))),
      ),
    );
    const warm = edits.map((design) => assess(design).moods);
    for (const i of [3, 6, 9, 15]) {
      const design = edits[i];
      // Modules loaded anew remember nothing.
      vi.resetModules();
      const fresh = await import('../assess.ts');
      if (design) expect(fresh.assess(design).moods).toEqual(warm[i]);
    }
    const peaks = warm.map(([mood]) => mood?.limited?.peakA ?? mood?.peakA);
    expect(new Set(peaks.map((peak) => peak?.toFixed(6))).size).toBeGreaterThan(8);
  });
});
