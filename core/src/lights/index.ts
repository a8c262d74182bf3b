export { type Balance, balanceOf, type MassAt, trimMassG, turningForce } from './balance.ts';
export { exposedShare, PIXEL_DIMMING_HZ } from './camera.ts';
export { curveOfGroup, curveOfPart } from './curve.ts';
export { type CutStock, type CuttingPlan, type CuttingTask, cutFromStock } from './cutStock.ts';
export {
  arcMinuteDistanceM,
  areDotsSeen,
  contrastThreshold,
  depthOverPitchFor,
  diffusers,
  dotsVanishFromM,
  endShare,
  firstHarmonic,
  profileOf,
  rippleOf,
} from './diffuser.ts';
export { lightDose, powerOnAxis, secondsToDose } from './dose.ts';
export {
  bundleDiameterMm,
  CLEARANCE_A_SIDE_MM,
  type Fit,
  finishedDiameter,
  fitLight,
  fitTape,
  upToDrillMm,
} from './fit.ts';
export { type BoxFit, chordBend, fillOfHollow, fitBox, type Size3 } from './fitBox.ts';
export {
  acceptanceDeg,
  acceptedShare,
  boreForGuidesMm,
  type Emitter,
  fibreBundle,
  filledShare,
  type Guided,
  gapToCover,
  gatheredMm,
  lightEmitter,
  pixelEmitter,
  reckonGuided,
  shareInCone,
} from './guide.ts';
export { judgeLayout, type Layout, type LayoutFacts, layOut, nearestMm } from './layOut.ts';
export { equalLook, fadeSteps, perceivedShare, screenWeights } from './look.ts';
export {
  chordOfRing,
  type Interleave,
  interleave,
  markRing,
  type RingMark,
  ringRoom,
  skinStretch,
} from './marking.ts';
export { layersForRatio, throughLayers } from './masking.ts';
export { listMovables, type MovableGroup } from './movables.ts';
export { orderChains, placeLights } from './place.ts';
export { longestTapeMm, tapeCurrent } from './plainTape.ts';
export { bareRadiusMm, PIXEL_MCD, spotRadius, spotRadiusMm } from './spot.ts';
