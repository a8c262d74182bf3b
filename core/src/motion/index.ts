export { traceCurrent } from './currentTrace.ts';
export { chanceByte, crossFade, paintFrame } from './frame.ts';
export { limitFrame, type ShowLimit } from './limit.ts';
export { type MoveLoad, measureMove } from './load.ts';
export { handleEvent, type PlayerState, paintNow, passTime, type ShowEvent, startPlayer } from './player.ts';
export { type Ribbon, weaveRibbons } from './ribbon.ts';
export {
  type CompiledMove,
  compileMove,
  compileShow,
  parseColour,
  type Show,
  type ShowGroup,
  type ShowMood,
} from './show.ts';
export { breathTable, gammaTable } from './tables.ts';
