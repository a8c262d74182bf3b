import { type Quantity, quantity } from './message.ts';

/** Volts, as a quantity. */
export const volts = (value: number): Quantity => quantity('voltageV', value);
/** Amperes, as a quantity. */
export const amps = (value: number): Quantity => quantity('currentA', value);
/** Ohms, as a quantity. */
export const ohms = (value: number): Quantity => quantity('resistanceOhm', value);
/** Watts, as a quantity. */
export const watts = (value: number): Quantity => quantity('powerW', value);
/** Millimetres, as a quantity. */
export const mm = (value: number): Quantity => quantity('lengthMm', value);
/** Seconds, as a quantity. */
export const seconds = (value: number): Quantity => quantity('timeS', value);
const MINUTE_S = 60;
const HOUR_S = 3600;
/** Seconds that may be many: told in minutes from two of them, in hours from two of those. */
export const lasting = (valueS: number): Quantity =>
  valueS < 2 * MINUTE_S
    ? seconds(valueS)
    : valueS < 2 * HOUR_S
      ? quantity('timeMin', valueS / MINUTE_S, { digits: 2 })
      : quantity('timeH', valueS / HOUR_S, { digits: 2 });
/** Hours, as a quantity. */
export const hours = (value: number): Quantity => quantity('timeH', value);
/** Degrees Celsius, as a quantity. */
export const celsius = (value: number): Quantity => quantity('temperatureC', value);
/** Lux, as a quantity. */
export const lux = (value: number): Quantity => quantity('lux', value);
/** A gauge number (AWG), as a quantity. */
export const gauge = (value: number): Quantity => quantity('gaugeAwg', value);
/** Money, as a quantity. */
export const money = (value: number): Quantity => quantity('money', value);
/** Milliampere-hours, as a quantity. */
export const milliampHours = (value: number): Quantity => quantity('capacityMah', value);
/** A share of one, as it is read: to three figures. */
export const percent = (value: number): Quantity => quantity('fraction', value);
/** A share of one, where two figures are all that is known. */
export const roughPercent = (value: number): Quantity => quantity('fraction', value, { digits: 2 });
/** A number to a place after the point. */
export const toTenth = (value: number): Quantity => quantity('count', Math.round(value * 10) / 10);
