import { defineFormula, printQuantity } from '../units/index.ts';
import { describeObstacle, findObstacle, type LinkLimit, type Obstacle, type PowerPath } from './path.ts';

/** A load that grows in a straight line with brightness: what it draws dark, and what full brightness adds. */
export interface MoodDraw {
  readonly restA: number;
  readonly dynamicMeanA: number;
  readonly dynamicPeakA: number;
}

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
  readonly limitedBy: string | null;
  /** The link over its limit; null where the voltage gives way instead. */
  readonly linkId: LinkLimit['id'] | null;
}

/** A ceiling as it is shown everywhere: rounded down, since a limit rounded up is not one. */
export const printCeiling = (brightness: number): string =>
  printQuantity('fraction', Math.floor(brightness * 1000 + 1e-9) / 1000);

/** Halvings: good to a hundred-thousandth of full brightness. */
const STEPS = 17;

const blame = (path: PowerPath, brightness: number, obstacle: Obstacle): Ceiling => ({
  brightness,
  limitedBy: describeObstacle(path, obstacle),
  linkId: obstacle.kind === 'link' ? obstacle.link.id : null,
});

/** The ceiling at one state of charge, by halving: more light never asks less. */
export function findCeiling(path: PowerPath, charge: number, draw: MoodDraw): Ceiling {
  const obstacleAt = (brightness: number): Obstacle | null =>
    findObstacle(path, charge, draw.restA + brightness * draw.dynamicPeakA);
  let obstacle = obstacleAt(1);
  if (!obstacle) return { brightness: 1, limitedBy: null, linkId: null };
  const dark = obstacleAt(0);
  if (dark) return blame(path, 0, dark);
  let [low, high] = [0, 1];
  for (let i = 0; i < STEPS; i += 1) {
    const middle = (low + high) / 2;
    const found = obstacleAt(middle);
    if (found) [high, obstacle] = [middle, found];
    else low = middle;
  }
  return blame(path, low, obstacle);
}

/** The charge down to which a mood must hold: a tenth is kept back, where every pack falls away. */
export const RESERVE_CHARGE = 0.1;

/**
 * The most that the rail may give with a tenth of the charge left: what the program's limiter is set to. By halving on
 * the obstacles of the path; 0 where nothing at all can be drawn.
 */
export function findRailLimitA(path: PowerPath): number {
  let high = Math.max(0.01, ...path.links.filter((link) => link.carries === 'rail').map((link) => link.limitA), 10);
  let low = 0;
  if (findObstacle(path, RESERVE_CHARGE, low)) return 0;
  for (let i = 0; i < 40; i += 1) {
    const middle = (low + high) / 2;
    if (findObstacle(path, RESERVE_CHARGE, middle)) high = middle;
    else low = middle;
  }
  return low;
}

export interface CeilingOverDischarge extends Ceiling {
  readonly fresh: number;
  readonly curve: readonly { readonly charge: number; readonly brightness: number }[];
}

/** The ceiling over the whole discharge: the lowest of full to a tenth, with the curve between. */
export function findCeilingOverDischarge(path: PowerPath, draw: MoodDraw): CeilingOverDischarge {
  const steps = Array.from({ length: 10 }, (_, i) => 1 - (i * (1 - RESERVE_CHARGE)) / 9);
  const found = steps.map((charge) => ({ charge, ceiling: findCeiling(path, charge, draw) }));
  const worst = found.reduce((least, each) => (each.ceiling.brightness < least.ceiling.brightness ? each : least));
  return {
    ...worst.ceiling,
    fresh: found[0]?.ceiling.brightness ?? 0,
    curve: found.map(({ charge, ceiling }) => ({ charge, brightness: ceiling.brightness })),
  };
}
