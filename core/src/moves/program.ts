import type { Rgb } from './contract.ts';

/** Types that a field of a move may have in C, and what each takes. */
export const fieldBytes = { uint8_t: 1, uint16_t: 2, uint32_t: 4, rgb: 3 } as const;
export type FieldType = keyof typeof fieldBytes;

/** A field of a move in the program: its type, and its value of a compiled move. */
export interface ProgramField<C> {
  readonly type: FieldType;
  readonly of: (move: C) => number | boolean | Rgb;
}

const field =
  (type: FieldType) =>
  <C>(of: (move: C) => number | boolean | Rgb): ProgramField<C> => ({ type, of });

export const u8 = field('uint8_t');
export const u16 = field('uint16_t');
export const u32 = field('uint32_t');
export const rgbField = field('rgb');
