import type { Assessment, SupplyAssessment } from '../assess.ts';
import { forwardVoltageV } from '../circuit/index.ts';
import { colourBands } from '../drive/index.ts';
import { coloursOfTape, countLights } from '../items/index.ts';
import { curveOfPart } from '../lights/index.ts';
import { countResistors, type Driven } from '../network/index.ts';
import { chemistries, dieOf, findPart } from '../parts/index.ts';
import { type Design, itemNamed, sayWhen } from '../plan/index.ts';
import { type Draws, drawAt, operate, scaleLit, sourceAt } from '../power/index.ts';
import { celsius, gauge, joinMessages, type Message, mm, ohms, quantity, say, volts } from '../units/index.ts';
import { controlSteps, gateSteps } from './controlSteps.ts';
import { expectBetween, expectShare, meterRange } from './expectation.ts';
import { changeoverSteps, chargerSteps } from './feedSteps.ts';
import { guideSteps } from './guideSteps.ts';
import { loadSteps } from './loadSteps.ts';
import { openAt, sayOpen } from './openOutputs.ts';
import { leastSteps, orderSteps, partSteps, sayCut } from './pixelSteps.ts';
import { protectionSteps } from './protectionSteps.ts';
import { rangeSteps } from './receiverSteps.ts';
import { crossingSteps, turnSteps } from './scanSteps.ts';
import { assemblySteps, jointSteps, leadSteps, legSteps, sayBridges, transistorSteps } from './smallPartSteps.ts';
import { type BenchStep, chapters, step } from './step.ts';

/** Width of the model's own doubt about a whole current. */
const MODEL_SHARE = 0.1;

/** What the diode range of a meter sends through a light. */
const METER_A = 0.001;

/** Whether one piece of evidence of a group says which lights it has: its part, where it is a single light. */
function beforeSoldering(design: Design, assessment: Assessment): BenchStep[] {
  const leastBores = new Map(
    assessment.fits.flatMap(({ hollowId, fit }) => (fit ? [[hollowId, fit.leastBoreMm] as const] : [])),
  );
  const drill =
    leastBores.size > 0
      ? [
          step({
            id: 'drill',
            chapter: 'Before soldering',
            title: 'Drill and check the bores',
            todo: say`Drill to the sizes on the template; try one finished light in each: ${joinMessages(
              [...leastBores].map(
                ([hollowId, boreMm]) =>
                  say`${design.hollows.find((hollow) => hollow.id === hollowId)?.name ?? 'bore'} ${mm(boreMm)}`,
              ),
              ', ',
            )}.`,
            caution: 'Eye protection; hold small work in a clamp.',
            final: true,
          }),
        ]
      : [];
  const leds = assessment.driven.flatMap((driven) => {
    const item = itemNamed(design, driven.itemId);
    const part = item && 'part' in item ? findPart(assessment.library, 'led', item.part) : undefined;
    const testV = part ? forwardVoltageV(curveOfPart(driven.die ? dieOf(driven.die) : part), METER_A) : 0;
    return [
      ...measureResistor(driven),
      ...(part
        ? [
            step({
              id: driven.die === null ? `drop:${driven.itemId}` : `drop:${driven.itemId}:${driven.die}`,
              chapter: 'Before soldering',
              title: `Test the lights of ${driven.name}`,
              todo:
                part.common === undefined
                  ? 'Test each light before it is fixed. Mark plus on the leg before you trim it.'
                  : `Find the leg that is common: with the ${part.common === 'plus' ? 'red' : 'black'} probe on it each other leg lights one colour. Mark it, then find ${driven.die}.`,
              probe:
                'Meter on the diode range, red probe on plus. It tests near 1 mA; a blue or white light may exceed a small meter.',
              expect: expectBetween('voltageV', testV - driven.forwardV.spread, testV + driven.forwardV.spread),
            }),
          ]
        : []),
    ];
  });
  return [...drill, ...leds];
}

