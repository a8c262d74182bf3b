export { arrange, type ShowSet } from './arrange.ts';
export { compileShow, type ShowInput } from './compileShow.ts';
export {
  costOfLimits,
  cyclesAtWorst,
  cyclesOfMood,
  cyclesToScan,
  memoryOfFrames,
  memoryOfShow,
  programOfShow,
  RECKONED_OVER_BYTES,
} from './cost.ts';
export { traceCurrent } from './currentTrace.ts';
export { crossFade } from './fade.ts';
export { type Flashing, findFlashing } from './flashes.ts';
export { paintFrame } from './frame.ts';
export {
  firstRail,
  isByRail,
  limitFrame,
  limitsOfSupply,
  type RailLimit,
  type ShowLimit,
  type SupplyLimit,
} from './limit.ts';
export {
  type GroupLoad,
  type LimitedLoad,
  type MoodLoad,
  measureLimited,
  measureMood,
  measureUnderSign,
  peakOfMood,
} from './load.ts';
export { type MoodMap, type MoodWay, mapMoods } from './moodMap.ts';
export type { Movable } from './movable.ts';
export { type MoodOffer, offerMoods } from './offers.ts';
export {
  type ControlState,
  DOUBLE_MS,
  fadeShares,
  type PlayerState,
  paintNow,
  passTime,
  START_MS,
  sense,
  startPlayer,
  touch,
} from './player.ts';
export { type Ribbon, weaveRibbons } from './ribbon.ts';
export {
  ANY,
  diceOf,
  type Show,
  type ShowControl,
  type ShowCue,
  type ShowGroup,
  type ShowLayer,
  type ShowMood,
  type ShowSensing,
} from './show.ts';
export { chargeControlOf, NAME_BYTES, plainText, sayable, spokenBy } from './spoken.ts';
export { gammaTable, lookTable } from './tables.ts';
export { freshTeller, type Heard, readHeard, sayMark, type Teller, type Told, tellOn } from './teller.ts';
export { engineParts, type Uses, usesOf } from './uses.ts';
export { lightOfChannel } from './white.ts';
