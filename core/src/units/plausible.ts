import { type Message, quantity, say } from './message.ts';
import { type QuantityKind, quantityKinds } from './quantity.ts';

/** The limits of a field: outside `least…most` is refused, outside `usual` is questioned. */
export interface Band {
  /** Refused below. */
  readonly least: number;
  /** Refused above. */
  readonly most: number;
  /** Outside of this it is asked about. */
  readonly usual?: readonly [number, number];
  /** Things that are counted: there is no half of one. */
  readonly whole?: boolean;
}

/** A value that was taken, with a question where it is far from what is usual. */
export type Judged =
  | {
      readonly ok: true;
      /** In base units. */
      readonly value: number;
      /** What was likely meant, where it is far from what is usual. */
      readonly didYouMean?: number;
    }
  | { readonly ok: false; readonly problem: Message };

/** Slips of a prefix, a decimal point or an inch, most likely first. */
const slips = [1e-3, 1e3, 0.1, 10, 25.4, 1 / 25.4, 1e-2, 1e2, 1e-6, 1e6];

/**
 * Judges a value against its band. Outside the limits it is refused with both numbers; outside the usual range
 * the nearest slip (mA for A, mm for cm, a lost decimal point) that lands inside is offered.
 * @example judge('currentA', 20, { least: 0, most: 100, usual: [0.001, 3] }) // did you mean 20.0 mA?
 */
export function judge(kind: QuantityKind, value: number, band: Band): Judged {
  const show = (number: number): Message => quantity(kind, number);
  if (!Number.isFinite(value))
    return { ok: false, problem: `not a number; write it such as ${quantityKinds[kind].example}` };
  if (band.whole && !Number.isInteger(value))
    return {
      ok: false,
      problem: say`${show(value)} must be a whole number, such as ${show(Math.max(band.least, Math.round(value)))}`,
    };
  const slip = (low: number, high: number): number | undefined =>
    slips.map((factor) => value * factor).find((candidate) => candidate >= low && candidate <= high);
  if (value < band.least || value > band.most) {
    const meant = band.usual && slip(band.usual[0], band.usual[1]);
    const hint = meant === undefined ? '' : say` Did you mean ${show(meant)}?`;
    return { ok: false, problem: say`${show(value)} is outside ${show(band.least)} to ${show(band.most)}.${hint}` };
  }
  if (!band.usual || (value >= band.usual[0] && value <= band.usual[1])) return { ok: true, value };
  const meant = slip(band.usual[0], band.usual[1]);
  return meant === undefined ? { ok: true, value } : { ok: true, value, didYouMean: meant };
}
