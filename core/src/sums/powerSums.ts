import { perceivedShare } from '../lights/index.ts';
import { type Chemistry, chemistries, converters, type Figure, packs, typical } from '../parts/index.ts';
import {
  boostInput,
  bridgePower,
  ceilingSum,
  chargeTime,
  createRandom,
  describeEnd,
  evenFeeds,
  fewestFeeds,
  gainChange,
  linearHeat,
  MOST_HOURS,
  modelPack,
  type NightMaker,
  openCircuitVoltageV,
  operate,
  type PackModel,
  type PowerPath,
  packEnergy,
  packResistanceOhm,
  packsForEvent,
  plainRunTime,
  planCharging,
  rateLaw,
  runNight,
  sampleNight,
  solveConstantPower,
  startDipV,
  swapTimesH,
  tapeVoltages,
} from '../power/index.ts';
import { printQuantity, printSum } from '../units/index.ts';
import { SumError } from './answer.ts';
import { sample } from './drawing.ts';
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
const volts = (value: number): string => printQuantity('voltageV', value);
const hours = (value: number): string => printQuantity('timeH', value);
// Object.keys of a Record of Chemistry has just these names.
const chemistryNames = Object.keys(chemistries) as Chemistry[];

const tapeInputs = {
  lengthMm: ask('lengthMm', 'length', 'Length of the tape', 3000, { most: 100_000, usual: [50, 10_000] }),
  perMetre: ask('perMetre', 'density', 'Pixels a metre', 60, { least: 1, most: 1000, usual: [14, 400] }),
  pixelA: ask('currentA', 'pixel', 'Draw of one pixel', 0.0368, { most: 1, usual: [0.0005, 0.1] }),
  supplyV: assume('voltageV', 'supply', 'Supply', 5, { least: 1, most: 48 }),
  railOhmPerMetre: assume('ohmPerMetre', 'rails', 'Both rails of a metre', 0.3, { least: 0.001, most: 20 }),
  leadOhm: assume('resistanceOhm', 'lead', 'Lead of a feed, out and back', 0.05, { least: 0, most: 20 }),
  fullAboveV: assume('voltageV', 'fullabove', 'Full current above', 3.7, { least: 0, most: 48 }),
} as const;

const evenTape = (values: {
  lengthMm: number;
  perMetre: number;
  pixelA: number;
  supplyV: number;
  railOhmPerMetre: number;
  leadOhm: number;
  fullAboveV: number;
}) => {
  const pixels = Math.floor((values.lengthMm * values.perMetre) / 1000 + 1e-6);
  if (pixels < 1) throw new SumError('Not one pixel fits that length');
  if (pixels > 20_000) throw new SumError(`${pixels} pixels are more than one sum takes; at most 20 000`);
  return {
    supplyV: values.supplyV,
    pixels,
    pixelA: values.pixelA,
    pitchOhm: values.railOhmPerMetre / values.perMetre,
    leadOhm: values.leadOhm,
    fullAboveV: values.fullAboveV,
  };
};

const tapeDrop = defineSum({
  name: 'tape-drop',
  title: 'Voltage along a tape',
  about: 'Voltage at every pixel for any set of feed points, with loads that fall off as the voltage does.',
  group: 'power',
  inputs: {
    ...tapeInputs,
    feeds: list('lengthMm', 'feeds', 'Fed at, from the start', [0], { least: 0, most: 100_000 }),
    load: choice(
      'load',
      'Pixels draw',
      ['less as the voltage falls', 'the same at any voltage'],
      'less as the voltage falls',
    ),
    wantedV: assume('voltageV', 'wanted', 'Least voltage wanted', 4.5, { least: 0.5, most: 48 }),
  },
  reckon: (values) => {
    const tape = evenTape({ ...values, fullAboveV: values.load === 'the same at any voltage' ? 0 : values.fullAboveV });
    const at = [
      ...new Set(
        values.feeds.map((mm) =>
          Math.min(tape.pixels - 1, Math.max(0, Math.round((mm * values.perMetre) / 1000 - 0.5))),
        ),
      ),
    ];
    if (at.length === 0) throw new SumError('Give at least one feed: feeds=0 or feeds=0,3m');
    const solved = tapeVoltages(tape, at);
    const least = Math.min(...solved.voltageV);
    const where = solved.voltageV.indexOf(least);
    const askedA = tape.pixels * tape.pixelA;
    const collapsed = least < 0.1 || !Number.isFinite(least);
    return {
      results: [
        mainFigure('leastV', 'Least voltage', 'voltageV', least),
        figure('dropV', 'Lost there', 'voltageV', values.supplyV - least),
        figure('leastAtPixel', '… at pixel', 'count', where + 1),
        figure('pixels', 'Pixels', 'count', tape.pixels),
        figure('totalA', 'Draws in all', 'currentA', solved.totalA),
        figure('lostShare', 'Light current lost to the drop', 'fraction', Math.max(0, 1 - solved.totalA / askedA)),
        { form: 'figures', key: 'feedA', label: 'Each feed gives', kind: 'currentA', values: solved.feedA },
        { form: 'figures', key: 'voltageV', label: 'At each pixel', kind: 'voltageV', values: solved.voltageV },
      ],
      steps: [],
      findings: findingsWhere(
        [
          collapsed,
          finding(
            'tape-collapses',
            'stop',
            'The tape can’t draw that much through its rails',
            'The voltage is used up before the far end.',
            'More feeds, or less brightness.',
          ),
        ],
        [
          least < values.wantedV && !collapsed,
          finding(
            'tape-low',
            'mend',
            `The weakest pixel gets ${volts(least)}; ${volts(values.wantedV)} is wanted`,
            'Blue and green starve first, so white goes warm towards the far end.',
            'Feed it at more places: see feed-points.',
          ),
        ],
      ),
      drawing: {
        kind: 'lines',
        x: { label: 'along the tape', kind: 'lengthMm' },
        y: { label: 'voltage', kind: 'voltageV' },
        lines: [
          {
            name: 'at the pixels',
            role: 'curve',
            points: solved.voltageV.map((v, i) => [((i + 0.5) * 1000) / values.perMetre, v] as const),
          },
          {
            name: 'wanted',
            role: 'limit',
            points: [
              [0, values.wantedV],
              [values.lengthMm, values.wantedV],
            ],
          },
        ],
        marks: at.map((i) => ({
          name: 'feed',
          at: [((i + 0.5) * 1000) / values.perMetre, solved.voltageV[i] ?? 0] as const,
        })),
      },
    };
  },
});

