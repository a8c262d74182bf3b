import type { Assessment, MoodCeiling } from '../assess.ts';
import { frameTime, leastHighLevel, resistorPower, seriesResistor } from '../drive/index.ts';
import {
  boostInput,
  efficiencyAt,
  isLinear,
  type PlacedPlain,
  type PlacedTape,
  regulatedChip,
  tapeLights,
} from '../items/index.ts';
import { baseResistor, cutLength, type Driven, type WireRun } from '../network/index.ts';
import { ceilingSum, describeEnd, fuseBand, type LoadedLink, plainRunTime, sayCeiling } from '../power/index.ts';
import {
  amps,
  fillSum,
  gauge,
  hours,
  type Message,
  milliampHours,
  mm,
  ohms,
  percent,
  quantity,
  type Sum,
  say,
  volts,
} from '../units/index.ts';
import { wireDrop, wireOhmPerMetre } from '../wires/index.ts';

/** How a figure came about: its parts added up, the sums with their numbers, and where the doubt comes from. */
export interface Explanation {
  readonly title: string;
  readonly answer: Message;
  readonly lead: Message;
  readonly lines: readonly { readonly label: Message; readonly value: Message }[];
  readonly sums: readonly Sum[];
  readonly doubt: Message | null;
}

/** The figures of the reckoning bar. */
export const barFigures = ['peak', 'usual', 'runs', 'weakest', 'ceiling'] as const;
export type BarFigure = (typeof barFigures)[number];

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

/** What the converter behind the main rail takes in for the height. */
function inputSums({ supply }: Assessment): Sum[] {
  if (!supply || supply.atPeak.collapses) return [];
  return supply.tree.nodes.flatMap((node, i) => {
    const state = supply.atPeak.nodes[i];
    if (!node.converter || isLinear(node.converter) || !state || state.outA <= 0) return [];
    const n = efficiencyAt(node.converter, state.outA, state.inV);
    return [fillSum(boostInput, { Vo: state.outV, Io: state.outA, n, Vi: state.inV })];
  });
}

const undecidedFor = (
  assessment: Assessment,
  title: string,
  kinds: readonly ('current' | 'time')[],
): Explanation | null => {
  const needs = assessment.needs.filter((need) => kinds.includes(need.for));
  return needs.length === 0 ? null : undecided(title, needs.map((need) => need.words).join(', '));
};

function explainPeak(assessment: Assessment): Explanation {
  const open = undecidedFor(assessment, 'Peak draw', ['current']);
  if (open) return open;
  const most = assessment.moods.reduce<Assessment['moods'][number] | undefined>(
    (best, mood) => (!best || mood.peakA > best.peakA ? mood : best),
    undefined,
  );
  const baseOf = (consumer: Assessment['consumers'][number]): number => consumer.restA + consumer.steadyPeakA;
  const lines = assessment.consumers.map((consumer) => ({
    label: consumer.name,
    value: amps(
      most
        ? (most.groups.find((group) => group.groupId === consumer.id)?.peakA ?? baseOf(consumer))
        : baseOf(consumer) + consumer.fullA,
    ),
  }));
  const apartA = most
    ? assessment.consumers.reduce(
        (sum, consumer) =>
          sum + (most.groups.find((group) => group.groupId === consumer.id)?.peakA ?? baseOf(consumer)),
        -most.peakA,
      )
    : 0;
  const over = assessment.moods
    .flatMap((mood) => mood.underSigns.map((sign) => ({ mood, sign })))
    .reduce<{ mood: Assessment['moods'][number]; sign: Assessment['moods'][number]['underSigns'][number] } | null>(
      (best, each) => (!best || each.sign.peakA > best.sign.peakA ? each : best),
      null,
    );
  const further = [
    ...(apartA > LEAST_SHOWN_A ? [{ label: 'Never reached together', value: amps(-apartA) }] : []),
    ...(most && over && over.sign.peakA > most.peakA + LEAST_SHOWN_A
      ? [
          {
            label: `The sign ${over.sign.name} in the place of what it covers in ${over.mood.name}`,
            value: amps(over.sign.peakA),
          },
        ]
      : []),
  ];
  const { supply } = assessment;
  return {
    title: 'Peak draw',
    answer: amps(assessment.peakA),
    lead: most
      ? say`On the rails, when every light group of ${most.name} is at its height at once, at ${percent(most.brightness)} brightness. With all lights at full it would be ${amps(assessment.allWhiteA)}.`
      : 'On the rails with every light at full, as there is no mood yet.',
    lines: [...lines, ...further],
    sums: inputSums(assessment),
    doubt: supply
      ? supply.atPeak.collapses
        ? 'Near its end the pack can’t give this: the voltage collapses.'
        : say`Near its end the pack gives ${amps(supply.atPeak.packA)} at ${volts(supply.atPeak.packV)} for it.`
      : null,
  };
}

