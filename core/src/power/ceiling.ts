import { defineFormula, type Message, percent, type Quantity } from '../units/index.ts';
import { addDraws, type Draws, scaleDraws } from './draws.ts';
import { findObstacle, type LinkLimit, type Obstacle, operate, type SupplyTree } from './tree.ts';
import { describeObstacle } from './words.ts';

/** A load that grows in a straight line with brightness: what is drawn dark, and what full brightness adds at the height. */
export interface BrightnessDraw {
  /** With brightness 0. */
  readonly dark: Draws;
  /** What full brightness adds. */
  readonly light: Draws;
}

/** What is drawn at a brightness. */
export const drawAtBrightness = ({ dark, light }: BrightnessDraw, brightness: number): Draws =>
  brightness === 0 ? dark : addDraws(dark, scaleDraws(light, brightness));

/** Brightness at which a link is just full. @example 2 A at most, 0.2 A dark, 3 A more at full: 0.6 */
export const ceilingSum = defineFormula({
  name: 'Brightness ceiling at a link',
  gives: { meaning: 'brightness', kind: 'fraction' },
  symbols: {
    Im: { meaning: 'most the link carries', kind: 'currentA' },
    I0: { meaning: 'drawn with all lights dark', kind: 'currentA' },
    I1: { meaning: 'added at full brightness', kind: 'currentA' },
  },
  form: '{B} = ({Im} − {I0}) / {I1}',
  source: 'light current grows in a straight line with brightness after the gamma curve',
  reckon: ({ Im, I0, I1 }) => (Im - I0) / I1,
});

/** The greatest brightness at which nothing gives way, with what would give way next. */
export interface Ceiling {
  /** 0 … 1; 0 where even dark lights are too much. */
  readonly brightness: number;
  /** What would give way next; null where nothing does. */
  readonly limitedBy: Message | null;
  /** The link over its limit; null where the voltage gives way instead. */
  readonly linkId: LinkLimit['id'] | null;
}

/** A ceiling as it is shown everywhere: rounded down, since a limit rounded up is not one. */
export const sayCeiling = (brightness: number): Quantity => percent(Math.floor(brightness * 1000 + 1e-9) / 1000);

/** Halvings: good to a hundred-thousandth of full brightness; for a curve that is only drawn, to a thousandth. */
const STEPS = 17;
const CURVE_STEPS = 10;

const blame = (brightness: number, obstacle: Obstacle): Ceiling => ({
  brightness,
  limitedBy: describeObstacle(obstacle),
  linkId: obstacle.kind === 'link' ? obstacle.link.id : null,
});

/** The ceiling at one state of charge, by halving: more light never asks less. Of several cases the one that bites first. */
export function findCeiling(
  tree: SupplyTree,
  charge: number,
  cases: readonly BrightnessDraw[],
  halvings = STEPS,
): Ceiling {
  const obstacleAt = (brightness: number): Obstacle | null => {
    for (const each of cases) {
      const found = findObstacle(tree, charge, drawAtBrightness(each, brightness));
      if (found) return found;
    }
    return null;
  };
  let obstacle = obstacleAt(1);
  if (!obstacle) return { brightness: 1, limitedBy: null, linkId: null };
  const dark = obstacleAt(0);
  if (dark) return blame(0, dark);
  let [low, high] = [0, 1];
  for (let i = 0; i < halvings; i += 1) {
    const middle = (low + high) / 2;
    const found = obstacleAt(middle);
    if (found) [high, obstacle] = [middle, found];
    else low = middle;
  }
  return blame(low, obstacle);
}

/** Part of the charge that is kept back above where even the dark piece would stop. */
export const KEPT_BACK = 0.1;

/**
 * The charge down to which moods must hold: a tenth above the charge at which the dark piece would stop (a board that
 * resets, a converter that drops out, a cell at its cut-off); where it never stops, a tenth.
 */
export function findReserve(tree: SupplyTree, dark: Draws): number {
  const { source } = tree;
  const stops = (charge: number): boolean => {
    if (findObstacle(tree, charge, dark, { links: false }) !== null) return true;
    return source.kind === 'pack' && operate(tree, charge, dark).packV < source.pack.cutOffV;
  };
  if (source.kind !== 'pack' || !stops(0)) return KEPT_BACK;
  let [low, high] = [0, 1];
  for (let i = 0; i < STEPS; i += 1) {
    const middle = (low + high) / 2;
    if (stops(middle)) low = middle;
    else high = middle;
  }
  // Past nine tenths there is no tenth left to keep: it must hold with a full pack at least.
  return Math.min(1, high + KEPT_BACK);
}

/** No piece that is carried draws more, and the program's tables hold no more than four times that. */
const MOST_RAIL_A = 1000;

/**
 * The most that one rail may give at a state of charge with everything else as it is dark: what the program's limiter
 * is set to. By halving on the obstacles of the tree; 0 where nothing at all can be drawn.
 */
export function findRailLimitA(tree: SupplyTree, charge: number, node: number, others: Draws): number {
  const withRail = (amps: number): Draws =>
    others.map((draw, i) => (i === node ? { steadyA: amps, shaped: [] } : draw));
  let [low, high] = [0, 10];
  if (findObstacle(tree, charge, withRail(low))) return 0;
  while (high < MOST_RAIL_A && !findObstacle(tree, charge, withRail(high))) [low, high] = [high, 2 * high];
  for (let i = 0; i < 40; i += 1) {
    const middle = (low + high) / 2;
    if (findObstacle(tree, charge, withRail(middle))) high = middle;
    else low = middle;
  }
  return low;
}

/** The lowest ceiling from full to the reserve, with the one of a full pack and the curve between. */
export interface CeilingOverDischarge extends Ceiling {
  /** With a full pack. */
  readonly fresh: number;
  /** From full to the reserve. */
  readonly curve: readonly { readonly charge: number; readonly brightness: number }[];
}

/** The ceiling over the whole discharge, from full to the reserve: the lowest, with the curve between. */
export function findCeilingOverDischarge(
  tree: SupplyTree,
  cases: readonly BrightnessDraw[],
  reserve: number,
): CeilingOverDischarge {
  const steps = Array.from({ length: 10 }, (_, i) => 1 - (i * (1 - reserve)) / 9);
  const found = steps.map((charge) => ({ charge, ceiling: findCeiling(tree, charge, cases, CURVE_STEPS) }));
  const worst = found.reduce((least, each) => (each.ceiling.brightness < least.ceiling.brightness ? each : least));
  const fine = findCeiling(tree, worst.charge, cases);
  return {
    ...fine,
    fresh: found[0]?.ceiling.brightness === 1 ? 1 : findCeiling(tree, 1, cases).brightness,
    curve: found.map(({ charge, ceiling }) => ({
      charge,
      brightness: charge === worst.charge ? fine.brightness : ceiling.brightness,
    })),
  };
}