const feedPoints = defineSum({
  name: 'feed-points',
  title: 'Where to feed a tape',
  about: 'The fewest feed points that keep every pixel above a voltage, and where they go.',
  group: 'power',
  inputs: {
    ...tapeInputs,
    wantedV: ask('voltageV', 'wanted', 'Least voltage wanted', 4.5, { least: 0.5, most: 48, usual: [3, 24] }),
  },
  reckon: (values) => {
    const tape = evenTape(values);
    const found = fewestFeeds(tape, values.wantedV);
    const at = found?.at ?? evenFeeds(tape.pixels, 1);
    const solved = tapeVoltages(tape, at);
    const ends = Math.min(...tapeVoltages(tape, [0, tape.pixels - 1]).voltageV);
    const one = Math.min(...tapeVoltages(tape, [0]).voltageV);
    const mm = (i: number): number => ((i + 0.5) * 1000) / values.perMetre;
    return {
      results: [
        mainFigure('feeds', 'Feed points', 'count', found?.at.length ?? null),
        {
          form: 'figures',
          key: 'feedsMm',
          label: 'At, from the start',
          kind: 'lengthMm',
          values: found ? found.at.map(mm) : [],
        },
        figure('leastV', 'Least voltage with them', 'voltageV', found?.leastV ?? null),
        figure('oneEndV', 'Fed at one end only', 'voltageV', one),
        figure('bothEndsV', 'Fed at both ends', 'voltageV', ends),
        figure('totalA', 'Draws in all', 'currentA', solved.totalA),
      ],
      steps: [],
      findings: findingsWhere([
        found === null,
        finding(
          'cannot-feed',
          'stop',
          `No number of feeds keeps ${volts(values.wantedV)}`,
          'The lead alone loses more than that.',
          'Thicker leads, a higher supply, or less brightness.',
        ),
      ]),
      drawing: {
        kind: 'lines',
        x: { label: 'along the tape', kind: 'lengthMm' },
        y: { label: 'voltage', kind: 'voltageV' },
        lines: [
          { name: 'with these feeds', role: 'curve', points: solved.voltageV.map((v, i) => [mm(i), v] as const) },
          {
            name: 'fed at one end',
            role: 'second',
            points: tapeVoltages(tape, [0]).voltageV.map((v, i) => [mm(i), v] as const),
          },
          {
            name: 'wanted',
            role: 'limit',
            points: [
              [0, values.wantedV],
              [values.lengthMm, values.wantedV],
            ],
          },
        ],
        marks: at.map((i) => ({ name: 'feed', at: [mm(i), solved.voltageV[i] ?? 0] as const })),
      },
    };
  },
});

const packNames = packs.map((part) => part.id.replace(/^pack-/, ''));

