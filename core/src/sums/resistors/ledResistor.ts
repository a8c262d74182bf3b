import {
  colourBands,
  nextStandard,
  resistorPower,
  seriesResistor,
  standardNeighbours,
  writeCombination,
} from '../../drive/index.ts';
import { type Finding, itemsOf } from '../../items/index.ts';
import { amps, fillSum, type Message, ohms, say, volts } from '../../units/index.ts';
import { type Drawing, sample } from '../drawing.ts';
import { ask, assume, choice, list, optional } from '../inputs.ts';
import { curvePoints, dropInput, readingsInput } from '../lightCurves.ts';
import { layPiece, putPiece } from '../piece.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure, type Result, text } from '../sum.ts';
import { type PathsAsked, type PathsSolved, solvePaths } from './lightPaths.ts';
import { type LightsAsked, layLights } from './lightPiece.ts';
import { isKnownOverLife, laySource, rangeOf, type SourceAsked, sourceInputs } from './lightSource.ts';

const seriesNames = ['E6', 'E12', 'E24', 'E48', 'E96'] as const;
const ratingsW = [1 / 16, 0.1, 1 / 8, 1 / 4, 1 / 2, 1, 2, 5];
const ledBand = { most: 3, usual: [0.0005, 0.05] } as const;

/** Least rating that leaves half in hand. */
const ratingFor = (heatW: number): number | null => ratingsW.find((each) => each >= 2 * heatW) ?? null;

function bandsOf(ohm: number, series: PathsAsked['series']): Result[] {
  const bands = colourBands(ohm, series === 'E48' || series === 'E96' ? 0.01 : 0.05);
  return bands ? [text('bands', 'Bands', bands.join(', '))] : [];
}

/** What else could be taken, with what it would give. */
function alternatives(asked: PathsAsked, solved: PathsSolved): Result[] {
  if (solved.exactOhm <= 0) return [];
  const { below, above } = standardNeighbours(solved.exactOhm, asked.series);
  const standard = [...new Set([below, above, nextStandard(above, asked.series)])];
  const rows =
    solved.combos.length > 0
      ? solved.combos.map((each): [Message, number] => [writeCombination(each), each.ohm])
      : standard.map((ohm): [Message, number] => [ohms(ohm), ohm]);
  return [
    {
      form: 'table',
      key: 'neighbours',
      label: solved.combos.length > 0 ? 'From the drawer' : 'Neighbours',
      columns: [
        { key: 'parts', label: 'made of', kind: 'text' },
        { key: 'resistorOhm', label: 'value', kind: 'resistanceOhm' },
        { key: 'currentA', label: 'current', kind: 'currentA' },
      ],
      rows: rows.map(([parts, ohm]) => [parts, ohm, solved.currentWith(ohm)]),
    },
  ];
}

