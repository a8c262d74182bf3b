import { forwardVoltageV } from '../circuit/index.ts';
import {
  deratedCurrentA,
  heatedShare,
  isTooNear,
  judgeReflow,
  junctionTemperature,
  lightHeat,
  reflowAlloys,
  softensAtC,
  solderVolume,
  touchLimitsC,
} from '../heat/index.ts';
import { batchCount, cheapestPurchase, lotsFor } from '../logbook/index.ts';
import { chooseFuse, fuseBand } from '../power/index.ts';
import { printQuantity, printSum } from '../units/index.ts';
import {
  contactsFor,
  cutLength,
  foilOhm,
  gaugeDiameter,
  roundOhm,
  wireCarriesA,
  wireDrop,
  wireOhmPerMetre,
} from '../wires/index.ts';
import { SumError } from './answer.ts';
import { curveThrough } from './lightCurves.ts';
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
} from './sum.ts';

const amps = (value: number): string => printQuantity('currentA', value);
const gauges = [34, 32, 30, 28, 26, 24, 22, 20, 18, 16, 14];

const wire = defineSum({
  name: 'wire',
  title: 'Gauge, drop and what a wire carries',
  about:
    'Resistance and drop of a run, out and back, what it carries in a bundle, and the thinnest gauge that will do.',
  group: 'wires',
  inputs: {
    currentA: ask('currentA', 'current', 'Current', 1.2, { most: 100, usual: [0.001, 15] }),
    lengthMm: ask('lengthMm', 'length', 'Length, one way', 700, { most: 100_000, usual: [10, 10_000] }),
    gaugeAwg: assume('gaugeAwg', 'gauge', 'Gauge', 24, { least: 8, most: 44 }),
    conductor: choice('conductor', 'Conductor', ['stranded wire', 'enamelled wire', 'foil', 'thread'], 'stranded wire'),
    widthMm: optional('lengthMm', 'width', 'Foil width, or wire diameter'),
    thicknessMm: optional('lengthMm', 'thickness', 'Foil thickness'),
    threadOhmPerMetre: optional('ohmPerMetre', 'thread', 'Resistance of the thread'),
    supplyV: assume('voltageV', 'supply', 'Supply', 5, { least: 0.5, most: 60 }),
    mostDrop: assume('fraction', 'drop', 'May lose', 0.03, { least: 0.001, most: 0.5 }),
    ambientC: assume('temperatureC', 'ambient', 'Temperature of the copper', 20, { least: -40, most: 120 }),
  },
  reckon: ({
    currentA,
    lengthMm,
    gaugeAwg,
    conductor,
    widthMm,
    thicknessMm,
    threadOhmPerMetre,
    supplyV,
    mostDrop,
    ambientC,
  }) => {
    const isGauge = conductor === 'stranded wire';
    if (conductor === 'foil' && (widthMm === null || thicknessMm === null))
      throw new SumError('Foil needs its width and thickness: width=5mm thickness=0.05mm');
    if (conductor === 'enamelled wire' && widthMm === null)
      throw new SumError('Enamelled wire needs the diameter of its copper: width=0.2mm');
    if (conductor === 'thread' && threadOhmPerMetre === null)
      throw new SumError('Thread needs its resistance: thread=90Ω/m');
    const warm = 1 + 0.00393 * (ambientC - 20);
    const r = isGauge
      ? wireOhmPerMetre(gaugeAwg, ambientC)
      : conductor === 'foil'
        ? foilOhm.reckon({ b: widthMm ?? 1, h: thicknessMm ?? 1 }) * warm
        : conductor === 'enamelled wire'
          ? roundOhm.reckon({ d: widthMm ?? 1 }) * warm
          : (threadOhmPerMetre ?? 0);
    const dropV = wireDrop.reckon({ I: currentA, L: lengthMm, r });
    const thinnest = gauges.find(
      (gauge) =>
        wireCarriesA(gauge) >= currentA &&
        wireDrop.reckon({ I: currentA, L: lengthMm, r: wireOhmPerMetre(gauge, ambientC) }) <= mostDrop * supplyV,
    );
    const carriesA = isGauge ? wireCarriesA(gaugeAwg) : null;
    return {
      results: [
        mainFigure('dropV', 'Lost, out and back', 'voltageV', dropV),
        figure('dropShare', '… of the supply', 'fraction', dropV / supplyV),
        figure('endV', 'At the end', 'voltageV', supplyV - dropV),
        figure('ohmPerMetre', 'One core, a metre', 'ohmPerMetre', r),
        figure('loopOhm', 'Out and back', 'resistanceOhm', (2 * r * lengthMm) / 1000),
        figure('heatW', 'Heat in it', 'powerW', dropV * currentA),
        figure('carriesA', 'Carries in a bundle', 'currentA', carriesA),
        ...(isGauge
          ? [figure('diameterMm', 'Diameter of the copper', 'lengthMm', gaugeDiameter.reckon({ n: gaugeAwg }))]
          : []),
        figure('thinnestAwg', 'Thinnest gauge that will do', 'gaugeAwg', thinnest ?? null),
        figure('cutToMm', 'Cut to, with slack', 'lengthMm', cutLength.reckon({ d: lengthMm })),
        figure('contacts', 'Contacts of 1.5 A for it', 'count', contactsFor(currentA, 1.5)),
      ],
      steps: [
        ...(isGauge ? [printSum(gaugeDiameter, { n: gaugeAwg })] : []),
        ...(conductor === 'foil' ? [printSum(foilOhm, { b: widthMm ?? 1, h: thicknessMm ?? 1 })] : []),
        ...(conductor === 'enamelled wire' ? [printSum(roundOhm, { d: widthMm ?? 1 })] : []),
        printSum(wireDrop, { I: currentA, L: lengthMm, r }),
      ],
      findings: findingsWhere(
        [
          carriesA !== null && currentA > carriesA,
          finding(
            'wire-thin',
            'stop',
            `${amps(currentA)} is more than ${gaugeAwg} gauge carries in a bundle: ${amps(carriesA ?? 0)}`,
            'Bundled under cloth it can’t get rid of its heat.',
            thinnest ? `Take ${thinnest} gauge or thicker.` : 'Split the load over several cores.',
          ),
        ],
        [
          dropV > mostDrop * supplyV,
          finding(
            'wire-drop',
            'mend',
            `${printQuantity('fraction', dropV / supplyV)} of the supply is lost`,
            'It counts out and back; blue and green starve first.',
            thinnest ? `Take ${thinnest} gauge, or a shorter way.` : 'Shorter, thicker, or a higher supply.',
          ),
        ],
        [
          conductor === 'enamelled wire',
          finding(
            'scrape',
            'mind',
            'Enamelled wire is insulated until it is scraped',
            'A joint on the enamel looks sound and is open.',
            'Scrape or burn it off and tin it before it goes in.',
          ),
        ],
        [
          conductor === 'foil',
          finding(
            'foil-corners',
            'mind',
            'Foil breaks at corners and where it is folded',
            'Glue on its back is no contact, and its edges short and cut.',
            'Solder every overlap, round the edges, measure before you cover it.',
          ),
        ],
      ),
    };
  },
});

