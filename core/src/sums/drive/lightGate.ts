import { type FetPoint, fetOnLine, lineOf } from '../../drive/index.ts';
import { designLightGate, type Finding, gateNode } from '../../items/index.ts';
import { builtInLibrary, findPart, type OwnPart, type TransistorPart } from '../../parts/index.ts';
import type { Design } from '../../plan/index.ts';
import { fillSum, volts } from '../../units/index.ts';
import { sample } from '../drawing.ts';
import { ask, assume, optional } from '../inputs.ts';
import { freshItem, layPiece, putPiece } from '../piece.ts';
import { defineSum, figure, finding, mainFigure, type Result, text } from '../sum.ts';

interface Asked extends FetGate {
  readonly supplyV: number;
  readonly supplySpread: number;
  readonly pullUpOhm: number;
  readonly ampsPerLux: number;
  readonly darkLux: number;
  readonly brightLux: number;
  readonly loadA: number;
}

/** The transistor as its sheet says it. */
interface FetGate {
  readonly thresholdV: number;
  readonly fullOnV: number;
  readonly onOhm: number;
}

const fetOf = ({ thresholdV, fullOnV, onOhm }: FetGate): FetPoint => ({ thresholdV, onOhm, promisedAtV: fullOnV });

const LIKE = 'transistor-fet-logic';

/** A transistor of the kind that a plan takes, with what was said of it. */
function describeFet({ thresholdV, fullOnV, onOhm }: FetGate, id: string): TransistorPart & OwnPart {
  const like = findPart(builtInLibrary, 'transistor', LIKE);
  if (!like) throw new Error(`The catalogue has no ${LIKE}`);
  return {
    ...like,
    id,
    like: LIKE,
    name: `Field-effect transistor, N-channel, full on at ${Math.round(fullOnV * 100) / 100} V`,
    thresholdV,
    gateV: fullOnV,
    onOhm,
  };
}

const gateItem = (
  asked: Asked,
  part: string,
  fresh: { readonly id: string; readonly at: { xMm: number; yMm: number } },
) =>
  freshItem('light gate', {
    ...fresh,
    name: 'Light gate',
    part,
    microampsPerLux: asked.ampsPerLux * 1e6,
    pullUpOhm: asked.pullUpOhm,
    darkLux: asked.darkLux,
    brightLux: asked.brightLux,
  });

const supplyItem = (
  { supplyV, supplySpread }: Asked,
  fresh: { readonly id: string; readonly at: { xMm: number; yMm: number } },
) =>
  freshItem('outside supply', {
    ...fresh,
    name: 'Supply',
    part: 'supply-bench',
    volts: supplyV,
    tolerance: supplySpread,
  });

/** What a plan of this gate would be told. */
function toldOf(asked: Asked): readonly Finding[] {
  const at = { xMm: 0, yMm: 0 };
  const fet = describeFet(asked, 'own-fet');
  return layPiece([gateItem(asked, fet.id, { id: 'gate', at }), supplyItem(asked, { id: 'supply', at })], [fet]).toldOf(
    'gate',
  );
}

/** The levels that a table is looked at by: from deep dark to beyond off, each so many times the one before. */
function levelsOf(fromLux: number, toLux: number): readonly number[] {
  const count = 9;
  const [from, to] = [Math.max(fromLux / 4, 0.001), Math.max(toLux * 1.5, 0.01)];
  return Array.from({ length: count }, (_, i) => from * (to / from) ** (i / (count - 1)));
}

/** Through all of dusk: what flows, and what the transistor burns. */
function throughDusk(asked: Asked, gate: ReturnType<typeof designLightGate>): Result {
  const line = lineOf(asked.supplyV, asked.loadA);
  return {
    form: 'table',
    key: 'dusk',
    label: 'Through dusk',
    columns: [
      { key: 'lux', label: 'light', kind: 'lux' },
      { key: 'gateV', label: 'gate', kind: 'voltageV' },
      { key: 'verdict', label: 'it is', kind: 'text' },
      { key: 'currentA', label: 'flows', kind: 'currentA' },
      { key: 'heatW', label: 'heat in it', kind: 'powerW' },
    ],
    rows: levelsOf(gate.fullOnBelowLux, gate.offAboveLux).map((level) => {
      const { gateV, verdict } = gate.at(level);
      const { currentA, heatW } = fetOnLine(line, gateV, fetOf(asked));
      return [level, gateV, verdict, currentA, heatW];
    }),
  };
}

const readAsked = ({
  microampsPerLux,
  ...values
}: Omit<Asked, 'ampsPerLux'> & { readonly microampsPerLux: number }): Asked => ({
  ...values,
  ampsPerLux: microampsPerLux,
});

const gateOf = ({ supplyV, pullUpOhm, ampsPerLux, thresholdV, fullOnV }: Asked) =>
  designLightGate({ supplyV, pullUpOhm, ampsPerLux, thresholdV, fullOnV });

/** Where half of the supply lies across it and half the current flows: somewhere in dusk it always comes by there. */
const hottest = ({ supplyV, loadA }: Asked): number => (supplyV * loadA) / 4;

