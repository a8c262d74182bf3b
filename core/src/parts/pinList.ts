import type { Pin, PinAbility } from './kinds.ts';

const abilities: readonly PinAbility[] = ['out', 'in', 'dimmed', 'analog', 'data'];
const isAbility = (word: string): word is PinAbility => abilities.some((each) => each === word);

/** What a name of a pin may look like: as it is printed on a board. */
export const pinName = /^[\w+*#.-]{1,12}$/;
/** A board with more is not one that is worn or built in. */
export const MOST_PINS = 100;

/** Pins as a maker writes them into a cell: `D2 out in data; A0 in analog; TX out @ tells while it starts`. */
export const writePins = (pins: readonly Pin[]): string =>
  pins
    .map(({ name, can, startUp }) => [name, ...can, ...(startUp === undefined ? [] : ['@', startUp])].join(' '))
    .join('; ');

function readPin(text: string): Pin | string {
  const [before = '', ...after] = text.split('@');
  const [name = '', ...can] = before.trim().split(/\s+/);
  const startUp = after.join('@').trim();
  if (!pinName.test(name))
    return `pin "${name}" must be named by 1 to 12 letters, figures or + * # . - _, as it is printed on the board`;
  const odd = can.find((word) => !isAbility(word));
  if (odd !== undefined) return `pin ${name} can "${odd}"; allowed: ${abilities.join(', ')}`;
  if (can.length === 0) return `pin ${name} can do nothing; say what it can: ${abilities.join(', ')}`;
  const known = abilities.filter((each) => can.includes(each));
  return { name, can: known, ...(startUp === '' ? {} : { startUp: startUp.slice(0, 120) }) };
}

/** Reads what `writePins` writes. @returns the pins, or what is wrong with them */
export function readPins(text: string): readonly Pin[] | string {
  const read = text
    .split(';')
    .map((each) => each.trim())
    .filter((each) => each !== '')
    .map(readPin);
  const problem = read.find((each) => typeof each === 'string');
  if (problem !== undefined) return problem;
  const pins = read.filter((each) => typeof each !== 'string');
  if (pins.length === 0 || pins.length > MOST_PINS) return `a board has 1 to ${MOST_PINS} pins, got ${pins.length}`;
  const twin = pins.find(({ name }, i) => pins.findIndex((each) => each.name === name) < i);
  return twin ? `pin ${twin.name} is there twice; each needs a name of its own` : pins;
}
