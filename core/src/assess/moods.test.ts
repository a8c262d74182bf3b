import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { demoPlan, ledsOf, moodOf, planOf, soundDesign, soundSimple, tapeOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { startSimulated } from '../bench/index.ts';
import { fingerprint, writeMoodCard } from '../exports/index.ts';
import { exposedShare } from '../lights/index.ts';
import { firstRail, mapMoods, offerMoods, traceCurrent } from '../motion/index.ts';
import { sayMove } from '../moves/index.ts';
import { type Control, type Design, listOccasions, type Mood, occasionsOf, type Plan, sayWhen } from '../plan/index.ts';
import { readPlan } from '../plan/reading.ts';
import { usualPrinter } from '../units/index.ts';

const reef: Plan = JSON.parse(
  readFileSync(new URL('../../../demo/reef-reliquary.glimmer.json', import.meta.url), 'utf8'),
);
const at = { xMm: 0, yMm: 0 };

describe('the current of a mood', () => {
  // Its votives hang on a cell of their own, which no program sees.
  const without = ['votives', 'coin', 'wick'];
  const grid = {
    ...reef,
    design: { ...reef.design, items: reef.design.items.filter(({ id }) => !without.includes(id)) },
  };
  it.each([demoPlan(), grid])('the mean of its frames is what the night is run with: $name', ({ design }) => {
    const { show, limit, moods } = assess(design);
    moods.forEach((mood, i) => {
      if (mood.limited) return;
      // Each column is the highest of its frames, so that many short ones come to the mean.
      const trace = traceCurrent(show, i, firstRail(limit), { spanMs: 120_000, columns: 6000 });
      const mean = trace.reduce((sum, currentA) => sum + currentA, 0) / trace.length;
      expect(Math.abs(mean / mood.meanA - 1)).toBeLessThan(0.03);
    });
  });
  it('what the limiter cuts is no more than the supply bears, and not less than without it where it never acts', () => {
    const { design } = demoPlan();
    const strike = design.moods.list.find((mood) => mood.name === 'Strike');
    const bright = (brightness: number) => {
      const list = design.moods.list.map((mood) => (mood === strike ? { ...mood, brightness } : mood));
      const assessed = assess({ ...design, moods: { ...design.moods, list } });
      return {
        mood: assessed.moods.find((mood) => mood.name === 'Strike'),
        limitA: firstRail(assessed.limit).limitMicroA / 1e6,
      };
    };
    const [dim, full] = [bright(0.2), bright(1)];
    expect(dim.mood?.limited).toBeNull();
    expect(full.mood?.limited?.peakA).toBeLessThanOrEqual(full.limitA);
    expect(full.mood?.limited?.meanA).toBeGreaterThan(full.limitA * 0.95);
  });
});

describe('pins of single lights', () => {
  /** Two moods of one light, full and dark, with a button that goes from one to the other. */
  const blinking = (fadeS: number, change: Partial<Mood> = {}): Design =>
    soundDesign({
      tapes: [],
      leds: [ledsOf()],
      moods: {
        ...soundDesign().moods,
        list: [
          moodOf({ brightness: 1, moves: { leds: { kind: 'steady', colour: '#ffffff', level: 1 } }, ...change }),
          moodOf({ id: 'dark', name: 'Dark', brightness: 1, moves: {} }),
        ],
        cues: [{ id: 'c', from: null, when: { kind: 'button', controlId: 'b' }, to: 'dark', fadeS, backAfterS: 2 }],
      },
      drive: { ...soundSimple.drive, controls: [{ kind: 'button', id: 'b', name: 'Button', at }] },
    });
  const needs = (design: Design) =>
    assess(design).pins[0]?.plan.given.find(({ demand }) => demand.id === 'channel:leds:1')?.demand.needs;
  it('one that is only ever dark or full may hang on a pin that only switches', () => {
    const design = blinking(0);
    expect(needs(design)).toBe('out');
    const { answer } = startSimulated(design, assess(design), '');
    const seen = new Set<string>();
    for (let nowMs = 0; nowMs < 9000; nowMs += 50) {
      if (nowMs % 4000 === 1000) answer(`close 0 ${nowMs}`);
      if (nowMs % 4000 === 1200) answer(`open 0 ${nowMs}`);
      const light = answer(`frame ${nowMs}`).slice(0, 2);
      // In the first half second everything comes up softly; such a pin comes on in the middle of it.
      if (nowMs > 600) seen.add(light);
    }
    expect([...seen].sort()).toEqual(['00', 'ff']);
  });
  it('one that is ever seen between needs a pin that dims: dimmed, moving softly, or fading from mood to mood', () => {
    expect(needs(blinking(0.5))).toBe('dimmed');
    expect(needs(blinking(0, { fadeOutS: 1 }))).toBe('dimmed');
    expect(needs(blinking(0, { brightness: 0.5 }))).toBe('dimmed');
    const breath = { kind: 'breathe', colour: '#ffffff', periodS: 2, low: 0, high: 1 } as const;
    expect(needs(blinking(0, { moves: { leds: breath } }))).toBe('dimmed');
  });
});

describe('copies in step', () => {
  const copies = (change: Parameters<typeof soundDesign>[0]): Design => {
    const base = soundDesign({ ...change, piece: { ...soundDesign().piece, copies: 2 } });
    const move = { kind: 'breathe', colour: '#ffffff', periodS: 2.4, low: 0, high: 1 } as const;
    return { ...base, moods: { ...base.moods, ...change?.moods, list: [moodOf({ moves: { tape: move } })] } };
  };
  it('0.4 % of 2.4 s: a whole round apart after ten minutes', () => {
    const step = assess(copies({})).copiesInStep;
    expect(step?.roundApartAfterS).toBeCloseTo(600, 9);
    expect(step?.seenApartAfterS).toBeCloseTo(25, 9);
    expect(step?.toggle).toBeNull();
  });
  it('a key that changes over: alike after 20 presses with 0.561', () => {
    const remote = { kind: 'remote', id: 'r', name: 'Remote', at, output: 'latched' } as const;
    const step = assess(copies({ drive: { ...soundSimple.drive, controls: [remote] } })).copiesInStep;
    expect(step?.toggle?.inStep).toBeCloseTo(0.561, 3);
  });
  it('one piece alone has no one to be in step with', () => {
    expect(assess(soundDesign()).copiesInStep).toBeNull();
  });
});

describe('the loop', () => {
  it('488 pixels: 14.94 ms to send, and the loop keeps whole ticks', () => {
    const loop = assess(
      soundDesign({
        drive: { ...soundSimple.drive, controller: 'controller-radio-3v3' },
        tapes: [tapeOf({ lengthMm: (488 * 1000) / 74 + 0.5 })],
      }),
    ).programs[0]?.loop;
    expect((loop?.sendS ?? 0) * 1000).toBeCloseTo(14.94, 2);
    expect(1 / (loop?.framesPerS ?? 1) / 0.016).toBeCloseTo(1, 9);
    expect(loop?.longestWaitS).toBeGreaterThan(2 / (loop?.framesPerS ?? 1));
  });
});

describe('moods that fit', () => {
  const offersOf = (design: Design): string[] => {
    const { placed, movables } = assess(design);
    return offerMoods(placed, movables).map((offer) => offer.name);
  };
  it('only what the lights can show is offered', () => {
    expect(offersOf(soundDesign({ tapes: [], leds: [] }))).toEqual([]);
    const one = offersOf(soundDesign({ tapes: [], leds: [ledsOf()] }));
    expect(one).toContain('Hearth');
    for (const name of ['On the prowl', 'Night sky', 'Tide', 'Reef']) expect(one).not.toContain(name);
    expect(offersOf(soundDesign())).toEqual(expect.arrayContaining(['On the prowl', 'Night sky', 'Tide']));
    expect(offersOf(reef.design)).toContain('Reef');
  });
  it.each([soundDesign(), reef.design, soundDesign({ tapes: [], leds: [ledsOf()] })])(
    'each can be taken: the plan stays sound, and every mood of a row is reached',
    (design) => {
      const { placed, movables } = assess(design);
      for (const offer of offerMoods(placed, movables)) {
        const list = offer.moods.map((mood, i) => ({ id: `m${i}`, ...mood }));
        const cues = offer.ways.map((way, i) => ({
          id: `c${i}`,
          from: `m${way.from}`,
          when: way.when,
          to: `m${way.to}`,
          fadeS: 0,
          backAfterS: null,
        }));
        const taken = {
          ...design,
          view: { ...design.view, picture: { kind: 'none' as const } },
          moods: { list, startId: 'm0', cues, course: [], cueUses: [] },
        };
        const read = readPlan(planOf(taken));
        expect(read.ok ? [] : read.problems).toEqual([]);
        expect(mapMoods(assess(taken).show).reached.every(Boolean)).toBe(true);
      }
    },
  );
});

describe('in words', () => {
  it('every occasion of every control can be said and is its own', () => {
    const words = listOccasions(reef.design).map((each) => each.words);
    expect(new Set(words).size).toBe(words.length);
    for (const { when } of listOccasions(reef.design))
      expect(usualPrinter.message(sayWhen(reef.design, when)).length).toBeGreaterThan(8);
    expect(sayWhen(reef.design, { kind: 'dark', controlId: 'lid' })).toContain('can’t give');
  });
  it('a switch that latches is not held and not pressed twice; a key is', () => {
    const kinds = (control: Control): string[] => occasionsOf(control).map((each) => each.when.kind);
    expect(kinds({ kind: 'latching switch', id: 'a', name: 'A', at, board: null })).toEqual([
      'button',
      'opened',
      'while',
    ]);
    expect(kinds({ kind: 'remote', id: 'a', name: 'A', at, board: null, output: 'held' })).toContain('double');
    expect(kinds({ kind: 'charge sense', id: 'a', name: 'A', at, board: null, of: null, lowV: 3, settleS: 5 })).toEqual(
      ['low'],
    );
  });
  it('the card tells moods with their draw, cues, signs and the mark', () => {
    const card = writeMoodCard(reef, assess(reef.design), usualPrinter);
    expect(card).toContain(`Mark ${fingerprint(reef.design)}`);
    expect(card).toMatch(/Night reef \(at the start\), draws [\d.]+ mA/);
    expect(card).toContain('1. In any mood, when Lid is on, for as long as it is: Offering over 1.50 s, and back');
    expect(card).toMatch(/SIGNS\nCharge low, by Charge/);
    for (const mood of reef.design.moods.list)
      for (const move of Object.values(mood.moves)) expect(card).toContain(usualPrinter.message(sayMove(move)));
  });
});

describe('the simulated controller', () => {
  it('answers as a board does, and says what it takes', () => {
    const controller = startSimulated(reef.design, assess(reef.design), '');
    expect(controller.answer('frame 0')).toBe(`${'00'.repeat(64)} Night reef`);
    expect(controller.answer('close 0 1000')).toBe('Offering');
    expect(controller.answer('open 0 2000')).toBe('Night reef');
    for (const bad of ['', 'frame', 'frame -1', 'close 0', 'code 1 2', 'sing 1 2', 'frame 1.5'])
      expect(controller.answer(bad)).toMatch(/^frame T, loop T, close C T/);
  });
});

describe('a camera', () => {
  it('catches what a sum over small steps catches', () => {
    for (const [d, f, t, e] of [
      [0.3, 430, 0.0003, 0.001],
      [0.07, 430, 0.0121, 0.004],
      [0.5, 977, 0.5, 0.02],
      [1, 430, 0, 0.001],
    ] as const) {
      const steps = 200_000;
      let on = 0;
      for (let i = 0; i < steps; i += 1) if (((t + ((i + 0.5) * e) / steps) * f) % 1 < d) on += 1;
      expect(exposedShare.reckon({ d, f, t, e })).toBeCloseTo(on / steps, 3);
    }
  });
  it('long against the period it comes to the level itself', () => {
    expect(exposedShare.reckon({ d: 0.37, f: 430, t: 0.001, e: 1 })).toBeCloseTo(0.37, 2);
  });
});
