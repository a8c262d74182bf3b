export { type BarFigure, barOf } from './bar.ts';
export { explainCeiling } from './ceiling.ts';
export { explainData } from './data.ts';
export { explainDrive } from './drive.ts';
export type { Explanation, Figure } from './figure.ts';
export { type Figures, figuresOf } from './figures.ts';
export { explainGuide } from './guide.ts';
export { explainRun } from './run.ts';
export { explainTape } from './tape.ts';
