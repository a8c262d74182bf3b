import type { Assessment, MoodCeiling } from '../assess.ts';
import {
  baseResistor,
  type DrivenLeds,
  frameTime,
  leastHighLevel,
  resistorPower,
  seriesResistor,
} from '../drive/index.ts';
import { type PlacedTape, tapeLights } from '../lights/index.ts';
import {
  boostInput,
  ceilingSum,
  describeEnd,
  efficiencyAt,
  fuseBand,
  type LoadedLink,
  plainRunTime,
  printCeiling,
} from '../power/index.ts';
import { printQuantity, printSum, type Sum } from '../units/index.ts';
import { cutLength, type WireRun, wireDrop, wireOhmPerMetre } from '../wires/index.ts';

/** How a figure came about: its parts added up, the sums with their numbers, and where the doubt comes from. */
export interface Explanation {
  readonly title: string;
  readonly answer: string;
  readonly lead: string;
  readonly lines: readonly { readonly label: string; readonly value: string }[];
  readonly sums: readonly Sum[];
  readonly doubt: string | null;
}

/** The figures of the reckoning bar. */
export const barFigures = ['peak', 'usual', 'runs', 'weakest', 'ceiling'] as const;
export type BarFigure = (typeof barFigures)[number];

const amps = (value: number): string => printQuantity('currentA', value);
const percent = (value: number): string => printQuantity('fraction', value);
const hours = (value: number): string => printQuantity('timeH', value);

const undecided = (title: string, needs: string): Explanation => ({
  title,
  answer: 'not decided',
  lead: `This can’t be decided yet: it needs ${needs}.`,
  lines: [],
  sums: [],
  doubt: null,
});

/** A difference that rounding would hide. */
const LEAST_SHOWN_A = 0.0005;

function explainPeak(assessment: Assessment): Explanation {
  const most = assessment.moods.reduce<Assessment['moods'][number] | undefined>(
    (best, mood) => (!best || mood.peakA > best.peakA ? mood : best),
    undefined,
  );
  const lines = most
    ? assessment.consumers.map((consumer) => ({
        label: consumer.name,
        value: amps(most.groups.find((group) => group.groupId === consumer.id)?.peakA ?? consumer.restA),
      }))
    : assessment.consumers.map((consumer) => ({ label: consumer.name, value: amps(consumer.restA + consumer.fullA) }));
  const apartA = most
    ? assessment.consumers.reduce(
        (sum, consumer) => sum + (most.groups.find((group) => group.groupId === consumer.id)?.peakA ?? consumer.restA),
        -most.peakA,
      )
    : 0;
  const sign = assessment.signs.reduce<Assessment['signs'][number] | undefined>(
    (best, each) => (!best || each.peakA > best.peakA ? each : best),
    undefined,
  );
  const further = [
    ...(apartA > LEAST_SHOWN_A ? [{ label: 'Never reached together', value: amps(-apartA) }] : []),
    ...(most && sign ? [{ label: `The sign ${sign.name}, over it`, value: amps(sign.peakA) }] : []),
  ];
  const { supply } = assessment;
  const converter = supply?.parts.converter;
  const inputSum =
    supply && converter && converter.topology !== 'linear' && !supply.atPeak.collapses
      ? [
          printSum(boostInput, {
            Vo: converter.outputV,
            Io: assessment.peakA,
            n: efficiencyAt(converter, assessment.peakA, supply.atPeak.packV),
            Vi: supply.atPeak.packV,
          }),
        ]
      : [];
  return {
    title: 'Peak draw',
    answer: amps(assessment.peakA),
    lead: most
      ? `On the rail, when every light group of ${most.name} is at its height at once, at ${percent(most.brightness)} brightness. With all pixels white at full it would be ${amps(assessment.allWhiteA)}.`
      : 'On the rail with every light at full, as there is no mood yet.',
    lines: [...lines, ...further],
    sums: inputSum,
    doubt: supply
      ? supply.atPeak.collapses
        ? 'Near its end the pack can’t give this: the voltage collapses.'
        : `With a tenth of the charge left the pack gives ${amps(supply.atPeak.packA)} at ${printQuantity('voltageV', supply.atPeak.packV)} for it.`
      : null,
  };
}

function explainUsual(assessment: Assessment): Explanation {
  if (assessment.course.length === 0) return undecided('Usual draw', 'a mood');
  const minutes = assessment.course.reduce((sum, stretch) => sum + stretch.minutes, 0);
  return {
    title: 'Usual draw',
    answer: amps(assessment.usualA),
    lead: 'The mean on the rail over the course of the evening, with the cues that come in it. It decides how long the pack lasts; the peak decides whether it resets.',
    lines: assessment.course.map((stretch) => ({
      label: `${assessment.moods.find((mood) => mood.moodId === stretch.moodId)?.name ?? stretch.moodId}, ${percent(stretch.minutes / minutes)} of the time`,
      value: amps(stretch.meanA),
    })),
    sums: [],
    doubt: 'Taken from the frames that the engine really shows, not from full brightness.',
  };
}

