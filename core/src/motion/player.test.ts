import { describe, expect, it } from 'vitest';
import { moodOf, soundDesign } from '../../tests/designs.ts';
import { showFrom } from '../../tests/shows.ts';
import type { Control, Cue, Mood } from '../plan/index.ts';
import {
  crossFade,
  fadeShares,
  mapMoods,
  type PlayerState,
  paintNow,
  passTime,
  type Show,
  START_MS,
  sense,
  startPlayer,
  touch,
} from './index.ts';

const at = { xMm: 0, yMm: 0 };
const button: Control = { kind: 'button', id: 'b', name: 'B', at, board: null };
const room: Control = {
  kind: 'light sensor',
  id: 'r',
  name: 'Room',
  at,
  board: null,
  darkOhm: 180_000,
  lightOhm: 2400,
};
const names = ['one', 'two', 'three'] as const;

const cue = (when: Cue['when'], change: Partial<Cue> = {}): Cue => ({
  id: `c${JSON.stringify(when).length}${change.to ?? ''}`,
  from: null,
  when,
  to: 'two',
  fadeS: 0,
  backAfterS: null,
  ...change,
});

function showOf(cues: readonly Cue[], moods: Readonly<Partial<Record<string, Partial<Mood>>>> = {}): Show {
  const design = soundDesign({
    moods: {
      list: names.map((id) => moodOf({ id, name: id, ...moods[id] })),
      startId: 'one',
      cues: [...cues],
      course: [],
      cueUses: [],
    },
  });
  const withControls = { ...design, items: [...design.items, button, room] };
  return showFrom(withControls);
}

/** What is seen of a state at a time. */
function paint(show: Show, state: PlayerState, nowMs: number): Uint8Array {
  const out = new Uint8Array(show.frameBytes);
  paintNow({ show, state, nowMs, out, scratch: new Uint8Array(show.frameBytes) });
  return out;
}

/** Lets time pass in steps of 10 ms, as a loop would. */
function run(show: Show, state: PlayerState, fromMs: number, toMs: number): PlayerState {
  let now = state;
  for (let ms = fromMs; ms <= toMs; ms += 10) now = passTime(show, now, ms);
  return now;
}
const mood = (state: PlayerState): string => names[state.mood] ?? 'dark';
const press = (show: Show, state: PlayerState, fromMs: number, toMs: number): PlayerState => {
  const closed = run(show, touch(show, state, 0, true, fromMs), fromMs, toMs - 10);
  return touch(show, closed, 0, false, toMs);
};

describe('a button', () => {
  const byButton = { kind: 'button', controlId: 'b' } as const;
  it('goes to another mood at once, and back after its time', () => {
    const show = showOf([cue(byButton, { backAfterS: 4 })]);
    const pressed = touch(show, startPlayer(show), 0, true, 1000);
    expect(mood(pressed)).toBe('two');
    expect(mood(run(show, pressed, 1000, 4990))).toBe('two');
    expect(mood(run(show, pressed, 1000, 5000))).toBe('one');
  });
  it('does nothing for a cue of another mood, nor when it only stays as it is', () => {
    const show = showOf([cue(byButton, { from: 'two', to: 'one' })]);
    const start = startPlayer(show);
    expect(mood(touch(show, start, 0, true, 0))).toBe('one');
    expect(touch(show, start, 0, false, 0)).toBe(start);
    expect(touch(show, start, 7, true, 0)).toBe(start);
  });
  it('two cues of any mood make it change over and back', () => {
    const show = showOf([cue(byButton, { to: 'two' }), cue(byButton, { to: 'one' })]);
    let state = press(show, startPlayer(show), 0, 50);
    expect(mood(state)).toBe('two');
    state = press(show, state, 500, 550);
    expect(mood(state)).toBe('one');
  });
  it('held long enough it is a long press, and then no short one', () => {
    const show = showOf([
      cue(byButton, { to: 'two' }),
      cue({ kind: 'held', controlId: 'b', holdS: 1 }, { to: 'three' }),
    ]);
    expect(mood(press(show, startPlayer(show), 0, 500))).toBe('two');
    const held = run(show, touch(show, startPlayer(show), 0, true, 0), 0, 990);
    expect(mood(held)).toBe('one');
    const longer = run(show, held, 1000, 1500);
    expect(mood(longer)).toBe('three');
    expect(mood(touch(show, longer, 0, false, 1600))).toBe('three');
  });
  it('two quick presses are a double one; a single one shows itself when no second came', () => {
    const show = showOf([cue(byButton, { to: 'two' }), cue({ kind: 'double', controlId: 'b' }, { to: 'three' })]);
    const once = press(show, startPlayer(show), 0, 60);
    expect(mood(once)).toBe('one');
    expect(mood(run(show, once, 70, 450))).toBe('one');
    expect(mood(run(show, once, 70, 470))).toBe('two');
    expect(mood(press(show, run(show, once, 70, 250), 260, 320))).toBe('three');
  });
  it('while held: from closing to opening, then back', () => {
    const show = showOf([cue({ kind: 'while', controlId: 'b' })]);
    const held = run(show, touch(show, startPlayer(show), 0, true, 100), 100, 9000);
    expect(mood(held)).toBe('two');
    expect(mood(touch(show, held, 0, false, 9001))).toBe('one');
  });
  it('let go: the cue comes when the contact opens', () => {
    const show = showOf([cue({ kind: 'opened', controlId: 'b' })]);
    const closed = touch(show, startPlayer(show), 0, true, 0);
    expect(mood(closed)).toBe('one');
    expect(mood(touch(show, closed, 0, false, 300))).toBe('two');
  });
});

