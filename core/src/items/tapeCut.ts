import { defineFormula } from '../units/index.ts';

/** How many whole joints of a tape go on a route, and what is left over. */
export interface TapeCut {
  /** On what is lit. */
  readonly lights: number;
  /** From the first cut to the last. */
  readonly litLengthMm: number;
  /** Left dark at the end of the route. */
  readonly gapMm: number;
  /** The next cut down and up, with how much the route is too long or too short for it. */
  readonly shorter: { readonly lights: number; readonly lengthMm: number };
  /** One cut more: it would stand out by so much. */
  readonly longer: { readonly lights: number; readonly lengthMm: number; readonly overMm: number };
}

/** Lights of a tape that is cut at its marks. @example 1 m of 60 a metre, cut every 3: 60; 0.99 m: 57 */
export const tapeLights = defineFormula({
  name: 'Lights on a route',
  gives: { meaning: 'lights', kind: 'count' },
  symbols: {
    L: { meaning: 'length of the route', kind: 'lengthMm' },
    d: { meaning: 'lights a metre', kind: 'perMetre' },
    j: { meaning: 'lights from cut mark to cut mark', kind: 'count' },
  },
  form: '{N} = floor({L} · {d} / {j}) · {j}',
  source: 'tape is cut only at its marks',
  // The millionth part of a joint keeps a length that is exactly n joints from losing one to rounding.
  reckon: ({ L, d, j }) => Math.floor((L * d) / 1000 / j + 1e-6) * j,
});

/**
 * Cuts a tape for a route, at its marks only.
 * @example cutTape({ routeMm: 583, perMetre: 74, lightsPerJoint: 1 }) // 43 lights, 581.1 mm lit, 1.9 mm left
 */
export function cutTape(options: {
  /** What there is room for. */
  readonly routeMm: number;
  /** Lights of a metre. */
  readonly perMetre: number;
  /** From one mark to the next. */
  readonly lightsPerJoint: number;
}): TapeCut {
  const { routeMm, perMetre, lightsPerJoint } = options;
  const lengthOf = (lights: number): number => (lights * 1000) / perMetre;
  const lights = tapeLights.reckon({ L: Math.max(0, routeMm), d: perMetre, j: lightsPerJoint });
  const fewer = Math.max(0, lights - lightsPerJoint);
  const more = lights + lightsPerJoint;
  return {
    lights,
    litLengthMm: lengthOf(lights),
    gapMm: Math.max(0, routeMm - lengthOf(lights)),
    shorter: { lights: fewer, lengthMm: lengthOf(fewer) },
    longer: { lights: more, lengthMm: lengthOf(more), overMm: lengthOf(more) - routeMm },
  };
}
