import { layersForRatio, throughLayers } from '../../lights/index.ts';
import { fillSum } from '../../units/index.ts';
import { ask } from '../inputs.ts';
import { defineSum, figure, finding, mainFigure } from '../sum.ts';

/** Answers light that comes where it should not. */
export const lightBleedSum = defineSum({
  name: 'light-bleed',
  title: 'Keeping light in',
  about: 'Layers of a material that hold the light back to a ratio.',
  group: 'lights',
  inputs: {
    transmission: ask('fraction', 'through', 'One layer lets through', 0.35, { least: 0.001, most: 0.99 }),
    ratio: ask('count', 'ratio', 'Inside against outside', 50, { least: 1.1, most: 1e6 }),
  },
  reckon: ({ transmission, ratio }) => {
    const layers = layersForRatio.reckon({ T: transmission, k: ratio });
    return {
      results: [
        mainFigure('layers', 'Layers', 'count', layers),
        figure('through', 'They let through', 'fraction', throughLayers(transmission, layers)),
        figure('throughOneLess', 'One less would let through', 'fraction', throughLayers(transmission, layers - 1)),
      ],
      steps: [fillSum(layersForRatio, { T: transmission, k: ratio })],
      findings: [
        finding(
          'seams',
          'mind',
          'Seams and screw holes leak more than walls',
          'The sum is for whole layers.',
          'Look at it in a dark room before the last glue.',
        ),
      ],
    };
  },
});