function explainUsual(assessment: Assessment): Explanation {
  const open = undecidedFor(assessment, 'Usual draw', ['current']);
  if (open) return open;
  if (assessment.course.length === 0) return undecided('Usual draw', 'a mood');
  const minutes = assessment.course.reduce((sum, stretch) => sum + stretch.minutes, 0);
  return {
    title: 'Usual draw',
    answer: amps(assessment.usualA),
    lead: 'The mean on the rail over the course of the evening, with the cues that come in it. It decides how long the pack lasts; the peak decides whether it resets.',
    lines: assessment.course.map((stretch) => ({
      label: say`${assessment.moods.find((mood) => mood.moodId === stretch.moodId)?.name ?? 'lit'}, ${percent(stretch.minutes / minutes)} of the time`,
      value: amps(stretch.meanA),
    })),
    sums: [],
    doubt: 'Taken from the frames that the engine really shows, not from full brightness.',
  };
}

function explainRuns(assessment: Assessment): Explanation {
  const open = undecidedFor(assessment, 'Runs for', ['current', 'time']);
  if (open) return open;
  const runs = assessment.runsFor;
  const supply = assessment.supplies.find((each) => each.runsFor === runs);
  if (!supply || !runs || supply.tree.source.kind !== 'pack')
    return {
      title: 'Runs for',
      answer: 'as long as its supply',
      lead: 'It hangs on an outside supply: it goes on for as long as that does.',
      lines: [],
      sums: [],
      doubt: null,
    };
  const meanA = runs.drawnMah / 1000 / Math.max(1e-9, runs.likelyH);
  const { pack } = supply.tree.source;
  return {
    title: 'Runs for',
    answer: say`${hours(runs.cautiousH)} to ${hours(runs.likelyH)}`,
    lead: `${supply.rail.name} is run down step by step under the evening’s course. It ends because ${describeEnd(runs.end)}. The first figure is the cautious one: plan with it.`,
    lines: [
      { label: 'likely', value: hours(runs.likelyH) },
      { label: 'with caution', value: hours(runs.cautiousH) },
      { label: 'lost if the capacity is at its low end', value: hours(runs.losses.capacity) },
      { label: 'lost if the resistance is at its high end', value: hours(runs.losses.resistance) },
      { label: 'lost if the lights draw more', value: hours(runs.losses['light current']) },
      {
        label: 'left in the pack when it ends',
        value: milliampHours(Math.max(0, pack.capacityMah - runs.drawnMah)),
      },
      ...assessment.supplies
        .filter((each) => each !== supply && each.runsFor)
        .map((each) => ({ label: `${each.rail.name}, with caution`, value: hours(each.runsFor?.cautiousH ?? 0) })),
    ],
    sums: [fillSum(plainRunTime, { C: pack.capacityMah, I: meanA })],
    doubt: `Mostly from the ${runs.chiefCause}. The plain sum is longer: it lets the pack be emptied to the last, whatever its voltage.`,
  };
}

/** The weakest link in words; one that collapses has no share. */
export function describeWeakest(link: LoadedLink): Message {
  return say`${link.name}: ${Number.isFinite(link.fill) ? say`${percent(link.fill)} of its limit` : 'collapses under the peak'}`;
}

