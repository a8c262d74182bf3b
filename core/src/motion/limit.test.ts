import { describe, expect, it } from 'vitest';
import { demoPlan } from '../../tests/designs.ts';
import { strip, twoRails } from '../../tests/twoRails.ts';
import { type Assessment, assess } from '../assess.ts';
import { exportProgram } from '../exports/index.ts';
import type { Move } from '../moves/index.ts';
import { type Design, emptyDesign } from '../plan/index.ts';
import { findObstacle } from '../power/index.ts';
import { freshItem } from '../sums/piece.ts';
import { firstRail, limitFrame, type RailLimit, type ShowLimit, traceCurrent } from './index.ts';

const { show, limit } = assess(demoPlan().design);
const rail = firstRail(limit);
/** The same supply with another limit. */
const limitedTo = (limitMicroA: number): ShowLimit => ({
  ...limit,
  supplies: limit.supplies.map((supply) => ({ ...supply, rails: [{ ...rail, limitMicroA }] })),
});

/** Current of a frame by a second way: light by light, in amperes. */
function frameA(of: RailLimit, frame: Uint8Array): number {
  let currentA = of.restMicroA / 1e6;
  show.groups.forEach((group, g) => {
    for (let i = 0; i < group.points * group.bytesPerPoint; i += 1)
      currentA += (((frame[group.offset + i] ?? 0) / 255) * (of.microAPerByte[g] ?? 0)) / 1e6;
  });
  return currentA;
}

describe('the limiter', () => {
  it('no frame out of 100 000 random ones passes the limit, and those below it are left alone', () => {
    let state = 3;
    const random = (): number => {
      state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
      return state >>> 24;
    };
    const frame = new Uint8Array(show.frameBytes);
    for (let round = 0; round < 100_000; round += 1) {
      const height = random();
      // Most of a frame is alike, as in a mood; every tenth byte is by chance.
      frame.fill(height);
      for (let i = round % 10; i < frame.length; i += 10) frame[i] = random();
      const before = frameA(rail, frame);
      const first = frame[0];
      const scale = limitFrame(show, limit, frame);
      if (before <= rail.limitMicroA / 1e6) expect([scale, frame[0]]).toEqual([256, first]);
      else expect(frameA(rail, frame)).toBeLessThanOrEqual(rail.limitMicroA / 1e6 + 1e-9);
    }
  });
  it('is dark where even the dark pixels are too much', () => {
    const frame = new Uint8Array(show.frameBytes).fill(200);
    expect(limitFrame(show, limitedTo(10), frame)).toBe(0);
    expect(frame.every((byte) => byte === 0)).toBe(true);
  });
  it('limits nothing where the supply is not known', () => {
    const frame = new Uint8Array(show.frameBytes).fill(255);
    expect(limitFrame(show, limitedTo(0), frame)).toBe(256);
    expect(frame.every((byte) => byte === 255)).toBe(true);
  });
  it('keeps the colour: every byte is cut alike', () => {
    const frame = new Uint8Array(show.frameBytes).fill(255);
    const scale = limitFrame(show, limit, frame);
    expect(scale).toBeLessThan(256);
    expect(new Set(frame)).toEqual(new Set([(255 * scale) >> 8]));
  });
});

describe('the current under the ribbons', () => {
  const assessment = assess(demoPlan().design);
  it('is the sum over the lights at every moment: steady white by hand', () => {
    // Strike: both jaws white at 70 %: 66 pixels · 3 · 12 mA · (179/256) and the rest, in whole microamperes a byte.
    const index = assessment.show.moods.findIndex((mood) => mood.id === 'strike');
    const [first = 0] = traceCurrent(assessment.show, index, firstRail(assessment.limit), { spanMs: 1000, columns: 4 });
    const jaws = 66 * 0.036 * (Math.round(255 * 0.7) / 255);
    const rest = firstRail(assessment.limit).restMicroA / 1e6;
    expect(first).toBeGreaterThan(rest + jaws * 0.99);
    expect(first).toBeLessThan(rest + jaws * 1.03);
  });
  it('has the mean that the night run is fed with, over whole periods, for every mood', () => {
    assessment.moods.forEach((mood, m) => {
      // Sixty seconds hold every period of the demo many times over.
      const trace = traceCurrent(assessment.show, m, firstRail(assessment.limit), { spanMs: 60_000, columns: 3000 });
      const mean = trace.reduce((sum, currentA) => sum + currentA, 0) / trace.length;
      expect(Math.abs(mean / mood.meanA - 1)).toBeLessThan(0.03);
      expect(Math.max(...trace)).toBeLessThanOrEqual(mood.peakA * 1.02);
    });
  });
  it('does not step over a flash shorter than its columns', () => {
    const onUpperJaw = (move: Move): Assessment => {
      const { design } = demoPlan();
      const [doze, ...others] = design.moods.list;
      if (!doze) throw new Error('the demo has moods');
      const list = [{ ...doze, moves: { 'jaw-upper': move } }, ...others];
      return assess({ ...design, moods: { ...design.moods, list } });
    };
    const white = { colour: '#ffffff', level: 1 };
    const short = onUpperJaw({ kind: 'shots', count: 1, onS: 0.04, offS: 0.03, pauseS: 7, ...white });
    const steady = onUpperJaw({ kind: 'steady', ...white });
    const columns = { spanMs: 28_000, columns: 100 };
    // Its height is what the same white draws when it stays on.
    expect(Math.max(...traceCurrent(short.show, 0, firstRail(short.limit), columns))).toBe(
      Math.max(...traceCurrent(steady.show, 0, firstRail(steady.limit), columns)),
    );
    // One in seven seconds, seen in one column of 280 ms or two: most of the trace is dark.
    const rest = firstRail(short.limit).restMicroA / 1e6;
    expect(
      traceCurrent(short.show, 0, firstRail(short.limit), columns).filter((a) => a > rest * 1.01).length,
    ).toBeLessThan(10);
  });
});

