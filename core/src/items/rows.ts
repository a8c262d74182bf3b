import type { Part } from '../parts/index.ts';
import type { FormRow, PartNamed } from './contract.ts';
import { bands } from './limits.ts';

/** Rows that several kinds ask. */
export const feedRow: FormRow = {
  type: 'named',
  field: 'feed',
  label: 'Fed from',
  names: 'feeder',
  none: 'the only rail there is',
};
export const boardRow: FormRow = {
  type: 'named',
  field: 'board',
  label: 'On the board',
  names: 'board',
  none: 'the only one there is',
};
export const switchedRow: FormRow = { type: 'switched by', field: 'switchedBy', label: 'Switched by' };
export const wiringRow: FormRow = {
  type: 'choice',
  field: 'wiring',
  label: 'Wired',
  options: [
    { value: 'bus', label: 'one lead that passes them in turn' },
    { value: 'pair', label: 'a pair of wires each' },
    { value: 'chain', label: 'from one to the next' },
  ],
};
export const diffuserRow: FormRow = {
  type: 'quantity',
  field: 'diffuserMm',
  label: 'Diffuser in front, at',
  quantity: 'lengthMm',
  band: bands.diffuserMm,
  empty: 'bare',
  isLeftOut: true,
};
export const partRow = (partKind: Part['kind'], label: string): FormRow => ({
  type: 'part',
  field: 'part',
  label,
  partKind,
});
/** The one part that an item is. */
export const itsPart = (partKind: Part['kind'], part: string): readonly PartNamed[] => [
  { field: 'part', partKind, part },
];
export const minusRow: FormRow = {
  type: 'choice',
  field: 'minus',
  label: 'Its minus',
  options: [
    { value: 'joined', label: 'joined with the others' },
    { value: 'apart', label: 'kept apart' },
  ],
};
