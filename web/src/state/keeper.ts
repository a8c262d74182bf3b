import type { Plan } from '@glimmer/core/plan';
import { create } from 'zustand';
import { AwayError, api, RefusedError } from './api.ts';
import { copyPlan } from './copyPlan.ts';
import { localStore } from './localStore.ts';
import { openPlan, usePlanStore } from './planStore.ts';

/** How safe the plan on the bench is. */
export type KeepStatus =
  | { readonly kind: 'kept' }
  | { readonly kind: 'keeping' }
  | { readonly kind: 'away' }
  | { readonly kind: 'clash' }
  | { readonly kind: 'refused'; readonly why: string };

export const useKeepStatus = create<{ readonly status: KeepStatus }>()(() => ({ status: { kind: 'kept' } }));

const SAVE_AFTER_MS = 500;
const RETRY_MS = 2000;

let revision = 0;
/** The plan object that the server has confirmed; any other object on the bench is unsaved. */
let confirmed: Plan | null = null;
let timer: ReturnType<typeof setTimeout> | undefined;

const say = (status: KeepStatus): void => useKeepStatus.setState({ status });

function schedule(afterMs: number): void {
  clearTimeout(timer);
  timer = setTimeout(() => void save(), afterMs);
}

/** The save under way, for those who must not read before it is done. */
let saving: Promise<void> = Promise.resolve();

function save(): Promise<void> {
  saving = saving.then(saveOnce);
  return saving;
}

const isOnBench = (plan: Plan): boolean => usePlanStore.getState().plan?.id === plan.id;

async function saveOnce(): Promise<void> {
  const { plan } = usePlanStore.getState();
  if (!plan || plan === confirmed) return;
  say({ kind: 'keeping' });
  try {
    const kept = await api.save(plan, revision);
    const now = usePlanStore.getState().plan;
    if (now?.id !== plan.id) {
      // Another plan was taken up meanwhile: what is known of this one goes to the browser's store alone.
      await localStore.write({ plan, basedOn: kept.revision, unsaved: false });
      return;
    }
    revision = kept.revision;
    confirmed = plan;
    await localStore.write({ plan: now, basedOn: revision, unsaved: now !== plan });
    say({ kind: now === plan ? 'kept' : 'keeping' });
    if (now !== plan) schedule(SAVE_AFTER_MS);
  } catch (error) {
    if (isOnBench(plan)) sayWhyNot(error);
  }
}

function sayWhyNot(error: unknown): void {
  if (error instanceof AwayError) {
    say({ kind: 'away' });
    schedule(RETRY_MS);
  } else if (error instanceof RefusedError && error.code === 'newer-version') say({ kind: 'clash' });
  else say({ kind: 'refused', why: error instanceof Error ? error.message : String(error) });
}

/** Every change goes to the browser's store at once and to the server within a second. */
usePlanStore.subscribe(({ plan }, before) => {
  if (!plan || plan === before.plan || plan.id !== before.plan?.id) return;
  const { status } = useKeepStatus.getState();
  // Undone back to what the server holds: nothing is unsaved any more.
  const isUnsaved = plan !== confirmed;
  localStore.write({ plan, basedOn: revision, unsaved: isUnsaved }).catch(() => undefined);
  if (status.kind === 'clash') return;
  if (!isUnsaved) {
    clearTimeout(timer);
    say({ kind: 'kept' });
    return;
  }
  if (status.kind !== 'away') say({ kind: 'keeping' });
  schedule(status.kind === 'away' ? RETRY_MS : SAVE_AFTER_MS);
});

function takeUp(plan: Plan, basedOn: number, isConfirmed: boolean): void {
  revision = basedOn;
  confirmed = isConfirmed ? plan : null;
  openPlan(plan);
}

/**
 * Opens a plan: the server's state, or the browser's where it holds changes that never reached the server.
 * @throws where neither has it.
 */
export async function openKept(id: string): Promise<void> {
  clearTimeout(timer);
  await saving;
  const local = await localStore.read(id).catch(() => undefined);
  try {
    const kept = await api.load(id);
    if (local?.unsaved) {
      takeUp(local.plan, local.basedOn, false);
      if (local.basedOn === kept.revision) await save();
      else say({ kind: 'clash' });
      return;
    }
    takeUp(kept.plan, kept.revision, true);
    say({ kind: 'kept' });
    await localStore.write({ plan: kept.plan, basedOn: kept.revision, unsaved: false }).catch(() => undefined);
  } catch (error) {
    if (!(error instanceof AwayError) || !local) throw error;
    takeUp(local.plan, local.basedOn, !local.unsaved);
    say({ kind: 'away' });
    schedule(RETRY_MS);
    if (!local.unsaved) watchForReturn(local.plan);
  }
}

/** With nothing to save, ask now and then whether the server is back. */
function watchForReturn(plan: Plan): void {
  timer = setTimeout(() => {
    if (usePlanStore.getState().plan !== plan) return;
    api.load(plan.id).then(
      (kept) => {
        if (usePlanStore.getState().plan !== plan) return;
        takeUp(kept.plan, kept.revision, true);
        say({ kind: 'kept' });
      },
      () => watchForReturn(plan),
    );
  }, RETRY_MS);
}

/** Leaves the plan, with its last change saved first. */
export function closeKept(): void {
  clearTimeout(timer);
  void save();
}

/** Resolves when the last change of the plan that was left is with the server, or can't be. */
export const whenSaved = (): Promise<void> => saving;

/** After a clash: one of the two becomes a plan of its own, so that both are kept. */
export async function settleClash(goOnWith: 'mine' | 'theirs'): Promise<string> {
  const mine = usePlanStore.getState().plan;
  if (!mine) return '';
  const theirs = await api.load(mine.id);
  const set = goOnWith === 'mine' ? theirs.plan : mine;
  const copy = copyPlan(set, `${set.name.slice(0, 100)} (${goOnWith === 'mine' ? 'the other one' : 'mine'})`);
  await api.add(copy);
  if (goOnWith === 'mine') {
    revision = theirs.revision;
    confirmed = null;
    say({ kind: 'keeping' });
    await save();
  } else {
    takeUp(theirs.plan, theirs.revision, true);
    await localStore.write({ plan: theirs.plan, basedOn: theirs.revision, unsaved: false });
    say({ kind: 'kept' });
  }
  return copy.name;
}