function measureResistor(driven: Driven): BenchStep[] {
  const { resistor, itemId, name, die } = driven;
  if (!resistor) return [];
  const marked = colourBands(resistor.resistorOhm)?.join(', ');
  return [
    step({
      id: die === null ? `resistor:${itemId}` : `resistor:${itemId}:${die}`,
      chapter: 'Before soldering',
      title: `Measure a resistor for ${name}`,
      todo: say`Take ${countResistors(driven)} of ${ohms(resistor.resistorOhm)}${marked ? ` (${marked})` : ''} and measure one, out of circuit.`,
      probe: 'Meter on ohms, one probe on each leg; fingers off both.',
      expect: expectShare('resistanceOhm', resistor.resistorOhm, 0.05),
    }),
  ];
}

/** What each core is soldered to, and what is bridged where its wire ends. */
function sayEnds({ coreEnds }: Assessment, run: Assessment['runs'][number]): Message {
  const ends = (coreEnds.get(run.id) ?? []).map(
    ({ from, to }, c) => say`${run.cores[c]?.colour ?? 'core'} from ${from} to ${to}`,
  );
  return say`${ends.length > 0 ? say` Solder ${joinMessages(ends, '; ')}.` : ''}${sayBridges(coreEnds, run.id)}`;
}

function soldering(design: Design, assessment: Assessment): BenchStep[] {
  const tapes = assessment.placed.flatMap((group) =>
    group.shape !== 'lights' && group.cut.lights > 0 && !('form' in group.part)
      ? [
          step({
            id: `cut:${group.id}`,
            chapter: 'Soldering',
            title: `Cut ${group.name}`,
            todo: say`${sayCut(group)}${group.shape === 'units' && group.part.colours > 1 ? ` Its common pad is plus; beside it ${coloursOfTape(group.part).join(', ')}: read the letters, their order differs from reel to reel.` : ''}`,
            expect: { kind: 'count', likely: group.cut.lights, low: group.cut.lights, high: group.cut.lights },
            probe:
              group.pieces.length > 1
                ? 'Count the lights of all pieces together.'
                : 'Count the lights on the piece of tape.',
            final: true,
          }),
        ]
      : [],
  );
  const solder = assessment.runs.map((run) =>
    step({
      id: `solder:${run.id}`,
      chapter: 'Soldering',
      title: `Wire: ${run.name}`,
      todo: say`${run.cores.map((core) => `${core.colour} = ${core.meaning}`).join(', ')}. ${run.lengthMm === null ? 'Its length is not known yet: lay both ends on the picture first.' : say`Cut ${mm(run.lengthMm)} of ${gauge(run.gaugeAwg)}; shrink sleeve on first; then solder and tug.`}${sayEnds(assessment, run)}${sayOpen(assessment, run.id)}`,
      caution: 'Air away from you, eyes covered, pack unplugged.',
    }),
  );
  return [
    ...tapes,
    ...partSteps(assessment),
    ...assemblySteps(design, assessment),
    ...transistorSteps(design, assessment),
    ...legSteps(assessment),
    ...crossingSteps(assessment),
    ...protectionSteps(assessment),
    ...leadSteps(assessment),
    ...jointSteps(assessment),
    ...solder,
  ];
}

/** The charge at which currents are expected at the bench: charged, but not fresh from the charger. */
const BENCH_CHARGE = 0.8;

/** Ids of the steps of the first supply are bare; those of further ones carry its id. */
const stepId = (assessment: Assessment, supply: SupplyAssessment, id: string): string =>
  supply === assessment.supplies[0] ? id : `${id}:${supply.rail.id}`;

const leadOf = (supply: SupplyAssessment): string => (supply.rail.name === 'Pack' ? 'the pack' : supply.rail.name);

function powerUp(design: Design, assessment: Assessment): BenchStep[] {
  if (assessment.supplies.length === 0) return [];
  return [
    step({
      id: 'no-short',
      chapter: 'Before power',
      title: 'No short between plus and minus',
      todo: 'Packs and supplies unplugged, controllers unplugged, switches on. A reservoir makes the reading climb: wait until it is still.',
      probe: 'Ohms, red on the plus of the rail, black on minus. Do it for every rail.',
      expect: { kind: 'resistanceOhm', likely: Number.POSITIVE_INFINITY, low: 1000, high: Number.POSITIVE_INFINITY },
      caution: 'Not before this is right does the pack go in.',
    }),
    ...assessment.supplies.flatMap((supply) => firstPower(assessment, supply)),
    ...programSteps(assessment),
    ...assessment.supplies.flatMap((supply) => restSteps(assessment, supply)),
    ...changeoverSteps(assessment),
    ...chargerSteps(design, assessment),
    ...controlSteps(design, assessment),
  ];
}

