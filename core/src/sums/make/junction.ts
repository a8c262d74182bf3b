import { forwardVoltageV } from '../../circuit/index.ts';
import {
  deratedCurrentA,
  heatedShare,
  isTooNear,
  junctionTemperature,
  lightHeat,
  softensAtC,
  touchLimitsC,
} from '../../heat/index.ts';
import type { Finding } from '../../items/index.ts';
import { amps, celsius, fillSum, quantity, say } from '../../units/index.ts';
import { ask, assume, choice, list, optional } from '../inputs.ts';
import { curveThrough } from '../lightCurves.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';

interface Judged {
  readonly nowC: number;
  readonly limitC: number;
  readonly derated: number;
  readonly ambientC: number;
  readonly P: number;
  readonly touchC: number | null;
  readonly outsideC: number;
  readonly touch: string;
  readonly softens: number | null;
  readonly beside: string;
  readonly onForS: number | null;
  readonly insideC: number;
}

/** What is amiss, or to be known. */
const judge = ({
  nowC,
  limitC,
  derated,
  ambientC,
  P,
  touchC,
  outsideC,
  touch,
  softens,
  beside,
  onForS,
  insideC,
}: Judged): Finding[] =>
  findingsWhere(
    [
      nowC > limitC,
      finding(
        'too-hot',
        'stop',
        say`${celsius(nowC)} inside; the limit is ${celsius(limitC)}`,
        'Light and life fall with heat, and gross excess kills at once.',
        say`At most ${amps(derated)}, or a heatsink that makes it ${quantity('thermalKPerW', (limitC - ambientC) / P)} in all.`,
      ),
    ],
    [
      touchC !== null && outsideC > touchC,
      finding(
        'hot-touch',
        'stop',
        say`Its outside reaches ${celsius(outsideC)}; skin bears ${celsius(touchC ?? 0)} ${touch}`,
        'A burn comes before the wearer can take it off.',
        'Guard it, spread the heat, or less current.',
      ),
    ],
    [
      softens !== null && isTooNear(outsideC, softens ?? 0),
      finding(
        'softens',
        'mend',
        say`${beside.charAt(0).toUpperCase()}${beside.slice(1)} softens near ${celsius(softens ?? 0)}; this gets ${celsius(outsideC)}`,
        say`Within ${quantity('temperatureRiseK', 10)} of that nothing is held.`,
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
  );

/** At which voltage and light are known. */
const KNOWN_AT_C = 25;

/**
 * The voltage at which a light comes to rest that drops less the warmer it is: T = Ta + R·I·(1 − n)·(V − d·(T − 25)),
 * solved for T.
 */
function voltageWarm(asked: {
  readonly voltageV: number;
  readonly driftV: number;
  readonly currentA: number;
  readonly lightShare: number;
  readonly chain: number;
  readonly ambientC: number;
}): number {
  const { voltageV, driftV, ambientC } = asked;
  const kelvinAVolt = asked.chain * asked.currentA * (1 - asked.lightShare);
  const restC = (ambientC + kelvinAVolt * (voltageV + driftV * KNOWN_AT_C)) / (1 + kelvinAVolt * driftV);
  return Math.max(0, voltageV - driftV * (restC - KNOWN_AT_C));
}

/** Answers how hot it gets inside and out. */
export const junctionSum = defineSum({
  name: 'junction',
  title: 'How hot it gets',
  about:
    'Temperature of a light, several on one heatsink or a regulator from its watts and the way of the heat, its touch surface, and the current it may have.',
  group: 'heat and make',
  inputs: {
    currentA: ask('currentA', 'current', 'Current', 0.7, { most: 100, usual: [0.001, 3] }),
    voltageV: ask('voltageV', 'volts', 'Voltage across it', 3.05, { most: 100, usual: [0.2, 40] }),
    lightShare: assume('fraction', 'light', 'Share that leaves as light', 0.3, { least: 0, most: 0.6 }),
    thermalKPerW: list('thermalKPerW', 'thermal', 'Thermal resistances, inside to air', [26], {
      least: 0.01,
      most: 5000,
    }),
    lights: assume('count', 'lights', 'Lights on the last of them together', 1, { whole: true, least: 1, most: 200 }),
    driftV: assume('voltageV', 'drift', 'Voltage falls for each kelvin above 25 °C by', 0, { least: 0, most: 0.02 }),
    fadeAKelvin: assume('fraction', 'fade', 'Light falls for each kelvin above 25 °C by', 0, { least: 0, most: 0.02 }),
    ambientC: assume('temperatureC', 'ambient', 'Air inside the piece', 22, { least: -40, most: 90 }),
    limitC: assume('temperatureC', 'limit', 'Limit inside', 120, { least: 40, most: 200 }),
    touch: choice('touch', 'Its outside is touched', ['never', 'for a moment', 'for long'], 'never'),
    beside: choice('beside', 'Lies against', ['nothing', ...Object.keys(softensAtC)], 'nothing'),
    onForS: optional('timeS', 'on', 'Is on for'),
    tauS: assume('timeS', 'tau', '… with a heating time of', 180, { least: 0.1, most: 1e6 }),
  },
  reckon: (values) => {
    const { currentA, voltageV, lightShare, thermalKPerW, ambientC, limitC, touch, beside, onForS, tauS } = values;
    const { lights, driftV, fadeAKelvin } = values;
    const last = thermalKPerW[thermalKPerW.length - 1] ?? 0;
    const ownKPerW = thermalKPerW.slice(0, -1).reduce((sum, each) => sum + each, 0);
    // What all of them bring goes through the last; seen from one it is so many times as much.
    const chain = ownKPerW + lights * last;
    const warmV = voltageWarm({ voltageV, driftV, currentA, lightShare, chain, ambientC });
    const P = lightHeat.reckon({ V: warmV, I: currentA, n: lightShare });
    const share = onForS === null ? 1 : heatedShare(onForS, tauS);
    const insideC = junctionTemperature.reckon({ Ta: ambientC, P, Rt: chain });
    const nowC = ambientC + (insideC - ambientC) * share;
    const outsideC = ambientC + lights * P * last * share;
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
        figure('heatW', lights > 1 ? 'Heat of each' : 'Heat', 'powerW', P),
        ...(lights > 1 ? [figure('allHeatW', 'Heat of all', 'powerW', lights * P)] : []),
        ...(driftV > 0 ? [figure('warmV', 'Voltage, warm', 'voltageV', warmV)] : []),
        ...(fadeAKelvin > 0
          ? [
              figure(
                'lightLeft',
                'Light, warm, of that at 25 °C',
                'fraction',
                Math.max(0, 1 - fadeAKelvin * (insideC - KNOWN_AT_C)),
              ),
            ]
          : []),
        ...(onForS === null
          ? []
          : [
              figure('thenC', 'Inside when it goes off', 'temperatureC', nowC),
              figure('share', 'Share of the rise by then', 'fraction', share),
            ]),
        figure('outsideC', 'Outside of it', 'temperatureC', outsideC),
        figure('mostA', 'Most current within the limit', 'currentA', derated),
        ...(last > 0 && P > 0
          ? [
              figure(
                'mostLights',
                'Most of them on it within the limit',
                'count',
                Math.max(0, Math.floor(((limitC - ambientC) / P - ownKPerW) / last + 1e-9)),
              ),
            ]
          : []),
        figure('mostKPerW', 'Most thermal resistance at this current', 'thermalKPerW', (limitC - ambientC) / P),
      ],
      steps: [
        fillSum(lightHeat, { V: warmV, I: currentA, n: lightShare }),
        fillSum(junctionTemperature, { Ta: ambientC, P, Rt: chain }),
      ],
      findings: judge({
        nowC,
        limitC,
        derated,
        ambientC,
        P,
        touchC,
        outsideC,
        touch,
        softens,
        beside,
        onForS,
        insideC,
      }),
    };
  },
});
