import { senseCode } from '../../drive/index.ts';
import { tellSense } from '../../findings/index.ts';
import { fillSum, say, volts } from '../../units/index.ts';
import { ask, assume, choice, onlyWith, optional } from '../inputs.ts';
import { asInPlan, defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';

/** Answers the divider by which a program sees the charge. */
export const packSenseSum = defineSum({
  name: 'pack-sense',
  title: 'Reading the pack’s voltage',
  about: 'Divider, codes and threshold for a controller that watches its pack.',
  group: 'drive',
  inputs: {
    fullV: ask('voltageV', 'full', 'Pack, full', 8.4, { most: 60, usual: [1.2, 30] }),
    alarmV: ask('voltageV', 'alarm', 'Alarm at', 6.6, { most: 60, usual: [0.8, 30] }),
    upperOhm: assume('resistanceOhm', 'upper', 'Resistor to the pack', 270_000, { most: 1e8 }),
    lowerOhm: assume('resistanceOhm', 'lower', 'Resistor to minus', 100_000, { most: 1e8 }),
    referenceV: assume('voltageV', 'reference', 'Reference', 2.5, { least: 0.3, most: 60, usual: [1, 5.5] }),
    bits: assume('count', 'bits', 'Bits of the converter', 12, { whole: true, least: 6, most: 24 }),
    source: choice('from', 'The reference is', ['fixed', 'the pack itself'], 'fixed'),
    emptyV: optional('voltageV', 'empty', 'The pack is cut off at', { most: 60, usual: [0.8, 30] }),
    ...onlyWith(
      { key: 'source', is: 'fixed' },
      {
        steadyFromV: optional('voltageV', 'steady', 'It stands still from, of the pack', { most: 60, usual: [1, 15] }),
      },
    ),
  },
  reckon: ({ fullV, alarmV, upperOhm, lowerOhm, referenceV, bits, source, emptyV, steadyFromV }) => {
    const sum = { R1: upperOhm, R2: lowerOhm, Vr: referenceV, top: 2 ** bits };
    const ratio = lowerOhm / (upperOhm + lowerOhm);
    return {
      results: [
        mainFigure('alarmCode', 'Code at the alarm', 'count', senseCode.reckon({ ...sum, U: alarmV })),
        figure('fullCode', 'Code when full', 'count', senseCode.reckon({ ...sum, U: fullV })),
        figure('fullAtPinV', 'At the pin when full', 'voltageV', fullV * ratio),
        figure('stepV', 'One step of the code', 'voltageV', referenceV / 2 ** bits / ratio),
        figure('drainA', 'The divider draws', 'currentA', fullV / (upperOhm + lowerOhm)),
        figure('drainMahPerMonth', 'That is a month', 'capacityMah', (fullV / (upperOhm + lowerOhm)) * 1000 * 24 * 30),
      ],
      steps: [fillSum(senseCode, { ...sum, U: alarmV })],
      findings: [
        ...asInPlan(
          tellSense({
            name: 'The program',
            lowV: alarmV,
            fullV,
            emptyV,
            steadyFromV: source === 'the pack itself' ? Number.POSITIVE_INFINITY : (steadyFromV ?? 0),
          }),
        ),
        ...findingsWhere(
          [
            fullV * ratio > referenceV,
            finding(
              'over-reference',
              'stop',
              say`A full pack puts ${volts(fullV * ratio)} on the pin, above the reference`,
              'The code stands at its top until the pack is half empty.',
              'A larger upper resistor.',
            ),
          ],
          [
            true,
            finding(
              'sag',
              'mind',
              'A sag is not empty',
              'A bright flash pulls the voltage down for a moment.',
              'Filter over some seconds, and leave a gap between alarm and all-clear.',
            ),
          ],
        ),
      ],
    };
  },
});
