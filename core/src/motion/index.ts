export { crossFade, paintFrame } from './frame.ts';
export { measureMove, type MoveLoad } from './load.ts';
export { handleEvent, paintNow, passTime, type PlayerState, type ShowEvent, startPlayer } from './player.ts';
export { type Ribbon, weaveRibbons } from './ribbon.ts';
export { type CompiledMove, compileMove, compileShow, parseColour, type Show, type ShowGroup, type ShowMood } from './show.ts';
export { breathTable, gammaTable } from './tables.ts';
