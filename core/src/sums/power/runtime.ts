import { solveString, tabulate } from '../../circuit/index.ts';
import { agePack, type Finding, itemsOf, modelPack, openCircuitVoltageV, type PackModel } from '../../items/index.ts';
import { type ConverterPart, converters, type Figure, stateFigure } from '../../parts/index.ts';
import { mapItem } from '../../plan/index.ts';
import {
  createRandom,
  type Draws,
  describeEnd,
  drawAt,
  type NightMaker,
  type NightStretch,
  noDraw,
  operate,
  packsForEvent,
  plainRunTime,
  type RailLaw,
  rateLaw,
  runNight,
  type SupplyTree,
  sampleNight,
  scaleDraws,
  singleRail,
} from '../../power/index.ts';
import { fillSum, hours, say, volts } from '../../units/index.ts';
import { SumError } from '../answer.ts';
import { ask, assume, choice, onlyWith, optional, pairs } from '../inputs.ts';
import { curveOfLight, dropInput, readingsInput } from '../lightCurves.ts';
import { freshItem, putPiece } from '../piece.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure, text } from '../sum.ts';
import { describePack, packInputs } from './askedPack.ts';

const converterIds = ['none', ...converters.map((part) => part.id)] as const;

/** What is drawn for a while: amperes whatever the voltage, and lights that follow it. */
interface Stretch {
  readonly minutes: number;
  readonly amps: number;
  /** Of the lights, lit. */
  readonly lit: number;
}

interface LoadAsked {
  readonly loadA: number | null;
  readonly duty: number;
  readonly loads: readonly (readonly [currentA: number, minutes: number])[];
  readonly restA: number;
  readonly lights: number | null;
}

/** The loads as stretches that come again and again. */
function layOut({ loadA, duty, loads, restA, lights }: LoadAsked): readonly Stretch[] {
  const lit = lights === null ? 0 : 1;
  if (loads.length > 0) return loads.map(([amps, minutes]) => ({ minutes, amps: amps + restA, lit }));
  if (loadA === null && lights === null)
    throw new SumError(
      'Give a load, a list of them or lights, got none: load=420mA or loads=400mA:20min,1A:5min or lights=3 forward=2V resistor=120',
    );
  const amps = (loadA ?? 0) + restA;
  return duty < 1
    ? [
        { minutes: 10 * duty, amps, lit },
        { minutes: 10 * (1 - duty), amps: restA, lit: 0 },
      ]
    : [{ minutes: 60, amps, lit }];
}

interface LightsOfLoad {
  readonly lights: number | null;
  readonly inSeries: number;
  readonly forwardV: number | null;
  readonly readings: readonly (readonly [number, number])[];
  readonly lightA: number;
  readonly resistorOhm: number;
}

/** What lights on a resistor draw as the pack falls; null where there are none. */
function lawOf({ lights, inSeries, forwardV, readings, lightA, resistorOhm }: LightsOfLoad): RailLaw | null {
  if (lights === null) return null;
  const curve = curveOfLight(forwardV, lightA, readings);
  const pathA = tabulate((supplyV) => solveString({ supplyV, resistanceOhm: resistorOhm, curve, count: inSeries }));
  return (railV, shares) => lights * (shares[0] ?? 0) * pathA(Math.max(0, railV));
}

const drawOf = (tree: SupplyTree, law: RailLaw | null, { amps, lit }: Pick<Stretch, 'amps' | 'lit'>): Draws =>
  tree.nodes.map((_, i) =>
    i === tree.main ? { steadyA: amps, shaped: law && lit > 0 ? [{ law, shares: [lit] }] : [] } : noDraw,
  );

const toCourse = (tree: SupplyTree, law: RailLaw | null, stretches: readonly Stretch[]): readonly NightStretch[] =>
  stretches.map((stretch) => ({
    moodId: '',
    minutes: stretch.minutes,
    mean: drawOf(tree, law, stretch),
    peak: drawOf(tree, law, stretch),
  }));

