import type { Assessment, Sensing } from '../assess.ts';
import { type Control, designLightGate, kindOf, rangeOfChip } from '../items/index.ts';
import { boardOf } from '../network/index.ts';
import { findPart } from '../parts/index.ts';
import { controlsOf, type Design, pinOwnerOf } from '../plan/index.ts';
import { lux, ohms, percent, say, volts } from '../units/index.ts';
import { type Expectation, expectBetween } from './expectation.ts';
import { type BenchStep, step } from './step.ts';

/** What a chip takes for low and for high at any supply, as shares of it. */
const LOW_SHARE = 0.2;
const HIGH_SHARE = 0.6;

/** The input of a usual meter. */
const METER_OHM = 10e6;

const PIN_PROBE = 'Direct volts from its pin to minus.';

/** What every control gives its board, at rest and worked. */
export const controlSteps = (design: Design, assessment: Assessment): BenchStep[] =>
  controlsOf(design).flatMap((control) => {
    const sensing = assessment.sensing.find((each) => each.control.id === control.id);
    if (sensing?.kind === 'light')
      return lightSteps(
        sensing,
        sensing.isLevel || controlsOf(design).some((each) => each !== control && pinOwnerOf(each) === control.id),
      );
    if (sensing?.kind === 'charge') return [chargeStep(sensing)];
    if (sensing?.kind === 'knob') return [knobStep(sensing)];
    return kindOf(control.kind).control?.pin === 'in' ? contactSteps(control, assessment) : [];
  });

/** A contact is closed to minus; let go, the chip's own pull-up holds its pin at the chip's supply. */
function contactSteps(control: Control, { boards, rails }: Assessment): BenchStep[] {
  const board = boardOf(boards, control.board);
  const rail = board?.railId == null ? null : rails.byId.get(board.railId)?.range;
  if (!board || !rail) return [];
  const { nominalV } = rangeOfChip(board.part, rail);
  const goesHigh = kindOf(control.kind).control?.closedLevel === 'high';
  return [
    step({
      id: `contact:${control.id}`,
      chapter: 'First power',
      title: `${control.name}, worked`,
      todo: say`The program in. At rest its pin stands near ${volts(goesHigh ? 0 : nominalV)}; work it, keep it worked, and read again.`,
      probe: PIN_PROBE,
      expect: goesHigh
        ? expectBetween('voltageV', nominalV * HIGH_SHARE, nominalV, nominalV)
        : expectBetween('voltageV', 0, nominalV * LOW_SHARE, 0),
    }),
  ];
}

/** What a light sensor gives, covered and lit; where several levels read it, in the light of each. */
function lightSteps(
  { control, sense, chip, board, referenceV, design }: Extract<Sensing, { kind: 'light' }>,
  isOneOfSeveral: boolean,
): BenchStep[] {
  const inVolts = (code: number): number => (code / 2 ** board.part.converterBits) * referenceV;
  return [
    step({
      id: `sensor-dark:${control.id}`,
      chapter: 'First power',
      title: isOneOfSeveral ? `${control.name}, at its dark` : `${control.name}, covered`,
      todo: isOneOfSeveral
        ? say`Bring the sensor into the light in which you measured ${ohms(sense.darkOhm)}, all lights dark.`
        : 'Cover the sensor with a hand, all lights dark.',
      probe: PIN_PROBE,
      expect: expectBetween(
        'voltageV',
        inVolts(design.darkCode) * 0.6,
        inVolts(design.darkBelow),
        inVolts(design.darkCode),
      ),
    }),
    step({
      id: `sensor-light:${control.id}`,
      chapter: 'First power',
      title: `${control.name}, in light`,
      todo: isOneOfSeveral
        ? say`Bring the sensor into the light in which you measured ${ohms(sense.lightOhm)}.`
        : 'Hold a lamp to it as bright as where it should stay off.',
      probe: PIN_PROBE,
      expect: expectBetween('voltageV', inVolts(design.lightAbove), chip.nominalV, inVolts(design.lightCode)),
    }),
  ];
}

/** A knob in the middle of its turn. */
const knobStep = ({ control, sense, chip }: Extract<Sensing, { kind: 'knob' }>): BenchStep =>
  step({
    id: `knob:${control.id}`,
    chapter: 'First power',
    title: `${control.name}, turned half way`,
    todo: say`Turn it from end to end: its pin goes from 0 to ${volts(chip.nominalV)}${sense.dims ? ', and the lights from dark to full' : ''}. Leave it in the middle.`,
    probe: PIN_PROBE,
    expect: expectBetween('voltageV', chip.nominalV * 0.4, chip.nominalV * 0.6),
  });

/** What the divider of a charge sense gives, from a spent pack to a full one. */
function chargeStep({ control, board, pack, emptyV, fullV, design }: Extract<Sensing, { kind: 'charge' }>): BenchStep {
  const share = design.lowerOhm / (design.upperOhm + design.lowerOhm);
  return step({
    id: `sensor-charge:${control.id}`,
    chapter: 'First power',
    title: `${control.name} of ${pack.name}`,
    todo: say`Measure the pack too: its pin stands at ${percent(share)} of it, and never above ${volts(board.part.converterReferenceV ?? board.part.logicV)}.`,
    probe: PIN_PROBE,
    expect: expectBetween('voltageV', emptyV * share, fullV * share),
  });
}

/** What is likely stands in its band, which a gate that does not serve lies beside: a finding tells of it. */
const around = (low: number, high: number, likely: number): Expectation =>
  expectBetween('voltageV', low, high, Math.min(high, Math.max(low, likely)));

/** The gates that light by themselves, at the two levels of light that they are made for. */
export const gateSteps = (design: Design, { rails, library }: Assessment): BenchStep[] =>
  design.items.flatMap((item): BenchStep[] => {
    if (!('pullUpOhm' in item)) return [];
    const range = rails.byId.get(rails.feedOf(item) ?? '')?.range;
    const part = findPart(library, 'transistor', item.part);
    if (!range || !part) return [];
    const at = (supplyV: number, level: number): number =>
      designLightGate({
        supplyV,
        pullUpOhm: item.pullUpOhm,
        ampsPerLux: item.microampsPerLux * 1e-6,
        thresholdV: part.thresholdV,
        fullOnV: part.gateV,
      }).at(level).gateV;
    // The meter hangs on the pull-up as well.
    const seen = METER_OHM / (METER_OHM + item.pullUpOhm);
    const probe = 'Direct volts from the gate of its transistor to minus.';
    return [
      step({
        id: `gate-dark:${item.id}`,
        chapter: 'Lights',
        title: `${item.name}, in the dark`,
        todo: say`Shade the sensor to ${lux(item.darkLux)}: what hangs on it is lit.`,
        probe,
        expect: around(Math.min(part.gateV, range.mostV) * seen, range.mostV, at(range.nominalV, item.darkLux) * seen),
      }),
      step({
        id: `gate-light:${item.id}`,
        chapter: 'Lights',
        title: `${item.name}, in light`,
        todo: say`Light the sensor with ${lux(item.brightLux)}: what hangs on it is dark.`,
        probe,
        expect: around(0, part.thresholdV, at(range.nominalV, item.brightLux) * seen),
      }),
    ];
  });
