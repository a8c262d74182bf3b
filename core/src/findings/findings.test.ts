import { describe, expect, it } from 'vitest';
import {
  allDemos,
  demoPlan,
  ledsOf,
  moodOf,
  planOf,
  type Simple,
  soundDesign,
  soundSimple,
  tapeOf,
} from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { listSteps } from '../bench/index.ts';
import type { Finding } from '../items/index.ts';
import { applyEdits, type Design, emptyDesign } from '../plan/index.ts';
import { readPlan } from '../plan/reading.ts';
import { say, usualPrinter } from '../units/index.ts';
import { checkDesign, isOpen, listStageStates, listWishes } from './index.ts';

const check = (design: Design): Finding[] => checkDesign(design, assess(design));
const open = (design: Design): Finding[] => check(design).filter(isOpen);
const sound = soundDesign();
const withPower = (change: Partial<Simple['power']>): Design =>
  soundDesign({ power: { ...soundSimple.power, ...change } });
const withDrive = (change: Partial<Simple['drive']>): Design =>
  soundDesign({ drive: { ...soundSimple.drive, ...change } });
const withMoods = (list: Design['moods']['list'], change: Partial<Design['moods']> = {}): Design =>
  soundDesign({ moods: { ...sound.moods, list, startId: list[0]?.id ?? null, ...change } });
const bore = { id: 'bore', name: 'Bore', kind: 'bore' as const, at: { xMm: 0, yMm: 0 }, diameterMm: 4, depthMm: 20 };
const inBore = (part: string): Design =>
  soundDesign({
    hollows: [bore],
    leds: [ledsOf({ part, places: [{ id: 'a', at: { xMm: 0, yMm: 0 }, hollowId: 'bore' }] })],
  });
const manyPlaces = (count: number) =>
  Array.from({ length: count }, (_, i) => ({ id: `p${i}`, at: { xMm: i, yMm: 0 }, hollowId: null }));

