import { type Control, type Item, kindOf } from '../items/index.ts';
import type { PlacedGroup } from '../lights/index.ts';
import { type Driven, PULL_OHM, type WireRun } from '../network/index.ts';
import type { Library } from '../parts/index.ts';
import { controlsOf, type Design } from '../plan/index.ts';
import { printQuantity } from '../units/index.ts';
import type { Sensing } from './sensing.ts';

/** One line of what has to be had for one copy. `unit` is what the quantity counts. */
export interface ShoppingLine {
  readonly name: string;
  readonly quantity: number;
  readonly unit: 'piece' | 'm';
  readonly unitPrice: number;
  readonly cost: number;
  readonly forWhat: string;
}

const RESISTOR_PRICE = 0.03;
const WIRE_PRICE_PER_METRE = 0.35;
const FUSE_PRICE = 0.6;
const CAPACITOR_PRICE = 0.4;
const SHIFTER_PRICE = 0.9;
const SENSOR_PRICE = 0.35;

/** What is bought for each kind of control, and what it costs about. */
const controlParts: Readonly<Record<Control['kind'], readonly [string, number]>> = {
  button: ['Push button, momentary', 0.5],
  'latching switch': ['Slide switch, 0.3 A, for a signal', 0.6],
  'tilt switch': ['Tilt switch, ball in a tube', 0.7],
  remote: ['Radio receiver, one channel, with its hand transmitter', 7.5],
  'light sensor': ['Light sensor, photoresistor', 0.35],
  'charge sense': ['Test pad for the charge sense', 0],
  signal: ['Signal line', 0],
};

type Draft = Omit<ShoppingLine, 'cost'>;

const ohms = (value: number): string => printQuantity('resistanceOhm', value);

const single = (name: string, unitPrice: number, forWhat: string, quantity = 1): Draft => ({
  name,
  quantity,
  unit: 'piece',
  unitPrice,
  forWhat,
});

const resistor = (ohm: number, rated: string, forWhat: string, quantity = 1): Draft =>
  single(`Resistor ${ohms(ohm)}, ${rated}`, RESISTOR_PRICE, forWhat, quantity);

/** What stands between a pin and its channels: transistors with what drives and holds them. */
function listSwitches(driven: Driven): Draft[] {
  const { transistor, channels, name } = driven;
  if (!transistor) return [];
  const count = channels.length;
  const { part, gateOhm, helper } = transistor;
  const isGate = part.type === 'field-effect';
  return [
    single(part.name, part.price, name, count),
    resistor(gateOhm, '125 mW', `${name}, ${isGate ? 'gate' : 'base'}`, count),
    // A gate that floats is half on while the controller starts; a base above needs holding to plus as well.
    ...(isGate || part.side === 'high'
      ? [resistor(PULL_OHM, '125 mW', `${name}, ${part.side === 'low' ? 'pull-down' : 'pull-up'}`, count)]
      : []),
    ...(helper
      ? [
          single(helper.name, helper.price, `${name}, helper`, count),
          resistor(4700, '125 mW', `${name}, base of the helper`, count),
        ]
      : []),
  ];
}

function listLights(placed: readonly PlacedGroup[], driven: readonly Driven[]): Draft[] {
  return placed.flatMap((group): Draft[] => {
    const own = driven.filter((each) => each.itemId === group.id);
    const switches = own.flatMap(listSwitches);
    if (group.kind !== 'leds')
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
    const resistors = own.flatMap((each) =>
      each.resistor
        ? [resistor(each.resistor.resistorOhm, printQuantity('powerW', group.group.resistorRatedW), group.name, count)]
        : [],
    );
    return [single(group.part.name, group.part.price, group.name, count), ...resistors, ...switches];
  });
}

/** The parts that items which are no lights name, each once. */
function listParts(design: Pick<Design, 'items'>, library: Library): Draft[] {
  return design.items.flatMap((item): Draft[] => {
    const { role, parts } = kindOf(item.kind);
    if (role === 'light') return [];
    return parts(item).flatMap(({ part }) => {
      const found = part === null ? undefined : library.parts.get(part);
      return found ? [single(found.name, found.price, role === 'control' ? item.name : 'supply and drive')] : [];
    });
  });
}

/** What goes with an item that is no part of its own: fuse, reservoir, what stands in a data line, a gate's sensor. */
function listExtras(item: Item): Draft[] {
  const fuse =
    'fuseA' in item && item.fuseA !== null
      ? [single(`Fuse ${printQuantity('currentA', item.fuseA)} with holder`, FUSE_PRICE, `next to ${item.name}`)]
      : [];
  if (item.kind === 'pixel tape')
    return [
      ...(item.reservoirUf === null
        ? []
        : [
            single(
              `Electrolytic capacitor ${printQuantity('capacitanceUf', item.reservoirUf)}, 10 V`,
              CAPACITOR_PRICE,
              'at the tape’s feed',
            ),
          ]),
      ...(item.dataResistorOhm === null || item.after !== null
        ? []
        : [resistor(item.dataResistorOhm, '125 mW', 'data line')]),
      ...(item.levelShifter && item.after === null
        ? [single('Level shifter, one line, 3.3 V to 5 V', SHIFTER_PRICE, 'data line')]
        : []),
    ];
  if (item.kind === 'light gate')
    return [
      single('Light sensor, phototransistor', SENSOR_PRICE, item.name),
      resistor(item.pullUpOhm, '125 mW', `${item.name}, pull-up`),
    ];
  return fuse;
}

/** The fixed resistors of sensors. */
const listDividers = (sensing: readonly Sensing[]): Draft[] =>
  sensing.flatMap((each) =>
    each.kind === 'light'
      ? [resistor(each.design.fixedOhm, '125 mW', `${each.control.name}, fixed, to minus`)]
      : [
          resistor(each.design.upperOhm, '125 mW', `${each.control.name}, to the pack`),
          resistor(each.design.lowerOhm, '125 mW', `${each.control.name}, to minus`),
        ],
  );

const listControls = (design: Pick<Design, 'items'>): Draft[] =>
  controlsOf(design).flatMap((control) => {
    const [what, unitPrice] = controlParts[control.kind];
    return unitPrice === 0 ? [] : [single(what, unitPrice, control.name)];
  });

function listWire(runs: readonly WireRun[]): Draft[] {
  const lengths = new Map<string, number>();
  for (const run of runs) {
    for (const core of run.cores) {
      const key = `Wire, stranded, ${run.gaugeAwg} gauge, ${core.colour}`;
      lengths.set(key, (lengths.get(key) ?? 0) + (run.lengthMm ?? 0) / 1000);
    }
  }
  return [...lengths].map(([name, metres]) => ({
    name,
    quantity: metres,
    unit: 'm' as const,
    unitPrice: WIRE_PRICE_PER_METRE,
    forWhat: 'looms',
  }));
}

/** All that one copy needs, like lines put together, with what it costs. */
export function listShopping(options: {
  readonly design: Pick<Design, 'items'>;
  readonly library: Library;
  readonly placed: readonly PlacedGroup[];
  readonly driven: readonly Driven[];
  readonly runs: readonly WireRun[];
  readonly sensing: readonly Sensing[];
}): ShoppingLine[] {
  const { design, library, placed, driven, runs, sensing } = options;
  const merged = new Map<string, Draft>();
  for (const line of [
    ...listLights(placed, driven),
    ...listParts(design, library),
    ...design.items.flatMap(listExtras),
    ...listDividers(sensing),
    ...listControls(design),
    ...listWire(runs),
  ]) {
    const before = merged.get(line.name);
    merged.set(
      line.name,
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
