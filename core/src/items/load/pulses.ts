import type { LoadPart } from '../../parts/index.ts';
import type { LoadItem } from '../types.ts';

/** The two ends of the way of nearly every servo. */
export const USUAL_PULSE_S = { rest: 0.001, work: 0.002 } as const;

/** The pulses that lead a load to its two places; null for one that is not led by pulses. */
export const pulsesOf = (
  { restPulseS, workPulseS }: Pick<LoadItem, 'restPulseS' | 'workPulseS'>,
  part: LoadPart | undefined,
): { readonly restS: number; readonly workS: number } | null =>
  part?.input === 'pulses'
    ? { restS: restPulseS ?? USUAL_PULSE_S.rest, workS: workPulseS ?? USUAL_PULSE_S.work }
    : null;
