/** Something with two states that joins two places when it is closed: a switch, a plug, a charger's contact. */
export interface Joint {
  readonly name: string;
  /** Net at its one side. */
  readonly a: string;
  /** Net at its other side. */
  readonly b: string;
  /** Current only from a to b, as through a diode. */
  readonly oneWay?: boolean;
}

/** One row of the truth table: which joints are closed, and what feeds each place. */
export interface FeedRow {
  /** Names of the joints that are closed. */
  readonly closed: readonly string[];
  /** By each net, the sources that reach it. */
  readonly fedBy: ReadonlyMap<string, readonly string[]>;
  /** Places that two sources meet at, or a source that is fed by another. */
  readonly backFeeds: readonly string[];
}

function reach(from: string, joints: readonly Joint[]): ReadonlySet<string> {
  const found = new Set([from]);
  for (let grows = true; grows; ) {
    grows = false;
    for (const joint of joints) {
      for (const [a, b] of joint.oneWay
        ? [[joint.a, joint.b] as const]
        : [[joint.a, joint.b] as const, [joint.b, joint.a] as const]) {
        if (found.has(a) && !found.has(b)) {
          found.add(b);
          grows = true;
        }
      }
    }
  }
  return found;
}

/**
 * Every state of every joint, with what feeds every place. A place fed by two sources, or a source that another one
 * reaches, is a back-feed.
 * @example pack, charger and controller with three joints: 8 rows
 */
export function tabulateFeeds(
  sources: readonly string[],
  places: readonly string[],
  joints: readonly Joint[],
): readonly FeedRow[] {
  return Array.from({ length: 2 ** joints.length }, (_, row) => {
    const closed = joints.filter((_joint, i) => (row >> i) & 1);
    const reaches = sources.map((source) => ({ source, places: reach(source, closed) }));
    const fedBy = new Map(
      places.map((place): [string, string[]] => [
        place,
        reaches.filter((each) => each.places.has(place)).map((each) => each.source),
      ]),
    );
    const met = places.filter((place) => (fedBy.get(place)?.length ?? 0) > 1);
    const pushed = sources.filter((source) =>
      reaches.some((each) => each.source !== source && each.places.has(source)),
    );
    return { closed: closed.map((joint) => joint.name), fedBy, backFeeds: [...new Set([...met, ...pushed])] };
  });
}

/** Is there a way for current from one place to another with these joints closed? */
export const hasPath = (from: string, to: string, closed: readonly Joint[]): boolean => reach(from, closed).has(to);
