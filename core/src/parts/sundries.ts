/** The transistor that turns a pin round for a larger one above it: chosen by nobody, any small one will do. */
export const helperTransistorId = 'transistor-npn-small';

/** What is bought by the way and chosen by nobody: usual prices of one, or of a metre, in small quantities. */
export const sundryPrices = {
  resistor: 0.03,
  fuseWithHolder: 0.6,
  wirePerMetre: 0.35,
  reservoir: 0.4,
  sparePixel: 0.15,
  diode: 0.1,
  capacitor: 0.08,
  levelShifter: 0.9,
  lightSensor: 0.35,
  heatsink: 1.5,
} as const;
