export { defineFormula, type Formula, printSum, type Sum } from './formula.ts';
export { type Parsed, parseQuantity } from './parse.ts';
export { type Band, type Judged, judge } from './plausible.ts';
export { type LengthUnit, printForEditing, printNumber, printQuantity } from './print.ts';
export { type QuantityKind, quantityKinds } from './quantity.ts';