const pack = defineSum({
  name: 'pack',
  title: 'A pack made of cells',
  about:
    'Cells in series and side by side: volts full and empty, capacity, energy, resistance, what it can give, mass.',
  group: 'power',
  inputs: {
    cell: choice('cell', 'Cell or pack', packNames, 'lithium-round-2600'),
    series: assume('count', 'series', 'In series', 1, { least: 1, most: 20 }),
    parallel: assume('count', 'parallel', 'Side by side', 1, { least: 1, most: 20 }),
    ambientC: assume('temperatureC', 'ambient', 'Temperature', 21, { least: -30, most: 60 }),
    loadA: assume('currentA', 'load', 'Look at a load of', 0.5, { least: 0, most: 100 }),
    charge: assume('fraction', 'charge', '… with this charge left', 0.5, { least: 0, most: 1 }),
  },
  reckon: ({ cell, series, parallel, ambientC, loadA, charge }) => {
    const part = packs.find((each) => each.id === `pack-${cell}`);
    if (!part) throw new SumError(`There is no pack "${cell}" in the catalogue`);
    const each = modelPack({ part, capacityMah: part.capacityMah, ambientC });
    const open = (share: number): number => openCircuitVoltageV(each, share) * series;
    const ohm = (packResistanceOhm(each, charge) * series) / parallel;
    const capacityMah = each.capacityMah * parallel;
    const nominalV = open(0.5);
    const underLoadV = open(charge) - loadA * ohm;
    const energy = { U: nominalV, C: capacityMah };
    const { canBurn } = chemistries[part.chemistry];
    return {
      results: [
        mainFigure('nominalV', 'Half full, at rest', 'voltageV', nominalV),
        figure('fullV', 'Full', 'voltageV', open(1)),
        figure('cutOffV', 'Cut off at', 'voltageV', part.cutOffV * series),
        figure('capacityMah', 'Capacity at this temperature', 'capacityMah', capacityMah),
        figure('energyWh', 'Energy', 'energyWh', packEnergy.reckon(energy)),
        figure('resistanceOhm', 'Resistance', 'resistanceOhm', ohm),
        figure('steadyLimitA', 'Gives steadily', 'currentA', part.steadyLimitA * parallel),
        figure('underLoadV', `At ${amps(loadA)}`, 'voltageV', underLoadV),
        figure('massG', 'Mass', 'massG', part.massG * series * parallel),
        figure('price', 'By usual prices', 'money', part.price * series * parallel),
      ],
      steps: [printSum(packEnergy, energy)],
      findings: findingsWhere(
        [
          loadA > part.steadyLimitA * parallel,
          finding(
            'pack-over',
            'stop',
            `${amps(loadA)} is over the ${amps(part.steadyLimitA * parallel)} of this pack`,
            'It sags, heats, and a protection circuit trips.',
            'A larger cell, or more side by side.',
          ),
        ],
        [
          underLoadV < part.cutOffV * series,
          finding(
            'pack-sags',
            'mend',
            `Under this load it is at ${volts(underLoadV)}, below its cut-off`,
            'The charge that is left can’t be had at this current.',
            'A pack of less resistance, or less current.',
          ),
        ],
        [
          series * parallel > 1,
          finding(
            'never-mixed',
            'mind',
            'Only cells of one kind, age and charge together',
            'The weakest is reversed in series and force-fed side by side; lithium cells burn.',
            'Buy them together, charge them together, mark them as a set.',
          ),
        ],
        [
          parallel > 1 && canBurn,
          finding(
            'parallel-equal',
            'mind',
            'Join side by side only at equal voltage',
            'A difference of a tenth of a volt drives amperes from one to the other.',
            'Measure to 10 mV before they are joined.',
          ),
        ],
        [
          canBurn && !part.protected,
          finding(
            'bare-cell',
            'stop',
            'A bare lithium cell needs a protection circuit and a fuse',
            'Nothing in it stops a short or a deep discharge.',
            'Add a board rated above the peak, fuse it at the cell, hard case.',
          ),
        ],
      ),
      drawing: {
        kind: 'lines',
        x: { label: 'charge left', kind: 'fraction' },
        y: { label: 'voltage', kind: 'voltageV' },
        lines: [
          { name: 'at rest', role: 'second', points: sample(0, 1, 60, open) },
          {
            name: `at ${amps(loadA)}`,
            role: 'curve',
            points: sample(0, 1, 60, (s) => open(s) - (loadA * packResistanceOhm(each, s) * series) / parallel),
          },
          {
            name: 'cut-off',
            role: 'limit',
            points: [
              [0, part.cutOffV * series],
              [1, part.cutOffV * series],
            ],
          },
        ],
        marks: [],
      },
    };
  },
  intoDesign: (design, { cell }) => ({
    ...design,
    power: { ...design.power, pack: `pack-${cell}`, capacityMah: null },
  }),
});

