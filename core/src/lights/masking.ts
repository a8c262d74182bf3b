import { defineFormula } from '../units/index.ts';

/** Layers of a foil that dim by so many times. @example 30 % through each, a hundred times: 4 */
export const layersForRatio = defineFormula({
  name: 'Layers that hold the light back',
  gives: { meaning: 'layers', kind: 'count' },
  symbols: {
    T: { meaning: 'share that one layer lets through', kind: 'fraction' },
    k: { meaning: 'wanted ratio of inside to outside', kind: 'count' },
  },
  form: '{n} = ceil(ln({k}) / −ln({T}))',
  source: 'layers multiply: each lets through the same share of what reaches it',
  reckon: ({ T, k }) => Math.ceil(Math.log(k) / -Math.log(T) - 1e-9),
});

/** What several layers let through. @example 0.35 in four layers: 0.0150 */
export const throughLayers = (transmission: number, layers: number): number => transmission ** layers;
