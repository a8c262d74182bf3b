import { agePack, type Finding, itemsOf, modelPack, openCircuitVoltageV, type PackModel } from '../../items/index.ts';
import {
  type Chemistry,
  type ConverterPart,
  chemistries,
  chemistryNames,
  converters,
  type Figure,
  packs,
  typical,
} from '../../parts/index.ts';
import { mapItem } from '../../plan/index.ts';
import {
  createRandom,
  describeEnd,
  drawFromMain,
  type NightMaker,
  type NightStretch,
  operate,
  packsForEvent,
  plainRunTime,
  rateLaw,
  runNight,
  type SupplyTree,
  sampleNight,
  scaleDraws,
  singleRail,
} from '../../power/index.ts';
import { fillSum, hours, say, volts } from '../../units/index.ts';
import { SumError } from '../answer.ts';
import { ask, assume, choice, optional, pairs } from '../inputs.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure, text } from '../sum.ts';

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

interface Stretch {
  readonly minutes: number;
  readonly amps: number;
}

/** The loads as stretches that come again and again. */
function layOut(
  loadA: number | null,
  duty: number,
  loads: readonly (readonly [currentA: number, minutes: number])[],
  restA: number,
): readonly Stretch[] {
  if (loads.length > 0) return loads.map(([currentA, minutes]) => ({ minutes, amps: currentA + restA }));
  if (loadA === null)
    throw new SumError('Give a load or a list of them, got neither: load=420mA or loads=400mA:20min,1A:5min');
  return duty < 1
    ? [
        { minutes: 10 * duty, amps: loadA + restA },
        { minutes: 10 * (1 - duty), amps: restA },
      ]
    : [{ minutes: 60, amps: loadA + restA }];
}

const toCourse = (tree: SupplyTree, stretches: readonly Stretch[]): readonly NightStretch[] =>
  stretches.map(({ minutes, amps }) => ({
    moodId: '',
    minutes,
    mean: drawFromMain(tree, amps),
    peak: drawFromMain(tree, amps),
  }));

/** Nights with capacity, resistance and load off by their spreads: resistance ± 30 %, load ± 5 % (typical). */
const spreadNights =
  (
    make: (pack: PackModel) => SupplyTree,
    model: PackModel,
    stretches: readonly Stretch[],
    capacity: Figure,
  ): NightMaker =>
  (deviation) => {
    const tree = make({
      ...model,
      capacityMah: model.capacityMah * (1 + (deviation.capacity * capacity.spread) / capacity.likely),
      resistanceOhm: model.resistanceOhm * (1 + 0.3 * deviation.resistance),
    });
    const factor = 1 + 0.05 * deviation.load;
    return {
      tree,
      course: toCourse(tree, stretches).map((each) => ({
        ...each,
        mean: scaleDraws(each.mean, factor),
        peak: scaleDraws(each.peak, factor),
      })),
    };
  };

interface Judged {
  readonly wantedH: number | null;
  readonly cautiousH: number;
  readonly nightH: number;
  readonly plainH: number;
  readonly converter: ConverterPart | null;
  readonly model: PackModel;
}

/** What is amiss, or to be known. */
const judge = ({ wantedH, cautiousH, nightH, plainH, converter, model }: Judged): Finding[] =>
  findingsWhere(
    [
      wantedH !== null && cautiousH < wantedH,
      finding(
        'runs-short',
        'mend',
        say`${hours(cautiousH)} with caution; ${hours(wantedH ?? 0)} wanted`,
        'Plan with the cautious time: cold, age and spread are on nobody’s side.',
        `${wantedH === null || cautiousH <= 0 ? 'More' : packsForEvent.reckon({ T: wantedH, t: cautiousH })} packs, a larger one, or less light.`,
      ),
    ],
    [
      nightH < plainH * 0.9,
      finding(
        'less-than-plain',
        'mind',
        say`The plain sum says ${hours(plainH)}`,
        'It lets the pack be emptied to the last, whatever its voltage, rate and temperature.',
        'Believe the run-down, and test it once.',
      ),
    ],
    [
      converter !== null && openCircuitVoltageV(model, 1) > converter.inputMostV,
      finding(
        'converter-input-high',
        'stop',
        say`A full pack gives ${volts(openCircuitVoltageV(model, 1))}; the converter bears ${volts(converter?.inputMostV ?? 0)}`,
        'It is destroyed, or passes the voltage on to the lights.',
        'Another converter, or fewer cells.',
      ),
    ],
  );

/** Answers how long it runs. */
export const runtimeSum = defineSum({
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
    series: assume('count', 'series', 'Cells in series', 1, { whole: true, least: 1, most: 20 }),
    packOhm: optional('resistanceOhm', 'resistance', 'Resistance of the pack', { least: 0, most: 1000 }),
    converter: choice('converter', 'Converter', converterIds, 'none'),
    ambientC: assume('temperatureC', 'ambient', 'Temperature', 21, { least: -30, most: 60 }),
    wear: assume('fraction', 'wear', 'Worn, of its life', 0, { least: 0, most: 1 }),
    leastV: optional('voltageV', 'least', 'Ends below, on the rail', { most: 60 }),
    wantedH: optional('timeH', 'wanted', 'Wanted'),
  },
  reckon: (values) => {
    const { capacityMah, loadA, duty, loads, restA, chemistry, series, packOhm, ambientC, leastV, wantedH } = values;
    const stretches = layOut(loadA, duty, loads, restA);
    const minutes = stretches.reduce((sum, each) => sum + each.minutes, 0);
    const meanA = stretches.reduce((sum, each) => sum + each.amps * each.minutes, 0) / minutes;
    if (meanA <= 0) throw new SumError('A load of 0 A runs for ever; give more than nothing: load=420mA');
    const converter = converters.find((part) => part.id === values.converter) ?? null;
    const { model: fresh, capacity } = genericPack(chemistry, series, capacityMah, packOhm, ambientC);
    const model = agePack(fresh, values.wear);
    const treeOf = (pack: PackModel): SupplyTree =>
      singleRail({
        pack,
        leadOhm: 0.02,
        converter,
        brownOutV: leastV ?? (converter ? 0 : model.cutOffV),
      });
    const tree = treeOf(model);
    const make = spreadNights(treeOf, model, stretches, capacity);
    const packA = operate(tree, 0.5, drawFromMain(tree, meanA)).packA;
    const plainH = plainRunTime.reckon({ C: capacityMah, I: Number.isFinite(packA) ? packA : meanA });
    const stepS = Math.max(2, (plainH * 3600) / 400);
    const night = runNight(tree, toCourse(tree, stretches), { stepS });
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
        fillSum(plainRunTime, { C: capacityMah, I: Number.isFinite(packA) ? packA : meanA }),
        ...(rateExponent > 1.02 ? [fillSum(rateLaw, law)] : []),
      ],
      findings: judge({ wantedH, cautiousH, nightH: night.hours, plainH, converter, model }),
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
  intoDesign: (design, { capacityMah }) => {
    const pack = itemsOf(design, 'pack')[0];
    if (!pack) return design;
    const figure = { likely: capacityMah, spread: capacityMah * 0.06, origin: 'data sheet' as const };
    return mapItem(design, pack.id, (item) => (item.kind === 'pack' ? { ...item, capacityMah: figure } : item));
  },
});
