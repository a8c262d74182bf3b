import type fc from 'fast-check';
import { createKeeper, type Keeper } from '../src/keeping/keeper.ts';
import type { KeeperPorts, StorePort, TabMessage } from '../src/keeping/ports.ts';
import { isSame, isWaiting, type KeptRecord, withServerOf } from '../src/keeping/record.ts';

/** A plan as far as keeping goes: all that was ever typed into it. */
export interface Notes {
  readonly id: string;
  readonly typed: readonly string[];
}

export const PLAN_ID = 'plan';

const LONG_MS = 2000;
const MOST_STEPS = 2000;

class Away extends Error {}
class Newer extends Error {}

/** One browser with its store and tabs, a server, and whoever else writes to it; what happens when is for a scheduler. */
export class World {
  readonly typed: string[] = [];
  readonly tabs: { readonly name: string; keeper: Keeper<Notes>; bench: Notes | null; isOpen: boolean }[] = [];
  readonly server = new Map<string, { plan: Notes; revision: number; saveId: string | null }>();
  readonly held = new Map<string, KeptRecord<Notes>>();
  readonly aside = new Map<string, KeptRecord<Notes>>();
  isServerUp = true;
  /** Of the next saves, whether the answer is lost on its way back. */
  losesAnswers = false;
  storeTakes = true;
  private readonly labels: string[] = [];
  private readonly longWaits: (() => void)[] = [];
  private ids = 0;
  private readonly locks = new Map<string, Promise<void>>();

  constructor(private readonly scheduler: fc.Scheduler) {
    this.server.set(PLAN_ID, { plan: { id: PLAN_ID, typed: [] }, revision: 1, saveId: null });
  }

  private newId = (): string => {
    this.ids += 1;
    return `id${this.ids}`;
  };

  /** Something that takes an unknown time, and happens at its end. */
  private happen<T>(label: string, work: () => T): Promise<T> {
    this.labels.push(label);
    return this.scheduler.schedule(Promise.resolve(), label).then(work);
  }

  private storeOf(tab: string): StorePort<Notes> {
    // What one tab asks of the store is done in the order in which it was asked.
    let last: Promise<unknown> = Promise.resolve();
    const inTurn = <T>(label: string, work: () => T): Promise<T> => {
      const mine = last.then(() => this.happen(`${tab} ${label}`, work));
      last = mine.catch(() => undefined);
      return mine;
    };
    const guard = (): void => {
      if (!this.storeTakes) throw new Error('the disk is full');
    };
    return {
      read: (id) => inTurn('reads', () => this.held.get(id)),
      write: (record, grewFrom) =>
        inTurn('writes', () => {
          guard();
          const before = this.held.get(record.plan.id);
          if (before && !isSame(before.stamp, grewFrom) && !isSame(before.stamp, record.stamp)) return before;
          this.held.set(record.plan.id, before ? withServerOf(record, before) : record);
          return null;
        }),
      note: (id, change) =>
        inTurn('notes', () => {
          guard();
          const before = this.held.get(id);
          if (before) this.held.set(id, change(before));
        }),
      listWaiting: () => inTurn('lists', () => [...this.held.values()].filter(isWaiting)),
      readAside: (id) => inTurn('reads aside', () => this.aside.get(`${id} of ${tab}`)),
      keepAside: (id, record) =>
        inTurn('keeps aside', () => {
          guard();
          if (record) this.aside.set(`${id} of ${tab}`, record);
          else this.aside.delete(`${id} of ${tab}`);
        }),
    };
  }

