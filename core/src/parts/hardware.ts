import type { PlugPart, SensorPart, SwitchPart, TransistorPart, WirePart } from './kinds.ts';

/** Transistor switches, the most usual first; limits typical of the kind. */
export const transistors: readonly TransistorPart[] = [
  {
    kind: 'transistor',
    id: 'transistor-npn-small',
    name: 'Bipolar transistor, NPN, 0.2 A',
    price: 0.08,
    type: 'bipolar',
    side: 'low',
    currentLimitA: 0.2,
    onDropV: 0.2,
    onOhm: 0,
    gateV: 0.75,
    thresholdV: 0.6,
  },
  {
    kind: 'transistor',
    id: 'transistor-fet-logic',
    name: 'Field-effect transistor, N-channel, full on at 3.0 V, 3 A',
    price: 0.35,
    type: 'field-effect',
    side: 'low',
    currentLimitA: 3,
    onDropV: 0,
    onOhm: 0.045,
    gateV: 3.0,
    thresholdV: 1.6,
  },
  ...(
    [
      // id, name, type, side, limit, on-drop, on-resistance, gate or base voltage, price
      ['npn-medium', 'Bipolar transistor, NPN, 0.8 A', 'bipolar', 'low', 0.8, 0.3, 0, 0.8, 0.12],
      ['npn-darlington', 'Bipolar transistor pair, NPN, 3 A', 'bipolar', 'low', 3, 1.1, 0, 1.5, 0.5],
      [
        'fet-small',
        'Field-effect transistor, N-channel, full on at 4.5 V, 0.3 A',
        'field-effect',
        'low',
        0.3,
        0,
        2.5,
        4.5,
        0.1,
      ],
      [
        'fet-10a',
        'Field-effect transistor, N-channel, full on at 3.0 V, 10 A',
        'field-effect',
        'low',
        10,
        0,
        0.012,
        3,
        0.7,
      ],
      [
        'fet-30a',
        'Field-effect transistor, N-channel, full on at 10 V, 30 A',
        'field-effect',
        'low',
        30,
        0,
        0.01,
        10,
        0.9,
      ],
      ['pnp-small', 'Bipolar transistor, PNP, 0.2 A', 'bipolar', 'high', 0.2, 0.2, 0, 0.75, 0.08],
      [
        'fet-p-3a',
        'Field-effect transistor, P-channel, full on at 2.7 V, 3 A',
        'field-effect',
        'high',
        3,
        0,
        0.09,
        2.7,
        0.4,
      ],
      [
        'fet-p-8a',
        'Field-effect transistor, P-channel, full on at 4.5 V, 8 A',
        'field-effect',
        'high',
        8,
        0,
        0.03,
        4.5,
        0.8,
      ],
    ] as const
  ).map(
    ([id, name, type, side, currentLimitA, onDropV, onOhm, gateV, price]): TransistorPart => ({
      kind: 'transistor',
      id: `transistor-${id}`,
      name,
      price,
      type,
      side,
      currentLimitA,
      onDropV,
      onOhm,
      gateV,
      thresholdV: type === 'bipolar' ? gateV - 0.15 : 0.55 * gateV,
    }),
  ),
];

/** Switches by their direct-current rating. */
export const switches: readonly SwitchPart[] = [
  {
    kind: 'switch',
    id: 'switch-slide-0a3',
    name: 'Slide switch, small, 0.3 A direct current',
    price: 0.3,
    limitA: 0.3,
    contactOhm: 0.03,
  },
  {
    kind: 'switch',
    id: 'switch-slide-3a',
    name: 'Slide switch, 3 A direct current',
    price: 1.1,
    limitA: 3,
    contactOhm: 0.01,
  },
  {
    kind: 'switch',
    id: 'switch-changeover-3a',
    name: 'Changeover switch, two throws, off between them, 3 A direct current',
    price: 2.1,
    limitA: 3,
    contactOhm: 0.01,
    throws: 2,
  },
  {
    kind: 'switch',
    id: 'switch-rocker-6a',
    name: 'Rocker switch, 6 A direct current',
    price: 1.6,
    limitA: 6,
    contactOhm: 0.01,
  },
  {
    kind: 'switch',
    id: 'switch-toggle-2a',
    name: 'Toggle switch, small, 2 A direct current',
    price: 1.9,
    limitA: 2,
    contactOhm: 0.01,
  },
  {
    kind: 'switch',
    id: 'switch-push-1a',
    name: 'Push switch, latching, 1 A direct current',
    price: 0.9,
    limitA: 1,
    contactOhm: 0.02,
  },
  {
    kind: 'switch',
    id: 'switch-push-momentary',
    name: 'Push contact, closed while it is held, 0.5 A direct current',
    price: 0.7,
    limitA: 0.5,
    contactOhm: 0.03,
    momentary: true,
  },
  {
    kind: 'switch',
    id: 'switch-magnet-0a5',
    name: 'Magnet switch, closes near a magnet, 0.5 A direct current',
    price: 1.2,
    limitA: 0.5,
    contactOhm: 0.05,
    magnetic: { pullInMt: 2.5, dropOutMt: 1.2 },
  },
];

