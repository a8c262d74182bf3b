import { forwardVoltageV, shiftCurve, solveNetlist, solveString } from '../circuit/index.ts';
import {
  chipCodes,
  colourBands,
  combineToward,
  nextStandard,
  readBands,
  readChipCode,
  resistorPower,
  seriesResistor,
  seriesTolerance,
  standardNeighbours,
  writeCombination,
} from '../drive/index.ts';
import { printQuantity, printSum } from '../units/index.ts';
import { SumError } from './answer.ts';
import { sample } from './drawing.ts';
import { curveOfReadings, curvePoints, curveThrough } from './lightCurves.ts';
import {
  ask,
  assume,
  choice,
  defineSum,
  figure,
  finding,
  findingsWhere,
  list,
  mainFigure,
  optional,
  pairs,
  type QuickSum,
  text,
  words,
} from './sum.ts';

const seriesNames = ['E6', 'E12', 'E24', 'E48', 'E96'] as const;
const ratingsW = [1 / 16, 0.1, 1 / 8, 1 / 4, 1 / 2, 1, 2, 5];
const ledBand = { most: 3, usual: [0.0005, 0.05] } as const;
const milli = (amps: number): string => printQuantity('currentA', amps);

interface Circuit {
  readonly curve: ReturnType<typeof curveThrough>;
  readonly constantV: number | null;
  readonly count: number;
  readonly sourceOhm: number;
}

/** Current of one path: on the curve, or with the drop taken as constant. */
function currentOf(circuit: Circuit, supplyV: number, resistorOhm: number, shiftV = 0): number {
  const { curve, constantV, count, sourceOhm } = circuit;
  if (constantV !== null)
    return Math.max(0, (supplyV - count * (constantV + shiftV)) / Math.max(1e-6, resistorOhm + sourceOhm));
  return solveString({ supplyV, resistanceOhm: resistorOhm + sourceOhm, curve: shiftCurve(curve, shiftV), count });
}

/** Lights side by side on one resistor, their drops at the three places of the spread: currents by the full solver. */
function sharedCurrents(
  circuit: Circuit,
  options: { supplyV: number; ohm: number; lights: number; spreadV: number; open: boolean },
): number[] | null {
  const { supplyV, ohm, lights, spreadV, open } = options;
  const shifts = Array.from({ length: lights }, (_, i) =>
    lights === 1 ? 0 : -spreadV + (2 * spreadV * i) / (lights - 1),
  );
  const solved = solveNetlist([
    { kind: 'voltage', name: 'supply', plus: 'v', minus: '0', volts: supplyV },
    { kind: 'resistor', name: 'R', a: 'v', b: 'n', ohm: Math.max(1e-3, ohm + circuit.sourceOhm) },
    ...shifts.slice(open ? 1 : 0).map((shift, i) => ({
      kind: 'diode' as const,
      name: `light ${i}`,
      anode: 'n',
      cathode: '0',
      curve: shiftCurve(circuit.curve, shift),
    })),
  ]);
  if (!solved.ok) return null;
  return shifts.slice(open ? 1 : 0).map((_, i) => solved.currentA.get(`light ${i}`) ?? 0);
}

