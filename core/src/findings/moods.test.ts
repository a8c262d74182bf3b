import { describe, expect, it } from 'vitest';
import { ledsOf, moodOf, soundDesign, tapeOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { applyChanges, type Cue, type Design, type Mood, type Move } from '../plan/index.ts';
import { checkDesign, type Finding } from './index.ts';

const at = { xMm: 0, yMm: 0 };
type Moods = Design['moods'];

const designOf = (moods: Partial<Moods>, change: Partial<Design> = {}): Design => {
  const base = soundDesign(change);
  return { ...base, moods: { ...base.moods, startId: null, ...moods } };
};
const findingsOf = (design: Design, rule: string): Finding[] =>
  checkDesign(design, assess(design)).filter((finding) => finding.id.startsWith(rule));
const cue = (change: Partial<Cue>): Cue => ({
  id: 'c',
  from: null,
  when: { kind: 'after', afterS: 5 },
  to: 'b',
  fadeS: 0,
  backAfterS: null,
  ...change,
});
const two: readonly Mood[] = [moodOf({ id: 'a', name: 'A' }), moodOf({ id: 'b', name: 'B' })];

describe('moods that can’t be reached or left', () => {
  it('are found, and a cue mends both', () => {
    const alone = designOf({ list: [...two], startId: 'a' });
    expect(findingsOf(alone, 'unreached').map((finding) => finding.what)).toEqual(['Nothing leads to B']);
    const oneWay = designOf({ list: [...two], startId: 'a', cues: [cue({})] });
    expect(findingsOf(oneWay, 'unreached')).toEqual([]);
    expect(findingsOf(oneWay, 'not-left').map((finding) => finding.aboutId)).toEqual(['b']);
    const back = designOf({ list: [...two], startId: 'a', cues: [cue({ backAfterS: 3 })] });
    expect(findingsOf(back, 'not-left')).toEqual([]);
  });
  it('one mood alone is neither', () => {
    expect(findingsOf(soundDesign(), 'unreached')).toEqual([]);
    expect(findingsOf(soundDesign(), 'not-left')).toEqual([]);
  });
});

describe('cues that are never followed', () => {
  it('one behind another that answers the same is named', () => {
    const design = designOf({
      list: [...two, moodOf({ id: 'd', name: 'D' })],
      startId: 'a',
      cues: [cue({ id: '1' }), cue({ id: '2', from: 'a', to: 'd' })],
    });
    expect(findingsOf(design, 'shadowed').map((finding) => finding.aboutId)).toEqual(['2']);
  });
  it('two that change over and back by one key are not', () => {
    const design = designOf({ list: [...two], startId: 'a', cues: [cue({ id: '1' }), cue({ id: '2', to: 'a' })] });
    expect(findingsOf(design, 'shadowed')).toEqual([]);
  });
  it('one that waits for what its control can’t do is named', () => {
    const design = designOf(
      { list: [...two], startId: 'a', cues: [cue({ when: { kind: 'dark', controlId: 'k' } })] },
      { drive: { ...soundDesign().drive, controls: [{ kind: 'button', id: 'k', name: 'Knob', at }] } },
    );
    expect(findingsOf(design, 'impossible').map((finding) => finding.what)).toEqual([
      "A cue waits for what Knob can't do",
    ]);
  });
});

describe('signs', () => {
  const shots: Move = { kind: 'shots', colour: '#ff0000', count: 2, onS: 0.1, offS: 0.4, pauseS: 3, level: 1 };
  const signed = (moves: Mood['moves'], mood: Partial<Mood> = {}): Design =>
    designOf(
      { list: [moodOf(mood)], signs: [{ id: 's', name: 'Low', controlId: 'k', moves }] },
      { drive: { ...soundDesign().drive, controls: [{ kind: 'button', id: 'k', name: 'Knob', at }] } },
    );
  it('must be seen, and told apart by more than their colour', () => {
    expect(findingsOf(signed({}), 'sign-empty')).toHaveLength(1);
    expect(findingsOf(signed({ tape: shots }), 'sign-')).toEqual([]);
    const alike = signed({ tape: { kind: 'steady', colour: '#ff0000', level: 1 } });
    const [finding] = findingsOf(alike, 'sign-alike');
    expect(finding?.what).toContain('does what Mood does too');
    const mended = applyChanges(alike, finding?.fixes[0]?.changes ?? []);
    expect(findingsOf(mended, 'sign-')).toEqual([]);
  });
});

describe('what a drive can show', () => {
  /** So many lights in a ring on as many channels. */
  const ring = (count: number, groups: number): Design =>
    designOf(
      {
        list: [
          moodOf({
            moves: {
              leds: { kind: 'chase', colour: '#ffffff', groups, stepS: 0.2, direction: 'onward', level: 1 },
            },
          }),
        ],
      },
      {
        tapes: [],
        leds: [
          ledsOf({
            channels: count,
            places: Array.from({ length: count }, (_, i) => ({
              id: `p${i}`,
              at: {
                xMm: 100 + 60 * Math.cos((2 * Math.PI * i) / count),
                yMm: 60 * Math.sin((2 * Math.PI * i) / count),
              },
              hollowId: null,
            })),
          }),
        ],
      },
    );
  it('a seam shows where the groups do not come out even round a ring, and the even ones are offered', () => {
    const [seam] = findingsOf(ring(8, 3), 'seam');
    expect(seam?.mend).toContain('One in 4, or one in 8 comes out even');
    expect(findingsOf(applyChanges(ring(8, 3), seam?.fixes[0]?.changes ?? []), 'seam')).toEqual([]);
    expect(findingsOf(ring(9, 3), 'seam')).toEqual([]);
    // A straight row has two ends and no seam.
    const straight = designOf({
      list: [
        moodOf({
          moves: {
            tape: { kind: 'chase', colour: '#ffffff', groups: 5, stepS: 0.2, direction: 'onward', level: 1 },
          },
        }),
      ],
    });
    expect(findingsOf(straight, 'seam')).toEqual([]);
  });
  it('a gauge that shows nothing is named', () => {
    const design = designOf({
      list: [moodOf({ moves: { tape: { kind: 'gauge', colour: '#ffffff', controlId: null, level: 1 } } })],
    });
    expect(findingsOf(design, 'no-value')).toHaveLength(1);
  });
  it('a move laid upon another is looked at like the first', () => {
    const design = designOf(
      {
        list: [
          moodOf({
            moves: {},
            tops: [
              {
                id: 't',
                on: 'leds',
                how: 'over',
                move: { kind: 'sweep', colour: '#ffffff', periodS: 2, tail: 0, level: 1 },
              },
            ],
          }),
        ],
      },
      { tapes: [], leds: [ledsOf()] },
    );
    const [finding] = findingsOf(design, 'cant-travel');
    const mended = applyChanges(design, finding?.fixes[0]?.changes ?? []);
    expect(mended.moods.list[0]?.tops?.[0]?.move.kind).toBe('breathe');
  });
});

describe('flashing (N41)', () => {
  const blink = (perS: number): Design =>
    designOf({
      list: [
        moodOf({
          moves: {
            tape: {
              kind: 'shots',
              colour: '#ffffff',
              count: 1,
              onS: 0.5 / perS,
              offS: 0.5 / perS,
              pauseS: 0,
              level: 1,
            },
          },
        }),
      ],
    });
  it('four times a second is stopped, three times is not', () => {
    expect(findingsOf(blink(4), 'flash')).toHaveLength(1);
    expect(findingsOf(blink(3), 'flash')).toEqual([]);
  });
  it('the calmer setting is one click, also for what was laid on top', () => {
    const stacked = designOf({
      list: [
        moodOf({
          tops: [
            {
              id: 't',
              on: 'tape',
              how: 'over',
              move: { kind: 'shots', colour: '#000000', count: 9, onS: 0.05, offS: 0.05, pauseS: 0, level: 1 },
            },
          ],
        }),
      ],
    });
    const [finding] = findingsOf(stacked, 'flash');
    expect(finding?.what).toMatch(/from \d+\.\d\d s to \d+\.\d\d s/);
    const fix = finding?.fixes.find((each) => each.label === 'Slow it to two a second');
    expect(findingsOf(applyChanges(stacked, fix?.changes ?? []), 'flash')).toEqual([]);
  });
});

describe('the loop', () => {
  const onController = (controller: string, lengthMm: number): Design =>
    soundDesign({ drive: { ...soundDesign().drive, controller }, tapes: [tapeOf({ lengthMm })] });
  it('a program that does not go in is named, by memory and by room', () => {
    // Two frames of 400 pixels are 2400 bytes, of 2048.
    expect(findingsOf(onController('controller-large-5v', 5406), 'memory').map((finding) => finding.gravity)).toEqual([
      'stop',
    ]);
    expect(findingsOf(onController('controller-large-5v', 500), 'memory')).toEqual([]);
    expect(findingsOf(onController('controller-tiny-3v', 100), 'program-room')).toHaveLength(1);
  });
  it('frames that become too few are named, and a faster controller mends it', () => {
    const slow = (controller: string): Design =>
      designOf(
        {
          list: [
            moodOf({
              moves: { tape: { kind: 'flicker', colour: '#ffffff', character: 'candle', seed: 1, level: 1 } },
            }),
          ],
        },
        { drive: { ...soundDesign().drive, controller }, tapes: [tapeOf({ lengthMm: 4000 })] },
      );
    expect(findingsOf(slow('controller-huge-5v'), 'frame-rate')).toHaveLength(1);
    expect(findingsOf(slow('controller-radio-3v3'), 'frame-rate')).toEqual([]);
  });
});
