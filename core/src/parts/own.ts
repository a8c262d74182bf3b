import { parseQuantity, type QuantityKind, usualPrinter } from '../units/index.ts';
import { builtInLibrary, findPart } from './catalogue.ts';
import { chemistries } from './chemistries.ts';
import type { Figure } from './figure.ts';
import type { ControllerPart, ConverterPart, LoadPart, PackPart } from './kinds.ts';
import type { Describable, OwnKind, OwnPart } from './ownKinds.ts';
import { withItsFile, wordColumns } from './ownWords.ts';
import { type Cell, type RowProblem, readPrice, readTable, writeTable } from './table.ts';

interface Column {
  readonly field: string;
  readonly kind: QuantityKind;
  readonly least: number;
  readonly most: number;
  /** Whole numbers only: what is said is rounded to one. */
  readonly isWhole?: true;
}

const column = (field: string, kind: QuantityKind, least: number, most: number): Column => ({
  field,
  kind,
  least,
  most,
});

/** What a maker's table can say of a part, by kind: heading, field, kind of quantity and the bounds it must keep. */
export const ownColumns = {
  led: {
    'forward at 1 mA': column('forwardAt1mAV', 'voltageV', 0.8, 12),
    'forward at 20 mA': column('forwardAt20mAV', 'voltageV', 0.8, 12),
    'varies by': column('forwardSpreadV', 'voltageV', 0, 2),
    'series resistance': column('seriesOhm', 'resistanceOhm', 0, 1000),
    'rated current': column('ratedCurrentA', 'currentA', 0.001, 3),
    diameter: column('bareDiameterMm', 'lengthMm', 0.5, 60),
    length: column('lengthMm', 'lengthMm', 0.3, 100),
    // What is infrared or ultraviolet is seen as nothing.
    brightness: column('intensityMcd', 'intensityMcd', 0, 1e6),
    'inside resistor': column('insideOhm', 'resistanceOhm', 1, 100_000),
    'made for': column('madeForV', 'voltageV', 1, 60),
    'wavelength in nm': column('wavelengthNm', 'count', 200, 2000),
    'radiant power': column('radiantW', 'powerW', 0.0001, 20),
    'inside to board': column('insideKPerW', 'thermalKPerW', 0.2, 100),
  },
  'pixel-tape': {
    density: column('perMetre', 'perMetre', 5, 400),
    width: column('widthMm', 'lengthMm', 2, 300),
    height: column('heightMm', 'lengthMm', 0.5, 30),
    'die current': column('dieCurrentA', 'currentA', 0.001, 0.1),
    'rest current': column('restCurrentA', 'currentA', 0.00001, 0.01),
    'rail resistance': column('railOhmPerMetre', 'ohmPerMetre', 0.01, 5),
    'feed limit': column('feedLimitA', 'currentA', 0.1, 20),
    'dots a pixel': { ...column('dotsPerPixel', 'count', 1, 24), isWhole: true },
    'chip voltage': column('chipV', 'voltageV', 1.8, 24),
  },
  guide: {
    diameter: column('diameterMm', 'lengthMm', 0.1, 30),
    aperture: column('numericalAperture', 'fraction', 0.1, 1),
    'loss in dB a metre': column('lossDbPerMetre', 'count', 0, 100),
    'least bend': column('leastBendMm', 'lengthMm', 0.5, 2000),
  },
  load: {
    'works from': column('leastV', 'voltageV', 0.5, 60),
    'works up to': column('mostV', 'voltageV', 0.5, 100),
    'draws at rest': column('restA', 'currentA', 0, 20),
    'draws on the mean': column('usualA', 'currentA', 0, 20),
    'draws at most': column('mostA', 'currentA', 0, 50),
    'draws at the start': column('startA', 'currentA', 0, 100),
  },
  receiver: {
    'works from': column('leastV', 'voltageV', 0.5, 60),
    'works up to': column('mostV', 'voltageV', 0.5, 100),
    'waits with': column('standbyA', 'currentA', 0, 1),
  },
  converter: {
    gives: column('outputV', 'voltageV', 0.5, 60),
    'gives at most': column('outputLimitA', 'currentA', 0.01, 50),
    'input from': column('inputLeastV', 'voltageV', 0.5, 60),
    'input up to': column('inputMostV', 'voltageV', 0.5, 100),
    'input limit': column('inputLimitA', 'currentA', 0.01, 50),
    'idles with': column('idleA', 'currentA', 0, 1),
  },
  charger: {
    'charges with': column('chargeA', 'currentA', 0.001, 20),
    'ends at a share of': column('endShare', 'fraction', 0.01, 0.5),
  },
  protection: {
    'trips at': column('tripA', 'currentA', 0.1, 100),
    'trips after': column('tripDelayS', 'timeS', 0.0001, 10),
    'short circuit from': column('shortTripA', 'currentA', 0.1, 500),
    'short trips after': column('shortDelayS', 'timeS', 1e-5, 1),
    'cut-off': column('cutOffV', 'voltageV', 0.5, 60),
    resistance: column('ohm', 'resistanceOhm', 0.001, 5),
    'draws all day': column('drainA', 'currentA', 0, 0.01),
  },
  pack: {
    capacity: column('capacityMah', 'capacityMah', 10, 100_000),
    resistance: column('resistanceOhm', 'resistanceOhm', 0.001, 100),
    'steady limit': column('steadyLimitA', 'currentA', 0.001, 100),
    'cut-off': column('cutOffV', 'voltageV', 0.5, 60),
    mass: column('massG', 'massG', 0.1, 20_000),
    'stated at': column('ratedCurrentA', 'currentA', 0.0001, 100),
    'rate exponent': column('rateExponent', 'count', 1, 1.6),
  },
  controller: {
    draw: column('drawA', 'currentA', 0.0001, 2),
    'least supply': column('supplyLeastV', 'voltageV', 1.6, 40),
    'most supply': column('supplyMostV', 'voltageV', 2, 60),
    'resets below': column('brownOutV', 'voltageV', 1, 40),
    'pin limit': column('pinLimitA', 'currentA', 0.0005, 0.5),
    'board limit': column('chipLimitA', 'currentA', 0.001, 5),
    memory: { ...column('memoryBytes', 'count', 64, 1e8), isWhole: true },
    'program memory': { ...column('programBytes', 'count', 512, 1e9), isWhole: true },
    'clock in MHz': column('clockMhz', 'count', 0.1, 1000),
    'pins at': column('logicV', 'voltageV', 1, 12),
    'pin resistance': column('pinOhm', 'resistanceOhm', 0.1, 1000),
    'clamp bears': column('injectionLimitA', 'currentA', 0.00001, 0.1),
    stack: { ...column('stackBytes', 'count', 16, 1_000_000), isWhole: true },
    'worth cycles': column('worthCycles', 'count', 0.1, 100),
    'loop in ms': column('loopTickMs', 'count', 1, 1000),
    'converter bits': { ...column('converterBits', 'count', 6, 24), isWhole: true },
    'converter reading in µs': column('converterReadingUs', 'count', 0.1, 100_000),
    'byte gap in µs': column('byteGapUs', 'count', 0, 1000),
    'serial speed': column('serialBaud', 'count', 300, 4_000_000),
  },
  transistor: {
    'current limit': column('currentLimitA', 'currentA', 0.01, 100),
    'drop when on': column('onDropV', 'voltageV', 0, 5),
    'on-resistance': column('onOhm', 'resistanceOhm', 0, 100),
    'full on at': column('gateV', 'voltageV', 0.3, 15),
    threshold: column('thresholdV', 'voltageV', 0, 10),
  },
} as const satisfies Readonly<Record<OwnKind, Readonly<Record<string, Column>>>>;

