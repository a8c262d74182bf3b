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

/** Looks through an assessed design for one sort of flaw; gives all of them, each with its mends. */
export type Rule = (input: RuleInput) => readonly Finding[];
