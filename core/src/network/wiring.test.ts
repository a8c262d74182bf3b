import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf, moodOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import type { Design, Item } from '../plan/index.ts';
import { ohms } from '../units/index.ts';

const at = (xMm: number, yMm = 0) => ({ xMm, yMm });
const places = (count: number) =>
  Array.from({ length: count }, (_, i) => ({ id: `p${i + 1}`, at: at(100 + 40 * i), hollowId: null }));
type Light = Extract<Item, { kind: 'light' }>;
const lights = (count: number, change: Partial<Light> = {}): Item =>
  itemOf('light', {
    id: 'eyes',
    name: 'Eyes',
    part: 'led-5mm-red',
    wantedCurrentA: 0.006,
    places: places(count),
    ...change,
  });
const pack = itemOf('pack', { id: 'pack', name: 'Pack', part: 'pack-three-aa-nimh' });
const board = itemOf('board', { id: 'board', name: 'Board', part: 'controller-tiny-3v', at: at(40) });
const lit = {
  ...circuitOf([]).moods,
  list: [moodOf({ moves: { eyes: { kind: 'steady', colour: '#ffffff', level: 1 } } })],
};

/** Every core of a run: what it is, from where to where. */
const coresOf = (design: Design, runId: string): string[] =>
  assess(design)
    .joins.filter((run) => run.id === runId)
    .flatMap((run) =>
      run.cores.map(({ net, from, to }) => `${net.name}: ${from.item} ${from.port} → ${to.item} ${to.port}`),
    );
const withWay = (switchedBy: Light['switchedBy'], others: readonly Item[] = [board]): Design =>
  circuitOf([lights(1, { switchedBy }), pack, ...others], {
    moods: others.includes(board) ? lit : circuitOf([]).moods,
  });

describe('the path of a light’s current, way by way', () => {
  const gate = itemOf('light gate', { id: 'gate', name: 'Gate', at: at(60) });
  const slide = itemOf('switch', { id: 'slide', name: 'Slide', part: 'switch-slide-3a', at: at(60) });
  const box = itemOf('box', { id: 'box', name: 'Box', part: 'box-three-6a', at: at(60) });
  const resistor = 'resistor:eyes:p1 a';
  it.each<[string, Light['switchedBy'], readonly Item[], readonly string[]]>([
    [
      'always on: plus, resistor, light, minus',
      { way: 'always on' },
      [],
      [`pack plus: pack plus → ${resistor}`, 'minus: pack minus → eyes minus 1'],
    ],
    [
      'a hand’s switch: behind the switch, and a minus led to it',
      { way: 'hand switch', by: 'slide' },
      [slide],
      [`switched plus of Slide: slide b → ${resistor}`, 'minus: slide minus → eyes minus 1'],
    ],
    [
      'lit high: channel and minus',
      { way: 'pin high', board: null },
      [board],
      [`channel Eyes: channel:eyes:1 out → ${resistor}`, 'minus: board minus → eyes minus 1'],
    ],
    [
      'lit low: plus and channel',
      { way: 'pin low', board: null },
      [board],
      [`pack plus: board plus in → ${resistor}`, 'channel Eyes: channel:eyes:1 out → eyes minus 1'],
    ],
    [
      'a transistor below: plus and channel',
      { way: 'transistor below', board: null, part: null },
      [board],
      [`pack plus: board plus in → ${resistor}`, 'channel Eyes: channel:eyes:1 out → eyes minus 1'],
    ],
    [
      'a transistor above: channel and minus',
      { way: 'transistor above', board: null, part: null },
      [board],
      [`channel Eyes: channel:eyes:1 out → ${resistor}`, 'minus: board minus → eyes minus 1'],
    ],
    [
      'a light gate: plus and its switched minus',
      { way: 'light gate', by: 'gate' },
      [gate],
      [`pack plus: gate plus in → ${resistor}`, 'switched minus of Gate: gate out → eyes minus 1'],
    ],
    [
      'a box: plus and its output',
      { way: 'box', by: 'box', output: 2 },
      [box],
      [`pack plus: box plus in → ${resistor}`, 'output 2 of Box: box output 2 → eyes minus 1'],
    ],
  ])('%s', (_name, way, others, cores) => {
    const found = coresOf(withWay(way, others), 'light:eyes:p1').map((core) =>
      core.replace(/^(switched plus of Slide|rail plus):/, 'switched plus of Slide:'),
    );
    expect(found).toEqual(cores);
  });
  it('a transistor has its far leg on minus below, on plus above', () => {
    expect(coresOf(withWay({ way: 'transistor below', board: null, part: null }), 'legs:channel:eyes:1')).toEqual([
      'minus: board minus → channel:eyes:1 minus',
    ]);
    expect(coresOf(withWay({ way: 'transistor above', board: null, part: null }), 'legs:channel:eyes:1')).toEqual([
      'pack plus: board plus in → channel:eyes:1 plus',
    ]);
  });
});

