export {
  type Ceiling,
  type CeilingOverDischarge,
  ceilingSum,
  findCeiling,
  findCeilingOverDischarge,
  findRailLimitA,
  type MoodDraw,
  printCeiling,
  RESERVE_CHARGE,
} from './ceiling.ts';
export { type Charging, chargeRates, chargeTime, planCharging } from './charging.ts';
export { boostInput, efficiencyAt, linearHeat, solveConstantPower } from './converter.ts';
export {
  createRandom,
  type Deviation,
  type DoubtCause,
  estimateRunsFor,
  MOST_HOURS,
  type NightMaker,
  type RunsFor,
  sampleNight,
} from './doubt.ts';
export {
  drainedMah,
  packEnergy,
  packsForEvent,
  rateLaw,
  restFromRunDowns,
  storedShare,
  swapTimesH,
} from './endurance.ts';
export { type EvenTape, evenFeeds, fewestFeeds, tapeVoltages } from './feedPoints.ts';
export { chooseFuse, fuseBand } from './fuse.ts';
export {
  describeEnd,
  type NightEnd,
  type NightRun,
  type NightSample,
  type NightStretch,
  plainRunTime,
  runNight,
} from './night.ts';
export { bridgePower, gainChange, startDipV } from './otherLoads.ts';
export {
  agePack,
  countedCurrentA,
  modelPack,
  openCircuitVoltageV,
  type PackModel,
  packResistanceOhm,
} from './packModel.ts';
export {
  BROWN_OUT_MARGIN_V,
  describeObstacle,
  findObstacle,
  type LinkLimit,
  type LoadedLink,
  loadLinks,
  type Operation,
  operate,
  type PowerPath,
} from './path.ts';
export {
  type RailState,
  solveSupplyTree,
  type TreeLoad,
  type TreeRail,
  type TreeSignal,
  type TreeState,
} from './supplyTree.ts';
