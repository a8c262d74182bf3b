/** Pieces to be cut, and the stock in hand to cut them from. Lengths in any one unit. */
export interface CuttingTask {
  readonly pieces: readonly { readonly length: number; readonly count: number }[];
  /** `count` null = as many as are needed of this length. */
  readonly stock: readonly { readonly length: number; readonly count: number | null }[];
  /** Lost at each cut between two pieces, and between the last piece and what is left over. */
  readonly kerf: number;
}

/** One stock length with the pieces cut from it, in order, and what is left. */
export interface CutStock {
  /** As it was bought. */
  readonly stockLength: number;
  /** Lengths cut out of it. */
  readonly pieces: readonly number[];
  /** What is left, kerfs taken off. */
  readonly offcut: number;
}

/** Which pieces come out of which length of stock, and what is left of each. */
export interface CuttingPlan {
  /** One for each length of stock that is used. */
  readonly cuts: readonly CutStock[];
  /** Of all of them together. */
  readonly stockUsed: number;
  /** Pieces that no stock is left for. */
  readonly short: readonly number[];
  /** True where no plan can use less stock: the search was finished. */
  readonly proven: boolean;
}

interface Bin {
  readonly length: number;
  readonly pieces: number[];
  free: number;
}

interface Search {
  readonly items: readonly number[];
  readonly rest: readonly number[];
  readonly kerf: number;
  readonly stock: { readonly length: number; left: number }[];
  readonly bins: Bin[];
  best: readonly CutStock[] | null;
  bestUsed: number;
  looks: number;
}

const MOST_LOOKS = 30_000;
const CLOSE = 1e-9;

const used = (search: Search): number => search.bins.reduce((sum, bin) => sum + bin.length, 0);

/**
 * Whole stock lengths that any plan needs, where all stock is of one length: pieces over `half` can't share, pieces
 * over `length − small` leave no room for small ones (the bound of Martello and Toth, for every size of "small").
 */
function leastCount(items: readonly number[], length: number): number {
  const sizes = [0, ...items.filter((item) => item <= length / 2)];
  return Math.max(
    0,
    ...sizes.map((small) => {
      const alone = items.filter((item) => item > length - small);
      const large = items.filter((item) => item > length / 2 && item <= length - small);
      const middling = items.filter((item) => item >= small && item <= length / 2);
      const free = large.length * length - large.reduce((sum, item) => sum + item, 0);
      const over = middling.reduce((sum, item) => sum + item, 0) - free;
      return alone.length + large.length + Math.max(0, Math.ceil(over / length - CLOSE));
    }),
  );
}

/** Stock that must still be opened, at the least: what is to come, less what is free, in whole stock of the shortest kind. */
function leastMore(search: Search, next: number): number {
  const free = search.bins.reduce((sum, bin) => sum + bin.free, 0);
  const missing = (search.rest[next] ?? 0) - free;
  if (missing <= CLOSE) return 0;
  const kinds = search.stock.filter((kind) => kind.left > 0).map((kind) => kind.length);
  if (kinds.length === 1) return Math.ceil(missing / ((kinds[0] ?? 1) + search.kerf) - CLOSE) * (kinds[0] ?? 1);
  return missing - search.kerf;
}

function place(search: Search, bin: Bin, item: number, go: () => void): void {
  bin.pieces.push(item);
  bin.free -= item + search.kerf;
  go();
  bin.pieces.pop();
  bin.free += item + search.kerf;
}