describe('how a group is led', () => {
  const led = (change: Partial<Light>, count = 3): Design =>
    circuitOf([lights(count, { switchedBy: { way: 'always on' }, ...change }), pack]);
  it('on a bus from light to light: each core begins where it ended before', () => {
    expect(coresOf(led({ wiring: 'bus' }), 'light:eyes:p2')).toEqual([
      'pack plus: resistor:eyes:p1 a → resistor:eyes:p2 a',
      'minus: eyes minus 1 → eyes minus 2',
    ]);
  });
  it('in pairs from the supply each', () => {
    expect(coresOf(led({ wiring: 'pair' }), 'light:eyes:p2')).toEqual([
      'pack plus: pack plus → resistor:eyes:p2 a',
      'minus: pack minus → eyes minus 2',
    ]);
  });
  it('with the resistor at the source, its own core runs on from there', () => {
    const design = led({ wiring: 'pair', resistorAt: 'source' });
    expect(coresOf(design, 'light:eyes:p2')[0]).toMatch(/behind its resistor.*: resistor:eyes:p2 b → eyes plus 2$/);
    expect(coresOf(design, 'legs:eyes:p2')).toEqual(['pack plus: pack plus → resistor:eyes:p2 a']);
  });
  it('lights that no board drives hang on one channel, however many the plan says', () => {
    expect(coresOf(led({ wiring: 'bus', channels: 3 }), 'light:eyes:p3')).toEqual([
      'pack plus: resistor:eyes:p2 a → resistor:eyes:p3 a',
      'minus: eyes minus 2 → eyes minus 3',
    ]);
  });
  it('on a driver one behind the other: out at its plus, through each, and back', () => {
    const driver = itemOf('driver', { id: 'driver', name: 'Driver', part: 'driver-20ma', at: at(60) });
    const design = circuitOf([lights(3, { switchedBy: { way: 'driver', by: 'driver', board: null } }), pack, driver]);
    expect(coresOf(design, 'light:eyes:p1')).toEqual(['plus of Driver: driver out plus → eyes plus 1']);
    expect(coresOf(design, 'light:eyes:p2')).toEqual(['from Eyes 1 to Eyes 2: eyes minus 1 → eyes plus 2']);
    expect(coresOf(design, 'light:eyes:p3')).toEqual(['from Eyes 2 to Eyes 3: eyes minus 2 → eyes plus 3']);
    expect(coresOf(design, 'back:eyes:1')).toEqual(['minus of Driver: driver out minus → eyes minus 3']);
    // Each is soldered with one core in and one out: three lights, four cores.
    expect(assess(design).runs.filter((run) => run.id.startsWith('light:') || run.id.startsWith('back:'))).toHaveLength(
      4,
    );
  });
  it('one light on a driver has its pair', () => {
    const driver = itemOf('driver', { id: 'driver', name: 'Driver', part: 'driver-20ma', at: at(60) });
    const design = circuitOf([lights(1, { switchedBy: { way: 'driver', by: 'driver', board: null } }), pack, driver]);
    expect(coresOf(design, 'light:eyes:p1')).toEqual([
      'plus of Driver: driver out plus → eyes plus 1',
      'minus of Driver: driver out minus → eyes minus 1',
    ]);
  });
  it('a tape of three colours that is always lit has all its pads on minus', () => {
    const tape = itemOf('plain tape', {
      id: 'hem',
      name: 'Hem',
      part: 'plain-tape-5v-60-3',
      switchedBy: [{ way: 'always on' }],
      route: [at(60), at(460)],
    });
    const design = circuitOf([tape, pack]);
    expect(coresOf(design, 'feed:hem')).toEqual(['pack plus: pack plus → hem common', 'minus: pack minus → hem red']);
    expect(coresOf(design, 'legs:bridge:feed:hem')).toEqual([
      'minus: hem red → hem green',
      'minus: hem red → hem blue',
    ]);
  });
});

describe('rails', () => {
  it('a linear regulator has one minus, whatever is said of it; a converter may keep its own', () => {
    const behind = (part: string) => {
      const converter = itemOf('converter', { id: 'reg', part, feed: 'pack', minus: 'apart', at: at(50) });
      return assess(circuitOf([pack, converter])).rails.byId.get('reg')?.minusId;
    };
    expect(behind('linear-3v3-0a25')).toBe('common');
    expect(behind('boost-5v-1a5')).toBe('reg');
  });
  it('a load that waits for a controller is told of, not counted in silence', () => {
    const motor = itemOf('load', { id: 'motor', name: 'Motor', switchedBy: { way: 'pin high', board: null } });
    const { needs } = assess(circuitOf([motor, pack]));
    expect(needs.map((need) => need.words)).toContain('a controller for Motor, or a switch by hand');
  });
});

describe('what a wire is soldered to', () => {
  it('ends at the small parts: the resistor before each light, the transistor on its pin', () => {
    const design = withWay({ way: 'transistor below', board: null, part: null });
    const [plus, channel] = assess(design).coreEnds.get('light:eyes:p1') ?? [];
    expect(plus).toEqual({ from: 'Board plus in', to: [ohms(330), ' before Eyes'] });
    expect(channel).toEqual({
      from: expect.stringMatching(/^transistor of Eyes, on pin \d+ of Board$/),
      to: 'Eyes minus 1',
    });
  });
  it('a pin by its number, where the light hangs on it', () => {
    const [channel] = assess(withWay({ way: 'pin high', board: null })).coreEnds.get('light:eyes:p1') ?? [];
    expect(channel?.from).toMatch(/^pin \d+ of Board$/);
  });
});
