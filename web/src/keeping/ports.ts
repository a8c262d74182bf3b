import type { KeptRecord, Stamp } from './record.ts';

/** The browser's own store: one newest state of each plan, and what could not be written over another tab's. */
export interface StorePort<P> {
  /** Undefined where this browser has none. */
  readonly read: (id: string) => Promise<KeptRecord<P> | undefined>;
  /**
   * Writes a state, unless the store holds one that it did not grow from: that one is given back then, and stays.
   * @throws where the store takes nothing (private window, full disk)
   */
  readonly write: (record: KeptRecord<P>, grewFrom: Stamp | null) => Promise<KeptRecord<P> | null>;
  /** Notes what is known of the server beside whatever state is held. */
  readonly note: (id: string, change: (record: KeptRecord<P>) => KeptRecord<P>) => Promise<void>;
  /** Those that the server has not seen. */
  readonly listWaiting: () => Promise<readonly KeptRecord<P>[]>;
  /** What was set aside at a clash. */
  readonly readAside: (id: string) => Promise<KeptRecord<P> | undefined>;
  /** Null forgets it. */
  readonly keepAside: (id: string, record: KeptRecord<P> | null) => Promise<void>;
}

/** A plan as the server has confirmed it; `saveId` = of the save that made it. */
interface Confirmed<P> {
  readonly plan: P;
  readonly revision: number;
  readonly saveId: string | null;
}

/** Why the server did not confirm a save. */
type SaveFailure =
  | { readonly kind: 'away' }
  | { readonly kind: 'newer' }
  | { readonly kind: 'refused'; readonly why: string };

interface ServerPort<P> {
  readonly load: (id: string) => Promise<Confirmed<P>>;
  readonly save: (plan: P, basedOn: number, saveId: string) => Promise<{ readonly revision: number }>;
  /** Adds a plan of its own. */
  readonly add: (plan: P) => Promise<void>;
  /** What an error of these means. */
  readonly explain: (error: unknown) => SaveFailure;
}

/** What tabs of one browser tell each other. */
export type TabMessage<P> =
  | {
      readonly kind: 'edit';
      /** As it is after the edit. */
      readonly record: KeptRecord<P>;
      /** The state that was edited. */
      readonly grewFrom: Stamp;
      /** The browser’s store has it. */
      readonly isStored: boolean;
    }
  | { readonly kind: 'confirmed'; readonly id: string; readonly stamp: Stamp; readonly revision: number };

/** All that a keeper reaches the world by. */
export interface KeeperPorts<P> {
  /** Of this browser. */
  readonly store: StorePort<P>;
  /** Of this workshop. */
  readonly server: ServerPort<P>;
  /** Heard by every other tab of this browser. */
  readonly tellTabs: (message: TabMessage<P>) => void;
  /** Runs work while no other tab runs work of this name. */
  readonly alone: (name: string, work: () => Promise<void>) => Promise<void>;
  /** Does something later; gives what calls it off. */
  readonly later: (ms: number, work: () => void) => () => void;
  /** An id that no other save has. */
  readonly newId: () => string;
  /** Puts a plan onto the bench. */
  readonly show: (plan: P) => void;
  /** The same plan as one of its own, of another name. */
  readonly copyOf: (plan: P, which: 'mine' | 'other') => P;
}