/** Each rule with a plan that sets it off: the id of its finding, how grave, and whether a click mends it. */
const cases: readonly (readonly [id: string, gravity: Finding['gravity'], design: Design, fixable: boolean])[] = [
  [
    'flash:mood:tape',
    'stop',
    withMoods([
      moodOf({
        moves: { tape: { kind: 'shots', colour: '#ffffff', count: 5, onS: 0.05, offS: 0.1, pauseS: 3, level: 1 } },
      }),
    ]),
    true,
  ],
  [
    'flash:mood:tape',
    'stop',
    withMoods([
      moodOf({
        moves: { tape: { kind: 'drift', colour: '#ffffff', second: '#000000', periodS: 0.2, wave: 0, level: 1 } },
      }),
    ]),
    true,
  ],
  [
    'cant-travel:mood:leds',
    'mend',
    soundDesign({
      leds: [ledsOf({ channels: 1, places: manyPlaces(3) })],
      moods: {
        ...sound.moods,
        list: [moodOf({ moves: { leds: { kind: 'sweep', colour: '#ffffff', periodS: 2, tail: 2, level: 1 } } })],
        startId: 'mood',
      },
    }),
    true,
  ],
  [
    'converter-input-high:converter',
    'stop',
    withPower({ pack: 'pack-three-lithium-round', converter: 'boost-5v-1a5' }),
    false,
  ],
  [
    'bank-sleeps:pack',
    'mend',
    soundDesign({
      tapes: [tapeOf({ lengthMm: 60 })],
      moods: { ...sound.moods, list: [moodOf({ brightness: 0.1 })] },
      power: { ...soundSimple.power, pack: 'pack-bank-5000', converter: null },
    }),
    false,
  ],
  ['fit:leds:a', 'mend', inBore('led-3mm-amber'), true],
  [
    'fit:tape',
    'mend',
    soundDesign({
      hollows: [{ id: 'c', name: 'C', kind: 'channel', at: { xMm: 0, yMm: 0 }, widthMm: 7, depthMm: 4 }],
      tapes: [tapeOf({ channelId: 'c' })],
    }),
    true,
  ],
  ['empty:tape', 'mend', soundDesign({ tapes: [tapeOf({ route: [] })] }), false],
  [
    'mixed-line:behind',
    'stop',
    soundDesign({
      tapes: [tapeOf(), tapeOf({ id: 'behind', name: 'Behind', part: 'pixel-tape-60-rgbw', after: 'tape' })],
    }),
    true,
  ],
  // Four hundred on one channel: more than the strongest transistor that a 5 V pin switches bears.
  [
    'switch-load:leds:0',
    'stop',
    soundDesign({
      leds: [
        ledsOf({
          part: 'led-5mm-warm-white',
          wantedCurrentA: 1,
          resistorOhm: 1,
          drivenBy: 'transistor',
          places: manyPlaces(400),
        }),
      ],
    }),
    false,
  ],
  ['unplaced:leds', 'mend', soundDesign({ leds: [ledsOf({ places: [] })] }), false],
  [
    'head-room:leds',
    'stop',
    soundDesign({
      leds: [ledsOf({ part: 'led-5mm-white', wantedCurrentA: 0.015, drivenBy: 'pin' })],
      drive: { ...soundSimple.drive, controller: 'controller-radio-3v3', levelShifter: true },
    }),
    false,
  ],
  [
    'head-room:leds',
    'mend',
    soundDesign({
      tapes: [],
      leds: [ledsOf({ part: 'led-5mm-white', drivenBy: 'transistor' })],
      drive: { ...soundSimple.drive, controller: 'controller-small-5v' },
      power: { ...soundSimple.power, converter: null },
      moods: { ...sound.moods, list: [moodOf({ moves: {} })] },
    }),
    true,
  ],
  ['over-rating:leds', 'stop', soundDesign({ leds: [ledsOf({ resistorOhm: 10, drivenBy: 'transistor' })] }), true],
  [
    'resistor-power:leds',
    'mend',
    soundDesign({ leds: [ledsOf({ wantedCurrentA: 0.015, resistorRatedW: 0.0625 })] }),
    true,
  ],
  [
    'pin-load:leds',
    'stop',
    soundDesign({ leds: [ledsOf({ drivenBy: 'pin', places: manyPlaces(3), wantedCurrentA: 0.012 })] }),
    true,
  ],
  ['chip-load:board', 'stop', withDriveAndLeds(), true],
  [
    'no-pins:board',
    'stop',
    soundDesign({
      leds: [ledsOf({ channels: 6, places: manyPlaces(6) })],
      drive: { ...soundSimple.drive, controller: 'controller-small-5v' },
      moods: {
        ...sound.moods,
        list: [moodOf({ moves: { leds: { kind: 'breathe', colour: '#ffffff', periodS: 2, low: 0, high: 1 } } })],
      },
    }),
    false,
  ],
  ['data-level:tape', 'mend', withDrive({ controller: 'controller-radio-3v3' }), true],
  ['data-resistor:tape', 'mend', withDrive({ dataResistorOhm: null }), true],
  ['reservoir:tape', 'mend', withPower({ reservoirUf: null }), true],
  [
    'memory:board',
    'stop',
    soundDesign({
      tapes: [tapeOf({ lengthMm: 8000 })],
      moods: { ...sound.moods, list: [moodOf({ brightness: 0.01 })] },
    }),
    true,
  ],
  [
    'ceiling:mood',
    'stop',
    soundDesign({
      tapes: [tapeOf({ lengthMm: 900 })],
      moods: { ...sound.moods, list: [moodOf({ brightness: 0.9 })] },
      power: { ...soundSimple.power, fuseA: 5, switch: 'switch-rocker-6a', plug: 'plug-2way-10a' },
    }),
    true,
  ],
  ['link:switch:switch', 'stop', withPower({ switch: 'switch-slide-0a3' }), true],
  [
    'link:plug:pack',
    'stop',
    soundDesign({
      moods: { ...sound.moods, list: [moodOf({ brightness: 0.9 })] },
      power: { ...soundSimple.power, plug: 'plug-2way-1a' },
    }),
    true,
  ],
  ['link:fuse:pack', 'stop', withPower({ fuseA: 0.25 }), true],
  ['runs-short', 'mend', soundDesign({ piece: { ...soundSimple.piece, hoursWanted: 20 } }), true],
  ['no-fuse:pack', 'stop', withPower({ fuseA: null }), true],
  ['fuse-large:pack', 'stop', withPower({ fuseA: 10 }), true],
  ['no-switch:pack', 'mend', withPower({ switch: null }), true],
  ['rail-low:board', 'stop', withPower({ converter: null }), true],
  [
    'tape-low',
    'mend',
    soundDesign({
      tapes: [tapeOf({ lengthMm: 4000 })],
      power: { ...soundSimple.power, converter: 'boost-5v-3a' },
      moods: { ...sound.moods, list: [moodOf({ brightness: 0.55 })] },
    }),
    false,
  ],
  ['charge-and-use:pack', 'stop', withPower({ charging: 'in place, while it runs' }), true],
  [
    'charge-primary:pack',
    'stop',
    withPower({ pack: 'pack-three-aa-alkaline', charging: 'in place, switched off' }),
    true,
  ],
  ['cell-on-body:pack', 'stop', withPower({ nextToBody: true, housing: 'soft pouch' }), true],
  ['child-reach:pack', 'stop', soundDesign({ piece: { ...soundSimple.piece, carriedBy: 'child' } }), true],
  [
    'wire:feed:tape',
    'stop',
    soundDesign({
      wires: { ...soundSimple.wires, runs: [{ runId: 'feed:tape', lengthMm: null, gaugeAwg: 34, colours: null }] },
    }),
    true,
  ],
  [
    'flash:mood:tape',
    'stop',
    withMoods([
      moodOf({
        brightness: 0.2,
        moves: { tape: { kind: 'breathe', colour: '#ffffff', periodS: 0.25, low: 0, high: 1 } },
      }),
    ]),
    true,
  ],
  ['lights-itself', 'mend', soundDesign({ piece: { ...soundSimple.piece, lightsItself: true } }), false],
];

