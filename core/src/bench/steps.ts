import type { Assessment } from '../assess.ts';
import { colourBands } from '../drive/index.ts';
import type { PlacedTape } from '../lights/index.ts';
import { chemistries, findPart, withOwnParts } from '../parts/index.ts';
import { type Design, sayWhen } from '../plan/index.ts';
import { openCircuitVoltageV, operate } from '../power/index.ts';
import { printQuantity } from '../units/index.ts';
import { type Expectation, expectBetween, expectShare } from './expectation.ts';

/** One step of the build with its test. `final` = it can't be taken back, so everything it closes is tested before. */
export interface BenchStep {
  readonly id: string;
  readonly chapter: 'Before soldering' | 'Soldering' | 'Before power' | 'First power' | 'Lights' | 'Closing';
  readonly title: string;
  readonly todo: string;
  readonly probe: string | null;
  readonly expect: Expectation | null;
  readonly caution: string | null;
  readonly final: boolean;
}

type Draft = Pick<BenchStep, 'id' | 'chapter' | 'title' | 'todo'> & Partial<BenchStep>;

const step = (draft: Draft): BenchStep => ({ probe: null, expect: null, caution: null, final: false, ...draft });
const show = printQuantity;

/** Width of the model's own doubt about a whole current. */
const MODEL_SHARE = 0.1;

function beforeSoldering(design: Design, assessment: Assessment): BenchStep[] {
  const bores = assessment.fits.filter((fit) => fit.fit);
  const drill =
    bores.length > 0
      ? [
          step({
            id: 'drill',
            chapter: 'Before soldering',
            title: 'Drill and check the bores',
            todo: `Drill to the sizes on the template; try one finished light in each: ${[...new Set(bores.map((fit) => `${design.hollows.find((hollow) => hollow.id === fit.hollowId)?.name} ${show('lengthMm', fit.fit?.leastBoreMm ?? 0)}`))].join(', ')}.`,
            caution: 'Eye protection; hold small work in a clamp.',
            final: true,
          }),
        ]
      : [];
  const leds = assessment.driven.flatMap((driven) => {
    const group = design.leds.find((each) => each.id === driven.groupId);
    const part = findPart(withOwnParts(design.ownParts), 'led', group?.part ?? null);
    const marked = colourBands(driven.resistor.resistorOhm)?.join(', ');
    return [
      step({
        id: `resistor:${driven.groupId}`,
        chapter: 'Before soldering',
        title: `Measure a resistor for ${driven.name}`,
        todo: `Take ${driven.lightsOnChannel.reduce((sum, count) => sum + count, 0)} of ${show('resistanceOhm', driven.resistor.resistorOhm)}${marked ? ` (${marked})` : ''} and measure one, out of circuit.`,
        probe: 'Meter on ohms, one probe on each leg; fingers off both.',
        expect: expectShare('resistanceOhm', driven.resistor.resistorOhm, 0.05),
      }),
      ...(part
        ? [
            step({
              id: `drop:${driven.groupId}`,
              chapter: 'Before soldering',
              title: `Test the lights of ${driven.name}`,
              todo: 'Test each light before it is fixed. Mark plus on the leg before you trim it.',
              probe:
                'Meter on the diode range, red probe on plus. It tests near 1 mA; a blue or white light may exceed a small meter.',
              expect: expectBetween(
                'voltageV',
                part.forwardAt1mAV - driven.forwardV.spread,
                part.forwardAt1mAV + driven.forwardV.spread,
              ),
            }),
          ]
        : []),
    ];
  });
  return [...drill, ...leds];
}

/** How a tape is cut: in one piece, or in one for each row of a grid. */
function sayCut({ tape, cut }: PlacedTape): string {
  const { grid } = tape;
  if (!grid)
    return `Cut at a mark after ${cut.lights} lights (${show('lengthMm', cut.litLengthMm)}). Count them, then cut. The arrow points away from the controller.`;
  const ways = grid.snakes
    ? 'Lay every second row the other way round, so that the arrows run on from row to row.'
    : 'Lay all rows the same way round.';
  return `Cut ${grid.rows} pieces of ${grid.columns} lights each (${show('lengthMm', cut.litLengthMm / grid.rows)}). ${ways}`;
}