describe('a sensor', () => {
  it('acts on its two thresholds only: between them nothing changes', () => {
    const show = showOf([
      cue({ kind: 'dark', controlId: 'r' }, { to: 'two' }),
      cue({ kind: 'light', controlId: 'r' }, { to: 'one' }),
    ]);
    // Eight bits without a controller: dark below 85, light above 170.
    let state = sense(show, startPlayer(show), 1, 86, 0);
    expect(mood(state)).toBe('one');
    state = sense(show, state, 1, 84, 10);
    expect(mood(state)).toBe('two');
    for (const code of [90, 130, 170]) state = sense(show, state, 1, code, 20);
    expect(mood(state)).toBe('two');
    expect(mood(sense(show, state, 1, 171, 30))).toBe('one');
  });
  it('waits for its settling time: a sag that ends in time does not trip it, one that lasts does', () => {
    const plain = showOf([cue({ kind: 'dark', controlId: 'r' })]);
    const show: Show = {
      ...plain,
      controls: plain.controls.map((control) =>
        control.sensing ? { ...control, sensing: { ...control.sensing, settleMs: 8000 } } : control,
      ),
    };
    let state = startPlayer(show);
    for (let ms = 0; ms < 7900; ms += 100) state = sense(show, state, 1, 20, ms);
    state = sense(show, state, 1, 90, 7900);
    for (let ms = 8000; ms < 15_900; ms += 100) state = sense(show, state, 1, 20, ms);
    expect(mood(state)).toBe('one');
    state = sense(show, state, 1, 20, 16_000);
    expect(mood(state)).toBe('two');
  });
  it('does not tremble: a reading next to the last changes nothing that is shown', () => {
    const show = showOf([]);
    let state = sense(show, startPlayer(show), 1, 128, 0);
    const shown = new Set<number | undefined>();
    for (let i = 0; i < 50; i += 1) {
      state = sense(show, state, 1, 128 + ((i * 7) % 7) - 3, i * 10);
      shown.add(state.controls[1]?.level);
    }
    expect([...shown]).toEqual([128]);
    expect(sense(show, state, 1, 255, 1000).controls[1]?.level).toBe(255);
    expect(sense(show, state, 1, 0, 1000).controls[1]?.level).toBe(0);
  });
  it('gives a level from nothing to full, whichever way its codes run', () => {
    const show = showOf([]);
    const level = (code: number): number | undefined => sense(show, startPlayer(show), 1, code, 0).controls[1]?.level;
    expect([0, 51, 255].map(level)).toEqual([0, 51, 255]);
  });
});

