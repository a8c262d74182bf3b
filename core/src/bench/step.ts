import type { Message } from '../units/index.ts';
import type { Expectation } from './expectation.ts';

/** The chapters of the build, in the order of the work. */
export const chapters = ['Before soldering', 'Soldering', 'Before power', 'First power', 'Lights', 'Closing'] as const;

/** One step of the build with its test. `final` = it can't be taken back, so everything it closes is tested before. */
export interface BenchStep {
  /** Stable: a done step is found again by it. */
  readonly id: string;
  readonly chapter: (typeof chapters)[number];
  readonly title: string;
  /** What the hands do. */
  readonly todo: Message;
  /** Where the meter’s two leads go; null where nothing is measured. */
  readonly probe: string | null;
  /** Null where nothing is measured. */
  readonly expect: Expectation | null;
  /** The usual one; null where there is none. */
  readonly caution: string | null;
  /** It can’t be taken back, so what it closes is tested before. */
  readonly final: boolean;
}

type Draft = Pick<BenchStep, 'id' | 'chapter' | 'title' | 'todo'> & Partial<BenchStep>;

/** A step of which only what it is for is said: nothing is measured, and it can be taken back. */
export const step = (draft: Draft): BenchStep => ({ probe: null, expect: null, caution: null, final: false, ...draft });