function explainWeakest(assessment: Assessment): Explanation {
  const open = undecidedFor(assessment, 'Weakest link', ['current']);
  if (open) return open;
  const { weakest, supplies } = assessment;
  if (!weakest) return undecided('Weakest link', 'a pack');
  const [first] = supplies;
  return {
    title: 'Weakest link',
    answer: describeWeakest(weakest),
    lead: 'What each link from cell to light carries at the height of the most hungry mood, with the pack near its end, against what it may carry.',
    lines: supplies.flatMap((supply) =>
      supply.links.map((link) => ({
        label: link.name,
        value: Number.isFinite(link.loadA)
          ? say`${amps(link.loadA)} of ${amps(link.limitA)}`
          : say`collapses; good for ${amps(link.limitA)}`,
      })),
    ),
    sums: first && Number.isFinite(first.mostA) ? [fillSum(fuseBand, { I: first.mostA })] : [],
    doubt: null,
  };
}

/** The ceiling of one mood with its sum at the link that limits it. */
export function explainCeiling(assessment: Assessment, ceiling: MoodCeiling): Explanation {
  const mood = assessment.moods.find((each) => each.moodId === ceiling.moodId);
  const link = assessment.supply?.links.find(
    (each) => each.id === ceiling.linkId && each.id === 'converter output' && each.share === 1,
  );
  return {
    title: `Brightness ceiling of ${ceiling.name}`,
    answer: sayCeiling(ceiling.brightness),
    lead: ceiling.limitedBy ? say`Above it ${ceiling.limitedBy}.` : 'Nothing gives way even at full brightness.',
    lines: [
      { label: 'set to', value: percent(ceiling.setTo) },
      { label: 'with a full pack', value: sayCeiling(ceiling.fresh) },
      { label: 'over the whole discharge', value: sayCeiling(ceiling.brightness) },
    ],
    sums:
      link && mood ? [fillSum(ceilingSum, { Im: link.limitA, I0: mood.draw.restA, I1: mood.draw.dynamicPeakA })] : [],
    doubt: 'White is three dice: another colour has another ceiling.',
  };
}