function explainRuns(assessment: Assessment): Explanation {
  const { supply } = assessment;
  const runs = supply?.runsFor;
  if (!supply || !runs) return undecided('Runs for', supply ? 'a mood' : 'a pack');
  const meanA = runs.drawnMah / 1000 / Math.max(1e-9, runs.likelyH);
  return {
    title: 'Runs for',
    answer: `${hours(runs.cautiousH)} to ${hours(runs.likelyH)}`,
    lead: `The pack is run down step by step under the evening’s course. It ends because ${describeEnd(runs.end)}. The first figure is the cautious one: plan with it.`,
    lines: [
      { label: 'likely', value: hours(runs.likelyH) },
      { label: 'with caution', value: hours(runs.cautiousH) },
      { label: 'lost if the capacity is at its low end', value: hours(runs.losses.capacity) },
      { label: 'lost if the resistance is at its high end', value: hours(runs.losses.resistance) },
      { label: 'lost if the lights draw more', value: hours(runs.losses['light current']) },
      {
        label: 'left in the pack when it ends',
        value: `${printQuantity('capacityMah', Math.max(0, supply.path.pack.capacityMah - runs.drawnMah))}`,
      },
    ],
    sums: [printSum(plainRunTime, { C: supply.path.pack.capacityMah, I: meanA })],
    doubt: `Mostly from the ${runs.chiefCause}. The plain sum is longer: it lets the pack be emptied to the last, whatever its voltage.`,
  };
}

/** The weakest link in words; one that collapses has no share. */
export function describeWeakest(link: LoadedLink): string {
  return `${link.name}: ${Number.isFinite(link.fill) ? `${percent(link.fill)} of its limit` : 'collapses under the peak'}`;
}

function explainWeakest(assessment: Assessment): Explanation {
  const { supply } = assessment;
  if (!supply?.weakest) return undecided('Weakest link', 'a pack');
  return {
    title: 'Weakest link',
    answer: describeWeakest(supply.weakest),
    lead: 'What each link from cell to light carries at the height of the most hungry mood, with a tenth of the charge left, against what it may carry.',
    lines: supply.links.map((link) => ({
      label: link.name,
      value: Number.isFinite(link.loadA)
        ? `${amps(link.loadA)} of ${amps(link.limitA)}`
        : `collapses; good for ${amps(link.limitA)}`,
    })),
    sums: Number.isFinite(supply.atPeak.packA) ? [printSum(fuseBand, { I: supply.atPeak.packA })] : [],
    doubt: null,
  };
}

/** The ceiling of one mood with its sum at the link that limits it. */
export function explainCeiling(assessment: Assessment, ceiling: MoodCeiling): Explanation {
  const mood = assessment.moods.find((each) => each.moodId === ceiling.moodId);
  const link = assessment.supply?.links.find(
    (each) => each.id === ceiling.linkId && each.carries === 'rail' && each.share === 1,
  );
  return {
    title: `Brightness ceiling of ${ceiling.name}`,
    answer: printCeiling(ceiling.brightness),
    lead: ceiling.limitedBy ? `Above it ${ceiling.limitedBy}.` : 'Nothing gives way even at full brightness.',
    lines: [
      { label: 'set to', value: percent(ceiling.setTo) },
      { label: 'with a full pack', value: printCeiling(ceiling.fresh) },
      { label: 'over the whole discharge', value: printCeiling(ceiling.brightness) },
    ],
    sums:
      link && mood ? [printSum(ceilingSum, { Im: link.limitA, I0: mood.draw.restA, I1: mood.draw.dynamicPeakA })] : [],
    doubt: 'White is three dice: another colour has another ceiling.',
  };
}

function explainLowestCeiling(assessment: Assessment): Explanation {
  const ceilings = assessment.supply?.ceilings ?? [];
  const lowest = ceilings.reduce<MoodCeiling | undefined>(
    (least, each) => (!least || each.brightness < least.brightness ? each : least),
    undefined,
  );
  if (!lowest) return undecided('Brightness ceiling', assessment.supply ? 'a mood' : 'a pack');
  const own = explainCeiling(assessment, lowest);
  return {
    ...own,
    title: 'Brightness ceiling',
    lead: `The lowest of all moods is that of ${lowest.name}. ${own.lead}`,
    lines: ceilings.map((ceiling) => ({
      label: ceiling.name,
      value: `${printCeiling(ceiling.brightness)}, set to ${percent(ceiling.setTo)}`,
    })),
  };
}

const explainers: Readonly<Record<BarFigure, (assessment: Assessment) => Explanation>> = {
  peak: explainPeak,
  usual: explainUsual,
  runs: explainRuns,
  weakest: explainWeakest,
  ceiling: explainLowestCeiling,
};

/** How one figure of the bar came about, with the numbers put in. */
export const explainFigure = (assessment: Assessment, figure: BarFigure): Explanation => explainers[figure](assessment);

