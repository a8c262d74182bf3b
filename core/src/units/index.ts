export { parseQuantity, type Parsed } from './parse.ts';
export { type Band, judge, type Judged } from './plausible.ts';
export { type LengthUnit, printForEditing, printNumber, printQuantity } from './print.ts';
export { type QuantityKind, quantityKinds } from './quantity.ts';
export { defineFormula, type Formula, printSum, type Sum } from './formula.ts';
