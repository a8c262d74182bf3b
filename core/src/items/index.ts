export { chipInputA, chipVoltageV, rangeOfChip, regulatedChip } from './board/chip.ts';
export { type Purchase, pieces, resistors, SIGNAL_RESISTOR_W, sayAmount } from './buys.ts';
export { FEED_DIODE_V } from './changeover/kind.ts';
export type {
  AnyKind,
  FormRow,
  Fresh,
  ItemRole,
  ItemStage,
  KindDefinition,
  LeadPorts,
  Nameable,
  PartNamed,
} from './contract.ts';
export type { Sense } from './controls.ts';
export {
  boostInput,
  CONVERTER_TOLERANCE,
  converterTakesA,
  efficiencyAt,
  efficiencyLaw,
  isLinear,
  linearHeat,
  solveConstantPower,
} from './converter/model.ts';
export type { Drawing } from './drawing.ts';
export { drawsAtRest, type OwnDraw } from './draws.ts';
export type { Edit, Fields, MoveAt } from './edit.ts';
export { type Finding, type Fix, type Gravity, named, type Stage, stages, type Told } from './finding.ts';
export { distanceMm, legsOfRoute, measureRoute, type PlanPoint, walkRoute } from './geometry.ts';
export type { Giving, RailRange } from './gives.ts';
export { hasColours, kindOf, kinds, rowsOf } from './kinds.ts';
export { discField, reachMm, worksThrough } from './leadSwitch/magnet.ts';
export { tellMagnet } from './leadSwitch/tellMagnet.ts';
export { layOutScan, pairOf, pinsToShare, type ScanLayout, type ScanLine, takesTurns } from './light/scan.ts';
export { designLightGate, type GateAt, gateNode } from './lightGate/model.ts';
export {
  type Along,
  alongs,
  type BreathCurve,
  bands,
  breathCurves,
  type FlickerCharacter,
  flickerCharacters,
  keepings,
  type Laying,
  layings,
  plenty,
} from './limits.ts';
export { type Pulses, pulsesOf } from './load/pulses.ts';
export {
  agePack,
  countedCurrentA,
  modelPack,
  openCircuitVoltageV,
  type PackModel,
  packResistanceOhm,
} from './pack/model.ts';
export { sayComesBack, suitsCells, tripOf, tripsOnFilling } from './pack/protection.ts';
export { orderSeen, sayOrder } from './pixelTape/order.ts';
export {
  countLights,
  distanceToGroupMm,
  firstOnLine,
  orderOfTape,
  type PlacedGroup,
  type PlacedLeds,
  type PlacedPlain,
  type PlacedTape,
  sparesBefore,
  type WhiteDie,
} from './placed.ts';
export { coloursOfTape } from './plainTape/colours.ts';
export {
  canBeNamed,
  forgetIn,
  isFedByWay,
  itemsOf,
  nameableWords,
  type Reference,
  referencesOf,
  waysOf,
} from './references.ts';
export type { RuledChannel } from './rules.ts';
export { KNOB_OHM } from './sensor/kind.ts';
export { cutTape, type TapeCut, tapeLights } from './tapeCut.ts';
export { dotPitchMm, railsOhm, tapeRails } from './tapeRails.ts';
export type {
  BoardItem,
  BoxItem,
  Control,
  ConverterItem,
  GuideItem,
  Item,
  ItemKind,
  ItemOf,
  LeadSwitchItem,
  LightGateItem,
  LightItem,
  LoadItem,
  OutsideSupplyItem,
  PackItem,
  PixelTapeItem,
  PlainTapeItem,
  ScanDriverItem,
  SwitchedBy,
} from './types.ts';
export { atATimeS, heldByOf } from './warm.ts';