const boostLimit = defineSum({
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
    kind: choice('kind', 'Kind', ['switching', 'linear'], 'switching'),
  },
  reckon: ({ openV, sourceOhm, outputV, outputA, efficiency, kind }) => {
    if (kind === 'linear') {
      const inputV = openV - outputA * sourceOhm;
      const heat = { Vi: inputV, Vo: outputV, I: outputA };
      return {
        results: [
          mainFigure('heatW', 'Heat', 'powerW', linearHeat.reckon(heat)),
          figure('inputA', 'Takes in', 'currentA', outputA),
          figure('inputV', 'At its input', 'voltageV', inputV),
          figure('efficiency', 'Efficiency', 'fraction', Math.min(1, outputV / inputV)),
        ],
        steps: [printSum(linearHeat, heat)],
        findings: findingsWhere(
          [
            inputV < outputV + 0.2,
            finding(
              'drops-out',
              'stop',
              `${volts(inputV)} in does not make ${volts(outputV)} out`,
              'A linear regulator needs its drop-out on top, 0.2 to 1.2 V by kind.',
              'A boost converter, or a pack of more cells.',
            ),
          ],
          [
            linearHeat.reckon(heat) > 0.5,
            finding(
              'linear-hot',
              'mend',
              `${printQuantity('powerW', linearHeat.reckon(heat))} turn to heat`,
              'A regulator on a small board bears about half a watt in a closed piece.',
              'A buck converter, or feed the pixels past it.',
            ),
          ],
        ),
      };
    }
    const watts = (outputV * outputA) / efficiency;
    const inputA = solveConstantPower(openV, sourceOhm, watts);
    const mostW = openV ** 2 / (4 * sourceOhm);
    const inputV = inputA === null ? null : openV - inputA * sourceOhm;
    const mostA = (mostW * efficiency) / outputV;
    return {
      results: [
        mainFigure('inputA', 'Takes in', 'currentA', inputA),
        figure('inputV', 'At its input', 'voltageV', inputV),
        figure('askedW', 'Asks of the cell', 'powerW', watts),
        figure('mostW', 'The cell can give at most', 'powerW', mostW),
        figure('mostOutputA', 'Output current where it collapses', 'currentA', mostA),
        figure('heatW', 'Heat in the converter', 'powerW', watts * (1 - efficiency)),
        figure('lostInSourceW', 'Heat in cell and leads', 'powerW', inputA === null ? null : inputA ** 2 * sourceOhm),
        text('holds', 'It holds', inputA !== null),
      ],
      steps: inputV === null ? [] : [printSum(boostInput, { Vo: outputV, Io: outputA, n: efficiency, Vi: inputV })],
      findings: findingsWhere(
        [
          inputA === null,
          finding(
            'collapses',
            'stop',
            `It collapses: ${printQuantity('powerW', watts)} asked, ${printQuantity('powerW', mostW)} is the most a source of ${volts(openV)} and ${printQuantity('resistanceOhm', sourceOhm)} gives`,
            'The more the voltage falls, the more current the converter takes, until it can’t.',
            'A cell of less resistance, two side by side, or less output.',
          ),
        ],
        [
          inputA !== null && watts > 0.7 * mostW,
          finding(
            'near-collapse',
            'mend',
            'It is near the collapse',
            'A little less charge, a little more cold or an older cell tips it over.',
            'Keep below two thirds of the most the cell gives.',
          ),
        ],
      ),
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
              (v) => solveConstantPower(v, sourceOhm, watts) ?? Number.NaN,
            ).filter(([, y]) => Number.isFinite(y)),
          },
        ],
        marks: inputA === null ? [] : [{ name: 'now', at: [openV, inputA] }],
      },
    };
  },
});

const converterIds = ['none', ...converters.map((part) => part.id)] as const;

/** A pack of the chemistry with resistance typical of its capacity, where no catalogue pack is meant. */
function genericPack(
  chemistry: Chemistry,
  series: number,
  capacityMah: number,
  ohm: number | null,
  ambientC: number,
): { model: PackModel; capacity: Figure } {
  const nearest = packs
    .filter((part) => part.chemistry === chemistry)
    .map((part) => ({ part, off: Math.abs(Math.log(part.capacityMah.likely / capacityMah)) }))
    .sort((a, b) => a.off - b.off)[0]?.part;
  if (!nearest) throw new SumError(`The catalogue has no ${chemistry} pack to take typical values from`);
  const cells = nearest.cellsInSeries;
  const scaledOhm = ((nearest.resistanceOhm.likely / cells) * nearest.capacityMah.likely) / capacityMah;
  const capacity = typical(capacityMah, capacityMah * (nearest.capacityMah.spread / nearest.capacityMah.likely));
  const model = modelPack({
    part: {
      ...nearest,
      cellsInSeries: series,
      cutOffV: (nearest.cutOffV / cells) * series,
      ratedCurrentA: (nearest.ratedCurrentA * capacityMah) / nearest.capacityMah.likely,
      resistanceOhm: typical(ohm ?? scaledOhm * series, (ohm ?? scaledOhm * series) * 0.3),
    },
    capacityMah: capacity,
    ambientC,
  });
  return { model, capacity };
}

