import type { Design, Mood, Move } from './types.ts';

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

/** The design without a tape or a group of lights: sets lose its lights, and what hung behind it hangs on the controller. */
export function removeGroup(design: Design, id: string): Design {
  const moods = withoutMovesOn(design.moods, id);
  const sets = moods.sets?.map((set) => ({ ...set, of: set.of.filter((part) => part.groupId !== id) }));
  const without: Design = {
    ...design,
    tapes: design.tapes
      .filter((tape) => tape.id !== id)
      .map((tape) => (tape.after === id ? { ...tape, after: null } : tape)),
    leds: design.leds.filter((group) => group.id !== id),
    moods: sets ? { ...moods, sets } : moods,
  };
  return (sets ?? []).filter((set) => set.of.length === 0).reduce((now, set) => removeSet(now, set.id), without);
}

/** The design without a mood, and without the cues and parts of the evening that lead to it. */
export function removeMood(design: Design, id: string): Design {
  const list = design.moods.list.filter((mood) => mood.id !== id);
  const moods = withoutCues(design.moods, (cue) => cue.to === id || cue.from === id);
  const startId = moods.startId === id ? (list[0]?.id ?? null) : moods.startId;
  const course = moods.course.filter((step) => step.moodId !== id);
  return { ...design, moods: { ...moods, list, startId, course } };
}

const forget = (move: Move, controlId: string): Move =>
  'controlId' in move && move.controlId === controlId ? { ...move, controlId: null } : move;

/** The design without a control: its cues, signs and pin are gone, and what showed its value shows none. */
export function removeControl(design: Design, id: string): Design {
  const moods = mapMoves(
    withoutCues(design.moods, (cue) => 'controlId' in cue.when && cue.when.controlId === id),
    (moves) => Object.fromEntries(Object.entries(moves).map(([on, move]) => [on, forget(move, id)])),
    (tops) => tops.map((top) => ({ ...top, move: forget(top.move, id) })),
  );
  const { drive } = design;
  return {
    ...design,
    moods: { ...moods, ...(moods.signs ? { signs: moods.signs.filter((sign) => sign.controlId !== id) } : {}) },
    drive: {
      ...drive,
      controls: drive.controls.filter((control) => control.id !== id),
      pinLocks: drive.pinLocks.filter((lock) => lock.demand !== `control:${id}`),
    },
  };
}
