import type { Item } from './types.ts';

/** Fields to be set: a name may lead deeper by dots (`places.0.hollowId`); undefined takes an optional field away. */
export type Fields = Readonly<Record<string, unknown>>;

/** Where a move stands: on a light group or set in a mood or a sign, or as one of those laid upon a mood’s. */
export type MoveAt =
  | { readonly moodId: string; readonly on: string }
  | { readonly moodId: string; readonly topId: string }
  | { readonly signId: string; readonly on: string };

/** One change to a design, as data. What it changes is told by its id, so that it means the same after other changes. */
export type Edit =
  | { readonly kind: 'item' | 'hollow' | 'mood' | 'set'; readonly id: string; readonly fields: Fields }
  | { readonly kind: 'add item'; readonly item: Item }
  | { readonly kind: 'move'; readonly at: MoveAt; readonly move: Fields }
  /** What the maker says of a wire run; null is what was reckoned. */
  | { readonly kind: 'run'; readonly id: string; readonly fields: Fields };
