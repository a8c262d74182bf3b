import { forwardVoltageV, type LedCurve } from '../../circuit/index.ts';
import type { ItemOf } from '../../items/index.ts';
import { builtInLibrary, findPart, type LedPart, type OwnPart } from '../../parts/index.ts';
import { freshItem } from '../piece.ts';
import { laySource, type Source, type SourceAsked } from './lightSource.ts';

/** Lights of one sort with what feeds them, as a sum was told of them. */
export interface LightsAsked {
  readonly curve: LedCurve;
  /** Wanted, through one light. */
  readonly currentA: number;
  /** Of one light. */
  readonly ratedA: number;
  /** Either way. */
  readonly forwardSpreadV: number;
  /** One behind the other. */
  readonly inSeries: number;
  /** Strings on one resistor. */
  readonly sideBySide: number;
  /** In all; whole strings. */
  readonly lights: number;
  readonly source: SourceAsked;
  /** The maker’s own; null takes the one that a plan would. */
  readonly resistorOhm: number | null;
  /** Of each resistor. */
  readonly ratingW: number;
}

/** From here on a light is a large die on a board of its own. */
const STAR_A = 0.05;

/** What a light of this drop and rating looks like, where nothing else is known of it. */
const likeOf = (forwardV: number, ratedA: number): string =>
  `led-${ratedA > STAR_A ? 'star' : '5mm'}-${forwardV < 2.4 ? 'red' : 'white'}`;

/** A part whose curve, spread and rating are those that the sum was told. */
function describeLight({ curve, currentA, ratedA, forwardSpreadV }: LightsAsked, id: string): LedPart & OwnPart {
  const like = likeOf(forwardVoltageV(curve, currentA), ratedA);
  const part = findPart(builtInLibrary, 'led', like);
  if (!part) throw new Error(`The catalogue has no ${like}`);
  return {
    ...part,
    id,
    like,
    name: `Light of ${Math.round(forwardVoltageV(curve, currentA) * 100) / 100} V at ${Math.round(currentA * 1e5) / 100} mA`,
    forwardAt1mAV: forwardVoltageV(curve, 0.001),
    forwardAt20mAV: forwardVoltageV(curve, 0.02),
    forwardSpreadV,
    seriesOhm: curve.seriesOhm,
    ratedCurrentA: ratedA,
  };
}

/** The lights that a sum asks about and what feeds them, as items of a plan, with the part that they are. */
export function layLights(
  asked: LightsAsked,
  {
    name,
    widthMm,
    heightMm,
    newId,
  }: {
    readonly name: string;
    readonly widthMm: number;
    readonly heightMm: number;
    readonly newId: () => string;
  },
): { readonly part: LedPart & OwnPart; readonly lights: ItemOf<'light'>; readonly source: Source } {
  const part = describeLight(asked, `own-${newId()}`);
  const { inSeries, sideBySide, source, currentA, resistorOhm, ratingW } = asked;
  return {
    part,
    lights: freshItem('light', {
      id: newId(),
      name,
      at: { xMm: 0, yMm: 0 },
      part: part.id,
      wantedCurrentA: currentA,
      resistorOhm,
      resistorRatedW: ratingW,
      ...(inSeries > 1 ? { inSeries } : {}),
      ...(sideBySide > 1 ? { sideBySide } : {}),
      places: Array.from({ length: asked.lights }, (_, i) => ({
        id: newId(),
        at: { xMm: widthMm * ((i + 1) / (asked.lights + 1)), yMm: heightMm / 2 },
        hollowId: null,
      })),
    }),
    source: laySource(source, { id: newId(), at: { xMm: widthMm / 2, yMm: heightMm * 0.8 } }),
  };
}
