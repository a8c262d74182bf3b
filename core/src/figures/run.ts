import { cutLength, type WireRun, waysOfRun } from '../network/index.ts';
import { amps, fillSum, gauge, mm, say } from '../units/index.ts';
import { wireDrop, wireOhmPerMetre } from '../wires/index.ts';
import type { Explanation } from './figure.ts';

/** How a run of wire came about. */
export function explainRun(run: WireRun, distanceOnPictureMm: number | null): Explanation {
  return {
    title: run.name,
    answer: say`${run.lengthMm === null ? 'no length yet,' : mm(run.lengthMm)} of ${gauge(run.gaugeAwg)}`,
    lead: run.lengthOverruled
      ? 'The length is your own.'
      : run.lengthMm === null
        ? 'One of its ends has no place yet: lay it on the picture.'
        : 'The length follows from the picture, with slack.',
    lines: [
      { label: 'carries in a bundle', value: amps(run.carriesA) },
      ...(run.peakA === null ? [] : [{ label: 'flows at peak', value: amps(run.peakA) }]),
    ],
    sums: [
      ...(run.lengthOverruled || distanceOnPictureMm === null ? [] : [fillSum(cutLength, { d: distanceOnPictureMm })]),
      ...(run.peakA === null || run.lengthMm === null
        ? []
        : [fillSum(wireDrop, { n: waysOfRun(run), I: run.peakA, L: run.lengthMm, r: wireOhmPerMetre(run.gaugeAwg) })]),
    ],
    doubt: null,
  };
}
