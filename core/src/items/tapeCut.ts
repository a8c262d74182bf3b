import { defineFormula } from '../units/index.ts';
import { legsOfRoute, measureRoute, type PlanPoint, walkRoute } from './geometry.ts';

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

/** Tape laid along a route: what is cut from the reel, in which pieces, and where its lights come to be. */
export interface LaidTape {
  /** Along the route, or as the maker said. */
  readonly routeMm: number;
  /** Of all pieces together. */
  readonly cut: TapeCut;
  /** Lights of each piece, from the start; one where the tape is not cut on its way. */
  readonly pieces: readonly number[];
  /** Of every light. */
  readonly places: readonly PlanPoint[];
}

/** Pieces put together: what is left over at each end is left over in all. */
function sumCuts(cuts: readonly TapeCut[], routeMm: number): TapeCut {
  const total = (of: (cut: TapeCut) => number): number => cuts.reduce((sum, cut) => sum + of(cut), 0);
  const [lights, litLengthMm] = [total((cut) => cut.lights), total((cut) => cut.litLengthMm)];
  const nearest = cuts.reduce<TapeCut | null>(
    (best, cut) => (best && best.longer.overMm <= cut.longer.overMm ? best : cut),
    null,
  );
  const [joint, jointMm] = nearest
    ? [nearest.longer.lights - nearest.lights, nearest.longer.lengthMm - nearest.litLengthMm]
    : [0, 0];
  return {
    lights,
    litLengthMm,
    gapMm: Math.max(0, routeMm - litLengthMm),
    shorter: { lights: Math.max(0, lights - joint), lengthMm: Math.max(0, litLengthMm - jointMm) },
    longer: { lights: lights + joint, lengthMm: litLengthMm + jointMm, overMm: nearest?.longer.overMm ?? 0 },
  };
}

/**
 * Lays a tape along a route, in one piece or cut at each corner. The piece starts where the route does; a gap is left at
 * its far end. A typed length is spread over the drawn route: what curves towards the eye looks shorter than it is.
 */
export function layTape(options: {
  readonly route: readonly PlanPoint[];
  /** Overrules the length of the drawn route. */
  readonly lengthMm: number | null;
  readonly perMetre: number;
  readonly lightsPerJoint: number;
  readonly cutAtCorners: boolean;
}): LaidTape {
  const { route, lengthMm, perMetre, lightsPerJoint, cutAtCorners } = options;
  const drawnMm = measureRoute(route);
  const routeMm = lengthMm ?? drawnMm;
  const onPicture = routeMm > 0 ? drawnMm / routeMm : 0;
  const legs = cutAtCorners && onPicture > 0 ? legsOfRoute(route) : [route];
  const laid = legs.map((leg) => {
    const legMm = legs.length === 1 ? routeMm : measureRoute(leg) / onPicture;
    const cut = cutTape({ routeMm: legMm, perMetre, lightsPerJoint });
    const count = leg.length > 0 ? cut.lights : 0;
    const places = walkRoute(
      leg,
      Array.from({ length: count }, (_, i) => ((i + 0.5) * 1000 * onPicture) / perMetre),
    );
    return { cut, places };
  });
  const [only] = laid;
  return {
    routeMm,
    cut:
      only && laid.length === 1
        ? only.cut
        : sumCuts(
            laid.map(({ cut }) => cut),
            routeMm,
          ),
    pieces: laid.flatMap(({ cut }) => (cut.lights > 0 ? [cut.lights] : [])),
    places: laid.flatMap(({ places }) => places),
  };
}
