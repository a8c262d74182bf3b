export { checkDesign, checkPlan, isOpen } from './checkDesign.ts';
export { isFlashing } from './moodRules.ts';
export { fusesFor } from './powerRules.ts';
export { listStageStates, type StageState } from './stageStates.ts';
export { listWishes, type Wish } from './wishes.ts';