function explainLowestCeiling(assessment: Assessment): Explanation {
  const open = undecidedFor(assessment, 'Brightness ceiling', ['current']);
  if (open) return open;
  const { ceilings } = assessment;
  const lowest = ceilings.reduce<MoodCeiling | undefined>(
    (least, each) => (!least || each.brightness < least.brightness ? each : least),
    undefined,
  );
  if (!lowest) return undecided('Brightness ceiling', assessment.supply ? 'a mood' : 'a pack');
  const own = explainCeiling(assessment, lowest);
  return {
    ...own,
    title: 'Brightness ceiling',
    lead: say`The lowest of all moods is that of ${lowest.name}. ${own.lead}`,
    lines: ceilings.map((ceiling) => ({
      label: ceiling.name,
      value: say`${sayCeiling(ceiling.brightness)}, set to ${percent(ceiling.setTo)}`,
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
export function explainDrive(driven: Driven): Explanation {
  const { resistor, feed, board, transistor, corners } = driven;
  const chip =
    driven.way.throughPin === 'given' && board?.part.regulator && !board.part.regulator.lifts
      ? [
          fillSum(regulatedChip, {
            Vr: feed.nominalV + board.part.regulator.dropOutV,
            Vd: board.part.regulator.dropOutV,
            Vn: board.part.logicV,
          }),
        ]
      : [];
  const base =
    transistor && transistor.part.type === 'bipolar'
      ? [
          fillSum(baseResistor, {
            Vp: transistor.pinA * transistor.gateOhm + transistor.part.gateV,
            Vbe: transistor.part.gateV,
            g: 10,
            Ic: driven.channelA,
          }),
        ]
      : [];
  const currents = [
    { label: 'likely current', value: amps(corners.currentA) },
    { label: 'brightest corner', value: amps(corners.brightestA) },
    { label: 'dimmest corner', value: amps(corners.dimmestA) },
  ];
  const doubt = say`Forward voltage ${volts(driven.forwardV.likely)} ± ${volts(driven.forwardV.spread)} (${driven.forwardV.origin}), ${resistor ? 'resistor ± 5 %, ' : ''}${driven.way.throughPin === 'given' ? 'the pin' : 'supply'} ${volts(feed.leastV)} to ${volts(feed.mostV)}. The likely current is solved on the light’s curve, not with a constant drop.`;
  if (!resistor)
    return {
      title: `Current of ${driven.name}`,
      answer: amps(corners.currentA),
      lead: `Switched by ${driven.way.words}; its current is held without a resistor of yours.`,
      lines: currents,
      sums: base,
      doubt,
    };
  return {
    title: `Resistor of ${driven.name}`,
    answer: ohms(resistor.resistorOhm),
    lead: `${
      resistor.overruled
        ? 'Your own value, reckoned as it stands.'
        : 'The next standard value (E12) at or above the exact one, so that the brightest corner keeps within the light’s rating.'
    } Switched by ${driven.way.words}.`,
    lines: [
      ...currents,
      ...resistor.neighbours.map((each) => ({
        label: say`with ${ohms(each.resistorOhm)} instead`,
        value: amps(each.currentA),
      })),
    ],
    sums: [
      ...chip,
      fillSum(seriesResistor, {
        Vs: feed.nominalV,
        Vd: feed.nominalV - driven.forwardV.likely - resistor.headRoomV,
        Vf: driven.forwardV.likely,
        I: resistor.headRoomV / resistor.exactOhm,
      }),
      fillSum(resistorPower, { I: resistor.brightestA, R: resistor.resistorOhm }),
      ...base,
    ],
    doubt,
  };
}

/** How a tape's count came about. */
export function explainTape(tape: PlacedTape | PlacedPlain): Explanation {
  const { cut, part } = tape;
  return {
    title: `Lights of ${tape.name}`,
    answer: String(cut.lights),
    lead: say`Tape is cut only at its marks, every ${mm((1000 / part.perMetre) * part.lightsPerJoint)}.`,
    lines: [
      { label: 'lit length', value: mm(cut.litLengthMm) },
      { label: 'gap left at the end', value: mm(cut.gapMm) },
      { label: `one cut shorter: ${cut.shorter.lights} lights`, value: mm(cut.shorter.lengthMm) },
      {
        label: `one cut longer: ${cut.longer.lights} lights`,
        value: say`${mm(cut.longer.lengthMm)}, ${mm(cut.longer.overMm)} too long`,
      },
    ],
    sums: [fillSum(tapeLights, { L: tape.routeMm, d: part.perMetre, j: part.lightsPerJoint })],
    doubt: 'The pitch of a reel is good to about half a per cent: lay the reel on the route before you cut.',
  };
}

/** How a run of wire came about. */
export function explainRun(run: WireRun, distanceOnPictureMm: number | null): Explanation {
  return {
    title: run.name,
    answer: say`${run.lengthMm === null ? 'no length yet,' : mm(run.lengthMm)} of ${gauge(run.gaugeAwg)}`,
    lead: run.lengthOverruled
      ? 'The length is your own.'
      : run.lengthMm === null
        ? 'One of its ends has no place yet: lay it on the picture.'
        : 'The length follows from the picture, with slack.',
    lines: [
      { label: 'carries in a bundle', value: amps(run.carriesA) },
      ...(run.peakA === null ? [] : [{ label: 'flows at peak', value: amps(run.peakA) }]),
    ],
    sums: [
      ...(run.lengthOverruled || distanceOnPictureMm === null ? [] : [fillSum(cutLength, { d: distanceOnPictureMm })]),
      ...(run.peakA === null || run.lengthMm === null
        ? []
        : [fillSum(wireDrop, { I: run.peakA, L: run.lengthMm, r: wireOhmPerMetre(run.gaugeAwg) })]),
    ],
    doubt: null,
  };
}

/** Data timing and level of the pixels. */
export function explainData(assessment: Assessment): Explanation | null {
  const first = assessment.dataLines[0];
  if (!first) return null;
  const chain = assessment.chains.find((each) => each.tapeIds.includes(first.tapeId));
  return {
    title: 'Pixel data',
    answer: say`${quantity('count', Math.floor(first.line.framesPerS))} frames a second at most`,
    lead: 'While a frame is sent the controller does nothing else.',
    lines: [
      { label: 'pixels on the line', value: String(first.line.pixels) },
      {
        label: 'memory',
        value: `${first.line.memoryBytes} bytes${first.board ? ` of ${first.board.part.memoryBytes}` : ''}`,
      },
    ],
    sums: [
      fillSum(frameTime, {
        N: first.line.pixels,
        b: first.line.bitsAPixel,
        tb: first.line.bitPeriodS,
        tl: first.line.latchS,
      }),
      ...(chain && chain.railV > 0 ? [fillSum(leastHighLevel, { Vp: chain.railV })] : []),
    ],
    doubt: null,
  };
}
