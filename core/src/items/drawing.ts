import type { Element } from '../circuit/index.ts';
import type { Library } from '../parts/index.ts';

/**
 * The circuit of a plan while it is drawn with every core and element, in one condition: how full the packs are, what
 * is lit, which switches are open.
 */
export interface Drawing {
  readonly library: Library;
  /** The place of a port; for ports that nothing is joined to it is a place of their own. */
  readonly at: (itemId: string, port: string) => string;
  /** Lays elements of an item into the network. */
  readonly add: (itemId: string, ...elements: readonly Element[]) => void;
  /** Joins two places by mere metal. */
  readonly join: (a: string, b: string) => void;
  /** A place that voltages are counted from where nothing ties it to such a one yet: the minus of what gives power. */
  readonly countFrom: (place: string) => void;
  /** Whether a source stands behind what an item is fed with, and every switch before it is closed. */
  readonly isLive: (itemId: string) => boolean;
  /** Whether a switch in a lead is open just now. */
  readonly isOpen: (switchId: string) => boolean;
  /** The sides of a changeover that its rail takes from just now, by their ports. */
  readonly takenBy: (changeoverId: string) => readonly ('a' | 'b')[];
  /** What a source gives at this charge, with all that resists as far as its plus; null while its kind is not known. */
  readonly sourceOf: (itemId: string) => { readonly openV: number; readonly ohm: number } | null;
  /** What an item draws in this condition; 0 while that is not known. */
  readonly drawnA: (itemId: string) => number;
}
