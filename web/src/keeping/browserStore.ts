import { type Plan, renewPlan } from '@glimmer/core/plan';
import { del, entries, get, set, update } from 'idb-keyval';
import type { StorePort } from './ports.ts';
import { isSame, isWaiting, type KeptRecord, withServerOf } from './record.ts';

/** What an earlier version of the program kept. */
interface LocalPlan {
  readonly plan: Plan;
  readonly basedOn: number;
  readonly unsaved: boolean;
}
type Held = KeptRecord<Plan> | LocalPlan;

const recordOf = (held: Held): KeptRecord<Plan> => {
  const plan = renewPlan(held.plan);
  if ('stamp' in held) return { ...held, plan };
  const stamp = { count: 1, id: `revision ${held.basedOn}${held.unsaved ? ', changed' : ''}` };
  return { plan, stamp, basedOn: held.basedOn, confirmed: held.unsaved ? null : stamp, line: [] };
};

const key = (id: string): string => `plan:${id}`;
const asideKey = (id: string, tab: string): string => `aside:${id}:${tab}`;

/** The tab that something aside belongs to. */
const tabOf = (name: string): string => name.split(':').slice(2).join(':');

/** All states that this browser holds, of every plan. */
export async function listHeld(): Promise<readonly KeptRecord<Plan>[]> {
  const all = await entries<string, Held>();
  return all.filter(([name]) => String(name).startsWith('plan:')).map(([, held]) => recordOf(held));
}

/** Lets go of a plan that the server has deleted, unless changes of it wait here: those are nowhere else. */
export async function forgetHeld(id: string): Promise<void> {
  const held = await get<Held>(key(id));
  if (held && !isWaiting(recordOf(held))) await del(key(id));
}

/**
 * The browser's own store, shared by its tabs.
 * @param isAlive whether a tab is open still: what one that is gone has left aside is anyone's to take up
 */
export function createBrowserStore(tab: string, isAlive: (tab: string) => Promise<boolean>): StorePort<Plan> {
  const readAside = async (id: string): Promise<KeptRecord<Plan> | undefined> => {
    const own = await get<KeptRecord<Plan>>(asideKey(id, tab));
    if (own) return recordOf(own);
    for (const [name, record] of await entries<string, KeptRecord<Plan>>()) {
      if (!String(name).startsWith(`aside:${id}:`) || (await isAlive(tabOf(name)))) continue;
      await set(asideKey(id, tab), record);
      await del(name);
      return recordOf(record);
    }
    return undefined;
  };
  return {
    read: async (id) => {
      const held = await get<Held>(key(id));
      return held && recordOf(held);
    },
    write: async (record, grewFrom) => {
      let other: KeptRecord<Plan> | null = null;
      // Looked at and written in one transaction: of two tabs one comes second, and sees it.
      await update<Held>(key(record.plan.id), (held) => {
        other = null;
        const before = held && recordOf(held);
        if (!before) return record;
        if (!isSame(before.stamp, grewFrom) && !isSame(before.stamp, record.stamp)) {
          other = before;
          return before;
        }
        return withServerOf(record, before);
      });
      return other;
    },
    note: async (id, change) => {
      const held = await get<Held>(key(id));
      if (held) await update<Held>(key(id), (now) => change(recordOf(now ?? held)));
    },
    listWaiting: async () => (await listHeld()).filter(isWaiting),
    readAside,
    keepAside: (id, record) => (record ? set(asideKey(id, tab), record) : del(asideKey(id, tab))),
  };
}
