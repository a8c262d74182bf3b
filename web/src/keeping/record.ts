/** Names one state of a plan: counted from its first on, with an id of its own, which is its save's too. */
export interface Stamp {
  /** One more with each edit. */
  readonly count: number;
  /** Its own, by which the server knows it. */
  readonly id: string;
}

/** A state of a plan with where it stands to what the server holds. */
export interface KeptRecord<P> {
  /** As it is in this browser. */
  readonly plan: P;
  /** Of this very state. */
  readonly stamp: Stamp;
  /** The server's revision that it grew from. */
  readonly basedOn: number;
  /** The state that the server has confirmed; null while that is none that this one grew from. */
  readonly confirmed: Stamp | null;
  /** Ids of the states that it grew from since that one, the oldest first: a late answer is known by them. */
  readonly line: readonly string[];
}

/** Longer than anything that is typed while an answer is under way. */
const MOST_LINE = 1000;

/** Whether two stamps are of one state. */
export const isSame = (a: Stamp | null, b: Stamp | null): boolean => a !== null && b !== null && a.id === b.id;

/** Whether the server has not confirmed this state yet. */
export const isWaiting = ({ stamp, confirmed }: KeptRecord<unknown>): boolean => !isSame(stamp, confirmed);

/** Whether a state is this one, or one that it grew from. */
export const grewFrom = ({ stamp, line }: KeptRecord<unknown>, id: string): boolean =>
  stamp.id === id || line.includes(id);

/** The next state of a plan. */
export const grow = <P>(record: KeptRecord<P>, plan: P, id: string): KeptRecord<P> => ({
  ...record,
  plan,
  stamp: { count: record.stamp.count + 1, id },
  line: [...record.line, record.stamp.id].slice(-MOST_LINE),
});

/** A state after the server has confirmed one that it is, or grew from; any other stays as it is. */
export function confirm<P>(record: KeptRecord<P>, stamp: Stamp, revision: number): KeptRecord<P> {
  if (revision < record.basedOn || !grewFrom(record, stamp.id)) return record;
  const since = record.stamp.id === stamp.id ? [] : record.line.slice(record.line.indexOf(stamp.id) + 1);
  return { ...record, basedOn: revision, confirmed: stamp, line: since };
}

/** A state with what another knows of the server: answers may come while a state is being written. */
export const withServerOf = <P>(record: KeptRecord<P>, known: KeptRecord<P>): KeptRecord<P> =>
  known.confirmed ? confirm(record, known.confirmed, known.basedOn) : record;

/** A state that came from the server, confirmed as it is; every tab names it alike. */
export function fromServer<P>(
  { plan, revision, saveId }: { readonly plan: P; readonly revision: number; readonly saveId: string | null },
  count: number,
): KeptRecord<P> {
  const stamp = { count, id: saveId ?? `revision ${revision}` };
  return { plan, stamp, basedOn: revision, confirmed: stamp, line: [] };
}
