import type { PlacedTape } from '../items/index.ts';

/** A place at which a line of tapes is fed. */
export interface TapeFeed {
  readonly tapeId: string;
  /** Number of the light right behind its pads, counted from 0; as many as the tape has = its far end. */
  readonly light: number;
  /** The run that leads there. */
  readonly runId: string;
}

/** Where a tape is fed besides its start, from there outward, each place once. */
export const extraFeeds = ({ id, tape, cut }: PlacedTape): readonly TapeFeed[] =>
  cut.lights === 0
    ? []
    : [...new Set((tape.feedsAt ?? []).map((at) => Math.min(at - 1, cut.lights)))]
        .sort((a, b) => a - b)
        .map((light) => ({ tapeId: id, light, runId: `feed:${id}:${light + 1}` }));

/** Every place at which a line of tapes is fed, in the order of the data: its start, and what its tapes say. */
export function feedsOfChain(chain: readonly PlacedTape[]): readonly TapeFeed[] {
  const [first] = chain;
  if (!first) return [];
  return [{ tapeId: first.id, light: 0, runId: `feed:${first.id}` }, ...chain.flatMap(extraFeeds)];
}
