import { fetThrough } from '../drive/index.ts';
import type { TransistorSwitch } from './transistors.ts';

/** Stands for what does not conduct: typical leakage is 50 nA at 5 V. */
export const OFF_OHM = 1e8;

/** What a transistor that is told to be on resists, from a spent pack, half spent and fresh. */
export interface OnOhm {
  readonly spentOhm: number;
  readonly likelyOhm: number;
  readonly freshOhm: number;
}

/** The same over the pack's life: of a pin, or of a transistor that is full on. */
export const steadyOhm = (ohm: number): OnOhm => ({ spentOhm: ohm, likelyOhm: ohm, freshOhm: ohm });

const turnsFullOn = (gateV: number, part: TransistorSwitch['part']): boolean => gateV >= part.gateV - 1e-9;

/** Whether its pin turns it full on with the pack at its lowest. */
export const isFullOn = ({ part, driven }: Pick<TransistorSwitch, 'part' | 'driven'>): boolean =>
  turnsFullOn(driven.leastV, part);

/** What a channel takes behind its transistor at the same three times. */
interface ThroughIt {
  readonly spentA: number;
  readonly likelyA: number;
  readonly freshA: number;
}

/** Halvings after which a resistance between a thousandth of an ohm and `OFF_OHM` is known to the last digit. */
const HALVINGS = 60;

/**
 * What a transistor resists as it is driven: as it is promised where it is full on; else where its own law and what it
 * switches agree (bisection: what it would let through rises with its resistance, what flows falls). A base that gets too
 * little stays off.
 * @param channelBehind what flows through it, were it a resistance
 */
export function onOhmOf(
  { part, driven }: Pick<TransistorSwitch, 'part' | 'driven'>,
  channelBehind: (on: OnOhm) => ThroughIt,
): OnOhm {
  const fet = { thresholdV: part.thresholdV, onOhm: part.onOhm, promisedAtV: part.gateV };
  const begin = (gateV: number): Bounds => ({
    gateV,
    least: part.onOhm,
    most: turnsFullOn(gateV, part) ? part.onOhm : OFF_OHM,
  });
  const halve = (bounds: Bounds, ohm: number, currentA: number): Bounds =>
    part.type === 'field-effect' && fetThrough(ohm * currentA, bounds.gateV, fet) >= currentA
      ? { ...bounds, most: ohm }
      : { ...bounds, least: ohm };
  let [spent, likely, fresh] = [begin(driven.leastV), begin(driven.nominalV), begin(driven.mostV)];
  for (let i = 0; i < HALVINGS; i++) {
    const on: OnOhm = { spentOhm: middle(spent), likelyOhm: middle(likely), freshOhm: middle(fresh) };
    const { spentA, likelyA, freshA } = channelBehind(on);
    spent = halve(spent, on.spentOhm, spentA);
    likely = halve(likely, on.likelyOhm, likelyA);
    fresh = halve(fresh, on.freshOhm, freshA);
  }
  return { spentOhm: spent.most, likelyOhm: likely.most, freshOhm: fresh.most };
}

/** Between which its resistance lies, at one voltage of its gate. */
interface Bounds {
  readonly gateV: number;
  readonly least: number;
  readonly most: number;
}

/** By ratio: it may be anything from milliohms to what leaks. */
const middle = ({ least, most }: Bounds): number => Math.sqrt(Math.max(LEAST_OHM, least) * Math.max(LEAST_OHM, most));
const LEAST_OHM = 1e-4;
