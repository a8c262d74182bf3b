import type { Figure } from './figure.ts';

interface PartBase {
  readonly id: string;
  /** What it is, in plain words; never a make. */
  readonly name: string;
  /** A usual price for one (for one metre of a tape), in the maker's own money; a guess. */
  readonly price: number;
}

/** A single light-emitting diode with the two curve points that a data sheet or a meter gives. */
export interface LedPart extends PartBase {
  readonly kind: 'led';
  readonly body: '3 mm' | '5 mm' | 'pre-wired chip';
  readonly colour: string;
  /** Forward voltage at 1 mA and at 20 mA; their common spread from light to light. */
  readonly forwardAt1mAV: number;
  readonly forwardAt20mAV: number;
  readonly forwardSpreadV: number;
  readonly seriesOhm: number;
  readonly ratedCurrentA: number;
  /** Largest diameter of the bare part (its flange or its potted chip). */
  readonly bareDiameterMm: number;
  /** What shrink over the soldered legs adds on each side; nothing on a pre-wired chip. */
  readonly sleeveWallMm: number;
  readonly lengthMm: number;
  readonly wireDiameterMm: number;
  readonly intensityMcd: number;
}

/** Tape of separately controlled pixels with three dice each. */
export interface PixelTapePart extends PartBase {
  readonly kind: 'pixel-tape';
  readonly perMetre: number;
  readonly lightsPerJoint: number;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly restCurrentA: Figure;
  readonly dieCurrentA: Figure;
  readonly dice: 3 | 4;
  readonly bitPeriodUs: number;
  readonly latchUs: number;
  readonly ratedVoltageV: number;
  readonly leastVoltageV: number;
  /** Both copper rails together, for one metre of tape. */
  readonly railOhmPerMetre: number;
  readonly feedLimitA: number;
}

/** What a pin can be used for. `dimmed` is hardware dimming; `level` reads a voltage; `data` can send the pixel line. */
export type PinAbility = 'out' | 'in' | 'dimmed' | 'level' | 'data';

/** One pin of a controller. A start-up pin moves or must be held while the board starts: no load belongs there. */
export interface Pin {
  readonly name: string;
  readonly can: readonly PinAbility[];
  readonly startUp?: string;
}

/** A controller board, described by what it can do. */
export interface ControllerPart extends PartBase {
  readonly kind: 'controller';
  readonly logicV: number;
  readonly supplyLeastV: number;
  readonly supplyMostV: number;
  /** Below this supply it resets. */
  readonly brownOutV: number;
  readonly drawA: Figure;
  readonly pinLimitA: number;
  readonly chipLimitA: number;
  readonly pinOhm: number;
  readonly memoryBytes: number;
  readonly converterBits: number;
  readonly pins: readonly Pin[];
}

/** The chemistry decides the discharge curve, the cautions and the charging. */
export type Chemistry = 'lithium-ion' | 'alkaline' | 'nickel-metal hydride';

/** A pack as it is bought or made up: cells in series with their holder or tags. */
export interface PackPart extends PartBase {
  readonly kind: 'pack';
  readonly chemistry: Chemistry;
  readonly cellsInSeries: number;
  readonly capacityMah: Figure;
  /** The current at which the capacity is stated. */
  readonly ratedCurrentA: number;
  /** All cells and contacts together. */
  readonly resistanceOhm: Figure;
  readonly steadyLimitA: number;
  readonly cutOffV: number;
  readonly protected: boolean;
  readonly massG: number;
  readonly sizeMm: readonly [number, number, number];
}

/** A converter that lifts the pack's voltage to a fixed one. */
export interface ConverterPart extends PartBase {
  readonly kind: 'converter';
  readonly outputV: number;
  readonly outputLimitA: number;
  readonly inputLeastV: number;
  readonly inputMostV: number;
  readonly inputLimitA: number;
  readonly idleA: number;
  /** Efficiency against output current as a share of its limit, at 3.7 V in. */
  readonly efficiency: readonly (readonly [share: number, efficiency: number])[];
}

/** A transistor that switches a channel which a pin can't carry, on the negative side. */
export interface TransistorPart extends PartBase {
  readonly kind: 'transistor';
  readonly type: 'bipolar' | 'field-effect';
  readonly currentLimitA: number;
  /** Bipolar: volts lost when full on. */
  readonly onDropV: number;
  /** Field-effect: on-resistance at the stated gate voltage. */
  readonly onOhm: number;
  readonly gateV: number;
}

/** A switch in the pack's lead, rated for direct current. */
export interface SwitchPart extends PartBase {
  readonly kind: 'switch';
  readonly limitA: number;
}

/** A plug pair by what one contact carries. */
export interface PlugPart extends PartBase {
  readonly kind: 'plug';
  readonly contactLimitA: number;
  readonly ways: number;
}

export type Part =
  | LedPart
  | PixelTapePart
  | ControllerPart
  | PackPart
  | ConverterPart
  | TransistorPart
  | SwitchPart
  | PlugPart;
