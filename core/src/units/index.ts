export { defineFormula, type Formula, fillSum, type Sum } from './formula.ts';
export { diameterMmOfGauge } from './gauge.ts';
export {
  capitalise,
  isQuantity,
  joinMessages,
  type Message,
  type Quantity,
  quantitiesOf,
  quantity,
  say,
} from './message.ts';
export { type Parsed, parseQuantity } from './parse.ts';
export { type Band, type Judged, judge } from './plausible.ts';
export { printNumber } from './print.ts';
export { type Printer, printerFor, usualPrinter } from './printer.ts';
export {
  amps,
  celsius,
  gauge,
  hours,
  lasting,
  lux,
  milliampHours,
  mm,
  money,
  ohms,
  percent,
  roughPercent,
  seconds,
  toTenth,
  volts,
  watts,
} from './quantities.ts';
export { type QuantityKind, quantityKinds } from './quantity.ts';
export { type Ruler, rulerFor } from './ruler.ts';
export { type DateStyle, dateStyles, isCurrency, parseUnits, type Units, usualUnits } from './system.ts';