/** Depth first, longest piece first, into the fullest stock first; branches that can't beat the best are cut off. */
function explore(search: Search, next: number, from = 0): void {
  search.looks += 1;
  if (search.looks > MOST_LOOKS) return;
  const opened = used(search);
  if (opened + leastMore(search, next) >= search.bestUsed - CLOSE) return;
  const item = search.items[next];
  if (item === undefined) {
    search.bestUsed = opened;
    search.best = search.bins.map(({ length, pieces }) => ({
      stockLength: length,
      pieces: [...pieces],
      offcut: offcutOf(length, pieces, search.kerf),
    }));
    return;
  }
  const tried = new Set<number>();
  // Equal pieces are one choice: the second goes where the first went, or into stock opened later.
  const twin = search.items[next + 1] === item;
  const open = search.bins
    .map((bin, index) => ({ bin, index }))
    .filter(({ bin, index }) => index >= from && bin.free + CLOSE >= item + search.kerf)
    .sort((a, b) => a.bin.free - b.bin.free);
  for (const { bin, index } of open) {
    // Two stock lengths with as much left are the same choice.
    const key = Math.round(bin.free * 1e6);
    if (tried.has(key)) continue;
    tried.add(key);
    place(search, bin, item, () => explore(search, next + 1, twin ? index : 0));
  }
  for (const kind of search.stock) {
    if (kind.left <= 0 || kind.length + CLOSE < item) continue;
    // The cut after the last piece is saved where it ends with the stock: one kerf more than the length is free.
    const bin: Bin = { length: kind.length, pieces: [], free: kind.length + search.kerf };
    kind.left -= 1;
    search.bins.push(bin);
    place(search, bin, item, () => explore(search, next + 1, twin ? search.bins.length - 1 : 0));
    search.bins.pop();
    kind.left += 1;
  }
}

/** What is left of a stock length: nothing less than none, since the last cut may fall on its end. */
function offcutOf(length: number, pieces: readonly number[], kerf: number): number {
  const taken = pieces.reduce((sum, piece) => sum + piece, 0);
  return Math.max(0, length - taken - pieces.length * kerf);
}

/** A quick plan to beat: each piece into the fullest stock that still takes it, else into the shortest that does. */
function firstFit(search: Search): { cuts: CutStock[]; short: number[] } {
  const bins: Bin[] = [];
  const left = search.stock.map((kind) => ({ ...kind })).sort((a, b) => a.length - b.length);
  const short: number[] = [];
  for (const item of search.items) {
    let bin = bins.filter((each) => each.free + CLOSE >= item + search.kerf).sort((a, b) => a.free - b.free)[0];
    if (!bin) {
      const kind = left.find((each) => each.left > 0 && each.length + CLOSE >= item);
      if (!kind) {
        short.push(item);
        continue;
      }
      kind.left -= 1;
      bin = { length: kind.length, pieces: [], free: kind.length + search.kerf };
      bins.push(bin);
    }
    bin.pieces.push(item);
    bin.free -= item + search.kerf;
  }
  return {
    cuts: bins.map(({ length, pieces }) => ({
      stockLength: length,
      pieces,
      offcut: offcutOf(length, pieces, search.kerf),
    })),
    short,
  };
}

/**
 * Cuts a list of lengths from the stock with the least stock used (one-dimensional cutting stock, by branch and bound).
 * Pieces that nothing is left for are listed; the plan then covers the others.
 * @example 3 × 620, 4 × 410, 5 × 260 from 1 m with 2 mm a cut: 6 lengths, where the sum alone says 5
 */
export function cutFromStock(task: CuttingTask): CuttingPlan {
  const items = task.pieces.flatMap(({ length, count }) => new Array<number>(count).fill(length)).sort((a, b) => b - a);
  const rest = new Array<number>(items.length + 1).fill(0);
  for (let i = items.length - 1; i >= 0; i -= 1) rest[i] = (rest[i + 1] ?? 0) + (items[i] ?? 0) + task.kerf;
  const search: Search = {
    items,
    rest,
    kerf: task.kerf,
    stock: task.stock.map(({ length, count }) => ({ length, left: count ?? Number.POSITIVE_INFINITY })),
    bins: [],
    best: null,
    bestUsed: Number.POSITIVE_INFINITY,
    looks: 0,
  };
  const quick = firstFit(search);
  if (quick.short.length === 0) {
    search.best = quick.cuts;
    search.bestUsed = quick.cuts.reduce((sum, cut) => sum + cut.stockLength, 0);
  }
  const [only] = task.stock;
  const least =
    task.stock.length === 1 && only
      ? only.length *
        leastCount(
          items.map((item) => item + task.kerf),
          only.length + task.kerf,
        )
      : 0;
  if (search.bestUsed > least) explore(search, 0);
  const cuts = search.best ?? quick.cuts;
  return {
    cuts,
    stockUsed: cuts.reduce((sum, cut) => sum + cut.stockLength, 0),
    short: search.best ? [] : quick.short,
    proven: search.looks <= MOST_LOOKS,
  };
}
