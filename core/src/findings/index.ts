export { checkDesign, checkPlan, isOpen } from './checkDesign.ts';
export { fusesFor } from './fuses.ts';
export { isFlashing } from './moodRules.ts';
export { listStageStates, type StageState } from './stageStates.ts';
export { listWishes, type Wish } from './wishes.ts';
