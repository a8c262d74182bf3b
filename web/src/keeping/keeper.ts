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
  /** The plan on the bench was changed. */
  readonly edited: (plan: P) => void;
  /** Leaves the plan; its last change is sent. */
  readonly close: () => void;
  /** Another tab of this browser says something. */
  readonly hearTab: (message: TabMessage<P>) => void;
  /** Another browser, or another tab, had a save of this plan confirmed. */
  readonly hearSave: (id: string, revision: number, saveId: string | null) => void;
  /** Sends all that waits, plan by plan. */
  readonly sendWaiting: () => Promise<void>;
  /** Goes on with one of two states; the other becomes a plan of its own, whose name is given back. */
  readonly settle: (goOnWith: 'mine' | 'other') => Promise<P | null>;
  /** Resolves when no save is under way. */
  readonly idle: () => Promise<void>;
  /** Null while no plan is on the bench. */
  readonly state: () => Keeping<P> | null;
  /** Told of every change of where the plan is. */
  readonly subscribe: (listener: (places: Places | null) => void) => void;
}

type WithId = { readonly id: string };

/** Runs the effects of `transition` for one tab. */
class TabKeeper<P extends WithId> implements Keeper<P> {
  private readonly listeners: ((places: Places | null) => void)[] = [];
  private kept: Keeping<P> | null = null;
  /** Only the last plan that was asked for is taken up. */
  private asked = 0;
  private callOff: () => void = () => undefined;
  private sending: Promise<void> = Promise.resolve();

  constructor(private readonly ports: KeeperPorts<P>) {}

  private announce(): void {
    for (const listener of this.listeners) listener(this.kept && placesOf(this.kept));
  }
  private set(next: Keeping<P> | null): void {
    this.kept = next;
    this.announce();
  }
  private isOpen(id: string): boolean {
    return this.kept?.record.plan.id === id;
  }

  private dispatch(event: KeepingEvent<P>): void {
    if (!this.kept) return;
    const step = transition(this.kept, event);
    this.set(step.state);
    for (const effect of step.effects) this.run(step.state.record.plan.id, effect);
  }
  /** An event of a plan, where it is still the one on the bench. */
  private dispatchFor(id: string, event: KeepingEvent<P>): void {
    if (this.isOpen(id)) this.dispatch(event);
  }

  private run(id: string, effect: KeepingEffect<P>): void {
    switch (effect.kind) {
      case 'write':
        void this.write(effect.record, effect.grewFrom);
        return;
      case 'send':
        this.callOff();
        this.callOff = this.ports.later(afterMs[effect.after], () => void this.send(id));
        return;
      case 'show':
        this.ports.show(effect.plan);
        return;
      case 'read again':
        this.ports.store.read(id).then(
          (record) => record && this.dispatchFor(id, { kind: 'reread', record }),
          () => undefined,
        );
        return;
      default:
        void this.keepAside(id, effect.record);
    }
  }

  private async keepAside(id: string, record: KeptRecord<P> | null): Promise<void> {
    try {
      await this.ports.store.keepAside(id, record);
      if (record) this.dispatchFor(id, { kind: 'stored', stamp: record.stamp });
    } catch {
      this.dispatchFor(id, { kind: 'store refused' });
    }
  }

  private async write(record: KeptRecord<P>, before: Stamp | null): Promise<void> {
    const { id } = record.plan;
    try {
      const by = await this.ports.store.write(record, before);
      if (!by && before) this.ports.tellTabs({ kind: 'edit', record, grewFrom: before, isStored: true });
      this.dispatchFor(id, by ? { kind: 'overtaken', by } : { kind: 'stored', stamp: record.stamp });
    } catch {
      if (before) this.ports.tellTabs({ kind: 'edit', record, grewFrom: before, isStored: false });
      this.dispatchFor(id, { kind: 'store refused' });
    }
  }

  /** The newest state of a plan that there is to send: the store's, or the bench's where the store takes nothing. */
  private async toSend(id: string, leaving: Keeping<P> | null): Promise<KeptRecord<P> | undefined> {
    const held = await this.ports.store.read(id).catch(() => undefined);
    const here = this.isOpen(id) ? this.kept : leaving;
    if (here?.other?.from === 'browser') return undefined;
    if (!here || here.other) return held;
    // The store may have missed what this tab knows; what another tab wrote on top of it is newer.
    const isNewer = held && isSame(here.stored, here.record.stamp) && grewFrom(held, here.record.stamp.id);
    return isNewer ? withServerOf(held, here.record) : here.record;
  }

  private async sendOne(id: string, leaving: Keeping<P> | null = null): Promise<void> {
    const record = await this.toSend(id, leaving);
    if (!record) return;
    if (!isWaiting(record)) {
      // Another tab went on from here, and was told before this one.
      if (this.isOpen(id) && this.kept && isWaiting(this.kept.record)) this.dispatch({ kind: 'reread', record });
      return;
    }
    const { stamp } = record;
    try {
      const { revision } = await this.ports.server.save(record.plan, record.basedOn, stamp.id);
      const sent = confirm(record, stamp, revision);
      await this.ports.store
        .note(id, (held) =>
          sent.line.includes(held.stamp.id) || record.line.includes(held.stamp.id)
            ? sent
            : confirm(held, stamp, revision),
        )
        .catch(() => undefined);
      this.dispatchFor(id, { kind: 'confirmed', stamp, revision });
      this.ports.tellTabs({ kind: 'confirmed', id, stamp, revision });
    } catch (error) {
      await this.notSent(id, record, error, leaving);
    }
  }

