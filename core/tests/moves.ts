import fc from 'fast-check';
import { alongs, breathCurves, flickerCharacters, keepings, type Move } from '../src/plan/index.ts';

const share = fc.double({ min: 0, max: 1, noNaN: true });
const colour = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, '0')}`);
const periodS = fc.double({ min: 0.05, max: 20, noNaN: true });
const stepS = fc.double({ min: 0.01, max: 2, noNaN: true });
const along = fc.constantFrom(...alongs);
const neighbours = fc.uniqueArray(fc.integer({ min: 0, max: 8 }), { maxLength: 5 });
const seed = fc.integer({ min: 0, max: 65_535 });

/** A move of any kind with any settings that the plan allows. */
export const anyMove: fc.Arbitrary<Move> = fc.oneof(
  fc.record({ kind: fc.constant('steady' as const), colour, level: share }),
  fc.record({
    kind: fc.constant('breathe' as const),
    colour,
    periodS,
    low: share,
    high: share,
    curve: fc.constantFrom(...breathCurves),
  }),
  fc.record({
    kind: fc.constant('chase' as const),
    colour,
    groups: fc.integer({ min: 2, max: 9 }),
    stepS,
    direction: fc.constantFrom('onward' as const, 'back' as const),
    level: share,
    along,
  }),
  fc.record({
    kind: fc.constant('sweep' as const),
    colour,
    periodS,
    tail: fc.integer({ min: 0, max: 40 }),
    level: share,
    along,
  }),
  fc.record({ kind: fc.constant('fill' as const), colour, periodS, level: share, along }),
  fc.record({
    kind: fc.constant('drift' as const),
    colour,
    second: colour,
    periodS,
    wave: fc.integer({ min: 0, max: 100 }),
    level: share,
    along,
    keeps: fc.constantFrom(...keepings),
  }),
  fc.record({ kind: fc.constant('sparkle' as const), colour, share, stepS, seed, level: share }),
  fc.record({
    kind: fc.constant('flicker' as const),
    colour,
    character: fc.constantFrom(...flickerCharacters),
    seed,
    level: share,
  }),
  fc.record({
    kind: fc.constant('shots' as const),
    colour,
    count: fc.integer({ min: 1, max: 9 }),
    onS: stepS,
    offS: stepS,
    pauseS: fc.double({ min: 0, max: 5, noNaN: true }),
    level: share,
  }),
  fc.record({ kind: fc.constant('build-up' as const), colour, riseS: periodS, low: share, level: share }),
  fc.record({
    kind: fc.constant('cells' as const),
    colour,
    birth: neighbours,
    survival: neighbours,
    wraps: fc.boolean(),
    melts: fc.boolean(),
    stepS,
    generations: fc.integer({ min: 2, max: 40 }),
    share,
    seed,
    level: share,
  }),
  fc.record({ kind: fc.constant('gauge' as const), colour, controlId: fc.constant(null), level: share, along }),
  fc.record({
    kind: fc.constant('steps' as const),
    colour,
    second: colour,
    controlId: fc.constant(null),
    count: fc.integer({ min: 2, max: 8 }),
    low: share,
    level: share,
  }),
);
