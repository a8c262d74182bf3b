import { ANY, type Show, type ShowCue } from './show.ts';

/** A way from mood to mood; `cue` by its number in the show, `isBack` for the way back of a cue that returns. */
export interface MoodWay {
  /** Number of the mood. */
  readonly from: number;
  /** Number of the mood. */
  readonly to: number;
  /** Number of the cue. */
  readonly cue: number;
  /** The way back that the cue takes by itself. */
  readonly isBack: boolean;
}

/** All ways between the moods of a show, which of them are ever reached, and which are left again. */
export interface MoodMap {
  /** Each that can be taken. */
  readonly ways: readonly MoodWay[];
  /** By mood, whether anything leads there. */
  readonly reached: readonly boolean[];
  /** By mood, whether anything leads away. */
  readonly isLeft: readonly boolean[];
}

const returns = (cue: ShowCue): boolean => cue.backAfterMs !== null || cue.when === 'while';

/** Follows every cue from every mood it applies to; a mood is reached if a row of them leads there from the start. */
export function mapMoods(show: Show): MoodMap {
  const all = show.moods.map((_, i) => i);
  const ways = show.cues.flatMap((cue, c): MoodWay[] => {
    const froms = all.filter((mood) => (cue.from === ANY || cue.from === mood) && mood !== cue.to);
    return froms.flatMap((from) => [
      { from, to: cue.to, cue: c, isBack: false },
      ...(returns(cue) ? [{ from: cue.to, to: from, cue: c, isBack: true }] : []),
    ]);
  });
  const reached = all.map((mood) => mood === show.start);
  for (let grown = true; grown; ) {
    const next = ways.filter((way) => reached[way.from] && !reached[way.to] && !way.isBack);
    for (const way of next) reached[way.to] = true;
    grown = next.length > 0;
  }
  const isLeft = all.map((mood) => {
    const into = ways.filter((way) => way.to === mood && reached[way.from] && !way.isBack);
    const comesBack = into.length > 0 && mood !== show.start && into.every((way) => returnsBy(show, way));
    return comesBack || ways.some((way) => way.from === mood && !way.isBack);
  });
  return { ways, reached, isLeft };
}

const returnsBy = (show: Show, way: MoodWay): boolean => {
  const cue = show.cues[way.cue];
  return cue !== undefined && returns(cue);
};
