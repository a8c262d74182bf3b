export type {
  AnyKind,
  FormRow,
  Fresh,
  ItemRole,
  ItemStage,
  KindDefinition,
  Nameable,
  PartNamed,
} from './contract.ts';
export {
  boostInput,
  CONVERTER_TOLERANCE,
  efficiencyAt,
  efficiencyLaw,
  isLinear,
  linearHeat,
  solveConstantPower,
} from './converter/model.ts';
export { distanceMm, measureRoute, type PlanPoint, walkRoute } from './geometry.ts';
export { kindOf, kinds, rowsOf } from './kinds.ts';
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
export {
  agePack,
  countedCurrentA,
  modelPack,
  openCircuitVoltageV,
  type PackModel,
  packResistanceOhm,
} from './pack/model.ts';
export {
  canBeNamed,
  forgetIn,
  hasColours,
  itemsOf,
  nameableWords,
  type Reference,
  referencesOf,
  waysOf,
} from './references.ts';
export type {
  BoardItem,
  BoxItem,
  Control,
  ConverterItem,
  DriverItem,
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
  SignalItem,
  SwitchedBy,
} from './types.ts';
