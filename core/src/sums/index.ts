import { driveSums } from './driveSums.ts';
import { lightSums } from './lightSums.ts';
import { makeSums } from './makeSums.ts';
import { powerSums } from './powerSums.ts';
import { resistorSums } from './resistorSums.ts';
import type { QuickSum } from './sum.ts';

/** All quick sums, in the order of the work. */
export const quickSums: readonly QuickSum[] = [...lightSums, ...resistorSums, ...driveSums, ...powerSums, ...makeSums];

/** The sum of this name; undefined where there is none. */
export const findSum = (name: string): QuickSum | undefined => quickSums.find((sum) => sum.name === name);

export { type Answer, type Answered, answerSum, answerToJson, showCell, showInput, writeAnswer } from './answer.ts';
export type { Drawing, DrawnLine } from './drawing.ts';
export type { InputProblem } from './readInputs.ts';
export type { Input, QuickSum, Result, SumFinding, Value, Values } from './sum.ts';