describe('cues by themselves', () => {
  it('after a time, from the moment the mood began', () => {
    const show = showOf([cue({ kind: 'after', afterS: 3 })]);
    expect(passTime(show, startPlayer(show), 3400)).toMatchObject({ mood: 1, sinceMs: 3000 });
  });
  it('when the mood has run through once: its slowest move', () => {
    const show = showOf([cue({ kind: 'through' }, { from: 'one' })], {
      one: { moves: { tape: { kind: 'build-up', colour: '#ffffff', riseS: 6, low: 0, level: 1 } } },
    });
    expect(mood(passTime(show, startPlayer(show), 5999))).toBe('one');
    expect(passTime(show, startPlayer(show), 6000)).toMatchObject({ mood: 1, sinceMs: 6000 });
  });
  it('at random: always between the two times, not always the same, and the same again from the start', () => {
    const show = showOf([
      cue({ kind: 'random', leastS: 1, mostS: 3 }, { from: 'one', to: 'two' }),
      cue({ kind: 'random', leastS: 1, mostS: 3 }, { from: 'two', to: 'one' }),
    ]);
    const stays = (): number[] => {
      const lengths: number[] = [];
      let state = startPlayer(show);
      for (let ms = 0; lengths.length < 40; ms += 10) {
        const next = passTime(show, state, ms);
        if (next.mood !== state.mood) lengths.push(next.sinceMs - state.sinceMs);
        state = next;
      }
      return lengths;
    };
    const lengths = stays();
    expect(Math.min(...lengths)).toBeGreaterThanOrEqual(1000);
    expect(Math.max(...lengths)).toBeLessThanOrEqual(3000);
    expect(Math.max(...lengths) - Math.min(...lengths)).toBeGreaterThan(1200);
    expect(stays()).toEqual(lengths);
  });
});

describe('fades', () => {
  it('never give more than a whole frame together, and end whole', () => {
    for (const [outMs, inMs] of [
      [1000, 1000],
      [300, 1000],
      [1000, 300],
      [0, 500],
      [500, 0],
    ] as const)
      for (let tMs = 0; tMs <= 1000; tMs += 7) {
        const { out256, in256 } = fadeShares({ outMs, inMs }, tMs);
        expect(out256 + in256).toBeLessThanOrEqual(256);
        expect(Math.min(out256, in256)).toBeGreaterThanOrEqual(0);
        if (tMs >= Math.max(outMs, inMs)) expect([out256, in256]).toEqual([0, 256]);
      }
  });
  it('are as long as the mood says, else as the cue does', () => {
    const show = showOf([cue({ kind: 'button', controlId: 'b' }, { fadeS: 1 })], { two: { fadeInS: 2 } });
    const state = touch(show, startPlayer(show), 0, true, 0);
    expect(state.fade).toMatchObject({ outMs: 1000, inMs: 2000 });
    expect(run(show, state, 0, 1990).fade).not.toBeNull();
    expect(run(show, state, 0, 2000).fade).toBeNull();
  });
  it('that keep the look follow the eye within a step, and leave both ends alone', () => {
    const out = new Uint8Array(1);
    for (let a = 0; a < 256; a += 5)
      for (let b = 0; b < 256; b += 7)
        for (const share of [0, 40, 128, 200, 256]) {
          crossFade(Uint8Array.of(a), Uint8Array.of(b), { out256: 256 - share, in256: share }, true, out);
          const look = ((a / 255) ** (1 / 2.2) * (256 - share) + (b / 255) ** (1 / 2.2) * share) / 256;
          expect(Math.abs((out[0] ?? 0) - 255 * look ** 2.2)).toBeLessThanOrEqual(1);
        }
    crossFade(Uint8Array.of(77), Uint8Array.of(200), { out256: 256, in256: 0 }, true, out);
    expect(out[0]).toBe(77);
  });
  it('that keep the look draw no more on the way than those that keep the current', () => {
    const [look, current] = [new Uint8Array(1), new Uint8Array(1)];
    for (let share = 0; share <= 256; share += 8) {
      const shares = { out256: 256 - share, in256: share };
      crossFade(Uint8Array.of(20), Uint8Array.of(240), shares, true, look);
      crossFade(Uint8Array.of(20), Uint8Array.of(240), shares, false, current);
      expect(look[0]).toBeLessThanOrEqual((current[0] ?? 0) + 1);
    }
  });
});

