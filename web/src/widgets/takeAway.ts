import type { Design } from '@glimmer/core/plan';
import { changeDesign } from '../state/planStore.ts';
import { tellDone } from './tellDone.ts';

const inside = (place: Element | null | undefined): HTMLElement | null =>
  place?.querySelector<HTMLElement>('input, select, button') ?? null;

/** Where a hand goes on that has just done away with what it was on: to the next of its kind, the one before, or what adds one. */
function nextPlace(): HTMLElement | null {
  const gone = document.activeElement?.closest('article, li, tr');
  return (
    inside(gone?.nextElementSibling) ??
    inside(gone?.previousElementSibling) ??
    gone?.closest('section')?.querySelector<HTMLElement>('button') ??
    null
  );
}

/** Takes something out of the plan, and says so with a way back. */
export function takeAway(name: string, change: (design: Design) => Design): void {
  const next = nextPlace();
  changeDesign(change);
  next?.focus({ preventScroll: true });
  tellDone(`${name} is taken away.`);
}
