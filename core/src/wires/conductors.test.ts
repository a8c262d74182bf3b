import { describe, expect, it } from 'vitest';
import { contactsFor, foilOhm, rolledWidth, roundOhm, shrinkFits, slackAtTravelMm, wireOhmPerMetre } from './index.ts';

describe('what else carries current', () => {
  it('foil 5 mm × 50 µm: 0.0690 Ω/m; round copper of a gauge’s diameter has that gauge’s resistance', () => {
    expect(foilOhm.reckon({ b: 5, h: 0.05 })).toBeCloseTo(0.069, 4);
    // 24 gauge is 0.5106 mm.
    expect(roundOhm.reckon({ d: 0.5106 }) / wireOhmPerMetre(24)).toBeCloseTo(1, 3);
  });
  it('a sheet rolled to ⌀ 41 mm with 12 mm of overlap is 140.8 mm wide', () => {
    expect(rolledWidth.reckon({ d: 41, o: 12 })).toBeCloseTo(140.8, 1);
  });
  it('4.8 → 2.4 mm shrink fits 3.1 mm; not what it does not pass or does not grip', () => {
    expect(shrinkFits(4.8, 2.4, 3.1)).toBe(true);
    expect(shrinkFits(4.8, 2.4, 5)).toBe(false);
    expect(shrinkFits(4.8, 2.4, 2)).toBe(false);
  });
  it('1.92 A on 1.5 A contacts takes two; slack at full travel must not be less than none', () => {
    expect(contactsFor(1.92, 1.5)).toBe(2);
    expect(contactsFor(0.64, 1.5)).toBe(1);
    expect(slackAtTravelMm(636, 624)).toBe(12);
  });
});