describe('two supplies', () => {
  const at = { xMm: 1, yMm: 1 };
  const pack = (id: string, part: string) => freshItem('pack', { id, name: id, at, part });
  const design: Design = {
    ...emptyDesign,
    items: [
      pack('strong', 'pack-lithium-round-3400'),
      pack('weak', 'pack-lithium-pouch-150'),
      freshItem('board', { id: 'board', name: 'Board', at, part: 'controller-small-5v', feed: 'strong' }),
      strip('short', 'strong', 100),
      strip('long', 'weak', 600),
    ],
    moods: {
      list: [
        {
          id: 'all',
          name: 'All',
          brightness: 1,
          moves: Object.fromEntries(
            ['short', 'long'].map((id) => [id, { kind: 'steady' as const, colour: '#ffffff', level: 1 }]),
          ),
        },
      ],
      startId: 'all',
      cues: [],
      course: [],
      cueUses: [],
    },
  };
  const assessment = assess(design);
  const lit = (id: string): readonly number[] => {
    const frame = new Uint8Array(assessment.show.frameBytes).fill(255);
    limitFrame(assessment.show, assessment.limit, frame);
    const group = assessment.show.groups.find((each) => each.id === id);
    return [...frame.slice(group?.offset ?? 0, (group?.offset ?? 0) + 3)];
  };

  it('each have a limit of their own, and each tape is held to what its own pack bears', () => {
    const { limit, show } = assessment;
    const all = limit.supplies.flatMap(({ rails }) => rails);
    expect(all).toHaveLength(2);
    show.groups.forEach((_, g) => {
      expect(limit.supplies.filter(({ railOf }) => (railOf[g] ?? -1) >= 0)).toHaveLength(1);
      expect(all.filter(({ microAPerByte }) => (microAPerByte[g] ?? 0) > 0)).toHaveLength(1);
    });
    // 36 pixels of 36.8 mA ask 1.3 A of a cell of 150 mAh; 6 ask 0.22 A of one of 3400, which bears them.
    expect(lit('short')[0]).toBe(255);
    expect(lit('long')[0]).toBeLessThan(128);
    const frame = new Uint8Array(show.frameBytes).fill(255);
    limitFrame(show, limit, frame);
    for (const each of all) {
      const sum = show.groups.reduce((total, group, g) => {
        const bytes = frame.slice(group.offset, group.offset + group.points * group.bytesPerPoint);
        return total + bytes.reduce((a, b) => a + b, 0) * (each.microAPerByte[g] ?? 0);
      }, 0);
      expect(each.restMicroA + sum / 255).toBeLessThanOrEqual(Math.max(each.limitMicroA, each.restMicroA) + 1);
    }
  });

  it('the checklist of the program names both', () => {
    const [name] = Object.keys(exportProgram({ ...demoPlan(), design }, assessment, {})).filter((file) =>
      file.endsWith('LOADING.md'),
    );
    const text = exportProgram({ ...demoPlan(), design }, assessment, {})[name ?? ''] ?? '';
    expect(text).toMatch(/no frame draws more than .* and .* from its rails/);
  });
});