function listResults(asked: PathsAsked, solved: PathsSolved, ratedIsGiven: boolean): Result[] {
  const { shared, supply, currentA, lights } = asked;
  const decided = solved.exactOhm > 0 || asked.fittedOhm !== null || asked.builtInOhm > 0;
  // Without a resistor that can be, nothing is said of what it would give.
  const ifAny = (value: number): number | null => (decided ? value : null);
  const forgottenOhm = standardNeighbours(supply.nominalV / currentA, asked.series).above;
  return [
    mainFigure('resistorOhm', 'Resistor', 'resistanceOhm', ifAny(solved.chosenOhm)),
    figure('exactOhm', 'Exactly', 'resistanceOhm', solved.exactOhm > 0 ? solved.exactOhm : null),
    figure('likelyA', shared ? 'Each light, if all were alike' : 'Current', 'currentA', ifAny(solved.likelyA)),
    figure('brightestA', 'Brightest corner', 'currentA', ifAny(solved.brightestA)),
    figure('dimmestA', 'Dimmest corner', 'currentA', ifAny(solved.dimmestA)),
    figure(
      'heatW',
      'Heat in the resistor',
      'powerW',
      ifAny(resistorPower.reckon({ I: solved.resistorA, R: solved.chosenOhm })),
    ),
    figure('worstHeatW', 'Heat at the bright corner', 'powerW', ifAny(solved.worstHeatW)),
    figure('ratingW', 'Rating that leaves half in hand', 'powerW', decided ? ratingFor(solved.worstHeatW) : null),
    figure('headRoomV', 'Head-room for the resistor', 'voltageV', solved.headRoomV),
    figure(
      'lightShare',
      'Share of the energy that reaches the lights',
      'fraction',
      Math.min(1, solved.sum.Vf / supply.nominalV),
    ),
    figure('ratedA', ratedIsGiven ? 'Highest current' : 'Highest current, taken as usual', 'currentA', asked.ratedA),
    figure('totalA', 'All paths together', 'currentA', ifAny(solved.likelyA * lights)),
    figure('withoutDropA', 'If the drop were forgotten', 'currentA', solved.currentWith(forgottenOhm)),
    ...bandsOf(solved.chosenOhm, asked.series),
    ...(solved.spreadA
      ? [
          {
            form: 'figures' as const,
            key: 'spreadA',
            label: 'Lights of the spread, lowest drop first',
            kind: 'currentA' as const,
            values: solved.spreadA,
          },
          {
            form: 'figures' as const,
            key: 'openA',
            label: 'The rest, when the lowest one opens',
            kind: 'currentA' as const,
            values: solved.openA ?? [],
          },
        ]
      : []),
    ...alternatives(asked, solved),
  ];
}

function checkBuiltIn({ builtInOhm, fittedOhm }: PathsAsked, { exactOhm }: PathsSolved): Finding[] {
  return findingsWhere(
    [
      builtInOhm > 0 && exactOhm <= 0,
      finding(
        'has-one-inside',
        'mind',
        'The resistor inside the light is enough',
        'A board or a light with a resistor in it is made for a supply.',
        'Connect it straight, at the supply it is made for.',
      ),
    ],
    [
      builtInOhm > 0 && exactOhm <= 0 && (fittedOhm ?? 0) > 0,
      finding(
        'double-resistor',
        'mend',
        'A second resistor in front of a built-in one',
        'It only makes the light dimmer, and nobody sees why.',
        'Take it out, unless dimmer is what you want.',
      ),
    ],
  );
}

/** What is printed on cells is a voltage in the middle: fresh and spent each is something else. */
const printedCells = [
  { printedV: 3.7, freshV: 4.2, spentV: 3, most: 4, name: 'lithium cell' },
  { printedV: 3.6, freshV: 4.2, spentV: 3, most: 4, name: 'lithium cell' },
  { printedV: 4.5, freshV: 4.8, spentV: 3, most: 1, name: 'three alkaline cells' },
  { printedV: 9, freshV: 9.6, spentV: 6, most: 1, name: 'block of six alkaline cells' },
];

/** The pack whose printed voltage this is, or null. */
function packPrinted(
  supplyV: number,
): { readonly name: string; readonly freshV: number; readonly spentV: number } | null {
  for (const { printedV, freshV, spentV, most, name } of printedCells)
    for (let count = 1; count <= most; count += 1)
      if (Math.abs(supplyV - count * printedV) < 0.02)
        return { name: count > 1 ? `${count} × ${name}` : name, freshV: count * freshV, spentV: count * spentV };
  return null;
}

/** What flows from a fresh and from a spent source, where more is known of it than its volts. */
function ofSource({ supply, source }: Asked, { currentWith, chosenOhm }: PathsSolved): Result[] {
  const isKnown = isKnownOverLife(source);
  const printed = isKnown ? null : packPrinted(supply.nominalV);
  const [freshV, spentV] = isKnown ? [supply.mostV, supply.leastV] : [printed?.freshV, printed?.spentV];
  if (freshV === undefined || spentV === undefined || chosenOhm <= 0) return [];
  return [
    figure('freshA', say`Fresh, at ${volts(freshV)}`, 'currentA', currentWith(chosenOhm, freshV)),
    figure('spentA', say`Spent, at ${volts(spentV)}`, 'currentA', currentWith(chosenOhm, spentV)),
  ];
}

