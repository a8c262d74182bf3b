import { defineFormula } from '../units/index.ts';
import { bundleDiameterMm } from './fit.ts';

/** Diameter of a bundle. @example 100 fibres of 0.75 mm that fill 0.82: 8.28 mm */
export const fibreBundle = defineFormula({
  name: 'Diameter of a bundle of fibres',
  gives: { meaning: 'diameter', kind: 'lengthMm' },
  symbols: {
    n: { meaning: 'fibres', kind: 'count' },
    d: { meaning: 'diameter of one', kind: 'lengthMm' },
    f: { meaning: 'share of the area that fibres fill', kind: 'fraction' },
  },
  form: '{D} = {d} · √({n} / {f})',
  source:
    'areas add; many fibres pushed by hand fill 0.82, few fill less by the known packings, none more than 0.907 (π/√12)',
  reckon: ({ n, d, f }) => d * Math.sqrt(n / f),
});

/** How far a bundle must stand off its emitter so that every fibre is lit. @example 8 mm bundle, 2 mm die, half-angle 30°: 5.2 mm */
export const gapToCover = defineFormula({
  name: 'Gap between light and bundle',
  gives: { meaning: 'least gap', kind: 'lengthMm' },
  symbols: {
    D: { meaning: 'diameter of the bundle', kind: 'lengthMm' },
    s: { meaning: 'width of the light’s die', kind: 'lengthMm' },
    a: { meaning: 'half angle of the light', kind: 'angleDeg' },
  },
  form: '{g} = ({D} − {s}) / (2 · tan({a}))',
  source: 'the cone from the edge of the die must reach the rim',
  reckon: ({ D, s, a }) => Math.max(0, (D - s) / (2 * Math.tan((a * Math.PI) / 180))),
});

/** Half of the cone that a fibre takes in, in degrees. @example NA 0.5: ±30° */
export const acceptanceDeg = (numericalAperture: number): number =>
  (Math.asin(Math.min(1, numericalAperture)) * 180) / Math.PI;

/** Share of a cosine emitter's light that falls into a fibre's cone: sin² of its half angle. */
export const acceptedShare = (numericalAperture: number): number => Math.min(1, numericalAperture) ** 2;

/** Share of a bundle's area that many fibres pushed together by hand fill. */
const HAND_FILL = 0.82;
/** From here on what a hand leaves between fibres counts for more than what the best packing must leave. */
const MANY = 60;

/**
 * Across fibres that are gathered in a round bore: by the share that a hand fills, and never thinner than the known
 * packings of few.
 * @example gatheredMm(9, 0.75) // 2.71; √(9 / 0.82) would say 2.48, into which nine do not go
 */
export const gatheredMm = (fibres: number, fibreMm: number, fill = HAND_FILL): number =>
  fibres === 1
    ? fibreMm
    : Math.max(
        fibreBundle.reckon({ n: fibres, d: fibreMm, f: fill }),
        bundleDiameterMm(Math.min(fibres, MANY), fibreMm),
      );

/** What a guide needs of a hole beside its own diameter. */
const PLAY_MM = 0.1;

/** The bore or hole that takes so many, with play. */
export const boreForGuidesMm = (fibres: number, fibreMm: number, fill = HAND_FILL): number =>
  gatheredMm(fibres, fibreMm, fill) + PLAY_MM;

/** Share of a bore that fibres fill. */
export const filledShare = (fibres: number, fibreMm: number, boreMm: number): number =>
  fibres * (fibreMm / boreMm) ** 2;

/** What each face of clear plastic in air throws back. */
const FACE_LOSS = 0.04;
/** Clear glue over a bundle mixes, and lets this much through. */
const GLUE_SHARE = 0.7;

/** A light as a guide sees it. */
export interface Emitter {
  readonly widthMm: number;
  /** To the side, where it has fallen to a half. */
  readonly halfAngleDeg: number;
  readonly intensityMcd: number;
}

/** How steeply a light falls to the side: the power of the cosine that is a half at its half angle; 1 = a flat emitter. */
const sidewaysPower = (halfAngleDeg: number): number => -Math.LN2 / Math.log(Math.cos((halfAngleDeg * Math.PI) / 180));

/** Share of a light that goes into a cone: all of it at 90°. @example a flat emitter (60°) into ±30°: a quarter */
export const shareInCone = (halfAngleDeg: number, coneDeg: number): number =>
  1 - Math.cos((Math.min(90, coneDeg) * Math.PI) / 180) ** (sidewaysPower(halfAngleDeg) + 1);

