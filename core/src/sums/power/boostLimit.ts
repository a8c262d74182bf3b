import { bearsInsideC, converterKPerW } from '../../assess.ts';
import { isTooHot, tellCollapse, tellInputLow, tellLink, tellNearCollapse, tellTooHot } from '../../findings/index.ts';
import type { Finding } from '../../items/index.ts';
import { boostInput, linearHeat, solveConstantPower } from '../../items/index.ts';
import { fillSum, say, volts } from '../../units/index.ts';
import { sample } from '../drawing.ts';
import { ask, assume, choice, onlyWith, optional } from '../inputs.ts';
import { asInPlan, defineSum, figure, finding, findingsWhere, mainFigure, text } from '../sum.ts';

interface LinearAsked {
  readonly openV: number;
  readonly sourceOhm: number;
  readonly outputV: number;
  readonly outputA: number;
  /** Null where its drop-out is not known. */
  readonly inputLeastV: number | null;
  readonly inputLimitA: number | null;
  /** For itself. */
  readonly ownA: number;
  readonly ambientC: number;
}

/** What is told of what it takes in. */
const tellOver = (inputA: number, limitA: number | null): Finding[] =>
  asInPlan(
    limitA === null
      ? null
      : tellLink({ id: 'converter input', name: 'Its input', loadA: inputA, limitA, isSteady: true }),
  );

/** What is told of the heat in it. */
const judgeHeat = (
  insideC: number,
  { ambientC, heatW }: { readonly ambientC: number; readonly heatW: number },
): Finding[] => {
  const part = { name: 'The converter', insideC, limitC: bearsInsideC.converter, airC: ambientC, heatW };
  return asInPlan(isTooHot(part) ? tellTooHot(part) : null);
};

/** A linear regulator passes its current on and turns what is over into heat. */
function reckonLinear({ openV, sourceOhm, outputV, outputA, inputLeastV, inputLimitA, ownA, ambientC }: LinearAsked) {
  const inputA = outputA + ownA;
  // A source can't be pulled below nothing: there it gives what it can, which is less than is asked.
  const inputV = Math.max(0, openV - inputA * sourceOhm);
  const heat = { Vi: inputV, Vo: outputV, I: outputA };
  const insideC = ambientC + converterKPerW('linear') * Math.max(0, linearHeat.reckon(heat));
  return {
    results: [
      mainFigure('heatW', 'Heat', 'powerW', linearHeat.reckon(heat)),
      figure('inputA', 'Takes in', 'currentA', inputA),
      figure('inputV', 'At its input', 'voltageV', inputV),
      figure('efficiency', 'Efficiency', 'fraction', Math.min(1, outputV / inputV)),
      figure('insideC', 'Inside it, in open air', 'temperatureC', insideC),
    ],
    steps: [fillSum(linearHeat, heat)],
    findings: [
      ...(inputV > 0 ? tellOver(inputA, inputLimitA) : []),
      ...asInPlan(inputLeastV === null ? null : tellInputLow({ name: 'The converter', inputV, leastV: inputLeastV })),
      ...findingsWhere([
        inputLeastV === null && inputV < outputV + 0.2,
        finding(
          'drops-out',
          'stop',
          say`${volts(inputV)} in does not make ${volts(outputV)} out`,
          'A linear regulator needs its drop-out on top, 0.2 to 1.2 V by kind.',
          'A boost converter, or a pack of more cells.',
        ),
      ]),
      ...judgeHeat(insideC, { ambientC, heatW: linearHeat.reckon(heat) }),
    ],
  };
}

/** Least voltage at the input for so many watts: above collapse, within its limit of current, and from where it works. */
const leastInput = (askedW: number, sourceOhm: number, limitA: number | null, leastV: number | null): number =>
  Math.max(Math.sqrt(askedW * sourceOhm), limitA === null ? 0 : askedW / limitA, leastV ?? 0);

interface Judged {
  readonly inputV: number | null;
  readonly inputLimitA: number | null;
  readonly inputLeastV: number | null;
  readonly inputA: number | null;
  readonly askedW: number;
  readonly openV: number;
  readonly sourceOhm: number;
}

/** What is amiss with a switching one. */
function judge(asked: Judged): Finding[] {
  const { inputA, inputV, inputLimitA, inputLeastV, askedW, openV, sourceOhm } = asked;
  const low =
    inputV === null || inputLeastV === null
      ? null
      : tellInputLow({ name: 'The converter', inputV, leastV: inputLeastV });
  const near = { name: 'The converter', openV, sourceOhm, askedW };
  return [
    ...(inputA === null ? [] : tellOver(inputA, inputLimitA)),
    ...asInPlan(inputA === null ? tellCollapse(near) : (low ?? tellNearCollapse(near))),
  ];
}

