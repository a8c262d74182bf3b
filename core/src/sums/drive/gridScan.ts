import { solveString } from '../../circuit/index.ts';
import { bearsInTurns, findSneaks, HELD_OHM, meanOfScan, scanGrid } from '../../drive/index.ts';
import type { Finding } from '../../items/index.ts';
import { amps, fillSum, quantity, say, seconds } from '../../units/index.ts';
import { SumError } from '../answer.ts';
import { ask, assume, choice, optional } from '../inputs.ts';
import { curveThrough } from '../lightCurves.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';

interface Judged {
  readonly peakA: number;
  readonly ratedA: number;
  readonly rows: number;
  readonly isSeen: boolean;
  readonly worst: number;
  readonly idle: string;
  readonly middleA: number;
  readonly picturesPerS: number;
}

/** What is amiss, or to be known. */
const judge = ({ peakA, ratedA, rows, isSeen, worst, idle, middleA, picturesPerS }: Judged): Finding[] =>
  findingsWhere(
    [
      peakA > bearsInTurns(ratedA, rows) * (1 + 1e-9),
      finding(
        'over-rating',
        'stop',
        say`A light has ${amps(peakA)} while its row is on and bears, for one turn of ${rows}, ${amps(bearsInTurns(ratedA, rows))}`,
        'In short pulses a light bears more than for good, and over time no more than it is rated for.',
        'Fewer rows, less mean current, or a stronger light.',
      ),
    ],
    [
      peakA > ratedA * (1 + 1e-9) && peakA <= bearsInTurns(ratedA, rows) * (1 + 1e-9),
      finding(
        'scan-still',
        'mind',
        say`If the program stands still, a light carries ${amps(peakA)} for good; it bears ${amps(ratedA)}`,
        'What is sound in one turn of many is too much all the time: a program that halts, is loaded or is stepped through burns the row that it stopped in.',
        'Ask for no more than a light bears for good, and take the lights’ lead off while you load the program.',
      ),
    ],
    [
      isSeen,
      finding(
        'false-glow',
        'mend',
        say`A light that should be off carries ${amps(worst)}: it is seen in the dark`,
        'Low-drop colours glow where high-drop ones stay dark, through the same bias.',
        'Drive every line, rows low and columns high when idle; like kinds in a row; or a diode each.',
      ),
    ],
    [
      idle === 'held in the middle' && middleA > 1e-5,
      finding(
        'bias-high',
        'mend',
        say`Half of the supply across an off light gives ${amps(middleA)}`,
        'What holds a white light dark lights an amber one.',
        'Choose the idle voltage for the lowest drop in the grid.',
      ),
    ],
    [
      picturesPerS < 100,
      finding(
        'flicker',
        'mend',
        say`${quantity('frequencyHz', picturesPerS)} flickers`,
        'The eye sees it below 100 a second, cameras below 400.',
        'Refresh at 100 or more; 400 for cameras.',
      ),
    ],
    [
      idle === 'float',
      finding(
        'floating',
        'mind',
        'Floating lines let current find ways round',
        'Through three lights in a row, one of them backwards; the more unlike the drops, the more of it.',
        'Drive the lines that are not chosen.',
      ),
    ],
  );

