import { type Places, placesOf } from './places.ts';
import type { KeeperPorts, TabMessage } from './ports.ts';
import { confirm, isWaiting, type KeptRecord, type Stamp, trying } from './record.ts';
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
      case 'tell tabs':
        tellTabs({ kind: 'edit', record: effect.record, grewFrom: effect.grewFrom });
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
        store.keepAside(id, effect.record).catch(() => dispatchFor(id, { kind: 'store refused' }));
    }
  }

  async function write(record: KeptRecord<P>, grewFrom: Stamp | null): Promise<void> {
    const { id } = record.plan;
    try {
      const by = await store.write(record, grewFrom);
      dispatchFor(id, by ? { kind: 'overtaken', by } : { kind: 'stored', stamp: record.stamp });
    } catch {
      dispatchFor(id, { kind: 'store refused' });
    }
  }

  /** The newest state of a plan that there is to send: the store's, or the bench's where the store takes nothing. */
  async function toSend(id: string, leaving: Keeping<P> | null): Promise<KeptRecord<P> | undefined> {
    const held = await store.read(id).catch(() => undefined);
    const here = isOpen(id) ? state : leaving;
    if (here?.other?.from === 'browser') return undefined;
    return here && !here.other && (here.store === 'refuses' || !held) ? here.record : held;
  }

  async function sendOne(id: string, leaving: Keeping<P> | null = null): Promise<void> {
    const record = await toSend(id, leaving);
    if (!record || !isWaiting(record)) return;
    const { stamp } = record;
    dispatchFor(id, { kind: 'trying', saveId: stamp.id });
    await store.note(id, (held) => trying(held, stamp.id)).catch(() => undefined);
    try {
      const { revision } = await server.save(record.plan, record.basedOn, stamp.id);
      await store.note(id, (held) => confirm(held, stamp, revision)).catch(() => undefined);
      dispatchFor(id, { kind: 'confirmed', stamp, revision });
      tellTabs({ kind: 'confirmed', id, stamp, revision });
    } catch (error) {
      await notSent(id, record, error);
    }
  }

  async function notSent(id: string, record: KeptRecord<P>, error: unknown): Promise<void> {
    const failure = server.explain(error);
    if (failure.kind === 'away') {
      dispatchFor(id, { kind: 'away' });
      return;
    }
    if (failure.kind === 'refused') {
      dispatchFor(id, { kind: 'refused', why: failure.why });
      return;
    }
    try {
      const theirs = await server.load(id);
      const isOwn = theirs.saveId !== null && trying(record, record.stamp.id).tried.includes(theirs.saveId);
      if (isOwn) await store.note(id, (held) => confirm(held, { count: 0, id: theirs.saveId ?? '' }, theirs.revision));
      if (isOpen(id)) dispatch({ kind: 'newer', ...theirs });
      // Nobody shows this plan: what was overtaken by nothing but itself goes on its way again.
      else if (isOwn) await sendOne(id);
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
    begin(held, found.kept, aside);
  }

  /** What is taken onto the bench: what waits in this browser, else what the server has. */
  function begin(
    held: KeptRecord<P> | undefined,
    kept: { readonly plan: P; readonly revision: number; readonly saveId: string | null } | null,
    aside: KeptRecord<P> | undefined,
  ): void {
    const fromServer = (): KeptRecord<P> => {
      const stamp = { count: (held?.stamp.count ?? 0) + 1, id: kept?.saveId ?? newId() };
      // Checked by the caller: without a state of this browser there is one of the server.
      return { plan: kept?.plan as P, stamp, basedOn: kept?.revision ?? 0, confirmed: stamp, tried: [] };
    };
    const isNewest = held !== undefined && (!kept || isWaiting(held) || held.basedOn === kept.revision);
    const record = isNewest && held ? held : fromServer();
    const base: Keeping<P> = {
      record,
      stored: isNewest ? record.stamp : null,
      store: 'holds',
      server: { kind: kept ? 'at hand' : 'away' },
      other: null,
    };
    if (aside) {
      set({ ...base, record: aside, other: { from: 'tab', record } });
      show(aside.plan);
      return;
    }
    set(base);
    show(record.plan);
    if (!isNewest) void write(record, held?.stamp ?? null);
    const overtakenBy = kept && isWaiting(record) && kept.revision > record.basedOn ? kept : null;
    if (overtakenBy) dispatch({ kind: 'newer', ...overtakenBy });
    else if (isWaiting(record)) void send(record.plan.id);
    else if (!kept) run(record.plan.id, { kind: 'send', after: 'a while' });
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
      if (message.kind === 'edit')
        dispatchFor(message.record.plan.id, { kind: 'heard edit', record: message.record, grewFrom: message.grewFrom });
      else dispatchFor(message.id, { kind: 'confirmed', stamp: message.stamp, revision: message.revision });
    },
    hearSave: (id, revision, saveId) => {
      if (!state || !isOpen(id) || state.record.basedOn >= revision) return;
      if (saveId !== null && [...state.record.tried, state.record.stamp.id].includes(saveId)) return;
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
