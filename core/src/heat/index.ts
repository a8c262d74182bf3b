export {
  deratedCurrentA,
  heatedShare,
  isTooNear,
  junctionTemperature,
  lightHeat,
  riseIsPossible,
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
