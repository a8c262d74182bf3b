import type { SwitchedBy } from '../items/index.ts';
import type { LedPart, LoadPart, TransistorPart } from '../parts/index.ts';

/** What a way asks of a board. */
type PinNeed = 'none' | 'light' | 'drive';

/** What is lit while the controller starts. */
export type StartsAs = 'lit' | 'dark' | 'as the contact' | 'as the room' | 'dark or faint' | 'as its remote left it';

/** What leads to a light: the net on its plus side and the one on its minus side. */
export type SideNet =
  | 'rail plus'
  | 'minus'
  | 'channel'
  | 'switched minus'
  | 'driver plus'
  | 'driver minus'
  | 'box output';

/**
 * One way of switching: the one owner of which core goes where, what the resistor works against, which level of the pin
 * is light, and what happens while the controller starts.
 */
export interface Way {
  readonly id: SwitchedBy['way'] | 'undecided';
  /** In a list of ways. */
  readonly name: string;
  /** After "switched by". */
  readonly words: string;
  /** Where the plus side of the light goes. */
  readonly plusSide: SideNet;
  /** Where its minus side goes. */
  readonly minusSide: SideNet;
  /** What it asks of a pin. */
  readonly pin: PinNeed;
  /** The light's current flows out of the pin, into it, or not through it. */
  readonly throughPin: 'given' | 'taken' | 'not';
  /** Light is a low pin; of a transistor above, where no helper stands before it. */
  readonly isLitLow: boolean;
  /** What it is while the board starts. */
  readonly startsAs: StartsAs;
  /** What a hand does to light it for a test. */
  readonly toLight: string;
  /** The side of the transistor; null = none of its own. */
  readonly transistor: TransistorPart['side'] | null;
  /** Where its run of wire begins: at a board, at the item that switches, or at what feeds it. */
  readonly hub: 'board' | 'by' | 'feed';
  /** Its lights take turns on lines that they share: row by row, or one by one. */
  readonly scans?: 'rows' | 'one by one';
}

const plain = {
  toLight: 'Switch it on',
  pin: 'none',
  throughPin: 'not',
  isLitLow: false,
  transistor: null,
} as const;

