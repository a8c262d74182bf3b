export { changeMove, heightOf, moveKinds, spanOfMove } from './changeMove.ts';
export { applyChanges, type Change } from './changes.ts';
export { createPlan, emptyDesign } from './empty.ts';
export { distanceMm, measureRoute, walkRoute } from './geometry.ts';
export { bands, type FlickerCharacter, flickerCharacters, plenty } from './limits.ts';
export type {
  Control,
  Cue,
  Design,
  Hollow,
  KeptVersion,
  LedGroup,
  Mood,
  Move,
  Piece,
  Plan,
  PlanPoint,
  Reading,
  RunTest,
  Tape,
} from './types.ts';