/** What a source gives by itself. */
function sourceStep(assessment: Assessment, supply: SupplyAssessment): BenchStep {
  const { source } = supply.tree;
  const common = {
    id: stepId(assessment, supply, 'pack-voltage'),
    chapter: 'Before power' as const,
    title: `Voltage of ${leadOf(supply)}`,
    probe: 'Direct volts, red on plus. Watch the probes: they must not touch each other.',
  };
  if (source.kind !== 'pack')
    return step({
      ...common,
      todo: 'Measure the supply by itself, at its plug.',
      expect: expectShare('voltageV', source.volts, 0.05),
    });
  const part = supply.rail.gives.form === 'cells' ? supply.rail.gives.part : null;
  const at = (charge: number): number => sourceAt(source, charge).openV;
  const isCharged = part !== null && chemistries[part.chemistry].rechargeable;
  const hasPlug = supply.rail.gives.form === 'cells' && supply.rail.gives.item.plug !== null;
  return step({
    ...common,
    todo: `Measure the pack by itself, ${isCharged ? 'charged' : 'fresh'}, at its ${hasPlug ? 'plug' : 'leads'}.`,
    // One that is a quarter down is neither: what follows would be judged by another pack.
    expect: expectBetween('voltageV', at(0.75), at(1), at(0.9)),
  });
}

/** So many cells in series can each be reached with a probe; a block’s and a lead battery’s, which are more, can’t. */
const REACHED_CELLS = 4;

/** Each cell of a pack by itself: the weakest would be emptied first, and then driven backwards. */
function cellsStep(assessment: Assessment, supply: SupplyAssessment): BenchStep[] {
  const { source } = supply.tree;
  const part = supply.rail.gives.form === 'cells' ? supply.rail.gives.part : null;
  if (source.kind !== 'pack' || !part || part.cellsInSeries < 2 || part.cellsInSeries > REACHED_CELLS) return [];
  const ofCell = (charge: number): number => sourceAt(source, charge).openV / part.cellsInSeries;
  return [
    step({
      id: stepId(assessment, supply, 'cells'),
      chapter: 'Before power',
      title: `Each cell of ${leadOf(supply)}`,
      todo: say`Measure each of its ${part.cellsInSeries} cells by itself, as it goes in: none may be more than ${volts(0.05)} from the others, and all are of one kind and one age. Log the lowest.`,
      probe: 'Direct volts over one cell at a time.',
      expect: expectBetween(
        'voltageV',
        ofCell(chemistries[part.chemistry].rechargeable ? 0.15 : 0.5),
        ofCell(1),
        ofCell(0.9),
      ),
    }),
  ];
}

/** A converter is tried with nothing on it, and only then joined to what hangs on it. */
const sayUnloaded = (waiting: readonly string[]): string =>
  waiting.length === 0
    ? 'Plug in and switch on, with lights and controllers still unplugged.'
    : `Plug in and switch on, with the plus of ${waiting.join(', ')} still open. It is right: pull the pack, solder ${waiting.length > 1 ? 'them' : 'it'} on, and look for a short once more.`;

function firstPower(assessment: Assessment, supply: SupplyAssessment): BenchStep[] {
  const { rail } = supply;
  const behind = assessment.rails.list.filter((each) => each.sourceId === rail.id);
  const converters = behind.flatMap((each) =>
    each.gives.form === 'converter' && each.gives.part
      ? [
          step({
            id:
              behind.filter((one) => one.gives.form === 'converter')[0] === each
                ? stepId(assessment, supply, 'converter-output')
                : `converter-output:${each.id}`,
            chapter: 'First power',
            title: `Output of ${each.name === 'Converter' ? 'the converter' : each.name}, with nothing on it`,
            todo: sayUnloaded(openAt(assessment, each.id)),
            probe: 'Direct volts at the converter’s output.',
            expect: expectShare('voltageV', each.gives.part.outputV, 0.03),
          }),
        ]
      : [],
  );
  const levers = behind.flatMap(({ gives }) => (gives.form === 'contact' ? [gives.item] : []));
  const open = levers.map((lever) =>
    step({
      id: `open:${lever.id}`,
      chapter: 'First power',
      title: `${lever.name}, off`,
      todo: lever.magnet
        ? `${lever.magnet.litWhen === 'near' ? 'Take the magnet away' : 'Hold the magnet to it'}: what hangs on it must be dark.`
        : 'Switch it off: what hangs on it must be dark.',
      probe: 'Milliamperes, in the lead behind the switch.',
      expect: { kind: 'currentA', likely: 0, low: 0, high: 1e-4 },
    }),
  );
  return [...cellsStep(assessment, supply), sourceStep(assessment, supply), ...converters, ...open];
}

