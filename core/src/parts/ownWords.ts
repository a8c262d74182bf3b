import { parseQuantity, type QuantityKind, usualPrinter } from '../units/index.ts';
import type { ControllerPart, PackPart, ProtectionPart } from './kinds.ts';
import type { Describable, OwnKind } from './ownKinds.ts';
import { readPins, writePins } from './pinList.ts';

/** What one column of a table says in words, of parts of some kinds. */
export interface WordColumn {
  readonly heading: string;
  readonly of: readonly OwnKind[];
  /** As `read` takes it; empty where there is nothing to say. */
  readonly write: (part: Describable) => string;
  /** The part with it, or what is wrong with what was said. */
  readonly read: (part: Describable, said: string) => Describable | string;
}

/** A column of parts of one kind. */
const columnOf = <K extends OwnKind>(
  kind: K,
  heading: string,
  write: (part: Extract<Describable, { kind: K }>) => string,
  read: (part: Extract<Describable, { kind: K }>, said: string) => Extract<Describable, { kind: K }> | string,
): WordColumn => {
  // The kind is compared, which is what narrows the union.
  const isOf = (part: Describable): part is Extract<Describable, { kind: K }> => part.kind === kind;
  return {
    heading,
    of: [kind],
    write: (part) => (isOf(part) ? write(part) : ''),
    read: (part, said) => (isOf(part) ? read(part, said) : part),
  };
};

const edited = (kind: QuantityKind, value: number): string => usualPrinter.forEditing(kind, value);

/** A quantity within bounds, or what is wrong with it. */
function within(kind: QuantityKind, said: string, least: number, most: number): number | string {
  const read = parseQuantity(kind, said);
  if (!read.ok) return usualPrinter.message(read.problem);
  return read.value >= least && read.value <= most
    ? read.value
    : `"${said}" must lie between ${edited(kind, least)} and ${edited(kind, most)}`;
}

/** What a ready board file counts on: with another it is the one to be filled in. */
const isForItsFile = (mine: ControllerPart, like: ControllerPart): boolean =>
  writePins(mine.pins) === writePins(like.pins) &&
  (['clockMhz', 'loopTickMs', 'converterBits', 'converterReferenceV', 'serialBaud'] as const).every(
    (fact) => mine[fact] === like[fact],
  );

/** A board without the file of its like, where that knows another board. */
export const withItsFile = (mine: Describable, like: Describable): Describable =>
  mine.kind !== 'controller' || like.kind !== 'controller' || isForItsFile(mine, like) ? mine : { ...mine, code: null };

const NONE = 'none';

const writeRegulator = ({ regulator }: ControllerPart): string =>
  regulator === null ? NONE : `${regulator.lifts ? 'lifts, ' : ''}${edited('voltageV', regulator.dropOutV)}`;

function readRegulator(part: ControllerPart, said: string): ControllerPart | string {
  if (said === NONE) return { ...part, regulator: null };
  const [, lifts, volts = ''] = /^(lifts\s*,?\s*)?(.*)$/.exec(said) ?? [];
  const dropOutV = within('voltageV', volts, 0, 5);
  return typeof dropOutV === 'string'
    ? `${dropOutV}; say what it drops out at, such as 0.3 V, "lifts, 0.2 V" for one that lifts too, or none`
    : { ...part, regulator: { dropOutV, lifts: lifts !== undefined } };
}

const ITS_SUPPLY = 'its supply';

function readReference(part: ControllerPart, said: string): ControllerPart | string {
  if (said === ITS_SUPPLY) return { ...part, converterReferenceV: null };
  const volts = within('voltageV', said, 0.1, 12);
  return typeof volts === 'string' ? `${volts}; say volts, or ${ITS_SUPPLY}` : { ...part, converterReferenceV: volts };
}

const waysBack: readonly NonNullable<ProtectionPart['comesBack']>[] = ['load off', 'charger'];

function readWayBack(part: ProtectionPart, said: string): ProtectionPart | string {
  const found = waysBack.find((each) => each === said);
  return found ? { ...part, comesBack: found } : `"${said}" is not one of ${waysBack.join(', ')}`;
}