/** How a group's resistor and switch came about. */
export function explainDrive(leds: DrivenLeds): Explanation {
  const { resistor, feed } = leds;
  const values = {
    Vs: feed.nominalV,
    Vd: feed.nominalV - leds.forwardV.likely - resistor.headRoomV,
    Vf: leds.forwardV.likely,
  };
  const wanted = resistor.headRoomV / resistor.exactOhm;
  const base =
    leds.by.kind === 'transistor' && leds.by.part.type === 'bipolar'
      ? [
          printSum(baseResistor, {
            Vp: leds.by.pinA * leds.by.gateOhm + leds.by.part.gateV,
            Vbe: leds.by.part.gateV,
            g: 10,
            Ic: leds.channelA,
          }),
        ]
      : [];
  return {
    title: `Resistor of ${leds.name}`,
    answer: printQuantity('resistanceOhm', resistor.resistorOhm),
    lead: resistor.overruled
      ? 'Your own value, reckoned as it stands.'
      : 'The next standard value (E12) at or above the exact one, so that the brightest corner keeps within the light’s rating.',
    lines: [
      { label: 'likely current', value: amps(resistor.currentA) },
      { label: 'brightest corner', value: amps(resistor.brightestA) },
      { label: 'dimmest corner', value: amps(resistor.dimmestA) },
      ...resistor.neighbours.map((each) => ({
        label: `with ${printQuantity('resistanceOhm', each.resistorOhm)} instead`,
        value: amps(each.currentA),
      })),
    ],
    sums: [
      printSum(seriesResistor, { ...values, I: wanted }),
      printSum(resistorPower, { I: resistor.brightestA, R: resistor.resistorOhm }),
      ...base,
    ],
    doubt: `Forward voltage ${printQuantity('voltageV', leds.forwardV.likely)} ± ${printQuantity('voltageV', leds.forwardV.spread)} (${leds.forwardV.origin}), resistor ± 5 %, supply ${printQuantity('voltageV', feed.leastV)} to ${printQuantity('voltageV', feed.mostV)}. The likely current is solved on the light’s curve, not with a constant drop.`,
  };
}

/** How a tape's count came about. */
export function explainTape(tape: PlacedTape): Explanation {
  const { cut, part } = tape;
  const mm = (value: number): string => printQuantity('lengthMm', value);
  return {
    title: `Lights of ${tape.name}`,
    answer: String(cut.lights),
    lead: `Tape is cut only at its marks, every ${mm((1000 / part.perMetre) * part.lightsPerJoint)}.`,
    lines: [
      { label: 'lit length', value: mm(cut.litLengthMm) },
      { label: 'gap left at the end', value: mm(cut.gapMm) },
      { label: `one cut shorter: ${cut.shorter.lights} lights`, value: mm(cut.shorter.lengthMm) },
      {
        label: `one cut longer: ${cut.longer.lights} lights`,
        value: `${mm(cut.longer.lengthMm)}, ${mm(cut.longer.overMm)} too long`,
      },
    ],
    sums: [printSum(tapeLights, { L: tape.routeMm, d: part.perMetre, j: part.lightsPerJoint })],
    doubt: 'The pitch of a reel is good to about half a per cent: lay the reel on the route before you cut.',
  };
}

/** How a run of wire came about. */
export function explainRun(run: WireRun, distanceOnPictureMm: number): Explanation {
  return {
    title: run.name,
    answer: `${printQuantity('lengthMm', run.lengthMm)} of ${run.gaugeAwg} gauge`,
    lead: run.lengthOverruled ? 'The length is your own.' : 'The length follows from the picture, with slack.',
    lines: [
      { label: 'carries in a bundle', value: amps(run.carriesA) },
      ...(run.peakA === null ? [] : [{ label: 'flows at peak', value: amps(run.peakA) }]),
    ],
    sums: [
      ...(run.lengthOverruled ? [] : [printSum(cutLength, { d: distanceOnPictureMm })]),
      ...(run.peakA === null
        ? []
        : [printSum(wireDrop, { I: run.peakA, L: run.lengthMm, r: wireOhmPerMetre(run.gaugeAwg) })]),
    ],
    doubt: null,
  };
}

/** Data timing and level of the pixels. */
export function explainData(assessment: Assessment): Explanation | null {
  const first = assessment.dataLines[0];
  if (!first) return null;
  return {
    title: 'Pixel data',
    answer: `${printQuantity('count', Math.floor(first.line.framesPerS))} frames a second at most`,
    lead: 'While a frame is sent the controller does nothing else.',
    lines: [
      { label: 'pixels on the line', value: String(first.line.pixels) },
      {
        label: 'memory',
        value: `${first.line.memoryBytes} bytes${assessment.controller ? ` of ${assessment.controller.memoryBytes}` : ''}`,
      },
    ],
    sums: [
      printSum(frameTime, { N: first.line.pixels, b: 24, tb: 1.25e-6, tl: 300e-6 }),
      printSum(leastHighLevel, { Vp: assessment.rail.nominalV }),
    ],
    doubt: null,
  };
}
