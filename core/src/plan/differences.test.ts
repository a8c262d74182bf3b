import { describe, expect, it } from 'vitest';
import { demoPlan } from '../../tests/designs.ts';
import { say, usualPrinter } from '../units/index.ts';
import { applyEdits, changeItem, type Design, listDifferences, sayChange } from './index.ts';
import { removeItem } from './remove.ts';

const { design } = demoPlan();
const eyes = design.items.find((item) => item.kind === 'light' && item.name === 'Eyes');
if (!eyes) throw new Error('the demo has eyes');
const told = (other: Design): string[] =>
  listDifferences(design, other).map(({ part, mine, other: theirs }) =>
    usualPrinter.message(say`${part}: ${mine} | ${theirs}`),
  );

describe('what two states of a plan have otherwise', () => {
  it('is nothing where they are alike, the same object or not', () => {
    expect(listDifferences(design, design)).toEqual([]);
    expect(listDifferences(design, structuredClone(design))).toEqual([]);
  });
  it('names fields by their labels, and figures with their units', () => {
    const piece = { ...design.piece, hoursWanted: 7, ambientC: -4 };
    expect(told({ ...design, piece })).toEqual([
      expect.stringMatching(/^The piece: ambient: .* °C \| [−-]4.* °C$/),
      'The piece: hours wanted: 3.00 h | 7.00 h',
    ]);
    expect(told(applyEdits(design, changeItem(design, eyes.id, { wantedCurrentA: 0.004, resistorOhm: 470 })))).toEqual([
      expect.stringMatching(/^Eyes \(single lights\): wanted current, each: .* mA \| 4\.00 mA$/),
      expect.stringMatching(/^Eyes \(single lights\): resistor: nothing \| 470 Ω$/),
    ]);
  });
  it('says what only one of them has, and everything that went with it', () => {
    const without = removeItem(design, eyes.id);
    const rows = listDifferences(design, without);
    expect(rows).toContainEqual({ part: 'Eyes (single lights)', mine: 'is there', other: 'is not there' });
    expect(listDifferences(without, design)).toContainEqual({
      part: 'Eyes (single lights)',
      mine: 'is not there',
      other: 'is there',
    });
    // Moods moved the eyes: they have changed too, and are told of by their names.
    expect(rows.some(({ part }) => part.startsWith('Mood '))).toBe(true);
  });
  it('two lists that print alike are told apart as such', () => {
    const [first, ...others] = design.moods.list;
    if (!first) throw new Error('the demo has moods');
    const list = [{ ...first, moves: { ...first.moves, [eyes.id]: { kind: 'steady', level: 0.3 } } }, ...others];
    const rows = listDifferences(design, {
      ...design,
      moods: { ...design.moods, list: list as typeof design.moods.list },
    });
    expect(rows).toHaveLength(1);
    expect(rows[0]?.part).toBe(`Mood ${first.name}: moves`);
    expect(rows[0]?.mine === rows[0]?.other).toBe(false);
  });
});

describe('one edit in a line', () => {
  const plan = { name: 'Lure', design };
  const said = (after: Partial<typeof plan>): string => usualPrinter.message(sayChange(plan, { ...plan, ...after }));
  it('says what it was and is, what came and went, and how much more there is', () => {
    const piece = { ...design.piece, hoursWanted: 7 };
    expect(said({ design: { ...design, piece } })).toBe('The piece: hours wanted: 3.00 h → 7.00 h');
    expect(said({ design: { ...design, piece: { ...piece, ambientC: -4 } } })).toMatch(
      /^The piece: ambient: .* °C → .*; and 1 more$/,
    );
    expect(said({ design: removeItem(design, eyes.id) })).toMatch(/^Eyes \(single lights\): taken out/);
    expect(usualPrinter.message(sayChange({ ...plan, design: removeItem(design, eyes.id) }, plan))).toMatch(
      /^Eyes \(single lights\): put in/,
    );
    expect(said({ name: 'Lantern' })).toBe('Called Lantern');
    expect(said({})).toBe('Bench, logbook or picture');
  });
});
