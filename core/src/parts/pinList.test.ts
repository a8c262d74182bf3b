import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Pin, PinAbility } from './kinds.ts';
import { MOST_PINS, pinName, readPins, writePins } from './pinList.ts';

const every: readonly PinAbility[] = ['out', 'in', 'dimmed', 'analog', 'data'];

const anyPin: fc.Arbitrary<Pin> = fc
  .record({
    name: fc.stringMatching(pinName),
    can: fc.subarray([...every], { minLength: 1 }),
    startUp: fc.option(fc.constantFrom('tells while it starts', 'high until it runs'), { nil: undefined }),
  })
  .map(({ startUp, ...pin }) => (startUp === undefined ? pin : { ...pin, startUp }));

describe('pins as a maker writes them', () => {
  it('come back as they were', () => {
    const boards = fc.uniqueArray(anyPin, { minLength: 1, maxLength: 40, selector: (pin) => pin.name });
    fc.assert(
      fc.property(boards, (pins) => {
        expect(readPins(writePins(pins))).toEqual(pins);
      }),
      { seed: 5 },
    );
  });
  it('may be written with spaces, empty places and what they can in any order', () => {
    expect(readPins('  D1  data   out ;; D2 in;')).toEqual([
      { name: 'D1', can: ['out', 'data'] },
      { name: 'D2', can: ['in'] },
    ]);
  });
  it('say what is wrong, whatever is typed, and never throw', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (text) => {
        const read = readPins(text);
        if (typeof read === 'string') expect(read).toMatch(/pin/);
        else expect(readPins(writePins(read))).toEqual(read);
      }),
      { seed: 6, numRuns: 500 },
    );
  });
  it('are at most a hundred', () => {
    const many = Array.from({ length: MOST_PINS + 1 }, (_, i) => `P${i} out`).join(';');
    expect(readPins(many)).toMatch(/1 to 100 pins, got 101/);
    expect(readPins(many.split(';').slice(1).join(';'))).toHaveLength(MOST_PINS);
  });
});