/** Longest name of a part, in letters. */
const LONGEST_NAME = 120;

const isOwnKind = (text: string): text is OwnKind => Object.hasOwn(ownColumns, text);
const isFigure = (value: unknown): value is Figure => typeof value === 'object' && value !== null && 'likely' in value;

/** The value that a part has in a column; undefined where it says nothing of it. */
function readColumn(part: Describable, { field }: Column): number | undefined {
  // The table above names fields of this kind of part alone, each a number or a figure.
  const value = (part as unknown as Readonly<Record<string, number | Figure | undefined>>)[field];
  return isFigure(value) ? value.likely : value;
}

/** Whether a figure is known of both in the same way. */
const isKnownAlike = (part: Describable, like: Describable, { field }: Column): boolean => {
  const [own, other] = [part, like].map((each) => (each as unknown as Readonly<Record<string, unknown>>)[field]);
  return !isFigure(own) || !isFigure(other) || own.origin === other.origin;
};

/** What the maker said of a part: the columns in which it differs from the one it is like, as people write them. */
export function describeOwnPart(part: OwnPart): Readonly<Record<string, string>> {
  const like = findPart(builtInLibrary, part.kind, part.like);
  const figures = Object.entries<Column>(ownColumns[part.kind]).flatMap(([heading, each]) => {
    const value = readColumn(part, each);
    // The very figure that is typical says more once it is read from a sheet.
    return value === undefined || (like && readColumn(like, each) === value && isKnownAlike(part, like, each))
      ? []
      : [[heading, usualPrinter.forEditing(each.kind, value)]];
  });
  const words = wordColumns.flatMap(({ heading, of, write }) =>
    of.includes(part.kind) && !(like && write(like) === write(part)) ? [[heading, write(part)]] : [],
  );
  return Object.fromEntries([...figures, ...words]);
}

