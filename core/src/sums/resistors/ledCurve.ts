import { forwardVoltageV, shiftCurve, solveString } from '../../circuit/index.ts';
import type { Finding } from '../../items/index.ts';
import { SumError } from '../answer.ts';
import { assume, list, optional, pairs } from '../inputs.ts';
import { curveOfReadings, curvePoints } from '../lightCurves.ts';
import { defineSum, figure, finding, findingsWhere, text } from '../sum.ts';

interface Judged {
  readonly readingCount: number;
  readonly lowest: number;
}

/** What is amiss, or to be known. */
const judge = ({ readingCount, lowest }: Judged): Finding[] =>
  findingsWhere(
    [
      readingCount === 1,
      finding(
        'one-reading',
        'mind',
        'One reading: the slope is typical, not yours',
        'Away from the reading the curve is a guess.',
        'Take a second one at about ten times the current.',
      ),
    ],
    [
      lowest <= 0.0015 && readingCount === 1,
      finding(
        'diode-range',
        'mend',
        'A meter’s diode range reads near 1 mA',
        'It must not go into a sum at 10 or 20 mA: the drop there is up to half a volt more.',
        'Measure at the current you want.',
      ),
    ],
    [
      true,
      finding(
        'by-current',
        'mind',
        'A light is rated by current',
        '"Takes up to so many volts" is no licence to connect it: a tenth of a volt more can double the current.',
        'Always a resistor or a driver.',
      ),
    ],
  );

/** Answers a light’s curve from the maker’s own readings. */
export const ledCurveSum = defineSum({
  name: 'led-curve',
  title: 'The curve of a light',
  about: 'Fits a light’s curve to one, two or more readings and gives volts at any current and current at any voltage.',
  group: 'drive',
  inputs: {
    readings: pairs({
      word: 'readings',
      label: 'Readings',
      hint: 'current : voltage',
      names: ['currentA', 'voltageV'],
      kinds: ['currentA', 'voltageV'],
      bands: [
        { least: 1e-7, most: 10, usual: [0.0001, 1] },
        { least: 0.3, most: 60, usual: [1, 4.5] },
      ],
      initial: [
        [0.001, 1.78],
        [0.02, 2.06],
      ],
    }),
    seriesOhm: optional('resistanceOhm', 'seriesohm', 'Series resistance, if known', { least: 0, most: 1000 }),
    atA: list('currentA', 'at', 'Volts at', [0.005, 0.02], { most: 10 }),
    atV: list('voltageV', 'volts', 'Current at', [1.5, 2], { most: 60 }),
    warmerK: assume('temperatureRiseK', 'warmer', 'Warmer than the readings by', 0, { least: -80, most: 120 }),
  },
  reckon: ({ readings, seriesOhm, atA, atV, warmerK }) => {
    if (readings.length === 0) throw new SumError('Give a reading or two, got none: readings=1mA:1.78V,20mA:2.06V');
    let fitted: ReturnType<typeof curveOfReadings>;
    try {
      fitted = curveOfReadings(readings, seriesOhm);
    } catch (cause) {
      throw new SumError(cause instanceof Error ? cause.message : 'The readings make no curve', { cause });
    }
    const highest = Math.max(...readings.map((reading) => reading[1]));
    // Red and amber fall by 2 mV a kelvin, green to ultraviolet by 4.
    const curve = shiftCurve(fitted, -(highest < 2.4 ? 0.002 : 0.004) * warmerK);
    const lowest = Math.min(...readings.map((reading) => reading[0]));
    const mostA = Math.max(0.025, ...readings.map((reading) => reading[0] * 1.3), ...atA);
    return {
      results: [
        figure('slopeV', 'n·Vt', 'voltageV', curve.nVtV),
        text('saturationA', 'Is, A', curve.saturationA.toExponential(4)),
        figure('seriesOhm', 'Rs', 'resistanceOhm', curve.seriesOhm),
        {
          form: 'table',
          key: 'voltages',
          label: 'Volts at a current',
          columns: [
            { key: 'currentA', label: 'at', kind: 'currentA' },
            { key: 'voltageV', label: 'drop', kind: 'voltageV' },
          ],
          rows: atA.map((each) => [each, forwardVoltageV(curve, each)]),
        },
        {
          form: 'table',
          key: 'currents',
          label: 'Current at a voltage, without a resistor',
          columns: [
            { key: 'voltageV', label: 'at', kind: 'voltageV' },
            { key: 'currentA', label: 'current', kind: 'currentA' },
          ],
          rows: atV.map((each) => [each, solveString({ supplyV: each, resistanceOhm: 0, curve })]),
        },
      ],
      steps: [],
      findings: judge({ readingCount: readings.length, lowest }),
      drawing: {
        kind: 'lines',
        x: { label: 'voltage', kind: 'voltageV' },
        y: { label: 'current', kind: 'currentA' },
        lines: [{ name: 'the light', role: 'curve', points: curvePoints(curve, mostA) }],
        marks: readings.map(([current, volts]) => ({ name: 'reading', at: [volts, current] as const })),
      },
    };
  },
});
