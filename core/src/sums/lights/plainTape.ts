import { longestTapeMm, tapeCurrent } from '../../lights/index.ts';
import { amps, fillSum, say } from '../../units/index.ts';
import { ask, assume } from '../inputs.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';

/** Answers what plain tape draws, and how much a supply feeds. */
export const plainTapeSum = defineSum({
  name: 'plain-tape',
  title: 'Plain tape on a supply',
  about: 'What a plain tape draws, in white and in one colour, and how much of it a supply feeds.',
  group: 'lights',
  inputs: {
    powerPerMetreW: ask('powerPerMetreW', 'power', 'Power of a metre', 9.6, { most: 60, usual: [2, 25] }),
    lengthMm: ask('lengthMm', 'length', 'Length', 2400, { most: 100_000, usual: [50, 10_000] }),
    voltageV: assume('voltageV', 'volts', 'Voltage', 12, { least: 3, most: 48 }),
    supplyA: ask('currentA', 'supply', 'What the supply gives', 1.5, { most: 50, usual: [0.1, 20] }),
    colours: assume('count', 'colours', 'Colours', 3, { whole: true, least: 1, most: 5 }),
  },
  reckon: ({ powerPerMetreW, lengthMm, voltageV, supplyA, colours }) => {
    const whiteA = tapeCurrent.reckon({ P: powerPerMetreW, L: lengthMm, U: voltageV });
    const longestMm = longestTapeMm(supplyA, voltageV, powerPerMetreW);
    return {
      results: [
        mainFigure('whiteA', 'Draws, all colours lit', 'currentA', whiteA),
        figure('oneColourA', 'Draws in one colour', 'currentA', whiteA / colours),
        figure('longestMm', 'Longest that the supply feeds in white', 'lengthMm', longestMm),
        figure('brightnessInWhite', 'Brightness that it feeds in white', 'fraction', Math.min(1, supplyA / whiteA)),
      ],
      steps: [fillSum(tapeCurrent, { P: powerPerMetreW, L: lengthMm, U: voltageV })],
      findings: findingsWhere(
        [
          whiteA > supplyA,
          finding(
            'supply-short',
            'stop',
            say`White asks ${amps(whiteA)} of a supply of ${amps(supplyA)}`,
            'It sags, hiccups or trips.',
            'A shorter tape, a larger supply, less brightness, or never all colours at once.',
          ),
        ],
        [
          colours > 1,
          finding(
            'common-plus',
            'mind',
            'The common core is plus, not minus',
            'On tapes of several colours the fourth core usually carries the supply; each colour is switched to minus.',
            'Measure before you join it; join the minus of every supply that shares a signal.',
          ),
        ],
      ),
    };
  },
});
