import type { PlacedPlain, PlacedTape } from '../items/index.ts';

/** A place at which a line of tapes is fed. */
export interface TapeFeed {
  readonly tapeId: string;
  /** Number of the light right behind its pads, counted from 0; as many as the tape has = its far end. */
  readonly light: number;
  /** The run that leads there. */
  readonly runId: string;
}

/** Lights between two pads: pixels have them before each. */
const lightsPerPad = (group: PlacedTape | PlacedPlain): number =>
  group.shape === 'units' ? group.part.lightsPerJoint : 1;

/** Where a tape is fed besides its start, from there outward, each place once: plain tape at its cut marks. */
export function extraFeeds(group: PlacedTape | PlacedPlain): readonly TapeFeed[] {
  const { id, tape, cut } = group;
  if (cut.lights === 0) return [];
  const step = lightsPerPad(group);
  const pads = (tape.feedsAt ?? []).map((at) => Math.min(Math.floor((at - 1) / step) * step, cut.lights));
  return [...new Set(pads)]
    .filter((light) => light > 0)
    .sort((a, b) => a - b)
    .map((light) => ({ tapeId: id, light, runId: `feed:${id}:${group.shape === 'units' ? 'at ' : ''}${light + 1}` }));
}

/** Every place at which a line of tapes is fed, in the order of the data: its start, and what its tapes say. */
export function feedsOfChain(chain: readonly PlacedTape[]): readonly TapeFeed[] {
  const [first] = chain;
  if (!first) return [];
  return [{ tapeId: first.id, light: 0, runId: `feed:${first.id}` }, ...chain.flatMap(extraFeeds)];
}
