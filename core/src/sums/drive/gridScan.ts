import { solveString } from '../../circuit/index.ts';
import { bearsInTurns, findSneaks, HELD_OHM, meanOfScan, SEEN_IN_THE_DARK_A, scanGrid } from '../../drive/index.ts';
import { tellScanFlicker, tellScanGlow, tellScanStill } from '../../findings/index.ts';
import type { Finding } from '../../items/index.ts';
import { amps, fillSum, say, seconds } from '../../units/index.ts';
import { SumError } from '../answer.ts';
import { ask, assume, choice, optional } from '../inputs.ts';
import { curveThrough } from '../lightCurves.ts';
import { asInPlan, defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';

const NAME = 'the grid';
const byProgram = 'a program';

interface Judged {
  readonly brightestA: number;
  readonly ratedA: number;
  readonly rows: number;
  readonly acrossOffV: number;
  readonly worst: number;
  readonly idle: string;
  readonly middleA: number;
  readonly picturesPerS: number;
  readonly by: string;
}

/** What is amiss, or to be known. */
function judge(asked: Judged): Finding[] {
  const { brightestA, ratedA, rows, acrossOffV, worst, idle, middleA, picturesPerS, by } = asked;
  const bearsA = bearsInTurns(ratedA, rows);
  const isOver = brightestA > bearsA * (1 + 1e-9);
  return [
    ...findingsWhere([
      isOver,
      {
        ...finding(
          'over-rating',
          'stop',
          say`A light may take ${amps(brightestA)} while its row is on and bears, for one turn of ${rows}, ${amps(bearsA)}`,
          'In short pulses a light bears more than for good, and over time no more than it is rated for.',
          'Fewer rows, less mean current, or a stronger light.',
        ),
        actual: { kind: 'currentA', value: brightestA },
        limit: { kind: 'currentA', value: bearsA },
      },
    ]),
    ...asInPlan(by === byProgram ? tellScanStill({ name: NAME, brightestA, ratedA }) : null),
    ...asInPlan(tellScanGlow({ name: 'A light', acrossOffV, glowA: worst })).map((told) =>
      idle === 'rows low, columns high'
        ? told
        : { ...told, why: 'Low-drop colours glow where high-drop ones stay dark, through lights in a row or a bias.' },
    ),
    ...findingsWhere([
      idle === 'held in the middle' && middleA > SEEN_IN_THE_DARK_A,
      finding(
        'bias-high',
        'mend',
        say`Half of the supply across an off light gives ${amps(middleA)}`,
        'What holds a white light dark lights an amber one.',
        'Choose the idle voltage for the lowest drop in the grid.',
      ),
    ]),
    ...asInPlan(tellScanFlicker({ name: 'The grid', turns: rows, picturesPerS })),
    ...findingsWhere([
      idle === 'float',
      finding(
        'floating',
        'mind',
        'Floating lines let current find ways round',
        'Through three lights in a row, one of them backwards; the more unlike the drops, the more of it.',
        'Drive the lines that are not chosen.',
      ),
    ]),
  ];
}

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
    brightestA: optional('currentA', 'brightest', '… at its brightest, if that is known', {
      most: 3,
      usual: [0.002, 0.2],
    }),
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
    columnsAtV: optional('voltageV', 'columnsat', 'Columns at rest are held at, if not at the supply', {
      least: 0,
      most: 24,
    }),
    columnOhm: optional('resistanceOhm', 'resistor', 'Resistor of a column, if it is there', { most: 1e6 }),
    by: choice('by', 'Scanned by', [byProgram, 'a part of its own'], byProgram),
  },
  reckon: ({ rows, columns, picturesPerS, lowV, highV, supplyV, idle, darkS, ratedA, by, ...asked }) => {
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
      columnOhm: asked.columnOhm ?? Math.max(1, (supplyV - highV) / peakA),
      chosen: { row: 0, column: 0 },
      idle:
        idle === 'float'
          ? null
          : idle === 'held in the middle'
            ? { rowV: middle, columnV: middle }
            : { rowV: 0, columnV: asked.columnsAtV ?? supplyV },
    });
    const worst = found.sneaks.reduce((most, each) => (each.currentA > most.currentA ? each : most), {
      currentA: 0,
      acrossV: 0,
    });
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
        figure('sneakA', 'Most through a light that should be off', 'currentA', worst.currentA),
      ],
      steps: [fillSum(meanOfScan, { Ip: peakA, r: rows, s: litOfTurn })],
      findings: judge({
        brightestA: asked.brightestA ?? peakA,
        ratedA,
        rows,
        acrossOffV: idle === 'rows low, columns high' ? supplyV - (asked.columnsAtV ?? supplyV) : worst.acrossV,
        worst: worst.currentA,
        idle,
        middleA,
        picturesPerS,
        by,
      }),
    };
  },
});
