import { forwardVoltageV, type LedCurve, solveString } from '../circuit/index.ts';
import { chooseResistor, type Feed } from '../drive/index.ts';
import type { LightItem } from '../items/index.ts';
import type { Driven } from './driven.ts';

/** A way to string the lights of a group, with what comes of it over the life of its supply. */
export interface StringOption {
  /** Lights one behind the other. */
  readonly inSeries: number;
  readonly resistorOhm: number;
  /** Of one string, from a fresh supply, a usual one and a spent one. */
  readonly freshA: number;
  readonly usualA: number;
  readonly spentA: number;
  /** Of all strings together. */
  readonly wholeA: number;
  /** Of the energy that reaches the lights: the rest warms the resistors. */
  readonly lightShare: number;
  /** Spent, it still gives half of what it usually does. */
  readonly isSteady: boolean;
}

/** A string that gives less than this share of its usual current when the supply is spent has faded. */
export const FADED_SHARE = 0.5;

/** Lights that could be strung, and what they would hang on. */
export interface ToString {
  readonly curve: LedCurve;
  /** Either way, of one light. */
  readonly forwardSpreadV: number;
  readonly ratedCurrentA: number;
  readonly wantedCurrentA: number;
  /** Of one string. */
  readonly feed: Feed;
}

/** What comes of so many lights in a string on a resistor of its own; null where the supply can’t light them. */
export function weighString(asked: ToString, inSeries: number): Omit<StringOption, 'wholeA'> | null {
  const { curve, forwardSpreadV, ratedCurrentA, wantedCurrentA, feed } = asked;
  if (inSeries * forwardVoltageV(curve, wantedCurrentA) >= feed.nominalV - feed.dropV) return null;
  const { resistorOhm, currentA } = chooseResistor({
    light: { curve, forwardSpreadV, ratedCurrentA },
    feed,
    wantedCurrentA,
    overruledOhm: null,
    hung: { inSeries, sideBySide: 1 },
  });
  const at = (supplyV: number): number =>
    solveString({
      supplyV,
      curve,
      count: inSeries,
      resistanceOhm: resistorOhm + feed.seriesOhm,
      switchDropV: feed.dropV,
    });
  const spentA = at(feed.leastV);
  return {
    inSeries,
    resistorOhm,
    freshA: at(feed.mostV),
    usualA: currentA,
    spentA,
    lightShare: (inSeries * forwardVoltageV(curve, currentA)) / feed.nominalV,
    isSteady: spentA >= FADED_SHARE * currentA,
  };
}

/**
 * Every even way to string a group of single lights that its supply can light, each with a resistor of its own; none
 * where a driver holds its current.
 */
export function listStringOptions(
  driven: Driven,
  { wantedCurrentA }: Pick<LightItem, 'wantedCurrentA'>,
): StringOption[] {
  const { feed, loop, lightsOnChannel, forwardV, ratedCurrentA, hung } = driven;
  if (driven.resistor === null) return [];
  const most = Math.max(...lightsOnChannel);
  const lights = lightsOnChannel.reduce((sum, each) => sum + each, 0);
  return Array.from({ length: most }, (_, i) => i + 1).flatMap((inSeries): StringOption[] => {
    if (lightsOnChannel.some((each) => each % inSeries !== 0)) return [];
    // What closes the channel carries fewer strings, each of which sees so much less of its resistance.
    const own = { ...feed, seriesOhm: (feed.seriesOhm * hung.inSeries) / inSeries };
    const option = weighString(
      { curve: loop.curve, forwardSpreadV: forwardV.spread, ratedCurrentA, wantedCurrentA, feed: own },
      inSeries,
    );
    return option ? [{ ...option, wholeA: (option.usualA * lights) / inSeries }] : [];
  });
}
