/** Fields of a plan that a quick sum answers, as `kind.field`, with the name of the sum: no more than that, so that a form can know it cheaply. */
export const sumOfField = {
  'light.resistorOhm': 'led-resistor',
  'light.inSeries': 'led-string',
  'light.switchedBy.rows': 'grid-scan',
  'light.forwardV': 'led-curve',
  'light.sinkKPerW': 'junction',
  'light.diffuserMm': 'diffuser',
  'pixel tape.diffuserMm': 'diffuser',
  'plain tape.diffuserMm': 'diffuser',
  'pixel tape.lengthMm': 'tape-count',
  'plain tape.lengthMm': 'plain-tape',
  'pixel tape.feedsAt': 'tape-drop',
  'guide.gapMm': 'bundle',
  'pack.fuseA': 'fuse',
  'outside supply.fuseA': 'fuse',
  'pack.capacityMah': 'runtime',
  'pack.charging': 'charge',
  'pack.spares': 'event-packs',
  'load.startA': 'sound',
  'converter.part': 'boost-limit',
  'board.part': 'pixel-data',
  'light gate.pullUpOhm': 'light-gate',
  'light sensor.darkOhm': 'light-divider',
  'charge sense.lowV': 'pack-sense',
  'switch.magnet.wallMm': 'magnet-switch',
} as const satisfies Readonly<Record<string, string>>;

/** A field of a plan that a sum answers. */
export type AnsweredField = keyof typeof sumOfField;

/** Whether a field of a kind of items has a sum. */
export const hasSum = (kindAndField: string): kindAndField is AnsweredField => Object.hasOwn(sumOfField, kindAndField);
