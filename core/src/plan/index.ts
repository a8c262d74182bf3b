export {
  type Along,
  alongs,
  type BreathCurve,
  bands,
  breathCurves,
  type Control,
  distanceMm,
  type FlickerCharacter,
  flickerCharacters,
  type Item,
  keepings,
  type Laying,
  layings,
  measureRoute,
  type PlanPoint,
  plenty,
  walkRoute,
} from '../items/index.ts';
export { canHold, copyGroup, layInTurn, type Shift, shiftGroup } from './arrange.ts';
export { copyItem } from './copyItem.ts';
export { type Difference, listDifferences, sayChange } from './differences.ts';
export { applyEdits, editHollow, editMood, editMove, takeGauge } from './edits.ts';
export { createPlan, emptyDesign } from './empty.ts';
export { changeItem, changeWay, itemNamed, mapItem, movableItems } from './items.ts';
export { moveOn } from './moveOn.ts';
export {
  controlsOf,
  isSameOccasion,
  listOccasions,
  type Occasion,
  occasionsOf,
  pinOwnerOf,
  sayWhen,
} from './occasions.ts';
export { pictureText } from './pictures.ts';
export { removeCue, removeHollow, removeItem, removeMood, removePlace, removeSet, removeSign } from './remove.ts';
export { keyOfSpot, placesOfSpots, removeSpots, type Spot, shiftSpots } from './spots.ts';
export type {
  Cue,
  Design,
  Hollow,
  KeptVersion,
  LightSet,
  Mood,
  Picture,
  Piece,
  Plan,
  Reading,
  RunTest,
  Sign,
} from './types.ts';
export { renewPlan } from './versionTwo.ts';
