import { tellTooFast } from '../../findings/index.ts';
import { chemistryNames } from '../../parts/index.ts';
import { chargeTime, planCharging } from '../../power/index.ts';
import { amps, fillSum, say } from '../../units/index.ts';
import { ask, assume, choice } from '../inputs.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure, text } from '../sum.ts';

/** Answers charging: rate, time, and whether the cell bears it. */
export const chargeSum = defineSum({
  name: 'charge',
  title: 'Charging',
  about:
    'The current a pack may be charged with, how long it takes, and whether a load keeps the charger going for ever.',
  group: 'power',
  inputs: {
    capacityMah: ask('capacityMah', 'capacity', 'Capacity', 850, { most: 1e6, usual: [50, 20_000] }),
    chemistry: choice('chemistry', 'Chemistry', chemistryNames, 'lithium-ion'),
    chargerA: ask('currentA', 'charger', 'Charger', 0.425, { most: 50, usual: [0.02, 5] }),
    loadA: assume('currentA', 'load', 'Load that stays connected', 0, { least: 0, most: 50 }),
  },
  reckon: ({ capacityMah, chemistry, chargerA, loadA }) => {
    const plan = planCharging({ chemistry, capacityMah, chargerA, loadA });
    if (!plan)
      return {
        results: [text('allowed', 'May be charged', false)],
        steps: [],
        findings: [
          finding(
            'never-charge',
            'stop',
            `${chemistry[0]?.toUpperCase()}${chemistry.slice(1)} cells must never be charged`,
            'They leak or burst.',
            'Exchange them, or take a rechargeable kind.',
          ),
        ],
      };
    const fast = tellTooFast({
      charger: 'The charger',
      pack: 'the pack',
      chargerA,
      mostA: plan.mostA,
      chemistry,
    });
    return {
      results: [
        mainFigure('hours', 'Takes', 'timeH', plan.hours),
        figure('mostA', 'At most', 'currentA', plan.mostA),
        figure('leastA', 'Sensible from', 'currentA', plan.leastA),
        figure('endA', 'The charger stops at', 'currentA', plan.endA),
        text('neverEnds', 'Charging never ends', plan.neverEnds),
      ],
      steps: [fillSum(chargeTime, { C: capacityMah, I: chargerA })],
      findings: findingsWhere(
        [plan.tooFast, finding(fast.rule, fast.gravity, fast.what, fast.why, fast.mend)],
        [
          plan.neverEnds,
          finding(
            'charge-and-use',
            'stop',
            say`A load of ${amps(loadA)} is over the end current of ${amps(plan.endA)}: the charger never stops`,
            'It takes the load for a cell that is not full.',
            'Cut the load off while charging, proven by the wiring, or a charger that shares the load.',
          ),
        ],
        [
          true,
          finding(
            'attended',
            'mind',
            'Charge it where you see it, on something that does not burn',
            'Most lithium fires begin on the charger.',
            'A charger made for this chemistry, never inside a closed piece, never asleep.',
          ),
        ],
      ),
    };
  },
});
