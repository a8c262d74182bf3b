export { checkDesign, checkPlan, isOpen } from './checkDesign.ts';
export { isFlashing } from './flashRules.ts';
export { fusesFor, guardedBy } from './fuses.ts';
export { listStageStates, type StageState } from './stageStates.ts';
export { feedAgain } from './tapeRules.ts';
export { listWishes, type Wish } from './wishes.ts';
