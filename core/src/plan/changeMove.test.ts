import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { moodOf, planOf, soundDesign } from '../../tests/designs.ts';
import { anyMove } from '../../tests/moves.ts';
import { changeMove, heightOf, moveKinds, spanOfMove } from '../moves/index.ts';
import { readPlanText } from './reading.ts';

describe('turning a move into another kind', () => {
  it('keeps colour and height, and is a move that the plan takes', () => {
    fc.assert(
      fc.property(anyMove, fc.constantFrom(...moveKinds), (before, kind) => {
        const after = changeMove(kind, before, '#000000');
        expect([after.kind, after.colour, heightOf(after)]).toEqual([kind, before.colour, heightOf(before)]);
        const { moods } = soundDesign();
        const plan = planOf(soundDesign({ moods: { ...moods, list: [moodOf({ moves: { tape: after } })] } }));
        expect(readPlanText(JSON.stringify(plan)).ok).toBe(true);
      }),
      { seed: 71, numRuns: 120 },
    );
  });
  it('begins at full in the light’s own colour where there was none', () => {
    for (const kind of moveKinds) {
      const move = changeMove(kind, undefined, '#ff9a1c');
      expect([move.colour, heightOf(move)]).toEqual(['#ff9a1c', 1]);
    }
  });
  it('has a span in which all of it is seen', () => {
    expect(spanOfMove({ kind: 'shots', colour: '#ffffff', count: 4, onS: 0.1, offS: 0.4, pauseS: 2, level: 1 })).toBe(
      8,
    );
    fc.assert(
      fc.property(anyMove, (move) => {
        expect(spanOfMove(move)).toBeGreaterThanOrEqual(0);
      }),
      { seed: 72 },
    );
  });
});
