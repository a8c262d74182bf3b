import { gridScanSum } from './drive/gridScan.ts';
import { lightDividerSum } from './drive/lightDivider.ts';
import { lightGateSum } from './drive/lightGate.ts';
import { magnetSwitchSum } from './drive/magnetSwitch.ts';
import { mosfetSwitchSum } from './drive/mosfetSwitch.ts';
import { packSenseSum } from './drive/packSense.ts';
import { pixelCurrentSum } from './drive/pixelCurrent.ts';
import { pixelDataSum } from './drive/pixelData.ts';
import { remoteSum } from './drive/remote.ts';
import { sharedPinsSum } from './drive/sharedPins.ts';
import { transistorSwitchSum } from './drive/transistorSwitch.ts';
import { balanceSum } from './lights/balance.ts';
import { bundleSum } from './lights/bundle.ts';
import { diffuserSum } from './lights/diffuser.ts';
import { doseSum } from './lights/dose.ts';
import { equalLookSum } from './lights/equalLook.ts';
import { fitSum } from './lights/fit.ts';
import { lightBleedSum } from './lights/lightBleed.ts';
import { plainTapeSum } from './lights/plainTape.ts';
import { ringMarksSum } from './lights/ringMarks.ts';
import { tapeCountSum } from './lights/tapeCount.ts';
import { tapeCutSum } from './lights/tapeCut.ts';
import { batchSum } from './make/batch.ts';
import { fuseSum } from './make/fuse.ts';
import { junctionSum } from './make/junction.ts';
import { reflowSum } from './make/reflow.ts';
import { wireSum } from './make/wire.ts';
import { boostLimitSum } from './power/boostLimit.ts';
import { budgetSum } from './power/budget.ts';
import { brightnessCeilingSum } from './power/ceiling.ts';
import { chargeSum } from './power/charge.ts';
import { eventPacksSum } from './power/eventPacks.ts';
import { feedPointsSum } from './power/feedPoints.ts';
import { oneLightSum } from './power/oneLight.ts';
import { packSum } from './power/pack.ts';
import { runtimeSum } from './power/runtime.ts';
import { soundSum } from './power/sound.ts';
import { tapeDropSum } from './power/tapeDrop.ts';
import { tapeOnPackSum } from './power/tapeOnPack.ts';
import { ledCurveSum } from './resistors/ledCurve.ts';
import { ledResistorSum } from './resistors/ledResistor.ts';
import { ledStringSum } from './resistors/ledString.ts';
import { resistorCodeSum } from './resistors/resistorCode.ts';
import { resistorCombineSum } from './resistors/resistorCombine.ts';
import type { QuickSum } from './sum.ts';

/** All quick sums, in the order of the work. */
export const quickSums: readonly QuickSum[] = [
  tapeCountSum,
  tapeCutSum,
  plainTapeSum,
  equalLookSum,
  diffuserSum,
  ringMarksSum,
  fitSum,
  balanceSum,
  bundleSum,
  lightBleedSum,
  doseSum,
  ledResistorSum,
  ledStringSum,
  resistorCombineSum,
  resistorCodeSum,
  ledCurveSum,
  transistorSwitchSum,
  mosfetSwitchSum,
  lightDividerSum,
  lightGateSum,
  pixelDataSum,
  gridScanSum,
  sharedPinsSum,
  magnetSwitchSum,
  packSenseSum,
  remoteSum,
  pixelCurrentSum,
  oneLightSum,
  tapeOnPackSum,
  budgetSum,
  tapeDropSum,
  feedPointsSum,
  packSum,
  boostLimitSum,
  runtimeSum,
  brightnessCeilingSum,
  chargeSum,
  eventPacksSum,
  soundSum,
  wireSum,
  fuseSum,
  junctionSum,
  reflowSum,
  batchSum,
];

/** The sum of this name; undefined where there is none. */
export const findSum = (name: string): QuickSum | undefined => quickSums.find((sum) => sum.name === name);
