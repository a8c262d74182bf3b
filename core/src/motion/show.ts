import type { Laying, WhiteDie } from '../items/index.ts';
import type { CompiledMove } from '../moves/index.ts';
import type { Cue } from '../plan/index.ts';
import type { ShowSet } from './arrange.ts';
import type { Movable } from './movable.ts';

/** One light group as it is wired: `points` pixels of three bytes, or `points` channels of one. */
export interface ShowGroup {
  readonly id: string;
  /** Lights that can differ. */
  readonly points: number;
  /** One for a single colour, three for all. */
  readonly bytesPerPoint: 1 | 3;
  /** Of its first byte in the frame. */
  readonly offset: number;
  /** What its white die does; without one it is left out. */
  readonly whiteDie?: WhiteDie;
  /** It is on or off, and nothing between. */
  readonly switches?: true;
  /** It is led by pulses. */
  readonly pulses?: Movable['pulses'];
  /** Its lights take turns on lines that they share; without it each has its own. */
  readonly scan?: Movable['scan'];
}

/** Dice of each point, whatever bytes tell them. */
export const diceOf = ({ bytesPerPoint, whiteDie }: Pick<ShowGroup, 'bytesPerPoint' | 'whiteDie'>): number =>
  whiteDie === undefined ? bytesPerPoint : 4;

/** A move on a set of lights, and how it lies upon what is below it. */
export interface ShowLayer {
  /** Number of the set in the show. */
  readonly set: number;
  /** How it lies upon what is below. */
  readonly how: Laying;
  /** As the engine runs it. */
  readonly move: CompiledMove;
  /** How many lights the move thinks there are, and where each stands among them; see `Arrangement`. */
  readonly length: number;
  /** Of each light, in eighths; null counts them as they come. */
  readonly places: Uint16Array | null;
}

/** A mood ready to run: its layers from the lowest up. */
export interface ShowMood {
  readonly id: string;
  /** 0…256: what every byte is multiplied by after the gamma curve, then divided by 256. */
  readonly brightness256: number;
  /** The lowest first. */
  readonly layers: readonly ShowLayer[];
  /** How long it takes to run through once: its slowest move. */
  readonly throughMs: number;
  /** Null = as long as the cue says. */
  readonly fadeInMs: number | null;
  /** Its own; null takes the cue’s. */
  readonly fadeOutMs: number | null;
}

/** What lies over every mood while its control is in its state. */
export interface ShowSign {
  readonly id: string;
  readonly control: number;
  readonly layers: readonly ShowLayer[];
}

/** How the code of a sensor is read. `on` is dark for a light sensor and low for a charge sense. */
export interface ShowSensing {
  /** Code under which it counts as dark or low. */
  readonly onBelow: number;
  /** Code over which it no longer does. */
  readonly offAbove: number;
  /** Codes that stand for nothing and for full, for what shows the value. */
  readonly emptyCode: number;
  /** Read in full light, or with a full pack. */
  readonly fullCode: number;
  /** The code must stay beyond its threshold for so long. */
  readonly settleMs: number;
}

/** A control as the engine knows it: a contact or a sensor with its thresholds, by its number. */
export interface ShowControl {
  readonly id: string;
  /** A press waits until it is known that it is no double one and no long one. */
  readonly waits: boolean;
  /** Some cue waits for two presses, so one is answered late. */
  readonly hasDouble: boolean;
  /** Null for a contact. */
  readonly sensing: ShowSensing | null;
  /** Numbers of the groups whose light it sets, from dark to as bright as their mood. */
  readonly dims?: readonly number[];
}

/** The occasion of a cue. */
export type CueWhen = Cue['when']['kind'];

/** A cue in numbers; `ANY` stands for any mood. */
export interface ShowCue {
  /** Number of the mood; ANY from every one. */
  readonly from: number;
  /** The occasion. */
  readonly when: CueWhen;
  /** Its number; none for time and chance. */
  readonly control: number;
  /** Number of the mood. */
  readonly to: number;
  /** How long it is held, or how long after the mood began; for one at random the least. */
  readonly waitMs: number;
  /** What chance may add to it. */
  readonly spanMs: number;
  /** Over which it changes. */
  readonly fadeMs: number;
  /** The fade keeps the look even, not the current. */
  readonly keepsLook: boolean;
  /** Null = it stays. */
  readonly backAfterMs: number | null;
}

/** Any mood, or none. */
export const ANY = 255;

/** All that the engine needs to give frames: the same tables that the program holds. */
export interface Show {
  /** In the order of the frame. */
  readonly groups: readonly ShowGroup[];
  /** The groups first, then the maker's own sets. */
  readonly sets: readonly ShowSet[];
  /** In the order of the plan. */
  readonly moods: readonly ShowMood[];
  /** Those that lie over every mood. */
  readonly signs: readonly ShowSign[];
  readonly cues: readonly ShowCue[];
  /** By the numbers that cues and moves use. */
  readonly controls: readonly ShowControl[];
  /** Mood at power-on; `ANY` = dark. */
  readonly start: number;
  /** Of one whole frame. */
  readonly frameBytes: number;
}