/** The program goes in once the voltages are right, and before anything asks for it. */
const programSteps = ({ programs }: Assessment): BenchStep[] =>
  programs.map(({ board }) =>
    step({
      id: `program:${board.id}`,
      chapter: 'First power',
      title: `The program goes into ${board.name}`,
      todo: `Take it out of the plan and follow its LOADING.md, ${programs.length > 1 ? `in the folder of ${board.name}, ` : ''}line by line.${board.part.code ? '' : ' This kind of board has no ready file: template.c in it is filled in first.'} The mark that it carries is the one at the head of this sheet.`,
      caution: 'The pack is unplugged while the board hangs on its lead: two supplies push into each other.',
    }),
  );

/** What a supply gives with everything joined and dark. */
function restSteps(assessment: Assessment, supply: SupplyAssessment): BenchStep[] {
  const rest = operate(supply.tree, BENCH_CHARGE, supply.dark);
  const isProgrammed = assessment.boards.some(
    (board) => assessment.rails.byId.get(board.railId ?? '')?.sourceId === supply.rail.id,
  );
  if (!isProgrammed || rest.collapses) return [];
  return [
    step({
      id: stepId(assessment, supply, 'rest-current'),
      chapter: 'First power',
      title: 'Current with all lights dark',
      todo: 'Everything joined, the program in, all lights dark.',
      probe: `Meter on the ${meterRange(supply.atFull.packA)}, in the plus lead of ${leadOf(supply)}. Back to volts afterwards.`,
      expect: expectShare('currentA', rest.packA, 0.3),
    }),
  ];
}

/** Where the meter goes for a channel: the core that is its own. */
const coreOfChannel = (driven: Driven): string =>
  driven.way.plusSide === 'channel' || driven.way.minusSide === 'channel' ? 'the core of the channel' : 'its plus core';

function channelStep(
  driven: Driven,
  count: number,
  channel: number,
  { isUnseen, caution }: { readonly isUnseen: boolean; readonly caution: string | null },
): BenchStep {
  const isHeld = driven.loop.heldA !== null;
  const [one, many] = driven.tape
    ? ['stretch of tape between two marks', 'stretches of tape between marks']
    : ['light', 'lights'];
  const { currentA } = driven.corners;
  // Of what is next to nothing rounding may turn the two round.
  const leastA = Math.min(driven.corners.leastA, driven.corners.mostA);
  const mostA = Math.max(driven.corners.leastA, driven.corners.mostA);
  // One current goes through all lights of a string.
  const times = isHeld ? 1 : count / driven.hung.inSeries;
  const isOneOfMany = driven.lightsOnChannel.length > 1;
  return step({
    id: `channel:${driven.itemId}:${channel + 1}`,
    chapter: 'Lights',
    title: isOneOfMany ? `${driven.name}, channel ${channel + 1}, at full` : `${driven.name}, at full`,
    todo: `${onWords(driven)}: ${count === 1 ? `one ${one} ${isUnseen ? 'is on, unseen' : 'glows'}` : `${count} ${many} ${isUnseen ? 'are on, unseen' : 'glow'}`}.`,
    probe: `Meter on the ${meterRange(mostA * times)}, in ${coreOfChannel(driven)}.`,
    expect: expectBetween(
      'currentA',
      leastA * times,
      mostA * times,
      Math.min(Math.max(currentA, leastA), mostA) * times,
    ),
    caution,
  });
}

const UNSEEN_CAUTION = 'Do not look into it, however dark it seems; the current tells that it is on.';