/** The same part with other values; a figure keeps its spread in proportion and counts as read from a data sheet. */
function withValues(like: Describable, values: Readonly<Record<string, number>>): Describable {
  const changed = Object.entries(values).map(([field, value]) => {
    const before = (like as unknown as Readonly<Record<string, number | Figure>>)[field];
    if (!isFigure(before)) return [field, value];
    // Of nothing there is no share: then a third of what is said.
    const share = before.likely > 0 ? before.spread / before.likely : 1 / 3;
    return [field, { likely: value, spread: share * value, origin: 'data sheet' }];
  });
  return { ...like, ...Object.fromEntries(changed) };
}

const roundMv = (voltageV: number): number => Math.round(voltageV * 1000) / 1000;

/** One of the two curve points alone moves the whole curve: the other follows. */
function followForward(like: Describable, values: Record<string, number>): void {
  if (like.kind !== 'led') return;
  const step = like.forwardAt20mAV - like.forwardAt1mAV;
  const { forwardAt1mAV: low, forwardAt20mAV: high } = values;
  if (low !== undefined && high === undefined) values.forwardAt20mAV = roundMv(low + step);
  if (high !== undefined && low === undefined) values.forwardAt1mAV = roundMv(high - step);
}

/** A figure that followed from what was said, and lies outside of what it may be. */
function findOutside(part: OwnPart): string | undefined {
  const told = describeOwnPart(part);
  for (const [heading, { kind, least, most }] of Object.entries<Column>(ownColumns[part.kind])) {
    const read = parseQuantity(kind, told[heading] ?? '');
    if (read.ok && !(read.value >= least * (1 - 1e-9) && read.value <= most * (1 + 1e-9)))
      return `${heading} would come to ${told[heading]} and must lie between ${usualPrinter.forEditing(kind, least)} and ${usualPrinter.forEditing(kind, most)}; say it too`;
  }
  return undefined;
}

const told = (low: string, lowV: number, high: string, highV: number): string =>
  `${low} ${usualPrinter.quantity('voltageV', lowV)} must lie below ${high} ${usualPrinter.quantity('voltageV', highV)}`;

