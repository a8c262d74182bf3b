import type { Message, Quantity } from '../units/index.ts';
import type { Edit } from './edit.ts';

/** `stop` = will harm or can't work, `mend` = will disappoint, `mind` = know this. */
export type Gravity = 'stop' | 'mend' | 'mind';

/** The eight stages, in the order of the work. */
export const stages = ['piece', 'lights', 'moods', 'drive', 'power', 'wires', 'bench', 'logbook'] as const;
/** One of the eight stages of the work. */
export type Stage = (typeof stages)[number];

/** A mend that can be computed: made with one click, undone with one more. */
export interface Fix {
  /** What the button says. */
  readonly label: Message;
  /** What it changes, all as one step. */
  readonly edits: readonly Edit[];
}

/** A flaw in the plan or in what a quick sum was asked, or something to know about it. */
export interface Finding {
  /** Stable: the rule, and what it is about. */
  readonly id: string;
  /** The rule that found it. */
  readonly rule: string;
  /** How bad it is. */
  readonly gravity: Gravity;
  /** On whose sheet it stands; null for what a quick sum finds. */
  readonly stage: Stage | null;
  /** The thing in the plan that it is about, so that the picture can point at it. */
  readonly aboutId: string | null;
  /** What is so, and what it should keep to, where both are quantities. */
  readonly actual?: Quantity;
  /** What it should keep to. */
  readonly limit?: Quantity;
  /** What is so, with its values. */
  readonly what: Message;
  /** What it would do. */
  readonly why: Message;
  /** What to do. */
  readonly mend: Message;
  /** Mends that one click makes. */
  readonly fixes: readonly Fix[];
}

/** What is told of a thing wherever it is asked about: in a plan, which adds where it stands and how it is mended, or in a sum. */
export type Told = Omit<Finding, 'id' | 'stage' | 'aboutId' | 'fixes'>;

/** The name of a finding: its rule, and the ids of what it is about. */
export const named = (rule: string, ...about: readonly (string | number)[]): Pick<Finding, 'id' | 'rule'> => ({
  id: [rule, ...about].join(':'),
  rule,
});
