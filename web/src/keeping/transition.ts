import {
  confirm,
  fromServer,
  grewFrom,
  grow,
  isSame,
  isWaiting,
  type KeptRecord,
  type Stamp,
  withServerOf,
} from './record.ts';

/** What was changed at the same time elsewhere: in another tab of this browser, or by way of the server. */
type Other<P> =
  | { readonly from: 'tab'; readonly record: KeptRecord<P> }
  | { readonly from: 'browser'; readonly plan: P; readonly revision: number; readonly saveId: string | null };

/** How the plan on the bench of one tab is kept. */
export interface Keeping<P> {
  /** The plan on the bench with where it comes from. */
  readonly record: KeptRecord<P>;
  /** The newest state that the browser's store is known to hold. */
  readonly stored: Stamp | null;
  /** Whether the browser's store took what it was last given. */
  readonly store: 'holds' | 'refuses';
  /** Whether it answers. */
  readonly server: { readonly kind: 'at hand' | 'away' } | { readonly kind: 'refuses'; readonly why: string };
  /** While there is one, both are kept and the maker says how to go on. */
  readonly other: Other<P> | null;
}

/** What can happen to a plan that is kept. */
export type KeepingEvent<P> =
  | { readonly kind: 'edited'; readonly plan: P; readonly id: string }
  /** The browser's store: it has taken a state, it takes none, or it holds one that this tab did not know of. */
  | { readonly kind: 'stored'; readonly stamp: Stamp }
  | { readonly kind: 'store refused' }
  | { readonly kind: 'overtaken'; readonly by: KeptRecord<P> }
  /** The server: it has confirmed a state, does not answer, will not have it, or holds a newer one. */
  | { readonly kind: 'confirmed'; readonly stamp: Stamp; readonly revision: number }
  | { readonly kind: 'away' }
  | { readonly kind: 'back' }
  | { readonly kind: 'refused'; readonly why: string }
  | { readonly kind: 'newer'; readonly plan: P; readonly revision: number; readonly saveId: string | null }
  /** Another tab has changed the plan; what the store holds was read again; another browser has saved it. */
  | {
      readonly kind: 'heard edit';
      /** As the other tab has it. */
      readonly record: KeptRecord<P>;
      /** The state that was edited there. */
      readonly grewFrom: Stamp;
      /** The browser’s store has it. */
      readonly isStored: boolean;
    }
  | { readonly kind: 'reread'; readonly record: KeptRecord<P> }
  | { readonly kind: 'heard save'; readonly plan: P; readonly revision: number; readonly saveId: string | null }
  /** The maker went on with one of two; the other has become a plan of its own. */
  | { readonly kind: 'settled'; readonly goOnWith: 'mine' | 'other'; readonly id: string };

/** What is to be done after an event, by whoever runs it. */
export type KeepingEffect<P> =
  /** Writes a state; the other tabs are told of it once it is written, or can't be. */
  | { readonly kind: 'write'; readonly record: KeptRecord<P>; readonly grewFrom: Stamp }
  | { readonly kind: 'send'; readonly after: 'a pause' | 'nothing' | 'a while' }
  /** Puts a plan onto the bench that was not made there. */
  | { readonly kind: 'show'; readonly plan: P }
  | { readonly kind: 'read again' }
  /** Keeps what can't be written over another tab's state beside it; null = no longer. */
  | { readonly kind: 'keep aside'; readonly record: KeptRecord<P> | null };

/** The state after an event, and what is to be done. */
export interface Step<P> {
  /** As it is from now on. */
  readonly state: Keeping<P>;
  /** In their order. */
  readonly effects: readonly KeepingEffect<P>[];
}

const stay = <P>(state: Keeping<P>): Step<P> => ({ state, effects: [] });

/** Whether the store may not hold yet what was changed here. */
const isUnwritten = <P>({ record, stored }: Keeping<P>): boolean => !isSame(stored, record.stamp);

