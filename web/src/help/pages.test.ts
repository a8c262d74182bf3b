import { cutTape } from '@glimmer/core/items';
import { quantitiesOf, usualPrinter } from '@glimmer/core/units';
import { wireDrop, wireOhmPerMetre } from '@glimmer/core/wires';
import { describe, expect, it } from 'vitest';
import { helpPages } from './pages.ts';
import { addressOf, findWords, glossary } from './words.ts';

const textOf = (stage: keyof typeof helpPages): string =>
  helpPages[stage].example.map((text) => usualPrinter.message(text)).join(' ');
const figuresOf = (stage: keyof typeof helpPages): readonly number[] =>
  helpPages[stage].example.flatMap((text) => quantitiesOf(text).map(({ value }) => value));

describe('the examples of the help say what the app reckons', () => {
  it('lights: 36 on 610 mm, 10 mm left', () => {
    expect(cutTape({ routeMm: 610, perMetre: 60, lightsPerJoint: 1 })).toMatchObject({ lights: 36, litLengthMm: 600 });
    expect(textOf('lights')).toContain('36 lights');
  });
  it('wires: 28 gauge loses 0.256 V, 24 gauge 0.101 V on 600 mm out and back at 1 A', () => {
    const drop = (gauge: number) => wireDrop.reckon({ n: 2, I: 1, L: 600, r: wireOhmPerMetre(gauge) });
    const [, thin = 0, thick = 0] = figuresOf('wires');
    expect(thin).toBeCloseTo(drop(28), 2);
    expect(thick).toBeCloseTo(drop(24), 2);
  });
  it('drive: 300 Ω for 10 mA, 9.09 mA behind 330 Ω', () => {
    expect(textOf('drive')).toContain('300 Ω');
    expect(textOf('drive')).toContain('9.09 mA');
  });
  it('power: 5 V · 0.4 A out of 3.7 V through nine tenths is 0.60 A, so five hours of 3 Ah', () => {
    expect(textOf('power')).toMatch(/601 mA.*5(\.0\d|) h/);
  });
  it('logbook: 24 of 25.8 hours is 7 % less, and 558 of 600 mAh', () => {
    expect(textOf('logbook')).toMatch(/−6\.98 %.*558 mAh/);
  });
});

describe('the words', () => {
  it('stand in their order, each once, each with an address of its own', () => {
    const words = glossary.map(([word]) => word);
    expect(words).toEqual([...words].sort((a, b) => a.localeCompare(b, 'en')));
    expect(new Set(words.map(addressOf)).size).toBe(words.length);
  });
  it('are found in a text, each once and with its meaning, and the text is whole', () => {
    const text = 'The rail falls below the cut-off: rails of a limiter, as its Ceiling says.';
    const found = findWords(text);
    expect(found.map((piece) => piece.text).join('')).toBe(text);
    expect(found.flatMap(({ word }) => word ?? [])).toEqual(['Rail', 'Cut-off', 'Limiter', 'Ceiling']);
    expect(found.every(({ word, meaning }) => (word === null) === (meaning === null))).toBe(true);
    expect(findWords('Nothing to be told.')).toEqual([{ text: 'Nothing to be told.', word: null, meaning: null }]);
    // Not in the middle of another word.
    expect(findWords('A trail of gateways').every(({ word }) => word === null)).toBe(true);
  });
});