const runtime = defineSum({
  name: 'runtime',
  title: 'How long it runs',
  about:
    'Runs a pack down under a steady load, a load that is on part of the time, or a list of loads; beside the plain sum.',
  group: 'power',
  inputs: {
    capacityMah: ask('capacityMah', 'capacity', 'Capacity', 1800, { most: 1e6, usual: [50, 20_000] }),
    loadA: optional('currentA', 'load', 'Load', { most: 100, usual: [0.001, 10] }, 0.42),
    duty: assume('fraction', 'duty', '… on for', 1, { least: 0.001, most: 1 }),
    loads: pairs({
      word: 'loads',
      label: 'Or a list of loads',
      hint: 'current : time, again and again',
      names: ['currentA', 'timeMin'],
      kinds: ['currentA', 'timeMin'],
      bands: [
        { least: 0, most: 100 },
        { least: 0.01, most: 10_000 },
      ],
      initial: [],
    }),
    restA: assume('currentA', 'rest', 'Drawn all the time besides', 0, { least: 0, most: 50 }),
    chemistry: choice('chemistry', 'Chemistry', chemistryNames, 'lithium-ion'),
    series: assume('count', 'series', 'Cells in series', 1, { least: 1, most: 20 }),
    packOhm: optional('resistanceOhm', 'resistance', 'Resistance of the pack', { least: 0, most: 1000 }),
    converter: choice('converter', 'Converter', converterIds, 'none'),
    ambientC: assume('temperatureC', 'ambient', 'Temperature', 21, { least: -30, most: 60 }),
    leastV: optional('voltageV', 'least', 'Ends below, on the rail', { most: 60 }),
    wantedH: optional('timeH', 'wanted', 'Wanted'),
  },
  reckon: (values) => {
    const { capacityMah, loadA, duty, loads, restA, chemistry, series, packOhm, ambientC, leastV, wantedH } = values;
    if (loadA === null && loads.length === 0)
      throw new SumError('Give a load, or a list of them: load=420mA or loads=400mA:20min,1A:5min');
    const stretches =
      loads.length > 0
        ? loads.map(([currentA, timeMin]) => ({
            moodId: '',
            minutes: timeMin,
            meanA: currentA + restA,
            peakA: currentA + restA,
          }))
        : duty < 1
          ? [
              { moodId: '', minutes: 10 * duty, meanA: (loadA ?? 0) + restA, peakA: (loadA ?? 0) + restA },
              { moodId: '', minutes: 10 * (1 - duty), meanA: restA, peakA: restA },
            ]
          : [{ moodId: '', minutes: 60, meanA: (loadA ?? 0) + restA, peakA: (loadA ?? 0) + restA }];
    const minutes = stretches.reduce((sum, each) => sum + each.minutes, 0);
    const meanA = stretches.reduce((sum, each) => sum + each.meanA * each.minutes, 0) / minutes;
    if (meanA <= 0) throw new SumError('A load of nothing runs for ever');
    const converter = converters.find((part) => part.id === values.converter) ?? null;
    const { model, capacity } = genericPack(chemistry, series, capacityMah, packOhm, ambientC);
    const path: PowerPath = {
      pack: model,
      leadOhm: 0.02,
      converter,
      links: [],
      brownOutV: leastV ?? (converter ? 0 : model.cutOffV),
    };
    const make: NightMaker = (deviation) => ({
      path: {
        ...path,
        pack: {
          ...model,
          capacityMah: model.capacityMah * (1 + (deviation.capacity * capacity.spread) / capacity.likely),
          resistanceOhm: model.resistanceOhm * (1 + 0.3 * deviation.resistance),
        },
      },
      course: stretches.map((each) => ({
        ...each,
        meanA: each.meanA * (1 + 0.05 * deviation.load),
        peakA: each.peakA * (1 + 0.05 * deviation.load),
      })),
    });
    const packA = operate(path, 0.5, meanA).packA;
    const plainH = plainRunTime.reckon({ C: capacityMah, I: Number.isFinite(packA) ? packA : meanA });
    const stepS = Math.min(900, Math.max(2, (Math.min(plainH, MOST_HOURS) * 3600) / 400));
    const night = runNight(path, stretches, { stepS, mostHours: MOST_HOURS });
    const random = createRandom(1);
    const nights = Array.from({ length: 200 }, () => sampleNight(make, random, stepS * 2)).sort((a, b) => a - b);
    const cautiousH = Math.min(night.hours, nights[Math.floor(nights.length * 0.05)] ?? 0);
    const { rateExponent } = chemistries[chemistry];
    const law = {
      C: model.capacityMah,
      H: model.capacityMah / 1000 / model.ratedCurrentA,
      I: Math.max(packA, model.ratedCurrentA),
      k: rateExponent,
    };
    return {
      results: [
        mainFigure('likelyH', 'Runs for, likely', 'timeH', night.hours),
        figure('cautiousH', 'With caution (95 of 100 last longer)', 'timeH', cautiousH),
        text('end', 'It ends because', describeEnd(night.end)),
        figure('plainH', 'Plain sum', 'timeH', plainH),
        figure('meanA', 'Mean load', 'currentA', meanA),
        figure('packA', 'Mean current from the pack, half full', 'currentA', Number.isFinite(packA) ? packA : null),
        figure('drawnMah', 'Charge drawn', 'capacityMah', night.drawnMah),
        figure('leftMah', 'Left in the pack', 'capacityMah', Math.max(0, model.capacityMah - night.drawnMah)),
        figure('coldCapacityMah', 'Capacity at this temperature', 'capacityMah', model.capacityMah),
      ],
      steps: [
        printSum(plainRunTime, { C: capacityMah, I: Number.isFinite(packA) ? packA : meanA }),
        ...(rateExponent > 1.02 ? [printSum(rateLaw, law)] : []),
      ],
      findings: findingsWhere(
        [
          wantedH !== null && cautiousH < wantedH,
          finding(
            'runs-short',
            'mend',
            `${hours(cautiousH)} with caution; ${hours(wantedH ?? 0)} wanted`,
            'Plan with the cautious time: cold, age and spread are on nobody’s side.',
            `${wantedH === null || cautiousH <= 0 ? 'More' : packsForEvent.reckon({ T: wantedH, t: cautiousH })} packs, a larger one, or less light.`,
          ),
        ],
        [
          night.hours < plainH * 0.9,
          finding(
            'less-than-plain',
            'mind',
            `The plain sum says ${hours(plainH)}`,
            'It lets the pack be emptied to the last, whatever its voltage, rate and temperature.',
            'Believe the run-down, and test it once.',
          ),
        ],
        [
          converter !== null && openCircuitVoltageV(model, 1) > converter.inputMostV,
          finding(
            'converter-input-high',
            'stop',
            `A full pack gives ${volts(openCircuitVoltageV(model, 1))}; the converter bears ${volts(converter?.inputMostV ?? 0)}`,
            'It is destroyed, or passes the voltage on to the lights.',
            'Another converter, or fewer cells.',
          ),
        ],
      ),
      drawing: {
        kind: 'lines',
        x: { label: 'time', kind: 'timeH' },
        y: { label: 'pack voltage', kind: 'voltageV' },
        lines: [
          { name: 'pack', role: 'curve', points: night.samples.map((each) => [each.atH, each.packV] as const) },
          {
            name: 'cut-off',
            role: 'limit',
            points: [
              [0, model.cutOffV],
              [night.hours, model.cutOffV],
            ],
          },
        ],
        marks:
          night.samples.length > 0
            ? [{ name: 'ends', at: [night.hours, night.samples[night.samples.length - 1]?.packV ?? 0] }]
            : [],
      },
    };
  },
  intoDesign: (design, { capacityMah }) => ({
    ...design,
    power: { ...design.power, capacityMah: { likely: capacityMah, spread: capacityMah * 0.06, origin: 'data sheet' } },
  }),
});

