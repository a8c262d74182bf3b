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
  /** Wires between tapes and between pieces, each with the node right behind it. */
  readonly joints: readonly { readonly runId: string; readonly at: number }[];
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
  const joints: { runId: string; at: number }[] = [];
  const addJoint = (runId: string): void => {
    const last = stepOhm.length - 1;
    if (last < 0) return;
    stepOhm[last] = (stepOhm[last] ?? 0) + runOhm(runOf.get(runId));
    joints.push({ runId, at: last + 1 });
  };
  chain.forEach((tape, t) => {
    const { lights } = tape.cut;
    const pitchOhm = railsOhm(tape.part, 1);
    const starts = pieceStarts(tape.pieces);
    addJoint(`jumper:${tape.id}`);
    for (let light = 0; light < lights; light += 1) {
      const piece = starts.indexOf(light);
      // The wire to a piece begins behind the own stretch of the last pixel of the one before.
      if (piece > 0) addJoint(pieceRunId(tape.id, piece - 1));
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
    joints,
  };
}

/** Lines of tapes whose shares are kept: every mood asks for those of all. */
const KEPT_LINES = 16;

/** How what the tapes of a line take goes through its wires and their own rails, as shares of what each tape takes. */
export interface LineShares {
  /** By the run, tape by tape: what comes by a feed, or goes through a wire away from the board; less than nothing goes back. */
  readonly ofRun: ReadonlyMap<string, readonly number[]>;
  /** At each feed, tape by tape: the most that goes one way in the rails there. */
  readonly inRails: readonly { readonly feed: TapeFeed; readonly shares: readonly number[] }[];
}

/** What flows in the rails before each node: what has come in up to there, less what was taken. */
function flowsBefore(feeds: Ladder['feeds'], feedA: readonly number[], loadA: readonly number[]): readonly number[] {
  const fedA = new Map(feeds.map(({ at }, f) => [at, feedA[f] ?? 0]));
  let flowA = 0;
  return loadA.map((amps, node) => {
    const before = flowA;
    flowA += (fedA.get(node) ?? 0) - amps;
    return before;
  });
}

/**
 * Shares the current of a line of tapes among its feeds and wires, tape by tape, as long as no pixel fades: loads of a
 * given current in a network of resistances, so that what several tapes take adds up.
 * @param leadOhmOf of a feed’s lead, out and back; before the leads are sized they are taken for nothing
 */
function shareLine(
  chain: readonly PlacedTape[],
  runs: readonly WireRun[],
  leadOhmOf: (feed: TapeFeed) => number,
): LineShares {
  const known = feedsOfChain(chain);
  const { halfOhm, tapeAt, feeds, joints } = copperOfChain(
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
    const ladder = {
      supplyV: 0,
      plusOhm: halfOhm,
      minusOhm: halfOhm,
      loadA,
      feeds,
      fullAboveV: Number.NEGATIVE_INFINITY,
    };
    const feedA = known.length === 1 ? [1] : solveLadder(ladder).feedA;
    return { feedA, flowA: flowsBefore(feeds, feedA, loadA) };
  });
  return {
    ofRun: new Map([
      ...known.map(({ runId }, f) => [runId, solved.map(({ feedA }) => feedA[f] ?? 0)] as const),
      ...joints.map(({ runId, at }) => [runId, solved.map(({ flowA }) => flowA[at] ?? 0)] as const),
    ]),
    inRails: known.map((feed, f) => {
      const at = feeds[f]?.at ?? 0;
      return {
        feed,
        shares: solved.map(({ feedA, flowA }) => {
          const before = flowA[at] ?? 0;
          return Math.max(Math.abs(before), Math.abs(before + (feedA[f] ?? 0)));
        }),
      };
    }),
  };
}

/** The same with the leads as they are sized. */
export const sharesOfLine = keepFew((chain: readonly PlacedTape[], runs: readonly WireRun[]) => {
  const runOf = new Map(runs.map((run) => [run.id, run]));
  return shareLine(chain, runs, ({ runId }) => runOhm(runOf.get(runId)));
}, KEPT_LINES);
