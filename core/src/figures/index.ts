export { type Figured, type Figures, figuresOf } from './figures.ts';