function soldering(assessment: Assessment): BenchStep[] {
  const tapes = assessment.placed.flatMap((group) =>
    group.kind === 'tape' && group.cut.lights > 0
      ? [
          step({
            id: `cut:${group.id}`,
            chapter: 'Soldering',
            title: `Cut ${group.name}`,
            todo: sayCut(group),
            expect: { kind: 'count', likely: group.cut.lights, low: group.cut.lights, high: group.cut.lights },
            probe: group.tape.grid
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
      todo: `${run.cores.map((core) => `${core.colour} = ${core.meaning}`).join(', ')}. Cut ${show('lengthMm', run.lengthMm)} of ${run.gaugeAwg} gauge; shrink sleeve on first; then solder and tug.`,
      caution: 'Air away from you, eyes covered, pack unplugged.',
    }),
  );
  return [...tapes, ...solder];
}

function powerUp(design: Design, assessment: Assessment): BenchStep[] {
  const { supply, controller } = assessment;
  if (!supply) return [];
  const full = openCircuitVoltageV(supply.path.pack, 1);
  const low = openCircuitVoltageV(supply.path.pack, chemistries[supply.parts.pack.chemistry].rechargeable ? 0.15 : 0.5);
  const rest = operate(
    supply.path,
    0.8,
    assessment.moods[0]?.draw.restA ?? assessment.consumers.reduce((sum, each) => sum + each.restA, 0),
  );
  return [
    step({
      id: 'no-short',
      chapter: 'Before power',
      title: 'No short between plus and minus',
      todo: 'Pack unplugged, controller unplugged, switch on. A reservoir makes the reading climb: wait until it is still.',
      probe: 'Ohms, red on rail plus, black on minus.',
      expect: { kind: 'resistanceOhm', likely: Number.POSITIVE_INFINITY, low: 1000, high: Number.POSITIVE_INFINITY },
      caution: 'Not before this is right does the pack go in.',
    }),
    step({
      id: 'pack-voltage',
      chapter: 'Before power',
      title: 'Voltage of the pack',
      todo: 'Measure the pack by itself, charged, at its plug.',
      probe: 'Direct volts, red on plus. Watch the probes: they must not touch each other.',
      expect: expectBetween('voltageV', low, full, openCircuitVoltageV(supply.path.pack, 0.9)),
    }),
    ...(supply.parts.converter
      ? [
          step({
            id: 'converter-output',
            chapter: 'First power',
            title: 'Output of the converter, with nothing on it',
            todo: 'Plug the pack in and switch on, with lights and controller still unplugged.',
            probe: 'Direct volts at the converter’s output.',
            expect: expectShare('voltageV', supply.parts.converter.outputV, 0.03),
          }),
        ]
      : []),
    ...(controller && !rest.collapses
      ? [
          step({
            id: 'rest-current',
            chapter: 'First power',
            title: 'Current with all lights dark',
            todo: 'Everything joined, the program in, all lights dark.',
            probe: 'Meter on the 10 A range, in the plus lead of the pack. Back to volts afterwards.',
            expect: expectShare('currentA', rest.packA, 0.3),
          }),
        ]
      : []),
    ...design.drive.controls.flatMap((control) => {
      const sensor = assessment.sensing.find((each) => each.control.id === control.id);
      if (sensor?.kind !== 'light' || !controller) return [];
      const volts = (code: number): number => (code / 2 ** controller.converterBits) * controller.logicV;
      return [
        step({
          id: `sensor-dark:${control.id}`,
          chapter: 'First power' as const,
          title: `${control.name}, covered`,
          todo: 'Cover the sensor with a hand, all lights dark.',
          probe: 'Direct volts from its pin to minus.',
          expect: expectBetween(
            'voltageV',
            volts(sensor.design.darkCode) * 0.6,
            volts(sensor.design.darkBelow),
            volts(sensor.design.darkCode),
          ),
        }),
        step({
          id: `sensor-light:${control.id}`,
          chapter: 'First power' as const,
          title: `${control.name}, in light`,
          todo: 'Hold a lamp to it as bright as where it should stay off.',
          probe: 'Direct volts from its pin to minus.',
          expect: expectBetween(
            'voltageV',
            volts(sensor.design.lightAbove),
            controller.logicV,
            volts(sensor.design.lightCode),
          ),
        }),
      ];
    }),
  ];
}

function lightUp(assessment: Assessment): BenchStep[] {
  const { supply } = assessment;
  const channels = assessment.driven.flatMap((driven) =>
    driven.lightsOnChannel.map((count, i) =>
      step({
        id: `channel:${driven.groupId}:${i + 1}`,
        chapter: 'Lights',
        title:
          driven.lightsOnChannel.length > 1 ? `${driven.name}, channel ${i + 1}, at full` : `${driven.name}, at full`,
        todo: `Switch this channel full on, alone: ${count === 1 ? 'one light' : `${count} lights`} glow${count === 1 ? 's' : ''}.`,
        probe: 'Milliamperes, in the plus core of the channel.',
        expect: expectBetween(
          'currentA',
          driven.resistor.dimmestA * count,
          driven.resistor.brightestA * count,
          driven.resistor.currentA * count,
        ),
      }),
    ),
  );
  const moods = supply
    ? assessment.moods.flatMap((mood) => {
        // The program limits what the supply does not bear, and that is what the meter sees.
        const operation = operate(supply.path, 0.8, mood.limited?.peakA ?? mood.peakA);
        if (operation.collapses) return [];
        return [
          step({
            id: `mood:${mood.moodId}`,
            chapter: 'Lights',
            title: `${mood.name}: the highest current`,
            todo: `Run ${mood.name} at the brightness of the plan and watch it through once.`,
            probe: 'Meter on the 10 A range in the plus lead of the pack; keep the highest reading.',
            expect: expectShare('currentA', operation.packA, MODEL_SHARE),
          }),
        ];
      })
    : [];
  const ends = assessment.chains.flatMap((chain) =>
    chain.voltageV.length === 0
      ? []
      : [
          step({
            id: `far-end:${chain.tapeIds[0]}`,
            chapter: 'Lights',
            title: 'Voltage at the far end of the tape',
            todo: 'In the brightest mood, at the last pixel of the data line.',
            probe: 'Direct volts across the last pair of pads.',
            // What the limiter cuts is not lost along the tape: the voltage is then higher, up to that of the rail.
            expect: assessment.moods.some((mood) => mood.limited)
              ? expectBetween('voltageV', chain.leastV * 0.97, assessment.rail.mostV)
              : expectShare('voltageV', chain.leastV, 0.03),
          }),
        ],
  );
  return [...channels, ...moods, ...ends];
}

function closing(design: Design, assessment: Assessment): BenchStep[] {
  if (assessment.lightCount === 0) return [];
  const cues =
    design.moods.cues.length > 0
      ? [
          step({
            id: 'cues',
            chapter: 'Closing',
            title: 'Try every cue',
            todo: `Each three times, and wait for the way back: ${[...new Set(design.moods.cues.map((cue) => sayWhen(design, cue.when)))].join('; ')}.`,
          }),
        ]
      : [];
  return [
    ...cues,
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
      todo: 'A full pack, the evening’s moods, until it stops by itself. Log the hours in the Logbook.',
      caution: 'Stay with a lithium cell while it runs down.',
    }),
  ];
}

/** The whole build in order, each step with what to touch and what to expect; made anew from the plan each time. */
export function listSteps(design: Design, assessment: Assessment): BenchStep[] {
  return [
    ...beforeSoldering(design, assessment),
    ...soldering(assessment),
    ...powerUp(design, assessment),
    ...lightUp(assessment),
    ...closing(design, assessment),
  ];
}