function withDriveAndLeds(): Design {
  const leds = [0, 1, 2, 3, 4].map((i) =>
    ledsOf({ id: `l${i}`, name: `L${i}`, wantedCurrentA: 0.014, drivenBy: 'pin' }),
  );
  return soundDesign({
    tapes: [],
    leds,
    drive: { ...soundSimple.drive, controller: 'controller-small-5v' },
    moods: { ...sound.moods, list: [moodOf({ moves: {} })] },
  });
}

describe('each rule', () => {
  it.each(cases)('%s (%s)', (id, gravity, design, fixable) => {
    // The sound design has it not, so the trigger is what set it off.
    expect(check(sound).some((finding) => finding.id === id)).toBe(false);
    const finding = check(design).find((each) => each.id === id);
    expect(
      finding,
      check(design)
        .map((each) => each.id)
        .join(' '),
    ).toBeDefined();
    expect(finding?.gravity).toBe(gravity);
    expect(finding?.fixes.length ?? 0).toBeGreaterThanOrEqual(fixable ? 1 : 0);
    for (const text of [finding?.what, finding?.why, finding?.mend])
      expect(usualPrinter.message(text ?? '').length).toBeGreaterThan(8);
  });

  it.each(cases.filter(([, , , fixable]) => fixable))(
    '%s is gone after each mend it offers, and the plan stays readable',
    (id, _gravity, design) => {
      for (const fix of check(design).find((each) => each.id === id)?.fixes ?? []) {
        const mended = applyEdits(design, fix.edits);
        expect(readPlan(planOf(mended)).ok, usualPrinter.message(fix.label)).toBe(true);
        expect(
          check(mended).some((finding) => finding.id === id),
          usualPrinter.message(
            say`${fix.label}: ${check(mended).find((finding) => finding.id === id)?.what ?? 'gone'}`,
          ),
        ).toBe(false);
      }
    },
  );
});

