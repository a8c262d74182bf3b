import { solveString } from '../../circuit/index.ts';
import { findSneaks, HELD_OHM, meanOfScan, scanGrid } from '../../drive/index.ts';
import type { Finding } from '../../items/index.ts';
import { amps, fillSum, quantity, say } from '../../units/index.ts';
import { ask, assume, choice } from '../inputs.ts';
import { curveThrough } from '../lightCurves.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';

interface Judged {
  readonly isSeen: boolean;
  readonly worst: number;
  readonly idle: string;
  readonly middleA: number;
  readonly picturesPerS: number;
}

/** What is amiss, or to be known. */
const judge = ({ isSeen, worst, idle, middleA, picturesPerS }: Judged): Finding[] =>
  findingsWhere(
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
    peakA: ask('currentA', 'peak', 'Current while on', 0.04, { most: 2, usual: [0.002, 0.2] }),
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
  reckon: ({ rows, columns, peakA, picturesPerS, lowV, highV, supplyV, idle }) => {
    const scan = scanGrid({ rows, columns, peakA, picturesPerS });
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
        figure('pins', 'Pins', 'count', scan.pins),
        figure('duty', 'Each light is on for', 'fraction', scan.duty),
        figure('rowSwitchA', 'A row’s switch carries', 'currentA', scan.rowSwitchA),
        figure('rowTimeS', 'Time of a row', 'timeS', scan.rowTimeS),
        figure('lineRateHz', 'Rows a second', 'frequencyHz', picturesPerS * rows),
        figure('sneakA', 'Most through a light that should be off', 'currentA', worst),
      ],
      steps: [fillSum(meanOfScan, { Ip: peakA, r: rows, s: 1 })],
      findings: judge({ isSeen: found.sneaks.some((sneak) => sneak.seen), worst, idle, middleA, picturesPerS }),
    };
  },
});