const inVolts = (value: number): string => usualPrinter.quantity('voltageV', value);

function findInController({ supplyLeastV, supplyMostV, brownOutV, pinLimitA, chipLimitA }: ControllerPart) {
  if (supplyLeastV >= supplyMostV) return told('least supply', supplyLeastV, 'most supply', supplyMostV);
  if (brownOutV > supplyLeastV)
    return `resets below ${inVolts(brownOutV)} must not lie above least supply ${inVolts(supplyLeastV)}, or it never runs there`;
  if (pinLimitA > chipLimitA)
    return `pin limit ${usualPrinter.quantity('currentA', pinLimitA)} must not lie above board limit ${usualPrinter.quantity('currentA', chipLimitA)}, which is for all pins together`;
  return undefined;
}

function findInConverter({ inputLeastV, inputMostV, topology, outputV }: ConverterPart) {
  if (inputLeastV >= inputMostV) return told('input from', inputLeastV, 'input up to', inputMostV);
  return topology !== 'boost' && inputMostV <= outputV ? told('gives', outputV, 'input up to', inputMostV) : undefined;
}

function findInLoad({ leastV, mostV, startA, restA }: LoadPart) {
  if (leastV >= mostV) return told('works from', leastV, 'works up to', mostV);
  return startA.likely < restA.likely ? 'draws at the start must not be less than draws at rest' : undefined;
}

function findInPack({ chemistry, cellsInSeries, cutOffV }: PackPart) {
  const fullV = (chemistries[chemistry].openCircuitV.at(-1) ?? 0) * cellsInSeries;
  return cutOffV >= fullV
    ? `cut-off must lie below ${inVolts(fullV)}, which is all this pack has when full`
    : undefined;
}

/** What can't be true of a part as a whole; undefined where nothing is wrong. */
function findContradiction(part: Describable): string | undefined {
  switch (part.kind) {
    case 'led':
      return part.forwardAt20mAV - part.forwardAt1mAV < 0.019 * part.seriesOhm
        ? `forward at 20 mA must be at least ${inVolts(0.019 * part.seriesOhm)} above forward at 1 mA, which is what the light’s own ${usualPrinter.quantity('resistanceOhm', part.seriesOhm)} take`
        : undefined;
    case 'pack':
      return findInPack(part);
    case 'load':
      return findInLoad(part);
    case 'protection':
      return part.shortTripA !== undefined && part.shortTripA < part.tripA
        ? `short circuit from ${usualPrinter.quantity('currentA', part.shortTripA)} must not lie below trips at ${usualPrinter.quantity('currentA', part.tripA)}`
        : undefined;
    case 'transistor':
      return part.type === 'field-effect' && part.thresholdV >= part.gateV
        ? told('threshold', part.thresholdV, 'full on at', part.gateV)
        : undefined;
    case 'receiver':
      return part.leastV >= part.mostV ? told('works from', part.leastV, 'works up to', part.mostV) : undefined;
    case 'converter':
      return findInConverter(part);
    case 'controller':
      return findInController(part);
    default:
      return undefined;
  }
}

/** A short sum of a text (FNV-1a), so that names of which no Latin letter is left are told apart. */
function shortSum(text: string): string {
  let sum = 0x811c9dc5;
  for (const letter of text) sum = Math.imul(sum ^ (letter.codePointAt(0) ?? 0), 0x01000193) >>> 0;
  return sum.toString(36);
}

/** An id out of a name; what is not Latin in it counts by its sum. */
function idOf(name: string): string {
  const latin = name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');
  return /[^\p{ASCII}]/u.test(name)
    ? `own-${`${latin.slice(0, 24)}-${shortSum(name)}`.replace(/^-/, '')}`
    : `own-${latin.slice(0, 34)}`;
}

