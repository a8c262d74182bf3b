import type { PlugPart, SwitchPart, TransistorPart } from './kinds.ts';

/** Transistor switches, smallest first; limits typical of the kind. */
export const transistors: readonly TransistorPart[] = [
  {
    kind: 'transistor',
    id: 'transistor-npn-small',
    name: 'Bipolar transistor, NPN, 0.2 A',
    price: 0.08,
    type: 'bipolar',
    currentLimitA: 0.2,
    onDropV: 0.2,
    onOhm: 0,
    gateV: 0.75,
  },
  {
    kind: 'transistor',
    id: 'transistor-fet-logic',
    name: 'Field-effect transistor, N-channel, full on at 3.0 V, 3 A',
    price: 0.35,
    type: 'field-effect',
    currentLimitA: 3,
    onDropV: 0,
    onOhm: 0.045,
    gateV: 3.0,
  },
];

/** Switches by their direct-current rating. */
export const switches: readonly SwitchPart[] = [
  {
    kind: 'switch',
    id: 'switch-slide-0a3',
    name: 'Slide switch, small, 0.3 A direct current',
    price: 0.3,
    limitA: 0.3,
  },
  { kind: 'switch', id: 'switch-slide-3a', name: 'Slide switch, 3 A direct current', price: 1.1, limitA: 3 },
  { kind: 'switch', id: 'switch-rocker-6a', name: 'Rocker switch, 6 A direct current', price: 1.6, limitA: 6 },
];

/** Two-way plugs for the pack's lead. */
export const plugs: readonly PlugPart[] = [
  { kind: 'plug', id: 'plug-2way-1a', name: 'Plug, 2-way, 1 A, 1.25 mm pitch', price: 0.4, contactLimitA: 1, ways: 2 },
  {
    kind: 'plug',
    id: 'plug-2way-3a',
    name: 'Plug, 2-way, 3 A, 2.5 mm pitch, latching',
    price: 0.6,
    contactLimitA: 3,
    ways: 2,
  },
  { kind: 'plug', id: 'plug-2way-10a', name: 'Plug, 2-way, 10 A, shrouded', price: 1.4, contactLimitA: 10, ways: 2 },
];

/** Ratings of small cartridge and inline fuses that are easy to get, in amperes. */
export const fuseRatingsA: readonly number[] = [0.25, 0.5, 0.75, 1, 1.5, 2, 2.5, 3, 4, 5, 7.5, 10];