const fuse = defineSum({
  name: 'fuse',
  title: 'Fuse',
  about: 'The fuse that carries the load and still guards the thinnest thing after it.',
  group: 'wires',
  inputs: {
    steadyA: ask('currentA', 'steady', 'Steady current', 1.92, { most: 100, usual: [0.05, 20] }),
    weakestA: optional('currentA', 'weakest', 'The weakest after it carries'),
    gaugeAwg: optional('gaugeAwg', 'gauge', '… or its gauge', { least: 8, most: 44 }),
  },
  reckon: ({ steadyA, weakestA, gaugeAwg }) => {
    const limitA = Math.min(
      weakestA ?? Number.POSITIVE_INFINITY,
      gaugeAwg === null ? Number.POSITIVE_INFINITY : wireCarriesA(gaugeAwg),
    );
    const found = chooseFuse(steadyA, limitA);
    return {
      results: [
        mainFigure('fuseA', 'Fuse', 'currentA', found.bestA),
        figure('leastA', 'At least', 'currentA', found.leastA),
        figure('mostA', 'At most', 'currentA', Math.min(2 * steadyA, limitA)),
        figure('weakestA', 'The weakest after it carries', 'currentA', Number.isFinite(limitA) ? limitA : null),
      ],
      steps: [printSum(fuseBand, { I: steadyA })],
      findings: findingsWhere(
        [
          found.bestA === null,
          finding(
            'no-fuse-fits',
            'stop',
            `No fuse both carries ${amps(steadyA)} and guards what bears ${amps(limitA)}`,
            'It would blow in use, or the wire would burn before it.',
            'A thicker wire or plug, or less current.',
          ),
        ],
        [
          weakestA === null && gaugeAwg === null,
          finding(
            'guards-what',
            'mind',
            'Without the thinnest wire it can’t be said what the fuse guards',
            'It must be below what the weakest thing after it carries.',
            'Give the gauge: gauge=24AWG.',
          ),
        ],
        [
          true,
          finding(
            'near-the-cell',
            'mind',
            'As near to the cell as it will go',
            'What lies before the fuse is guarded by nothing.',
            'In the plus lead, within a hand’s breadth, where it can be exchanged.',
          ),
        ],
      ),
    };
  },
  intoDesign: (design, { steadyA, weakestA, gaugeAwg }) => {
    const limitA = Math.min(
      weakestA ?? Number.POSITIVE_INFINITY,
      gaugeAwg === null ? Number.POSITIVE_INFINITY : wireCarriesA(gaugeAwg),
    );
    return { ...design, power: { ...design.power, fuseA: chooseFuse(steadyA, limitA).bestA ?? design.power.fuseA } };
  },
});

