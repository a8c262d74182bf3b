import { forgetIn, type Item } from '../items/index.ts';
import type { Move } from '../moves/index.ts';
import type { Design, Mood } from './types.ts';

type Moods = Design['moods'];

const withoutKey = <T>(record: Readonly<Record<string, T>>, key: string): Record<string, T> =>
  Object.fromEntries(Object.entries(record).filter(([each]) => each !== key));

/** Changes every record of moves in moods and signs, and every move laid upon them. */
const mapMoves = (
  moods: Moods,
  onMoves: (moves: Mood['moves']) => Mood['moves'],
  onTops: (tops: NonNullable<Mood['tops']>) => NonNullable<Mood['tops']>,
): Moods => ({
  ...moods,
  list: moods.list.map((mood) => ({
    ...mood,
    moves: onMoves(mood.moves),
    ...(mood.tops ? { tops: onTops(mood.tops) } : {}),
  })),
  ...(moods.signs ? { signs: moods.signs.map((sign) => ({ ...sign, moves: onMoves(sign.moves) })) } : {}),
});

/** Moods in which nothing is done any more to a light group or a set. */
const withoutMovesOn = (moods: Moods, id: string): Moods =>
  mapMoves(
    moods,
    (moves) => withoutKey(moves, id),
    (tops) => tops.filter((top) => top.on !== id),
  );

/** Cues that meet a condition are gone, and what the maker said of how often they come. */
function withoutCues(moods: Moods, isGone: (cue: Moods['cues'][number]) => boolean): Moods {
  const gone = new Set(moods.cues.filter(isGone).map((cue) => cue.id));
  return {
    ...moods,
    cues: moods.cues.filter((cue) => !gone.has(cue.id)),
    cueUses: moods.cueUses.filter((use) => !gone.has(use.cueId)),
  };
}

/** The design without a set of lights, and without what it was given to do. */
export function removeSet(design: Design, id: string): Design {
  const moods = withoutMovesOn(design.moods, id);
  return { ...design, moods: { ...moods, sets: moods.sets?.filter((set) => set.id !== id) ?? [] } };
}

/** The design without a mood, and without the cues and parts of the evening that lead to it. */
export function removeMood(design: Design, id: string): Design {
  const list = design.moods.list.filter((mood) => mood.id !== id);
  const moods = withoutCues(design.moods, (cue) => cue.to === id || cue.from === id);
  const startId = moods.startId === id ? (list[0]?.id ?? null) : moods.startId;
  const course = moods.course.filter((step) => step.moodId !== id);
  return { ...design, moods: { ...moods, list, startId, course } };
}

/** The design without a cue, and without what was said of how often it comes. */
export const removeCue = (design: Design, id: string): Design => ({
  ...design,
  moods: withoutCues(design.moods, (cue) => cue.id === id),
});

/** The design without a sign. */
export const removeSign = (design: Design, id: string): Design => ({
  ...design,
  moods: { ...design.moods, signs: (design.moods.signs ?? []).filter((sign) => sign.id !== id) },
});

/** The design without a hollow; what lay in it lies nowhere. */
export const removeHollow = (design: Design, id: string): Design => ({
  ...design,
  hollows: design.hollows.filter((hollow) => hollow.id !== id),
  // No item is named like a hollow, so only what led to this one is forgotten.
  items: design.items.flatMap((item) => forgetIn(item, id) ?? []),
});

/** The design without one light of a group, and without what was overruled of the wires to it. */
export const removePlace = (design: Design, itemId: string, placeId: string): Design => ({
  ...design,
  items: design.items.map((item) =>
    item.id === itemId && 'places' in item
      ? { ...item, places: item.places.filter((place) => place.id !== placeId) }
      : item,
  ),
  wires: {
    ...design.wires,
    runs: design.wires.runs.filter(({ runId }) => !(isOf(runId, itemId) && runId.split(':')[2] === placeId)),
  },
});

const forget = (move: Move, controlId: string): Move =>
  'controlId' in move && move.controlId === controlId ? { ...move, controlId: null } : move;

/** Moods in which nothing listens to a control any more, nor shows its value. */
function withoutControl(moods: Moods, id: string): Moods {
  const heard = mapMoves(
    withoutCues(moods, (cue) => 'controlId' in cue.when && cue.when.controlId === id),
    (moves) => Object.fromEntries(Object.entries(moves).map(([on, move]) => [on, forget(move, id)])),
    (tops) => tops.map((top) => ({ ...top, move: forget(top.move, id) })),
  );
  return { ...heard, ...(heard.signs ? { signs: heard.signs.filter((sign) => sign.controlId !== id) } : {}) };
}

/** Whether what the maker overruled, by its id, belongs to an item: `kind:ID` or `kind:ID:part`; a rail's lead to its hub too. */
function isOf(overruledId: string, itemId: string): boolean {
  const [what, first, second] = overruledId.split(':');
  return first === itemId || (what === 'rail' && second === itemId);
}

/**
 * The design without an item, and without all that named it: moves on it, its cues and signs, its part in sets, its pin
 * and the wires to it. What it fed, switched or sent data to hangs on what is left.
 */
export function removeItem(design: Design, id: string): Design {
  const moods = withoutControl(withoutMovesOn(design.moods, id), id);
  const sets = moods.sets?.map((set) => ({ ...set, of: set.of.filter((part) => part.groupId !== id) }));
  const items = design.items
    .filter((item) => item.id !== id)
    .flatMap((item): Item[] => {
      const left = forgetIn(item, id);
      if (!left) return [];
      return [
        'pinLocks' in left ? { ...left, pinLocks: left.pinLocks.filter((lock) => !isOf(lock.demand, id)) } : left,
      ];
    });
  const without: Design = {
    ...design,
    items,
    moods: sets ? { ...moods, sets } : moods,
    wires: { ...design.wires, runs: design.wires.runs.filter((run) => !isOf(run.runId, id)) },
  };
  const bare = (sets ?? []).filter((set) => set.of.length === 0).reduce((now, set) => removeSet(now, set.id), without);
  // What can't be without it has gone too: whatever named that goes with it.
  const gone = design.items.filter((item) => item.id !== id && !items.some((left) => left.id === item.id));
  return gone.reduce((now, item) => removeItem(now, item.id), bare);
}
