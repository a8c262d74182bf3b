import type { Assessment } from '../assess.ts';
import { forwardVoltageV } from '../circuit/index.ts';
import { type Driven, nameOfLine } from '../network/index.ts';
import { expectBetween } from './expectation.ts';
import { type BenchStep, step } from './step.ts';

type Scanned = Driven & { readonly scan: NonNullable<Driven['scan']> };

const scannedOf = ({ driven }: Assessment): readonly Scanned[] =>
  driven.filter((each): each is Scanned => each.scan !== null);

/** What the diode range of a meter sends through a light. */
const METER_A = 0.001;

/** The lights are joined side by side first, then across, and tried before any board is near. */
export function crossingSteps(assessment: Assessment): BenchStep[] {
  return scannedOf(assessment).flatMap((driven) => {
    const { itemId, name, scan, lightsOnChannel } = driven;
    const { layout, hasDiodes } = scan;
    const lights = lightsOnChannel[0] ?? 0;
    const isGrid = layout.lines.some(({ kind }) => kind === 'row');
    const caution =
      'Air away from you, eyes covered, pack unplugged. Two seconds a joint: a light that is cooked fails later.';
    const joins = isGrid
      ? [
          step({
            id: `join-rows:${itemId}`,
            chapter: 'Soldering' as const,
            title: `Join the rows of ${name}`,
            todo: `All plus legs first. Bend each plus leg over to the next light of its row and solder: ${layout.turns} rows of ${layout.atOnce}, counted from the front, left to right. From behind they run right to left: mark row 1 and light 1 on the back.`,
            caution,
          }),
          step({
            id: `join-columns:${itemId}`,
            chapter: 'Soldering' as const,
            title: `Join the columns of ${name}`,
            todo: `Now all minus legs, over the rows: sleeve each leg or keep it clear, no column may touch a row. ${hasDiodes ? 'A diode stands between each minus leg and its column, its ringed end to the column. ' : ''}${layout.atOnce} columns; ${2 * lights + (hasDiodes ? lights : 0)} joints in all.`,
            caution,
          }),
        ]
      : [
          step({
            id: `join-pins:${itemId}`,
            chapter: 'Soldering' as const,
            title: `Join the lights of ${name} to the wires that they share`,
            todo: `${layout.lines.length} wires, and between each two of them a light either way round: ${sayPairs(driven)}.`,
            caution,
          }),
        ];
    const testV = forwardVoltageV(driven.loop.curve, METER_A) + (hasDiodes ? 0.6 : 0);
    return [
      ...joins,
      step({
        id: `probe-lines:${itemId}`,
        chapter: 'Soldering',
        title: `Try every light of ${name} by its two wires`,
        todo: isGrid
          ? `Red on the wire of row 1, black on each column in turn: one light glows faintly at a time, the right one. Then row 2, and so on. Two that glow, or none, tell where legs touch or a light is turned.`
          : 'Red on the first wire, black on each other in turn, then red on the second: one light glows faintly at a time, the right one.',
        probe:
          'Meter on the diode range. Write down the reading of the first light; a blue or white one may exceed a small meter.',
        expect: expectBetween('voltageV', testV - driven.forwardV.spread, testV + driven.forwardV.spread),
      }),
    ];
  });
}

/** Which light lies between which two of the wires, in words. @example "1 from pin 1 to 2, 2 from 1 to 3" */
function sayPairs({ scan, lightsOnChannel }: Scanned): string {
  const at = (light: number, side: 'plus' | 'minus'): number =>
    scan.layout.lines.find(({ joins }) => joins.some((join) => join.light === light && join.side === side))?.number ??
    0;
  return Array.from(
    { length: lightsOnChannel[0] ?? 0 },
    (_, light) => `light ${light + 1} from wire ${at(light, 'plus')} to wire ${at(light, 'minus')}`,
  ).join(', ');
}

/** All its lights at full: what a meter, which shows the mean of the turns, is to show. */
export function turnSteps(driven: Driven): BenchStep[] {
  const { itemId, name, scan, corners, lightsOnChannel } = driven;
  if (!scan) return [];
  const { layout, litOfTurn } = scan;
  const isGrid = layout.lines.some(({ kind }) => kind === 'row');
  // In the wire of a row its lights flow for one turn of all; on shared pins only the board's lead tells them from each other.
  const lights = isGrid ? layout.atOnce / layout.turns : layout.atOnce;
  const [first] = layout.lines;
  const isTooMuch = !scan.driver && corners.mostA > scan.ratedA;
  return [
    step({
      id: `channel:${itemId}:1`,
      chapter: 'Lights',
      title: `${name}, all at full`,
      todo: `Light all of it at full: ${lightsOnChannel[0] ?? 0} lights glow alike and still. One row brighter than the others, or faint light where it is dark: look at its wire first.`,
      probe: isGrid
        ? `Milliamperes, in the wire of ${first ? nameOfLine(first) : 'row 1'}. The meter shows the mean of all turns.`
        : 'Milliamperes, in the plus lead of the board: what is added from all dark to all at full.',
      expect: expectBetween(
        'currentA',
        corners.leastA * lights * litOfTurn,
        corners.mostA * lights * litOfTurn,
        corners.currentA * lights * litOfTurn,
      ),
      caution: isTooMuch ? STILL_CAUTION : null,
    }),
  ];
}

/** One row is on for good where nothing takes the turns. */
const STILL_CAUTION =
  'While the program is loaded or stands still, take the lights’ lead off: what is sound for one turn is more than a light bears for good.';
