import type { KindDefinition } from '../contract.ts';
import { bands } from '../limits.ts';
import { boardRow } from '../rows.ts';

const control = { stage: 'drive', role: 'control', parts: () => [] } as const;

export const button: KindDefinition<'button'> = {
  ...control,
  kind: 'button',
  name: 'Button',
  create: (fresh) => ({ kind: 'button', ...fresh, board: null }),
  rows: [boardRow],
};
export const latchingSwitch: KindDefinition<'latching switch'> = {
  ...control,
  kind: 'latching switch',
  name: 'Switch',
  create: (fresh) => ({ kind: 'latching switch', ...fresh, board: null }),
  rows: [boardRow],
};
export const tiltSwitch: KindDefinition<'tilt switch'> = {
  ...control,
  kind: 'tilt switch',
  name: 'Tilt switch',
  create: (fresh) => ({ kind: 'tilt switch', ...fresh, board: null }),
  rows: [boardRow],
};
export const remote: KindDefinition<'remote'> = {
  ...control,
  kind: 'remote',
  name: 'Remote',
  create: (fresh) => ({ kind: 'remote', ...fresh, board: null, output: 'held' }),
  rows: [
    {
      type: 'choice',
      field: 'output',
      label: 'Its output',
      options: [
        { value: 'held', label: 'closed while the key is held' },
        { value: 'latched', label: 'changes with each press' },
      ],
    },
    boardRow,
  ],
};
export const lightSensor: KindDefinition<'light sensor'> = {
  ...control,
  kind: 'light sensor',
  name: 'Light sensor',
  create: (fresh) => ({ kind: 'light sensor', ...fresh, board: null, darkOhm: 180_000, lightOhm: 2400 }),
  rows: [
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
  ],
};
export const chargeSense: KindDefinition<'charge sense'> = {
  ...control,
  kind: 'charge sense',
  name: 'Charge sense',
  create: (fresh) => ({ kind: 'charge sense', ...fresh, board: null, of: null, lowV: 3.4, settleS: 8 }),
  rows: [
    { type: 'quantity', field: 'lowV', label: 'Low below, whole pack', quantity: 'voltageV', band: bands.packV },
    { type: 'quantity', field: 'settleS', label: 'For at least', quantity: 'timeS', band: bands.settleS },
    { type: 'named', field: 'of', label: 'Of the pack', names: 'pack', none: 'the only one there is' },
    boardRow,
  ],
};