function readRow(cell: Cell, soFar: readonly OwnPart[]): OwnPart | string {
  const kind = cell('kind').toLowerCase();
  if (!isOwnKind(kind)) return `kind "${cell('kind')}" is not one of ${Object.keys(ownColumns).join(', ')}`;
  const name = cell('name');
  if (!/[\p{L}\p{N}]/u.test(name) || name.length > LONGEST_NAME)
    return `name "${name}" must have letters or figures, at most ${LONGEST_NAME}`;
  const like = findPart(builtInLibrary, kind, cell('like'));
  if (!like)
    return `like "${cell('like')}" is not a ${kind} of the library; name the part that yours is nearest to, such as ${examples[kind]}`;
  const values: Record<string, number> = {};
  for (const [heading, each] of Object.entries<Column>(ownColumns[kind])) {
    const said = cell(heading.toLowerCase());
    if (said === '') continue;
    const parsed = parseQuantity(each.kind, said);
    if (!parsed.ok) return `${heading}: ${parsed.problem}`;
    if (!(parsed.value >= each.least && parsed.value <= each.most))
      return `${heading} "${said}" must lie between ${usualPrinter.forEditing(each.kind, each.least)} and ${usualPrinter.forEditing(each.kind, each.most)}`;
    values[each.field] = each.isWhole ? Math.round(parsed.value) : parsed.value;
  }
  followForward(like, values);
  const worded = withWords(like, cell);
  if (typeof worded === 'string') return worded;
  const price = cell('price') === '' ? like.price : readPrice(cell('price'));
  if (typeof price === 'string') return price;
  const part = { ...withItsFile(withValues(worded, values), like), id: idOf(name), name, price, like: like.id };
  if (soFar.some((each) => each.id === part.id)) return `"${name}" is already the name of a part above`;
  return findOutside(part) ?? findContradiction(part) ?? part;
}

/** A part with what its line says in words, or what is wrong with that. */
function withWords(like: Describable, cell: Cell): Describable | string {
  let part = like;
  for (const { heading, of, read } of wordColumns) {
    const said = cell(heading);
    if (said === '' || !of.includes(like.kind)) continue;
    const next = read(part, said);
    if (typeof next === 'string') return `${heading}: ${next}`;
    part = next;
  }
  return part;
}

const examples: Readonly<Record<OwnKind, string>> = {
  led: 'led-5mm-white',
  'pixel-tape': 'pixel-tape-60',
  pack: 'pack-two-lithium-round',
  controller: 'controller-large-5v',
  guide: 'fibre-0.75',
  load: 'load-motor-6v',
  receiver: 'receiver-radio-4-held',
  converter: 'boost-5v-1a5',
  charger: 'charger-lithium-1-0a5',
  protection: 'protection-one-3a',
  transistor: 'transistor-fet-logic',
};

/** What a table of own parts came to. */
export interface OwnPartsRead {
  readonly parts: readonly OwnPart[];
  /** Lines that could not be read, by the number of the line in the file; they are left out, the others are kept. */
  readonly problems: readonly RowProblem[];
}

/**
 * Reads the maker's own parts from CSV with a heading line: kind, like, name, price, the columns of `ownColumns`, and those of `wordColumns`.
 * `like` names the part of the library that each is nearest to; an empty cell is taken from it. Of two lines with one
 * name the second is refused.
 */
export function readPartsCsv(text: string): OwnPartsRead {
  const { rows, problems } = readTable(text, ['kind', 'like', 'name'], readRow);
  return { parts: rows, problems };
}

/** The parts as CSV that `readPartsCsv` reads back without loss. */
export function writePartsCsv(parts: readonly OwnPart[]): string {
  const headings = [
    ...new Set([
      ...Object.values(ownColumns).flatMap((columns) => Object.keys(columns)),
      ...wordColumns.map(({ heading }) => heading),
    ]),
  ];
  return writeTable(
    ['kind', 'like', 'name', 'price', ...headings],
    parts.map((part) => ({
      kind: part.kind,
      like: part.like,
      name: part.name,
      price: part.price,
      ...describeOwnPart(part),
    })),
  );
}
