import { type Along, alongs, type Control, kindOf, type Laying } from '../items/index.ts';
import { type CompiledMove, compileMove, type Move, moveOf, NO_CONTROL, wholeMs } from '../moves/index.ts';
import { type Cue, type Design, type Mood, moveOn, type Sign } from '../plan/index.ts';
import { arrange, gatherSet, groupAsSet, type ShowSet } from './arrange.ts';
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
}

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
interface ShowSign {
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
}

type CueWhen = Cue['when']['kind'];

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

function layOutGroups(movables: readonly Movable[]): ShowGroup[] {
  let offset = 0;
  return movables.map(({ id, points, bytesPerPoint }) => {
    const row = { id, points, bytesPerPoint, offset };
    offset += points * bytesPerPoint;
    return row;
  });
}

const alongOf = (move: Move): Along => ('along' in move ? move.along : undefined) ?? alongs[0];

/** Makes layers of moves, for the sets of one show. */
interface LayerMaker {
  readonly controlIndex: (id: string | null) => number;
  readonly make: (setId: string, how: Laying, move: Move) => ShowLayer[];
  /** First moves, in the order of the sets, so that a maker's set lies over the groups it is taken from. */
  readonly makeAll: (moves: Mood['moves']) => ShowLayer[];
}

function createLayerMaker(sets: readonly ShowSet[], controls: readonly Control[]): LayerMaker {
  const controlIndex: LayerMaker['controlIndex'] = (id) => {
    const index = controls.findIndex((control) => control.id === id);
    return index < 0 ? NO_CONTROL : index;
  };
  const make: LayerMaker['make'] = (setId, how, move) => {
    const set = sets.findIndex((each) => each.id === setId);
    const target = sets[set];
    if (!target) return [];
    const compiled = compileMove(move, { ...target, controlIndex });
    const arrangement = moveOf(move.kind).cells
      ? { length: target.points, places: target.cells }
      : arrange(target, alongOf(move));
    return [{ set, how, move: compiled, ...arrangement }];
  };
  return {
    controlIndex,
    make,
    makeAll: (moves) =>
      sets.flatMap((set) => {
        const move = moveOn(moves, set.id);
        return move ? make(set.id, 'over', move) : [];
      }),
  };
}

function compileMood(mood: Mood, maker: LayerMaker): ShowMood {
  const tops = (mood.tops ?? []).flatMap((top) => maker.make(top.on, top.how, top.move));
  const layers = [...maker.makeAll(mood.moves), ...tops];
  return {
    id: mood.id,
    brightness256: Math.round(mood.brightness * 256),
    layers,
    throughMs: Math.max(1, ...layers.map((layer) => layer.move.periodMs)),
    fadeInMs: mood.fadeInS === undefined ? null : Math.round(mood.fadeInS * 1000),
    fadeOutMs: mood.fadeOutS === undefined ? null : Math.round(mood.fadeOutS * 1000),
  };
}

const compileSign = (sign: Sign, maker: LayerMaker): ShowSign => ({
  id: sign.id,
  control: maker.controlIndex(sign.controlId),
  layers: maker.makeAll(sign.moves),
});

function compileCues(
  cues: readonly Cue[],
  moods: readonly ShowMood[],
  controlIndex: LayerMaker['controlIndex'],
): ShowCue[] {
  const moodIndex = (id: string): number => moods.findIndex((mood) => mood.id === id);
  return cues.map((cue): ShowCue => {
    const common = {
      control: 'controlId' in cue.when ? controlIndex(cue.when.controlId) : 0,
      to: moodIndex(cue.to),
      spanMs: 0,
      fadeMs: Math.round(cue.fadeS * 1000),
      keepsLook: cue.keeps === 'look',
      backAfterMs: cue.backAfterS === null ? null : Math.round(cue.backAfterS * 1000),
    };
    const from = cue.from === null ? ANY : moodIndex(cue.from);
    const { when } = cue;
    switch (when.kind) {
      case 'after':
        return { ...common, from, when: 'after', waitMs: wholeMs(when.afterS) };
      case 'held':
        return { ...common, from, when: 'held', waitMs: wholeMs(when.holdS) };
      case 'random': {
        const [least, most] = [Math.min(when.leastS, when.mostS), Math.max(when.leastS, when.mostS)];
        return { ...common, from, when: 'random', waitMs: wholeMs(least), spanMs: wholeMs(most) - wholeMs(least) };
      }
      default:
        return { ...common, from, when: when.kind, waitMs: 0 };
    }
  });
}

/** Where no controller says how a sensor is read: eight bits, thresholds at a third and two thirds. */
const plainSensing: ShowSensing = { onBelow: 85, offAbove: 170, emptyCode: 0, fullCode: 255, settleMs: 0 };

const compileControl = (
  control: Control,
  cues: readonly ShowCue[],
  index: number,
  sensing: ReadonlyMap<string, ShowSensing>,
): ShowControl => {
  const has = (when: CueWhen): boolean => cues.some((cue) => cue.control === index && cue.when === when);
  const isSensor = kindOf(control.kind).control?.sense !== undefined;
  return {
    id: control.id,
    waits: has('double') || has('held'),
    hasDouble: has('double'),
    sensing: isSensor ? (sensing.get(control.id) ?? plainSensing) : null,
  };
};

/** What a show is made of: the moods, what they move, and what is listened to. */
export interface ShowInput {
  readonly moods: Design['moods'];
  readonly movables: readonly Movable[];
  readonly controls: readonly Control[];
  /** How the codes of each sensor are read, once a controller is known. */
  readonly sensing?: ReadonlyMap<string, ShowSensing>;
}

/**
 * Makes a show: groups get their places in the frame, moods their moves in whole numbers, cues and controls their
 * numbers. A cue that hangs on a control that is not among them (another board's) is left out.
 */
export function compileShow({ moods: design, movables, controls, sensing = new Map() }: ShowInput): Show {
  const groups = layOutGroups(movables);
  const ownSets = groups.flatMap((row, g) => {
    const group = movables[g];
    return group ? [groupAsSet(group, row)] : [];
  });
  const sets = [...ownSets, ...(design.sets ?? []).map((set) => gatherSet(set, ownSets))];
  const maker = createLayerMaker(sets, controls);
  const moods = design.list.map((mood) => compileMood(mood, maker));
  const heard = new Set(controls.map((control) => control.id));
  const cues = compileCues(
    design.cues.filter((cue) => !('controlId' in cue.when) || heard.has(cue.when.controlId)),
    moods,
    maker.controlIndex,
  );
  const startId = design.startId ?? design.list[0]?.id;
  const start = moods.findIndex((mood) => mood.id === startId);
  return {
    groups,
    sets,
    moods,
    signs: (design.signs ?? []).filter((sign) => heard.has(sign.controlId)).map((sign) => compileSign(sign, maker)),
    cues,
    controls: controls.map((control, i) => compileControl(control, cues, i, sensing)),
    start: start < 0 ? ANY : start,
    frameBytes: groups.reduce((sum, group) => sum + group.points * group.bytesPerPoint, 0),
  };
}
