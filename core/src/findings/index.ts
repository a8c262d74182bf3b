export { tellTooFast } from './chargeRules.ts';
export { checkDesign, checkPlan, isOpen } from './checkDesign.ts';
export { isFlashing } from './flashRules.ts';
export { fusesFor, guardA, type LeadToFuse, leadOf } from './fuses.ts';
export { listStageStates, type StageState } from './stageStates.ts';
export { feedAgain } from './tapeRules.ts';
export { sayBlows, tellFuse, tellNoneSuits } from './tellFuse.ts';
export { tellRun } from './tellRun.ts';
export { listWishes, type Wish } from './wishes.ts';
