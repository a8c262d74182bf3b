/** The move on this group or set; undefined where it has none. A maker's id may be a word that every object answers to. */
export const moveOn = <T>(moves: Readonly<Record<string, T>>, id: string): T | undefined =>
  Object.hasOwn(moves, id) ? moves[id] : undefined;
