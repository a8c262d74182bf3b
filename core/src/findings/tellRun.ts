import type { Told } from '../items/index.ts';
import { amps, gauge, type Message, mm, say, volts } from '../units/index.ts';
import { soldGauges } from '../wires/index.ts';

/** A run of wire, with what flows in it. */
export interface LoadedRun {
  readonly name: Message;
  /** What it is: its gauge, or another conductor. */
  readonly wire: Message;
  readonly peakA: number;
  /** In a bundle under cloth; null = not known of this conductor. */
  readonly carriesA: number | null;
  readonly dropV: number;
  readonly lengthMm: number;
  readonly mostDropV: number;
  /** All the time, not at the height alone. */
  readonly isSteady?: boolean;
  /** Whether a gauge that is sold would do. */
  readonly thicker: boolean;
}

/** What is left to do where even the thickest wire is not enough. */
const noneSuits = say`Not even ${gauge(Math.min(...soldGauges))} is enough: take a shorter way, two wires side by side, or feed it nearer to the pack.`;

/** What is amiss with a run of wire, wherever it is asked about; null where nothing is. */
export function tellRun(run: LoadedRun): Told | null {
  const { name, wire, peakA, carriesA, dropV, lengthMm, mostDropV, thicker, isSteady = false } = run;
  const when = isSteady ? '' : ' at peak';
  const mend = thicker ? 'Take thicker wire or a shorter way.' : noneSuits;
  if (carriesA !== null && peakA > carriesA * (1 + 1e-9))
    return {
      rule: 'wire',
      gravity: 'stop',
      what: say`${name}: ${wire} carries ${amps(carriesA)} in a bundle, and ${amps(peakA)} flow${when}`,
      why: 'Bundled under cloth it warms up until its insulation softens.',
      mend,
    };
  if (dropV <= mostDropV) return null;
  return {
    rule: 'wire',
    gravity: 'mend',
    what: say`${name} loses ${volts(dropV)}${when} on ${mm(lengthMm)} of ${wire}`,
    why: 'What is lost on the way is missing at the light, and the far end goes dim and warm.',
    mend,
  };
}
