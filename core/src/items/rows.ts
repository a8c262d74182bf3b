import type { Part } from '../parts/index.ts';
import type { FormRow, PartNamed } from './contract.ts';
import { bands, holders } from './limits.ts';

/** Rows that several kinds ask. */
export const feedRow: FormRow = {
  type: 'named',
  field: 'feed',
  label: 'Fed from',
  names: 'feeder',
  none: 'the only rail there is',
};
/** Asks which board it hangs on. */
export const boardRow: FormRow = {
  type: 'named',
  field: 'board',
  label: 'On the board',
  names: 'board',
  none: 'the only one there is',
};
/** Asks which box of the piece it lies in. */
export const boxRow: FormRow = { type: 'named', field: 'boxId', label: 'Lies in', names: 'hollow box', none: 'no box' };
/** Asks what holds it, of what softens in the warm. */
export const heldByRow: FormRow = {
  type: 'choice',
  field: 'heldBy',
  label: 'Held by, or beside',
  none: 'screws, metal, nothing that softens',
  options: holders.map((value) => ({ value, label: value })),
};
/** Asks how it is switched. */
export const switchedRow: FormRow = { type: 'switched by', field: 'switchedBy', label: 'Switched by' };
/** Asks whether its lights are passed in turn or have a pair of wires each. */
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
/** Asks how far in front of it a diffuser stands. */
export const diffuserRow: FormRow = {
  type: 'quantity',
  field: 'diffuserMm',
  label: 'Diffuser in front, at',
  quantity: 'lengthMm',
  band: bands.diffuserMm,
  empty: 'bare',
  isLeftOut: true,
};
/** Asks which part it is, of a family; parts of the maker’s own are among them. */
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
/** Asks whether its minus is the common one or stays apart. */
export const minusRow: FormRow = {
  type: 'choice',
  field: 'minus',
  label: 'Its minus',
  options: [
    { value: 'joined', label: 'joined with the others' },
    { value: 'apart', label: 'kept apart' },
  ],
};
