import type { Plan } from '@glimmer/core/plan';
import { create } from 'zustand';
import { AwayError, api, RefusedError } from '../state/api.ts';
import { copyPlan } from '../state/copyPlan.ts';
import { news } from '../state/news.ts';
import { openPlan, usePlanStore } from '../state/planStore.ts';
import { createBrowserStore } from './browserStore.ts';
import { createKeeper } from './keeper.ts';
import { isOnPageAlone, type Places } from './places.ts';
import type { TabMessage } from './ports.ts';

export { forgetHeld, listHeld } from './browserStore.ts';
export type { Places } from './places.ts';
export { isWaiting, type KeptRecord } from './record.ts';

/** Where the plan on the bench is kept; and the other state of it, while there are two. */
export const useKeepStatus = create<{ readonly places: Places; readonly other: Plan | null }>()(() => ({
  places: { kind: 'kept' },
  other: null,
}));

/** A name for this tab that outlives a reload. */
function nameTab(): string {
  try {
    const known = sessionStorage.getItem('tab');
    if (known) return known;
    const made = crypto.randomUUID();
    sessionStorage.setItem('tab', made);
    return made;
  } catch {
    return crypto.randomUUID();
  }
}

const tab = nameTab();
const channel = new BroadcastChannel('glimmer plans');

const lockOf = (name: string): string => `tab ${name}`;
async function isAlive(name: string): Promise<boolean> {
  const { held = [] } = await navigator.locks.query();
  return held.some((lock) => lock.name === lockOf(name));
}

const keeper = createKeeper<Plan>({
  store: createBrowserStore(tab, isAlive),
  server: {
    load: api.load,
    save: api.save,
    add: async (plan) => {
      await api.add(plan);
    },
    explain: (error) =>
      error instanceof AwayError
        ? { kind: 'away' }
        : error instanceof RefusedError && error.code === 'newer-version'
          ? { kind: 'newer' }
          : { kind: 'refused', why: error instanceof Error ? error.message : String(error) },
  },
  tellTabs: (message) => channel.postMessage(message),
  alone: (name, work) => navigator.locks.request(name, work).then(() => undefined),
  later: (ms, work) => {
    const timer = setTimeout(work, ms);
    return () => clearTimeout(timer);
  },
  newId: () => crypto.randomUUID(),
  show: openPlan,
  copyOf: (plan, which) =>
    copyPlan(plan, `${plan.name.slice(0, 100)} (${which === 'other' ? 'the other one' : 'mine'})`),
});

keeper.subscribe((places) => {
  const other = keeper.state()?.other;
  useKeepStatus.setState({
    places: places ?? { kind: 'kept' },
    other: other ? (other.from === 'tab' ? other.record.plan : other.plan) : null,
  });
});

/** Every change goes to the browser's store at once and to the server within a second. */
usePlanStore.subscribe(({ plan }, before) => {
  if (plan && plan !== before.plan) keeper.edited(plan);
});

/** Takes a plan onto the bench of this tab. @throws where neither the server nor this browser has it */
export const openKept = (id: string): Promise<void> => keeper.open(id);
/** Leaves the plan: its last change is sent, and nothing is on the bench any more. */
export function closeKept(): void {
  keeper.close();
  openPlan(null);
}
/** Resolves when no save is under way. */
export const whenSaved = (): Promise<void> => keeper.idle();
/** Goes on with one of two states; gives the name under which the other is on the shelf. */
export const settleClash = async (goOnWith: 'mine' | 'other'): Promise<string> =>
  (await keeper.settle(goOnWith))?.name ?? '';

/**
 * Begins to listen to the other tabs and to the server, and sends whatever waits as soon as it can be sent.
 * @param onNews called when the server is back, a plan was saved, or one was reckoned for the shelf
 */
export function startKeeping(onNews: () => void): void {
  // Held for as long as this tab is open, so that others know that it is.
  void navigator.locks.request(lockOf(tab), () => new Promise(() => undefined));
  channel.addEventListener('message', (event: MessageEvent<TabMessage<Plan>>) => keeper.hearTab(event.data));
  const events = news();
  events.addEventListener('open', () => {
    onNews();
    void keeper.sendWaiting();
  });
  events.addEventListener('plan', (event: MessageEvent<string>) => {
    const { id, revision, saveId } = JSON.parse(event.data) as { id: string; revision: number; saveId: string | null };
    keeper.hearSave(id, revision, saveId);
    onNews();
  });
  events.addEventListener('shelf', onNews);
  void keeper.sendWaiting();
  window.addEventListener('online', () => void keeper.sendWaiting());
  window.addEventListener('beforeunload', (event) => {
    const state = keeper.state();
    if (state?.store === 'refuses' && isOnPageAlone(useKeepStatus.getState().places)) event.preventDefault();
  });
}
