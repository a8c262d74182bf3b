import { printQuantity } from '../units/index.ts';

/** Figures in the sentences of findings. */
export const amps = (value: number): string => printQuantity('currentA', value);
export const volts = (value: number): string => printQuantity('voltageV', value);
export const hours = (value: number): string => printQuantity('timeH', value);