const ceiling = defineSum({
  name: 'ceiling',
  title: 'Brightness ceiling',
  about:
    'The greatest brightness at which the weakest link still holds, in white, in one colour and for what the program should limit.',
  group: 'power',
  inputs: {
    limitA: ask('currentA', 'limit', 'The weakest link carries', 1.5, { most: 200, usual: [0.05, 20] }),
    pixels: ask('count', 'pixels', 'Pixels', 66, { least: 1, most: 100_000, usual: [1, 3000] }),
    otherA: assume('currentA', 'other', 'Controller and all else', 0.12, { least: 0, most: 50 }),
    restA: assume('currentA', 'rest', 'Rest current of a pixel', 0.0008, { least: 0, most: 0.01 }),
    dieA: assume('currentA', 'die', 'One die at full', 0.012, { most: 0.1, usual: [0.004, 0.025] }),
    dice: assume('count', 'dice', 'Dice lit in the colour used', 3, { least: 0.05, most: 5 }),
  },
  reckon: ({ limitA, pixels, otherA, restA, dieA, dice }) => {
    const I0 = otherA + pixels * restA;
    const at = (lit: number): number =>
      Math.min(1, Math.max(0, ceilingSum.reckon({ Im: limitA, I0, I1: pixels * lit * dieA })));
    const white = at(3);
    const used = at(dice);
    // A boot level that holds in white even with a fifth of the limit gone.
    const boot = Math.min(1, Math.max(0, ceilingSum.reckon({ Im: limitA * 0.8, I0, I1: pixels * 3 * dieA })));
    return {
      results: [
        mainFigure('brightness', 'Ceiling', 'fraction', used),
        figure('white', 'In white', 'fraction', white),
        figure('oneDie', 'One die', 'fraction', at(1)),
        figure('limiter8', 'Limiter in the program, of 255', 'count', Math.floor(used * 255 + 1e-9)),
        figure('boot', 'Level to start up with', 'fraction', boot),
        figure('atCeilingA', 'Draws at the ceiling', 'currentA', I0 + pixels * dice * dieA * used),
        figure('fullWhiteA', 'All white at full would draw', 'currentA', I0 + pixels * 3 * dieA),
        figure('look', 'The ceiling looks like', 'fraction', perceivedShare.reckon({ x: used })),
      ],
      steps: [printSum(ceilingSum, { Im: limitA, I0, I1: pixels * dice * dieA })],
      findings: findingsWhere(
        [
          I0 >= limitA,
          finding(
            'dark-too-much',
            'stop',
            `Even dark it draws ${amps(I0)} of ${amps(limitA)}`,
            'Dark pixels and the controller are a load too.',
            'A stronger link, or fewer pixels.',
          ),
        ],
        [
          boot < 0.02 && I0 < limitA,
          finding(
            'boot-loops',
            'mend',
            'There is hardly a level that starts safely',
            'Started at full it resets before any setting can reach it.',
            'A stronger link; start dark.',
          ),
        ],
        [
          true,
          finding(
            'say-the-colour',
            'mind',
            'A percentage without its colour says nothing',
            'White is three dice, red is one; and half of the slider is half of the current only after the gamma curve.',
            'Limit the current in the program, not the slider.',
          ),
        ],
      ),
    };
  },
});

