export { type Answer, type Answered, answerSum, answerToJson, sayCell, showInput, writeAnswer } from './answer.ts';
export type { Drawing, DrawnLine } from './drawing.ts';
export { type AnsweredField, hasSum, sumOfField } from './fieldNames.ts';
export { type Input, isAskedFor, type Value, type Values } from './inputs.ts';
export { findSum, quickSums } from './list.ts';
export { type AskedOfField, askOfField, askOfRun, textsOfField } from './ofFields.ts';
export { type InputProblem, readInputs } from './readInputs.ts';
export type { QuickSum, Result } from './sum.ts';