describe('two rails of one pack', () => {
  /** Everything at full, limited: what each tape draws then, in amperes, and the scale. */
  const limited = ({ show: of, limit: to, consumers }: Assessment, lit: readonly string[]) => {
    const frame = new Uint8Array(of.frameBytes);
    for (const group of of.groups)
      if (lit.includes(group.id)) frame.fill(255, group.offset, group.offset + group.points * group.bytesPerPoint);
    const scale = limitFrame(of, to, frame);
    const amps = of.groups.map(({ id, offset, points, bytesPerPoint }) => {
      const consumer = consumers.find((each) => each.id === id);
      const bytes = frame.slice(offset, offset + points * bytesPerPoint).reduce((sum, byte) => sum + byte, 0);
      return ((consumer?.fullA ?? 0) * bytes) / (255 * points * bytesPerPoint);
    });
    return { scale, amps };
  };
  /** Whether the whole piece holds with so much on each tape, down to what is kept back: by the tree itself. */
  const holds = ({ supplies, consumers }: Assessment, amps: readonly number[]): boolean => {
    const [supply] = supplies;
    if (!supply) throw new Error('no supply');
    const { tree, nodeOf } = supply.laid;
    const on = ['one', 'two'];
    const draws = tree.nodes.map((_, node) => ({
      steadyA: consumers
        .filter(({ railId }) => railId !== null && nodeOf.get(railId) === node)
        .reduce(
          (sum, each) =>
            sum + each.restA + each.steadyPeakA + (amps[on.indexOf(each.railId ?? '')] ?? 0) * (each.fullA > 0 ? 1 : 0),
          0,
        ),
      shaped: [],
    }));
    return findObstacle(tree, supply.reserve, draws) === null;
  };

  it('each is held to what its own converter gives, and both to what the pack gives them together', () => {
    // 48 pixels of 36.8 mA: 1.8 A each, 10 W behind its converter; the cell gives 5 A, at 3.3 V 16 W, not 20.
    const weak = assess(twoRails('pack-lithium-round-2600', 800));
    const [supply] = weak.limit.supplies;
    expect(supply?.rails).toHaveLength(2);
    expect(supply?.together).not.toBeNull();
    const both = limited(weak, ['left', 'right']);
    expect(both.scale).toBeLessThan(256);
    expect(holds(weak, both.amps)).toBe(true);
    // Both are dimmed alike, and not much further than needed: with a tenth more light it no longer holds.
    expect(both.amps[0]).toBeCloseTo(both.amps[1] ?? 0, 9);
    expect(
      holds(
        weak,
        both.amps.map((each) => each * 1.1),
      ),
    ).toBe(false);
    // One alone may have nearly all of it.
    const alone = limited(weak, ['left']);
    expect(alone.amps[0]).toBeGreaterThan((both.amps[0] ?? 0) * 1.5);
    expect(holds(weak, alone.amps)).toBe(true);
  });

  it('what the pack gives in any case is no matter of both together', () => {
    // The same 20 W of a cell that gives 9.8 A.
    const strong = assess(twoRails('pack-lithium-round-5000', 800));
    expect(strong.limit.supplies[0]?.together).toBeNull();
    expect(limited(strong, ['left', 'right']).scale).toBe(256);
  });

  it('what one rail can give does not hold the other back in moods that the plan calls safe', () => {
    // The ceiling is where the mood would just not do: there, both tapes alike, the limiter has nothing to cut.
    const weak = assess(twoRails('pack-lithium-round-2600', 800));
    const [ceiling] = weak.ceilings;
    const list = twoRails('pack-lithium-round-2600', 800);
    const at = (brightness: number): Assessment =>
      assess({ ...list, moods: { ...list.moods, list: list.moods.list.map((mood) => ({ ...mood, brightness })) } });
    expect(ceiling?.brightness).toBeGreaterThan(0.5);
    expect(at((ceiling?.brightness ?? 0) * 0.97).moods[0]?.limited).toBeNull();
    expect(at(1).moods[0]?.limited?.peakA).toBeLessThan(at(1).moods[0]?.peakA ?? 0);
  });

  it('two boards on one rail leave each other what their moods ask for, and are never too much together', () => {
    const design = twoRails('pack-lithium-round-2600', 800);
    const second = freshItem('board', {
      id: 'other',
      name: 'Other',
      at: { xMm: 1, yMm: 1 },
      part: 'controller-small-5v',
      feed: 'one',
    });
    const both: Design = {
      ...design,
      items: [...design.items, second].map((item) =>
        item.id === 'right' && item.kind === 'pixel tape' ? { ...item, feed: 'one', board: 'other' } : item,
      ),
    };
    const assessment = assess(both);
    // Each program by itself lights all that is its own; what the converter gives is for both.
    const [left, right] = assessment.programs.map((program) => {
      const frame = new Uint8Array(program.show.frameBytes).fill(255);
      limitFrame(program.show, program.limit, frame);
      const [group] = program.show.groups;
      const full = assessment.consumers.find(({ id }) => id === group?.id)?.fullA ?? 0;
      return (full * (frame[0] ?? 0)) / 255;
    });
    const whole = new Uint8Array(assessment.show.frameBytes).fill(255);
    limitFrame(assessment.show, assessment.limit, whole);
    const bears = assessment.consumers.reduce((sum, { fullA }) => sum + (fullA * (whole[0] ?? 0)) / 255, 0);
    expect(whole[0]).toBeLessThan(255);
    expect((left ?? 0) + (right ?? 0)).toBeLessThanOrEqual(bears * 1.01);
    expect((left ?? 0) + (right ?? 0)).toBeGreaterThan(bears * 0.97);
  });
});