const charge = defineSum({
  name: 'charge',
  title: 'Charging',
  about:
    'The current a pack may be charged with, how long it takes, and whether a load keeps the charger going for ever.',
  group: 'power',
  inputs: {
    capacityMah: ask('capacityMah', 'capacity', 'Capacity', 850, { most: 1e6, usual: [50, 20_000] }),
    chemistry: choice('chemistry', 'Chemistry', chemistryNames, 'lithium-ion'),
    chargerA: ask('currentA', 'charger', 'Charger', 0.425, { most: 50, usual: [0.02, 5] }),
    loadA: assume('currentA', 'load', 'Load that stays connected', 0, { least: 0, most: 50 }),
  },
  reckon: ({ capacityMah, chemistry, chargerA, loadA }) => {
    const plan = planCharging({ chemistry, capacityMah, chargerA, loadA });
    if (!plan)
      return {
        results: [text('allowed', 'May be charged', false)],
        steps: [],
        findings: [
          finding(
            'never-charge',
            'stop',
            `${chemistry[0]?.toUpperCase()}${chemistry.slice(1)} cells must never be charged`,
            'They leak or burst.',
            'Exchange them, or take a rechargeable kind.',
          ),
        ],
      };
    return {
      results: [
        mainFigure('hours', 'Takes', 'timeH', plan.hours),
        figure('mostA', 'At most', 'currentA', plan.mostA),
        figure('leastA', 'Sensible from', 'currentA', plan.leastA),
        figure('endA', 'The charger stops at', 'currentA', plan.endA),
        text('neverEnds', 'Charging never ends', plan.neverEnds),
      ],
      steps: [printSum(chargeTime, { C: capacityMah, I: chargerA })],
      findings: findingsWhere(
        [
          plan.tooFast,
          finding(
            'charge-fast',
            'stop',
            `${amps(chargerA)} is too fast: this pack takes ${amps(plan.mostA)}`,
            'A cell that is force-fed heats, swells and may burn.',
            'Change the charger’s set resistor, or take a smaller charger. The cell’s own sheet rules.',
          ),
        ],
        [
          plan.neverEnds,
          finding(
            'charge-and-use',
            'stop',
            `A load of ${amps(loadA)} is over the end current of ${amps(plan.endA)}: the charger never stops`,
            'It takes the load for a cell that is not full.',
            'Cut the load off while charging, proven by the wiring, or a charger that shares the load.',
          ),
        ],
        [
          true,
          finding(
            'attended',
            'mind',
            'Charge it where you see it, on something that does not burn',
            'Most lithium fires begin on the charger.',
            'A charger made for this chemistry, never inside a closed piece, never asleep.',
          ),
        ],
      ),
    };
  },
});