const junction = defineSum({
  name: 'junction',
  title: 'How hot it gets',
  about:
    'Temperature of a light or regulator from its watts and the way of the heat, its touch surface, and the current it may have.',
  group: 'heat and make',
  inputs: {
    currentA: ask('currentA', 'current', 'Current', 0.7, { most: 100, usual: [0.001, 3] }),
    voltageV: ask('voltageV', 'volts', 'Voltage across it', 3.05, { most: 100, usual: [0.2, 40] }),
    lightShare: assume('fraction', 'light', 'Share that leaves as light', 0.3, { least: 0, most: 0.6 }),
    thermalKPerW: list('thermalKPerW', 'thermal', 'Thermal resistances, inside to air', [26], {
      least: 0.01,
      most: 5000,
    }),
    ambientC: assume('temperatureC', 'ambient', 'Air inside the piece', 22, { least: -40, most: 90 }),
    limitC: assume('temperatureC', 'limit', 'Limit inside', 120, { least: 40, most: 200 }),
    touch: choice('touch', 'Its outside is touched', ['never', 'for a moment', 'for long'], 'never'),
    beside: choice('beside', 'Lies against', ['nothing', ...Object.keys(softensAtC)], 'nothing'),
    onForS: optional('timeS', 'on', 'Is on for'),
    tauS: assume('timeS', 'tau', '… with a heating time of', 180, { least: 0.1, most: 1e6 }),
  },
  reckon: ({ currentA, voltageV, lightShare, thermalKPerW, ambientC, limitC, touch, beside, onForS, tauS }) => {
    const chain = thermalKPerW.reduce((sum, each) => sum + each, 0);
    const P = lightHeat.reckon({ V: voltageV, I: currentA, n: lightShare });
    const share = onForS === null ? 1 : heatedShare(onForS, tauS);
    const insideC = junctionTemperature.reckon({ Ta: ambientC, P, Rt: chain });
    const nowC = ambientC + (insideC - ambientC) * share;
    const last = thermalKPerW[thermalKPerW.length - 1] ?? chain;
    const outsideC = ambientC + P * last * share;
    const touchC = touch === 'for long' ? touchLimitsC.long : touch === 'for a moment' ? touchLimitsC.short : null;
    const softens = softensAtC[beside] ?? null;
    const curve = curveThrough(voltageV, currentA);
    const derated = deratedCurrentA({
      ambientC,
      limitC,
      thermalKPerW: chain,
      lightShare,
      mostA: currentA * 3,
      voltageAt: (I) => forwardVoltageV(curve, I),
    });
    return {
      results: [
        mainFigure('insideC', 'Inside, in the end', 'temperatureC', insideC),
        figure('heatW', 'Heat', 'powerW', P),
        ...(onForS === null
          ? []
          : [
              figure('thenC', 'Inside when it goes off', 'temperatureC', nowC),
              figure('share', 'Share of the rise by then', 'fraction', share),
            ]),
        figure('outsideC', 'Outside of it', 'temperatureC', outsideC),
        figure('mostA', 'Most current within the limit', 'currentA', derated),
        figure('mostKPerW', 'Most thermal resistance at this current', 'thermalKPerW', (limitC - ambientC) / P),
      ],
      steps: [
        printSum(lightHeat, { V: voltageV, I: currentA, n: lightShare }),
        printSum(junctionTemperature, { Ta: ambientC, P, Rt: chain }),
      ],
      findings: findingsWhere(
        [
          nowC > limitC,
          finding(
            'too-hot',
            'stop',
            `${printQuantity('temperatureC', nowC)} inside; the limit is ${printQuantity('temperatureC', limitC)}`,
            'Light and life fall with heat, and gross excess kills at once.',
            `At most ${amps(derated)}, or a heatsink that makes it ${printQuantity('thermalKPerW', (limitC - ambientC) / P)} in all.`,
          ),
        ],
        [
          touchC !== null && outsideC > touchC,
          finding(
            'hot-touch',
            'stop',
            `Its outside reaches ${printQuantity('temperatureC', outsideC)}; skin bears ${touchC} °C ${touch}`,
            'A burn comes before the wearer can take it off.',
            'Guard it, spread the heat, or less current.',
          ),
        ],
        [
          softens !== null && isTooNear(outsideC, softens ?? 0),
          finding(
            'softens',
            'mend',
            `${beside[0]?.toUpperCase()}${beside.slice(1)} softens near ${softens ?? 0} °C; this gets ${printQuantity('temperatureC', outsideC)}`,
            'Within 10 K of that nothing is held.',
            'Another hold, a distance, or less heat.',
          ),
        ],
        [
          onForS !== null && insideC > limitC && nowC <= limitC,
          finding(
            'short-use',
            'mind',
            'It is sound only for short use',
            'Left on it goes over its limit.',
            'A time limit in the program, and time to cool.',
          ),
        ],
      ),
    };
  },
});

