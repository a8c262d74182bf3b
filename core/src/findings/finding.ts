import type { Assessment } from '../assess.ts';
import type { Finding } from '../items/index.ts';
import type { Library } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';

/** What a rule may look at. */
export interface RuleInput {
  readonly design: Design;
  readonly assessment: Assessment;
  readonly library: Library;
}

export type Rule = (input: RuleInput) => readonly Finding[];
