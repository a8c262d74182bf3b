import { describe, expect, it } from 'vitest';
import { ledsOf, moodOf, soundDesign, soundSimple, tapeOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { type Finding, itemsOf } from '../items/index.ts';
import { changeMove, type Move, moveKinds } from '../moves/index.ts';
import { builtInLibrary, controllers } from '../parts/index.ts';
import { applyEdits, type Cue, type Design, type Mood } from '../plan/index.ts';
import { quantitiesOf } from '../units/index.ts';
import { checkDesign } from './index.ts';

const at = { xMm: 0, yMm: 0 };
type Moods = Design['moods'];

const designOf = (moods: Partial<Moods>, change: Parameters<typeof soundDesign>[0] = {}): Design => {
  const base = soundDesign(change);
  return { ...base, moods: { ...base.moods, startId: null, ...moods } };
};
const check = (design: Design): readonly Finding[] => checkDesign(design, assess(design));
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
  it('one that leads to its own mood is named', () => {
    const design = designOf({ list: [...two], startId: 'a', cues: [cue({ from: 'b', to: 'b' })] });
    expect(findingsOf(design, 'to-itself').map((finding) => finding.what)).toEqual(['A cue leads from B to B']);
  });
  it('one that waits for what its control can’t do is named', () => {
    const design = designOf(
      { list: [...two], startId: 'a', cues: [cue({ when: { kind: 'dark', controlId: 'k' } })] },
      { drive: { ...soundSimple.drive, controls: [{ kind: 'button', id: 'k', name: 'Knob', at }] } },
    );
    expect(findingsOf(design, 'impossible').map((finding) => finding.what)).toEqual([
      'A cue waits for what Knob can’t do',
    ]);
  });
});

describe('signs', () => {
  const shots: Move = { kind: 'shots', colour: '#ff0000', count: 2, onS: 0.1, offS: 0.4, pauseS: 3, level: 1 };
  const signed = (moves: Mood['moves'], mood: Partial<Mood> = {}): Design =>
    designOf(
      { list: [moodOf(mood)], signs: [{ id: 's', name: 'Low', controlId: 'k', moves }] },
      { drive: { ...soundSimple.drive, controls: [{ kind: 'button', id: 'k', name: 'Knob', at }] } },
    );
  it('that flash fast are stopped like any mood', () => {
    const fast = signed({ tape: { ...shots, offS: 0.05, count: 6 } });
    const [finding] = findingsOf(fast, 'flash:s');
    expect(finding?.gravity).toBe('stop');
    expect(findingsOf(applyEdits(fast, finding?.fixes[0]?.edits ?? []), 'flash:s')).toEqual([]);
  });
  it('stand in the peak with what they lie over, and never with more than all lights at full', () => {
    const [dim, winking] = [
      assess(signed({}, { brightness: 0.2 })),
      assess(signed({ tape: shots }, { brightness: 0.2 })),
    ];
    // Red on all pixels: a third of all white.
    const redA = (dim.consumers.find((consumer) => consumer.id === 'tape')?.fullA ?? 0) / 3;
    const restA = dim.restA;
    // White at a fifth is three dice at a fifth, 0.6 of a die; the sign covers it with one die at full, a fifth of that.
    expect(dim.peakA - restA).toBeCloseTo(0.6 * redA, 9);
    expect(winking.peakA - restA).toBeCloseTo(redA, 9);
    expect(winking.peakA).toBeLessThanOrEqual(winking.allWhiteA);
  });
  it('must be seen, and told apart by more than their colour', () => {
    expect(findingsOf(signed({}), 'sign-empty')).toHaveLength(1);
    expect(findingsOf(signed({ tape: shots }), 'sign-')).toEqual([]);
    const alike = signed({ tape: { kind: 'steady', colour: '#ff0000', level: 1 } });
    const [finding] = findingsOf(alike, 'sign-alike');
    expect(finding?.what).toContain('does what Mood does too');
    const mended = applyEdits(alike, finding?.fixes[0]?.edits ?? []);
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
    expect(findingsOf(applyEdits(ring(8, 3), seam?.fixes[0]?.edits ?? []), 'seam')).toEqual([]);
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
    const mended = applyEdits(design, finding?.fixes[0]?.edits ?? []);
    expect(mended.moods.list[0]?.tops?.[0]?.move.kind).toBe('breathe');
  });
});

describe('cells', () => {
  const cells = (change: Partial<Extract<Move, { kind: 'cells' }>>, lengthMm = 900): Design =>
    designOf(
      {
        list: [
          moodOf({
            moves: {
              tape: {
                kind: 'cells',
                colour: '#ffffff',
                birth: [3],
                survival: [2, 3],
                wraps: true,
                melts: false,
                stepS: 0.5,
                generations: 60,
                share: 0.4,
                seed: 1127,
                level: 1,
                ...change,
              },
            },
          }),
        ],
      },
      { tapes: [lengthMm > 1000 ? tapeOf({ lengthMm }) : tapeOf({ grid: { columns: 8, rows: 8, snakes: true } })] },
    );
  it('that die out or stand still are named, and a livelier start is one click', () => {
    // With nothing born, what lives on less and less is soon still.
    const [finding] = findingsOf(cells({ birth: [] }), 'still-cells');
    expect(finding?.what).toMatch(/dead or still after \d generations/);
    const start = [...Array(200).keys()].find((seed) => findingsOf(cells({ seed }), 'still-cells').length > 0) ?? -1;
    const still = cells({ seed: start });
    const fix = findingsOf(still, 'still-cells')[0]?.fixes.find((each) => each.label === 'Take a livelier start');
    expect(findingsOf(applyEdits(still, fix?.edits ?? []), 'still-cells')).toEqual([]);
    expect(findingsOf(cells({}), 'still-cells')).toEqual([]);
  });
  it('on more lights than a board holds are named', () => {
    expect(findingsOf(cells({}, 4000), 'many-cells').map((finding) => finding.what)).toEqual([
      'Tape has 296 lights; cells live on the first 256 only',
    ]);
  });
});