const eventPacks = defineSum({
  name: 'event-packs',
  title: 'Packs for an event',
  about: 'How many packs to bring, when to change them, and the energy of each for whoever carries them.',
  group: 'power',
  inputs: {
    eventH: ask('timeH', 'event', 'The event lasts', 5.5, { most: 1000, usual: [0.3, 48] }),
    cautiousH: ask('timeH', 'cautious', 'One pack runs, with caution', 1.9, { most: 1000, usual: [0.2, 48] }),
    likelyH: optional('timeH', 'likely', '… and likely'),
    nominalV: assume('voltageV', 'nominal', 'Nominal voltage', 11.1, { least: 0.5, most: 60 }),
    capacityMah: assume('capacityMah', 'capacity', 'Capacity', 2600, { most: 1e6 }),
  },
  reckon: ({ eventH, cautiousH, likelyH, nominalV, capacityMah }) => {
    const count = packsForEvent.reckon({ T: eventH, t: cautiousH });
    const wh = packEnergy.reckon({ U: nominalV, C: capacityMah });
    return {
      results: [
        mainFigure('packs', 'Packs', 'count', count),
        ...(likelyH === null
          ? []
          : [
              figure(
                'packsIfLikely',
                'Counted with the likely time',
                'count',
                packsForEvent.reckon({ T: eventH, t: likelyH }),
              ),
            ]),
        { form: 'figures', key: 'swapH', label: 'Change after', kind: 'timeH', values: swapTimesH(eventH, cautiousH) },
        figure('energyWh', 'Energy of each', 'energyWh', wh),
        figure('allWh', 'Of all', 'energyWh', wh * count),
      ],
      steps: [
        printSum(packsForEvent, { T: eventH, t: cautiousH }),
        printSum(packEnergy, { U: nominalV, C: capacityMah }),
      ],
      findings: findingsWhere(
        [
          wh > 100,
          finding(
            'carrier-100',
            'mend',
            `${printQuantity('energyWh', wh)} in one pack: carriers often stop at 100 Wh`,
            'Many ask for leave above that, and refuse above 160 Wh.',
            'Ask the carrier; split it into smaller packs.',
          ),
        ],
        [
          true,
          finding(
            'in-the-bag',
            'mind',
            'Guard the switch and the contacts in the bag',
            'A piece that switches itself on in a bag heats and is empty on the night.',
            'Pack out, contacts taped; a spare that is charged.',
          ),
        ],
      ),
    };
  },
});

const sound = defineSum({
  name: 'sound',
  title: 'Sound, motors and the supply',
  about: 'What an amplifier can give on a supply, what a resistor does to its gain, and the dip when a motor starts.',
  group: 'power',
  inputs: {
    supplyV: ask('voltageV', 'supply', 'Supply', 4.2, { most: 60, usual: [1.5, 30] }),
    speakerOhm: assume('resistanceOhm', 'speaker', 'Speaker', 4, { least: 1, most: 1000 }),
    beforeOhm: assume('resistanceOhm', 'before', 'Input resistor before', 47_000, { most: 1e8 }),
    afterOhm: assume('resistanceOhm', 'after', '… after', 22_000, { most: 1e8 }),
    stallA: assume('currentA', 'stall', 'Stall current of a motor', 0, { least: 0, most: 100 }),
    sourceOhm: assume('resistanceOhm', 'source', 'Resistance in front of it', 0.25, { least: 0, most: 100 }),
    leastV: assume('voltageV', 'least', 'Controller resets below', 2.7, { least: 0, most: 24 }),
  },
  reckon: ({ supplyV, speakerOhm, beforeOhm, afterOhm, stallA, sourceOhm, leastV }) => {
    const dipV = startDipV(stallA, sourceOhm);
    const gain = gainChange.reckon({ Ra: beforeOhm, Rb: afterOhm });
    return {
      results: [
        mainFigure(
          'powerW',
          'Most power into the speaker',
          'powerW',
          bridgePower.reckon({ U: supplyV, R: speakerOhm }),
        ),
        figure('peakA', 'Peak current of it', 'currentA', supplyV / speakerOhm),
        figure('gainDb', 'Change of gain', 'decibelDb', gain),
        figure('loudness', 'Sounds as loud, times', 'count', 2 ** (gain / 10)),
        figure('dipV', 'Dip when the motor starts', 'voltageV', dipV),
        figure('atStartV', 'Supply then', 'voltageV', supplyV - dipV),
      ],
      steps: [
        printSum(bridgePower, { U: supplyV, R: speakerOhm }),
        printSum(gainChange, { Ra: beforeOhm, Rb: afterOhm }),
      ],
      findings: findingsWhere(
        [
          supplyV - dipV < leastV,
          finding(
            'stall-resets',
            'stop',
            'The motor’s start pulls the controller down',
            'Stall current starves everything on the same supply.',
            'A supply of its own with minus joined, or a reservoir and a slow start.',
          ),
        ],
        [
          gain > 0,
          finding(
            'gain-not-power',
            'mind',
            'More gain is not more power',
            'The supply and the speaker are the cap; past it the sound only breaks up. Twice as loud takes ten times the power.',
            'A better speaker or a higher supply.',
          ),
        ],
      ),
    };
  },
});

export const powerSums: readonly QuickSum[] = [
  tapeDrop,
  feedPoints,
  pack,
  boostLimit,
  runtime,
  ceiling,
  charge,
  eventPacks,
  sound,
];
