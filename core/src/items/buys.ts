import { printQuantity } from '../units/index.ts';

/** One thing to be had. `unit` is what the quantity counts. */
export interface Purchase {
  readonly name: string;
  readonly quantity: number;
  readonly unit: 'piece' | 'm';
  readonly unitPrice: number;
  readonly forWhat: string;
}

const RESISTOR_PRICE = 0.03;
const FUSE_PRICE = 0.6;

/** So many pieces of one thing. */
export const pieces = (name: string, unitPrice: number, forWhat: string, quantity = 1): Purchase => ({
  name,
  quantity,
  unit: 'piece',
  unitPrice,
  forWhat,
});

/** Resistors of one value. @param rated what they bear, in words */
export const resistors = (ohm: number, rated: string, forWhat: string, quantity = 1): Purchase =>
  pieces(`Resistor ${printQuantity('resistanceOhm', ohm)}, ${rated}`, RESISTOR_PRICE, forWhat, quantity);

/** The fuse of a supply, where it has one. */
export const fuseOf = (fuseA: number | null, name: string): readonly Purchase[] =>
  fuseA === null ? [] : [pieces(`Fuse ${printQuantity('currentA', fuseA)} with holder`, FUSE_PRICE, `next to ${name}`)];