/** Nights with capacity, resistance and load off by their spreads: resistance ± 30 %, load ± 5 % (typical). */
const spreadNights =
  (
    make: (pack: PackModel) => SupplyTree,
    model: PackModel,
    law: RailLaw | null,
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
      course: toCourse(tree, law, stretches).map((each) => ({
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
    lights: optional('count', 'lights', 'Or lights as the load: paths side by side', {
      whole: true,
      least: 1,
      most: 1000,
    }),
    ...onlyWith('lights', {
      inSeries: assume('count', 'inseries', 'Lights in each path', 1, { whole: true, least: 1, most: 30 }),
      forwardV: dropInput(undefined, 'Drop of one light'),
      lightA: assume('currentA', 'lightcurrent', '… at a current of', 0.02, { least: 1e-4, most: 3 }),
      readings: readingsInput,
      resistorOhm: assume('resistanceOhm', 'resistor', 'Resistor of each path', 100, { least: 0, most: 1e6 }),
    }),
    ...packInputs,
    leadOhm: assume('resistanceOhm', 'lead', 'Leads and switch, out and back', 0.02, { least: 0, most: 20 }),
    converter: choice('converter', 'Converter', converterIds, 'none'),
    ambientC: assume('temperatureC', 'ambient', 'Temperature', 21, { least: -30, most: 60 }),
    wear: assume('fraction', 'wear', 'Worn, of its life', 0, { least: 0, most: 1 }),
    leastV: optional('voltageV', 'least', 'Ends below, on the rail', { most: 60 }),
    wantedH: optional('timeH', 'wanted', 'Wanted'),
  },
  reckon: (values) => {
    const { capacityMah, ambientC, leastV, wantedH, leadOhm } = values;
    const stretches = layOut(values);
    const law = lawOf(values);
    const minutes = stretches.reduce((sum, each) => sum + each.minutes, 0);
    const over = (of: (stretch: Stretch) => number): number =>
      stretches.reduce((sum, each) => sum + of(each) * each.minutes, 0) / minutes;
    const mean = { amps: over(({ amps }) => amps), lit: over(({ lit }) => lit) };
    const converter = converters.find((part) => part.id === values.converter) ?? null;
    const part = describePack(values, 'pack-asked');
    const model = agePack(modelPack({ part, capacityMah: part.capacityMah, ambientC }), values.wear);
    const treeOf = (pack: PackModel): SupplyTree =>
      singleRail({ pack, leadOhm, converter, brownOutV: leastV ?? (converter ? 0 : model.cutOffV) });
    const tree = treeOf(model);
    const make = spreadNights(treeOf, model, law, stretches, part.capacityMah);
    const meanDraw = drawOf(tree, law, mean);
    const half = operate(tree, 0.5, meanDraw);
    const meanA = drawAt(meanDraw[tree.main], half.railV);
    if (meanA <= 0)
      throw new SumError(
        law
          ? 'These lights draw nothing from this pack: more cells, or a light of a lower drop'
          : 'A load of 0 A runs for ever; give more than nothing: load=420mA',
      );
    const packA = Number.isFinite(half.packA) ? half.packA : meanA;
    const plainH = plainRunTime.reckon({ C: capacityMah, I: packA });
    const stepS = Math.max(2, (plainH * 3600) / 400);
    const night = runNight(tree, toCourse(tree, law, stretches), { stepS });
    const random = createRandom(1);
    const nights = Array.from({ length: 200 }, () => sampleNight(make, random, stepS * 2)).sort((a, b) => a - b);
    const cautiousH = Math.min(night.hours, nights[Math.floor(nights.length * 0.05)] ?? 0);
    const lightsA = (charge: number): number | null =>
      law && law(operate(tree, charge, meanDraw).railV, [1]) / (values.lights ?? 1);
    const { rateExponent } = model;
    const rate = {
      C: model.capacityMah,
      H: model.capacityMah / 1000 / model.ratedCurrentA,
      I: Math.max(packA, model.ratedCurrentA),
      k: rateExponent,
    };
    return {
      results: [
        mainFigure('likelyH', 'Runs for, likely', 'timeH', night.hours),
        figure('cautiousH', 'With caution (95 of 100 last longer)', 'timeH', cautiousH),
        text(
          'end',
          'It ends because',
          // Nothing that resets is told of: it is the pack, or the least that was asked for.
          night.end === 'resets'
            ? leastV === null
              ? 'the load pulls the pack lower than it bears'
              : 'the rail falls below the least that was given'
            : describeEnd(night.end),
        ),
        figure('plainH', 'Plain sum', 'timeH', plainH),
        figure('meanA', law ? 'Mean load, half full' : 'Mean load', 'currentA', meanA),
        figure(
          'packA',
          'Mean current from the pack, half full',
          'currentA',
          Number.isFinite(half.packA) ? packA : null,
        ),
        ...(law
          ? [
              figure('freshA', 'Each path, pack full', 'currentA', lightsA(1)),
              figure('endA', 'Each path, at the end', 'currentA', lightsA(night.samples.at(-1)?.charge ?? 0)),
            ]
          : []),
        figure('drawnMah', 'Charge drawn', 'capacityMah', night.drawnMah),
        figure('leftMah', 'Left in the pack', 'capacityMah', Math.max(0, model.capacityMah - night.drawnMah)),
        figure('coldCapacityMah', 'Capacity at this temperature', 'capacityMah', model.capacityMah),
      ],
      steps: [
        fillSum(plainRunTime, { C: capacityMah, I: packA }),
        ...(rateExponent > 1.02 ? [fillSum(rateLaw, rate)] : []),
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
  intoDesign: (design, values, newId) => {
    const [pack] = itemsOf(design, 'pack');
    const { capacityMah } = values;
    if (pack)
      return mapItem(design, pack.id, (item) => ({ ...item, capacityMah: stateFigure(capacityMah, 'data sheet') }));
    const part = describePack(values, `own-${newId()}`);
    const { widthMm, heightMm } = design.view;
    const stated = values.loadA === null ? null : stateFigure(values.loadA + values.restA, 'data sheet');
    return putPiece(
      design,
      [
        freshItem('pack', { id: newId(), name: 'Pack', at: { xMm: widthMm / 2, yMm: heightMm * 0.8 }, part: part.id }),
        ...(stated
          ? [
              freshItem('load', {
                id: newId(),
                name: 'Load',
                at: { xMm: widthMm / 2, yMm: heightMm * 0.4 },
                part: 'load-any',
                switchedBy: { way: 'always on' },
                restA: stateFigure(values.restA, 'data sheet'),
                usualA: stated,
                mostA: stated,
                startA: stated,
              }),
            ]
          : []),
      ],
      [part],
    );
  },
});
