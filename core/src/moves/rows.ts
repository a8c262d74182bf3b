import { type alongs, bands, type keepings } from '../items/limits.ts';
import type { Band } from '../units/index.ts';
import type { MoveRow } from './contract.ts';

/** A time, in seconds. */
export const time = (key: string, label: string, band: Band = bands.periodS): MoveRow => ({
  as: 'quantity',
  key,
  label,
  kind: 'timeS',
  band,
});
/** A whole number. */
export const count = (key: string, label: string, band: Band): MoveRow => ({
  as: 'quantity',
  key,
  label,
  kind: 'count',
  band,
});
/** A share of one, on a slider. */
export const share = (key: string, label: string): MoveRow => ({ as: 'share', key, label });
/** A colour of its own. */
export const colour = (key: string, label: string): MoveRow => ({ as: 'colour', key, label });
/** One of several, each with its words. */
export const choice = <T extends string>(key: string, label: string, names: Readonly<Record<T, string>>): MoveRow => ({
  as: 'choice',
  key,
  label,
  options: Object.entries<string>(names).map(([value, name]) => ({ value, label: name })),
});

/** How high the move is. */
export const level = share('level', 'Level');
/** Which chance it takes. */
export const seed = count('seed', 'Start number', bands.seed);
/** Which control’s value it shows. */
export const shows: MoveRow = { as: 'control', key: 'controlId', label: 'Shows' };
/** The order in which it meets the lights. */
export const along = choice<(typeof alongs)[number]>('along', 'Meets the lights', {
  route: 'as the data runs',
  'route back': 'against the data',
  'both ends': 'from both ends',
  ring: 'round, by the clock',
  across: 'across the picture',
  down: 'down the picture',
  outward: 'from the middle out',
});
/** What a mixing keeps even. */
export const keeps = choice<(typeof keepings)[number]>('keeps', 'Keeps even', {
  look: 'the look',
  current: 'the current',
});
