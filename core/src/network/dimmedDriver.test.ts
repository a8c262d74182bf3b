import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf, moodOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { solveNetlist } from '../circuit/index.ts';
import { drawNetwork } from '../exact/index.ts';
import { checkDesign } from '../findings/index.ts';
import type { Design, Item } from '../plan/index.ts';

const star = (id: string, change: object = {}): Item =>
  itemOf('light', {
    id,
    name: id,
    part: 'led-star-white',
    wantedCurrentA: 0.2,
    feed: 'supply',
    switchedBy: { way: 'driver', by: 'driver', board: null },
    places: [{ id: 'a', at: { xMm: 80, yMm: 40 }, hollowId: null }],
    ...change,
  });

/** A power star on a driver with a dimming input, which a pin of a board may dim. */
const lampOf = (moves: object, items: readonly Item[] = [star('lamp')], part = 'driver-350ma'): Design => ({
  ...circuitOf([
    itemOf('outside supply', { id: 'supply', at: { xMm: 0, yMm: 0 }, part: 'supply-bench', volts: 5 }),
    itemOf('board', { id: 'board', at: { xMm: 20, yMm: 0 }, part: 'controller-large-5v', feed: 'supply' }),
    itemOf('driver', { id: 'driver', name: 'Driver', at: { xMm: 60, yMm: 0 }, part, setA: 0.2, feed: 'supply' }),
    ...items,
  ]),
  moods: {
    list: [moodOf({ id: 'half', brightness: 1, moves } as never)],
    startId: 'half',
    cues: [],
    course: [],
    cueUses: [],
  },
});
const steady = { lamp: { kind: 'steady', colour: '#ffffff', level: 1 } };

describe('a driver that a pin dims', () => {
  it('has a dimming pin, a core from it to its dimming input, and its light in the program', () => {
    const { pins, runs, show, coreEnds } = assess(lampOf(steady));
    const given = pins[0]?.plan.given.find(({ demand }) => demand.id === 'channel:lamp:1');
    expect(given).toBeDefined();
    expect(runs.find(({ id }) => id === 'dim:lamp')?.name).toBe('Dimming of Driver');
    const [core] = coreEnds.get('dim:lamp') ?? [];
    expect(`${core?.from} > ${core?.to}`).toBe(`pin ${given?.pin.name} of board > Driver dim`);
    expect(show.groups.map(({ id }) => id)).toEqual(['lamp']);
  });
  it('draws what the mood asks: full 0.2 A, dark nothing, and its pin next to nothing; the exact network says the same', () => {
    const design = lampOf(steady);
    const assessment = assess(design);
    const lamp = assessment.consumers.find(({ id }) => id === 'lamp');
    expect(lamp?.fullA).toBeCloseTo(0.2, 3);
    expect(lamp?.steadyA).toBe(0);
    const given = (moodId: string | null): number => {
      const solved = solveNetlist(drawNetwork(design, assessment, { charge: 1, moodId, openIds: [] }).netlist);
      return solved.ok ? -(solved.currentA.get('supply: open voltage') ?? 0) : Number.NaN;
    };
    expect(given('half') - given(null)).toBeCloseTo(0.2, 3);
    expect(checkDesign(design, assessment).map(({ id }) => id)).not.toContain('pin-load:lamp');
  });
  it('half lit by its pin it draws its share of the time, by the gamma of the program', () => {
    const design = lampOf({ lamp: { kind: 'steady', colour: '#ffffff', level: 0.5 } });
    const { moods, consumers } = assess(design);
    const [mood] = moods;
    const rest = consumers.reduce((sum, each) => sum + each.restA + each.steadyA, 0);
    // Level 128 of 255 by a gamma of 2.2 is 56 of 255.
    expect((mood?.peakA ?? 0) - rest).toBeCloseTo((0.2 * 56) / 255, 3);
  });
  it('stays lit at its full where no mood moves it, where its kind has no input, or where two would share it', () => {
    const isDimmed = (design: Design): boolean => assess(design).show.groups.some(({ id }) => id === 'lamp');
    expect(isDimmed(lampOf(steady))).toBe(true);
    expect(isDimmed(lampOf({}))).toBe(false);
    expect(isDimmed(lampOf(steady, [star('lamp')], 'driver-20ma'))).toBe(false);
    expect(isDimmed(lampOf(steady, [star('lamp'), star('other')]))).toBe(false);
  });
});
