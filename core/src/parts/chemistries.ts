import type { Chemistry } from './kinds.ts';

/** How a chemistry behaves: open-circuit volts of one cell against charge left, and the effect of rate and cold. */
export interface ChemistryRow {
  /** Of one cell, as it is sold by: what carriers reckon energy with. */
  readonly nominalV: number;
  /** From empty (0) to full (1), evenly spaced. */
  readonly openCircuitV: readonly number[];
  /** Rate exponent k of t = H·(C/(I·H))^k above the rated current; 1 where capacity hardly depends on rate. */
  readonly rateExponent: number;
  /** Share of the capacity left at 0 °C against 21 °C, and the factor on resistance. */
  readonly capacityAtFreezing: number;
  /** Times that at room temperature. */
  readonly resistanceAtFreezing: number;
  /** Share of the charge that it loses in a month by itself. */
  readonly selfDischargeAMonth: number;
  /** Whether it may be charged at all. */
  readonly rechargeable: boolean;
  /** Can burn: a hard case, a fuse and a charger made for it are asked for. */
  readonly canBurn: boolean;
  /** Of one cell, under load: below it a circuit that is built in lets go; left out where none is built in. */
  readonly builtInTripV?: number;
}

/** Curves typical of the chemistry at rest and room temperature. */
export const chemistries: Readonly<Record<Chemistry, ChemistryRow>> = {
  'lithium-ion': {
    nominalV: 3.7,
    openCircuitV: [3.0, 3.42, 3.53, 3.6, 3.64, 3.69, 3.76, 3.85, 3.95, 4.06, 4.19],
    rateExponent: 1,
    capacityAtFreezing: 0.85,
    resistanceAtFreezing: 1.9,
    selfDischargeAMonth: 0.03,
    rechargeable: true,
    canBurn: true,
    builtInTripV: 2.5,
  },
  alkaline: {
    nominalV: 1.5,
    openCircuitV: [0.9, 1.05, 1.13, 1.18, 1.22, 1.26, 1.3, 1.34, 1.4, 1.47, 1.58],
    rateExponent: 1.25,
    capacityAtFreezing: 0.6,
    resistanceAtFreezing: 2.5,
    selfDischargeAMonth: 0.003,
    rechargeable: false,
    canBurn: false,
  },
  'nickel-metal hydride': {
    nominalV: 1.2,
    openCircuitV: [1.0, 1.17, 1.21, 1.23, 1.24, 1.25, 1.26, 1.275, 1.3, 1.33, 1.4],
    rateExponent: 1.03,
    capacityAtFreezing: 0.85,
    resistanceAtFreezing: 1.6,
    selfDischargeAMonth: 0.15,
    rechargeable: true,
    canBurn: false,
  },
  'lithium iron phosphate': {
    nominalV: 3.2,
    openCircuitV: [2.5, 3.1, 3.2, 3.24, 3.26, 3.28, 3.29, 3.3, 3.31, 3.33, 3.4],
    rateExponent: 1,
    capacityAtFreezing: 0.8,
    resistanceAtFreezing: 2.2,
    selfDischargeAMonth: 0.03,
    rechargeable: true,
    canBurn: true,
  },
  'lithium coin': {
    nominalV: 3,
    openCircuitV: [2.0, 2.55, 2.72, 2.8, 2.85, 2.88, 2.91, 2.93, 2.95, 2.98, 3.1],
    rateExponent: 1.25,
    capacityAtFreezing: 0.8,
    resistanceAtFreezing: 2,
    selfDischargeAMonth: 0.001,
    rechargeable: false,
    canBurn: false,
  },
  'alkaline button': {
    nominalV: 1.5,
    openCircuitV: [0.9, 1.08, 1.15, 1.2, 1.24, 1.28, 1.32, 1.36, 1.41, 1.47, 1.56],
    rateExponent: 1.3,
    capacityAtFreezing: 0.5,
    resistanceAtFreezing: 2.5,
    selfDischargeAMonth: 0.004,
    rechargeable: false,
    canBurn: false,
  },
  'lead-acid': {
    nominalV: 2,
    openCircuitV: [1.9, 1.942, 1.96, 1.978, 1.997, 2.015, 2.033, 2.052, 2.07, 2.098, 2.122],
    rateExponent: 1.15,
    capacityAtFreezing: 0.85,
    resistanceAtFreezing: 1.4,
    selfDischargeAMonth: 0.04,
    rechargeable: true,
    canBurn: false,
  },
  'power bank': {
    nominalV: 5,
    openCircuitV: [5.0, 5.01, 5.02, 5.03, 5.04, 5.05, 5.06, 5.07, 5.08, 5.09, 5.1],
    rateExponent: 1,
    capacityAtFreezing: 0.8,
    resistanceAtFreezing: 1.2,
    selfDischargeAMonth: 0.04,
    rechargeable: true,
    canBurn: true,
  },
};

/** All chemistries by name; Object.keys of a record of them has just these. */
export const chemistryNames = Object.keys(chemistries) as Chemistry[];
