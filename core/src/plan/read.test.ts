import { describe, expect, it } from 'vitest';
import { demoPlan } from '../../tests/designs.ts';
import { readPlan } from './reading.ts';

type Path = readonly (string | number)[];
/** The demo with another value at a place. */
function put(node: unknown, [key, ...rest]: Path, value: unknown): unknown {
  if (key === undefined) return value;
  if (Array.isArray(node)) return node.map((each, i) => (i === key ? put(each, rest, value) : each));
  return { ...(node as object), [key]: put((node as Record<string, unknown>)[key], rest, value) };
}
const { design } = demoPlan();
const indexOf = (kind: string): number => design.items.findIndex((item) => item.kind === kind);
const light = indexOf('light');
const told = (path: Path, value: unknown): string => {
  const read = readPlan(put(demoPlan(), path, value));
  if (read.ok) throw new Error('it was read');
  return read.problems.map(({ place, message }) => `${place}: ${message}`).join('\n');
};

describe('what the reader says of a value that is none', () => {
  it.each([
    [
      'a kind of item',
      ['design', 'items', light, 'kind'],
      'spoon',
      /found "spoon"; allowed: light, pixel tape, plain tape/,
    ],
    [
      'a way',
      ['design', 'items', light, 'switchedBy'],
      { way: 'magic' },
      /found "magic"; allowed: auto, always on, hand switch/,
    ],
    ['a cue', ['design', 'moods', 'cues', 0, 'when'], { kind: 'moon' }, /found "moon"; allowed: button, opened, held/],
    [
      'no kind at all',
      ['design', 'moods', 'cues', 0, 'when'],
      {},
      /found none of the kinds that there are; allowed: button/,
    ],
    ['a number for a list', ['design', 'items'], 7, /design\.items: found 7; must be a list in \[ \]/],
    ['a list for a group', ['design', 'wires'], [], /must be a group of fields in \{ \}/],
    ['a text for yes or no', ['design', 'items', light, 'sleeved'], 'yes', /found "yes"; must be true or false/],
    ['half a thing', ['design', 'items', light, 'channels'], 1.5, /found 1\.5; must be a whole number/],
  ] as const)('%s: what was found, what is allowed, and of what', (_what, path, value, message) => {
    expect(told(path, value)).toMatch(message);
  });

  it('names the item, mood or hollow that it is about', () => {
    expect(told(['design', 'items', light, 'wantedCurrentA'], -1)).toContain(`${design.items[light]?.name}: found -1`);
    expect(told(['design', 'moods', 'list', 0, 'brightness'], 7)).toContain(`${design.moods.list[0]?.name}: found 7`);
    expect(told(['design', 'hollows', 0, 'depthMm'], 'deep')).toContain(`${design.hollows[0]?.name}: found "deep"`);
  });
});
