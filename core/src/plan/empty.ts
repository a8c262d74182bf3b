import type { Design, Plan } from './types.ts';

/** A design in which nothing has been decided yet; what must have a value carries a usual one. */
export const emptyDesign: Design = {
  piece: {
    kind: 'prop',
    carriedBy: 'adult',
    setting: 'dry',
    ambientC: 18,
    hoursWanted: 3,
    copies: 1,
    budgetPerCopy: null,
    lightsItself: false,
  },
  view: { picture: { kind: 'none' }, widthMm: 400, heightMm: 280 },
  hollows: [],
  items: [],
  moods: { list: [], startId: null, cues: [], course: [], cueUses: [] },
  wires: { gaugesInStock: [30, 28, 26, 24, 22, 20], runs: [] },
};

/** A new plan of this name; the id comes from outside, since core makes nothing at random. */
export function createPlan(options: { readonly id: string; readonly name: string; readonly design?: Design }): Plan {
  return {
    format: 'unruly-glimmer-plan',
    version: 3,
    id: options.id,
    name: options.name,
    design: options.design ?? emptyDesign,
    bench: { readings: [], done: [] },
    logbook: { entries: [], runTests: [], versions: [] },
    pictures: {},
  };
}
