import type { QuantityKind } from '../units/index.ts';

/** `stop` = will harm or can't work, `mend` = will disappoint, `mind` = know this. */
export type Gravity = 'stop' | 'mend' | 'mind';

/** The eight stages, in the order of the work. */
export const stages = ['piece', 'lights', 'moods', 'drive', 'power', 'wires', 'bench', 'logbook'] as const;
export type Stage = (typeof stages)[number];

/** One change to a design, as data: the value at a path of keys is replaced. */
export interface Change {
  readonly path: readonly (string | number)[];
  readonly value: unknown;
}

/** A mend that can be computed: made with one click, undone with one more. */
export interface Fix {
  readonly label: string;
  readonly changes: readonly Change[];
}

/** A number with what it counts. */
interface Quantity {
  readonly kind: QuantityKind;
  readonly value: number;
}

/** A flaw in the plan, or something to know about it. */
export interface Finding {
  /** Stable: the rule, and what it is about. */
  readonly id: string;
  readonly gravity: Gravity;
  readonly stage: Stage;
  /** The thing in the plan that it is about, so that the picture can point at it. */
  readonly aboutId: string | null;
  /** What is so, and what it should keep to, where both are quantities. */
  readonly actual?: Quantity;
  readonly limit?: Quantity;
  readonly what: string;
  readonly why: string;
  readonly mend: string;
  readonly fixes: readonly Fix[];
}
