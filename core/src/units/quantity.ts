import { gaugeOfCrossSectionMm2 } from './gauge.ts';

/** The kinds of quantity a maker types or reads. Each has one unit inside the plan. */
export type QuantityKind =
  | 'lengthMm'
  | 'reelM'
  | 'voltageV'
  | 'currentA'
  | 'resistanceOhm'
  | 'powerW'
  | 'capacityMah'
  | 'capacitanceUf'
  | 'timeS'
  | 'timeH'
  | 'timeMin'
  | 'temperatureC'
  | 'temperatureRiseK'
  | 'massG'
  | 'fraction'
  | 'perMetre'
  | 'money'
  | 'count'
  | 'energyWh'
  | 'frequencyHz'
  | 'angleDeg'
  | 'ohmPerMetre'
  | 'powerPerMetreW'
  | 'thermalKPerW'
  | 'heatJPerK'
  | 'rateKPerS'
  | 'gaugeAwg'
  | 'speedRpm'
  | 'forceN'
  | 'areaCm2'
  | 'volumeMm3'
  | 'doseJPerCm2'
  | 'fluxMt'
  | 'lux'
  | 'luminanceCd'
  | 'intensityMcd'
  | 'decibelDb'
  | 'momentGmm';

interface UnitRow {
  /** As written, compared without regard to case where no two rows would clash. */
  readonly names: readonly string[];
  /** How many of the unit used inside so many of these are. */
  readonly toInside: (number: number) => number;
}

interface KindRow {
  /** What a sentence calls it: "a length". */
  readonly noun: string;
  /** Taken when the maker writes a bare number. */
  readonly bareUnit: string;
  readonly example: string;
  /** Written behind the number where the kind takes no prefixes. */
  readonly sign?: string;
  readonly units: readonly UnitRow[];
}

/** A thousandth is divided by a thousand: 18 mA are 0.018 A, where 18 × 0.001 is a last digit off. */
const unit = (factor: number, ...names: string[]): UnitRow => {
  const parts = Math.round(1 / factor);
  return { names, toInside: (number) => (factor * parts === 1 ? number / parts : number * factor) };
};
const unitBy = (toInside: UnitRow['toInside'], ...names: string[]): UnitRow => ({ names, toInside });

/**
 * What each kind accepts. Factors are exact by definition (an inch is 25.4 mm).
 * Prefixed units stand in full, since `M` and `m` must never be taken for each other.
 */
