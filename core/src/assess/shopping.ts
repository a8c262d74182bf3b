import { kindOf, type PlacedGroup, type Purchase, pieces, resistors, SIGNAL_RESISTOR_W } from '../items/index.ts';
import {
  countResistors,
  type Driven,
  HELPER_BASE_OHM,
  type LoadDrive,
  type TransistorSwitch,
  type WireRun,
} from '../network/index.ts';
import { type Library, sundryPrices } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';
import { gauge, type Message, quantity, say } from '../units/index.ts';
import { buyGuides, type GuideAssessment } from './guides.ts';
import type { Sensing } from './sensing.ts';

/** One line of what has to be had for one copy. */
export interface ShoppingLine extends Purchase {
  /** Of the whole line, in the maker’s money. */
  readonly cost: number;
}

/** What stands between a pin and its channels: transistors with what drives and holds them. */
function listSwitches(driven: Driven): Purchase[] {
  const { transistor, channels, name, scan } = driven;
  if (!scan) return listTransistors(transistor, channels.length, name);
  const count = (kind: 'row' | 'column'): number => scan.layout.lines.filter((line) => line.kind === kind).length;
  return [
    ...listTransistors(transistor, count('row'), `${name}, rows`),
    ...listTransistors(scan.columnSwitch, count('column'), `${name}, columns`),
  ];
}

function listTransistors(on: TransistorSwitch | null, count: number, name: string): Purchase[] {
  if (!on) return [];
  const { part, gateOhm, helper, pullOhm } = on;
  const isGate = part.type === 'field-effect';
  return [
    pieces(part.name, part.price, name, count),
    resistors(gateOhm, SIGNAL_RESISTOR_W, `${name}, ${isGate ? 'gate' : 'base'}`, count),
    // A gate that floats is half on while the controller starts; a base above needs holding to plus as well.
    ...(isGate || part.side === 'high'
      ? [resistors(pullOhm, SIGNAL_RESISTOR_W, `${name}, ${part.side === 'low' ? 'pull-down' : 'pull-up'}`, count)]
      : []),
    ...(helper
      ? [
          pieces(helper.name, helper.price, `${name}, helper`, count),
          resistors(HELPER_BASE_OHM, SIGNAL_RESISTOR_W, `${name}, base of the helper`, count),
        ]
      : []),
  ];
}

function listLights(placed: readonly PlacedGroup[], driven: readonly Driven[]): Purchase[] {
  return placed.flatMap((group): Purchase[] => {
    const own = driven.filter((each) => each.itemId === group.id);
    const switches = own.flatMap(listSwitches);
    if (group.shape === 'pixels' && group.part.form) return [pieces(group.part.name, group.part.price, group.name)];
    if (group.shape !== 'lights')
      return [
        {
          name: group.part.name,
          quantity: group.cut.litLengthMm / 1000,
          unit: 'm',
          unitPrice: group.part.price,
          forWhat: `${group.name}: ${group.cut.lights} lights`,
        },
        ...switches,
      ];
    const count = group.places.length;
    const inSeries = own.flatMap((each) =>
      each.resistor
        ? [resistors(each.resistor.resistorOhm, group.group.resistorRatedW, group.name, countResistors(each))]
        : [],
    );
    return [pieces(group.part.name, group.part.price, group.name, count), ...inSeries, ...switches];
  });
}

/** The parts that items which are no lights name, each once. */
function listParts(design: Pick<Design, 'items'>, library: Library): Purchase[] {
  return design.items.flatMap((item): Purchase[] => {
    const { role, parts } = kindOf(item.kind);
    // Lights are counted by their places, guides by the metre.
    if (role === 'light' || role === 'guide') return [];
    return parts(item).flatMap(({ part, quantity }) => {
      const found = part === null ? undefined : library.parts.get(part);
      return found
        ? [pieces(found.name, found.price, role === 'control' ? item.name : 'supply and drive', quantity)]
        : [];
    });
  });
}

