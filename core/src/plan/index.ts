export { changeMove, heightOf, moveKinds, spanOfMove } from './changeMove.ts';
export { applyChanges, type Change } from './changes.ts';
export { createPlan, emptyDesign } from './empty.ts';
export { distanceMm, measureRoute, walkRoute } from './geometry.ts';
export {
  type Along,
  alongs,
  type BreathCurve,
  bands,
  breathCurves,
  type FlickerCharacter,
  flickerCharacters,
  keepings,
  type Laying,
  layings,
  plenty,
} from './limits.ts';
export { sayLaying, sayMove } from './moveWords.ts';
export { isSameOccasion, listOccasions, type Occasion, occasionsOf, sayWhen } from './occasions.ts';
export { removeControl, removeGroup, removeMood, removeSet } from './remove.ts';
export type {
  Control,
  Cue,
  Design,
  Hollow,
  KeptVersion,
  LedGroup,
  LightSet,
  Mood,
  Move,
  Piece,
  Plan,
  PlanPoint,
  Reading,
  RunTest,
  Sign,
  Tape,
  TopMove,
} from './types.ts';