/** That volts are those printed on cells, where nothing more was said of them. */
function checkPrinted({ supply, source, ratedA, series }: Asked, { currentWith, chosenOhm }: PathsSolved): Finding[] {
  const pack = isKnownOverLife(source) ? null : packPrinted(supply.nominalV);
  if (!pack || chosenOhm <= 0) return [];
  const [freshA, spentA] = [currentWith(chosenOhm, pack.freshV), currentWith(chosenOhm, pack.spentV)];
  let safeOhm = chosenOhm;
  while (currentWith(safeOhm, pack.freshV) > ratedA && safeOhm < 1e6) safeOhm = nextStandard(safeOhm, series);
  return [
    finding(
      'printed-voltage',
      freshA > ratedA * (1 + 1e-9) ? 'stop' : 'mind',
      say`${volts(supply.nominalV)} is what is printed on a ${pack.name}: fresh it gives ${volts(pack.freshV)} and ${amps(freshA)} flow, spent ${volts(pack.spentV)} and ${amps(spentA)}`,
      'The printed voltage stands in the middle of what the pack gives; the light gets the whole range.',
      safeOhm === chosenOhm
        ? 'Look whether it is bright enough near the end, or choose the pack itself.'
        : say`Take ${ohms(safeOhm)}: it keeps the fresh pack within the rating. Or choose the pack itself.`,
    ),
  ];
}

/** The light's curve with the line of what the resistor leaves; where they cross is the current. */
function drawLoadLine({ supply, count, currentA, ratedA }: PathsAsked, solved: PathsSolved): Drawing {
  const supplyV = supply.nominalV;
  const ohm = Math.max(1, solved.chosenOhm + solved.sourceOhm);
  return {
    kind: 'lines',
    x: { label: 'voltage across the lights', kind: 'voltageV' },
    y: { label: 'current', kind: 'currentA' },
    lines: [
      {
        name: count > 1 ? `${count} lights` : 'the light',
        role: 'curve',
        points: curvePoints(solved.curve, Math.max(solved.likelyA, currentA, 1e-4) * 1.8).map(
          ([v, i]) => [v * count, i] as const,
        ),
      },
      { name: 'what the resistor leaves', role: 'second', points: sample(0, supplyV, 2, (v) => (supplyV - v) / ohm) },
      {
        name: 'rated',
        role: 'limit',
        points: [
          [0, ratedA],
          [supplyV, ratedA],
        ],
      },
    ],
    marks:
      solved.headRoomV > 0
        ? [{ name: amps(solved.likelyA), at: [supplyV - solved.resistorA * ohm, solved.likelyA] }]
        : [],
  };
}

/** The paths with what feeds them, as it was told. */
interface Asked extends PathsAsked {
  readonly source: SourceAsked;
}

const readAsked = (
  values: Omit<PathsAsked, 'supply' | 'shared' | 'constantDrop' | 'ratedA' | 'fittedOhm'> &
    SourceAsked & {
      readonly sharing: string;
      readonly model: string;
      readonly ratedA: number | null;
      readonly resistorOhm: number | null;
    },
): Asked => ({
  ...values,
  source: values,
  supply: rangeOf(laySource(values, { id: 'source', at: { xMm: 0, yMm: 0 } })),
  shared: values.sharing === 'one shared resistor' && values.lights > 1,
  constantDrop: values.model === 'as constant',
  // A light is mostly rated a quarter above the current that it is sold at, and small ones bear 20 mA.
  ratedA: values.ratedA ?? Math.max(0.02, 1.25 * values.currentA),
  fittedOhm: values.resistorOhm,
});

/** One resistor with what hangs on it, as a plan holds it; a value that a plan would not choose itself is fitted in it. */
const lightsOf = (asked: Asked, { curve, exactOhm, chosenOhm }: PathsSolved, ratingW: number): LightsAsked => ({
  ...asked,
  curve,
  inSeries: asked.count,
  sideBySide: asked.shared ? asked.lights : 1,
  lights: asked.shared ? asked.count * asked.lights : asked.count,
  resistorOhm:
    asked.fittedOhm ?? (exactOhm > 0 && (asked.stock.length > 0 || asked.series !== 'E12') ? chosenOhm : null),
  ratingW,
});