  private async notSent(id: string, record: KeptRecord<P>, error: unknown, leaving: Keeping<P> | null): Promise<void> {
    const failure = this.ports.server.explain(error);
    if (failure.kind === 'away') {
      if (this.isOpen(id)) this.dispatch({ kind: 'away' });
      // A plan that was left goes on waiting for its way, from memory where the store took nothing.
      else this.ports.later(afterMs['a while'], () => void this.send(id, leaving));
      return;
    }
    if (failure.kind === 'refused') {
      this.dispatchFor(id, { kind: 'refused', why: failure.why });
      return;
    }
    try {
      const theirs = await this.ports.server.load(id);
      const own = theirs.saveId !== null && grewFrom(record, theirs.saveId) ? theirs.saveId : null;
      if (own !== null)
        await this.ports.store.note(id, (held) => confirm(held, { count: 0, id: own }, theirs.revision));
      if (this.isOpen(id)) this.dispatch({ kind: 'newer', ...theirs });
      // Nobody shows this plan: what was overtaken by nothing but itself goes on its way again.
      else if (own !== null) await this.sendOne(id);
    } catch {
      this.dispatchFor(id, { kind: 'away' });
    }
  }

  private send(id: string, leaving: Keeping<P> | null = null): Promise<void> {
    this.sending = this.sending
      .then(() => this.ports.alone(`send ${id}`, () => this.sendOne(id, leaving)))
      .catch(() => undefined);
    return this.sending;
  }

  async open(id: string): Promise<void> {
    this.asked += 1;
    const mine = this.asked;
    this.callOff();
    this.set(null);
    await this.sending;
    const [held, aside] = await Promise.all([
      this.ports.store.read(id).catch(() => undefined),
      this.ports.store.readAside(id).catch(() => undefined),
    ]);
    const found = await this.ports.server.load(id).then(
      (kept) => ({ kept, error: null }),
      (error: unknown) => ({ kept: null, error }),
    );
    if (mine !== this.asked) return;
    if (!found.kept && (!held || this.ports.server.explain(found.error).kind !== 'away')) throw found.error;
    this.begin({ held, kept: found.kept, aside });
  }

  private begin(found: Found<P>): void {
    const opened = openingOf(found);
    if (!opened) return;
    const { record } = opened;
    this.set(opened);
    this.ports.show(record.plan);
    if (opened.stored === null) void this.write(record, found.held?.stamp ?? null);
    if (found.kept && isOvertaken(opened, found)) this.dispatch({ kind: 'newer', ...found.kept });
    else if (isWaiting(record)) void this.send(record.plan.id);
    else if (!found.kept) this.run(record.plan.id, { kind: 'send', after: 'a while' });
  }

  edited(plan: P): void {
    this.dispatchFor(plan.id, { kind: 'edited', plan, id: this.ports.newId() });
  }

  close(): void {
    this.asked += 1;
    this.callOff();
    if (!this.kept) return;
    void this.send(this.kept.record.plan.id, this.kept);
    this.set(null);
  }

  hearTab(message: TabMessage<P>): void {
    if (message.kind === 'edit') this.dispatchFor(message.record.plan.id, { ...message, kind: 'heard edit' });
    else this.dispatchFor(message.id, { kind: 'confirmed', stamp: message.stamp, revision: message.revision });
  }

  hearSave(id: string, revision: number, saveId: string | null): void {
    if (!this.kept || !this.isOpen(id) || this.kept.record.basedOn >= revision) return;
    if (saveId !== null && grewFrom(this.kept.record, saveId)) return;
    this.ports.server.load(id).then(
      (kept) => this.dispatchFor(id, { kind: 'heard save', ...kept }),
      () => undefined,
    );
  }

  async sendWaiting(): Promise<void> {
    const waiting = await this.ports.store.listWaiting().catch(() => []);
    for (const record of waiting) await this.send(record.plan.id);
    if (!this.kept) return;
    if (this.kept.server.kind === 'away') this.dispatch({ kind: 'back' });
    await this.send(this.kept.record.plan.id);
  }

  async settle(goOnWith: 'mine' | 'other'): Promise<P | null> {
    const other = this.kept?.other;
    if (!this.kept || !other) return null;
    const { record } = this.kept;
    const theirs = other.from === 'tab' ? other.record.plan : other.plan;
    const copy = goOnWith === 'mine' ? this.ports.copyOf(theirs, 'other') : this.ports.copyOf(record.plan, 'mine');
    await this.ports.server.add(copy);
    this.dispatchFor(record.plan.id, { kind: 'settled', goOnWith, id: this.ports.newId() });
    return copy;
  }

  idle(): Promise<void> {
    return this.sending;
  }

  state(): Keeping<P> | null {
    return this.kept;
  }

  subscribe(listener: (places: Places | null) => void): void {
    this.listeners.push(listener);
  }
}

/** The keeper of one tab, over its ports. */
export const createKeeper = <P extends WithId>(ports: KeeperPorts<P>): Keeper<P> => new TabKeeper(ports);
