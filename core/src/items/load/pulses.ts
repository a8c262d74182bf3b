import { findPart, type Library } from '../../parts/index.ts';
import type { Item } from '../types.ts';

/** The two ends of the way of nearly every servo. */
export const USUAL_PULSE_S = { rest: 0.001, work: 0.002 } as const;

/** The pulses that lead a load to where it stands still, and to where it is at work. */
export interface Pulses {
  readonly restS: number;
  readonly workS: number;
}

/** The pulses that lead a load to its two places; null for what is not led by pulses. */
export function pulsesOf(item: Item, library: Library): Pulses | null {
  if (item.kind !== 'load' || findPart(library, 'load', item.part)?.input !== 'pulses') return null;
  return { restS: item.restPulseS ?? USUAL_PULSE_S.rest, workS: item.workPulseS ?? USUAL_PULSE_S.work };
}
