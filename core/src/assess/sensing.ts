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

/** Designs what every sensor of a design is read with; a charge sense needs a pack as well as a controller. */
export function designSensing(design: Pick<Design, 'items'>, rails: Rails, boards: readonly Board[]): Sensing[] {
  return controlsOf(design).flatMap((control): Sensing[] => {
    const facet = kindOf(control.kind).control;
    const ownerId = pinOwnerOf(control);
    const owner = controlsOf(design).find(({ id }) => id === ownerId) ?? control;
    const board = boardOf(boards, owner.board);
    const rail = board?.railId == null ? null : (rails.byId.get(board.railId)?.range ?? null);
    if (!board || !rail) return [];
    const chip = rangeOfChip(board.part, rail);
    const referenceV = board.part.converterReferenceV ?? chip.nominalV;
    const common = { bits: board.part.converterBits, referenceV };
    const sense = facet?.sense?.(control);
    if (sense?.kind === 'knob')
      return [
        {
          kind: 'knob',
          control,
          sense,
          board,
          chip,
          design: designKnob({ ...common, turnedTo: sense.turnedTo, supplyV: chip.nominalV }),
        },
      ];
    if (sense?.kind === 'light') {
      const ownerSense = kindOf(owner.kind).control?.sense?.(owner);
      const element = ownerSense?.kind === 'light' ? ownerSense.element : sense.element;
      return [
        {
          kind: 'light',
          control,
          sense,
          board,
          chip,
          referenceV,
          isLevel: owner !== control,
          design: designSensor({
            ...common,
            darkOhm: sense.darkOhm,
            lightOhm: sense.lightOhm,
            span: spanOf(design, ownerId),
            supplyV: chip.nominalV,
            element,
          }),
        },
      ];
    }
    if (sense?.kind !== 'charge') return [];
    const packs = rails.list.filter((each) => each.gives.form === 'cells');
    const pack = sense.packId === null ? packs[0] : packs.find((each) => each.id === sense.packId);
    if (pack?.gives.form !== 'cells' || !pack.gives.model) return [];
    const { model } = pack.gives;
    const [fullV, emptyV] = [openCircuitVoltageV(model, 1), model.cutOffV];
    return [
      {
        kind: 'charge',
        control,
        sense,
        board,
        chip,
        pack,
        fullV,
        emptyV,
        design: designPackSense({
          ...common,
          fullV,
          emptyV,
          lowV: sense.lowV,
        }),
      },
    ];
  });
}

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