describe('as a whole', () => {
  it('a sound design has nothing to mend', () => {
    expect(open(sound).map((finding) => finding.id)).toEqual([]);
  });
  it('the demo has two things to mend, and none after the first mend of each', () => {
    let { design } = demoPlan();
    expect(open(design).map((finding) => finding.id)).toEqual(['ceiling:strike', 'fit:eyes:l']);
    for (let round = 0; round < 4 && open(design).length > 0; round += 1)
      design = applyEdits(design, open(design)[0]?.fixes[0]?.edits ?? []);
    expect(open(design)).toEqual([]);
    expect(listWishes(design, assess(design)).every((wish) => wish.status === 'met')).toBe(true);
  });
  it('a clean piece of 3 Hz is not a finding, 4 Hz is', () => {
    const breath = (periodS: number): Design =>
      withMoods([
        moodOf({ brightness: 0.2, moves: { tape: { kind: 'breathe', colour: '#ffffff', periodS, low: 0, high: 1 } } }),
      ]);
    expect(open(breath(1 / 3)).some((finding) => finding.id.startsWith('flash'))).toBe(false);
    expect(open(breath(0.25)).some((finding) => finding.id.startsWith('flash'))).toBe(true);
  });
  it('coin and small cells with a screwed lid are designed out, and so is a case around the cell', () => {
    const child = soundDesign({
      piece: { ...soundSimple.piece, carriedBy: 'child' },
      power: { ...soundSimple.power, lockedLid: true, nextToBody: true },
    });
    expect(open(child)).toEqual([]);
  });
  it('the gravest stand first, and ids are never twice', () => {
    const found = check(soundDesign({ power: { ...soundSimple.power, fuseA: null, switch: null, reservoirUf: null } }));
    expect(new Set(found.map((finding) => finding.id)).size).toBe(found.length);
    const order = found.map((finding) => ['stop', 'mend', 'mind'].indexOf(finding.gravity));
    expect(order).toEqual([...order].sort((a, b) => a - b));
  });
  it('cautions come only with their trigger', () => {
    const ids = (design: Design): string[] =>
      check(design)
        .filter((finding) => finding.gravity === 'mind')
        .map((finding) => finding.id);
    expect(ids(sound)).toContain('caution-lithium');
    expect(ids(withPower({ pack: 'pack-three-aa-nimh' }))).not.toContain('caution-lithium');
    expect(ids(soundDesign({ piece: { ...soundSimple.piece, kind: 'mask' } }))).toContain('caution-sight');
    expect(ids(soundDesign({ piece: { ...soundSimple.piece, kind: 'mask', carriedBy: 'nobody' } }))).not.toContain(
      'caution-sight',
    );
    expect(ids(soundDesign({ piece: { ...soundSimple.piece, setting: 'rain' } }))).toContain('caution-water');
  });
});

describe('wishes and beads follow from the plan alone', () => {
  it('hours wanted are met by a pack and open again with a smaller one', () => {
    const status = (design: Design): string | undefined =>
      listWishes(design, assess(design)).find((wish) => wish.id === 'hours')?.status;
    expect(status(sound)).toBe('met');
    expect(status(withPower({ capacityMah: { likely: 300, spread: 20, origin: 'measured' } }))).toBe('open');
    expect(status(withPower({ pack: null }))).toBe('undecided');
  });
  it('a piece that runs without a program is not asked never to reset; an empty plan and one with a controller are', () => {
    const asked = (design: Design): boolean => listWishes(design, assess(design)).some(({ id }) => id === 'steady');
    const named = (part: string): Design => allDemos().find(([name]) => name.startsWith(part))?.[1].design ?? sound;
    expect([named('Mooring'), named('Harbour beacon, by a gate'), named('Bandstand')].map(asked)).toEqual([
      false,
      false,
      false,
    ]);
    expect([emptyDesign, sound, named('Kelp')].map(asked)).toEqual([true, true, true]);
    // And its run test is of what it does, not of moods that it has not got.
    const run = (design: Design) => listSteps(design, assess(design)).find(({ id }) => id === 'run-down')?.todo;
    expect(run(named('Mooring'))).toMatch(/lit as it will be/);
    expect(run(named('Kelp'))).toMatch(/the evening’s moods/);
  });
  it('a bead is unlit, open or lit', () => {
    const plan = planOf(sound);
    expect(listStageStates(plan, check(sound), 3)).toMatchObject({
      piece: 'untouched',
      lights: 'settled',
      power: 'settled',
      bench: 'untouched',
      logbook: 'untouched',
    });
    const broken = withPower({ fuseA: null });
    expect(listStageStates(planOf(broken), check(broken), 3).power).toBe('open');
    expect(
      listStageStates({ ...plan, bench: { readings: [], done: [{ stepId: 'x', at: '2026-01-01T00:00:00Z' }] } }, [], 3)
        .bench,
    ).toBe('open');
  });
});
