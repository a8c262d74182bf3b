import type { ItemKind, Stage } from '@glimmer/core/items';

/** What makers call a kind of thing besides its name here. */
export const wordsOfKind: Readonly<Partial<Record<ItemKind, string>>> = {
  light: 'led lamp bulb diode resistor series string star heatsink infrared ultraviolet',
  'pixel tape': 'strip ribbon addressable rgb pixels data ring panel stick',
  'plain tape': 'strip ribbon colour white 12 V analogue',
  guide: 'fibre fiber optic light pipe bundle',
  board: 'controller microcontroller chip pins program code firmware',
  load: 'motor servo sound horn speaker fan relay',
  driver: 'constant current star holds',
  'scan driver': 'matrix grid multiplex',
  'light gate': 'dark dusk phototransistor night lamp by itself',
  switch: 'magnet reed toggle rocker slide on off',
  changeover: 'two supplies either or selector',
  pack: 'battery cell accumulator lithium alkaline coin holder fuse spare',
  'outside supply': 'mains wall plug usb port bench power supply adapter',
  converter: 'boost buck step-up step-down regulator 5 V linear',
  charger: 'charging recharge usb',
  box: 'ready-made controller remote dimmer',
  receiver: 'radio infrared remote transmitter',
  remote: 'radio key transmitter infrared',
  button: 'key push press contact',
  'latching switch': 'toggle stays',
  knob: 'potentiometer dimmer brightness turn',
  'light sensor': 'photoresistor phototransistor dark dusk',
  'motion sensor': 'movement passer-by infrared',
  'charge sense': 'battery level low warning divider',
};

/** What makers look for on a stage, in their words. */
export const wordsOfStage: Readonly<Record<Stage, string>> = {
  piece:
    'copies size weight budget price temperature cold weather hours box hollow channel bore outline picture photo wearer',
  lights: 'count cut length density diffuser fit place draw route feed parts own table',
  moods: 'animation effect pattern cue fade brightness colour evening signs sets schedule',
  drive: 'pins resistor transistor program code threshold sensor loop frames',
  power: 'runtime hours capacity peak draw fuse heat warm glue touch charging shopping chain weakest',
  wires: 'gauge awg loom plug solder core colour length drawing cut list',
  bench: 'meter measure reading test steps serial cable board simulated print sheet',
  logbook: 'notes run test version history compare copies',
};