/** Writes a state that grew from another, and sends it. */
function pass<P>(
  state: Keeping<P>,
  grewFrom: Stamp,
  after: 'a pause' | 'nothing',
  more: readonly KeepingEffect<P>[] = [],
): Step<P> {
  const { record } = state;
  return {
    state,
    effects: [...more, { kind: 'write', record, grewFrom }, ...(state.other ? [] : [{ kind: 'send', after } as const])],
  };
}

/** What was sent may have been what the store held before: it is looked at again. */
const thenSend = <P>(state: Keeping<P>): Step<P> => ({
  state,
  effects: isWaiting(state.record) && !state.other ? [{ kind: 'send', after: 'a pause' }] : [],
});

function edited<P>(state: Keeping<P>, plan: P, id: string): Step<P> {
  const { record, other } = state;
  if (plan === record.plan) return stay(state);
  const next = grow(record, plan, id);
  if (other?.from === 'tab')
    return { state: { ...state, record: next }, effects: [{ kind: 'keep aside', record: next }] };
  return pass({ ...state, record: next }, record.stamp, 'a pause');
}

/** Goes on with a state that was made elsewhere. */
function takeUp<P>(state: Keeping<P>, record: KeptRecord<P>, isStored: boolean): Step<P> {
  return {
    state: { ...state, record, store: isStored ? 'holds' : 'refuses', stored: isStored ? record.stamp : state.stored },
    effects: record.plan === state.record.plan ? [] : [{ kind: 'show', plan: record.plan }],
  };
}

function overtaken<P>(state: Keeping<P>, by: KeptRecord<P>): Step<P> {
  const { record } = state;
  if (isSame(by.stamp, record.stamp)) return stay({ ...state, stored: by.stamp, store: 'holds' });
  // The store missed what came between: what it holds is what this state grew from.
  if (grewFrom(record, by.stamp.id))
    return {
      state: { ...state, stored: by.stamp, store: 'holds' },
      effects: [{ kind: 'write', record, grewFrom: by.stamp }],
    };
  return {
    state: { ...state, store: 'holds', other: { from: 'tab', record: by } },
    effects: [{ kind: 'keep aside', record }],
  };
}

function heardEdit<P>(
  state: Keeping<P>,
  { record, grewFrom: before, isStored }: Extract<KeepingEvent<P>, { kind: 'heard edit' }>,
): Step<P> {
  if (state.other?.from === 'tab') return stay({ ...state, other: { from: 'tab', record } });
  if (isSame(record.stamp, state.record.stamp)) return stay({ ...state, record: withServerOf(state.record, record) });
  if (isSame(before, state.record.stamp) || grewFrom(record, state.record.stamp.id))
    return takeUp(state, record, isStored);
  // Both changed it: whose write comes second hears so from the store, and keeps both.
  return isUnwritten(state) ? stay(state) : { state, effects: [{ kind: 'read again' }] };
}

function reread<P>(state: Keeping<P>, record: KeptRecord<P>): Step<P> {
  if (state.other || isUnwritten(state) || record.stamp.count < state.record.stamp.count) return stay(state);
  return takeUp(state, record, true);
}

function confirmed<P>(state: Keeping<P>, stamp: Stamp, revision: number): Step<P> {
  const server = { kind: 'at hand' } as const;
  // What is aside is not what was sent.
  if (state.other?.from === 'tab')
    return stay({ ...state, server, other: { from: 'tab', record: confirm(state.other.record, stamp, revision) } });
  const next: Keeping<P> = { ...state, server, record: confirm(state.record, stamp, revision) };
  return { state: next, effects: isWaiting(next.record) ? [{ kind: 'send', after: 'a pause' }] : [] };
}

