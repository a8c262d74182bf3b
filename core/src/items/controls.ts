/** What a control can do, of which a cue can be made; times are proposals. */
type Doing =
  | { readonly kind: 'button' | 'opened' | 'while' | 'double' | 'dark' | 'light' | 'low' }
  | { readonly kind: 'held'; readonly holdS: number };

/** Something that a control does, as it is said after its name. @example "is pressed twice" */
export interface Doings {
  /** What may be done with it. */
  readonly does: Doing;
  /** The same for the maker. */
  readonly words: string;
}

/** What a control gives a value of, with what its divider and thresholds follow from. */
export type Sense =
  | {
      readonly kind: 'light';
      readonly darkOhm: number;
      readonly lightOhm: number;
      /** What light makes conduct. */
      readonly element: 'photoresistor' | 'phototransistor';
    }
  | {
      readonly kind: 'knob';
      /** The share of its turn from which it counts as turned up. */
      readonly turnedTo: number;
      /** It sets how bright the lights of its board are too. */
      readonly dims?: true;
    }
  | {
      readonly kind: 'charge';
      /** The pack that it reads; null = the only one there is. */
      readonly packId: string | null;
      /** Where the charge counts as low. */
      readonly lowV: number;
      /** How long a reading must hold before it is believed. */
      readonly settleS: number;
    };

/** What a kind that a board listens to says of itself. */
export interface ControlFacet<I> {
  /** What its pin must be able to do: tell high from low, or measure. */
  readonly pin: 'in' | 'analog';
  /** What goes out to it beside its signal. */
  readonly cores: readonly ('chip plus' | 'minus')[];
  /** What may be done with it. */
  readonly doings: (item: I) => readonly Doings[];
  /** What it senses; left out for contacts. */
  readonly sense?: (item: I) => Sense;
  /** The board whose moods give it; it has no part of its own then. */
  readonly givenBy?: (item: I) => string;
  /** The output of another item that it is; null where it has a part of its own. */
  readonly outputOf?: (item: I) => { readonly itemId: string; readonly output: number } | null;
  /** The control whose part and pin it reads as well; null where it has its own. */
  readonly sharesPinOf?: (item: I) => string | null;
  /** What its pin reads while it is closed; left out, low: to minus, against the chip’s pull-up. */
  readonly closedLevel?: 'high';
  /** Its own part works from and up to so many volts; left out, at any that a chip runs at. */
  readonly worksV?: readonly [least: number, most: number];
  /** What its own part draws from the chip’s supply all day, dividers apart. */
  readonly ownA?: (item: I) => number;
  /** By radio: closed while its key is held, or changed by each press. */
  readonly radio?: (item: I) => 'held' | 'latched';
}

const USUAL_HOLD_S = 1.5;

const order = ['button', 'opened', 'while', 'held', 'double'] as const;

/** What a contact does, in its words; what makes no sense for it is left out. */
export const contactDoings = (words: Readonly<Partial<Record<(typeof order)[number], string>>>): readonly Doings[] =>
  order.flatMap((kind): Doings[] => {
    const said = words[kind];
    if (said === undefined) return [];
    return [{ does: kind === 'held' ? { kind, holdS: USUAL_HOLD_S } : { kind }, words: said }];
  });
