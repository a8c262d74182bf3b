import { pieces } from '../buys.ts';
import type { KindDefinition } from '../contract.ts';
import { contactDoings } from '../controls.ts';
import { bands } from '../limits.ts';
import { boardRow } from '../rows.ts';

const control = { stage: 'drive', role: 'control', parts: () => [] } as const;
/** Of a receiver with one output, all day; typical of the kind. */
const RECEIVER_A = 0.005;

const contact = { pin: 'in', cores: ['minus'] } as const;

/** A button to minus, with the pull-up inside the chip. */
export const button: KindDefinition<'button'> = {
  ...control,
  kind: 'button',
  name: 'Button',
  create: (fresh) => ({ kind: 'button', ...fresh, board: null }),
  rows: [boardRow],
  control: {
    ...contact,
    doings: () =>
      contactDoings({
        button: 'is pressed',
        opened: 'is let go',
        while: 'is pressed, for as long as it is',
        held: 'is held for',
        double: 'is pressed twice',
      }),
  },
  buys: ({ name }) => [pieces('Push button, momentary', 0.5, name)],
};
/** A switch on a pin that stays where it is put. */
export const latchingSwitch: KindDefinition<'latching switch'> = {
  ...control,
  kind: 'latching switch',
  name: 'Switch',
  create: (fresh) => ({ kind: 'latching switch', ...fresh, board: null }),
  rows: [boardRow],
  control: {
    ...contact,
    doings: () => contactDoings({ button: 'is put on', opened: 'is put off', while: 'is on, for as long as it is' }),
  },
  buys: ({ name }) => [pieces('Slide switch, 0.3 A, for a signal', 0.6, name)],
};
/** A contact that closes by how the piece is held; it rattles, so it is settled before it is believed. */
export const tiltSwitch: KindDefinition<'tilt switch'> = {
  ...control,
  kind: 'tilt switch',
  name: 'Tilt switch',
  create: (fresh) => ({ kind: 'tilt switch', ...fresh, board: null }),
  rows: [boardRow],
  control: {
    ...contact,
    doings: () =>
      contactDoings({
        button: 'tilts',
        opened: 'stands upright again',
        while: 'is tilted, for as long as it is',
      }),
  },
  buys: ({ name }) => [pieces('Tilt switch, ball in a tube', 0.7, name)],
};
/** A receiver of a hand-held transmitter, one output for each key. */
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
    { type: 'named', field: 'receiver', label: 'Output of', names: 'receiver', none: 'a receiver of its own' },
    {
      type: 'quantity',
      field: 'key',
      label: 'Which output',
      quantity: 'count',
      band: bands.outputs,
      isWhole: true,
      empty: '1',
      isLeftOut: true,
    },
    boardRow,
  ],
  control: {
    pin: 'in',
    cores: ['chip plus', 'minus'],
    outputOf: ({ receiver, key }) => (receiver ? { itemId: receiver, output: key ?? 1 } : null),
    radio: ({ output }) => output,
    // A receiver that others hear as well has a draw of its own in the plan.
    ownA: ({ receiver }) => (receiver ? 0 : RECEIVER_A),
    doings: ({ output }) =>
      contactDoings(
        output === 'held'
          ? {
              button: 'has its key pressed',
              opened: 'has its key let go',
              while: 'has its key held, for as long as it is',
              held: 'has its key held for',
              double: 'has its key pressed twice',
            }
          : { button: 'comes on', opened: 'goes off', while: 'is on, for as long as it is' },
      ),
  },
  buys: ({ name, receiver }) =>
    receiver ? [] : [pieces('Radio receiver, one channel, with its hand transmitter', 7.5, name)],
};