/** Answers what a converter asks of its cell, and where it collapses. */
export const boostLimitSum = defineSum({
  name: 'boost-limit',
  title: 'What a converter asks of a cell',
  about:
    'Input current of a converter, its heat, and the point where the cell can’t give it and the voltage collapses.',
  group: 'power',
  inputs: {
    openV: ask('voltageV', 'cell', 'Cell, at rest', 3.7, { most: 60, usual: [0.8, 30] }),
    sourceOhm: assume('resistanceOhm', 'source', 'Resistance of cell, leads and contacts', 0.15, {
      least: 1e-4,
      most: 100,
    }),
    outputV: assume('voltageV', 'output', 'Output', 5, { least: 0.8, most: 60 }),
    outputA: ask('currentA', 'current', 'Output current', 1.4, { most: 50, usual: [0.005, 10] }),
    efficiency: assume('fraction', 'efficiency', 'Efficiency', 0.88, { least: 0.05, most: 1 }),
    inputLimitA: optional('currentA', 'inputlimit', 'It takes in at most', { most: 100 }),
    inputLeastV: optional('voltageV', 'inputleast', 'It works from', { most: 60 }),
    kind: choice('kind', 'Kind', ['switching', 'linear'], 'switching'),
    ...onlyWith(
      { key: 'kind', is: 'linear' },
      { ownA: assume('currentA', 'own', 'It takes for itself', 0, { least: 0, most: 0.1 }) },
    ),
    ambientC: assume('temperatureC', 'ambient', 'Air around it', 22, { least: -40, most: 90, usual: [-10, 45] }),
  },
  reckon: ({ openV, sourceOhm, outputV, outputA, efficiency, inputLimitA, inputLeastV, kind, ownA, ambientC }) => {
    if (kind === 'linear')
      return reckonLinear({ openV, sourceOhm, outputV, outputA, inputLeastV, inputLimitA, ownA, ambientC });
    const askedW = (outputV * outputA) / efficiency;
    const inputA = solveConstantPower(openV, sourceOhm, askedW);
    const mostW = openV ** 2 / (4 * sourceOhm);
    const inputV = inputA === null ? null : openV - inputA * sourceOhm;
    const mostA = (mostW * efficiency) / outputV;
    const leastV = leastInput(askedW, sourceOhm, inputLimitA, inputLeastV);
    // Within its limit of current it takes what is left of the cell behind that much.
    const heatW = askedW * (1 - efficiency);
    const insideC = ambientC + converterKPerW('switching') * heatW;
    const atLimitA =
      inputLimitA === null ? null : (Math.max(0, openV - inputLimitA * sourceOhm) * inputLimitA * efficiency) / outputV;
    return {
      results: [
        mainFigure('inputA', 'Takes in', 'currentA', inputA),
        figure('inputV', 'At its input', 'voltageV', inputV),
        figure('askedW', 'Asks of the cell', 'powerW', askedW),
        figure('mostW', 'The cell can give at most', 'powerW', mostW),
        figure('mostOutputA', 'Output current where it collapses', 'currentA', mostA),
        ...(atLimitA === null || (inputLimitA ?? 0) * sourceOhm > openV / 2
          ? []
          : [figure('limitedOutputA', 'Output current at its input limit', 'currentA', atLimitA)]),
        figure('leastInputV', 'Least voltage at its input for this output', 'voltageV', leastV),
        figure('leastCellV', '… so least of the cell, at rest', 'voltageV', leastV + (askedW / leastV) * sourceOhm),
        figure('heatW', 'Heat in the converter', 'powerW', heatW),
        figure('insideC', 'Inside it, in open air', 'temperatureC', insideC),
        figure('lostInSourceW', 'Heat in cell and leads', 'powerW', inputA === null ? null : inputA ** 2 * sourceOhm),
        text('holds', 'It holds', inputA !== null),
      ],
      steps: inputV === null ? [] : [fillSum(boostInput, { Vo: outputV, Io: outputA, n: efficiency, Vi: inputV })],
      findings: [
        ...judge({ inputA, inputV, inputLimitA, inputLeastV, askedW, openV, sourceOhm }),
        ...(inputA === null ? [] : judgeHeat(insideC, { ambientC, heatW })),
      ],
      drawing: {
        kind: 'lines',
        x: { label: 'cell at rest', kind: 'voltageV' },
        y: { label: 'takes in', kind: 'currentA' },
        lines: [
          {
            name: 'input current',
            role: 'curve',
            points: sample(
              openV * 0.6,
              openV * 1.2,
              120,
              (v) => solveConstantPower(v, sourceOhm, askedW) ?? Number.NaN,
            ).filter(([, y]) => Number.isFinite(y)),
          },
        ],
        marks: inputA === null ? [] : [{ name: 'now', at: [openV, inputA] }],
      },
    };
  },
});
