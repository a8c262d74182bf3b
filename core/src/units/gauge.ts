/** Bare diameter of a gauge number, by the definition of the American wire gauge (ASTM B258). @example 24 gauge: 0.511 mm */
export const diameterMmOfGauge = (gaugeAwg: number): number => 0.127 * 92 ** ((36 - gaugeAwg) / 39);

/** Copper of a gauge number. @example 24 gauge: 0.205 mm² */
export const crossSectionMm2OfGauge = (gaugeAwg: number): number => (Math.PI / 4) * diameterMmOfGauge(gaugeAwg) ** 2;

/** The gauge number, whole or not, that has this much copper. @example 0.205 mm²: 24.0 */
export const gaugeOfCrossSectionMm2 = (areaMm2: number): number =>
  36 - 39 * (Math.log(Math.sqrt((4 * areaMm2) / Math.PI) / 0.127) / Math.log(92));
