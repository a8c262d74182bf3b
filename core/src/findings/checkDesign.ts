import type { Assessment } from '../assess.ts';
import { type Finding, type Gravity, stages } from '../items/index.ts';
import type { Design, Plan } from '../plan/index.ts';
import { findRebuilds } from './builtRules.ts';
import { cautionRule } from './cautionRules.ts';
import { cellsRule } from './cellsRule.ts';
import { bareTerminalsRule, chargerSuitsRule, chargesNothingRule, loadWhileChargingRule } from './chargeRules.ts';
import { inrushRule, starvedConverterRule, wastefulRule } from './converterRules.ts';
import { emptySignRule, impossibleCueRule, reachRule, shadowedCueRule, signRule } from './cueRules.ts';
import { commonLegRule } from './diceRules.ts';
import { feedsApartRule, meetRule, polesRule, standInVoltsRule, standInWeakRule } from './feedRules.ts';
import type { Rule } from './finding.ts';
import { boxRule, fitRule } from './fitRules.ts';
import { flashRule, signFlashRule } from './flashRules.ts';
import { fuseRule, outsideFuseRule, switchRule } from './fuseRules.ts';
import { guideRule } from './guideRules.ts';
import { hotRule, leftOnRule, softRule, touchRule, warmCellsRule } from './heatRules.ts';
import { indicatorRule } from './invisibleRules.ts';
import { itemRules } from './itemRules.ts';
import {
  dotsRule,
  drawnLengthRule,
  emptyTapeRule,
  mixedLineRule,
  seamRule,
  unmovedRule,
  unplacedRule,
} from './lightRules.ts';
import { ceilingRule, linkRule } from './linkRules.ts';
import { loopRule } from './loopRules.ts';
import { moduleRule } from './moduleRules.ts';
import { darkMoodRule, drivenMoveRule, lightsItselfRule, mixedSetRule, setRule, shownValueRule } from './moodRules.ts';
import { needRule } from './needRules.ts';
import { partGoneRule } from './partRules.ts';
import {
  gateRule,
  loadSwitchRule,
  pinLoadRule,
  pinLowRule,
  pinPlanRule,
  pixelRule,
  solderedWayRule,
  switchLoadRule,
} from './pinRules.ts';
import { carryRule, cutOffRule, fillingTripsRule, protectionSuitsRule } from './protectRules.ts';
import {
  bankSleepsRule,
  converterInputRule,
  minusRule,
  overVoltageRule,
  supplyRangeRule,
  whichRailRule,
} from './railRules.ts';
import { hiddenEyeRule, manyReceiversRule, receiverLevelRule, receiverOutputRule } from './receiverRules.ts';
import { farResistorRule, headRoomRule, overRatingRule, resistorPowerRule } from './resistorRules.ts';
import { runTimeRule, startRule } from './runRules.ts';
import {
  scanClashRule,
  scanDriverRule,
  scanFlickerRule,
  scanGlowRule,
  scanRowsRule,
  scanStallRule,
  scanStillRule,
} from './scanRules.ts';
import {
  chargeSenseRule,
  knobRule,
  levelApartRule,
  moduleVoltsRule,
  narrowSensorRule,
  ownLightRule,
  swappedSensorRule,
} from './sensorRules.ts';
import { pulsesRule } from './servoRules.ts';
import { fadingStringRule, sharedResistorRule, unevenStringRule } from './stringRules.ts';
import { cornerRule, fadeRule, forkRule, mixedOrderRule, tapeLowRule } from './tapeRules.ts';
import { wireRule } from './wireRules.ts';

const rules: readonly Rule[] = [
  partGoneRule,
  needRule,
  fitRule,
  boxRule,
  dotsRule,
  drawnLengthRule,
  emptyTapeRule,
  mixedLineRule,
  forkRule,
  mixedOrderRule,
  cornerRule,
  guideRule,
  unplacedRule,
  indicatorRule,
  unmovedRule,
  seamRule,
  flashRule,
  drivenMoveRule,
  signFlashRule,
  shownValueRule,
  cellsRule,
  setRule,
  mixedSetRule,
  reachRule,
  shadowedCueRule,
  impossibleCueRule,
  emptySignRule,
  signRule,
  darkMoodRule,
  lightsItselfRule,
  solderedWayRule,
  headRoomRule,
  overRatingRule,
  farResistorRule,
  resistorPowerRule,
  hotRule,
  leftOnRule,
  softRule,
  touchRule,
  warmCellsRule,
  moduleRule,
  commonLegRule,
  unevenStringRule,
  fadingStringRule,
  sharedResistorRule,
  pinLowRule,
  pinLoadRule,
  gateRule,
  switchLoadRule,
  loadSwitchRule,
  pinPlanRule,
  scanRowsRule,
  scanClashRule,
  pulsesRule,
  scanDriverRule,
  scanGlowRule,
  scanFlickerRule,
  scanStallRule,
  scanStillRule,
  pixelRule,
  loopRule,
  ownLightRule,
  swappedSensorRule,
  moduleVoltsRule,
  narrowSensorRule,
  levelApartRule,
  knobRule,
  chargeSenseRule,
  receiverOutputRule,
  receiverLevelRule,
  hiddenEyeRule,
  manyReceiversRule,
  itemRules,
  minusRule,
  whichRailRule,
  wastefulRule,
  starvedConverterRule,
  inrushRule,
  cutOffRule,
  protectionSuitsRule,
  fillingTripsRule,
  carryRule,
  meetRule,
  feedsApartRule,
  polesRule,
  standInVoltsRule,
  standInWeakRule,
  chargerSuitsRule,
  loadWhileChargingRule,
  chargesNothingRule,
  bareTerminalsRule,
  ceilingRule,
  linkRule,
  startRule,
  runTimeRule,
  fuseRule,
  outsideFuseRule,
  switchRule,
  supplyRangeRule,
  tapeLowRule,
  fadeRule,
  overVoltageRule,
  converterInputRule,
  bankSleepsRule,
  wireRule,
  cautionRule,
];

const weight: Readonly<Record<Gravity, number>> = { stop: 0, mend: 1, mind: 2 };

/** All findings of an assessed design: the gravest first, then in the order of the stages. */
export function checkDesign(design: Design, assessment: Assessment): Finding[] {
  const input = { design, assessment, library: assessment.library };
  return inOrder(rules.flatMap((rule) => rule(input)));
}

/** The same of a whole plan: what is built already is looked at too. */
export function checkPlan({ design, bench }: Pick<Plan, 'design' | 'bench'>, assessment: Assessment): Finding[] {
  const input = { design, assessment, library: assessment.library };
  return inOrder([...checkDesign(design, assessment), ...findRebuilds(input, bench)]);
}

const placeOf = ({ stage }: Finding): number => (stage === null ? -1 : stages.indexOf(stage));

const inOrder = (findings: readonly Finding[]): Finding[] =>
  [...findings].sort((a, b) => weight[a.gravity] - weight[b.gravity] || placeOf(a) - placeOf(b));

/** Findings that ask for something to be done. */
export const isOpen = (finding: Finding): boolean => finding.gravity !== 'mind';
