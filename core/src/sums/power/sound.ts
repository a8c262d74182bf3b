import { bridgePower, gainChange, startDipV } from '../../power/index.ts';
import { fillSum } from '../../units/index.ts';
import { ask, assume } from '../inputs.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';

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
    stallA: assume('currentA', 'stall', 'Stall current of a motor', 0, { least: 0, most: 100 }),
    sourceOhm: assume('resistanceOhm', 'source', 'Resistance in front of it', 0.25, { least: 0, most: 100 }),
    leastV: assume('voltageV', 'least', 'Controller resets below', 2.7, { least: 0, most: 24 }),
  },
  reckon: ({ supplyV, speakerOhm, beforeOhm, afterOhm, stallA, sourceOhm, leastV }) => {
    const dipV = startDipV(stallA, sourceOhm);
    const gain = gainChange.reckon({ Ra: beforeOhm, Rb: afterOhm });
    return {
      results: [
        mainFigure(
          'powerW',
          'Most power into the speaker',
          'powerW',
          bridgePower.reckon({ U: supplyV, R: speakerOhm }),
        ),
        figure('peakA', 'Peak current of it', 'currentA', supplyV / speakerOhm),
        figure('gainDb', 'Change of gain', 'decibelDb', gain),
        figure('loudness', 'Sounds as loud, times', 'count', 2 ** (gain / 10)),
        figure('dipV', 'Dip when the motor starts', 'voltageV', dipV),
        figure('atStartV', 'Supply then', 'voltageV', supplyV - dipV),
      ],
      steps: [
        fillSum(bridgePower, { U: supplyV, R: speakerOhm }),
        fillSum(gainChange, { Ra: beforeOhm, Rb: afterOhm }),
      ],
      findings: findingsWhere(
        [
          supplyV - dipV < leastV,
          finding(
            'stall-resets',
            'stop',
            'The motor’s start pulls the controller down',
            'Stall current starves everything on the same supply.',
            'A supply of its own with minus joined, or a reservoir and a slow start.',
          ),
        ],
        [
          gain > 0,
          finding(
            'gain-not-power',
            'mind',
            'More gain is not more power',
            'The supply and the speaker are the cap; past it the sound only breaks up. Twice as loud takes ten times the power.',
            'A better speaker or a higher supply.',
          ),
        ],
      ),
    };
  },
});
