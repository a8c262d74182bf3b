import { type Quantity, quantity } from './message.ts';

export const volts = (value: number): Quantity => quantity('voltageV', value);
export const amps = (value: number): Quantity => quantity('currentA', value);
export const ohms = (value: number): Quantity => quantity('resistanceOhm', value);
export const watts = (value: number): Quantity => quantity('powerW', value);
export const mm = (value: number): Quantity => quantity('lengthMm', value);
export const seconds = (value: number): Quantity => quantity('timeS', value);
export const hours = (value: number): Quantity => quantity('timeH', value);
export const celsius = (value: number): Quantity => quantity('temperatureC', value);
export const lux = (value: number): Quantity => quantity('lux', value);
export const gauge = (value: number): Quantity => quantity('gaugeAwg', value);
export const money = (value: number): Quantity => quantity('money', value);
export const milliampHours = (value: number): Quantity => quantity('capacityMah', value);
/** A share of one, as it is read: to three figures. */
export const percent = (value: number): Quantity => quantity('fraction', value);
/** A share of one, where two figures are all that is known. */
export const roughPercent = (value: number): Quantity => quantity('fraction', value, { digits: 2 });
/** A number to a place after the point. */
export const toTenth = (value: number): Quantity => quantity('count', Math.round(value * 10) / 10);
