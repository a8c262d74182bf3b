import { keyOfSpot, type PlanPoint, placesOfSpots, removeSpots, type Spot, shiftSpots } from '@glimmer/core/plan';
import { castDraft } from 'immer';
import { create } from 'zustand';
import { changeDesign, editPlan, usePlanStore } from '../state/planStore.ts';
import { tellDone } from '../widgets/tellDone.ts';

/** What is chosen together on the picture, to be moved or taken away at once. */
export const useChosen = create<{ readonly spots: readonly Spot[] }>()(() => ({ spots: [] }));

const isSame = (a: Spot) => (b: Spot) => keyOfSpot(a) === keyOfSpot(b);

/** Chooses one more, or lets it go. */
export const toggleSpot = (spot: Spot): void =>
  useChosen.setState(({ spots }) => ({
    spots: spots.some(isSame(spot)) ? spots.filter((each) => !isSame(spot)(each)) : [...spots, spot],
  }));

/** Chooses these besides. */
export const chooseSpots = (added: readonly Spot[]): void =>
  useChosen.setState(({ spots }) => ({
    spots: [...spots, ...added.filter((spot) => !spots.some(isSame(spot)))],
  }));

/** Lets all go. */
export const letSpotsGo = (): void => {
  if (useChosen.getState().spots.length > 0) useChosen.setState({ spots: [] });
};

/** Where a thing is in the plan on the bench, which what is drawn follows a moment later; null where it is not there. */
export function usePlaceNow(spot: Spot, isAsked: boolean): PlanPoint | null {
  // As text: the same place is the same state.
  const now = usePlanStore(({ plan }) => {
    const [place] = isAsked && plan ? placesOfSpots(plan.design, [spot]) : [];
    return place ? `${place.xMm} ${place.yMm}` : null;
  });
  if (now === null) return null;
  const [xMm = 0, yMm = 0] = now.split(' ').map(Number);
  return { xMm, yMm };
}

/** Moves a thing on the picture to a place, and whatever is chosen with it by the same way. */
export function moveSpot(spot: Spot, to: { readonly xMm: number; readonly yMm: number }): void {
  const { spots } = useChosen.getState();
  const moved = spots.some(isSame(spot)) ? spots : [spot];
  const design = usePlanStore.getState().plan?.design;
  const [from] = design ? placesOfSpots(design, [spot]) : [];
  if (!design || !from) return;
  const shifted = shiftSpots(design, moved, { xMm: to.xMm - from.xMm, yMm: to.yMm - from.yMm });
  editPlan(
    (draft) => {
      draft.design = castDraft(shifted);
    },
    { merge: `spots ${moved.map(keyOfSpot).join(', ')}` },
  );
}

/** Takes all that is chosen out of the plan, and says so with a way back. */
export function removeChosen(): void {
  const { spots } = useChosen.getState();
  if (spots.length === 0) return;
  letSpotsGo();
  changeDesign((design) => removeSpots(design, spots));
  tellDone(spots.length === 1 ? 'One thing is taken away.' : `${spots.length} things are taken away.`);
}

/** What is chosen on one piece is nothing on another. */
usePlanStore.subscribe(({ plan }, before) => {
  if (plan?.id !== before.plan?.id) letSpotsGo();
});
