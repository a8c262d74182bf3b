import type { Feed, Hung, ResistorChoice, ScanTiming } from '../drive/index.ts';
import { chipVoltageV, type RailRange, rangeOfChip, type ScanLayout } from '../items/index.ts';
import type { DieColour, Figure, Library, ScanDriverPart } from '../parts/index.ts';
import type { OnOhm } from './halfOn.ts';
import type { Loop } from './loop.ts';
import type { Board, Switched } from './switching.ts';
import type { TransistorSwitch } from './transistors.ts';
import type { Way } from './ways.ts';

/** Currents of one light (so of its string) or one unit of tape at full: likely, and at the two corners of all tolerances. */
export interface Corners {
  /** As everything is typical. */
  readonly currentA: number;
  /** Fresh pack, low drops. */
  readonly brightestA: number;
  /** Spent pack, high drops. */
  readonly dimmestA: number;
  /** Each in the brightest corner with all of them alike: what many together come to. */
  readonly mostA: number;
  /** Each in the dimmest corner with all of them alike. */
  readonly leastA: number;
}

/** Lights that take turns: on which lines, how often, and what stands at the ends of those. */
export interface Scan extends ScanTiming {
  readonly layout: ScanLayout;
  /** Of one light over time, at full. */
  readonly meanA: number;
  /** What one light of the kind bears for good. */
  readonly ratedA: number;
  /** What each column ends at; null = a pin, or the part that scans. */
  readonly columnSwitch: TransistorSwitch | null;
  /** The part that scans by itself; null = the program of the board. */
  readonly driver: ScanDriverPart | null;
  /** A diode stands behind each light. */
  readonly hasDiodes: boolean;
  /** Across a light that is dark while its row, or another of its pins, is lit; 0 where its column is let go. */
  readonly acrossOffV: number;
  /** What flows through it, where it is of the lowest drop of its kind. */
  readonly glowA: number;
}

/** What of one item is switched alike, sized: its currents, its resistor, and what stands between it and its pin. */
export interface Driven {
  readonly itemId: string;
  readonly name: string;
  /** How it is switched. */
  readonly way: Way;
  /** Null while nothing feeds it. */
  readonly railId: string | null;
  /** Null where no board drives it. */
  readonly board: Board | null;
  /** Numbers of its channels, from 0. */
  readonly channels: readonly number[];
  /** Lights, or units of tape between two cut marks, on each of them. */
  readonly lightsOnChannel: readonly number[];
  /** Loops side by side on each of them: strings of lights, or units of tape; one where a driver holds the current. */
  readonly loopsOnChannel: readonly number[];
  /** How many lights hang on each resistor, and how. */
  readonly hung: Hung;
  /** Of one light at its current. */
  readonly forwardV: Figure;
  /** Of one light. */
  readonly ratedCurrentA: number;
  /** Each string's, or that of several; null where a driver holds the current, or the tape has its own. */
  readonly resistor: ResistorChoice | null;
  /** Of one light. */
  readonly corners: Corners;
  /** What the fullest channel draws: likely and at the brightest corner. */
  readonly channelA: number;
  /** Of a whole channel, at its most. */
  readonly channelBrightestA: number;
  /** All channels at full. */
  readonly totalA: number;
  /** Null where a pin, a contact or a driver switches it. */
  readonly transistor: TransistorSwitch | null;
  /** In the pin or transistor that all lights of a channel share, over the pack's life. */
  readonly onOhm: OnOhm;
  /** Spent beside the light to hold its transistors on, all channels at full. */
  readonly holdA: number;
  /** Of a many-coloured light: this die of it. */
  readonly die: DieColour | null;
  /** Of a plain tape: this colour of it, and both its rails from one unit to the next. */
  readonly tape: { readonly colour: string; readonly colours: number; readonly railOhm: number } | null;
  /** How its lights take turns; null where each has its own time. */
  readonly scan: Scan | null;
  /** What the loop of one light works against. */
  readonly feed: Feed;
  /** The loop of one light, for whoever solves it at another voltage. */
  readonly loop: Loop;
  /** Taken from its rail with all its channels at full, and what holds them on, where the rail has this voltage. */
  readonly atRail: (railV: number) => number;
  /** What the hub gives its lights where its rail has this voltage. */
  readonly hubV: (railV: number) => number;
  /** What its rail gives for so much in the lights, with what holds its channels on. */
  readonly takenA: (litA: number, railV: number) => number;
  /** What holds its channels on out of the rail of its board, where that is another, by the voltage of that. */
  readonly boardA: (boardV: number) => number;
}

/** What the sizing of an item may look at. */
export interface SizingInput {
  readonly library: Library;
  /** Volts of a rail; null while what feeds it is not known. */
  readonly rangeOf: (railId: string | null) => RailRange | null;
  /** How many strings of lights share what one driver holds. */
  readonly stringsOn: (driverId: string) => number;
}

/** The range that a loop works against: the chip's behind a pin that gives, else the rail's. */
export const workingRange = (switched: Switched, rail: RailRange): RailRange =>
  switched.way.throughPin === 'given' && switched.board ? rangeOfChip(switched.board.part, rail) : rail;

/** The rail that a channel draws from: what feeds the board where the pin gives the current. */
export const drawnFrom = (switched: Switched): string | null =>
  switched.way.throughPin === 'given' ? (switched.board?.railId ?? null) : switched.railId;

/** The chip's supply, whatever the lights are fed from: a 5 V pin beside a 12 V rail gives 5 V. */
export const chipRange = (board: Board, railOfLights: RailRange, input: Pick<SizingInput, 'rangeOf'>): RailRange =>
  rangeOfChip(board.part, input.rangeOf(board.railId) ?? railOfLights);

/**
 * How far a rail may lie above the supply of the chip that switches what hangs on it. Where one source feeds both they rise
 * and fall together; of two, the board's may be spent first.
 */
export function aboveChipV(
  { railId }: Pick<Switched, 'railId'>,
  board: Board,
  rail: RailRange,
  input: Pick<SizingInput, 'rangeOf'>,
): number {
  const boardV = board.railId === railId ? rail.mostV : (input.rangeOf(board.railId)?.leastV ?? rail.mostV);
  return Math.max(0, rail.mostV - chipVoltageV(board.part, boardV));
}

/** Resistors of a group that the maker buys: one for each string, or for several. */
export const countResistors = ({ resistor, loopsOnChannel, hung, scan }: Driven): number => {
  if (resistor === null) return 0;
  // One at each column, or at each pin that lights share.
  if (scan) return scan.layout.lines.filter(({ kind }) => kind !== 'row').length;
  return loopsOnChannel.reduce((sum, loops) => sum + Math.ceil(loops / hung.sideBySide), 0);
};
