import type { DrivenLeds } from '../drive/index.ts';
import type { PlacedGroup } from '../lights/index.ts';
import { findPart, type Library } from '../parts/index.ts';
import type { Control, Design } from '../plan/index.ts';
import { printQuantity } from '../units/index.ts';
import type { WireRun } from '../wires/index.ts';

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

/** What is bought for each kind of control, and what it costs about. */
const controlParts: Readonly<Record<Control['kind'], readonly [string, number]>> = {
  button: ['Push button, momentary', 0.5],
  'latching switch': ['Slide switch, 0.3 A, for a signal', 0.6],
  'tilt switch': ['Tilt switch, ball in a tube', 0.7],
  remote: ['Radio receiver, one channel, with its hand transmitter', 7.5],
  'light sensor': ['Light sensor, photoresistor', 0.35],
  'charge sense': ['Pair of resistors for the charge sense, 125 mW', 0.06],
};

type Draft = Omit<ShoppingLine, 'cost'>;

function listLights(placed: readonly PlacedGroup[], driven: ReadonlyMap<string, DrivenLeds>): Draft[] {
  return placed.flatMap((group): Draft[] => {
    if (group.kind === 'tape') {
      return [
        {
          name: group.part.name,
          quantity: group.cut.litLengthMm / 1000,
          unit: 'm',
          unitPrice: group.part.price,
          forWhat: `${group.name}: ${group.cut.lights} lights`,
        },
      ];
    }
    const count = group.places.length;
    const drive = driven.get(group.id);
    const light: Draft = {
      name: group.part.name,
      quantity: count,
      unit: 'piece',
      unitPrice: group.part.price,
      forWhat: group.name,
    };
    if (!drive) return [light];
    const resistor: Draft = {
      name: `Resistor ${printQuantity('resistanceOhm', drive.resistor.resistorOhm)}, ${printQuantity('powerW', group.group.resistorRatedW)}`,
      quantity: count,
      unit: 'piece',
      unitPrice: RESISTOR_PRICE,
      forWhat: group.name,
    };
    if (drive.by.kind === 'pin') return [light, resistor];
    const channels = drive.lightsOnChannel.length;
    return [
      light,
      resistor,
      {
        name: drive.by.part.name,
        quantity: channels,
        unit: 'piece',
        unitPrice: drive.by.part.price,
        forWhat: group.name,
      },
      {
        name: `Resistor ${printQuantity('resistanceOhm', drive.by.gateOhm)}, 125 mW`,
        quantity: channels,
        unit: 'piece',
        unitPrice: RESISTOR_PRICE,
        forWhat: `${group.name}, ${drive.by.part.type === 'bipolar' ? 'base' : 'gate'}`,
      },
      ...(drive.by.part.type === 'field-effect'
        ? [
            {
              name: 'Resistor 100 kΩ, 125 mW',
              quantity: channels,
              unit: 'piece' as const,
              unitPrice: RESISTOR_PRICE,
              forWhat: `${group.name}, pull-down`,
            },
          ]
        : []),
    ];
  });
}

function listSupply(design: Design, library: Library): Draft[] {
  const chosen = [
    findPart(library, 'controller', design.drive.controller),
    findPart(library, 'pack', design.power.pack),
    findPart(library, 'converter', design.power.converter),
    findPart(library, 'switch', design.power.switch),
    findPart(library, 'plug', design.power.plug),
  ].filter((part) => part !== undefined);
  const single = (name: string, unitPrice: number, forWhat: string): Draft => ({
    name,
    quantity: 1,
    unit: 'piece',
    unitPrice,
    forWhat,
  });
  const { fuseA, reservoirUf } = design.power;
  const { dataResistorOhm, levelShifter, controls } = design.drive;
  return [
    ...chosen.map((part) => single(part.name, part.price, 'supply and drive')),
    ...(fuseA === null
      ? []
      : [single(`Fuse ${printQuantity('currentA', fuseA)} with holder`, FUSE_PRICE, 'next to the pack')]),
    ...(reservoirUf === null
      ? []
      : [
          single(
            `Electrolytic capacitor ${printQuantity('capacitanceUf', reservoirUf)}, 10 V`,
            CAPACITOR_PRICE,
            'at the tape’s feed',
          ),
        ]),
    ...(dataResistorOhm === null
      ? []
      : [single(`Resistor ${printQuantity('resistanceOhm', dataResistorOhm)}, 125 mW`, RESISTOR_PRICE, 'data line')]),
    ...(levelShifter ? [single('Level shifter, one line, 3.3 V to 5 V', SHIFTER_PRICE, 'data line')] : []),
    ...controls.map((control) => {
      const [what, unitPrice] = controlParts[control.kind];
      return single(what, unitPrice, control.name);
    }),
  ];
}

function listWire(runs: readonly WireRun[]): Draft[] {
  const lengths = new Map<string, number>();
  for (const run of runs) {
    for (const core of run.cores) {
      const key = `Wire, stranded, ${run.gaugeAwg} gauge, ${core.colour}`;
      lengths.set(key, (lengths.get(key) ?? 0) + run.lengthMm / 1000);
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
  readonly design: Design;
  readonly library: Library;
  readonly placed: readonly PlacedGroup[];
  readonly driven: ReadonlyMap<string, DrivenLeds>;
  readonly runs: readonly WireRun[];
}): ShoppingLine[] {
  const { design, library, placed, driven, runs } = options;
  const merged = new Map<string, Draft>();
  for (const line of [...listLights(placed, driven), ...listSupply(design, library), ...listWire(runs)]) {
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
