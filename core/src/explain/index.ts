export {
  type BarFigure,
  barFigures,
  describeWeakest,
  type Explanation,
  explainCeiling,
  explainData,
  explainDrive,
  explainFigure,
  explainRun,
  explainTape,
} from './explain.ts';