/** What lights of a group do to an eye before them; null where they do nothing. */
function eyeCaution(assessment: Assessment, driven: Driven): string | null {
  if (unseenBy(assessment, driven) !== null) return UNSEEN_CAUTION;
  const group = assessment.placed.find((each) => each.id === driven.itemId);
  return group?.shape === 'lights' && group.part.body === 'power star'
    ? 'Never look into it, and turn it away from faces; on its heatsink before it is lit.'
    : null;
}

const channelSteps = (assessment: Assessment): BenchStep[] =>
  assessment.driven.flatMap((driven) => [
    ...(driven.scan
      ? turnSteps(driven).map((each) => ({ ...each, caution: each.caution ?? eyeCaution(assessment, driven) }))
      : driven.lightsOnChannel.map((count, i) =>
          channelStep(driven, count, driven.channels[i] ?? i, {
            isUnseen: unseenBy(assessment, driven) !== null,
            caution: eyeCaution(assessment, driven),
          }),
        )),
    ...unseenSteps(assessment, driven),
    ...warmSteps(assessment, driven),
  ]);

/** What a power star may rise by, against what is reckoned: air and contact are never those of the sheet. */
const RISE_SHARE = { low: 0.6, high: 1.2 } as const;

/** How warm a power star gets where it is held. */
const warmSteps = ({ warm }: Assessment, { itemId }: Driven): BenchStep[] =>
  warm.parts
    .filter((part) => part.itemId === itemId && part.what === 'light')
    .map((part) => {
      const { airC } = part;
      const rise = part.after.outsideC - airC;
      return step({
        id: `warm:${itemId}`,
        chapter: 'Lights',
        title: `${part.name}: how warm it gets`,
        todo: say`Light it at full as long as it will be lit, in its place and closed as it will be. Expect ${quantity('thermalKPerW', rise / part.heatW)} of its ${quantity('powerW', part.heatW)}: if the room is not at ${celsius(airC)}, add the difference.`,
        probe: 'A thermometer’s tip under tape where it is held; wait until it no longer climbs.',
        expect: expectBetween(
          'temperatureC',
          airC + rise * RISE_SHARE.low,
          airC + rise * RISE_SHARE.high,
          part.after.outsideC,
        ),
        caution: 'It may be too hot to touch: feel for the heat with the back of a hand first.',
      });
    });

/** What of a group the eye does not see; null of one that it does. */
function unseenBy({ placed }: Assessment, { itemId }: Driven): 'infrared' | 'ultraviolet' | null {
  const group = placed.find((each) => each.id === itemId);
  return (group?.shape === 'lights' && group.part.invisible) || null;
}

/** How light that the eye does not see is told to be on. */
function unseenSteps(assessment: Assessment, driven: Driven): BenchStep[] {
  const unseen = unseenBy(assessment, driven);
  if (unseen === null) return [];
  const isInfrared = unseen === 'infrared';
  return [
    step({
      id: `unseen:${driven.itemId}`,
      chapter: 'Lights',
      title: `${driven.name}: is it on?`,
      todo: isInfrared
        ? 'Look at it through a camera: each light is a pale dot. First try the camera on the remote control of something: some filter infrared, the one that faces you less often.'
        : 'Hold white printer paper or a piece of fluorescent cord before it in the dark: it glows blue where it is lit.',
      caution: UNSEEN_CAUTION,
    }),
  ];
}

/** How a channel is lit for its test. */
const onWords = ({ board, way }: Driven): string => (board ? 'Switch this channel full on, alone' : way.toLight);

function moodSteps(assessment: Assessment): BenchStep[] {
  // What a supply lights without the program is the same in every mood, and was read channel by channel.
  const moved = assessment.supplies.filter((supply) => assessment.moods.some((mood) => isMoved(supply, mood.moodId)));
  return moved.flatMap((supply) =>
    assessment.moods.flatMap((mood) => {
      const draws = supply.moodPeaks.get(mood.moodId);
      if (!draws || !isFed(draws, supply)) return [];
      // The program limits what the supply does not bear, and that is what the meter sees.
      const left = mood.limited && mood.peakA > 0 ? mood.limited.peakA / mood.peakA : 1;
      const operation = operate(supply.tree, BENCH_CHARGE, between(supply.dark, draws, left));
      if (operation.collapses) return [];
      return [
        step({
          id: stepId(assessment, supply, `mood:${mood.moodId}`),
          chapter: 'Lights',
          title: `${mood.name}: the highest current${assessment.supplies.length > 1 ? ` of ${leadOf(supply)}` : ''}`,
          todo: `Run ${mood.name} at the brightness of the plan and watch it through once.`,
          probe: `Meter on the ${meterRange(supply.atFull.packA)} in the plus lead of ${leadOf(supply)}; keep the highest reading.`,
          expect: expectShare('currentA', operation.packA, MODEL_SHARE),
        }),
      ];
    }),
  );
}