export const quantityKinds: Readonly<Record<QuantityKind, KindRow>> = {
  lengthMm: {
    noun: 'a length',
    bareUnit: 'mm',
    example: '25 mm, 2.5 cm or 3/8 in',
    units: [
      unit(1, 'mm'),
      unit(10, 'cm'),
      unit(1000, 'm'),
      unit(25.4, 'in', 'inch', 'inches', '"', '″'),
      unit(304.8, 'ft'),
    ],
  },
  // What is bought off a reel is counted in metres or feet, however little it is.
  reelM: { noun: 'a length', bareUnit: 'm', example: '3.2 m or 10 ft', units: [unit(1, 'm'), unit(0.3048, 'ft')] },
  voltageV: {
    noun: 'a voltage',
    bareUnit: 'V',
    example: '5 V or 900 mV',
    units: [
      unit(1, 'V', 'volt', 'volts'),
      unit(1e-3, 'mV'),
      unit(1000, 'kV'),
      unit(1e-6, 'µV', 'μV', 'uV'),
      unit(1e-9, 'nV'),
    ],
  },
  currentA: {
    noun: 'a current',
    bareUnit: 'A',
    example: '20 mA or 1.5 A',
    units: [
      unit(1, 'A', 'amp', 'amps'),
      unit(1e-3, 'mA'),
      unit(1e-6, 'uA', 'µA', 'μA'),
      unit(1e-9, 'nA'),
      unit(1000, 'kA'),
    ],
  },
  resistanceOhm: {
    noun: 'a resistance',
    bareUnit: 'Ω',
    example: '330 Ω, 4k7 or 10 kΩ',
    units: [
      unit(1, 'Ω', 'Ω', 'ohm', 'ohms', 'R'),
      unit(1e3, 'kΩ', 'kΩ', 'k', 'kohm'),
      unit(1e6, 'MΩ', 'MΩ', 'M', 'Mohm'),
      unit(1e-3, 'mΩ', 'mΩ', 'mohm'),
      unit(1e-6, 'µΩ', 'µΩ', 'μΩ', 'uohm'),
      unit(1e-9, 'nΩ', 'nΩ', 'nohm'),
    ],
  },
  powerW: {
    noun: 'a power',
    bareUnit: 'W',
    example: '1/4 W or 250 mW',
    units: [
      unit(1, 'W', 'watt', 'watts'),
      unit(1e-3, 'mW'),
      unit(1000, 'kW'),
      unit(1e-6, 'µW', 'μW', 'uW'),
      unit(1e-9, 'nW'),
    ],
  },
  capacityMah: {
    noun: 'a capacity',
    bareUnit: 'mAh',
    example: '2600 mAh or 2.6 Ah',
    units: [unit(1, 'mAh'), unit(1000, 'Ah')],
  },
  capacitanceUf: {
    noun: 'a capacitance',
    bareUnit: 'µF',
    example: '470 µF or 1 mF',
    units: [unit(1, 'µF', 'μF', 'uF'), unit(1000, 'mF'), unit(1e-3, 'nF')],
  },
  timeS: {
    noun: 'a time',
    bareUnit: 's',
    example: '0.3 s, 250 ms or 2 min',
    units: [
      unit(1, 's', 'sec'),
      unit(1e-3, 'ms'),
      unit(1e-6, 'µs', 'μs', 'us'),
      unit(1e-9, 'ns'),
      unit(60, 'min'),
      unit(3600, 'h'),
    ],
  },
  timeMin: {
    noun: 'a time',
    bareUnit: 'min',
    example: '20 min or 1.5 h',
    units: [unit(1, 'min'), unit(60, 'h', 'hours'), unit(1 / 60, 's')],
  },
  timeH: {
    noun: 'a time',
    bareUnit: 'h',
    example: '3.5 h, 90 min or 20 days',
    units: [unit(1, 'h', 'hours', 'hour'), unit(1 / 60, 'min'), unit(1 / 3600, 's'), unit(24, 'days', 'day')],
  },
  temperatureC: {
    noun: 'a temperature',
    bareUnit: '°C',
    example: '−5 °C, 70 °F or 21',
    units: [unit(1, '°C', 'C'), unitBy((fahrenheit) => (fahrenheit - 32) / 1.8, '°F', 'F')],
  },
  temperatureRiseK: {
    noun: 'a difference of temperature',
    bareUnit: 'K',
    example: '12 K or 20 °F',
    units: [unit(1, 'K', '°C', 'C'), unit(1 / 1.8, '°F', 'F')],
  },
  massG: {
    noun: 'a mass',
    bareUnit: 'g',
    example: '48 g or 1.2 kg',
    units: [unit(1, 'g'), unit(1000, 'kg'), unit(1e-3, 'mg')],
  },
  fraction: { noun: 'a share', bareUnit: '%', example: '40 %', units: [unit(0.01, '%')] },
  perMetre: {
    noun: 'a density',
    bareUnit: '/m',
    example: '74/m',
    units: [unit(1, '/m'), unit(0.1, '/10cm'), unit(1 / 0.0254, '/in')],
  },
  money: { noun: 'a sum of money', bareUnit: '', example: '12.50', units: [] },
  count: { noun: 'a number', bareUnit: '', example: '3', units: [] },
  energyWh: {
    noun: 'an energy',
    bareUnit: 'Wh',
    example: '28.9 Wh',
    sign: 'Wh',
    units: [unit(1, 'Wh'), unit(1e-3, 'mWh'), unit(1000, 'kWh')],
  },
  frequencyHz: {
    noun: 'a frequency',
    bareUnit: 'Hz',
    example: '490 Hz or 1 kHz',
    units: [unit(1, 'Hz', '/s'), unit(1000, 'kHz'), unit(1e6, 'MHz')],
  },
  angleDeg: { noun: 'an angle', bareUnit: '°', example: '60°', sign: '°', units: [unit(1, '°', 'deg')] },
  ohmPerMetre: {
    noun: 'a resistance per metre',
    bareUnit: 'Ω/m',
    example: '0.3 Ω/m',
    sign: 'Ω/m',
    units: [unit(1, 'Ω/m', 'Ω/m', 'ohm/m'), unit(1e-3, 'mΩ/m', 'mohm/m')],
  },
  powerPerMetreW: {
    noun: 'a power per metre',
    bareUnit: 'W/m',
    example: '9.6 W/m',
    sign: 'W/m',
    units: [unit(1, 'W/m'), unit(1 / 0.3048, 'W/ft')],
  },
  thermalKPerW: {
    noun: 'a thermal resistance',
    bareUnit: 'K/W',
    example: '26 K/W',
    sign: 'K/W',
    units: [unit(1, 'K/W', '°C/W', 'C/W')],
  },
  heatJPerK: {
    noun: 'a heat capacity',
    bareUnit: 'J/K',
    example: '26 J/K',
    sign: 'J/K',
    units: [unit(1, 'J/K', 'J/°C', 'W·s/K')],
  },
  rateKPerS: {
    noun: 'a rate of heating',
    bareUnit: 'K/s',
    example: '1.5 K/s',
    sign: 'K/s',
    units: [unit(1, 'K/s', '°C/s', 'C/s')],
  },
  gaugeAwg: {
    noun: 'a gauge number',
    bareUnit: 'gauge',
    example: '24 gauge or 0.25 mm²',
    units: [unit(1, 'gauge', 'AWG', 'ga'), unitBy(gaugeOfCrossSectionMm2, 'mm²', 'mm2')],
  },
  speedRpm: {
    noun: 'a turning speed',
    bareUnit: 'rpm',
    example: '840 rpm',
    sign: 'rpm',
    units: [unit(1, 'rpm', '/min'), unit(60, 'rps', 'rev/s')],
  },
  forceN: { noun: 'a force', bareUnit: 'N', example: '0.5 N', sign: 'N', units: [unit(1, 'N'), unit(1e-3, 'mN')] },
  areaCm2: {
    noun: 'an area',
    bareUnit: 'cm²',
    example: '2.5 cm²',
    sign: 'cm²',
    units: [unit(1, 'cm²', 'cm2'), unit(0.01, 'mm²', 'mm2'), unit(6.4516, 'in²', 'in2')],
  },
  volumeMm3: {
    noun: 'a volume',
    bareUnit: 'mm³',
    example: '0.43 mm³',
    sign: 'mm³',
    units: [unit(1, 'mm³', 'mm3'), unit(1000, 'cm³', 'cm3')],
  },
  doseJPerCm2: {
    noun: 'a dose of light',
    bareUnit: 'J/cm²',
    example: '1 J/cm²',
    sign: 'J/cm²',
    units: [unit(1, 'J/cm²', 'J/cm2'), unit(1e-3, 'mJ/cm²', 'mJ/cm2')],
  },
  lux: {
    noun: 'a light level',
    bareUnit: 'lx',
    example: '20 lx',
    sign: 'lx',
    units: [unit(1, 'lx', 'lux'), unit(1000, 'klx')],
  },
  fluxMt: {
    noun: 'a magnetic field',
    bareUnit: 'mT',
    example: '2.5 mT',
    sign: 'mT',
    units: [unit(1, 'mT'), unit(1000, 'T')],
  },
  luminanceCd: {
    noun: 'a luminance',
    bareUnit: 'cd/m²',
    example: '3 cd/m²',
    sign: 'cd/m²',
    units: [unit(1, 'cd/m²', 'cd/m2', 'cd')],
  },
  intensityMcd: {
    noun: 'a luminous intensity',
    bareUnit: 'mcd',
    example: '900 mcd or 5 cd',
    sign: 'mcd',
    units: [unit(1, 'mcd'), unit(1000, 'cd')],
  },
  decibelDb: { noun: 'a level in decibels', bareUnit: 'dB', example: '6 dB', sign: 'dB', units: [unit(1, 'dB')] },
  momentGmm: {
    noun: 'a moment',
    bareUnit: 'g·mm',
    example: '2160 g·mm',
    sign: 'g·mm',
    units: [unit(1, 'g·mm', 'gmm', 'g*mm')],
  },
};
