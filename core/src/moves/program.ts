import type { Rgb } from './rgb.ts';

/** Types that a field of a move may have in C, and what each takes. */
export const fieldBytes = { uint8_t: 1, uint16_t: 2, uint32_t: 4, rgb: 3 } as const;
/** The C type of a field of a move in the program. */
export type FieldType = keyof typeof fieldBytes;

/** A field of a move in the program: its type, and its value of a compiled move. */
export interface ProgramField<C> {
  /** In C. */
  readonly type: FieldType;
  /** Its value for a compiled move. */
  readonly of: (move: C) => number | boolean | Rgb;
}

const field =
  (type: FieldType) =>
  <C>(of: (move: C) => number | boolean | Rgb): ProgramField<C> => ({ type, of });

/** A field of one byte, 0…255. */
export const u8 = field('uint8_t');
/** A field of two bytes. */
export const u16 = field('uint16_t');
/** A field of four bytes. */
export const u32 = field('uint32_t');
/** A colour, of three bytes. */
export const rgbField = field('rgb');
