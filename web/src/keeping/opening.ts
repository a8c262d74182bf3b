import { fromServer, isWaiting, type KeptRecord } from './record.ts';
import type { Keeping } from './transition.ts';

/** What there is of a plan when it is opened; the server's is null while it does not answer. */
export interface Found<P> {
  /** In this browser. */
  readonly held: KeptRecord<P> | undefined;
  readonly kept: { readonly plan: P; readonly revision: number; readonly saveId: string | null } | null;
  /** What could not be written over another tab's state. */
  readonly aside: KeptRecord<P> | undefined;
}

/** What is taken onto the bench: what waits in this browser, else what the server has. Null where there is neither. */
export function openingOf<P>({ held, kept, aside }: Found<P>): Keeping<P> | null {
  const isNewest = held !== undefined && (!kept || isWaiting(held) || held.basedOn === kept.revision);
  const record = isNewest || !kept ? held : fromServer(kept, (held?.stamp.count ?? 0) + 1);
  if (!record) return null;
  const base = { store: 'holds', server: { kind: kept ? 'at hand' : 'away' } } as const;
  if (aside) return { ...base, record: aside, stored: aside.stamp, other: { from: 'tab', record } };
  return { ...base, record, stored: isNewest ? record.stamp : null, other: null };
}

/** Whether the server has a state that what waits here did not grow from. */
export const isOvertaken = <P>({ record, other }: Keeping<P>, { kept }: Found<P>): boolean =>
  kept !== null && other === null && isWaiting(record) && kept.revision > record.basedOn;
