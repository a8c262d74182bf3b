export { colourCores, wireColours } from './colours.ts';
export { type InCommonLeg, inCommonLeg } from './commonLeg.ts';
export { draftRuns } from './draftRuns.ts';
export { type Corners, countResistors, type Driven, drawnFrom, type Scan, type SizingInput } from './driven.ts';
export { isFullOn, OFF_OHM } from './halfOn.ts';
export { type JoinedNet, joinNets, portKey } from './join.ts';
export { Joined } from './joined.ts';
export { type Loop, loopCurrentA } from './loop.ts';
export { type Net, type NetName, type NetNamer, type NetRole, nameNets } from './netNames.ts';
export { type Compared, compareTransistors } from './otherTransistor.ts';
export { layRails, type Rail, type Rails } from './rails.ts';
export {
  type Core,
  chooseGauge,
  cutLength,
  finishRuns,
  isJoint,
  isSolderedBare,
  isWire,
  loadRun,
  type PortRef,
  type RunCarries,
  type RunDraft,
  type RunLoad,
  runOhm,
  type WireRun,
  waysOfRun,
  wireCoreOhm,
} from './runs.ts';
export { isPinEnough, sizeLights, spreadOverChannels } from './sizeLights.ts';
export { type LoadDrive, sizeLoads } from './sizeLoads.ts';
export { DIODE_V, type GlowOfColour, glowByColour } from './sizeScan.ts';
export { sizeTape } from './sizeTape.ts';
export { FADED_SHARE, listStringOptions, type StringOption, type ToString, weighString } from './stringOptions.ts';
export { channelsApart, hungOf, isEven, isResistorInside, type OnResistor, stringsOf } from './strings.ts';
export {
  type Asked,
  type Board,
  boardOf,
  channelsOf,
  listBoards,
  movedItems,
  resolveSwitching,
  type Switched,
} from './switching.ts';
export { extraFeeds, feedsOfChain, type TapeFeed } from './tapeFeeds.ts';
export { padsBefore, padsIn, padsOut, pieceRunId, pieceStarts } from './tapePads.ts';
export { baseResistor, HELPER_BASE_OHM, PULL_OHM, type TransistorSwitch } from './transistors.ts';
export { unlitOverPin } from './unlit.ts';
export { canSwitch, gridOnPins, isProgrammed, type StartsAs, type Way, ways } from './ways.ts';
export { commonLeg, dieLeg, dieResistor } from './wireDice.ts';
export { nameOfLine, scanDataId, scanDiodeId, scanLineId, scanRunId, scanWires } from './wireScan.ts';
export { minusAtHub, plusAtHub, type WiringInput } from './wiring.ts';