function newer<P>(
  state: Keeping<P>,
  { plan, revision, saveId }: { readonly plan: P; readonly revision: number; readonly saveId: string | null },
): Step<P> {
  const { record } = state;
  // What another tab wrote was overtaken: that is asked once this tab has settled with it.
  if (state.other?.from === 'tab') return stay(state);
  if (revision <= record.basedOn) return { state, effects: [{ kind: 'send', after: 'nothing' }] };
  // A save of this browser whose answer was lost: it is one that this state grew from.
  if (saveId !== null && grewFrom(record, saveId)) {
    const own = confirm(record, { count: record.stamp.count, id: saveId }, revision);
    const write = { kind: 'write', record: own, grewFrom: record.stamp } as const;
    return {
      state: { ...state, record: own, server: { kind: 'at hand' } },
      effects: isWaiting(own) ? [write, { kind: 'send', after: 'nothing' }] : [write],
    };
  }
  return stay({ ...state, server: { kind: 'at hand' }, other: { from: 'browser', plan, revision, saveId } });
}

function heardSave<P>(
  state: Keeping<P>,
  { plan, revision, saveId }: { readonly plan: P; readonly revision: number; readonly saveId: string | null },
): Step<P> {
  const { record } = state;
  if (revision <= record.basedOn || (saveId !== null && grewFrom(record, saveId)) || state.other?.from === 'tab')
    return stay(state);
  if (state.other) return stay({ ...state, other: { from: 'browser', plan, revision, saveId } });
  // What waits here is sent, and hears then that it was overtaken.
  if (isWaiting(record)) return { state, effects: [{ kind: 'send', after: 'nothing' }] };
  const next = fromServer({ plan, revision, saveId }, record.stamp.count + 1);
  return {
    state: { ...state, record: next },
    effects: [
      { kind: 'show', plan },
      { kind: 'write', record: next, grewFrom: record.stamp },
    ],
  };
}

function settled<P>(state: Keeping<P>, goOnWith: 'mine' | 'other', id: string): Step<P> {
  const { record, other } = state;
  if (!other) return stay(state);
  const theirs: KeptRecord<P> = other.from === 'tab' ? other.record : fromServer(other, record.stamp.count + 1);
  const before = other.from === 'tab' ? theirs.stamp : record.stamp;
  const next = goOnWith === 'other' ? theirs : grow(theirs, record.plan, id);
  const drop: readonly KeepingEffect<P>[] = other.from === 'tab' ? [{ kind: 'keep aside', record: null }] : [];
  const show: readonly KeepingEffect<P>[] = goOnWith === 'other' ? [{ kind: 'show', plan: next.plan }] : [];
  const after = { ...state, record: next, other: null };
  // Another tab's own state is written already.
  if (goOnWith === 'other' && other.from === 'tab')
    return { state: { ...after, stored: next.stamp }, effects: [...drop, ...show, { kind: 'send', after: 'nothing' }] };
  return pass(after, before, 'nothing', [...drop, ...show]);
}

/**
 * What follows from an event for the plan on the bench of a tab: nothing that was typed is ever without a place, which
 * `placesOf` names. Pure: whoever calls it runs the effects.
 */
export function transition<P>(state: Keeping<P>, event: KeepingEvent<P>): Step<P> {
  switch (event.kind) {
    case 'edited':
      return edited(state, event.plan, event.id);
    case 'stored':
      return thenSend({ ...state, stored: event.stamp, store: 'holds' });
    case 'store refused':
      return thenSend({ ...state, store: 'refuses' });
    case 'overtaken':
      return overtaken(state, event.by);
    case 'confirmed':
      return confirmed(state, event.stamp, event.revision);
    case 'away':
      return { state: { ...state, server: { kind: 'away' } }, effects: [{ kind: 'send', after: 'a while' }] };
    case 'back':
      return stay({ ...state, server: { kind: 'at hand' } });
    case 'refused':
      return stay({ ...state, server: { kind: 'refuses', why: event.why } });
    case 'newer':
      return newer(state, event);
    case 'heard edit':
      return heardEdit(state, event);
    case 'reread':
      return reread(state, event.record);
    case 'heard save':
      return heardSave(state, event);
    default:
      return settled(state, event.goOnWith, event.id);
  }
}
