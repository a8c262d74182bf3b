import type { Assessment, ChainVoltage } from '../assess.ts';
import type { PlacedPlain, PlacedTape } from '../items/index.ts';
import { joinMessages, type Message, mm, ohms, quantity, say } from '../units/index.ts';
import { expectBetween, expectShare } from './expectation.ts';
import { type BenchStep, step } from './step.ts';

/** How a tape is cut: in one piece, in one for each row of a grid, or at its corners. */
export function sayCut({ tape, cut, pieces, part }: PlacedTape | PlacedPlain): Message {
  const grid = 'grid' in tape ? tape.grid : undefined;
  const isPixels = part.kind === 'pixel-tape';
  const marks = part.lightsPerJoint > 1 ? say`; the marks stand every ${part.lightsPerJoint}` : '';
  const arrow = isPixels ? ' The arrow points away from the controller.' : '';
  if (grid) {
    const ways = grid.snakes
      ? 'Lay every second row the other way round, so that the arrows run on from row to row.'
      : 'Lay all rows the same way round.';
    return say`Cut ${grid.rows} pieces of ${grid.columns} lights each (${mm(cut.litLengthMm / grid.rows)}). ${ways}`;
  }
  if (pieces.length > 1)
    return say`Cut ${pieces.length} pieces at their marks, in this order: ${pieces.join(', ')} lights${marks}. Count them, then cut.${arrow}`;
  return say`Cut at a mark after ${cut.lights} lights (${mm(cut.litLengthMm)})${marks}. Count them, then cut.${arrow}`;
}

/** The pixel of a line that gets least, and where to measure it: the last one, where nothing feeds the line further on. */
function sayLeast(
  { voltageV, leastV, tapeIds }: ChainVoltage,
  { placed }: Assessment,
): Pick<BenchStep, 'title' | 'todo' | 'probe'> {
  const index = voltageV.indexOf(leastV);
  const tape = placed.find(
    (group): group is PlacedTape =>
      group.shape === 'pixels' &&
      tapeIds.includes(group.id) &&
      index >= group.firstIndex &&
      index < group.firstIndex + group.cut.lights,
  );
  const name = tape?.name ?? 'the tape';
  if (index === voltageV.length - 1)
    return {
      title: `Voltage at the far end of ${name}`,
      todo: 'In the brightest mood, at the last pixel of the data line.',
      probe: 'Direct volts across the last pair of pads.',
    };
  const light = index - (tape?.firstIndex ?? 0) + 1;
  return {
    title: `Voltage at light ${light} of ${name}, which gets least`,
    todo: 'In the brightest mood, between two feeds of the data line.',
    probe: `Direct volts across the pads of light ${light}, counted from where its data enters.`,
  };
}

/** Where the small parts of a tape sit, in the order of the data line; nothing for what it has none of. */
function sayParts({ tape }: PlacedTape, { coreEnds }: Assessment): readonly Message[] {
  const [plus, minus] = coreEnds.get(`feed:${tape.id}`) ?? [];
  const spare = coreEnds.get(`legs:spare:${tape.id}`);
  const isFirst = tape.after === null;
  const solder = joinMessages(
    (spare ?? []).map(({ from, to }) => say`${from} to ${to}`),
    '; ',
  );
  return [
    ...(isFirst && tape.levelShifter && plus && minus
      ? [
          say`Level shifter: right at the board, in the data line. Its low side to the pin, its high side on towards the lights, its supply to ${plus.from} and ${minus.from}.`,
        ]
      : []),
    ...(isFirst && tape.dataResistorOhm !== null
      ? [
          say`${ohms(tape.dataResistorOhm)}: in the data line, next after ${tape.levelShifter ? 'the level shifter' : 'the pin'}; a sleeve over both its legs.`,
        ]
      : []),
    ...(spare
      ? [say`Spare pixel: right at the board, its arrow away from it. Solder ${solder}. Nothing but data leaves it.`]
      : []),
    ...(tape.reservoirUf === null
      ? []
      : [
          say`Capacitor of ${quantity('capacitanceUf', tape.reservoirUf)}: across plus and minus where the tape is fed, the striped leg on minus; sleeve both legs.`,
        ]),
  ];
}

/** What is soldered in beside the wires of a tape. */
export const partSteps = (assessment: Assessment): BenchStep[] =>
  assessment.placed.flatMap((group) => {
    if (group.shape !== 'pixels' || group.cut.lights === 0) return [];
    const parts = sayParts(group, assessment);
    return parts.length === 0
      ? []
      : [
          step({
            id: `parts:${group.id}`,
            chapter: 'Soldering',
            title: `Small parts at ${group.name}`,
            todo: joinMessages(parts, ' '),
          }),
        ];
  });

/** Each line shows red, green and blue on its first pixel, by a program that does nothing else. */
export const orderSteps = (assessment: Assessment): BenchStep[] =>
  assessment.chains.flatMap((chain) => {
    const tape = assessment.placed.find((group) => group.id === chain.tapeIds[0]);
    if (tape?.shape !== 'pixels') return [];
    const white = tape.part.dice === 4 ? ', white' : '';
    const board = assessment.dataLines.find((line) => line.tapeId === tape.id)?.board;
    const make = board?.part.code ? 'make clean avr MAIN=colours.c' : 'make clean board MAIN=colours.c';
    return [
      step({
        id: `order:${tape.id}`,
        chapter: 'Lights',
        title: `Colours of ${tape.name} in their order`,
        todo: `Load the colour test (\`${make}\` in the program’s folder): the first pixel shows red, green, blue${white}, a second each, again and again. If it shows others, say what you saw on the Lights sheet under “Colours seen in the test”; then load the program.`,
      }),
    ];
  });

/** The voltage that is left at the pixel of each line that gets least. */
export const leastSteps = (assessment: Assessment): BenchStep[] =>
  assessment.chains.flatMap((chain) =>
    chain.voltageV.length === 0 || chain.railV <= 0
      ? []
      : [
          step({
            id: `far-end:${chain.tapeIds[0]}`,
            chapter: 'Lights',
            ...sayLeast(chain, assessment),
            // What the limiter cuts is not lost along the tape: the voltage is then higher, up to that of the rail.
            expect: assessment.moods.some((mood) => mood.limited)
              ? expectBetween('voltageV', chain.leastV * 0.97, chain.railV * 1.03)
              : expectShare('voltageV', chain.leastV, 0.03),
          }),
        ],
  );
