import type { LightItem } from '../items/index.ts';
import type { LedPart } from '../parts/index.ts';
import type { Hollow } from '../plan/index.ts';
import { defineFormula } from '../units/index.ts';

/** Room to be left on each side of what goes into a bore. */
export const CLEARANCE_A_SIDE_MM = 0.2;

/** What has to pass a bore: light and sleeve. @example 5.8 mm with 0.4 mm of sleeve: 6.6 mm */
export const finishedDiameter = defineFormula({
  name: 'Finished diameter of a light',
  gives: { meaning: 'diameter with its shrink sleeve', kind: 'lengthMm' },
  symbols: {
    d: { meaning: 'bare light over its flange', kind: 'lengthMm' },
    w: { meaning: 'sleeve wall, shrunk', kind: 'lengthMm' },
  },
  form: '{D} = {d} + 2 · {w}',
  source: 'the widest place of what has to pass',
  reckon: ({ d, w }) => d + 2 * w,
});

/** Diameter of the smallest circle that holds n equal wires, in wire diameters (known packings of circles in a circle). */
const bundleTable = [
  0, 1, 2, 2.155, 2.414, 2.701, 3, 3, 3.304, 3.613, 3.813, 3.924, 4.03, 4.236, 4.328, 4.521, 4.615, 4.792, 4.864, 4.864,
  5.122,
] as const;

/**
 * Past the table by the share of the circle that the best packings fill: never less than 0.75 up to 60 wires, and 0.80
 * beyond. A bundle that is reckoned too thin does not go through its bore.
 * @example bundleDiameterMm(4, 1.1) // 2.655
 */
export function bundleDiameterMm(wires: number, wireDiameterMm: number): number {
  return (bundleTable[wires] ?? Math.sqrt(Math.max(Math.min(wires, 60) / 0.75, wires / 0.8))) * wireDiameterMm;
}

/** How one light sits in its bore. `clearanceMm` is what is left on each side at the tightest place, negative if none. */
export interface Fit {
  readonly verdict: 'fits' | 'fits if eased' | 'does not fit';
  /** Across, sleeve with it. */
  readonly finishedMm: number;
  /** Across, of the wires beside each other. */
  readonly wiresMm: number;
  /** Left in the bore; less than nothing does not go in. */
  readonly clearanceMm: number;
  /** The bore that it goes into. */
  readonly leastBoreMm: number;
  /** Light and hollow are alike in depth if this is not negative. */
  readonly depthToSpareMm: number;
}

/** Drills go up by tenths of a millimetre: the least bore is rounded up to the next. */
export const upToDrillMm = (mm: number): number => Math.ceil(mm * 10 - 1e-6) / 10;

/**
 * Fits a light, with its sleeve and its two wires, into a bore. Between none and the wished clearance it goes in if
 * the bore is eased or the flange filed.
 * @example 3.4 mm flange and 0.45 mm sleeve: 4.3 mm finished, least bore 4.7 mm
 */
export function fitLight(
  part: LedPart,
  group: Pick<LightItem, 'sleeved'>,
  bore: Extract<Hollow, { kind: 'bore' }>,
): Fit {
  const finishedMm = finishedDiameter.reckon({ d: part.bareDiameterMm, w: group.sleeved ? part.sleeveWallMm : 0 });
  const wiresMm = bundleDiameterMm(2, part.wireDiameterMm);
  const widest = Math.max(finishedMm, wiresMm);
  const clearanceMm = (bore.diameterMm - widest) / 2;
  const depthToSpareMm = bore.depthMm - part.lengthMm;
  const isClear = clearanceMm >= CLEARANCE_A_SIDE_MM - 1e-9 && depthToSpareMm >= 0;
  const verdict = isClear ? 'fits' : clearanceMm >= -1e-9 ? 'fits if eased' : 'does not fit';
  return {
    verdict,
    finishedMm,
    wiresMm,
    clearanceMm,
    leastBoreMm: upToDrillMm(widest + 2 * CLEARANCE_A_SIDE_MM),
    depthToSpareMm,
  };
}

/** Fits a tape into a channel: clearance on each side across, and what is left above it. */
export function fitTape(
  tape: { readonly widthMm: number; readonly heightMm: number },
  channel: Pick<Extract<Hollow, { kind: 'channel' }>, 'widthMm' | 'depthMm'>,
): {
  readonly verdict: Fit['verdict'];
  /** Play across, in all. */
  readonly acrossMm: number;
  /** Left above it. */
  readonly aboveMm: number;
} {
  const acrossMm = (channel.widthMm - tape.widthMm) / 2;
  const aboveMm = channel.depthMm - tape.heightMm;
  const fits = acrossMm >= CLEARANCE_A_SIDE_MM - 1e-9 && aboveMm >= 0;
  return {
    verdict: fits ? 'fits' : acrossMm >= -1e-9 && aboveMm >= 0 ? 'fits if eased' : 'does not fit',
    acrossMm,
    aboveMm,
  };
}
