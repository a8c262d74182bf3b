import {
  bestFixed,
  chooseThresholds,
  codeAgrees,
  designSensor,
  dividerCode,
  sensorFromCode,
} from '../../drive/index.ts';
import { tellSwapped } from '../../findings/index.ts';
import type { Finding } from '../../items/index.ts';
import { fillSum, ohms, say } from '../../units/index.ts';
import { sample } from '../drawing.ts';
import { ask, assume, choice, optional } from '../inputs.ts';
import { asInPlan, defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';

interface Judged {
  readonly darkOhm: number;
  readonly lightOhm: number;
  readonly threshold: ReturnType<typeof chooseThresholds>[number] | undefined;
  readonly noise: number;
  readonly code: number | null;
  readonly Rf: number;
  readonly sensorOhm: number;
  readonly top: number;
  /** Of the sensor as it was when the code was read. */
  readonly expectedCode: number;
}

/** What is amiss, or to be known. */
const judge = ({ darkOhm, lightOhm, threshold, noise, code, Rf, sensorOhm, top, expectedCode }: Judged): Finding[] => [
  ...asInPlan(tellSwapped({ name: 'The sensor', darkOhm, lightOhm })),
  ...findingsWhere(
    [
      threshold !== undefined && !threshold.holds,
      finding(
        'chatters',
        'mend',
        `A gap of ${threshold?.gap ?? 0} is not over twice the noise of ${noise}`,
        'At dusk the lamp would flicker on and off.',
        'A fixed resistor nearer the best one, or average more readings.',
      ),
    ],
    [
      code !== null && !codeAgrees(code, expectedCode),
      finding(
        'code-disagrees',
        'stop',
        say`A code of ${code ?? 0} does not agree with ${ohms(sensorOhm)}`,
        code === 0
          ? say`Zero means above ${ohms(Rf * (top - 1))}: an open joint, or the wrong pin.`
          : 'One of the two is wrong, or sensor and resistor are swapped.',
        'Look at the joint and measure the sensor by itself.',
      ),
    ],
    [
      true,
      finding(
        'own-light',
        'mind',
        'Keep the lamp’s own light off its sensor',
        'Else it switches itself off as soon as it is on.',
        'Face it away, shade it, and let it settle for a second or two.',
      ),
    ],
  ),
];

/** Answers the fixed resistor and the thresholds of a light sensor. */
export const lightDividerSum = defineSum({
  name: 'light-divider',
  title: 'Light sensor on a divider',
  about: 'The best fixed resistor, the codes at two light levels and thresholds with a gap.',
  group: 'drive',
  inputs: {
    darkOhm: ask('resistanceOhm', 'dark', 'Sensor in the dark', 180_000, { most: 1e9, usual: [5000, 20e6] }),
    lightOhm: ask('resistanceOhm', 'light', 'Sensor in light', 2400, { most: 1e9, usual: [50, 200_000] }),
    fixedOhm: optional('resistanceOhm', 'fixed', 'Fixed resistor, to minus'),
    supplyV: assume('voltageV', 'supply', 'Supply', 3.3, { least: 0.5, most: 24 }),
    referenceV: optional('voltageV', 'reference', 'Reference of the converter, if it is not that supply', {
      least: 0.3,
      most: 24,
    }),
    bits: assume('count', 'bits', 'Bits of the converter', 12, { whole: true, least: 6, most: 24 }),
    noise: assume('count', 'noise', 'Noise of the code, either way', 25, { least: 0, most: 10_000 }),
    code: optional('count', 'code', 'A code that was read', { whole: true, least: 0, most: 16_777_216 }),
    readAt: choice('readat', '… with the sensor in', ['dark', 'light'], 'dark'),
  },
  reckon: ({ darkOhm, lightOhm, fixedOhm, supplyV, referenceV, bits, noise, code, readAt }) => {
    const perReference = supplyV / (referenceV ?? supplyV);
    const design = designSensor({ darkOhm, lightOhm, bits, supplyV, referenceV: referenceV ?? supplyV });
    const Rf = fixedOhm ?? design.fixedOhm;
    // What it counts at its supply; of a lower reference it stands at its top before that.
    const top = 2 ** bits * perReference;
    const at = (Rs: number): number => Math.min(2 ** bits - 1, dividerCode.reckon({ Rf, Rs, top }));
    const [darkCode, lightCode] = [at(darkOhm), at(lightOhm)];
    const [threshold] = chooseThresholds(
      [
        { name: 'dark', code: darkCode },
        { name: 'light', code: lightCode },
      ],
      noise,
    );
    const sensorOhm = readAt === 'dark' ? darkOhm : lightOhm;
    return {
      results: [
        mainFigure('fixedOhm', 'Fixed resistor', 'resistanceOhm', Rf),
        figure('bestOhm', 'Best, exactly', 'resistanceOhm', design.exactOhm),
        figure('darkCode', 'Code in the dark', 'count', darkCode),
        figure('lightCode', 'Code in light', 'count', lightCode),
        figure('darkBelow', 'Dark below', 'count', threshold?.fallsBelow ?? null),
        figure('lightAbove', 'Light again above', 'count', threshold?.risesAbove ?? null),
        figure('gap', 'Gap', 'count', threshold?.gap ?? null),
        figure('dayA', 'Draws in light', 'currentA', supplyV / (Rf + lightOhm)),
        figure('nightA', 'Draws in the dark', 'currentA', supplyV / (Rf + darkOhm)),
        ...(code === null || code === 0
          ? []
          : [
              figure(
                'codeOhm',
                `The code ${code} stands for`,
                'resistanceOhm',
                sensorFromCode(code / perReference, Rf, bits),
              ),
            ]),
      ],
      steps: [
        fillSum(bestFixed, { Rd: darkOhm, Rl: lightOhm }),
        fillSum(dividerCode, { Rf, Rs: darkOhm, top }),
        fillSum(dividerCode, { Rf, Rs: lightOhm, top }),
      ],
      findings: judge({
        darkOhm,
        lightOhm,
        threshold,
        noise,
        code,
        Rf,
        sensorOhm,
        top,
        expectedCode: at(sensorOhm),
      }),
      drawing: {
        kind: 'lines',
        x: { label: 'sensor', kind: 'resistanceOhm' },
        y: { label: 'code', kind: 'count' },
        lines: [
          {
            name: 'code',
            role: 'curve',
            points: sample(Math.min(lightOhm, darkOhm) / 2, Math.max(lightOhm, darkOhm) * 1.2, 160, at),
          },
        ],
        marks: [
          { name: 'dark', at: [darkOhm, darkCode] },
          { name: 'light', at: [lightOhm, lightCode] },
        ],
      },
    };
  },
});
