import { type alongs, bands, type keepings } from '../items/limits.ts';
import type { Band } from '../units/index.ts';
import type { MoveRow } from './contract.ts';

export const time = (key: string, label: string, band: Band = bands.periodS): MoveRow => ({
  as: 'quantity',
  key,
  label,
  kind: 'timeS',
  band,
});
export const count = (key: string, label: string, band: Band): MoveRow => ({
  as: 'quantity',
  key,
  label,
  kind: 'count',
  band,
});
export const share = (key: string, label: string): MoveRow => ({ as: 'share', key, label });
export const colour = (key: string, label: string): MoveRow => ({ as: 'colour', key, label });
export const choice = <T extends string>(key: string, label: string, names: Readonly<Record<T, string>>): MoveRow => ({
  as: 'choice',
  key,
  label,
  options: Object.entries<string>(names).map(([value, name]) => ({ value, label: name })),
});

export const level = share('level', 'Level');
export const seed = count('seed', 'Start number', bands.seed);
export const shows: MoveRow = { as: 'control', key: 'controlId', label: 'Shows' };
export const along = choice<(typeof alongs)[number]>('along', 'Meets the lights', {
  route: 'as the data runs',
  'route back': 'against the data',
  'both ends': 'from both ends',
  ring: 'round, by the clock',
  across: 'across the picture',
  down: 'down the picture',
  outward: 'from the middle out',
});
export const keeps = choice<(typeof keepings)[number]>('keeps', 'Keeps even', {
  look: 'the look',
  current: 'the current',
});
