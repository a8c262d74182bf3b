import { findPart, sundryPrices } from '../../parts/index.ts';
import { ohms, say } from '../../units/index.ts';
import { pieces, resistors, SIGNAL_RESISTOR_W } from '../buys.ts';
import type { KindDefinition } from '../contract.ts';
import { drawsAtRest } from '../draws.ts';
import { bands } from '../limits.ts';
import { feedRow, itsPart } from '../rows.ts';
import { closeToMinus, drawOwn } from '../switcher.ts';
import { gateRule } from './rules.ts';

/** Lights itself in the dark without a program: a phototransistor at the gate of a transistor. */
export const lightGate: KindDefinition<'light gate'> = {
  kind: 'light gate',
  name: 'Light gate',
  stage: 'drive',
  role: 'switches',
  create: ({ id, name, at }) => ({
    kind: 'light gate',
    id,
    name,
    at,
    feed: null,
    part: 'transistor-fet-logic',
    microampsPerLux: 1,
    pullUpOhm: 150_000,
    darkLux: 2,
    brightLux: 100,
  }),
  rows: [
    { type: 'part', field: 'part', label: 'Transistor', partKind: 'transistor' },
    {
      type: 'quantity',
      field: 'pullUpOhm',
      label: 'Pull-up',
      quantity: 'resistanceOhm',
      band: bands.resistorOhm,
    },
    {
      type: 'quantity',
      field: 'microampsPerLux',
      label: 'The sensor carries, in microamperes a lux',
      quantity: 'count',
      band: { least: 0.01, most: 1000, usual: [0.05, 50] },
    },
    { type: 'quantity', field: 'darkLux', label: 'Must be lit below', quantity: 'lux', band: bands.lux },
    { type: 'quantity', field: 'brightLux', label: 'Must be dark above', quantity: 'lux', band: bands.lux },
    feedRow,
  ],
  parts: ({ part }) => itsPart('transistor', part),
  lead: { plus: 'plus in', minus: 'minus' },
  seesLight: true,
  throughOhm: ({ part }, library) => findPart(library, 'transistor', part)?.onOhm ?? 0,
  // In light the sensor pulls the gate down: the pull-up's current flows all day.
  draws: ({ pullUpOhm }, _library, nominalV) => drawsAtRest(nominalV / pullUpOhm, 0.1),
  buys: ({ name, pullUpOhm }) => [
    pieces('Light sensor, phototransistor', sundryPrices.lightSensor, name),
    resistors(pullUpOhm, SIGNAL_RESISTOR_W, `${name}, pull-up`),
  ],
  assembly: ({ name, pullUpOhm, part }, library) => {
    const found = findPart(library, 'transistor', part);
    if (!found) return null;
    const [root, steer, out] =
      found.type === 'field-effect' ? ['source', 'gate', 'drain'] : ['emitter', 'base', 'collector'];
    const todo = say`${found.name}: its ${root} is the minus of this gate, its ${out} is its “out”. From its ${steer} ${ohms(pullUpOhm)} to “plus in”, and the phototransistor to minus: collector at the ${steer}, emitter at minus. Light pulls the ${steer} down: let the sensor see the room, and none of the lights that it switches.`;
    return { title: `Put ${name} together`, todo };
  },
  draw: ({ id, part }, drawing) => {
    drawOwn(id, drawing);
    closeToMinus(id, 'out', findPart(drawing.library, 'transistor', part)?.onOhm ?? 0, drawing);
  },
  rules: [gateRule],
};
