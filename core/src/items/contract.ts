import type { Part } from '../parts/index.ts';
import type { Band, QuantityKind } from '../units/index.ts';
import type { PlanPoint } from './geometry.ts';
import type { Item, ItemKind, ItemOf } from './types.ts';

/** The stage on whose sheet an item is told about. */
export type ItemStage = 'lights' | 'drive' | 'power';

/**
 * What an item is to the others: it lights, draws, is heard by a board, is a board, feeds, passes on what feeds it, or
 * switches what hangs on it.
 */
export type ItemRole = 'light' | 'load' | 'control' | 'board' | 'source' | 'passes' | 'switches';

/** What a field of an item may name. */
export type Nameable = 'feeder' | 'board' | 'pack' | 'tape' | 'gate' | 'driver' | 'box' | 'switch' | 'channel';

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
      readonly band: Band;
      readonly isWhole?: boolean;
      /** What stands in an empty field; a row without it can't be left empty. */
      readonly empty?: string;
      /** An emptied field is left out of the item, rather than null. */
      readonly isLeftOut?: boolean;
      /** A figure with its origin: a fresh one is a guess until the maker says more. */
      readonly isFigure?: boolean;
    })
  | (Row & { readonly type: 'choice'; readonly options: readonly { readonly value: string; readonly label: string }[] })
  | (Row & { readonly type: 'tick' })
  | (Row & { readonly type: 'part'; readonly partKind: Part['kind']; readonly none?: string })
  | (Row & {
      readonly type: 'rating';
      readonly unit: QuantityKind;
      readonly ratings: readonly number[];
      readonly none: string;
    })
  | (Row & { readonly type: 'named'; readonly names: Nameable; readonly none: string })
  | (Row & { readonly type: 'switched by' });

/** What a fresh item is made of. */
export interface Fresh {
  readonly id: string;
  readonly name: string;
  readonly at: PlanPoint;
}

/** All that a kind of item says of itself. */
export interface KindDefinition<K extends ItemKind = ItemKind> {
  readonly kind: K;
  /** What it is called on a sheet. */
  readonly name: string;
  /** What a fresh one is called before its number, where that is shorter. */
  readonly freshName?: string;
  readonly stage: ItemStage;
  readonly role: ItemRole;
  readonly create: (fresh: Fresh) => ItemOf<K>;
  readonly rows: readonly FormRow[];
  /** The parts that it names, by field. */
  readonly parts: (item: ItemOf<K>) => readonly PartNamed[];
}

/** A part that an item names; null = not chosen. */
export interface PartNamed {
  readonly field: string;
  readonly partKind: Part['kind'];
  readonly part: string | null;
}

/** A definition whose kind is not known where it is used. */
export type AnyKind = Omit<KindDefinition, 'create' | 'parts'> & {
  readonly create: (fresh: Fresh) => Item;
  readonly parts: (item: Item) => readonly PartNamed[];
};

/** The ways of a switched item with which a fresh one begins. */
export const asReckoned = { way: 'auto' } as const;