const legRule = finding(
  'leg-rule',
  'mind',
  'On a phototransistor the short leg is the collector',
  'The long-leg rule of lights does not hold for sensors of every kind.',
  'Look at its sheet, or test it with a lamp before it goes in.',
);

/** Answers a lamp that lights itself in the dark, without a program. */
export const lightGateSum = defineSum({
  name: 'light-gate',
  title: 'Lamp that lights by itself, without a program',
  about:
    'Phototransistor and pull-up on a gate with its load: when it is on, off and half on, how steep it is, and what it draws all day.',
  group: 'drive',
  inputs: {
    supplyV: ask('voltageV', 'supply', 'Supply', 4.2, { most: 24, usual: [2, 15] }),
    pullUpOhm: ask('resistanceOhm', 'pullup', 'Pull-up', 150_000, { least: 100, most: 1e8, usual: [10_000, 5e6] }),
    loadA: assume('currentA', 'load', 'What it switches draws', 0.02, { least: 1e-4, most: 20 }),
    microampsPerLux: assume('currentA', 'perlux', 'Phototransistor, current at one lux', 1e-6, {
      least: 1e-10,
      most: 1e-3,
    }),
    thresholdV: assume('voltageV', 'threshold', 'Gate threshold', 1.2, { least: 0.3, most: 6 }),
    fullOnV: assume('voltageV', 'fullon', 'Gate voltage for full on', 3, { least: 0.5, most: 12 }),
    onOhm: assume('resistanceOhm', 'on', 'On-resistance there', 0.05, { least: 1e-4, most: 100 }),
    supplySpread: assume('fraction', 'supplyspread', 'Supply varies by, either way', 0.05, { least: 0, most: 0.5 }),
    darkLux: assume('lux', 'dark', 'Must be lit below', 2, { least: 0.01, most: 100_000 }),
    brightLux: assume('lux', 'bright', 'Must be dark above', 100, { least: 0.01, most: 200_000 }),
    lux: optional('lux', 'lux', 'Look at a light level of', { least: 0, most: 200_000 }, 10),
  },
  reckon: (values) => {
    const { lux, ...given } = values;
    const asked = readAsked(given);
    const gate = gateOf(asked);
    const here = lux === null ? null : gate.at(lux);
    const flows = here && fetOnLine(lineOf(asked.supplyV, asked.loadA), here.gateV, fetOf(asked));
    const most = Math.max(gate.offAboveLux * 1.5, (lux ?? 0) * 1.2, 0.1);
    const level = (name: string, volts: number) => ({
      name,
      role: 'limit' as const,
      points: [
        [0, volts],
        [most, volts],
      ] as const,
    });
    return {
      results: [
        mainFigure('fullOnBelowLux', 'Full on below', 'lux', gate.fullOnBelowLux),
        figure('offAboveLux', 'Off above', 'lux', gate.offAboveLux),
        figure(
          'steepness',
          'From full on to off the light rises to so many times',
          'count',
          gate.fullOnBelowLux > 0 ? gate.offAboveLux / gate.fullOnBelowLux : null,
        ),
        ...(here && flows
          ? [
              figure('gateV', 'Gate at the level looked at', 'voltageV', here.gateV),
              text('verdict', 'There it is', here.verdict),
              figure('currentA', 'There flows, typically', 'currentA', flows.currentA),
              figure('heatW', 'There its transistor burns', 'powerW', flows.heatW),
            ]
          : []),
        figure('hottestW', 'Most that it burns, somewhere in dusk', 'powerW', hottest(asked)),
        figure('dayA', 'Draws all day in light', 'currentA', gate.dayA),
        figure('dayMahPerMonth', 'That is a month', 'capacityMah', gate.dayA * 1000 * 24 * 30),
        throughDusk(asked, gate),
      ],
      steps: [
        fillSum(gateNode, { Vs: asked.supplyV, Ip: (lux ?? asked.darkLux) * asked.ampsPerLux, Rp: asked.pullUpOhm }),
      ],
      findings: [...toldOf(asked), legRule],
      drawing: {
        kind: 'lines',
        x: { label: 'light', kind: 'lux' },
        y: { label: 'gate', kind: 'voltageV' },
        lines: [
          { name: 'gate', role: 'curve', points: sample(0, most, 120, (each) => gate.at(each).gateV) },
          level('full on', asked.fullOnV),
          level('threshold', asked.thresholdV),
        ],
        marks: here && lux !== null ? [{ name: volts(here.gateV), at: [lux, here.gateV] }] : [],
      },
    };
  },
  intoDesign: (design, { lux: _, ...given }, newId): Design => {
    const asked = readAsked(given);
    const { widthMm, heightMm } = design.view;
    const fet = describeFet(asked, `own-${newId()}`);
    return putPiece(
      design,
      [
        gateItem(asked, fet.id, { id: newId(), at: { xMm: widthMm * 0.4, yMm: heightMm * 0.8 } }),
        supplyItem(asked, { id: newId(), at: { xMm: widthMm * 0.6, yMm: heightMm * 0.8 } }),
      ],
      [fet],
    );
  },
});
