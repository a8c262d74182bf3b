import { sundryPrices } from '../../parts/index.ts';
import { ohms, say } from '../../units/index.ts';
import { pieces } from '../buys.ts';
import type { FormRow, KindDefinition } from '../contract.ts';
import { contactDoings } from '../controls.ts';
import { bands } from '../limits.ts';
import { boardRow } from '../rows.ts';
import type { LightSensorItem } from '../types.ts';

const control = { stage: 'drive', role: 'control', parts: () => [] } as const;

/** A small board of its own, between the chip's plus and minus, whose output goes high. */
const moduled = { pin: 'in', cores: ['chip plus', 'minus'], closedLevel: 'high', worksV: [3, 5.5] } as const;

/** All day; typical of modules of the kind. */
const MOTION_A = 60e-6;
const SOUND_A = 0.004;

/** Of a knob, from end to end. */
export const KNOB_OHM = 10_000;

const standalone = (element: LightSensorItem['element']): string =>
  element === 'phototransistor' ? 'Light sensor, phototransistor' : 'Light sensor, photoresistor';

const lightRows: readonly Extract<FormRow, { field: string }>[] = [
  {
    type: 'named',
    field: 'with',
    label: 'Shares the part of',
    names: 'sensor',
    none: 'no other: it has its own part',
  },
  {
    type: 'choice',
    field: 'element',
    label: 'Its part',
    options: [
      { value: 'photoresistor', label: 'a photoresistor: slow' },
      { value: 'phototransistor', label: 'a phototransistor: quick' },
    ],
    none: 'a photoresistor',
  },
  {
    type: 'quantity',
    field: 'darkOhm',
    label: 'Measured in the dark',
    quantity: 'resistanceOhm',
    band: bands.resistorOhm,
  },
  {
    type: 'quantity',
    field: 'lightOhm',
    label: 'Measured in light',
    quantity: 'resistanceOhm',
    band: bands.resistorOhm,
  },
  boardRow,
];

/** What light makes conduct, with a fixed resistor to minus, read by the converter; several levels may read one. */
export const lightSensor: KindDefinition<'light sensor'> = {
  ...control,
  kind: 'light sensor',
  name: 'Light sensor',
  create: (fresh) => ({ kind: 'light sensor', ...fresh, board: null, darkOhm: 180_000, lightOhm: 2400 }),
  rows: lightRows,
  // A further level has no part of its own.
  rowsFor: (item) => (item.with ? lightRows.filter(({ field }) => field !== 'element') : lightRows),
  control: {
    pin: 'analog',
    cores: ['chip plus'],
    doings: () => [
      { does: { kind: 'dark' }, words: 'sees it get dark' },
      { does: { kind: 'light' }, words: 'sees it get light' },
    ],
    sharesPinOf: ({ with: other }) => other ?? null,
    sense: ({ darkOhm, lightOhm, element }) => ({
      kind: 'light',
      darkOhm,
      lightOhm,
      element: element ?? 'photoresistor',
    }),
  },
  buys: ({ name, with: other, element }) =>
    other ? [] : [pieces(standalone(element), sundryPrices.lightSensor, name)],
};
/** A divider that lets the program see the charge of a pack. */
export const chargeSense: KindDefinition<'charge sense'> = {
  ...control,
  kind: 'charge sense',
  name: 'Charge sense',
  create: (fresh) => ({ kind: 'charge sense', ...fresh, board: null, of: null, lowV: 3.4, settleS: 8 }),
  rows: [
    { type: 'quantity', field: 'lowV', label: 'Low below, of the whole pack', quantity: 'voltageV', band: bands.packV },
    { type: 'quantity', field: 'settleS', label: 'For at least', quantity: 'timeS', band: bands.settleS },
    { type: 'named', field: 'of', label: 'Of the pack', names: 'pack', none: 'the only one there is' },
    boardRow,
  ],
  control: {
    pin: 'analog',
    cores: ['minus'],
    doings: () => [{ does: { kind: 'low' }, words: 'finds the pack low' }],
    sense: ({ of, lowV, settleS }) => ({ kind: 'charge', packId: of, lowV, settleS }),
  },
};
/** A knob between the chip's plus and minus: its slider is read by the converter. */
export const knob: KindDefinition<'knob'> = {
  ...control,
  kind: 'knob',
  name: 'Knob',
  create: (fresh) => ({ kind: 'knob', ...fresh, board: null, turnedTo: 0.5 }),
  rows: [
    { type: 'quantity', field: 'turnedTo', label: 'Counts as turned up above', quantity: 'fraction', band: bands.turn },
    { type: 'tick', field: 'dims', label: 'Sets how bright all lights of its board are' },
    boardRow,
  ],
  control: {
    pin: 'analog',
    cores: ['chip plus', 'minus'],
    doings: () => [
      { does: { kind: 'dark' }, words: 'is turned down' },
      { does: { kind: 'light' }, words: 'is turned up' },
    ],
    sense: ({ turnedTo, dims }) => ({ kind: 'knob', turnedTo, ...(dims && { dims }) }),
  },
  buys: ({ name }) => [pieces(say`Knob, ${ohms(KNOB_OHM)}, linear, with its cap`, 1.2, name)],
};
/** Sees a warm body move: its output goes high, and stays so for as long as is set on it. */
export const motionSensor: KindDefinition<'motion sensor'> = {
  ...control,
  kind: 'motion sensor',
  name: 'Motion sensor',
  create: (fresh) => ({ kind: 'motion sensor', ...fresh, board: null, staysS: 8 }),
  rows: [
    { type: 'quantity', field: 'staysS', label: 'Set to stay on for', quantity: 'timeS', band: bands.staysS },
    boardRow,
  ],
  control: {
    ...moduled,
    ownA: () => MOTION_A,
    doings: ({ staysS }) =>
      contactDoings({
        button: 'sees someone move',
        opened: `has seen nobody for ${staysS} s`,
        while: 'sees someone move, and for as long as it stays on',
      }),
  },
  buys: ({ name }) => [pieces('Motion sensor, warm infrared, output high, 3 to 5.5 V', 1.9, name)],
};
/** Hears what is louder than its trimmer is set to: its output goes high. */
export const soundSensor: KindDefinition<'sound sensor'> = {
  ...control,
  kind: 'sound sensor',
  name: 'Sound sensor',
  create: (fresh) => ({ kind: 'sound sensor', ...fresh, board: null }),
  rows: [boardRow],
  control: {
    ...moduled,
    ownA: () => SOUND_A,
    doings: () => contactDoings({ button: 'hears something loud', double: 'hears two claps' }),
  },
  buys: ({ name }) => [pieces('Sound sensor with a trimmer, output high, 3 to 5.5 V', 1.1, name)],
};
