import type { Library, Part } from '../parts/index.ts';
import type { Band, Message, QuantityKind } from '../units/index.ts';
import type { Purchase } from './buys.ts';
import type { ControlFacet } from './controls.ts';
import type { Drawing } from './drawing.ts';
import type { OwnDraw } from './draws.ts';
import type { PlanPoint } from './geometry.ts';
import type { Feeding } from './gives.ts';
import type { PlacedGroup } from './placed.ts';
import type { ItemRule } from './rules.ts';
import type { Item, ItemKind, ItemOf } from './types.ts';

/** The stage on whose sheet an item is told about. */
export type ItemStage = 'lights' | 'drive' | 'power';

/**
 * What an item is to the others: it lights, leads light on, draws, is heard by a board, is a board, feeds, passes on
 * what feeds it, switches what hangs on it, or charges what feeds.
 */
export type ItemRole = 'light' | 'guide' | 'load' | 'control' | 'board' | 'source' | 'passes' | 'switches' | 'charges';

/** What a field of an item may name. */
export type Nameable =
  | 'feeder'
  | 'board'
  | 'pack'
  | 'tape'
  | 'gate'
  | 'driver'
  | 'scan driver'
  | 'box'
  | 'receiver'
  | 'sensor'
  | 'pole'
  | 'switch'
  | 'channel'
  | 'bore'
  | 'hollow box'
  | 'lit';

interface Row {
  /** Path of the field within the item, with dots. */
  readonly field: string;
  readonly label: string;
  readonly hint?: string;
}

/** One row of an item's form: what is asked, and how it is answered. */
export type FormRow =
  | (Row & {
      readonly type: 'quantity';
      readonly quantity: QuantityKind;
      /** Hard limits and what is usual. */
      readonly band: Band;
      /** Rounded to a whole number. */
      readonly isWhole?: boolean;
      /** What stands in an empty field; a row without it can't be left empty. */
      readonly empty?: string;
      /** An emptied field is left out of the item, rather than null. */
      readonly isLeftOut?: boolean;
      /** A figure with its origin: a fresh one is a guess until the maker says more. */
      readonly isFigure?: boolean;
    })
  | (Row & {
      readonly type: 'choice';
      readonly options: readonly { readonly value: string; readonly label: string }[];
      /** What it is called where none is chosen, which leaves the field out; a row without it can't be left so. */
      readonly none?: string;
    })
  | (Row & { readonly type: 'tick' })
  | (Row & { readonly type: 'part'; readonly partKind: Part['kind']; readonly none?: string })
  | (Row & {
      readonly type: 'rating';
      readonly unit: QuantityKind;
      /** What there is to buy, in base units. */
      readonly ratings: readonly number[];
      /** What to call it where it has none. */
      readonly none: string;
    })
  | (Row & { readonly type: 'named'; readonly names: Nameable; readonly none: string })
  | (Row & { readonly type: 'switched by' });

/** What a fresh item is made of. */
export interface Fresh {
  readonly id: string;
  readonly name: string;
  /** Where it is put down. */
  readonly at: PlanPoint;
}

/** What a kind that gives light says of its lights. */
interface LightFacet<I> {
  /**
   * Its lights where they sit; null while its part is not known.
   * @param firstIndex lights before it on its data line
   */
  readonly place: (item: I, library: Library, firstIndex: number) => PlacedGroup | null;
  /** Whether it has colours that moods mix. */
  readonly hasColours: (item: I, library: Library) => boolean;
}

/** The ports at which the lead that feeds an item ends; null = no minus comes with it. */
export interface LeadPorts {
  readonly plus: string;
  /** Null where its lead has but one core. */
  readonly minus: string | null;
}

/** What is done to an item by hand before a wire ends at it. */
interface Assembly {
  readonly title: string;
  readonly todo: Message;
}

/** All that a kind of item says of itself. What it does not have is left out. */
interface Kind<K extends ItemKind, I extends Item> {
  readonly kind: K;
  /** What it is called on a sheet. */
  readonly name: string;
  /** What a fresh one is called before its number, where that is shorter. */
  readonly freshName?: string;
  readonly stage: ItemStage;
  readonly role: ItemRole;
  readonly create: (fresh: Fresh) => I;
  readonly rows: readonly FormRow[];
  /** Where they are others for this very item; left out, they are the same for all. */
  readonly rowsFor?: (item: I) => readonly FormRow[];
  /** What is usual in a field of this very item, where its part says more than the row; null = as the row says. */
  readonly usual?: (item: I, field: string, library: Library) => readonly [number, number] | null;
  /** The parts that it names, by field. */
  readonly parts: (item: I) => readonly PartNamed[];
  readonly light?: LightFacet<I>;
  readonly control?: ControlFacet<I>;
  readonly feeding?: Feeding<I>;
  /** Names of the channels that are switched apart, each to be said after the item's own; one alone has none. */
  readonly channels?: (item: I, library: Library) => readonly string[];
  readonly lead?: LeadPorts;
  /** Its ports that others hang on, which are free until something does. */
  readonly outputs?: (item: I, library: Library) => readonly string[];
  /** What all that hangs on it goes through. */
  readonly throughOhm?: (item: I, library: Library) => number;
  /** What it draws of its own; null while its part is not known. */
  readonly draws?: (item: I, library: Library, nominalV: number) => OwnDraw | null;
  /** What is bought with it, besides the parts that it names. */
  readonly buys?: (item: I, library: Library) => readonly Purchase[];
  /**
   * What is soldered at one of its ports besides, said after its name; at the pin that tells it, the port is `data pin`.
   * @example ", with 1000 µF across to its minus"
   */
  readonly beside?: (item: I, port: string) => Message | null;
  /** How it is put together by hand, where it is bought in pieces. */
  readonly assembly?: (item: I, library: Library) => Assembly | null;
  /** Draws what is between its ports. */
  readonly draw?: (item: I, drawing: Drawing) => void;
  /** A board tells it every light that it scans, over three wires. */
  readonly isTold?: true;
  /** Lights in the dark by itself what hangs on it, without a program. */
  readonly seesLight?: true;
  /** What is to be found about it alone. */
  readonly rules?: readonly ItemRule<I>[];
}

/** The definition of one kind. */
export type KindDefinition<K extends ItemKind> = Kind<K, ItemOf<K>>;

/** A definition whose kind is not known where it is used: it must only be given items of its own. */
export type AnyKind = Kind<ItemKind, Item>;

/** A part that an item names; null = not chosen. */
export interface PartNamed {
  /** Where the item names it. */
  readonly field: string;
  /** Of which family. */
  readonly partKind: Part['kind'];
  /** Its id; null where none is chosen. */
  readonly part: string | null;
  /** How many are bought; left out, one. */
  readonly quantity?: number;
}

/** The ways of a switched item with which a fresh one begins. */
export const asReckoned = { way: 'auto' } as const;
