import { type Control, itemsOf } from '../items/index.ts';
import type { Cue, Design } from './types.ts';

/** Something that a control can do, as it is said in a sentence after "when". */
export interface Occasion {
  readonly when: Cue['when'];
  /** @example "the hem button is pressed twice" */
  readonly words: string;
}

type Contact = 'signal' | 'button' | 'latching switch' | 'tilt switch' | 'held remote' | 'latched remote';
type ContactWhen = 'button' | 'opened' | 'while' | 'held' | 'double';

/** What a contact does, in the words for its kind; what makes no sense for a kind is missing. */
const contactWords: Readonly<Record<Contact, Readonly<Partial<Record<ContactWhen, string>>>>> = {
  button: {
    button: 'is pressed',
    opened: 'is let go',
    while: 'is pressed, for as long as it is',
    held: 'is held for',
    double: 'is pressed twice',
  },
  'latching switch': { button: 'is put on', opened: 'is put off', while: 'is on, for as long as it is' },
  'tilt switch': { button: 'tilts', opened: 'stands upright again', while: 'is tilted, for as long as it is' },
  signal: { button: 'comes on', opened: 'goes off', while: 'is on, for as long as it is' },
  'held remote': {
    button: 'has its key pressed',
    opened: 'has its key let go',
    while: 'has its key held, for as long as it is',
    held: 'has its key held for',
    double: 'has its key pressed twice',
  },
  'latched remote': { button: 'comes on', opened: 'goes off', while: 'is on, for as long as it is' },
};

const contactOf = (control: Extract<Control, { kind: Contact | 'remote' }>): Contact =>
  control.kind === 'remote' ? `${control.output} remote` : control.kind;

const USUAL_HOLD_S = 1.5;

/** All that one control can give a cue for, in the order in which it is offered. */
export function occasionsOf(control: Control): readonly Occasion[] {
  const controlId = control.id;
  const say = (words: string): string => `${control.name} ${words}`;
  switch (control.kind) {
    case 'light sensor':
      return [
        { when: { kind: 'dark', controlId }, words: say('sees it get dark') },
        { when: { kind: 'light', controlId }, words: say('sees it get light') },
      ];
    case 'charge sense':
      return [{ when: { kind: 'low', controlId }, words: say('finds the pack low') }];
    default: {
      const words = contactWords[contactOf(control)];
      const kinds: readonly ContactWhen[] = ['button', 'opened', 'while', 'held', 'double'];
      return kinds.flatMap((kind): Occasion[] => {
        const said = words[kind];
        if (said === undefined) return [];
        const when =
          kind === 'held' ? ({ kind, controlId, holdS: USUAL_HOLD_S } as const) : ({ kind, controlId } as const);
        return [{ when, words: say(said) }];
      });
    }
  }
}

/** All that boards listen to, in the order of the plan. */
export const controlsOf = (design: Pick<Design, 'items'>): readonly Control[] =>
  itemsOf(design, 'button', 'latching switch', 'tilt switch', 'remote', 'light sensor', 'charge sense', 'signal');

/** What gives a cue without any control. */
const occasionsByThemselves: readonly Occasion[] = [
  { when: { kind: 'after', afterS: 30 }, words: 'some time has passed' },
  { when: { kind: 'random', leastS: 20, mostS: 60 }, words: 'chance wills it' },
  { when: { kind: 'through' }, words: 'the mood has run through once' },
];

/** Everything that can give a cue in a design. */
export const listOccasions = (design: Design): readonly Occasion[] => [
  ...controlsOf(design).flatMap(occasionsOf),
  ...occasionsByThemselves,
];

/** Whether two occasions are the same but for their times. */
export const isSameOccasion = (a: Cue['when'], b: Cue['when']): boolean =>
  a.kind === b.kind && ('controlId' in a ? a.controlId : null) === ('controlId' in b ? b.controlId : null);

const seconds = (s: number): string => `${Number(s.toPrecision(3))} s`;

/** What gives a cue, in words with its times. An occasion that its control can't give says so. */
export function sayWhen(design: Design, when: Cue['when']): string {
  switch (when.kind) {
    case 'after':
      return `${seconds(when.afterS)} have passed`;
    case 'random':
      return `chance wills it, between ${seconds(when.leastS)} and ${seconds(when.mostS)}`;
    case 'through':
      return 'the mood has run through once';
    default: {
      const words =
        listOccasions(design).find((each) => isSameOccasion(each.when, when))?.words ??
        `"${when.kind}", which its control can’t give`;
      return when.kind === 'held' ? `${words} ${seconds(when.holdS)}` : words;
    }
  }
}
