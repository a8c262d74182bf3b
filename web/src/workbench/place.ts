import type { Stage } from '@glimmer/core/items';

/** A place that can be gone to. */
export interface Place {
  readonly key: string;
  readonly name: string;
  readonly what: string;
  /** By which it is found too. */
  readonly also: string;
  /** A stage of this plan, or a page of the app. */
  readonly to:
    | { readonly stage: Stage; readonly pointId: string | null; readonly findingId?: string }
    | { readonly page: string };
  /** It explains something, and nothing is done there. */
  readonly explains?: true;
  /** Done before it is gone to. */
  readonly before?: () => void;
}
