import { type Found, isOvertaken, openingOf } from './opening.ts';
import { type Places, placesOf } from './places.ts';
import type { KeeperPorts, TabMessage } from './ports.ts';
import { confirm, grewFrom, isSame, isWaiting, type KeptRecord, type Stamp, withServerOf } from './record.ts';
import { type Keeping, type KeepingEffect, type KeepingEvent, transition } from './transition.ts';

const PAUSE_MS = 500;
const WHILE_MS = 2000;
const afterMs = { 'a pause': PAUSE_MS, nothing: 0, 'a while': WHILE_MS } as const;

/** Keeps the plan on the bench of one tab, and sends whatever waits, of any plan. */
export interface Keeper<P> {
  /** Takes a plan onto the bench. @throws where neither the server nor this browser has it */
  readonly open: (id: string) => Promise<void>;
  readonly edited: (plan: P) => void;
  /** Leaves the plan; its last change is sent. */
  readonly close: () => void;
  readonly hearTab: (message: TabMessage<P>) => void;
  /** Another browser, or another tab, had a save of this plan confirmed. */
  readonly hearSave: (id: string, revision: number, saveId: string | null) => void;
  /** Sends all that waits, plan by plan. */
  readonly sendWaiting: () => Promise<void>;
  /** Goes on with one of two states; the other becomes a plan of its own, whose name is given back. */
  readonly settle: (goOnWith: 'mine' | 'other') => Promise<P | null>;
  /** Resolves when no save is under way. */
  readonly idle: () => Promise<void>;
  readonly state: () => Keeping<P> | null;
  readonly subscribe: (listener: (places: Places | null) => void) => void;
}

type WithId = { readonly id: string };

