import {
  designKnob,
  designPackSense,
  designSensor,
  type KnobDesign,
  type PackSenseDesign,
  type SensorDesign,
} from '../drive/index.ts';
import { type Control, kindOf, openCircuitVoltageV, type RailRange, rangeOfChip, type Sense } from '../items/index.ts';
import type { ShowSensing } from '../motion/index.ts';
import { type Board, boardOf, type Rail, type Rails } from '../network/index.ts';
import { controlsOf, type Design, pinOwnerOf } from '../plan/index.ts';

/** A control that gives a value, with its divider and thresholds. */
export type Sensing =
  | {
      readonly kind: 'light';
      readonly control: Control;
      readonly sense: Extract<Sense, { kind: 'light' }>;
      readonly board: Board;
      /** What its divider stands on: the chip's own supply. */
      readonly chip: RailRange;
      /** What the converter counts as its top. */
      readonly referenceV: number;
      /** How long dark must last in all before it is told: the part's own time, and what the program waits. */
      readonly toldDarkAfterS: number;
      /** Its part, pin and fixed resistor are those of another; it reads them by thresholds of its own. */
      readonly isLevel: boolean;
      /** Fixed resistor and thresholds. */
      readonly design: SensorDesign;
    }
  | {
      readonly kind: 'knob';
      readonly control: Control;
      readonly sense: Extract<Sense, { kind: 'knob' }>;
      readonly board: Board;
      readonly chip: RailRange;
      readonly design: KnobDesign;
    }
  | {
      readonly kind: 'charge';
      readonly control: Control;
      readonly sense: Extract<Sense, { kind: 'charge' }>;
      readonly board: Board;
      /** What the chip runs at, from a spent pack to a fresh one. */
      readonly chip: RailRange;
      /** The pack that it reads. */
      readonly pack: Rail;
      /** Of the pack, at rest. */
      readonly fullV: number;
      /** Where the pack is cut off. */
      readonly emptyV: number;
      /** Volts of the pack from which on what the converter counts by stands still; below it sinks with the pack. Infinity = always. */
      readonly steadyFromV: number;
      /** Fixed resistor and thresholds. */
      readonly design: PackSenseDesign;
    };

/** How long a change of the light must last: a hand that passes is no nightfall. */
const LIGHT_SETTLE_MS = 300;
/** A knob is where it is left. */
const KNOB_SETTLE_MS = 50;

/** Every light sensor that reads the part of one: itself, and its further levels. */
function spanOf(
  design: Pick<Design, 'items'>,
  ownerId: string,
): { readonly darkOhm: number; readonly lightOhm: number } {
  const readings = controlsOf(design).flatMap((each) => {
    const sense = kindOf(each.kind).control?.sense?.(each);
    return sense?.kind === 'light' && pinOwnerOf(each) === ownerId ? [sense] : [];
  });
  return {
    darkOhm: Math.max(...readings.map(({ darkOhm }) => darkOhm)),
    lightOhm: Math.min(...readings.map(({ lightOhm }) => lightOhm)),
  };
}

/** A control with the board that reads it, what that board’s chip runs at, and its converter. */
interface Read<S extends Sense> {
  readonly control: Control;
  readonly sense: S;
  readonly board: Board;
  readonly chip: RailRange;
  readonly converter: { readonly bits: number; readonly referenceV: number };
}

function senseLight(
  design: Pick<Design, 'items'>,
  owner: Control,
  { control, sense, board, chip, converter }: Read<Extract<Sense, { kind: 'light' }>>,
): Sensing {
  const ofOwner = kindOf(owner.kind).control?.sense?.(owner);
  const designed = designSensor({
    ...converter,
    darkOhm: sense.darkOhm,
    lightOhm: sense.lightOhm,
    span: spanOf(design, owner.id),
    supplyV: chip.nominalV,
    element: ofOwner?.kind === 'light' ? ofOwner.element : sense.element,
  });
  return {
    kind: 'light',
    control,
    sense,
    board,
    chip,
    referenceV: converter.referenceV,
    toldDarkAfterS: designed.toDarkS + LIGHT_SETTLE_MS / 1000,
    isLevel: owner !== control,
    design: designed,
  };
}

