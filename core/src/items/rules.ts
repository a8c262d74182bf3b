import type { Library } from '../parts/index.ts';
import type { Message } from '../units/index.ts';
import type { Finding, Fix } from './finding.ts';
import type { RailRange } from './gives.ts';
import type { SwitchedBy } from './types.ts';

/** A channel of an item as a rule sees it. */
export interface RuledChannel {
  /** From 0. */
  readonly channel: number;
  /** Null where nothing feeds it. */
  readonly railId: string | null;
  /** The item that switches it, where that is one of its own. */
  readonly byId: string | null;
  /** How it is switched, after "switched by". */
  readonly words: string;
  /** A pin switches it. */
  readonly isByPin: boolean;
  /** By way of a transistor. */
  readonly isByTransistor: boolean;
  /** The net on its plus side is the rail, its own channel, or what switches it. */
  readonly plusSide: 'rail' | 'channel' | 'by';
}

/** What a kind's own rules may look at, beside the item. */
export interface Ruled {
  readonly library: Library;
  /** Who carries it, and in what weather. */
  readonly piece: { readonly carriedBy: 'adult' | 'child' | 'nobody'; readonly setting: 'dry' | 'splash' | 'rain' };
  /** What feeds it gives this over its life; null while that is not known. */
  readonly range: RailRange | null;
  readonly channels: readonly RuledChannel[];
  /** Whether there is a controller at all. */
  readonly hasBoards: boolean;
  /** A mend that sets fields of the item. */
  readonly set: (label: Message, fields: Readonly<Record<string, unknown>>) => Fix;
  /** A mend that switches all its channels in one way. */
  readonly switchAll: (label: string, way: SwitchedBy) => Fix;
}

/** A rule about one item of a kind. */
export type ItemRule<I> = (item: I, ruled: Ruled) => readonly Finding[];
