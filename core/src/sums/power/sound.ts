import { tellStart } from '../../findings/index.ts';
import { bridgePower, gainChange, startDipV } from '../../power/index.ts';
import { fillSum } from '../../units/index.ts';
import { ask, assume, optional } from '../inputs.ts';
import { asInPlan, defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';

/** Answers an amplifier beside the lights. */
export const soundSum = defineSum({
  name: 'sound',
  title: 'Sound, motors and the supply',
  about: 'What an amplifier can give on a supply, what a resistor does to its gain, and the dip when a motor starts.',
  group: 'power',
  inputs: {
    supplyV: ask('voltageV', 'supply', 'Supply', 4.2, { most: 60, usual: [1.5, 30] }),
    speakerOhm: assume('resistanceOhm', 'speaker', 'Speaker', 4, { least: 1, most: 1000 }),
    beforeOhm: assume('resistanceOhm', 'before', 'Input resistor before', 47_000, { most: 1e8 }),
    afterOhm: assume('resistanceOhm', 'after', '… after', 22_000, { most: 1e8 }),
    stallA: assume('currentA', 'stall', 'Start of a motor, or its stall current', 0, { least: 0, most: 100 }),
    sourceOhm: assume('resistanceOhm', 'source', 'Resistance in front of it', 0.25, { least: 0, most: 100 }),
    leastV: assume('voltageV', 'least', 'Controller resets below', 2.7, { least: 0, most: 24 }),
    otherA: assume('currentA', 'other', 'All else draws meanwhile', 0, { least: 0, most: 200 }),
    limitA: optional('currentA', 'limit', 'The supply is good for', { most: 200 }),
  },
  reckon: ({ supplyV, speakerOhm, beforeOhm, afterOhm, stallA, sourceOhm, leastV, otherA, limitA }) => {
    const dipV = startDipV(stallA, sourceOhm);
    const isOfStart = stallA > 0;
    const gain = gainChange.reckon({ Ra: beforeOhm, Rb: afterOhm });
    return {
      // Asked for a start, what is left at it decides; else what the speaker gets.
      results: [
        (isOfStart ? figure : mainFigure)(
          'powerW',
          'Most power into the speaker',
          'powerW',
          bridgePower.reckon({ U: supplyV, R: speakerOhm }),
        ),
        figure('peakA', 'Peak current of it', 'currentA', supplyV / speakerOhm),
        figure('gainDb', 'Change of gain', 'decibelDb', gain),
        figure('loudness', 'Sounds as loud, times', 'count', 2 ** (gain / 10)),
        figure('dipV', 'Dip when the motor starts', 'voltageV', dipV),
        (isOfStart ? mainFigure : figure)('atStartV', 'Supply then', 'voltageV', supplyV - dipV),
      ],
      steps: [
        fillSum(bridgePower, { U: supplyV, R: speakerOhm }),
        fillSum(gainChange, { Ra: beforeOhm, Rb: afterOhm }),
      ],
      findings: [
        ...asInPlan(
          isOfStart
            ? tellStart({
                name: 'the supply',
                askedA: otherA + stallA,
                limitA,
                controller: supplyV >= leastV ? { railV: supplyV - dipV, resetsBelowV: leastV } : null,
              })
            : null,
        ),
        ...findingsWhere([
          gain > 0 && !isOfStart,
          finding(
            'gain-not-power',
            'mind',
            'More gain is not more power',
            'The supply and the speaker are the cap; past it the sound only breaks up. Twice as loud takes ten times the power.',
            'A better speaker or a higher supply.',
          ),
        ]),
      ],
    };
  },
});
