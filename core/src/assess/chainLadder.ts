import { type Ladder, solveLadder } from '../circuit/index.ts';
import { type PlacedTape, railsOhm } from '../items/index.ts';
import { feedsOfChain, pieceRunId, pieceStarts, runOhm, type TapeFeed, type WireRun } from '../network/index.ts';
import { keepFew } from './keepFew.ts';

/** The copper of a line of tapes with its leads: what a ladder is made of, whatever it is lit with. */
export interface ChainCopper {
  /** Of each rail, from node to node. */
  readonly halfOhm: readonly number[];
  /** Tape of the line at each node, by its number; −1 where no light sits, at the far end of a tape that is fed there. */
  readonly tapeAt: readonly number[];
  /** Number of each light within its tape. */
  readonly lightAt: readonly number[];
  /** In the order of `feedsOfChain`. */
  readonly feeds: Ladder['feeds'];
}

/**
 * Lays out the copper of a line of tapes: both rails from light to light, the wires between tapes and their pieces, and the
 * lead of each feed. What is known is the loop, out and back: half of it lies in each rail.
 * @param feeds where it is fed, with the resistance of each lead, out and back
 */
export function copperOfChain(
  chain: readonly PlacedTape[],
  runs: readonly WireRun[],
  feeds: readonly (TapeFeed & { readonly leadOhm: number })[],
): ChainCopper {
  const runOf = new Map(runs.map((run) => [run.id, run]));
  const [stepOhm, tapeAt, lightAt]: [number[], number[], number[]] = [[], [], []];
  const nodeOf = new Map<string, number>();
  const addLast = (ohm: number): void => {
    const last = stepOhm.length - 1;
    if (last >= 0) stepOhm[last] = (stepOhm[last] ?? 0) + ohm;
  };
  chain.forEach((tape, t) => {
    const { lights } = tape.cut;
    const pitchOhm = railsOhm(tape.part, 1);
    const starts = pieceStarts(tape.pieces);
    addLast(runOhm(runOf.get(`jumper:${tape.id}`)));
    for (let light = 0; light < lights; light += 1) {
      const piece = starts.indexOf(light);
      // The wire to a piece begins behind the own stretch of the last pixel of the one before.
      if (piece > 0) addLast(runOhm(runOf.get(pieceRunId(tape.id, piece - 1))));
      nodeOf.set(`${tape.id} ${light}`, stepOhm.length);
      stepOhm.push(pitchOhm);
      tapeAt.push(t);
      lightAt.push(light);
    }
    if (!feeds.some((feed) => feed.tapeId === tape.id && feed.light === lights && lights > 0)) return;
    nodeOf.set(`${tape.id} ${lights}`, stepOhm.length);
    stepOhm.push(0);
    tapeAt.push(-1);
    lightAt.push(lights);
  });
  return {
    halfOhm: stepOhm.map((ohm) => ohm / 2),
    tapeAt,
    lightAt,
    feeds: feeds.map(({ tapeId, light, leadOhm }) => ({
      at: nodeOf.get(`${tapeId} ${light}`) ?? 0,
      rail: 'both' as const,
      leadOhm: leadOhm / 2,
    })),
  };
}

/** Lines of tapes whose shares are kept: every mood asks for those of all. */
const KEPT_LINES = 16;

/** What each feed of a line gives of what each of its tapes takes, and the most of it that goes one way in the rails there. */
export interface FeedShares {
  readonly feed: TapeFeed;
  /** Of each tape of the line. */
  readonly ofTape: readonly number[];
  /** The same, of what goes on in the rails to one side of the feed. */
  readonly inRails: readonly number[];
}

/**
 * Shares the current of a line of tapes among its feeds, tape by tape, as long as no pixel fades: loads of a given current
 * in a network of resistances, so that what several tapes take adds up.
 * @param leadOhmOf of a feed’s lead, out and back; before the leads are sized they are taken for nothing
 */
function shareFeeds(
  chain: readonly PlacedTape[],
  runs: readonly WireRun[],
  leadOhmOf: (feed: TapeFeed) => number,
): readonly FeedShares[] {
  const known = feedsOfChain(chain);
  if (known.length === 1)
    return known.map((feed) => ({ feed, ofTape: chain.map(() => 1), inRails: chain.map(() => 1) }));
  const { halfOhm, tapeAt, feeds } = copperOfChain(
    chain,
    runs,
    known.map((feed) => ({ ...feed, leadOhm: leadOhmOf(feed) })),
  );
  const solved = chain.map(({ cut, lit }, t) => {
    // The dark lights at its end take next to nothing.
    const each = 1 / Math.max(1, lit);
    let left = cut.lights === 0 ? 0 : lit;
    const loadA = tapeAt.map((tape) => {
      if (tape !== t || left === 0) return 0;
      left -= 1;
      return each;
    });
    const { feedA } = solveLadder({
      supplyV: 0,
      plusOhm: halfOhm,
      minusOhm: halfOhm,
      loadA,
      feeds,
      fullAboveV: Number.NEGATIVE_INFINITY,
    });
    return { feedA, loadA };
  });
  return known.map((feed, f) => ({
    feed,
    ofTape: solved.map(({ feedA }) => feedA[f] ?? 0),
    inRails: solved.map(({ feedA, loadA }) => mostInRails(feeds, feedA, loadA, f)),
  }));
}

/** The same with the leads as they are sized. */
export const sharesOfFeeds = keepFew((chain: readonly PlacedTape[], runs: readonly WireRun[]) => {
  const runOf = new Map(runs.map((run) => [run.id, run]));
  return shareFeeds(chain, runs, ({ runId }) => runOhm(runOf.get(runId)));
}, KEPT_LINES);

/** What flows in the rails to either side of a feed, the greater of the two: what comes in before a place, less what is taken. */
function mostInRails(feeds: Ladder['feeds'], feedA: readonly number[], loadA: readonly number[], f: number): number {
  const at = feeds[f]?.at ?? 0;
  const before = (isAmong: (place: number) => boolean): number =>
    feeds.reduce((sum, feed, i) => sum + (isAmong(feed.at) ? (feedA[i] ?? 0) : 0), 0) -
    loadA.reduce((sum, amps, i) => sum + (isAmong(i) ? amps : 0), 0);
  const toLeft = Math.abs(before((place) => place < at));
  const toRight = Math.abs(before((place) => place <= at));
  return Math.max(toLeft, toRight);
}
