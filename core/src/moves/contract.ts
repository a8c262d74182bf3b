import type { Band, Message, QuantityKind } from '../units/index.ts';
import type { ProgramField } from './program.ts';
import type { Rgb } from './rgb.ts';

/**
 * A move with its settings in the engine's own units: whole milliseconds, 8-bit levels, whole lights. After `periodMs`
 * its frames come again.
 */
export interface CompiledBase {
  readonly kind: string;
  /** After which it comes again. */
  readonly periodMs: number;
  /** Its colour. */
  readonly rgb: Rgb;
  /** Its height, 0…255. */
  readonly level: number;
}

/** What a move has to know of where it is shown. */
export interface MoveTarget {
  /** Rows and columns of the lights; a plain group is one row. */
  readonly columns: number;
  /** Of the grid; 1 for a plain group. */
  readonly rows: number;
  /** Number of a control in the show; `NO_CONTROL` where there is none. */
  readonly controlIndex: (id: string | null) => number;
}

/** What a control reads, 0…255, by its number in the show; what is not there counts as full. */
export type Reads = readonly { readonly level: number }[];

/** A value that nothing gives counts as full. */
export const NO_CONTROL = 255;

/** What of a move is the same for all its lights at a moment, so that it is worked out once a frame. */
export interface Moment {
  /** Time within the mood. */
  tMs: number;
  /** Of moves in which all lights are alike, the level of them all. */
  level: number;
  /** Which light of each group of a chase is lit; else how far a slot has gone, of 256. */
  part: number;
  /** Which slot of chance. */
  slot: number;
  /** Of a sweep, its head; of what fills, how far: in 256ths of a light. */
  at256: number;
  /** A sweep on its way there, not back. */
  rises: boolean;
  /** Where in its period, of 65,536. */
  phase: number;
  /** How far the colour has gone from the second to its own, of 255. */
  blend: number;
  /** This and the next generation of cells. */
  boards: { readonly now: Uint8Array; readonly next: Uint8Array } | null;
}

/** A moment to be filled in and used again, so that no frame allocates. */
export const makeMoment = (): Moment => ({
  tMs: 0,
  level: 0,
  part: 0,
  slot: 0,
  at256: 0,
  rises: false,
  phase: 0,
  blend: 255,
  boards: null,
});

/** One setting of a move, by its name in the plan: what is asked, and how it is answered. */
export type MoveRow = { readonly key: string; readonly label: string } & (
  | { readonly as: 'quantity'; readonly kind: QuantityKind; readonly band: Band }
  | { readonly as: 'share' | 'colour' | 'tick' | 'control' | 'cell rule' }
  | { readonly as: 'choice'; readonly options: readonly { readonly value: string; readonly label: string }[] }
);

/** A setting that makes a move calmer. @param it what it is called in the sentence */
export interface Calmer {
  /** What the mend is called, with a word for the move. */
  readonly say: (it: string) => string;
  /** The setting that is changed. */
  readonly key: string;
  /** To what. */
  readonly value: unknown;
}

/** All that a kind of move says of itself. What it does not have is left out. */
export interface MoveDefinition<M extends { readonly kind: string }, C extends CompiledBase> {
  readonly kind: M['kind'];
  /** Where it stands among the kinds that are offered; the lowest first. */
  readonly rank: number;
  /** A usual one, in a colour and at a height. */
  readonly usual: (colour: string, height: number) => M;
  /** Level of its brightest moment, 0…1; its `level` without it. */
  readonly heightOf?: (move: M) => number;
  /** Its settings, in the order of the form. */
  readonly rows: readonly MoveRow[];
  /** What it does, in a few words with its times. */
  readonly words: (move: M) => Message;
  /** How long it takes to see what it does, in seconds. */
  readonly spanS: (move: M) => number;
  /** Two flashes a second instead of more; null where it is calm already. */
  readonly calmer?: (move: M) => Calmer | null;
  /** It goes from light to light: on one channel it is only a blink. */
  readonly travels?: true;
  /** It only switches: at full height a pin that can't dim shows it. */
  readonly switches?: true;
  /** After so many lights its pattern comes again; on a ring it has to come out even. `key` is the setting that says it. */
  readonly repeats?: { readonly key: string; readonly every: (move: M) => number };
  /** As the engine runs it: whole numbers alone. */
  readonly compile: (move: M, target: MoveTarget) => C;
  /** What it has in the program beside colour, period and level, by the name of the field in C. */
  readonly program: Readonly<Record<string, ProgramField<C>>>;
  /** Flash that it takes of an eight-bit controller beside its rows: see `motion/cost.ts`. */
  readonly programBytes?: number;
  /** Cycles of an eight-bit controller for one pixel, where its lights are not alike: measured on the exported program. */
  readonly cyclesAPixel?: number;
  /** Times, in milliseconds, that stand for one period. */
  readonly sampleMs: (move: C) => readonly number[];
  /** The share of its period for which it is lit, where that is known exactly. */
  readonly litShare?: (move: C) => number;
  /** Works out the moment of a move on so many lights. */
  readonly begin: (moment: Moment, move: C, reads: Reads, length: number) => void;
  /** The level of one light, 0…255; without it all lights are alike. `place256` is in 256ths of a light. */
  readonly level?: (move: C, moment: Moment, point: number, place256: number) => number;
  /** Whether all lights are alike after all. */
  readonly isAlike?: (move: C) => boolean;
  /** How far each light's colour has gone toward the second, of 255: it is painted by its colour, not by its level. */
  readonly blend?: (move: C, moment: Moment, place256: number) => number;
  /** Its lights are cells of a grid, and `place256` is the number of the cell. */
  readonly cells?: {
    /** Lights that it can live on. */
    readonly most: number;
    /** Generations after which nothing new is seen. */
    readonly stillAfter: (move: C) => number;
    /** After how many it begins again, and from which start number. */
    readonly begins: (move: M) => { readonly generations: number; readonly seed: number };
    /** The same move from another start, or beginning again sooner. */
    readonly from: (move: M, start: { readonly generations: number; readonly seed: number }) => M;
  };
}

/** A definition whose kind is not known where it is used: it must only be given moves of its own. */
export type AnyMove = MoveDefinition<{ readonly kind: string }, CompiledBase>;

/** Declares a kind of move: its types are fixed here, and what it is given elsewhere is looked up by its kind. */
export const defineMove = <M extends { readonly kind: string }, C extends CompiledBase>(
  definition: MoveDefinition<M, C>,
): AnyMove => definition as unknown as AnyMove;
