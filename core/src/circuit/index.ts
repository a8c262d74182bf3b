export { type Ladder, type LadderSolution, solveLadder } from './ladder.ts';
export { fitLedCurve, forwardVoltageV, type LedCurve, shiftCurve, solveString } from './ledCurve.ts';
