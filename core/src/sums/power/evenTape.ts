import type { EvenTape } from '../../power/index.ts';
import { mm, say, volts } from '../../units/index.ts';
import { SumError } from '../answer.ts';
import { ask, assume } from '../inputs.ts';

/** What the sums about a tape ask for. */
export const tapeInputs = {
  lengthMm: ask('lengthMm', 'length', 'Length of the tape', 3000, { most: 100_000, usual: [50, 10_000] }),
  perMetre: ask('perMetre', 'density', 'Pixels a metre', 60, { least: 1, most: 1000, usual: [14, 400] }),
  pixelA: ask('currentA', 'pixel', 'Draw of one pixel', 0.0368, { most: 1, usual: [0.0005, 0.1] }),
  supplyV: assume('voltageV', 'supply', 'Supply', 5, { least: 1, most: 48 }),
  railOhmPerMetre: assume('ohmPerMetre', 'rails', 'Both rails of a metre', 0.3, { least: 0.001, most: 20 }),
  leadOhm: assume('resistanceOhm', 'lead', 'Lead of a feed, out and back', 0.05, { least: 0, most: 20 }),
  fullAboveV: assume('voltageV', 'fullabove', 'Full current above', 3.7, { least: 0, most: 48 }),
  endsAtV: assume('voltageV', 'endsat', '… and none below', 0, { least: 0, most: 48 }),
} as const;

/** The tape that the inputs describe; refuses one of no pixel, or of more than a sum can take. */
export const evenTape = (values: Readonly<Record<keyof typeof tapeInputs, number>>): EvenTape => {
  const pixels = Math.floor((values.lengthMm * values.perMetre) / 1000 + 1e-6);
  if (pixels < 1)
    throw new SumError(
      say`Not one pixel fits ${mm(values.lengthMm)}: the first is lit from ${mm(1000 / values.perMetre)} on; give a longer piece`,
    );
  if (values.endsAtV > 0 && values.endsAtV >= values.fullAboveV)
    throw new SumError(
      say`A pixel whose current ends at ${volts(values.endsAtV)} can’t be at full from ${volts(values.fullAboveV)} on; give the lower one as endsat`,
    );
  if (pixels > 20_000)
    throw new SumError(`${pixels} pixels are more than one sum takes; give at most 20 000, or part the tape`);
  return {
    supplyV: values.supplyV,
    pixels,
    pixelA: values.pixelA,
    pitchOhm: values.railOhmPerMetre / values.perMetre,
    leadOhm: values.leadOhm,
    fullAboveV: values.fullAboveV,
    endsAtV: values.endsAtV,
  };
};