/** What is too much for one picture is cut to whole strings. */
const MOST_PLACED = 60;
const placedOf = ({ shared, lights, count }: PathsAsked): number =>
  shared ? lights * count : Math.min(Math.max(1, Math.floor(MOST_PLACED / count)), lights) * count;

/** What a plan of these lights would be told. */
function toldOf(asked: Asked, solved: PathsSolved, ratingW: number): readonly Finding[] {
  let ids = 0;
  const { part, lights, source } = layLights(lightsOf(asked, solved, ratingW), {
    name: asked.shared || asked.count > 1 ? 'Lights A' : 'Light A',
    widthMm: 100,
    heightMm: 100,
    newId: () => String(++ids),
  });
  return layPiece([lights, source], [part]).toldOf(lights.id);
}

/** Answers which resistor. */
export const ledResistorSum = defineSum({
  name: 'led-resistor',
  title: 'Resistor for a light',
  about:
    'The resistor for one light, several in series or side by side, on a pack or a supply, with what it gives at every corner.',
  group: 'drive',
  inputs: {
    ...sourceInputs,
    forwardV: dropInput(3.016),
    readings: readingsInput,
    currentA: ask('currentA', 'current', 'Wanted current', 0.012, ledBand),
    count: assume('count', 'series', 'Lights in series', 1, { whole: true, least: 1, most: 30 }),
    lights: assume('count', 'parallel', 'Paths side by side', 1, { whole: true, least: 1, most: 200 }),
    sharing: choice('sharing', 'Side by side with', ['one resistor each', 'one shared resistor'], 'one resistor each'),
    model: choice('model', 'Drop taken', ['on its curve', 'as constant'], 'on its curve'),
    forwardSpreadV: assume('voltageV', 'spread', 'Drop varies by, either way', 0.15, { least: 0, most: 1 }),
    ratedA: optional('currentA', 'rated', 'Highest current of the light', ledBand),
    series: choice('e', 'Standard values', seriesNames, 'E12'),
    stock: list('resistanceOhm', 'stock', 'Own drawer instead', []),
    ratingW: assume('powerW', 'rating', 'Rating of the resistor', 0.25, { most: 100 }),
    sourceOhm: assume('resistanceOhm', 'source', 'Resistance of supply and switch', 0, { least: 0, most: 1000 }),
    resistorOhm: optional('resistanceOhm', 'resistor', 'Resistor already fitted'),
    builtInOhm: assume('resistanceOhm', 'builtin', 'Resistor inside the light', 0, { least: 0, most: 1e6 }),
  },
  reckon: (values) => {
    const asked = readAsked(values);
    const solved = solvePaths(asked);
    return {
      results: [...listResults(asked, solved, values.ratedA !== null), ...ofSource(asked, solved)],
      steps: [
        ...(solved.exactOhm > 0 ? [fillSum(seriesResistor, solved.sum)] : []),
        fillSum(resistorPower, {
          I: Math.sqrt(solved.worstHeatW / Math.max(solved.chosenOhm, 1e-9)),
          R: solved.chosenOhm,
        }),
      ],
      findings: [
        ...toldOf(asked, solved, values.ratingW),
        ...checkPrinted(asked, solved),
        ...checkBuiltIn(asked, solved),
      ],
      drawing: drawLoadLine(asked, solved),
    };
  },
  intoDesign: (design, values, newId) => {
    const asked = readAsked(values);
    const { part, lights, source } = layLights(
      { ...lightsOf(asked, solvePaths(asked), values.ratingW), lights: placedOf(asked) },
      {
        name: `Lights ${itemsOf(design, 'light').length + 1}`,
        widthMm: design.view.widthMm,
        heightMm: design.view.heightMm,
        newId,
      },
    );
    return putPiece(design, [lights, source], [part]);
  },
});
