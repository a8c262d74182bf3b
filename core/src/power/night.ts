import { defineFormula } from '../units/index.ts';
import { countedCurrentA } from './packModel.ts';
import { type Operation, operate, type PowerPath } from './path.ts';

/** One stretch of the evening: what is drawn on the rail on the mean, and at its height. */
export interface NightStretch {
  readonly moodId: string;
  readonly minutes: number;
  readonly meanA: number;
  readonly peakA: number;
}

export interface NightSample {
  readonly atH: number;
  readonly packV: number;
  /** Pack voltage at the height of the mood. */
  readonly peakV: number;
  readonly railV: number;
  readonly packA: number;
  readonly charge: number;
  readonly moodId: string;
}

/** Why an evening ends. `lasts` = it had not ended when the reckoning stopped. */
export type NightEnd = 'empty' | 'cut-off' | 'drops out' | 'resets' | 'lasts';

export interface NightRun {
  readonly hours: number;
  readonly end: NightEnd;
  readonly samples: readonly NightSample[];
  /** Charge that flowed out of the pack, and energy from the cell, its losses included. */
  readonly drawnMah: number;
  readonly drawnWh: number;
}

export const plainRunTime = defineFormula({
  name: 'Plain run time',
  gives: { meaning: 'time, at best', kind: 'timeH' },
  symbols: {
    C: { meaning: 'capacity', kind: 'capacityMah' },
    I: { meaning: 'mean current from the pack', kind: 'currentA' },
  },
  form: '{t} = {C} / {I}',
  source: 'charge ÷ current: holds only for an ideal pack',
  reckon: ({ C, I }) => C / 1000 / I,
});

const endWords: Readonly<Record<NightEnd, string>> = {
  empty: 'the pack is empty',
  'cut-off': 'the cell reaches its cut-off voltage',
  'drops out': 'the converter drops out',
  resets: 'a peak pulls the rail down and the controller resets',
  lasts: 'it had not ended when the reckoning stopped',
};

export const describeEnd = (end: NightEnd): string => endWords[end];

function findEnd(path: PowerPath, charge: number, stretch: NightStretch, mean: Operation): NightEnd | null {
  if (charge <= 0) return 'empty';
  if (mean.collapses) return 'resets';
  if (mean.packV < path.pack.cutOffV) return 'cut-off';
  if (path.converter && mean.packV < path.converter.inputLeastV) return 'drops out';
  const peak = operate(path, charge, stretch.peakA);
  if (peak.collapses || (path.converter ? peak.packV < path.converter.inputLeastV : peak.railV < path.brownOutV))
    return 'resets';
  return null;
}

/**
 * Runs an evening down: the course of stretches again and again, state of charge integrated step by step, until the
 * pack is empty, the cell cuts off, the converter drops out, a peak resets the controller, or `mostHours` have passed.
 * Throws nothing; an evening without stretches lasts for ever and gives no samples.
 */
export function runNight(
  path: PowerPath,
  course: readonly NightStretch[],
  options: { readonly stepS: number; readonly mostHours: number; readonly keepSamples?: boolean },
): NightRun {
  const { stepS, mostHours, keepSamples = true } = options;
  const samples: NightSample[] = [];
  let [charge, atH, drawnMah, drawnWh] = [1, 0, 0, 0];
  const stretches = course.filter((stretch) => stretch.minutes > 0);
  if (stretches.length === 0) return { hours: mostHours, end: 'lasts', samples, drawnMah, drawnWh };

  let index = 0;
  let leftS = (stretches[0]?.minutes ?? 0) * 60;
  while (atH < mostHours) {
    const stretch = stretches[index % stretches.length];
    if (!stretch) break;
    const operation = operate(path, charge, stretch.meanA);
    const end = findEnd(path, charge, stretch, operation);
    if (end) return { hours: atH, end, samples, drawnMah, drawnWh };
    if (keepSamples) samples.push(takeSample(path, { atH, charge, stretch, operation }));
    const spanS = Math.min(stepS, leftS, (mostHours - atH) * 3600);
    const spanH = spanS / 3600;
    charge -= (countedCurrentA(path.pack, operation.packA) * 1000 * spanH) / path.pack.capacityMah;
    drawnMah += operation.packA * 1000 * spanH;
    drawnWh += operation.packA * operation.packV * spanH;
    atH += spanH;
    leftS -= spanS;
    if (leftS <= 1e-9) {
      index += 1;
      leftS = (stretches[index % stretches.length]?.minutes ?? 0) * 60;
    }
  }
  return { hours: atH, end: 'lasts', samples, drawnMah, drawnWh };
}

function takeSample(
  path: PowerPath,
  at: { atH: number; charge: number; stretch: NightStretch; operation: Operation },
): NightSample {
  const peak = operate(path, at.charge, at.stretch.peakA);
  const { packV, railV, packA } = at.operation;
  return {
    atH: at.atH,
    packV,
    peakV: peak.collapses ? 0 : peak.packV,
    railV,
    packA,
    charge: at.charge,
    moodId: at.stretch.moodId,
  };
}
