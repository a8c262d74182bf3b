import { longestTapeMm, tapeCurrent } from '../../lights/index.ts';
import { amps, fillSum, say } from '../../units/index.ts';
import { SumError } from '../answer.ts';
import { ask, assume, optional } from '../inputs.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';

/** Answers what plain tape draws, and how much a supply feeds. */
export const plainTapeSum = defineSum({
  name: 'plain-tape',
  title: 'Plain tape on a supply',
  about: 'What a plain tape draws, all its colours lit or some, and how much of it a supply feeds.',
  group: 'lights',
  inputs: {
    powerPerMetreW: ask('powerPerMetreW', 'power', 'Power of a metre', 9.6, { most: 60, usual: [2, 25] }),
    lengthMm: ask('lengthMm', 'length', 'Length', 2400, { most: 100_000, usual: [50, 10_000] }),
    voltageV: assume('voltageV', 'volts', 'Voltage', 12, { least: 3, most: 48 }),
    supplyA: ask('currentA', 'supply', 'What the supply gives', 1.5, { most: 50, usual: [0.1, 20] }),
    colours: assume('count', 'colours', 'Colours', 3, { whole: true, least: 1, most: 5 }),
    lit: optional('count', 'lit', 'Lit at once, if not all', { whole: true, least: 1, most: 5 }),
  },
  reckon: ({ powerPerMetreW, lengthMm, voltageV, supplyA, colours, lit }) => {
    if (lit !== null && lit > colours)
      throw new SumError(`${lit} are lit at once of a tape that has ${colours}; give lit=${colours} or fewer`);
    const allA = tapeCurrent.reckon({ P: powerPerMetreW, L: lengthMm, U: voltageV });
    const litShare = (lit ?? colours) / colours;
    const litA = allA * litShare;
    const longestMm = longestTapeMm(supplyA, voltageV, powerPerMetreW * litShare);
    return {
      results: [
        mainFigure('litA', 'Draws, lit so', 'currentA', litA),
        figure('allA', 'Draws, all colours lit', 'currentA', allA),
        figure('oneColourA', 'Draws in one colour', 'currentA', allA / colours),
        figure('longestMm', 'Longest that the supply feeds, lit so', 'lengthMm', longestMm),
        figure('brightness', 'Brightness that it feeds, lit so', 'fraction', Math.min(1, supplyA / litA)),
      ],
      steps: [fillSum(tapeCurrent, { P: powerPerMetreW, L: lengthMm, U: voltageV })],
      findings: findingsWhere(
        [
          litA > supplyA,
          finding(
            'supply-short',
            'stop',
            say`Lit so, it asks ${amps(litA)} of a supply of ${amps(supplyA)}`,
            'It sags, hiccups or trips.',
            `A shorter tape, a larger supply, less brightness${litShare * colours > 1 ? ', or never so many colours at once' : ''}.`,
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
