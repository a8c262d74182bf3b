import { sundryPrices } from '../parts/index.ts';
import { amps, type Message, ohms, quantity, say, watts } from '../units/index.ts';

/** One thing to be had. `unit` is what the quantity counts. */
export interface Purchase {
  readonly name: Message;
  /** Pieces, or metres. */
  readonly quantity: number;
  readonly unit: 'piece' | 'm';
  /** Usual price of one, in small quantities. */
  readonly unitPrice: number;
  /** The item that asks for it. */
  readonly forWhat: string;
  /** One serves all copies. */
  readonly isShared?: true;
}

/** What the smallest resistors bear, which is more than a signal asks. */
export const SIGNAL_RESISTOR_W = 0.125;

/** How much of it, in words. @example "12", "3.20 m" */
export const sayAmount = ({ quantity: amount, unit }: Pick<Purchase, 'quantity' | 'unit'>): Message =>
  unit === 'm' ? quantity('reelM', amount) : quantity('count', amount);

/** So many pieces of one thing. */
export const pieces = (name: Message, unitPrice: number, forWhat: string, quantity = 1): Purchase => ({
  name,
  quantity,
  unit: 'piece',
  unitPrice,
  forWhat,
});

/** Resistors of one value, that bear so much. */
export const resistors = (ohm: number, ratedW: number, forWhat: string, quantity = 1): Purchase =>
  pieces(say`Resistor ${ohms(ohm)}, ${watts(ratedW)}`, sundryPrices.resistor, forWhat, quantity);

/** The fuse of a supply, where it has one. */
export const fuseOf = (fuseA: number | null, name: string): readonly Purchase[] =>
  fuseA === null ? [] : [pieces(say`Fuse ${amps(fuseA)} with holder`, sundryPrices.fuseWithHolder, `next to ${name}`)];
