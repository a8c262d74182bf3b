export { hollowCapacity, hollowWalls } from './hollow.ts';
export {
  cellsBearC,
  deratedCurrentA,
  heatedShare,
  isTooNear,
  junctionTemperature,
  LIGHT_SHARE,
  lightHeat,
  softensAtC,
  touchLimitsC,
} from './junction.ts';
export {
  judgeReflow,
  type ReflowAlloy,
  type ReflowPoint,
  type ReflowVerdict,
  reflowAlloys,
  solderVolume,
  timeAbove,
} from './reflow.ts';
export {
  type ClosedAir,
  type WarmBody,
  type WarmChain,
  type WarmMoment,
  warmTogether,
} from './warmTogether.ts';
