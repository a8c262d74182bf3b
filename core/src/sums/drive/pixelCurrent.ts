import { percent, say } from '../../units/index.ts';
import { ask, assume, choice } from '../inputs.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';

/** Answers what pixels draw by colour and brightness. */
export const pixelCurrentSum = defineSum({
  name: 'pixel-current',
  title: 'What pixels draw',
  about: 'Current dark, in a colour and in white, at a brightness.',
  group: 'power',
  inputs: {
    pixels: ask('count', 'pixels', 'Pixels', 66, { whole: true, least: 1, most: 100_000, usual: [1, 3000] }),
    red: assume('fraction', 'red', 'Red', 1, { least: 0, most: 1 }),
    green: assume('fraction', 'green', 'Green', 1, { least: 0, most: 1 }),
    blue: assume('fraction', 'blue', 'Blue', 1, { least: 0, most: 1 }),
    brightness: assume('fraction', 'brightness', 'Brightness', 1, { least: 0, most: 1 }),
    lit: assume('fraction', 'lit', 'Share of them lit', 1, { least: 0, most: 1 }),
    restA: assume('currentA', 'rest', 'Rest current of one', 0.0008, { least: 0, most: 0.01 }),
    dieA: assume('currentA', 'die', 'One die at full', 0.012, { most: 0.1, usual: [0.004, 0.025] }),
    white: choice('white', 'White comes from', ['three dice', 'a white die'], 'three dice'),
  },
  reckon: ({ pixels, red, green, blue, brightness, lit, restA, dieA, white }) => {
    // A white die takes the place of what the three have in common: two dice in three are saved of it.
    const saved = white === 'a white die' ? 2 : 0;
    const dice = red + green + blue - saved * Math.min(red, green, blue);
    const restTotal = pixels * restA;
    const whiteA = restTotal + pixels * (3 - saved) * dieA;
    const nowA = restTotal + pixels * lit * dice * dieA * brightness;
    return {
      results: [
        mainFigure('currentA', 'Draws', 'currentA', nowA),
        figure('darkA', 'Dark', 'currentA', restTotal),
        figure('whiteA', 'All white at full', 'currentA', whiteA),
        figure('oneDieA', 'One colour at full', 'currentA', restTotal + pixels * dieA),
        figure('eachA', 'One pixel, white at full', 'currentA', restA + (3 - saved) * dieA),
      ],
      steps: [],
      findings: findingsWhere([
        restTotal > 0.3 * nowA,
        finding(
          'rest-draw',
          'mind',
          say`${percent(restTotal / nowA)} of it is drawn by chips that are dark`,
          'A pixel draws even when it is black, all night and all week.',
          'Switch the tape’s supply off, not only its light.',
        ),
      ]),
    };
  },
});
