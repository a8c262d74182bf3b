import { type Message, partsOf, type Quantity } from './message.ts';
import { type Parsed, parseQuantity } from './parse.ts';
import { printForEditing, printQuantity } from './print.ts';
import type { QuantityKind } from './quantity.ts';
import { type Units, usualUnits } from './system.ts';

/** Writes quantities and messages, and reads quantities, in one maker's units. */
export interface Printer {
  /** The maker’s. */
  readonly units: Units;
  /** A quantity as it is shown. */
  readonly quantity: (kind: QuantityKind, value: number, options?: { readonly digits?: number }) => string;
  /** A message as text. */
  readonly message: (message: Message) => string;
  /** A gauge under a heading that says so: its number alone, or its copper. */
  readonly gauge: (gaugeAwg: number) => string;
  /** What an input field shows: exact enough to be typed back without loss. */
  readonly forEditing: (kind: QuantityKind, value: number) => string;
  /** What was typed; a bare number is in the maker's unit. */
  readonly parse: (kind: QuantityKind, text: string) => Parsed;
}

/** The printer of these units. */
export function printerFor(units: Units): Printer {
  const quantity: Printer['quantity'] = (kind, value, options = {}) =>
    printQuantity(kind, value, { ...options, units });
  const part = (each: string | Quantity): string =>
    typeof each === 'string' ? each : quantity(each.kind, each.value, each.digits ? { digits: each.digits } : {});
  return {
    units,
    quantity,
    message: (message) => partsOf(message).map(part).join(''),
    gauge: (gaugeAwg) => (units.wire === 'gauge' ? String(gaugeAwg) : quantity('gaugeAwg', gaugeAwg)),
    forEditing: (kind, value) => printForEditing(kind, value, units),
    parse: (kind, text) => parseQuantity(kind, text, units),
  };
}

/** Writes in the units that are usual here. */
export const usualPrinter: Printer = printerFor(usualUnits);