/** Answers scanned grids: what glows falsely, and how bright a light is left. */
export const gridScanSum = defineSum({
  name: 'grid-scan',
  title: 'A scanned grid',
  about: 'Pins, duty, mean and row current, refresh, and what glows that should be off.',
  group: 'drive',
  inputs: {
    rows: ask('count', 'rows', 'Rows', 8, { whole: true, least: 1, most: 64 }),
    columns: ask('count', 'columns', 'Columns', 8, { whole: true, least: 1, most: 64 }),
    peakA: optional('currentA', 'peak', 'Current while on', { most: 2, usual: [0.002, 0.2] }, 0.04),
    wantedA: optional('currentA', 'mean', 'Or the mean current that is wanted', { most: 1, usual: [0.0002, 0.03] }),
    darkS: assume('timeS', 'dark', 'Dark between two rows', 0, { least: 0, most: 0.1 }),
    ratedA: assume('currentA', 'rated', 'Highest current of a light, for good', 0.02, { most: 3 }),
    picturesPerS: assume('frequencyHz', 'refresh', 'Pictures a second', 100, { least: 1, most: 20_000 }),
    lowV: assume('voltageV', 'low', 'Lowest drop in the grid at 20 mA', 2.06, { least: 1, most: 4 }),
    highV: assume('voltageV', 'high', 'Highest drop in the grid at 20 mA', 3.14, { least: 1, most: 4.5 }),
    supplyV: assume('voltageV', 'supply', 'Supply', 5, { least: 1, most: 24 }),
    idle: choice(
      'idle',
      'Lines that are not chosen',
      ['float', 'rows low, columns high', 'held in the middle'],
      'float',
    ),
  },
  reckon: ({ rows, columns, picturesPerS, lowV, highV, supplyV, idle, darkS, ratedA, ...asked }) => {
    const litOfTurn = 1 - darkS * rows * picturesPerS;
    if (litOfTurn <= 0)
      throw new SumError(
        say`Nothing is lit: a row has ${seconds(1 / picturesPerS / rows)}, and ${seconds(darkS)} of it are dark; fewer rows or pictures, or a shorter dark time`,
      );
    if (asked.peakA !== null && asked.wantedA !== null)
      throw new SumError(
        'Give the current while on or the mean that is wanted, not both: the one follows from the other',
      );
    const peakA = asked.peakA ?? (asked.wantedA === null ? null : (asked.wantedA * rows) / litOfTurn);
    if (peakA === null)
      throw new SumError('Give the current while on or the mean that is wanted: peak=40mA or mean=5mA');
    const scan = scanGrid({ rows, columns, peakA, picturesPerS, litOfTurn });
    const [low, high] = [curveThrough(lowV, 0.02), curveThrough(highV, 0.02)];
    // The hardest case in small: the chosen light has the high drop, all others round it the low one.
    const size = Math.min(3, rows, columns);
    const curves = Array.from({ length: size }, (_, row) =>
      Array.from({ length: size }, (_u, column) => (row === 0 && column === 0 ? high : low)),
    );
    const middle = supplyV / 2;
    const found = findSneaks({
      curves,
      supplyV,
      columnOhm: Math.max(1, (supplyV - highV) / peakA),
      chosen: { row: 0, column: 0 },
      idle:
        idle === 'float'
          ? null
          : idle === 'held in the middle'
            ? { rowV: middle, columnV: middle }
            : { rowV: 0, columnV: supplyV },
    });
    const worst = found.sneaks.reduce((most, each) => Math.max(most, each.currentA), 0);
    const middleA = solveString({ supplyV: middle, resistanceOhm: 2 * HELD_OHM, curve: low });
    return {
      results: [
        mainFigure('meanA', 'Mean current of a light', 'currentA', scan.meanA),
        figure('peakA', 'While its row is on', 'currentA', peakA),
        figure('pins', 'Pins', 'count', scan.pins),
        figure('duty', 'Each light is on for', 'fraction', scan.duty),
        figure('rowSwitchA', 'A row’s switch carries', 'currentA', scan.rowSwitchA),
        figure('rowTimeS', 'Time of a row', 'timeS', scan.rowTimeS),
        figure('litOfTurn', '… of it lit', 'fraction', litOfTurn),
        figure(
          'columnOhm',
          'Resistor of a column, for the highest drop',
          'resistanceOhm',
          supplyV > highV ? (supplyV - highV) / peakA : null,
        ),
        figure('lineRateHz', 'Rows a second', 'frequencyHz', picturesPerS * rows),
        figure('sneakA', 'Most through a light that should be off', 'currentA', worst),
      ],
      steps: [fillSum(meanOfScan, { Ip: peakA, r: rows, s: litOfTurn })],
      findings: judge({
        peakA,
        ratedA,
        rows,
        isSeen: found.sneaks.some((sneak) => sneak.seen),
        worst,
        idle,
        middleA,
        picturesPerS,
      }),
    };
  },
});