const ledResistor = defineSum({
  name: 'led-resistor',
  title: 'Resistor for a light',
  about: 'The resistor for one light, several in series or side by side, with what it gives at every corner.',
  group: 'drive',
  inputs: {
    supplyV: ask('voltageV', 'supply', 'Supply', 5, { most: 60, usual: [1.2, 30] }),
    forwardV: ask('voltageV', 'forward', 'Forward drop at that current', 3.016, { most: 60, usual: [1.1, 3.9] }),
    currentA: ask('currentA', 'current', 'Wanted current', 0.012, ledBand),
    count: assume('count', 'series', 'Lights in series', 1, { least: 1, most: 30 }),
    lights: assume('count', 'parallel', 'Paths side by side', 1, { least: 1, most: 200 }),
    sharing: choice('sharing', 'Side by side with', ['one resistor each', 'one shared resistor'], 'one resistor each'),
    model: choice('model', 'Drop taken', ['on its curve', 'as constant'], 'on its curve'),
    supplySpread: assume('fraction', 'supplyspread', 'Supply varies by, either way', 0.05, { least: 0, most: 0.5 }),
    forwardSpreadV: assume('voltageV', 'spread', 'Drop varies by, either way', 0.15, { least: 0, most: 1 }),
    ratedA: optional('currentA', 'rated', 'Highest current of the light', ledBand),
    series: choice('e', 'Standard values', seriesNames, 'E12'),
    stock: list('resistanceOhm', 'stock', 'Own drawer instead', []),
    ratingW: assume('powerW', 'rating', 'Rating of the resistor', 0.25, { most: 100 }),
    sourceOhm: assume('resistanceOhm', 'source', 'Resistance of supply and switch', 0, { least: 0, most: 1000 }),
    resistorOhm: optional('resistanceOhm', 'resistor', 'Resistor already fitted'),
  },
  reckon: (values) => {
    const { supplyV, forwardV, currentA, count, lights, sharing, supplySpread, forwardSpreadV, sourceOhm } = values;
    // A light is mostly rated a quarter above the current that it is sold at, and small ones bear 20 mA.
    const ratedA = values.ratedA ?? Math.max(0.02, 1.25 * currentA);
    const shared = sharing === 'one shared resistor' && lights > 1;
    const circuit: Circuit = {
      curve: curveThrough(forwardV, currentA),
      constantV: values.model === 'as constant' ? forwardV : null,
      count,
      // Paths that share the supply's resistance each see it as many times as there are paths.
      sourceOhm: shared ? sourceOhm : sourceOhm * lights,
    };
    const through = shared ? currentA * lights : currentA;
    const sum = { Vs: supplyV, Vd: circuit.sourceOhm * through, Vf: count * forwardV, I: through };
    const exactOhm = seriesResistor.reckon(sum);
    const headRoomV = supplyV - count * forwardV - sum.Vd;
    const tolerance = seriesTolerance[values.series];
    const corner = (ohm: number, way: 1 | -1): number =>
      currentOf(circuit, supplyV * (1 + way * supplySpread), ohm * (1 - way * tolerance), -way * forwardSpreadV);
    const combos =
      values.stock.length > 0 && exactOhm > 0 ? combineToward(exactOhm, values.stock, { most: 2, keep: 3 }) : [];
    let chosen =
      values.resistorOhm ?? combos[0]?.ohm ?? (exactOhm > 0 ? standardNeighbours(exactOhm, values.series).above : 0);
    if (values.resistorOhm === null && combos.length === 0 && exactOhm > 0 && !shared)
      while (corner(chosen, 1) > ratedA && corner(chosen, 1) > 0) chosen = nextStandard(chosen, values.series);
    const likely = shared
      ? (sharedCurrents(circuit, { supplyV, ohm: chosen, lights, spreadV: 0, open: false })?.[0] ?? 0)
      : currentOf(circuit, supplyV, chosen);
    const spread = shared
      ? sharedCurrents(circuit, { supplyV, ohm: chosen, lights, spreadV: forwardSpreadV, open: false })
      : null;
    const opened = shared
      ? sharedCurrents(circuit, { supplyV, ohm: chosen, lights, spreadV: forwardSpreadV, open: true })
      : null;
    const brightest = spread ? Math.max(...spread) : corner(chosen, 1);
    const dimmest = spread ? Math.min(...spread) : corner(chosen, -1);
    const resistorA = shared ? likely * lights : likely;
    const worstHeatW = resistorPower.reckon({ I: shared ? resistorA : brightest, R: chosen });
    const rating = ratingsW.find((each) => each >= 2 * worstHeatW) ?? null;
    const forgotten = currentOf(circuit, supplyV, standardNeighbours(supplyV / currentA, values.series).above);
    const neighbours = exactOhm > 0 ? standardNeighbours(exactOhm, values.series) : null;
    const bands = [values.series === 'E48' || values.series === 'E96' ? 0.01 : 0.05].flatMap((share) => {
      try {
        return [colourBands(chosen, share).join(', ')];
      } catch {
        // A pair out of the drawer, or a value off every series, has no bands.
        return [];
      }
    });
    return {
      results: [
        mainFigure(
          'resistorOhm',
          'Resistor',
          'resistanceOhm',
          exactOhm > 0 || values.resistorOhm !== null ? chosen : null,
        ),
        figure('exactOhm', 'Exactly', 'resistanceOhm', exactOhm),
        figure('likelyA', shared ? 'Each light, if all were alike' : 'Current', 'currentA', likely),
        figure('brightestA', 'Brightest corner', 'currentA', brightest),
        figure('dimmestA', 'Dimmest corner', 'currentA', dimmest),
        figure('heatW', 'Heat in the resistor', 'powerW', resistorPower.reckon({ I: resistorA, R: chosen })),
        figure('worstHeatW', 'Heat at the bright corner', 'powerW', worstHeatW),
        figure('ratingW', 'Rating that leaves half in hand', 'powerW', rating),
        figure('headRoomV', 'Head-room for the resistor', 'voltageV', headRoomV),
        figure(
          'lightShare',
          'Share of the energy that reaches the lights',
          'fraction',
          Math.min(1, (count * forwardV) / supplyV),
        ),
        figure(
          'ratedA',
          values.ratedA === null ? 'Highest current, taken as usual' : 'Highest current',
          'currentA',
          ratedA,
        ),
        figure('totalA', 'All paths together', 'currentA', likely * lights),
        figure('withoutDropA', 'If the drop were forgotten', 'currentA', forgotten),
        ...(bands[0] ? [text('bands', 'Bands', bands[0])] : []),
        ...(spread
          ? [
              {
                form: 'figures' as const,
                key: 'spreadA',
                label: 'Lights of the spread, lowest drop first',
                kind: 'currentA' as const,
                values: spread,
              },
              {
                form: 'figures' as const,
                key: 'openA',
                label: 'The rest, when the lowest one opens',
                kind: 'currentA' as const,
                values: opened ?? [],
              },
            ]
          : []),
        ...(neighbours
          ? [
              {
                form: 'table' as const,
                key: 'neighbours',
                label: combos.length > 0 ? 'From the drawer' : 'Neighbours',
                columns: [
                  { key: 'parts', label: 'made of', kind: 'text' as const },
                  { key: 'resistorOhm', label: 'value', kind: 'resistanceOhm' as const },
                  { key: 'currentA', label: 'current', kind: 'currentA' as const },
                ],
                rows:
                  combos.length > 0
                    ? combos.map((each) => [writeCombination(each), each.ohm, currentOf(circuit, supplyV, each.ohm)])
                    : [neighbours.below, neighbours.above, nextStandard(neighbours.above, values.series)]
                        .filter((ohm, i, all) => all.indexOf(ohm) === i)
                        .map((ohm) => [printQuantity('resistanceOhm', ohm), ohm, currentOf(circuit, supplyV, ohm)]),
              },
            ]
          : []),
      ],
      steps: [
        ...(exactOhm > 0 ? [printSum(seriesResistor, sum)] : []),
        printSum(resistorPower, { I: shared ? resistorA : brightest, R: chosen }),
      ],
      findings: findingsWhere(
        [
          headRoomV <= 0,
          finding(
            'no-head-room',
            'stop',
            `${printQuantity('voltageV', supplyV)} can’t light ${count > 1 ? `${count} in series` : 'it'}: the lights alone want ${printQuantity('voltageV', count * forwardV)}`,
            'Nothing is left for the resistor, so nothing holds the current.',
            'A higher supply or fewer in series.',
          ),
        ],
        [
          headRoomV > 0 && headRoomV < 0.25 * supplyV,
          finding(
            'small-head-room',
            'mend',
            `Only ${printQuantity('voltageV', headRoomV)} is left for the resistor`,
            'A small change of the supply makes a large one of the current; look at it over the whole life of the pack.',
            'Leave 25 to 30 % of the supply, or use a constant-current driver.',
          ),
        ],
        [
          brightest > ratedA * (1 + 1e-9) && headRoomV > 0,
          finding(
            'over-rating',
            'stop',
            `The brightest ${shared ? 'light' : 'corner'} has ${milli(brightest)}; the light bears ${milli(ratedA)}`,
            'A light is rated by current; it fades and fails early.',
            shared
              ? 'One resistor each, or half the current.'
              : `Take ${printQuantity('resistanceOhm', nextStandard(Math.max(chosen, 1), values.series))} or more.`,
          ),
        ],
        [
          worstHeatW > values.ratingW / 2,
          finding(
            'resistor-hot',
            worstHeatW > values.ratingW ? 'stop' : 'mend',
            `The resistor burns ${printQuantity('powerW', worstHeatW)} of its ${printQuantity('powerW', values.ratingW)}`,
            'Closed in a prop, half of the rating is all it should carry; its surface burns skin and softens plastic.',
            `Take one of ${printQuantity('powerW', rating ?? 5)}, or fewer lights on it.`,
          ),
        ],
        [
          shared && spread !== null && Math.max(...spread) > 2 * Math.min(...spread),
          finding(
            'shared-uneven',
            'mend',
            `Sharing one resistor they draw ${milli(Math.min(...(spread ?? [0])))} to ${milli(Math.max(...(spread ?? [0])))}`,
            'The lowest drop takes most, and each failure pushes the rest harder. It is sound only for one batch, at half the rating, all lit together.',
            'One resistor each. Never unlike colours on one.',
          ),
        ],
        [
          values.resistorOhm !== null && exactOhm > 0 && values.resistorOhm < exactOhm * 0.9,
          finding(
            'resistor-small',
            'mend',
            'The fitted resistor was meant for another supply or current',
            `Here ${printQuantity('resistanceOhm', exactOhm)} would give what is wanted.`,
            'Exchange it, or add the difference in series.',
          ),
        ],
      ),
      drawing: {
        kind: 'lines',
        x: { label: 'voltage across the lights', kind: 'voltageV' },
        y: { label: 'current', kind: 'currentA' },
        lines: [
          {
            name: count > 1 ? `${count} lights` : 'the light',
            role: 'curve',
            points: curvePoints(circuit.curve, Math.max(likely, currentA, 1e-4) * 1.8).map(
              ([v, i]) => [v * count, i] as const,
            ),
          },
          {
            name: 'what the resistor leaves',
            role: 'second',
            points: sample(0, supplyV, 2, (v) => (supplyV - v) / Math.max(1, chosen + circuit.sourceOhm)),
          },
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
          headRoomV > 0 ? [{ name: milli(likely), at: [supplyV - likely * (chosen + circuit.sourceOhm), likely] }] : [],
      },
    };
  },
  intoDesign: (design, { forwardV, currentA, lights, count }, newId) => {
    const places = Math.min(60, lights * count);
    return {
      ...design,
      leds: [
        ...design.leds,
        {
          id: newId(),
          name: `Lights ${design.leds.length + 1}`,
          part: forwardV < 2.4 ? 'led-5mm-amber' : 'led-5mm-white',
          channels: 1,
          wantedCurrentA: currentA,
          forwardV: { likely: forwardV, spread: 0.1, origin: 'measured' },
          resistorOhm: null,
          resistorRatedW: 0.25,
          sleeved: true,
          drivenBy: 'auto',
          places: Array.from({ length: places }, (_, i) => ({
            id: newId(),
            at: { xMm: design.view.widthMm * ((i + 1) / (places + 1)), yMm: design.view.heightMm / 2 },
            hollowId: null,
          })),
        },
      ],
    };
  },
});

const ledString = defineSum({
  name: 'led-string',
  title: 'How many in series?',
  about:
    'Strings of one to many lights on a pack, from fresh to spent: current, fall of brightness, share of the energy.',
  group: 'drive',
  inputs: {
    freshV: ask('voltageV', 'fresh', 'Pack, fresh', 12.6, { most: 60, usual: [1.2, 30] }),
    nominalV: ask('voltageV', 'nominal', 'Pack, nominal', 11.1, { most: 60, usual: [1.2, 30] }),
    spentV: ask('voltageV', 'spent', 'Pack, spent', 9, { most: 60, usual: [0.8, 30] }),
    forwardV: ask('voltageV', 'forward', 'Forward drop at that current', 1.934, { most: 6, usual: [1.1, 3.9] }),
    currentA: ask('currentA', 'current', 'Wanted current', 0.008, ledBand),
    ratedA: assume('currentA', 'rated', 'Highest current of the light', 0.02, ledBand),
  },
  reckon: ({ freshV, nominalV, spentV, forwardV, currentA, ratedA }) => {
    const curve = curveThrough(forwardV, currentA);
    const most = Math.floor((nominalV - 0.05) / forwardV);
    if (most < 1)
      throw new SumError(
        `${printQuantity('voltageV', nominalV)} does not light even one light of ${printQuantity('voltageV', forwardV)}`,
      );
    const rows = Array.from({ length: Math.min(12, most) }, (_, i) => {
      const count = i + 1;
      const ohm = standardNeighbours((nominalV - count * forwardV) / currentA).above;
      const at = (supplyV: number): number => solveString({ supplyV, resistanceOhm: ohm, curve, count });
      return {
        count,
        ohm,
        fresh: at(freshV),
        nominal: at(nominalV),
        spent: at(spentV),
        share: (count * forwardV) / nominalV,
      };
    });
    const steady = rows.filter((row) => row.fresh <= ratedA && row.spent >= row.nominal * 0.5);
    const best = steady[steady.length - 1];
    return {
      results: [
        mainFigure('bestCount', 'Most in series that stays steady', 'count', best?.count ?? null),
        {
          form: 'table',
          key: 'strings',
          label: 'Strings',
          columns: [
            { key: 'count', label: 'lights', kind: 'count' },
            { key: 'resistorOhm', label: 'resistor', kind: 'resistanceOhm' },
            { key: 'freshA', label: 'fresh', kind: 'currentA' },
            { key: 'nominalA', label: 'nominal', kind: 'currentA' },
            { key: 'spentA', label: 'spent', kind: 'currentA' },
            { key: 'lightShare', label: 'to the lights', kind: 'fraction' },
          ],
          rows: rows.map((row) => [row.count, row.ohm, row.fresh, row.nominal, row.spent, row.share]),
        },
      ],
      steps: [printSum(seriesResistor, { Vs: nominalV, Vd: 0, Vf: (best?.count ?? 1) * forwardV, I: currentA })],
      findings: findingsWhere([
        rows.some((row) => row.fresh > ratedA),
        finding(
          'string-hot',
          'mend',
          'Long strings are over the rating on a fresh pack',
          'What just works at the nominal voltage is too bright fresh and dark at the end.',
          'Fewer in series, so that a quarter of the voltage is left for the resistor; or a constant-current driver.',
        ),
      ]),
      drawing: {
        kind: 'lines',
        x: { label: 'pack', kind: 'voltageV' },
        y: { label: 'current', kind: 'currentA' },
        lines: [
          ...rows.map((row) => ({
            name: `${row.count} in series`,
            role: row === best ? ('curve' as const) : ('second' as const),
            points: sample(spentV, freshV, 30, (v) =>
              solveString({ supplyV: v, resistanceOhm: row.ohm, curve, count: row.count }),
            ),
          })),
          {
            name: 'rated',
            role: 'limit' as const,
            points: [
              [spentV, ratedA],
              [freshV, ratedA],
            ],
          },
        ],
        marks: [],
      },
    };
  },
});

const resistorCombine = defineSum({
  name: 'resistor-combine',
  title: 'From the drawer',
  about: 'One, two or three resistors of the drawer that come nearest to a value, in every way of joining.',
  group: 'drive',
  inputs: {
    wantedOhm: ask('resistanceOhm', 'wanted', 'Wanted', 165.3, { most: 1e9 }),
    stock: list('resistanceOhm', 'stock', 'In the drawer', [47, 68, 100, 120, 270]),
    most: assume('count', 'most', 'At most how many', 2, { least: 1, most: 3 }),
    side: choice('side', 'May be', ['nearest', 'at or above'], 'nearest'),
  },
  reckon: ({ wantedOhm, stock, most, side }) => {
    if (stock.length === 0) throw new SumError('The drawer is empty: give stock=47,100,220');
    if (most > 2 && stock.length > 40)
      throw new SumError(`Three out of ${stock.length} values are too many ways; give at most 40, or take two`);
    const found = combineToward(wantedOhm, stock, {
      most: most >= 3 ? 3 : most >= 2 ? 2 : 1,
      keep: 6,
      atLeast: side === 'at or above',
    });
    const best = found[0];
    return {
      results: [
        mainFigure('ohm', 'Nearest', 'resistanceOhm', best?.ohm ?? null),
        text('joined', 'Made of', best ? writeCombination(best) : 'nothing in the drawer reaches it'),
        figure('off', 'Off by', 'fraction', best ? best.ohm / wantedOhm - 1 : null),
        {
          form: 'table',
          key: 'ways',
          label: 'The nearest ways',
          columns: [
            { key: 'parts', label: 'made of', kind: 'text' },
            { key: 'ohm', label: 'value', kind: 'resistanceOhm' },
            { key: 'off', label: 'off', kind: 'fraction' },
          ],
          rows: found.map((each) => [writeCombination(each), each.ohm, each.ohm / wantedOhm - 1]),
        },
      ],
      steps: [],
      findings: findingsWhere([
        best !== undefined && Math.abs(best.ohm / wantedOhm - 1) > 0.1,
        finding(
          'drawer-far',
          'mend',
          `The nearest is ${printQuantity('fraction', Math.abs((best?.ohm ?? 0) / wantedOhm - 1))} off`,
          'Reckon the current with it before you take it.',
          'Buy the value, or allow three together.',
        ),
      ]),
    };
  },
});

const resistorCode = defineSum({
  name: 'resistor-code',
  title: 'Resistor markings',
  about: 'Colour bands and chip codes of a value, and the value of bands or a chip code.',
  group: 'drive',
  inputs: {
    ohm: optional('resistanceOhm', 'value', 'Value', { most: 1e11 }, 4700),
    tolerance: assume('fraction', 'tolerance', 'Tolerance', 0.05, { least: 0.0001, most: 0.2 }),
    bands: words('bands', 'Bands', ''),
    chip: words('chip', 'Chip code', ''),
  },
  reckon: ({ ohm, tolerance, bands, chip }) => {
    const names = bands.split(/[\s,;/-]+/).filter(Boolean);
    const read = names.length > 0 ? readBands(names) : chip !== '' ? readChipCode(chip) : null;
    if (names.length > 0 && !read)
      throw new SumError(`"${bands}" is not a colour code: four or five colours, such as brown grey brown gold`);
    if (names.length === 0 && chip !== '' && !read)
      throw new SumError(
        `"${chip}" is not a chip code: three or four digits (472, 4701), an R for the point (4R7), or two digits and a letter (66C)`,
      );
    const value = read?.ohm ?? ohm;
    if (value === null)
      throw new SumError('Give a value, bands or a chip code: value=4k7, bands=brown-grey-brown-gold or chip=472');
    const share = read?.tolerance ?? tolerance;
    let written: string;
    try {
      written = colourBands(value, share).join(', ');
    } catch (cause) {
      written = cause instanceof Error ? cause.message : 'none';
    }
    const codes = chipCodes(value);
    return {
      results: [
        mainFigure('ohm', 'Value', 'resistanceOhm', value),
        figure('tolerance', 'Tolerance', 'fraction', share),
        figure('leastOhm', 'At least', 'resistanceOhm', value * (1 - share)),
        figure('mostOhm', 'At most', 'resistanceOhm', value * (1 + share)),
        text('bands', 'Bands', written),
        text('chipThree', 'Chip, three digits', codes.three ?? 'none'),
        text('chipFour', 'Chip, four digits', codes.four ?? 'none'),
        text('chipLetter', 'Chip, two digits and a letter', codes.letter ?? 'none'),
        text(
          'series',
          'Stands in',
          seriesNames
            .filter((name) => value > 0 && Math.abs(standardNeighbours(value, name).below / value - 1) < 1e-6)
            .join(', ') || 'no series',
        ),
      ],
      steps: [],
      findings: findingsWhere([
        Boolean(read) && ohm !== null && Math.abs((read?.ohm ?? 0) / (ohm ?? 1) - 1) > (read?.tolerance ?? 0.05),
        finding(
          'not-the-value',
          'stop',
          `The marking says ${printQuantity('resistanceOhm', value)}, not ${printQuantity('resistanceOhm', ohm ?? 0)}`,
          'Read from the other end, or in poor light, red, brown and orange are easily taken for each other.',
          'Measure it.',
        ),
      ]),
    };
  },
});

const ledCurve = defineSum({
  name: 'led-curve',
  title: 'The curve of a light',
  about: 'Fits a light’s curve to one, two or more readings and gives volts at any current and current at any voltage.',
  group: 'drive',
  inputs: {
    readings: pairs({
      word: 'readings',
      label: 'Readings',
      hint: 'current : voltage',
      names: ['currentA', 'voltageV'],
      kinds: ['currentA', 'voltageV'],
      bands: [
        { least: 1e-7, most: 10, usual: [0.0001, 1] },
        { least: 0.3, most: 60, usual: [1, 4.5] },
      ],
      initial: [
        [0.001, 1.78],
        [0.02, 2.06],
      ],
    }),
    seriesOhm: optional('resistanceOhm', 'seriesohm', 'Series resistance, if known', { least: 0, most: 1000 }),
    atA: list('currentA', 'at', 'Volts at', [0.005, 0.02], { most: 10 }),
    atV: list('voltageV', 'volts', 'Current at', [1.5, 2], { most: 60 }),
    warmerK: assume('temperatureC', 'warmer', 'Warmer than the readings by', 0, { least: -80, most: 120 }),
  },
  reckon: ({ readings, seriesOhm, atA, atV, warmerK }) => {
    if (readings.length === 0) throw new SumError('Give a reading or two: readings=1mA:1.78V,20mA:2.06V');
    let fitted: ReturnType<typeof curveOfReadings>;
    try {
      fitted = curveOfReadings(readings, seriesOhm);
    } catch (cause) {
      throw new SumError(cause instanceof Error ? cause.message : 'The readings make no curve', { cause });
    }
    const highest = Math.max(...readings.map((reading) => reading[1]));
    // Red and amber fall by 2 mV a kelvin, green to ultraviolet by 4 (RECKONING §1).
    const curve = shiftCurve(fitted, -(highest < 2.4 ? 0.002 : 0.004) * warmerK);
    const lowest = Math.min(...readings.map((reading) => reading[0]));
    const mostA = Math.max(0.025, ...readings.map((reading) => reading[0] * 1.3), ...atA);
    return {
      results: [
        figure('slopeV', 'n·Vt', 'voltageV', curve.nVtV),
        text('saturationA', 'Is, A', curve.saturationA.toExponential(4)),
        figure('seriesOhm', 'Rs', 'resistanceOhm', curve.seriesOhm),
        {
          form: 'table',
          key: 'voltages',
          label: 'Volts at a current',
          columns: [
            { key: 'currentA', label: 'at', kind: 'currentA' },
            { key: 'voltageV', label: 'drop', kind: 'voltageV' },
          ],
          rows: atA.map((each) => [each, forwardVoltageV(curve, each)]),
        },
        {
          form: 'table',
          key: 'currents',
          label: 'Current at a voltage, without a resistor',
          columns: [
            { key: 'voltageV', label: 'at', kind: 'voltageV' },
            { key: 'currentA', label: 'current', kind: 'currentA' },
          ],
          rows: atV.map((each) => [each, solveString({ supplyV: each, resistanceOhm: 0, curve })]),
        },
      ],
      steps: [],
      findings: findingsWhere(
        [
          readings.length === 1,
          finding(
            'one-reading',
            'mind',
            'One reading: the slope is typical, not yours',
            'Away from the reading the curve is a guess.',
            'Take a second one at about ten times the current.',
          ),
        ],
        [
          lowest <= 0.0015 && readings.length === 1,
          finding(
            'diode-range',
            'mend',
            'A meter’s diode range reads near 1 mA',
            'It must not go into a sum at 10 or 20 mA: the drop there is up to half a volt more.',
            'Measure at the current you want.',
          ),
        ],
        [
          true,
          finding(
            'by-current',
            'mind',
            'A light is rated by current',
            '"Takes up to so many volts" is no licence to connect it: a tenth of a volt more can double the current.',
            'Always a resistor or a driver.',
          ),
        ],
      ),
      drawing: {
        kind: 'lines',
        x: { label: 'voltage', kind: 'voltageV' },
        y: { label: 'current', kind: 'currentA' },
        lines: [{ name: 'the light', role: 'curve', points: curvePoints(curve, mostA) }],
        marks: readings.map(([current, volts]) => ({ name: 'reading', at: [volts, current] as const })),
      },
    };
  },
});

export const resistorSums: readonly QuickSum[] = [ledResistor, ledString, resistorCombine, resistorCode, ledCurve];
