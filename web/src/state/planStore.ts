import type { Edit } from '@glimmer/core/items';
import { applyEdits, type Design, type Plan } from '@glimmer/core/plan';
import { type Draft, produce } from 'immer';
import { type TemporalState, temporal } from 'zundo';
import { create, useStore } from 'zustand';

interface PlanState {
  readonly plan: Plan | null;
}

/** The plan on the bench, with its whole history of edits. */
export const usePlanStore = create<PlanState>()(
  temporal((): PlanState => ({ plan: null }), { equality: (past, current) => past.plan === current.plan }),
);

const MERGE_MS = 700;
/** While something is held down by the pointer, all that it does is one edit, however long it pauses. */
let isDragged = false;
let lastMerge: { readonly key: string; readonly at: number } | null = null;

/** Takes a plan onto the bench; history begins anew. */
export function openPlan(plan: Plan | null): void {
  usePlanStore.setState({ plan });
  usePlanStore.temporal.getState().clear();
  lastMerge = null;
}

/**
 * Changes the plan. Edits with the same `merge` key in quick succession (a slider, a drag) count as one for undo:
 * the first keeps the state before it, the following ones only move on from there. So does a whole drag.
 */
export function editPlan(recipe: (plan: Draft<Plan>) => void, options: { readonly merge?: string } = {}): void {
  const { plan } = usePlanStore.getState();
  if (!plan) return;
  const history = usePlanStore.temporal.getState();
  const at = performance.now();
  const isMerged =
    options.merge !== undefined && lastMerge?.key === options.merge && (isDragged || at - lastMerge.at < MERGE_MS);
  if (isMerged) history.pause();
  usePlanStore.setState({ plan: produce(plan, recipe) });
  if (isMerged) history.resume();
  lastMerge = options.merge === undefined ? null : { key: options.merge, at };
}

/** A drag begins: what it was before counts as an edit of its own. */
export function beginDrag(): void {
  lastMerge = null;
  isDragged = true;
}

/** It ends. */
export function endDrag(): void {
  lastMerge = null;
  isDragged = false;
}

/** Changes the design within the plan. */
export function editDesign(recipe: (design: Draft<Design>) => void, options: { readonly merge?: string } = {}): void {
  editPlan((plan) => recipe(plan.design), options);
}

/** Puts another design in the place of the open one, as one step for undo. */
export function changeDesign(change: (design: Design) => Design): void {
  const { plan } = usePlanStore.getState();
  if (!plan) return;
  lastMerge = null;
  usePlanStore.setState({ plan: { ...plan, design: change(plan.design) } });
}

/** Applies a computed mend. */
export const mend = (edits: readonly Edit[]): void => changeDesign((design) => applyEdits(design, edits));

/** Takes the last edit back. */
export function undo(): void {
  lastMerge = null;
  usePlanStore.temporal.getState().undo();
}

/** Makes it again. */
export function redo(): void {
  lastMerge = null;
  usePlanStore.temporal.getState().redo();
}

/** Goes so many edits back, or forth where that is less than none. */
export function goBack(edits: number): void {
  lastMerge = null;
  const history = usePlanStore.temporal.getState();
  if (edits > 0) history.undo(edits);
  else if (edits < 0) history.redo(-edits);
}

/** Every state of the plan since it was opened, the oldest first, and which of them is on the bench. */
export function useStates(): { readonly states: readonly Plan[]; readonly at: number } {
  const { pastStates, futureStates } = useStore(usePlanStore.temporal, (state: TemporalState<PlanState>) => state);
  const plan = usePlanStore((state) => state.plan);
  const plans = [...pastStates, { plan }, ...futureStates.toReversed()].flatMap((state) => state.plan ?? []);
  return { states: plans, at: pastStates.length };
}

/** How far one can go back and forth. */
export function useHistory(): { readonly canUndo: boolean; readonly canRedo: boolean } {
  const canUndo = useStore(usePlanStore.temporal, (state: TemporalState<PlanState>) => state.pastStates.length > 0);
  const canRedo = useStore(usePlanStore.temporal, (state: TemporalState<PlanState>) => state.futureStates.length > 0);
  return { canUndo, canRedo };
}