/** Sensors and controls that a controller reads; values typical of the kind. */
export const sensors: readonly SensorPart[] = (
  [
    ['photoresistor', 'Photoresistor, 10 kΩ at 10 lux', 0.3, { senses: 'light', ohmAt10Lux: 10_000, gamma: 0.7 }],
    ['photoresistor-dim', 'Photoresistor, 50 kΩ at 10 lux', 0.3, { senses: 'light', ohmAt10Lux: 50_000, gamma: 0.8 }],
    ['phototransistor', 'Phototransistor, 1 µA a lux', 0.4, { senses: 'light', ampsPerLux: 1e-6 }],
    ['reed', 'Reed switch, 0.5 A', 0.6, { senses: 'magnet', contactLimitA: 0.5 }],
    ['tilt', 'Tilt switch, ball, 20 mA', 0.4, { senses: 'tilt', contactLimitA: 0.02 }],
    ['button', 'Push button, momentary, 50 mA', 0.15, { senses: 'press', contactLimitA: 0.05 }],
    ['remote', 'Radio receiver, latched outputs, 5 V', 3.8, { senses: 'remote', standbyA: 0.005 }],
  ] as const
).map(([id, name, price, rest]) => ({ kind: 'sensor', id: `sensor-${id}`, name, price, ...rest }));

const AREA_MM2_OHM = 0.01724;
const stranded = [
  [30, 0.8],
  [28, 0.95],
  [26, 1.1],
  [24, 1.3],
  [22, 1.6],
  [20, 1.9],
  [18, 2.4],
  [16, 2.9],
] as const;

/** Wires by gauge (copper, 20 °C), and what else carries current in a piece. */
export const wires: readonly WirePart[] = [
  ...stranded.map(
    ([gaugeAwg, outsideMm]): WirePart => ({
      kind: 'wire',
      id: `wire-${gaugeAwg}`,
      name: `Wire, stranded, ${gaugeAwg} gauge, thin insulation`,
      price: 0.4,
      gaugeAwg,
      ohmPerMetre: AREA_MM2_OHM / ((Math.PI / 4) * (0.127 * 92 ** ((36 - gaugeAwg) / 39)) ** 2),
      outsideMm,
      strands: 'stranded',
    }),
  ),
  ...([0.1, 0.15, 0.2, 0.4] as const).map(
    (diameter): WirePart => ({
      kind: 'wire',
      id: `wire-enamelled-${diameter}`,
      name: `Enamelled wire, ⌀ ${diameter} mm: scrape before it is soldered`,
      price: 0.1,
      gaugeAwg: null,
      ohmPerMetre: AREA_MM2_OHM / ((Math.PI / 4) * diameter ** 2),
      outsideMm: diameter * 1.15,
      strands: 'enamelled',
    }),
  ),
  {
    kind: 'wire',
    id: 'wire-solid-22',
    name: 'Wire, solid, 22 gauge: only where nothing bends',
    price: 0.3,
    gaugeAwg: 22,
    ohmPerMetre: AREA_MM2_OHM / ((Math.PI / 4) * 0.6438 ** 2),
    outsideMm: 1.5,
    strands: 'solid',
  },
  {
    kind: 'wire',
    id: 'wire-foil-5',
    name: 'Copper foil tape, 5 mm × 50 µm',
    price: 0.5,
    gaugeAwg: null,
    ohmPerMetre: AREA_MM2_OHM / (5 * 0.05),
    outsideMm: 5,
    strands: 'foil',
  },
  {
    kind: 'wire',
    id: 'wire-thread',
    name: 'Conductive thread, two-ply, 90 Ω/m',
    price: 0.6,
    gaugeAwg: null,
    ohmPerMetre: 90,
    outsideMm: 0.4,
    strands: 'thread',
  },
];

/** Plugs by ways and by what one contact carries. */
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
  ...(
    [
      [2, 0.5, 'very small, 0.8 mm pitch', 0.4],
      [3, 1, '1.25 mm pitch', 0.5],
      [4, 1, '1.25 mm pitch', 0.6],
      [3, 3, '2.5 mm pitch, latching', 0.7],
      [4, 3, '2.5 mm pitch, latching', 0.8],
      [6, 1.5, '2 mm pitch, latching', 0.9],
      [6, 3, '2.5 mm pitch, latching', 1.1],
      [2, 5, 'round, screw ring, splash-proof', 3.2],
      [4, 5, 'round, screw ring, splash-proof', 3.9],
    ] as const
  ).map(
    ([ways, contactLimitA, what, price]): PlugPart => ({
      kind: 'plug',
      id: `plug-${ways}way-${String(contactLimitA).replace('.', 'a')}${what.includes('splash') ? '-wet' : ''}${Number.isInteger(contactLimitA) ? 'a' : ''}${ways === 3 || ways === 4 ? '-loom' : ''}`,
      name: `Plug, ${ways}-way, ${contactLimitA} A, ${what}`,
      price,
      contactLimitA,
      ways,
    }),
  ),
];

/** Ratings of small cartridge and inline fuses that are easy to get, in amperes. */
export const fuseRatingsA: readonly number[] = [0.25, 0.5, 0.75, 1, 1.5, 2, 2.5, 3, 4, 5, 7.5, 10];
