import {
  baseCurrent,
  bipolarAt,
  bipolarOnLine,
  designBase,
  lineOf,
  nextStandard,
  type OnLine,
  standardNeighbours,
} from '../../drive/index.ts';
import type { Finding } from '../../items/index.ts';
import { baseResistor } from '../../network/index.ts';
import { amps, fillSum, ohms, say } from '../../units/index.ts';
import { ask, assume, optional } from '../inputs.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';
import { onItsLine, temperatures } from './onItsLine.ts';

interface Judged {
  /** Whether any value keeps it full on and spares the pin. */
  readonly isAny: boolean;
  readonly pinLimitA: number;
  readonly loadA: number;
  readonly forcedGain: number;
  readonly collectorA: number;
  readonly baseA: number | null;
  readonly mostOhm: number;
  readonly leastOhm: number;
}

/** What is amiss, or to be known. */
const judge = ({ isAny, pinLimitA, loadA, forcedGain, collectorA, baseA, mostOhm, leastOhm }: Judged): Finding[] =>
  findingsWhere(
    [
      !isAny,
      finding(
        'pin-load',
        'stop',
        say`No base resistor serves: the pin gives ${amps(pinLimitA)}, full on takes ${amps(loadA / forcedGain)}`,
        'Half on, the transistor runs hot and the lights dim.',
        'A field-effect transistor, or a transistor pair.',
      ),
    ],
    [
      loadA > collectorA,
      finding(
        'switch-load',
        'stop',
        say`${amps(loadA)} is over the ${amps(collectorA)} of this transistor`,
        '"Any small one will do" is true up to a length of tape.',
        'A larger one, or one channel a section.',
      ),
    ],
    [
      isAny && baseA !== null && baseA * forcedGain < loadA * (1 - 1e-9),
      finding(
        'not-full-on',
        'mend',
        'The base current does not keep it full on',
        say`It is promised for ${amps((baseA ?? 0) * forcedGain)}; the gain of its sheet is for a transistor that is not full on, and falls in the cold.`,
        say`Take ${ohms(standardNeighbours(Math.max(1, mostOhm)).below)} or less.`,
      ),
    ],
    [
      isAny && baseA !== null && baseA > pinLimitA * (1 + 1e-9),
      finding(
        'pin-over',
        'stop',
        say`The pin would give ${amps(baseA ?? 0)}; it bears ${amps(pinLimitA)}`,
        'The base current counts in the pin’s load.',
        say`Take ${ohms(nextStandard(leastOhm))} or more.`,
      ),
    ],
  );

/** What it comes to at a temperature: full on where its gain there carries the load, half on where not. */
function atTemperature(
  asked: {
    readonly loadA: number;
    readonly pinV: number;
    readonly baseEmitterV: number;
    readonly onDropV: number;
    readonly supplyV: number;
    readonly gain: number;
  },
  baseOhm: number,
  celsius: number,
): OnLine {
  const there = bipolarAt(celsius, asked.baseEmitterV, asked.gain);
  const baseA = baseCurrent.reckon({ Vp: asked.pinV, Vbe: there.baseEmitterV, Rb: baseOhm });
  return bipolarOnLine(lineOf(asked.supplyV, asked.loadA), baseA, there.gain, asked.onDropV);
}

/** Answers the resistor before a base. */
export const transistorSwitchSum = defineSum({
  name: 'transistor-switch',
  title: 'Bipolar transistor as a switch',
  about:
    'The band of base resistors that keeps it full on, what the pin gives for it, the heat, and what it does half on, cold and hot.',
  group: 'drive',
  inputs: {
    loadA: ask('currentA', 'load', 'Current switched', 0.09, { most: 20, usual: [0.001, 3] }),
    pinV: ask('voltageV', 'pin', 'Pin, high, at the lowest pack', 3.3, { most: 12, usual: [1.8, 5.5] }),
    pinLimitA: assume('currentA', 'pinlimit', 'Most that the pin gives', 0.012, { most: 0.2, usual: [0.002, 0.04] }),
    baseEmitterV: assume('voltageV', 'vbe', 'Base to emitter', 0.75, { least: 0.4, most: 2.5 }),
    forcedGain: assume('count', 'gain', 'Forced gain', 10, { least: 1, most: 200 }),
    onDropV: assume('voltageV', 'drop', 'Volts lost when on', 0.2, { least: 0.01, most: 3 }),
    collectorA: assume('currentA', 'limit', 'Highest collector current', 0.2, { most: 50 }),
    resistorOhm: optional('resistanceOhm', 'base', 'Base resistor already fitted'),
    supplyV: assume('voltageV', 'supply', 'Supply of the load', 5, { least: 0.5, most: 60, usual: [1.2, 30] }),
    gain: assume('count', 'sheetgain', 'Least gain of its sheet', 100, { least: 5, most: 2000 }),
    ...temperatures,
  },
  reckon: (values) => {
    const { loadA, pinV, pinLimitA, baseEmitterV, forcedGain, onDropV, collectorA, resistorOhm } = values;
    const design = designBase({ pinV, baseEmitterV, pinLimitA, loadA, forcedGain, onDropV });
    const fitted = resistorOhm ?? design.resistorOhm;
    const baseA = fitted === null ? null : baseCurrent.reckon({ Vp: pinV, Vbe: baseEmitterV, Rb: fitted });
    const isFull = baseA !== null && baseA * forcedGain >= loadA * (1 - 1e-9);
    return {
      results: [
        mainFigure('resistorOhm', 'Base resistor', 'resistanceOhm', fitted),
        figure('leastOhm', 'At least, for the pin', 'resistanceOhm', design.leastOhm),
        figure('mostOhm', 'At most, to be full on', 'resistanceOhm', design.mostOhm),
        figure('baseA', 'Base current', 'currentA', baseA),
        figure('goodForA', 'Keeps full on', 'currentA', baseA === null ? null : baseA * forcedGain),
        figure('gain', 'Forced gain', 'count', baseA === null || baseA <= 0 ? null : loadA / baseA),
        // Half on it loses more than these volts: the line of its load says how much.
        figure('heatW', 'Heat, full on', 'powerW', isFull ? onDropV * loadA + baseEmitterV * (baseA ?? 0) : null),
        ...(fitted === null ? [] : [onItsLine(values, (celsius) => atTemperature(values, fitted, celsius))]),
      ],
      steps: [
        fillSum(baseResistor, { Vp: pinV, Vbe: baseEmitterV, g: forcedGain, Ic: loadA }),
        ...(fitted === null ? [] : [fillSum(baseCurrent, { Vp: pinV, Vbe: baseEmitterV, Rb: fitted })]),
      ],
      findings: judge({
        isAny: design.resistorOhm !== null,
        pinLimitA,
        loadA,
        forcedGain,
        collectorA,
        baseA,
        mostOhm: design.mostOhm,
        leastOhm: design.leastOhm,
      }),
    };
  },
});
