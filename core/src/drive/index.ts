export { type Combination, combineToward, parallelOhm, writeCombination } from './combine.ts';
export {
  coneRadiusMm,
  slipsALoopAfterS,
  toggleInStep,
  transmitterRangeShare,
} from './controls.ts';
export {
  bearsInTurns,
  findSneaks,
  type GridScan,
  HELD_OHM,
  meanOfScan,
  SEEN_IN_THE_DARK_A,
  type Sneak,
  scanGrid,
} from './gridScan.ts';
export { designKnob, type KnobDesign, knobCode } from './knob.ts';
export {
  bestFixed,
  designSensor,
  dividerCode,
  type LightElement,
  riseOfPhotoresistor,
  type SensorDesign,
} from './lightSensor.ts';
export {
  bipolarAt,
  bipolarOnLine,
  collectorCurrent,
  type FetPoint,
  fetAt,
  fetOnLine,
  fetThrough,
  lineOf,
  type OnLine,
} from './loadLine.ts';
export { longestWaitS, loopShare } from './loopBudget.ts';
export { designPackSense, type PackSenseDesign, senseCode } from './packSense.ts';
export { assignPins, type PinDemand, type PinGiven, type PinPlan } from './pins.ts';
export { type DataLine, firstChipV, frameTime, leastHighLevel, timeDataLine } from './pixelData.ts';
export {
  aloneOnIt,
  asKept,
  type Currents,
  chooseResistor,
  currentsWithout,
  type Feed,
  type Hung,
  LEAST_HEAD_ROOM_V,
  type ResistorChoice,
  resistorPower,
  seriesResistor,
} from './resistor.ts';
export { chipCodes, colourBands, type MarkedResistor, readBands, readChipCode } from './resistorCode.ts';
export { FILMED_BELOW_HZ, FLICKERS_BELOW_HZ, type ScanTiming, timeScan } from './scanTiming.ts';
export { nextStandard, type SeriesName, series, seriesTolerance, standardNeighbours } from './standardValues.ts';
export {
  chooseThresholds,
  codeAgrees,
  type NamedReading,
  sensorFromCode,
  type Threshold,
} from './thresholds.ts';
export {
  type BaseDesign,
  baseCurrent,
  designBase,
  switchHeat,
} from './transistorSwitch.ts';