/** Runs the effects of `transition` for one tab. */
export function createKeeper<P extends WithId>(ports: KeeperPorts<P>): Keeper<P> {
  const { store, server, tellTabs, alone, later, newId, show, copyOf } = ports;
  const listeners: ((places: Places | null) => void)[] = [];
  let state: Keeping<P> | null = null;
  /** Only the last plan that was asked for is taken up. */
  let asked = 0;
  let callOff: () => void = () => undefined;
  let sending: Promise<void> = Promise.resolve();

  const announce = (): void => {
    for (const listener of listeners) listener(state && placesOf(state));
  };
  const set = (next: Keeping<P> | null): void => {
    state = next;
    announce();
  };
  const isOpen = (id: string): boolean => state?.record.plan.id === id;

  function dispatch(event: KeepingEvent<P>): void {
    if (!state) return;
    const step = transition(state, event);
    set(step.state);
    for (const effect of step.effects) run(step.state.record.plan.id, effect);
  }
  /** An event of a plan, where it is still the one on the bench. */
  const dispatchFor = (id: string, event: KeepingEvent<P>): void => {
    if (isOpen(id)) dispatch(event);
  };

  function run(id: string, effect: KeepingEffect<P>): void {
    switch (effect.kind) {
      case 'write':
        void write(effect.record, effect.grewFrom);
        return;
      case 'send':
        callOff();
        callOff = later(afterMs[effect.after], () => void send(id));
        return;
      case 'show':
        show(effect.plan);
        return;
      case 'read again':
        store.read(id).then(
          (record) => record && dispatchFor(id, { kind: 'reread', record }),
          () => undefined,
        );
        return;
      default:
        void keepAside(id, effect.record);
    }
  }

  async function keepAside(id: string, record: KeptRecord<P> | null): Promise<void> {
    try {
      await store.keepAside(id, record);
      if (record) dispatchFor(id, { kind: 'stored', stamp: record.stamp });
    } catch {
      dispatchFor(id, { kind: 'store refused' });
    }
  }

  async function write(record: KeptRecord<P>, before: Stamp | null): Promise<void> {
    const { id } = record.plan;
    try {
      const by = await store.write(record, before);
      if (!by && before) tellTabs({ kind: 'edit', record, grewFrom: before, isStored: true });
      dispatchFor(id, by ? { kind: 'overtaken', by } : { kind: 'stored', stamp: record.stamp });
    } catch {
      if (before) tellTabs({ kind: 'edit', record, grewFrom: before, isStored: false });
      dispatchFor(id, { kind: 'store refused' });
    }
  }

  /** The newest state of a plan that there is to send: the store's, or the bench's where the store takes nothing. */
  async function toSend(id: string, leaving: Keeping<P> | null): Promise<KeptRecord<P> | undefined> {
    const held = await store.read(id).catch(() => undefined);
    const here = isOpen(id) ? state : leaving;
    if (here?.other?.from === 'browser') return undefined;
    if (!here || here.other) return held;
    // The store may have missed what this tab knows; what another tab wrote on top of it is newer.
    const isNewer = held && isSame(here.stored, here.record.stamp) && grewFrom(held, here.record.stamp.id);
    return isNewer ? withServerOf(held, here.record) : here.record;
  }

  async function sendOne(id: string, leaving: Keeping<P> | null = null): Promise<void> {
    const record = await toSend(id, leaving);
    if (!record) return;
    if (!isWaiting(record)) {
      // Another tab went on from here, and was told before this one.
      if (isOpen(id) && state && isWaiting(state.record)) dispatch({ kind: 'reread', record });
      return;
    }
    const { stamp } = record;
    try {
      const { revision } = await server.save(record.plan, record.basedOn, stamp.id);
      const sent = confirm(record, stamp, revision);
      await store
        .note(id, (held) =>
          sent.line.includes(held.stamp.id) || record.line.includes(held.stamp.id)
            ? sent
            : confirm(held, stamp, revision),
        )
        .catch(() => undefined);
      dispatchFor(id, { kind: 'confirmed', stamp, revision });
      tellTabs({ kind: 'confirmed', id, stamp, revision });
    } catch (error) {
      await notSent(id, record, error, leaving);
    }
  }

  async function notSent(id: string, record: KeptRecord<P>, error: unknown, leaving: Keeping<P> | null): Promise<void> {
    const failure = server.explain(error);
    if (failure.kind === 'away') {
      if (isOpen(id)) dispatch({ kind: 'away' });
      // A plan that was left goes on waiting for its way, from memory where the store took nothing.
      else later(afterMs['a while'], () => void send(id, leaving));
      return;
    }
    if (failure.kind === 'refused') {
      dispatchFor(id, { kind: 'refused', why: failure.why });
      return;
    }
    try {
      const theirs = await server.load(id);
      const own = theirs.saveId !== null && grewFrom(record, theirs.saveId) ? theirs.saveId : null;
      if (own !== null) await store.note(id, (held) => confirm(held, { count: 0, id: own }, theirs.revision));
      if (isOpen(id)) dispatch({ kind: 'newer', ...theirs });
      // Nobody shows this plan: what was overtaken by nothing but itself goes on its way again.
      else if (own !== null) await sendOne(id);
    } catch {
      dispatchFor(id, { kind: 'away' });
    }
  }

  function send(id: string, leaving: Keeping<P> | null = null): Promise<void> {
    sending = sending.then(() => alone(`send ${id}`, () => sendOne(id, leaving))).catch(() => undefined);
    return sending;
  }

  async function open(id: string): Promise<void> {
    asked += 1;
    const mine = asked;
    callOff();
    set(null);
    await sending;
    const [held, aside] = await Promise.all([
      store.read(id).catch(() => undefined),
      store.readAside(id).catch(() => undefined),
    ]);
    const found = await server.load(id).then(
      (kept) => ({ kept, error: null }),
      (error: unknown) => ({ kept: null, error }),
    );
    if (mine !== asked) return;
    if (!found.kept && (!held || server.explain(found.error).kind !== 'away')) throw found.error;
    begin({ held, kept: found.kept, aside });
  }

  function begin(found: Found<P>): void {
    const opened = openingOf(found);
    if (!opened) return;
    const { record } = opened;
    set(opened);
    show(record.plan);
    if (opened.stored === null) void write(record, found.held?.stamp ?? null);
    if (found.kept && isOvertaken(opened, found)) dispatch({ kind: 'newer', ...found.kept });
    else if (isWaiting(record)) void send(record.plan.id);
    else if (!found.kept) run(record.plan.id, { kind: 'send', after: 'a while' });
  }

  return {
    open,
    edited: (plan) => dispatchFor(plan.id, { kind: 'edited', plan, id: newId() }),
    close: () => {
      asked += 1;
      callOff();
      if (!state) return;
      void send(state.record.plan.id, state);
      set(null);
    },
    hearTab: (message) => {
      if (message.kind === 'edit') dispatchFor(message.record.plan.id, { ...message, kind: 'heard edit' });
      else dispatchFor(message.id, { kind: 'confirmed', stamp: message.stamp, revision: message.revision });
    },
    hearSave: (id, revision, saveId) => {
      if (!state || !isOpen(id) || state.record.basedOn >= revision) return;
      if (saveId !== null && grewFrom(state.record, saveId)) return;
      server.load(id).then(
        (kept) => dispatchFor(id, { kind: 'heard save', ...kept }),
        () => undefined,
      );
    },
    sendWaiting: async () => {
      const waiting = await store.listWaiting().catch(() => []);
      for (const record of waiting) await send(record.plan.id);
      if (state) {
        if (state.server.kind === 'away') dispatch({ kind: 'back' });
        await send(state.record.plan.id);
      }
    },
    settle: async (goOnWith) => {
      const other = state?.other;
      if (!state || !other) return null;
      const { record } = state;
      const theirs = other.from === 'tab' ? other.record.plan : other.plan;
      const copy = goOnWith === 'mine' ? copyOf(theirs, 'other') : copyOf(record.plan, 'mine');
      await server.add(copy);
      dispatchFor(record.plan.id, { kind: 'settled', goOnWith, id: newId() });
      return copy;
    },
    idle: () => sending,
    state: () => state,
    subscribe: (listener) => {
      listeners.push(listener);
    },
  };
}
