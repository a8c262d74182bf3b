import type { Chemistry } from '../parts/index.ts';
import { defineFormula } from '../units/index.ts';

/** Charging currents as shares of the capacity (1/h): least sensible, usual, most; null = never charged. */
export const chargeRates: Readonly<Record<Chemistry, { readonly least: number; readonly most: number } | null>> = {
  'lithium-ion': { least: 0.1, most: 0.5 },
  'lithium iron phosphate': { least: 0.1, most: 0.5 },
  'nickel-metal hydride': { least: 0.1, most: 0.5 },
  'lead-acid': { least: 0.1, most: 0.3 },
  'power bank': { least: 0.05, most: 0.5 },
  alkaline: null,
  'lithium coin': null,
  'alkaline button': null,
};

/** Time to charge a lithium cell. @example 2 Ah at 0.5 A: 4.8 h */
export const chargeTime = defineFormula({
  name: 'Time to charge',
  gives: { meaning: 'time', kind: 'timeH' },
  symbols: {
    C: { meaning: 'capacity', kind: 'capacityMah' },
    I: { meaning: 'charging current', kind: 'currentA' },
  },
  form: '{t} = 1.2 · {C} / {I}',
  source: 'the last fifth goes in ever slower at constant voltage',
  reckon: ({ C, I }) => (1.2 * C) / 1000 / I,
});

/** A lithium charger stops when the current has fallen to about this share of the one it was set to (typical). */
const END_SHARE = 0.1;

/** What a charger does to a cell: rate, time, and where it ends. */
export interface Charging {
  /** That is usual for the chemistry. */
  readonly leastA: number;
  /** That the cell bears. */
  readonly mostA: number;
  /** From empty, the last fifth slowly. */
  readonly hours: number;
  /** At which the charger stops. */
  readonly endA: number;
  /** The charger gives more than the cell bears. */
  readonly tooFast: boolean;
  /** A load that stays connected and draws more than the end current keeps the charger going for ever. */
  readonly neverEnds: boolean;
}

/** Null for cells that must never be charged. @example 850 mAh at 425 mA: 2.4 h; a load of 60 mA never lets it end */
export function planCharging(options: {
  readonly chemistry: Chemistry;
  readonly capacityMah: number;
  /** That it gives. */
  readonly chargerA: number;
  /** Drawn while it charges: a load can keep the charger from ending. */
  readonly loadA: number;
}): Charging | null {
  const rates = chargeRates[options.chemistry];
  if (!rates) return null;
  const capacityAh = options.capacityMah / 1000;
  const endA = options.chargerA * END_SHARE;
  return {
    leastA: rates.least * capacityAh,
    mostA: rates.most * capacityAh,
    hours: chargeTime.reckon({ C: options.capacityMah, I: options.chargerA }),
    endA,
    tooFast: options.chargerA > rates.most * capacityAh * (1 + 1e-9),
    neverEnds: options.loadA >= endA && options.loadA > 0,
  };
}
