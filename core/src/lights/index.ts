export { curveOfGroup, curveOfPart } from './curve.ts';
export {
  bundleDiameterMm,
  CLEARANCE_A_SIDE_MM,
  type Fit,
  finishedDiameter,
  fitLight,
  fitTape,
  upToDrillMm,
} from './fit.ts';
export {
  distanceToGroupMm,
  orderChains,
  type PlacedGroup,
  type PlacedLeds,
  type PlacedTape,
  placeLights,
} from './place.ts';
export { cutTape, type TapeCut, tapeLights } from './tapeCount.ts';
