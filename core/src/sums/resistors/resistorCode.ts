import {
  chipCodes,
  colourBands,
  type MarkedResistor,
  readBands,
  readChipCode,
  standardNeighbours,
} from '../../drive/index.ts';
import { type Message, ohms, percent, say } from '../../units/index.ts';
import { SumError } from '../answer.ts';
import { assume, optional, words } from '../inputs.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure, text } from '../sum.ts';

const seriesNames = ['E6', 'E12', 'E24', 'E48', 'E96'] as const;

/** What bands or a chip code say; null where neither is given. Refuses what is no code, since a guess would be fitted. */
function readMarking(bands: string, chip: string): MarkedResistor | null {
  const names = bands.split(/[\s,;/-]+/).filter(Boolean);
  if (names.length > 0) {
    const read = readBands(names);
    if (!read)
      throw new SumError(`"${bands}" is not a colour code: four or five colours, such as brown grey brown gold`);
    return read;
  }
  if (chip === '') return null;
  const read = readChipCode(chip);
  if (!read)
    throw new SumError(
      `"${chip}" is not a chip code: three or four digits (472, 4701), an R for the point (4R7), or two digits and a letter (66C)`,
    );
  return read;
}

/** The bands of a value in words, or why it has none. */
function writeBands(ohm: number, tolerance: number): Message {
  return (
    colourBands(ohm, tolerance)?.join(', ') ??
    say`${ohms(ohm)} at ${percent(tolerance)} has no colour code: it takes up to three digits, 0.1 Ω to 999 GΩ`
  );
}

/** Answers reading and writing the bands of a resistor. */
export const resistorCodeSum = defineSum({
  name: 'resistor-code',
  title: 'Resistor markings',
  about: 'Colour bands and chip codes of a value, and the value of bands or a chip code.',
  group: 'drive',
  inputs: {
    ohm: optional('resistanceOhm', 'value', 'Value', { most: 1e11 }, 4700),
    tolerance: assume('fraction', 'tolerance', 'Tolerance', 0.05, { least: 0.0001, most: 0.2 }),
    bands: words('bands', 'Bands', ''),
    chip: words('chip', 'Chip code', ''),
  },
  reckon: ({ ohm, tolerance, bands, chip }) => {
    const read = readMarking(bands, chip);
    const value = read?.ohm ?? ohm;
    if (value === null)
      throw new SumError('Give a value, bands or a chip code: value=4k7, bands=brown-grey-brown-gold or chip=472');
    const share = read?.tolerance ?? tolerance;
    const codes = chipCodes(value);
    return {
      results: [
        mainFigure('ohm', 'Value', 'resistanceOhm', value),
        figure('tolerance', 'Tolerance', 'fraction', share),
        figure('leastOhm', 'At least', 'resistanceOhm', value * (1 - share)),
        figure('mostOhm', 'At most', 'resistanceOhm', value * (1 + share)),
        text('bands', 'Bands', writeBands(value, share)),
        text('chipThree', 'Chip, three digits', codes.three ?? 'none'),
        text('chipFour', 'Chip, four digits', codes.four ?? 'none'),
        text('chipLetter', 'Chip, two digits and a letter', codes.letter ?? 'none'),
        text(
          'series',
          'Stands in',
          seriesNames
            .filter((name) => value > 0 && Math.abs(standardNeighbours(value, name).below / value - 1) < 1e-6)
            .join(', ') || 'no series',
        ),
      ],
      steps: [],
      findings: findingsWhere([
        Boolean(read) && ohm !== null && Math.abs((read?.ohm ?? 0) / (ohm ?? 1) - 1) > (read?.tolerance ?? 0.05),
        finding(
          'not-the-value',
          'stop',
          say`The marking says ${ohms(value)}, not ${ohms(ohm ?? 0)}`,
          'Read from the other end, or in poor light, red, brown and orange are easily taken for each other.',
          'Measure it.',
        ),
      ]),
    };
  },
});
