import RBush, { type BBox } from 'rbush';

/** A rectangle on the picture, in its millimetres. */
export type Box = BBox;

/** Something with words on the picture, where it would stand if nothing were in its way. */
export interface Wanted {
  readonly box: Box;
  /** Left out rather than far from what it belongs to: the number of a light, not a name. */
  readonly mayHide: boolean;
}

/** How far it is moved; null where it is left out. */
export type Placed = { readonly dx: number; readonly dy: number } | null;

const overlap = (a: Box, b: Box): number =>
  Math.max(0, Math.min(a.maxX, b.maxX) - Math.max(a.minX, b.minX)) *
  Math.max(0, Math.min(a.maxY, b.maxY) - Math.max(a.minY, b.minY));

const moved = (box: Box, dx: number, dy: number): Box => ({
  minX: box.minX + dx,
  minY: box.minY + dy,
  maxX: box.maxX + dx,
  maxY: box.maxY + dy,
});

const isWithin = (box: Box, bounds: Box): boolean =>
  box.minX >= bounds.minX && box.maxX <= bounds.maxX && box.minY >= bounds.minY && box.maxY <= bounds.maxY;

/** Rows above and below, and half widths aside, that are tried. */
const ROWS = 9;
const HALVES = 5;

/** What a label may be moved by, the nearest first. */
function moves({ minX, maxX, minY, maxY }: Box): readonly (readonly [dx: number, dy: number])[] {
  const [half, row] = [(maxX - minX) / 2, (maxY - minY) * 1.08];
  return Array.from({ length: 2 * ROWS + 1 }, (_, r) => r - ROWS)
    .flatMap((r) => Array.from({ length: 2 * HALVES + 1 }, (_, c) => [(c - HALVES) * half, r * row] as const))
    .sort((a, b) => Math.hypot(...a) - Math.hypot(...b));
}

/** Of a number, only so many of its nearest places are tried. */
const NEAR = 9;

/** Lying on a light is bad; lying on words is so many times worse. */
const WORDS_WEIGH = 20;

/** The first of the least cost; none is looked at after one that costs nothing. */
function leastOf<T>(options: readonly T[], costOf: (option: T) => number): T {
  // Staying where it is is always one of them.
  let best = options[0] as T;
  let least = Number.POSITIVE_INFINITY;
  for (const option of options) {
    const cost = costOf(option);
    if (cost < least) [best, least] = [option, cost];
    if (cost === 0) break;
  }
  return best;
}

/**
 * Places words so that none covers another, and none a light, in their order: the first keeps its place. Where nothing is
 * free, the place where least is covered.
 * @param dots what is there already and stays
 * @param bounds what is to be seen
 */
export function placeLabels(wanted: readonly Wanted[], dots: readonly Box[], bounds: Box): readonly Placed[] {
  const lights = new RBush<Box>().load([...dots]);
  const words = new RBush<Box>();
  const covered = (tree: RBush<Box>, box: Box): number =>
    tree.search(box).reduce((sum, each) => sum + overlap(box, each), 0);
  const costOf = (box: Box): number => WORDS_WEIGH * covered(words, box) + covered(lights, box);
  return wanted.map(({ box, mayHide }): Placed => {
    const all = moves(box).filter(([dx, dy]) => (dx === 0 && dy === 0) || isWithin(moved(box, dx, dy), bounds));
    const [dx, dy] = leastOf(mayHide ? all.slice(0, NEAR) : all, (at) => costOf(moved(box, ...at)));
    const there = moved(box, dx, dy);
    if (mayHide && costOf(there) > 0) return null;
    words.insert(there);
    return { dx, dy };
  });
}
