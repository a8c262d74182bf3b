import type { Design } from '@glimmer/core/plan';
import { type TriedPart, tryParts } from '@glimmer/core/trial';
import { expose } from 'comlink';

/** Which parts, in the stead of what an item names in a field. */
export interface Trial {
  readonly itemId: string;
  readonly field: string;
  readonly partIds: readonly string[];
}

const api = {
  /** @param onTried told how many are done */
  tryParts: (design: Design, trial: Trial, onTried: (done: number) => void): readonly TriedPart[] =>
    tryParts(design, trial, onTried),
};

/** What it can be asked. */
export type TrialApi = typeof api;
expose(api);
