import type { z } from 'zod';
import type { itemSchema } from './schema.ts';
import type { switchedBy } from './schemaFields.ts';

type DeepReadonly<T> = T extends object ? { readonly [Key in keyof T]: DeepReadonly<T[Key]> } : T;

/** Anything in a plan: what it is, where it sits, and the few things that the maker decides about its wiring. */
export type Item = DeepReadonly<z.infer<typeof itemSchema>>;
/** The name of a kind of item, as plans write it. */
export type ItemKind = Item['kind'];
/** An item of one of these kinds. */
export type ItemOf<K extends ItemKind> = Extract<Item, { kind: K }>;

/** How a channel is switched: one way, with what it names. */
export type SwitchedBy = DeepReadonly<z.infer<typeof switchedBy>>;

/** Single lights. */
export type LightItem = ItemOf<'light'>;
/** A pixel tape. */
export type PixelTapeItem = ItemOf<'pixel tape'>;
/** A plain tape. */
export type PlainTapeItem = ItemOf<'plain tape'>;
/** Fibres or light pipes. */
export type GuideItem = ItemOf<'guide'>;
/** A controller. */
export type BoardItem = ItemOf<'board'>;
/** A pack. */
export type PackItem = ItemOf<'pack'>;
/** An outside supply. */
export type OutsideSupplyItem = ItemOf<'outside supply'>;
/** A converter. */
export type ConverterItem = ItemOf<'converter'>;
/** A switch in a lead. */
export type LeadSwitchItem = ItemOf<'switch'>;
/** Two feeds to one rail. */
export type ChangeoverItem = ItemOf<'changeover'>;
/** A load that is no light. */
export type LoadItem = ItemOf<'load'>;
/** A light gate. */
export type LightGateItem = ItemOf<'light gate'>;
/** A part that scans a grid of lights. */
export type ScanDriverItem = ItemOf<'scan driver'>;
/** A light sensor. */
export type LightSensorItem = ItemOf<'light sensor'>;
/** A receiver. */
export type ReceiverItem = ItemOf<'receiver'>;
/** A control box. */
export type BoxItem = ItemOf<'box'>;
/** What a board listens to. */
export type Control = ItemOf<
  | 'button'
  | 'latching switch'
  | 'tilt switch'
  | 'remote'
  | 'light sensor'
  | 'charge sense'
  | 'knob'
  | 'motion sensor'
  | 'sound sensor'
  | 'signal'
>;
