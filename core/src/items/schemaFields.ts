import { z } from 'zod';
import type { Band } from '../units/index.ts';
import { bands, holders, plenty } from './limits.ts';

/** What the schemas of items and plan are made of: each kind of field once. */
export const inBand = (band: Band) => z.number().min(band.least).max(band.most);
// Every object has this one already: as a key it would be lost without a word.
const KEPT_BACK = '__proto__';
/** An id: letters, digits, - and _, at most 40; it is the maker’s, so look-ups by it use maps. */
export const id = z
  .string()
  .regex(/^[\w-]{1,40}$/, 'must be 1 to 40 letters, digits, - or _')
  .refine((text) => text !== KEPT_BACK, `can’t be "${KEPT_BACK}": take any other word`);
/** A list of at most so many. */
export const list = <T extends z.ZodType>(item: T) => z.array(item).max(plenty.items);
/** A name in the maker’s words, in any script. */
export const name = z.string().min(1).max(plenty.nameLength);
/** A colour as #rrggbb. */
export const colour = z.string().regex(/^#[0-9a-f]{6}$/, 'must be a colour such as #ff9a1c, in small letters');
/** A price in the maker’s money, 0 or more. */
export const price = inBand(bands.budget);

/** A number with its doubt and where it comes from. */
export const figure = (band: Band) =>
  z.strictObject({
    likely: inBand(band),
    spread: z.number().min(0).max(band.most),
    origin: z.enum(['measured', 'data sheet', 'typical', 'guess', 'overruled']),
  });

/** A place on the view, in millimetres from its top left corner. */
export const point = z.strictObject({ xMm: inBand(bands.placeMm), yMm: inBand(bands.placeMm) });
/** Id of a part of the library or of the maker’s own. */
export const part = z.string().max(60);
/** What feeds an item: the id of a source, a converter or a switch in a lead; null = the only rail there is. */
export const feed = id.nullable();
/** The board that an item hangs on; null = the only one there is. */
export const board = id.nullable();

/** How one channel of an item is switched: one way, with what it names. */
export const switchedBy = z.discriminatedUnion('way', [
  /** A pin or a transistor where a board is there and the moods ask for change; else the switch in its lead. */
  z.strictObject({ way: z.literal('auto') }),
  z.strictObject({ way: z.literal('always on') }),
  z.strictObject({ way: z.literal('hand switch'), by: id }),
  z.strictObject({ way: z.literal('pin high'), board }),
  z.strictObject({ way: z.literal('pin low'), board }),
  z.strictObject({ way: z.literal('transistor below'), board, part: part.nullable() }),
  z.strictObject({ way: z.literal('transistor above'), board, part: part.nullable() }),
  /** Rows lit in turn, each with its columns: what switches a row, and what a column ends at; null = as reckoned. */
  z.strictObject({
    way: z.literal('scanned grid'),
    board,
    rows: inBand(bands.gridRows).int(),
    part: part.nullable(),
    columnsBy: z.enum(['pin', 'transistor']).nullable(),
  }),
  /** Each light between two pins of its own pair, one light after another. */
  z.strictObject({ way: z.literal('shared pins'), board }),
  /** A part that scans the grid by itself; it is told each light by the board that it names. */
  z.strictObject({ way: z.literal('scan driver'), by: id, rows: inBand(bands.gridRows).int() }),
  z.strictObject({ way: z.literal('light gate'), by: id }),
  z.strictObject({ way: z.literal('driver'), by: id, board }),
  z.strictObject({ way: z.literal('box'), by: id, output: z.number().int().min(1).max(12) }),
]);

/** A pair of wires of its own to where it is fed, one lead that passes several in turn, or from item to item. */
export const wiring = z.enum(['pair', 'bus', 'chain']);

/** What gives its white, where it has a die for it: that die (without a word), or the other three mixed. */
export const whiteFrom = z.enum(['white die', 'three dice']).optional();

/** What an item made by the maker's hand has in common with every other. */
export const base = { id, name };
/** The same for what sits at one place. */
export const placed = {
  id,
  name,
  at: point,
  /** The box that it lies in; anywhere without one. */
  boxId: id.nullable().optional(),
  /** What holds it or lies beside it, of what softens. */
  heldBy: z.enum(holders).optional(),
};
/** Whether the minus of a source or an output is joined to that of the others. */
export const minus = z.enum(['joined', 'apart']);