/** How light goes from a lamp into the guides before it, and what comes out. */
export interface Guided {
  /** Across the mouth: of the bundle, or of one guide. */
  readonly mouthMm: number;
  /** So much gap lights all of it. */
  readonly neededGapMm: number;
  /** Of the mouth, by all lights together. */
  readonly litShare: number;
  /** Each as a share of what is left before it, in the order of the way. */
  readonly kept: {
    readonly entersCone: number;
    readonly meetsFibre: number;
    readonly faces: number;
    readonly onTheWay: number;
  };
  /** Of one light's, out of all ends together. */
  readonly share: number;
  /** Of each end, straight ahead. */
  readonly endMcd: number;
}

/**
 * What guides make of the lights at their mouth.
 * @param options `guides` of the mouth, one or more, which end in `ends` holes; `lamps` over the mouth
 * @example 90 fibres of 0.5 mm: a mouth of 5.24 mm; a die of 2 mm and 60° lights all of it from 0.93 mm on
 */
export function reckonGuided(options: {
  readonly guides: number;
  readonly ends: number;
  readonly lamps: number;
  readonly emitter: Emitter;
  readonly gapMm: number;
  readonly filled: boolean;
  readonly lengthMm: number;
  readonly part: { readonly diameterMm: number; readonly numericalAperture: number; readonly lossDbPerMetre: number };
  /** Share of the mouth that many fill; as a hand does without. */
  readonly fill?: number;
}): Guided {
  const { guides, ends, lamps, emitter, gapMm, filled, lengthMm, part, fill } = options;
  const mouthMm = gatheredMm(guides, part.diameterMm, fill);
  const { widthMm, halfAngleDeg, intensityMcd } = emitter;
  const spotMm = widthMm + 2 * gapMm * Math.tan((halfAngleDeg * Math.PI) / 180);
  const litShare = filled ? 1 : Math.min(1, lamps * (Math.min(spotMm, mouthMm) / mouthMm) ** 2);
  const rimDeg = gapMm === 0 ? 90 : (Math.atan(mouthMm / 2 / gapMm) * 180) / Math.PI;
  // A light that is wider than the mouth shines past it from the start.
  const beside = Math.min(1, (mouthMm / widthMm) ** 2);
  const kept = {
    entersCone: beside * shareInCone(halfAngleDeg, Math.min(rimDeg, acceptanceDeg(part.numericalAperture))),
    meetsFibre: filledShare(guides, part.diameterMm, mouthMm),
    faces: filled ? GLUE_SHARE * (1 - FACE_LOSS) : (1 - FACE_LOSS) ** 2,
    onTheWay: 10 ** (-(part.lossDbPerMetre * lengthMm) / 1000 / 10),
  };
  const share = kept.entersCone * kept.meetsFibre * kept.faces * kept.onTheWay;
  // All of a light, by its straight-ahead intensity; an end shines into the cone that its guide takes in.
  const lamp = (2 * Math.PI * intensityMcd) / (sidewaysPower(halfAngleDeg) + 1);
  const outOfEnd = (lamp * share * lamps) / ends;
  const endMcd = outOfEnd / (Math.PI * acceptedShare(part.numericalAperture));
  return {
    mouthMm,
    neededGapMm: gapToCover.reckon({ D: mouthMm, s: widthMm, a: halfAngleDeg }),
    litShare,
    kept,
    share,
    endMcd,
  };
}

/** Of what each body is wide, and how far to the side it shines: round ones gather their light, chips do not. */
const roundHalfAngleDeg = 15;
const flatHalfAngleDeg = 60;
const PIXEL_DIE_MM = 2;

/** A pixel as a guide sees it. */
export const pixelEmitter = (intensityMcd: number): Emitter => ({
  widthMm: PIXEL_DIE_MM,
  halfAngleDeg: flatHalfAngleDeg,
  intensityMcd,
});

/** A single light as a guide sees it, by its body. */
export const lightEmitter = (
  part: { readonly body: string; readonly bareDiameterMm: number; readonly halfAngleDeg?: number | undefined },
  intensityMcd: number,
): Emitter => ({
  widthMm: part.bareDiameterMm,
  halfAngleDeg: part.halfAngleDeg ?? (/^\d/.test(part.body) ? roundHalfAngleDeg : flatHalfAngleDeg),
  intensityMcd,
});
