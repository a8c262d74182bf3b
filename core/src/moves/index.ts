export { MOST_CELLS } from './cells/boards.ts';
export { chanceByte } from './chance.ts';
export {
  type CompiledBase,
  type Moment,
  type MoveRow,
  type MoveTarget,
  makeMoment,
  NO_CONTROL,
  type Reads,
} from './contract.ts';
export { kindsWith, listMoveFields, moveBytes } from './fields.ts';
export {
  calmMove,
  cellsOf,
  changeMove,
  compileMove,
  heightOf,
  isAlike,
  moveKinds,
  moveOf,
  sayLaying,
  sayMove,
  spanOfMove,
  stillAfter,
} from './moves.ts';
export { PLACE_STEPS } from './places.ts';
export type { FieldType } from './program.ts';
export type { Rgb } from './rgb.ts';
export type { CompiledMove, Move, MoveKind } from './types.ts';
export { breathTable } from './waves.ts';
export { parseColour, wholeMs } from './whole.ts';