/** Pairs of charge left and a quantity: `100 %: 4.2 V; 50 %: 3.7 V; 0 %: 3 V`. */
type Course = NonNullable<PackPart['restV']>;

const writeCourse = (kind: QuantityKind, course: Course | undefined): string =>
  (course ?? []).map(([charge, value]) => `${edited('fraction', charge)}: ${edited(kind, value)}`).join('; ');

/** The fewest points of a course: one at each end. */
const FEWEST = 2;
const MOST = 60;

function readCourse(kind: QuantityKind, said: string, least: number, most: number): Course | string {
  const rows: (readonly [number, number])[] = [];
  for (const each of said.split(';').map((text) => text.trim())) {
    if (each === '') continue;
    const [charge = '', value = ''] = each.split(':');
    const at = within('fraction', charge, 0, 1);
    const read = within(kind, value, least, most);
    if (typeof at === 'string') return `charge left: ${at}`;
    if (typeof read === 'string') return read;
    rows.push([at, read]);
  }
  const sorted = [...rows].sort((a, b) => a[0] - b[0]);
  if (sorted.length < FEWEST || sorted.length > MOST)
    return `give ${FEWEST} to ${MOST} pairs of charge left and what is then, such as 100 %: ${edited(kind, most / 10)}; 0 %: ${edited(kind, Math.max(least, most / 15))}`;
  return sorted.some(([at], i) => i > 0 && at <= (sorted[i - 1]?.[0] ?? -1)) ? 'a charge is there twice' : sorted;
}

function readRest(part: PackPart, said: string): PackPart | string {
  const restV = readCourse('voltageV', said, 0.3, 100);
  if (typeof restV === 'string') return restV;
  return restV.some(([, volts], i) => i > 0 && volts < (restV[i - 1]?.[1] ?? 0))
    ? 'a pack that holds more has no less voltage at rest'
    : { ...part, restV };
}

function readResistance(part: PackPart, said: string): PackPart | string {
  const resistanceOver = readCourse('resistanceOhm', said, 0.001, 200);
  return typeof resistanceOver === 'string' ? resistanceOver : { ...part, resistanceOver };
}

type Sized = Extract<Describable, { sizeMm: readonly [number, number, number] }>;
const isSized = (part: Describable): part is Sized => 'sizeMm' in part;

/** Length, width and height: `51 × 21 × 5 mm`. */
const sizeColumn: WordColumn = {
  heading: 'size',
  of: ['controller', 'converter', 'pack'],
  write: (part) => (isSized(part) ? part.sizeMm.map((side) => edited('lengthMm', side)).join(' x ') : ''),
  read: (part, said) => {
    if (!isSized(part)) return part;
    const sides = said.split(/[x×]/).map((side) => within('lengthMm', side, 0.5, 1000));
    const problem = sides.find((side) => typeof side === 'string');
    if (problem !== undefined) return `${problem}`;
    const [length, width, height, ...more] = sides.map(Number);
    return length === undefined || width === undefined || height === undefined || more.length > 0
      ? 'give length, width and height, such as 51 x 21 x 5 mm'
      : { ...part, sizeMm: [length, width, height] };
  },
};

/** All that a table says in words. */
export const wordColumns: readonly WordColumn[] = [
  sizeColumn,
  columnOf('controller', 'regulator', writeRegulator, readRegulator),
  columnOf(
    'controller',
    'converter counts to',
    ({ converterReferenceV }) => (converterReferenceV === null ? ITS_SUPPLY : edited('voltageV', converterReferenceV)),
    readReference,
  ),
  columnOf(
    'controller',
    'pins',
    ({ pins }) => writePins(pins),
    (part, said) => {
      const pins = readPins(said);
      return typeof pins === 'string' ? pins : { ...part, pins };
    },
  ),
  columnOf('protection', 'comes back by', ({ comesBack }) => comesBack ?? '', readWayBack),
  columnOf('pack', 'at rest', ({ restV }) => writeCourse('voltageV', restV), readRest),
  columnOf(
    'pack',
    'resistance over charge',
    ({ resistanceOver }) => writeCourse('resistanceOhm', resistanceOver),
    readResistance,
  ),
];
