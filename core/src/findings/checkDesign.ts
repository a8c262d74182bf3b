import type { Assessment } from '../assess.ts';
import { type Library, withOwnParts } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';
import { cautionRule } from './cautionRules.ts';
import { impossibleCueRule, reachRule, shadowedCueRule, signRule } from './cueRules.ts';
import {
  headRoomRule,
  overRatingRule,
  ownLightRule,
  pinLoadRule,
  pinPlanRule,
  pixelRule,
  resistorPowerRule,
  switchLoadRule,
} from './driveRules.ts';
import { type Finding, type Gravity, type Rule, stages } from './finding.ts';
import { emptyTapeRule, fitRule, mixedLineRule, unplacedRule, whiteDieRule } from './lightRules.ts';
import { loopRule } from './loopRules.ts';
import {
  cellsRule,
  darkMoodRule,
  drivenMoveRule,
  flashRule,
  lightsItselfRule,
  setRule,
  shownValueRule,
  signFlashRule,
} from './moodRules.ts';
import { partGoneRule } from './partRules.ts';
import {
  ceilingRule,
  guardRule,
  linkRule,
  packCareRule,
  packMatchRule,
  runTimeRule,
  supplyRangeRule,
} from './powerRules.ts';
import { wireRule } from './wireRules.ts';

const rules: readonly Rule[] = [
  partGoneRule,
  fitRule,
  emptyTapeRule,
  whiteDieRule,
  mixedLineRule,
  unplacedRule,
  flashRule,
  drivenMoveRule,
  signFlashRule,
  shownValueRule,
  cellsRule,
  setRule,
  reachRule,
  shadowedCueRule,
  impossibleCueRule,
  signRule,
  darkMoodRule,
  lightsItselfRule,
  headRoomRule,
  overRatingRule,
  resistorPowerRule,
  pinLoadRule,
  switchLoadRule,
  pinPlanRule,
  pixelRule,
  loopRule,
  ownLightRule,
  ceilingRule,
  linkRule,
  runTimeRule,
  guardRule,
  supplyRangeRule,
  packMatchRule,
  packCareRule,
  wireRule,
  cautionRule,
];

const weight: Readonly<Record<Gravity, number>> = { stop: 0, mend: 1, mind: 2 };

/** All findings of an assessed design: the gravest first, then in the order of the stages. */
export function checkDesign(
  design: Design,
  assessment: Assessment,
  library: Library = withOwnParts(design.ownParts),
): Finding[] {
  return rules
    .flatMap((rule) => rule({ design, assessment, library }))
    .sort((a, b) => weight[a.gravity] - weight[b.gravity] || stages.indexOf(a.stage) - stages.indexOf(b.stage));
}

/** Findings that ask for something to be done. */
export const isOpen = (finding: Finding): boolean => finding.gravity !== 'mind';
