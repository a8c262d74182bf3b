/** Names one state of a plan: counted from its first on, with an id of its own, which is its save's too. */
export interface Stamp {
  readonly count: number;
  readonly id: string;
}

/** A state of a plan with where it stands to what the server holds. */
export interface KeptRecord<P> {
  readonly plan: P;
  readonly stamp: Stamp;
  /** The server's revision that it grew from. */
  readonly basedOn: number;
  /** The state that the server has confirmed; null while that is none of this browser's. */
  readonly confirmed: Stamp | null;
  /** Ids of saves that were sent and have had no answer: the server may have them nevertheless. */
  readonly tried: readonly string[];
}

export const isSame = (a: Stamp | null, b: Stamp | null): boolean => a !== null && b !== null && a.id === b.id;

/** Whether the server has not confirmed this state yet. */
export const isWaiting = ({ stamp, confirmed }: KeptRecord<unknown>): boolean => !isSame(stamp, confirmed);

/** A state with the newer knowledge of two about the server: answers may come while a state is being written. */
export function withServerOf<P>(record: KeptRecord<P>, known: KeptRecord<P>): KeptRecord<P> {
  if (known.basedOn > record.basedOn)
    return { ...record, basedOn: known.basedOn, confirmed: known.confirmed, tried: known.tried };
  if (known.basedOn < record.basedOn) return record;
  return { ...record, tried: [...new Set([...record.tried, ...known.tried])] };
}

/** A state after the server has confirmed one that it is, or grew from. */
export const confirm = <P>(record: KeptRecord<P>, stamp: Stamp, revision: number): KeptRecord<P> =>
  revision < record.basedOn ? record : { ...record, basedOn: revision, confirmed: stamp, tried: [] };

/** A state of which a save with this id is on its way. */
export const trying = <P>(record: KeptRecord<P>, saveId: string): KeptRecord<P> =>
  record.tried.includes(saveId) ? record : { ...record, tried: [...record.tried, saveId] };
