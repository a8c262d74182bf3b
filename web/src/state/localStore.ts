import type { Plan } from '@glimmer/core/plan';
import { del, entries, get, set } from 'idb-keyval';

/** A plan in the browser's own store: the newest state, and the server's revision that it grew from. */
export interface LocalPlan {
  readonly plan: Plan;
  readonly basedOn: number;
  /** True while the server has not confirmed it. */
  readonly unsaved: boolean;
}

const key = (id: string): string => `plan:${id}`;

/** The browser's own store. Writing begins at once; a failure (private mode, full disk) is passed on. */
export const localStore = {
  read: (id: string) => get<LocalPlan>(key(id)),
  write: (local: LocalPlan) => set(key(local.plan.id), local),
  forget: (id: string) => del(key(id)),
  listUnsaved: async (): Promise<LocalPlan[]> =>
    (await entries<string, LocalPlan>())
      .filter(([name, local]) => name.startsWith('plan:') && local.unsaved)
      .map(([, local]) => local),
  listAll: async (): Promise<LocalPlan[]> =>
    (await entries<string, LocalPlan>()).filter(([name]) => name.startsWith('plan:')).map(([, local]) => local),
};
