/** The kinds of quantity a maker types or reads. Each has one unit inside the plan. */
export type QuantityKind =
  | 'lengthMm'
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
  | 'massG'
  | 'fraction'
  | 'perMetre'
  | 'money'
  | 'count';

interface UnitRow {
  /** As written, compared without regard to case where no two rows would clash. */
  readonly names: readonly string[];
  /** One of these is `factor` of the unit used inside. */
  readonly factor: number;
}

interface KindRow {
  /** What a sentence calls it: "a length". */
  readonly noun: string;
  /** Taken when the maker writes a bare number. */
  readonly bareUnit: string;
  readonly example: string;
  readonly units: readonly UnitRow[];
}

const unit = (factor: number, ...names: string[]): UnitRow => ({ names, factor });

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
  voltageV: {
    noun: 'a voltage',
    bareUnit: 'V',
    example: '5 V or 900 mV',
    units: [unit(1, 'V', 'volt', 'volts'), unit(1e-3, 'mV')],
  },
  currentA: {
    noun: 'a current',
    bareUnit: 'A',
    example: '20 mA or 1.5 A',
    units: [unit(1, 'A', 'amp', 'amps'), unit(1e-3, 'mA'), unit(1e-6, 'uA', 'µA', 'μA')],
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
    ],
  },
  powerW: {
    noun: 'a power',
    bareUnit: 'W',
    example: '1/4 W or 250 mW',
    units: [unit(1, 'W', 'watt', 'watts'), unit(1e-3, 'mW')],
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
    units: [unit(1, 's', 'sec'), unit(1e-3, 'ms'), unit(60, 'min'), unit(3600, 'h')],
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
    example: '3.5 h or 90 min',
    units: [unit(1, 'h', 'hours', 'hour'), unit(1 / 60, 'min'), unit(1 / 3600, 's')],
  },
  temperatureC: { noun: 'a temperature', bareUnit: '°C', example: '−5 °C or 21', units: [unit(1, '°C', 'C')] },
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
};
