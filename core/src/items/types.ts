import type { z } from 'zod';
import type { itemSchema } from './schema.ts';
import type { switchedBy } from './schemaFields.ts';

type DeepReadonly<T> = T extends object ? { readonly [Key in keyof T]: DeepReadonly<T[Key]> } : T;

/** Anything in a plan: what it is, where it sits, and the few things that the maker decides about its wiring. */
export type Item = DeepReadonly<z.infer<typeof itemSchema>>;
export type ItemKind = Item['kind'];
export type ItemOf<K extends ItemKind> = Extract<Item, { kind: K }>;

/** How a channel is switched: one way, with what it names. */
export type SwitchedBy = DeepReadonly<z.infer<typeof switchedBy>>;

export type LightItem = ItemOf<'light'>;
export type PixelTapeItem = ItemOf<'pixel tape'>;
export type PlainTapeItem = ItemOf<'plain tape'>;
export type BoardItem = ItemOf<'board'>;
export type PackItem = ItemOf<'pack'>;
export type OutsideSupplyItem = ItemOf<'outside supply'>;
export type ConverterItem = ItemOf<'converter'>;
export type LeadSwitchItem = ItemOf<'switch'>;
export type LoadItem = ItemOf<'load'>;
export type LightGateItem = ItemOf<'light gate'>;
export type DriverItem = ItemOf<'driver'>;
export type BoxItem = ItemOf<'box'>;
export type SignalItem = ItemOf<'signal'>;
/** What a board listens to. */
export type Control = ItemOf<
  'button' | 'latching switch' | 'tilt switch' | 'remote' | 'light sensor' | 'charge sense' | 'signal'
>;