/** Every way of switching there is, each once. */
export const ways: Readonly<Record<Exclude<Way['id'], 'auto'>, Way>> = {
  'always on': {
    ...plain,
    id: 'always on',
    name: 'always on, while its supply is',
    words: 'nothing: it is on while its supply is',
    plusSide: 'rail plus',
    minusSide: 'minus',
    startsAs: 'lit',
    hub: 'feed',
  },
  'hand switch': {
    ...plain,
    id: 'hand switch',
    name: 'a switch of its own in the lead',
    words: 'a hand’s switch in its lead',
    plusSide: 'rail plus',
    minusSide: 'minus',
    startsAs: 'as the contact',
    hub: 'feed',
  },
  'pin high': {
    ...plain,
    id: 'pin high',
    name: 'the pin itself, lit high',
    words: 'the pin itself, lit high: channel and minus',
    plusSide: 'channel',
    minusSide: 'minus',
    pin: 'light',
    throughPin: 'given',
    startsAs: 'dark',
    hub: 'board',
  },
  'pin low': {
    ...plain,
    id: 'pin low',
    name: 'the pin itself, lit low',
    words: 'the pin itself, lit low: rail plus and channel',
    plusSide: 'rail plus',
    minusSide: 'channel',
    pin: 'light',
    throughPin: 'taken',
    isLitLow: true,
    startsAs: 'dark or faint',
    hub: 'board',
  },
  'transistor below': {
    ...plain,
    id: 'transistor below',
    name: 'a transistor below: to minus',
    words: 'a transistor to minus',
    plusSide: 'rail plus',
    minusSide: 'channel',
    pin: 'drive',
    transistor: 'low',
    startsAs: 'dark',
    hub: 'board',
  },
  'transistor above': {
    ...plain,
    id: 'transistor above',
    name: 'a transistor above: from plus',
    words: 'a transistor from plus',
    plusSide: 'channel',
    minusSide: 'minus',
    pin: 'drive',
    transistor: 'high',
    startsAs: 'dark',
    hub: 'board',
  },
  'light gate': {
    ...plain,
    id: 'light gate',
    name: 'a light gate, without a program',
    words: 'a light gate',
    plusSide: 'rail plus',
    minusSide: 'switched minus',
    startsAs: 'as the room',
    toLight: 'Cover the sensor',
    hub: 'by',
  },
  driver: {
    ...plain,
    id: 'driver',
    name: 'a constant-current driver',
    words: 'a constant-current driver',
    plusSide: 'driver plus',
    minusSide: 'driver minus',
    startsAs: 'lit',
    hub: 'by',
  },
  box: {
    ...plain,
    id: 'box',
    name: 'a ready-made box',
    words: 'a ready-made box',
    plusSide: 'rail plus',
    minusSide: 'box output',
    startsAs: 'as its remote left it',
    toLight: 'Put its output on with the remote',
    hub: 'by',
  },
  'scanned grid': {
    ...plain,
    id: 'scanned grid',
    name: 'a scanned grid: its rows lit in turn',
    words: 'a scanned grid, its rows on transistors',
    plusSide: 'channel',
    minusSide: 'channel',
    pin: 'drive',
    startsAs: 'dark',
    hub: 'board',
    scans: 'rows',
  },
  'shared pins': {
    ...plain,
    id: 'shared pins',
    name: 'between pins that they share, one light after another',
    words: 'pins that they share, one light after another',
    plusSide: 'channel',
    minusSide: 'channel',
    pin: 'light',
    throughPin: 'given',
    startsAs: 'dark',
    hub: 'board',
    scans: 'one by one',
  },
  'scan driver': {
    ...plain,
    id: 'scan driver',
    name: 'a scan driver: it lights its rows in turn by itself',
    words: 'a scan driver',
    plusSide: 'channel',
    minusSide: 'channel',
    pin: 'drive',
    startsAs: 'dark',
    hub: 'by',
    scans: 'rows',
  },
  undecided: {
    ...plain,
    id: 'undecided',
    name: 'not decided yet',
    words: 'nothing yet',
    plusSide: 'rail plus',
    minusSide: 'minus',
    startsAs: 'dark',
    hub: 'feed',
  },
};

/** A driver with a dimming input on a pin: the pin says how far it is lit, the driver how much that is. */
export const dimmedDriver: Way = {
  ...ways.driver,
  words: 'a constant-current driver, dimmed by a pin',
  pin: 'drive',
};

/** A load that is always fed and has an input of its own: the pin starts it there. */
export const startedBy = (input: NonNullable<LoadPart['input']>): Way => ({
  ...ways[input === 'low' ? 'pin low' : 'pin high'],
  words: input === 'pulses' ? 'a pin at its own input, led by pulses' : `a pin at its own input, started ${input}`,
  plusSide: 'rail plus',
  minusSide: 'minus',
  pin: 'drive',
  throughPin: 'not',
  isLitLow: input === 'low',
});

/** A grid of which a pin bears a whole row: the chip gives its current. */
export const gridOnPins: Way = {
  ...ways['scanned grid'],
  words: 'a scanned grid, rows and columns on pins',
  throughPin: 'given',
};

/** Whether a way can switch a part: dice that share a leg can only be told apart on the other side. */
export const canSwitch = (way: Way, { common }: Pick<LedPart, 'common'>): boolean =>
  way.id !== 'undecided' &&
  !(common && way.scans) &&
  way[common === 'plus' ? 'plusSide' : 'minusSide'] !== (common ? 'channel' : undefined);

/** Whether a program dims or switches what hangs on this way. */
export const isProgrammed = (way: Way): boolean => way.pin !== 'none';