  private portsOf(name: string): KeeperPorts<Notes> {
    const find = (id: string) => {
      if (!this.isServerUp) throw new Away();
      const found = this.server.get(id);
      if (!found) throw new Error('there is no such plan');
      return found;
    };
    return {
      store: this.storeOf(name),
      server: {
        load: (id) => this.happen(`${name} loads`, () => find(id)),
        save: (plan, basedOn, saveId) =>
          this.happen(`${name} saves`, () => {
            const before = find(plan.id);
            const isRepeated = before.saveId === saveId && before.revision === basedOn + 1;
            if (before.revision !== basedOn && !isRepeated) throw new Newer();
            const now = isRepeated ? before : { plan, revision: basedOn + 1, saveId };
            this.server.set(plan.id, now);
            if (!isRepeated) this.toldOfSave(now);
            if (this.losesAnswers) throw new Away();
            return now;
          }),
        add: (plan) =>
          this.happen(`${name} adds`, () => {
            if (!this.isServerUp) throw new Away();
            this.server.set(plan.id, { plan, revision: 1, saveId: null });
          }),
        explain: (error) =>
          error instanceof Away
            ? { kind: 'away' }
            : error instanceof Newer
              ? { kind: 'newer' }
              : { kind: 'refused', why: String(error) },
      },
      tellTabs: (message) => this.tell(name, message),
      alone: (lock, work) => {
        const before = this.locks.get(lock) ?? Promise.resolve();
        const mine = before.then(work, work);
        this.locks.set(
          lock,
          mine.catch(() => undefined),
        );
        return mine;
      },
      later: (ms, work) => {
        let isOff = false;
        const unlessOff = (): void => {
          if (!isOff) work();
        };
        // A long wait comes to its end when the test says so: a server that is away is asked again for ever.
        if (ms >= LONG_MS) this.longWaits.push(unlessOff);
        else void this.happen(`${name} waits`, unlessOff);
        return () => {
          isOff = true;
        };
      },
      newId: this.newId,
      show: (plan) => {
        const tab = this.tabs.find((each) => each.name === name);
        if (tab) tab.bench = plan;
      },
      copyOf: (plan, which) => ({ ...plan, id: `${which} ${this.newId()}` }),
    };
  }

  /** Messages of one tab arrive at another in their order. */
  private readonly roads = new Map<string, Promise<void>>();
  private deliver(road: string, work: () => void): void {
    const before = this.roads.get(road) ?? Promise.resolve();
    this.roads.set(
      road,
      before.then(() => this.happen(road, work)),
    );
  }
  private tell(from: string, message: TabMessage<Notes>): void {
    for (const tab of this.tabs)
      if (tab.name !== from) this.deliver(`from ${from} to ${tab.name}`, () => tab.keeper.hearTab(message));
  }
  private toldOfSave({ revision, saveId }: { readonly revision: number; readonly saveId: string | null }): void {
    for (const tab of this.tabs)
      this.deliver(`from the server to ${tab.name}`, () => tab.keeper.hearSave(PLAN_ID, revision, saveId));
  }

  async openTab(name: string): Promise<void> {
    const keeper = createKeeper(this.portsOf(name));
    const index = this.tabs.findIndex((each) => each.name === name);
    const tab = { name, keeper, bench: null, isOpen: false };
    if (index >= 0) this.tabs[index] = tab;
    else this.tabs.push(tab);
    await keeper.open(PLAN_ID).then(
      () => {
        tab.isOpen = true;
      },
      () => undefined,
    );
  }

  /** Lets all that is under way come to its end. @throws where it never does */
  async settle(): Promise<void> {
    for (let steps = 0; ; steps += 1) {
      await new Promise((resolve) => setTimeout(resolve, 0));
      if (this.scheduler.count() === 0) return;
      if (steps > MOST_STEPS) throw new Error(`It never ends: ${this.labels.slice(-24).join(', ')}`);
      await this.scheduler.waitNext(1);
    }
  }

  /** Long waits come to their end. */
  endWaits(): void {
    for (const work of this.longWaits.splice(0)) work();
  }

  /** Types something on a tab; nothing where no plan is open. */
  type(index: number): void {
    const tab = this.tabs[index];
    if (!tab?.bench || !tab.keeper.state()) return;
    const word = `word ${this.typed.length + 1} by ${tab.name}`;
    this.typed.push(word);
    tab.bench = { ...tab.bench, typed: [...tab.bench.typed, word] };
    tab.keeper.edited(tab.bench);
  }

  /** Another browser saves on top of whatever the server has. */
  saveElsewhere(): void {
    const before = this.server.get(PLAN_ID);
    if (!before) return;
    const word = `word ${this.typed.length + 1} from elsewhere`;
    this.typed.push(word);
    const plan = { ...before.plan, typed: [...before.plan.typed, word] };
    const now = { plan, revision: before.revision + 1, saveId: this.newId() };
    this.server.set(PLAN_ID, now);
    this.toldOfSave(now);
  }

  /** Every word that stands anywhere where a maker finds it again. */
  found(): ReadonlySet<string> {
    const shown = this.tabs.flatMap(({ keeper, bench }) => {
      const other = keeper.state()?.other;
      const theirs = other?.from === 'tab' ? other.record.plan : other?.plan;
      return [...(bench?.typed ?? []), ...(theirs?.typed ?? [])];
    });
    const kept = [...this.held.values(), ...this.aside.values()].flatMap(({ plan }) => plan.typed);
    return new Set([...shown, ...kept, ...[...this.server.values()].flatMap(({ plan }) => plan.typed)]);
  }
}
