import type { ConverterPart } from '../parts/index.ts';
import { printQuantity } from '../units/index.ts';
import { efficiencyAtLoad, shiftEfficiency, solveConstantPower } from './converter.ts';
import { openCircuitVoltageV, type PackModel, packResistanceOhm } from './packModel.ts';

/** A link between cell and light that carries only so much. */
export interface LinkLimit {
  readonly id: 'cell' | 'plug' | 'switch' | 'fuse' | 'converter input' | 'converter output' | 'wire' | 'tape';
  readonly name: string;
  readonly limitA: number;
  /** Which current it sees; on the rail it may see only a part: `offset + share · current`. */
  readonly carries: 'pack' | 'rail';
  readonly share: number;
  readonly offsetA: number;
}

/** From cell to rail. */
export interface PowerPath {
  readonly pack: PackModel;
  readonly leadOhm: number;
  readonly converter: ConverterPart | null;
  readonly links: readonly LinkLimit[];
  /** The controller resets below this on the rail. */
  readonly brownOutV: number;
}

/** What the path does under one load at one state of charge. */
export interface Operation {
  readonly ok: boolean;
  readonly packA: number;
  readonly packV: number;
  readonly railV: number;
  /** Heat in the converter. */
  readonly lossW: number;
  readonly collapses: boolean;
}

const collapsed: Operation = {
  ok: false,
  packA: Number.POSITIVE_INFINITY,
  packV: 0,
  railV: 0,
  lossW: 0,
  collapses: true,
};

/** A linear regulator passes its current on; below its drop-out the rail follows the input down. */
function operateLinear(converter: ConverterPart, openV: number, sourceOhm: number, railA: number): Operation {
  const packA = railA + converter.idleA;
  const packV = openV - packA * sourceOhm;
  const railV = Math.min(converter.outputV, packV - (converter.inputLeastV - converter.outputV));
  return {
    ok: packV >= converter.inputLeastV,
    packA,
    packV,
    railV,
    lossW: packA * packV - railA * railV,
    collapses: packV <= 0,
  };
}

/** Solves cell, leads and converter for a current on the rail. */
export function operate(path: PowerPath, charge: number, railA: number): Operation {
  const openV = openCircuitVoltageV(path.pack, charge);
  const sourceOhm = packResistanceOhm(path.pack, charge) + path.leadOhm;
  const { converter } = path;
  if (!converter) {
    const packV = openV - railA * sourceOhm;
    return { ok: packV >= path.brownOutV, packA: railA, packV, railV: packV, lossW: 0, collapses: packV <= 0 };
  }
  if (converter.topology === 'linear') return operateLinear(converter, openV, sourceOhm, railA);
  // Efficiency depends on the input voltage, which depends on the current: a few passes settle it.
  const atLoad = efficiencyAtLoad(converter, railA);
  let inputV = openV;
  let packA = 0;
  let powerW = 0;
  for (let pass = 0; pass < 8; pass += 1) {
    powerW = (converter.outputV * railA) / shiftEfficiency(converter, atLoad, inputV) + converter.idleA * inputV;
    const solved = solveConstantPower(openV, sourceOhm, powerW);
    if (solved === null) return collapsed;
    const nextV = openV - solved * sourceOhm;
    packA = solved;
    if (Math.abs(nextV - inputV) < 1e-7) break;
    inputV = nextV;
  }
  return {
    ok: inputV >= converter.inputLeastV,
    packA,
    packV: inputV,
    railV: converter.outputV,
    lossW: powerW - converter.outputV * railA,
    collapses: false,
  };
}

/** A link with what it carries in one operation. */
export interface LoadedLink extends LinkLimit {
  readonly loadA: number;
  readonly fill: number;
}

const loadOf = (link: LinkLimit, operation: Operation, railA: number): number =>
  link.offsetA + link.share * (link.carries === 'pack' ? operation.packA : railA);

/** Every link with its load, in order from cell to light. */
export function loadLinks(path: PowerPath, operation: Operation, railA: number): LoadedLink[] {
  return path.links.map((link) => {
    const loadA = loadOf(link, operation, railA);
    return { ...link, loadA, fill: loadA / link.limitA };
  });
}

/** Margin over the brown-out voltage that a rail straight from the pack must keep. */
export const BROWN_OUT_MARGIN_V = 0.2;

/** What stops a load: a link over its limit, a collapse, or too low a voltage. */
export type Obstacle =
  | { readonly kind: 'link'; readonly link: LinkLimit }
  | { readonly kind: 'collapse' }
  | { readonly kind: 'drop-out' }
  | { readonly kind: 'brown-out' };

const collapse: Obstacle = { kind: 'collapse' };
const dropOut: Obstacle = { kind: 'drop-out' };
const brownOut: Obstacle = { kind: 'brown-out' };

/** What stops this load at this state of charge, or null if nothing does. */
export function findObstacle(path: PowerPath, charge: number, railA: number): Obstacle | null {
  const operation = operate(path, charge, railA);
  if (operation.collapses) return collapse;
  for (const link of path.links) {
    if (loadOf(link, operation, railA) > link.limitA * (1 + 1e-9)) return { kind: 'link', link };
  }
  if (path.converter && operation.packV < path.converter.inputLeastV) return dropOut;
  return !path.converter && operation.railV < path.brownOutV + BROWN_OUT_MARGIN_V ? brownOut : null;
}

/** An obstacle in words, as the end of "above it …". */
export function describeObstacle(path: PowerPath, obstacle: Obstacle): string {
  switch (obstacle.kind) {
    case 'link':
      return `${obstacle.link.name.charAt(0).toLowerCase()}${obstacle.link.name.slice(1)} carries more than its ${printQuantity('currentA', obstacle.link.limitA)}`;
    case 'collapse':
      return 'the converter asks more than the cell can give, and the voltage collapses';
    case 'drop-out':
      return `the converter drops out below ${printQuantity('voltageV', path.converter?.inputLeastV ?? 0)}`;
    default:
      return `the controller resets below ${printQuantity('voltageV', path.brownOutV)}`;
  }
}
