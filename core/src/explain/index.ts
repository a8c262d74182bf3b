export { type BarFigure, barFigures, type Explanation, explainCeiling, explainData, explainDrive, explainFigure, explainRun, explainTape } from './explain.ts';