/** Whether a converter stands between a source and a rail of it. */
function isConverted(rails: Rails, rail: Rail): boolean {
  const from = rail.fromId === null ? undefined : rails.byId.get(rail.fromId);
  return rail.gives.form === 'converter' || (from !== undefined && isConverted(rails, from));
}

/** A chip without a regulator sinks with its pack all the way; behind one that does not lift, once its drop-out is reached. */
function steadyFromV(rails: Rails, { part, railId }: Board, pack: Rail): number {
  const rail = railId === null ? undefined : rails.byId.get(railId);
  const isFixed = part.converterReferenceV !== null || part.regulator?.lifts === true;
  if (isFixed || rail?.sourceId !== pack.id || isConverted(rails, rail)) return 0;
  return part.regulator === null ? Number.POSITIVE_INFINITY : part.logicV + part.regulator.dropOutV;
}

function senseCharge(
  rails: Rails,
  { control, sense, board, chip, converter }: Read<Extract<Sense, { kind: 'charge' }>>,
): Sensing | null {
  const packs = rails.list.filter((each) => each.gives.form === 'cells');
  const pack = sense.packId === null ? packs[0] : packs.find((each) => each.id === sense.packId);
  if (pack?.gives.form !== 'cells' || !pack.gives.model) return null;
  const { model } = pack.gives;
  const [fullV, emptyV] = [openCircuitVoltageV(model, 1), model.cutOffV];
  return {
    kind: 'charge',
    control,
    sense,
    board,
    chip,
    pack,
    fullV,
    emptyV,
    steadyFromV: steadyFromV(rails, board, pack),
    design: designPackSense({ ...converter, fullV, emptyV, lowV: sense.lowV }),
  };
}

function senseOf(
  design: Pick<Design, 'items'>,
  rails: Rails,
  boards: readonly Board[],
  control: Control,
): Sensing | null {
  const owner = controlsOf(design).find(({ id }) => id === pinOwnerOf(control)) ?? control;
  const board = boardOf(boards, owner.board);
  const rail = board?.railId == null ? null : (rails.byId.get(board.railId)?.range ?? null);
  const sense = kindOf(control.kind).control?.sense?.(control);
  if (!board || !rail || !sense) return null;
  const chip = rangeOfChip(board.part, rail);
  const referenceV = board.part.converterReferenceV ?? chip.nominalV;
  const read = { control, board, chip, converter: { bits: board.part.converterBits, referenceV } };
  switch (sense.kind) {
    case 'light':
      return senseLight(design, owner, { ...read, sense });
    case 'charge':
      return senseCharge(rails, { ...read, sense });
    case 'knob': {
      const { turnedTo } = sense;
      const own = designKnob({ ...read.converter, turnedTo, supplyV: chip.nominalV });
      return { kind: 'knob', control, sense, board, chip, design: own };
    }
  }
}

/** Designs what every sensor of a design is read with; a charge sense needs a pack as well as a controller. */
export const designSensing = (design: Pick<Design, 'items'>, rails: Rails, boards: readonly Board[]): Sensing[] =>
  controlsOf(design).flatMap((control) => senseOf(design, rails, boards, control) ?? []);

/** The thresholds as the engine wants them, by the id of the control. */
export const thresholdsById = (sensing: readonly Sensing[]): ReadonlyMap<string, ShowSensing> =>
  new Map(sensing.map((each) => [each.control.id, thresholdsOf(each)]));

function thresholdsOf(each: Sensing): ShowSensing {
  switch (each.kind) {
    case 'light':
      return {
        onBelow: each.design.darkBelow,
        offAbove: each.design.lightAbove,
        emptyCode: each.design.darkCode,
        fullCode: each.design.lightCode,
        settleMs: LIGHT_SETTLE_MS,
      };
    case 'knob':
      return {
        onBelow: each.design.downBelow,
        offAbove: each.design.upAbove,
        emptyCode: 0,
        fullCode: each.design.fullCode,
        settleMs: KNOB_SETTLE_MS,
      };
    case 'charge':
      return {
        onBelow: each.design.lowBelow,
        offAbove: each.design.wellAbove,
        emptyCode: each.design.emptyCode,
        fullCode: each.design.fullCode,
        settleMs: Math.round(each.sense.settleS * 1000),
      };
  }
}