/** Whether a mood draws anything from a supply that is not drawn with all dark. */
const isMoved = ({ dark, moodPeaks, atPeak }: SupplyAssessment, moodId: string): boolean =>
  (moodPeaks.get(moodId) ?? []).some((draw, i) => {
    const volts = atPeak.nodes[i]?.outV ?? 5;
    return drawAt(draw, volts) > drawAt(dark[i] ?? NOTHING, volts) + 1e-9;
  });
const NOTHING: Draws[number] = { steadyA: 0, shaped: [] };

/** Whether a supply gives anything for a mood. */
const isFed = (draws: Draws, supply: SupplyAssessment): boolean =>
  draws.some((draw, i) => drawAt(draw, supply.atPeak.nodes[i]?.outV ?? 5) > 0);

/** Draws cut back by the limiter: all of what is dark, and so much of the rest. */
const between = (dark: Draws, peak: Draws, left: number): Draws =>
  left >= 1
    ? peak
    : peak.map((draw, i) => {
        const darkA = dark[i]?.steadyA ?? 0;
        return {
          steadyA: Math.max(darkA, draw.steadyA * left),
          shaped: scaleLit(draw.shaped, left),
        };
      });

function lightUp(design: Design, assessment: Assessment): BenchStep[] {
  return [
    ...orderSteps(assessment),
    ...channelSteps(assessment),
    ...gateSteps(design, assessment),
    ...loadSteps(design, assessment),
    ...moodSteps(assessment),
    ...leastSteps(assessment),
  ];
}

function closing(design: Design, assessment: Assessment): BenchStep[] {
  const whens = design.moods.cues.map((cue) => sayWhen(design, cue.when));
  const tried = [...new Map(whens.map((when) => [JSON.stringify(when), when])).values()];
  if (assessment.placed.every((group) => countLights(group) === 0)) return [];
  const cues =
    design.moods.cues.length > 0
      ? [
          step({
            id: 'cues',
            chapter: 'Closing',
            title: 'Try every cue',
            todo: say`Each three times, and wait for the way back: ${joinMessages(tried, '; ')}.`,
          }),
        ]
      : [];
  return [
    ...cues,
    ...rangeSteps(design, assessment),
    step({
      id: 'shake',
      chapter: 'Closing',
      title: 'Pull, bend and shake',
      todo: 'Tug every wire gently, move the piece as it will be moved, and watch for a flicker.',
    }),
    step({
      id: 'close',
      chapter: 'Closing',
      title: 'Glue and close',
      todo: 'Fix the lights, relieve every wire of strain, close the hollows. Leave pack, fuse and plug within reach.',
      caution: 'Hot glue burns skin and lets go on warm or flexing parts.',
      final: true,
    }),
    step({
      id: 'run-down',
      chapter: 'Closing',
      title: 'Run test',
      todo: `A full pack, ${design.moods.list.length > 0 ? 'the evening’s moods' : 'lit as it will be'}, until it stops by itself. Log the hours in the Logbook.`,
      caution: 'Stay with a lithium cell while it runs down.',
    }),
  ];
}

/** The whole build in order, each step with what to touch and what to expect; made anew from the plan each time. */
export function listSteps(design: Design, assessment: Assessment): BenchStep[] {
  const steps = [
    ...beforeSoldering(design, assessment),
    ...soldering(design, assessment),
    ...powerUp(design, assessment),
    ...lightUp(design, assessment),
    ...guideSteps(assessment),
    ...closing(design, assessment),
  ];
  // Each supply and control has steps in several chapters: on paper they are counted as they are done.
  return chapters.flatMap((chapter) => steps.filter((each) => each.chapter === chapter));
}
