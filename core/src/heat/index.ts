export { hollowWalls } from './hollow.ts';
export {
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
export { steadyChain, type WarmBody, warmChain } from './warmChain.ts';