const reflow = defineSum({
  name: 'reflow',
  title: 'Was it soldered right?',
  about: 'Judges a reflow by a list of times and temperatures: ramp, time above melting, peak, cooling.',
  group: 'heat and make',
  inputs: {
    points: pairs({
      word: 'points',
      label: 'Times and temperatures',
      hint: 'time : temperature',
      names: ['timeS', 'temperatureC'],
      kinds: ['timeS', 'temperatureC'],
      bands: [
        { least: 0, most: 100_000 },
        { least: -40, most: 600 },
      ],
      initial: [
        [0, 25],
        [146.7, 245],
        [164.7, 245],
        [244.7, 45],
      ],
    }),
    alloy: choice('alloy', 'Alloy', ['tin-lead', 'lead-free'], 'lead-free'),
    padAMm: optional('lengthMm', 'pad', 'Pad length'),
    padBMm: optional('lengthMm', 'padwidth', 'Pad width'),
    pasteMm: assume('lengthMm', 'paste', 'Height of the paste', 0.12, { least: 0.01, most: 3 }),
  },
  reckon: ({ points, alloy, padAMm, padBMm, pasteMm }) => {
    if (points.length < 2) throw new SumError('Give at least two readings: points=0s:25C,150s:245C');
    const sorted = points.map(([atS, temperatureC]) => ({ atS, temperatureC }));
    if (sorted.some((point, i) => i > 0 && point.atS <= (sorted[i - 1]?.atS ?? 0)))
      throw new SumError('The times must rise from reading to reading');
    const limits = reflowAlloys[alloy];
    const verdict = judgeReflow(sorted, limits);
    const first = sorted[0]?.atS ?? 0;
    const last = sorted[sorted.length - 1]?.atS ?? 0;
    const solder = padAMm === null || padBMm === null ? null : { a: padAMm, b: padBMm, h: pasteMm, m: 0.5 };
    return {
      results: [
        text(
          'verdict',
          'Verdict',
          verdict.faults.length === 0 ? 'within the usual limits of this alloy' : 'not within the usual limits',
        ),
        mainFigure('peakC', 'Peak', 'temperatureC', verdict.peakC),
        figure('aboveMeltS', `Above ${limits.meltsC} °C`, 'timeS', verdict.aboveMeltS),
        figure('atPeakS', 'Within 4 K of the peak', 'timeS', verdict.atPeakS),
        figure('rampKPerS', 'Steepest rise', 'rateKPerS', verdict.steepestRampKPerS),
        figure('coolKPerS', 'Steepest fall', 'rateKPerS', verdict.steepestCoolKPerS),
        ...(solder ? [figure('solderMm3', 'Solder on the pad', 'volumeMm3', solderVolume.reckon(solder))] : []),
      ],
      steps: solder ? [printSum(solderVolume, solder)] : [],
      findings: [
        ...verdict.faults.map((fault, i) =>
          finding(
            `reflow-${i + 1}`,
            'mend',
            `${fault[0]?.toUpperCase()}${fault.slice(1)}`,
            'Usual limits of the alloy; the sheets of paste and part rule.',
            'Change the hold or the ramp and watch it again.',
          ),
        ),
        finding(
          'shiny-metal',
          'mind',
          'A thermal camera reads bare metal far too low',
          'It sees the room’s reflection.',
          'Put a spot of matt tape on it, or a thermometer under the part.',
        ),
      ],
      drawing: {
        kind: 'lines',
        x: { label: 'time', kind: 'timeS' },
        y: { label: 'temperature', kind: 'temperatureC' },
        lines: [
          { name: 'measured', role: 'curve', points: sorted.map((point) => [point.atS, point.temperatureC] as const) },
          {
            name: 'melts',
            role: 'limit',
            points: [
              [first, limits.meltsC],
              [last, limits.meltsC],
            ],
          },
          {
            name: 'highest peak',
            role: 'limit',
            points: [
              [first, limits.peakC[1]],
              [last, limits.peakC[1]],
            ],
          },
        ],
        marks: [],
      },
    };
  },
});

