import { describe, expect, it } from 'vitest';
import { contactsFor, foilOhm, roundOhm, wireOhmPerMetre } from './index.ts';

describe('what else carries current', () => {
  it('foil 5 mm × 50 µm: 0.0690 Ω/m; round copper of a gauge’s diameter has that gauge’s resistance', () => {
    expect(foilOhm.reckon({ b: 5, h: 0.05 })).toBeCloseTo(0.069, 4);
    // 24 gauge is 0.5106 mm.
    expect(roundOhm.reckon({ d: 0.5106 }) / wireOhmPerMetre(24)).toBeCloseTo(1, 3);
  });
  it('1.92 A on 1.5 A contacts takes two', () => {
    expect(contactsFor(1.92, 1.5)).toBe(2);
    expect(contactsFor(0.64, 1.5)).toBe(1);
  });
});
