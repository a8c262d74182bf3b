import { designLightGate, type Finding, gateNode } from '../../items/index.ts';
import { fillSum, say, volts } from '../../units/index.ts';
import { sample } from '../drawing.ts';
import { ask, assume } from '../inputs.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure, text } from '../sum.ts';

interface Judged {
  readonly supplyV: number;
  readonly fullOnV: number;
  readonly isHalfOn: boolean;
  readonly lux: number;
}

/** What is amiss, or to be known. */
const judge = ({ supplyV, fullOnV, isHalfOn, lux }: Judged): Finding[] =>
  findingsWhere(
    [
      supplyV < fullOnV,
      finding(
        'never-full',
        'stop',
        say`Even in the dark the gate gets only ${volts(supplyV)}; full on takes ${volts(fullOnV)}`,
        'It runs half on and warm.',
        'A transistor that is full on at less.',
      ),
    ],
    [
      isHalfOn,
      finding(
        'half-on',
        'mend',
        `At ${lux} lux it is half on`,
        'Between full on and off it drops volts and runs warm, through all of dusk.',
        'A steeper switch (a second transistor), or a controller with two thresholds.',
      ),
    ],
    [
      true,
      finding(
        'leg-rule',
        'mind',
        'On a phototransistor the short leg is the collector',
        'The long-leg rule of lights does not hold for sensors of every kind.',
        'Look at its sheet, or test it with a lamp before it goes in.',
      ),
    ],
  );

/** Answers a lamp that lights itself in the dark, without a program. */
export const lightGateSum = defineSum({
  name: 'light-gate',
  title: 'Lamp that lights by itself, without a program',
  about: 'Phototransistor and pull-up on a gate: when it is on, off and half on, and what it draws all day.',
  group: 'drive',
  inputs: {
    supplyV: ask('voltageV', 'supply', 'Supply', 4.2, { most: 24, usual: [2, 15] }),
    pullUpOhm: ask('resistanceOhm', 'pullup', 'Pull-up', 150_000, { least: 100, most: 1e8, usual: [10_000, 5e6] }),
    microampsPerLux: assume('currentA', 'perlux', 'Phototransistor, current at one lux', 1e-6, {
      least: 1e-10,
      most: 1e-3,
    }),
    thresholdV: assume('voltageV', 'threshold', 'Gate threshold', 1.2, { least: 0.3, most: 6 }),
    fullOnV: assume('voltageV', 'fullon', 'Gate voltage for full on', 3, { least: 0.5, most: 12 }),
    lux: assume('count', 'lux', 'Look at a light level of, lux', 10, { least: 0, most: 200_000 }),
  },
  reckon: ({ supplyV, pullUpOhm, microampsPerLux, thresholdV, fullOnV, lux }) => {
    const gate = designLightGate({ supplyV, pullUpOhm, ampsPerLux: microampsPerLux, thresholdV, fullOnV });
    const here = gate.at(lux);
    const most = Math.max(gate.offAboveLux * 1.5, lux * 1.2, 0.1);
    return {
      results: [
        mainFigure('fullOnBelowLux', 'Full on below, lux', 'count', gate.fullOnBelowLux),
        figure('offAboveLux', 'Off above, lux', 'count', gate.offAboveLux),
        figure('gateV', `Gate at ${lux} lux`, 'voltageV', here.gateV),
        text('verdict', 'There it is', here.verdict),
        figure('dayA', 'Draws all day in light', 'currentA', gate.dayA),
        figure('dayMahPerMonth', 'That is a month', 'capacityMah', gate.dayA * 1000 * 24 * 30),
      ],
      steps: [fillSum(gateNode, { Vs: supplyV, Ip: lux * microampsPerLux, Rp: pullUpOhm })],
      findings: judge({ supplyV, fullOnV, isHalfOn: here.verdict === 'half on', lux }),
      drawing: {
        kind: 'lines',
        x: { label: 'light, lux', kind: 'count' },
        y: { label: 'gate', kind: 'voltageV' },
        lines: [
          { name: 'gate', role: 'curve', points: sample(0, most, 120, (each) => gate.at(each).gateV) },
          {
            name: 'full on',
            role: 'limit',
            points: [
              [0, fullOnV],
              [most, fullOnV],
            ],
          },
          {
            name: 'threshold',
            role: 'limit',
            points: [
              [0, thresholdV],
              [most, thresholdV],
            ],
          },
        ],
        marks: [{ name: `${lux} lux`, at: [lux, here.gateV] }],
      },
    };
  },
});
