export {
  type BrightnessDraw,
  type Ceiling,
  type CeilingOverDischarge,
  ceilingSum,
  drawAtBrightness,
  findCeiling,
  findCeilingOverDischarge,
  findRailLimitA,
  findReserve,
  KEPT_BACK,
  sayCeiling,
} from './ceiling.ts';
export { type Charging, chargeRates, chargeTime, planCharging } from './charging.ts';
export {
  createRandom,
  type Deviation,
  type DoubtCause,
  estimateRunsFor,
  type NightMaker,
  type RunsFor,
  sampleNight,
} from './doubt.ts';
export {
  addDraws,
  addRailDraws,
  type Draws,
  drawAt,
  drawFromMain,
  noDraw,
  type RailDraw,
  type RailLaw,
  scaleDraws,
  scaleLit,
} from './draws.ts';
export {
  packEnergy,
  packsForEvent,
  rateLaw,
  swapTimesH,
} from './endurance.ts';
export { type EvenTape, evenFeeds, fewestFeeds, tapeVoltages } from './feedPoints.ts';
export { chooseFuse, fuseBand, fuseMostTimes } from './fuse.ts';
export { keepsFor } from './keeping.ts';
export {
  chooseStepS,
  describeEnd,
  type NightEnd,
  type NightRun,
  type NightSample,
  type NightStretch,
  plainRunTime,
  runNight,
  usualVoltages,
} from './night.ts';
export { bridgePower, gainChange, startDipV } from './otherLoads.ts';
export { singleRail } from './singleRail.ts';
export {
  type RailState,
  solveSupplyTree,
  type TreeLoad,
  type TreeRail,
  type TreeSignal,
  type TreeState,
} from './supplyTree.ts';
export {
  BROWN_OUT_MARGIN_V,
  findObstacle,
  type LinkLimit,
  type LoadedLink,
  loadLinks,
  type NodeState,
  type Operation,
  operate,
  type SharedReturns,
  type Source,
  type SupplyNode,
  type SupplyTree,
  sourceAt,
} from './tree.ts';
export { describeObstacle, sayKeeping } from './words.ts';
