import type { Told } from '../items/index.ts';
import { depthOverPitchFor, rippleOf } from '../lights/index.ts';
import { type Message, mm, percent, say } from '../units/index.ts';

/** Ripple behind a diffuser above which single dots are told apart close by. */
export const DOTS_RIPPLE = 0.08;

/** A row of lights behind a sheet. */
export interface BehindSheet {
  /** As it is called. */
  readonly name: Message;
  readonly depthMm: number;
  readonly pitchMm: number;
  /** Ripple that is even enough. */
  readonly evenEnough: number;
}

/** Depth at which a row is even enough. */
export const evenAtMm = ({ pitchMm, evenEnough }: Pick<BehindSheet, 'pitchMm' | 'evenEnough'>): number =>
  Math.ceil(depthOverPitchFor(evenEnough) * pitchMm * 10) / 10;

/** That the dots of a row show through its sheet; null where they do not. Wherever it is asked about. */
export function tellDots(row: BehindSheet): Told | null {
  const { name, depthMm, pitchMm, evenEnough } = row;
  const ripple = rippleOf(depthMm, pitchMm);
  if (ripple <= evenEnough) return null;
  return {
    rule: 'dots',
    gravity: 'mind',
    actual: { kind: 'fraction', value: ripple },
    limit: { kind: 'fraction', value: evenEnough },
    what: say`The dots of ${name} show through: ripple ${percent(ripple)} at ${mm(depthMm)} in front of lights ${mm(pitchMm)} apart`,
    why: 'Evenness follows depth over pitch, not the number of lights.',
    mend: say`${mm(evenAtMm(row))} of depth makes it soft (${percent(evenEnough)}), or a denser tape at the same depth. Where dots are wanted, all is well.`,
  };
}