const batch = defineSum({
  name: 'batch',
  title: 'Parts for all copies',
  about: 'How many to buy for all copies with spares, in whole lots and at the cheapest price break.',
  group: 'heat and make',
  inputs: {
    copies: ask('count', 'copies', 'Copies', 7, { least: 1, most: 10_000, usual: [1, 200] }),
    each: ask('count', 'each', 'In each', 18, { least: 1, most: 100_000 }),
    spares: assume('fraction', 'spares', 'Spares', 0.05, { least: 0, most: 2 }),
    lot: assume('count', 'lot', 'Sold in lots of', 1, { least: 1, most: 100_000 }),
    stock: assume('count', 'stock', 'In the drawer', 0, { least: 0, most: 1e6 }),
    breaks: pairs({
      word: 'prices',
      label: 'Prices',
      hint: 'from how many : price of one',
      names: ['from', 'price'],
      kinds: ['count', 'money'],
      bands: [
        { least: 1, most: 1e6 },
        { least: 0, most: 1e6 },
      ],
      initial: [],
    }),
  },
  reckon: ({ copies, each, spares, lot, stock, breaks }) => {
    const parts = batchCount.reckon({ c: copies, n: each, s: spares });
    const missing = Math.max(0, Math.ceil(parts - 1e-9) - stock);
    const lots = lotsFor(missing, lot);
    const buy = cheapestPurchase(
      lots * lot,
      breaks.map(([from, price]) => ({ from, each: price })),
    );
    return {
      results: [
        mainFigure('lots', lot === 1 ? 'To buy' : 'Lots to buy', 'count', lots),
        figure('parts', 'Needed, with spares', 'count', parts),
        figure('withoutSpares', 'Without', 'count', copies * each),
        figure('bought', 'That is', 'count', lots * lot),
        figure('shortBy', 'The drawer is short by', 'count', Math.max(0, copies * each - stock)),
        ...(buy
          ? [
              figure('cheapestCount', 'Cheapest number to buy', 'count', buy.count),
              figure('total', 'Costs', 'money', buy.total),
            ]
          : []),
      ],
      steps: [printSum(batchCount, { c: copies, n: each, s: spares })],
      findings: findingsWhere([
        buy !== null && buy.count > lots * lot,
        finding(
          'more-is-cheaper',
          'mind',
          `Buying ${buy?.count ?? 0} costs less than the ${lots * lot} needed`,
          'A price break lies just above.',
          'What is left over goes into the drawer.',
        ),
      ]),
    };
  },
});

export const makeSums: readonly QuickSum[] = [wire, fuse, junction, reflow, batch];
