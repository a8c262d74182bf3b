import { defineFormula } from '../units/index.ts';

/** White of a pixel at full, all dice together, in millicandela: typical of the kind. */
export const PIXEL_MCD = 1800;

/** Share of the brightest place at which a spot is taken to end. */
const EDGE_SHARE = 1 / 30;

/** Radius at which a spot on a sheet has fallen to a share of its middle. @example 20 mm before the sheet, half as bright: 12.9 mm */
export const spotRadius = defineFormula({
  name: 'Radius of the spot that a light makes on its diffuser',
  gives: { meaning: 'radius', kind: 'lengthMm' },
  symbols: {
    h: { meaning: 'depth from light to diffuser', kind: 'lengthMm' },
    q: { meaning: 'share of the middle at which the spot ends', kind: 'fraction' },
  },
  form: '{r} = {h} · √(1/√{q} − 1)',
  source: 'cosine emitter on a parallel sheet: (1 + (r/h)²)⁻² of the middle',
  reckon: ({ h, q }) => h * Math.sqrt(1 / Math.sqrt(q) - 1),
});

/** How large a bare light looks beside others, in mm: it dazzles more than it measures. Found by eye. */
export const bareRadiusMm = (intensityMcd: number): number => 9 + 4 * Math.log10(Math.max(10, intensityMcd) / 100);

/** Radius of what is seen of a light: of its spot on the diffuser, or of the bare light; never less than half of that. */
export const spotRadiusMm = (bareMm: number, diffuserMm: number | undefined): number =>
  diffuserMm === undefined ? bareMm : Math.max(bareMm / 2, spotRadius.reckon({ h: diffuserMm, q: EDGE_SHARE }));