/** The fixed resistors of sensors. */
const listDividers = (sensing: readonly Sensing[]): Purchase[] =>
  sensing.flatMap((each) =>
    each.kind === 'light' ? lightDivider(each) : each.kind === 'charge' ? chargeDivider(each) : [],
  );

function lightDivider({ control, isLevel, design }: Extract<Sensing, { kind: 'light' }>): Purchase[] {
  if (isLevel) return [];
  const { fixedOhm, smoothingUf } = design;
  return [
    resistors(fixedOhm, SIGNAL_RESISTOR_W, `${control.name}, fixed, to minus`),
    ...(smoothingUf === null
      ? []
      : [
          pieces(
            say`Capacitor ${quantity('capacitanceUf', smoothingUf)}, 10 V`,
            sundryPrices.capacitor,
            `${control.name}, across the fixed resistor`,
          ),
        ]),
  ];
}

const chargeDivider = ({ control, design }: Extract<Sensing, { kind: 'charge' }>): Purchase[] => [
  resistors(design.upperOhm, SIGNAL_RESISTOR_W, `${control.name}, to the pack`),
  resistors(design.lowerOhm, SIGNAL_RESISTOR_W, `${control.name}, to minus`),
];

function listWire(runs: readonly WireRun[]): Purchase[] {
  const lengths = new Map<string, { readonly name: Message; readonly metres: number }>();
  for (const run of runs) {
    for (const core of run.cores) {
      const name = say`Wire, stranded, ${gauge(run.gaugeAwg)}, ${core.colour}`;
      const key = JSON.stringify(name);
      lengths.set(key, { name, metres: (lengths.get(key)?.metres ?? 0) + (run.lengthMm ?? 0) / 1000 });
    }
  }
  return [...lengths.values()].map(({ name, metres }) => ({
    name,
    quantity: metres,
    unit: 'm' as const,
    unitPrice: sundryPrices.wirePerMetre,
    forWhat: 'looms',
  }));
}

/** All that one copy needs, like lines put together, with what it costs. */
export function listShopping(options: {
  readonly design: Pick<Design, 'items'>;
  readonly library: Library;
  /** Lights where they sit. */
  readonly placed: readonly PlacedGroup[];
  /** With the resistors and transistors that were chosen. */
  readonly driven: readonly Driven[];
  /** With lengths and gauges. */
  readonly runs: readonly WireRun[];
  /** Sensors with their resistors. */
  readonly sensing: readonly Sensing[];
  readonly guides: readonly GuideAssessment[];
  /** Loads that a program runs. */
  readonly loads: readonly LoadDrive[];
}): ShoppingLine[] {
  const { design, library, placed, driven, runs, sensing, guides, loads } = options;
  const merged = new Map<string, Purchase>();
  for (const line of [
    ...listLights(placed, driven),
    ...listParts(design, library),
    ...design.items.flatMap((item) => kindOf(item.kind).buys?.(item, library) ?? []),
    ...loads.flatMap(({ transistor, name, wantsDiode }) => [
      ...listTransistors(transistor, 1, name),
      ...(wantsDiode && transistor ? [pieces('Diode, fast, 3 A', sundryPrices.diode, `${name}, across it`)] : []),
    ]),
    ...listDividers(sensing),
    ...listWire(runs),
    ...buyGuides(guides),
  ]) {
    const key = JSON.stringify([line.name, line.isShared]);
    const before = merged.get(key);
    merged.set(
      key,
      before
        ? { ...before, quantity: before.quantity + line.quantity, forWhat: `${before.forWhat}; ${line.forWhat}` }
        : line,
    );
  }
  return [...merged.values()]
    .filter((line) => line.quantity > 0)
    .map((line) => ({ ...line, cost: line.quantity * line.unitPrice }));
}

/** Cost of one copy. */
export const totalCost = (lines: readonly ShoppingLine[]): number => lines.reduce((sum, line) => sum + line.cost, 0);
