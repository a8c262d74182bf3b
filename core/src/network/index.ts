export { chipVoltageV, LIFT_EFFICIENCY, rangeOfChip, regulatedChip } from './chip.ts';
export { colourCores, wireColours } from './colours.ts';
export { type JoinedNet, joinNets } from './join.ts';
export { type Net, type NetName, type NetNamer, type NetRole, nameNets } from './netNames.ts';
export { layRails, type Rail, type RailRange, type Rails } from './rails.ts';
export {
  type Core,
  chooseGauge,
  cutLength,
  draftRuns,
  finishRuns,
  isWire,
  type PortRef,
  type RunCarries,
  type RunDraft,
  type RunLoad,
  rowRunId,
  runOhm,
  type WireRun,
  type WiringInput,
  wireCoreOhm,
} from './runs.ts';
export {
  baseResistor,
  type Corners,
  coloursOfTape,
  type Driven,
  drawnFrom,
  isPinEnough,
  type Loop,
  loopCurrentA,
  PULL_OHM,
  type SizingInput,
  sizeLights,
  sizeTape,
  spreadOverChannels,
  type TransistorSwitch,
  unlitOverPin,
} from './sizing.ts';
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
export { currentOfLead, type Tap, type TappedLead } from './taps.ts';
export { isProgrammed, type StartsAs, type Way, ways } from './ways.ts';