describe('sets', () => {
  it('that go beyond their group are named, either way round, and end at its last light by one click', () => {
    const beyond = (first: number, last: number): Design =>
      designOf({
        list: [moodOf()],
        sets: [{ id: 's', name: 'S', order: 'one after another', of: [{ groupId: 'tape', first, last, every: 1 }] }],
      });
    // 300 mm at 74/m: 22 lights.
    for (const design of [beyond(3, 40), beyond(40, 3)]) {
      const [finding] = findingsOf(design, 'set-beyond');
      expect(finding?.what).toBe('S goes up to light 40 of Tape, which has 22');
      expect(findingsOf(applyEdits(design, finding?.fixes[0]?.edits ?? []), 'set-beyond')).toEqual([]);
    }
    expect(findingsOf(beyond(1, 22), 'set-beyond')).toEqual([]);
  });
});

describe('flashing', () => {
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
    expect(quantitiesOf(finding?.what ?? '').map(({ kind }) => kind)).toEqual(['count', 'timeS', 'timeS']);
    const fix = finding?.fixes.find((each) => each.label === 'Slow it to two a second');
    expect(findingsOf(applyEdits(stacked, fix?.edits ?? []), 'flash')).toEqual([]);
  });
});

describe('the loop', () => {
  const onController = (controller: string, lengthMm: number): Design =>
    soundDesign({ drive: { ...soundSimple.drive, controller }, tapes: [tapeOf({ lengthMm })] });
  it('a program that does not go in is named, by memory and by room', () => {
    // One frame of 700 pixels is 2,100 bytes, of 2,048; nothing fades, so it needs no second.
    expect(findingsOf(onController('controller-large-5v', 9460), 'memory').map((finding) => finding.gravity)).toEqual([
      'stop',
    ]);
    expect(findingsOf(onController('controller-large-5v', 500), 'memory')).toEqual([]);
    // The smallest holds what a plan with one move asks for; every kind of move at once it does not.
    expect(findingsOf(onController('controller-tiny-3v', 100), 'program-room')).toEqual([]);
    const every = (controller: string, times: number): Design =>
      designOf(
        {
          list: Array.from({ length: times }, (_, i) =>
            moveKinds.map((kind) => {
              const name = `${kind} ${i}`;
              return moodOf({ id: name, name, moves: { tape: changeMove(kind, undefined, '#ff8040') } });
            }),
          ).flat(),
        },
        { drive: { ...soundSimple.drive, controller }, tapes: [tapeOf({ lengthMm: 100 })] },
      );
    const gravityOf = (controller: string, times: number): unknown =>
      findingsOf(every(controller, times), 'program-room').map(({ gravity }) => gravity);
    expect(gravityOf('controller-small-5v', 1)).toEqual(['mend']);
    // It would not be linked; for one without a ready file a smaller program may be written.
    expect(gravityOf('controller-small-5v', 4)).toEqual(['stop']);
    expect(gravityOf('controller-tiny-3v', 4)).toEqual(['mend']);
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
        { drive: { ...soundSimple.drive, controller }, tapes: [tapeOf({ lengthMm: 4000 })] },
      );
    expect(findingsOf(slow('controller-huge-5v'), 'frame-rate')).toHaveLength(1);
    expect(findingsOf(slow('controller-radio-3v3'), 'frame-rate')).toEqual([]);
    // Of those that the rail suits, quick enough, with room and with a pin for it, the cheapest is offered.
    const [fix] = findingsOf(slow('controller-huge-5v'), 'frame-rate')[0]?.fixes ?? [];
    const mended = applyEdits(slow('controller-huge-5v'), fix?.edits ?? []);
    const taken = itemsOf(mended, 'board').map(({ part }) => builtInLibrary.parts.get(part ?? ''));
    expect(
      check(mended).filter(({ rule }) =>
        ['memory', 'program-room', 'frame-rate', 'button-wait', 'rail-low', 'rail-high'].includes(rule),
      ),
    ).toEqual([]);
    const cheaper = controllers.filter(({ price }) => price < (taken[0]?.price ?? 0));
    expect(cheaper.length).toBeGreaterThan(0);
    for (const { id } of cheaper) {
      const other = slow(id);
      expect(
        check(other).some(({ rule }) =>
          ['memory', 'program-room', 'frame-rate', 'button-wait', 'no-pins', 'rail-low', 'rail-high'].includes(rule),
        ),
        id,
      ).toBe(true);
    }
  });
});
