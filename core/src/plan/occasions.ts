import { type Control, kindOf } from '../items/index.ts';
import { type Message, say, seconds } from '../units/index.ts';
import type { Cue, Design } from './types.ts';

/** Something that a control can do, as it is said in a sentence after "when". */
export interface Occasion {
  /** As a cue holds it. */
  readonly when: Cue['when'];
  /** @example "the hem button is pressed twice" */
  readonly words: string;
}

/** All that one control can give a cue for, in the order in which it is offered. */
export const occasionsOf = (control: Control): readonly Occasion[] =>
  (kindOf(control.kind).control?.doings(control) ?? []).map(({ does, words }) => ({
    when: { ...does, controlId: control.id },
    words: `${control.name} ${words}`,
  }));

/** All that boards listen to, in the order of the plan. */
export const controlsOf = (design: Pick<Design, 'items'>): readonly Control[] =>
  design.items.filter((item): item is Control => kindOf(item.kind).control !== undefined);

/** The control whose pin a control is read at: itself, or the sensor that it is a further level of. */
export const pinOwnerOf = (control: Control): string =>
  kindOf(control.kind).control?.sharesPinOf?.(control) ?? control.id;

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

/** What gives a cue, in words with its times. An occasion that its control can't give says so. */
export function sayWhen(design: Design, when: Cue['when']): Message {
  switch (when.kind) {
    case 'after':
      return say`${seconds(when.afterS)} have passed`;
    case 'random':
      return say`chance wills it, between ${seconds(when.leastS)} and ${seconds(when.mostS)}`;
    case 'through':
      return 'the mood has run through once';
    default: {
      const words =
        listOccasions(design).find((each) => isSameOccasion(each.when, when))?.words ??
        `"${when.kind}", which its control can’t give`;
      return when.kind === 'held' ? say`${words} ${seconds(when.holdS)}` : words;
    }
  }
}