describe('what is painted', () => {
  it('comes up over half a second at power-on, never falling', () => {
    const show = showOf([]);
    const lights = Array.from({ length: 60 }, (_, i) => paint(show, startPlayer(show), i * 10)[0] ?? 0);
    expect(lights[0]).toBe(0);
    expect(lights).toEqual([...lights].sort((a, b) => a - b));
    // 40 % of 255 from there on.
    expect(paint(show, startPlayer(show), START_MS)[0]).toBe(102);
  });
  it('has a sign over every mood while its control is in its state', () => {
    const design = soundDesign({
      moods: {
        list: [moodOf({ id: 'one', brightness: 1, moves: { tape: { kind: 'steady', colour: '#00ff00', level: 1 } } })],
        startId: 'one',
        cues: [],
        course: [],
        cueUses: [],
        signs: [
          {
            id: 's',
            name: 'Dark',
            controlId: 'r',
            moves: {
              tape: { kind: 'shots', colour: '#ff0000', count: 2, onS: 0.1, offS: 0.2, pauseS: 1, level: 1 },
            },
          },
        ],
      },
    });
    const signed = { ...design, items: [...design.items, button, room] };
    const show = showFrom(signed);
    const pixel = (state: PlayerState, nowMs: number): number[] => [...paint(show, state, nowMs).slice(0, 3)];
    const dark = sense(show, startPlayer(show), 1, 0, 2000);
    expect(pixel(startPlayer(show), 2050)).toEqual([0, 255, 0]);
    expect(pixel(dark, 2050)).toEqual([255, 0, 0]);
    // Between the shots the mood is seen.
    expect(pixel(dark, 2150)).toEqual([0, 255, 0]);
    expect(pixel(sense(show, dark, 1, 255, 3000), 3050)).toEqual([0, 255, 0]);
  });
});

describe('a knob that sets how bright all is', () => {
  const knob: Control = { kind: 'knob', id: 'k', name: 'Dimmer', at, board: null, turnedTo: 0.5, dims: true };
  const base = soundDesign({
    moods: {
      list: [moodOf({ id: 'one', brightness: 1, moves: { tape: { kind: 'steady', colour: '#ffffff', level: 1 } } })],
      startId: 'one',
      cues: [],
      course: [],
      cueUses: [],
      signs: [
        { id: 's', name: 'Dark', controlId: 'r', moves: { tape: { kind: 'steady', colour: '#ff0000', level: 1 } } },
      ],
    },
  });
  const show = showFrom({ ...base, items: [...base.items, knob, room] });
  const lightAt = (code: number): number => paint(show, sense(show, startPlayer(show), 0, code, 1000), 2000)[0] ?? -1;

  it('is dark at its one end, as bright as the mood at its other, and never steps back between', () => {
    const lights = Array.from({ length: 256 }, (_, code) => lightAt(code));
    expect([lights[0], lights[255]]).toEqual([0, 255]);
    expect(lights).toEqual([...lights].sort((a, b) => a - b));
    // Half a turn looks half as bright: (128/255)^2.2 is 22 % of the light.
    expect((lights[128] ?? 0) / 255).toBeCloseTo((128 / 255) ** 2.2, 1);
  });
  it('leaves what warns as bright as it is', () => {
    const turnedDown = sense(show, startPlayer(show), 0, 0, 1000);
    const warned = sense(show, turnedDown, 1, 0, 1000);
    expect([...paint(show, warned, 2000).slice(0, 3)]).toEqual([255, 0, 0]);
  });
});

describe('the map of moods', () => {
  const byButton = { kind: 'button', controlId: 'b' } as const;
  it('knows what is reached and what is left', () => {
    const map = mapMoods(showOf([cue(byButton, { from: 'one', to: 'two' })]));
    expect(map.reached).toEqual([true, true, false]);
    expect(map.isLeft).toEqual([true, false, false]);
  });
  it('counts a cue that comes back as a way out, and draws it', () => {
    const map = mapMoods(showOf([cue(byButton, { from: 'one', to: 'two', backAfterS: 2 })]));
    expect(map.isLeft[1]).toBe(true);
    expect(map.ways).toEqual([
      { from: 0, to: 1, cue: 0, isBack: false },
      { from: 1, to: 0, cue: 0, isBack: true },
    ]);
  });
  it('a chain of cues reaches all', () => {
    const map = mapMoods(
      showOf([
        cue({ kind: 'after', afterS: 1 }, { from: 'one', to: 'two' }),
        cue({ kind: 'through' }, { from: 'two', to: 'three' }),
        cue({ kind: 'after', afterS: 1 }, { from: 'three', to: 'one' }),
      ]),
    );
    expect(map.reached).toEqual([true, true, true]);
    expect(map.isLeft).toEqual([true, true, true]);
  });
});
