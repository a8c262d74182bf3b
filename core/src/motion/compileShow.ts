import { type Along, alongs, type Control, kindOf, type Laying } from '../items/index.ts';
import { compileMove, type Move, moveOf, NO_CONTROL, wholeMs } from '../moves/index.ts';
import { type Cue, type Design, type Mood, moveOn, type Sign } from '../plan/index.ts';
import { arrange, gatherSet, groupAsSet, type ShowSet } from './arrange.ts';
import type { Movable } from './movable.ts';
import {
  ANY,
  type CueWhen,
  type Show,
  type ShowControl,
  type ShowCue,
  type ShowLayer,
  type ShowMood,
  type ShowSensing,
  type ShowSign,
} from './show.ts';

/** Puts groups one after another in the frame, with the dark points that lie between them on a data line. */
function layOutGroups(movables: readonly Movable[]): Pick<Show, 'groups' | 'frameBytes'> {
  let offset = 0;
  const groups = movables.map(
    ({ id, points, bytesPerPoint, whiteDie, switches, pulses, scan, dark = { before: 0, after: 0 } }) => {
      offset += dark.before * bytesPerPoint;
      const row = {
        id,
        points,
        bytesPerPoint,
        offset,
        ...(whiteDie && { whiteDie }),
        ...(switches && { switches }),
        ...(pulses && { pulses }),
        ...(scan && { scan }),
      };
      offset += (points + dark.after) * bytesPerPoint;
      return row;
    },
  );
  return { groups, frameBytes: offset };
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
  dims: readonly number[],
): ShowControl => {
  const has = (when: CueWhen): boolean => cues.some((cue) => cue.control === index && cue.when === when);
  const isSensor = kindOf(control.kind).control?.sense !== undefined;
  return {
    ...(dims.length > 0 && { dims }),
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
  /** Whether a group is driven by the board that a control hangs on; every one without it. */
  readonly isBeside?: (groupId: string, control: Control) => boolean;
}

/** The groups that a control dims: the lights of its board, not what is but on or off. */
function dimmedBy(
  control: Control,
  groups: Show['groups'],
  isBeside: NonNullable<ShowInput['isBeside']>,
): readonly number[] {
  const sense = kindOf(control.kind).control?.sense?.(control);
  return sense?.kind === 'knob' && sense.dims
    ? groups.flatMap(({ id, switches }, i) => (!switches && isBeside(id, control) ? [i] : []))
    : [];
}

/**
 * Makes a show: groups get their places in the frame, moods their moves in whole numbers, cues and controls their
 * numbers. A cue that hangs on a control that is not among them (another board's) is left out.
 */
export function compileShow(input: ShowInput): Show {
  const { moods: design, movables, controls, sensing = new Map(), isBeside = () => true } = input;
  const { groups, frameBytes } = layOutGroups(movables);
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
    controls: controls.map((control, i) =>
      compileControl(control, cues, i, sensing, dimmedBy(control, groups, isBeside)),
    ),
    start: start < 0 ? ANY : start,
    frameBytes,
  };
}
