import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf, planOf } from '../../tests/designs.ts';
import { copyGroup, type Design, layInTurn, shiftGroup } from '../plan/index.ts';
import { readPlan } from '../plan/reading.ts';
import { judgeLayout, type Layout, layOut, nearestMm } from './index.ts';

const centre = { xMm: 100, yMm: 80 };
const rounded = (layout: Layout): number[][] =>
  layOut(layout).map(({ xMm, yMm }) => [xMm, yMm].map((mm) => Math.round(mm * 10) / 10 + 0));
const at = (item: Design['items'][number] | undefined) =>
  item?.kind === 'light'
    ? item.places.map((place) => [Math.round(place.at.xMm) + 0, Math.round(place.at.yMm) + 0])
    : [];
const counter = () => {
  let made = 0;
  return () => {
    made += 1;
    return `new${made}`;
  };
};

describe('layouts', () => {
  it('a ring begins where it is said and runs the way it is said; up on the picture is less', () => {
    const ring = { shape: 'ring', centre, radiusMm: 10, count: 4, startDeg: 90 } as const;
    // From the top, clockwise: right, bottom, left.
    expect(rounded({ ...ring, clockwise: true })).toEqual([
      [100, 70],
      [110, 80],
      [100, 90],
      [90, 80],
    ]);
    expect(rounded({ ...ring, clockwise: false })[1]).toEqual([90, 80]);
  });
  it('an arc has a light at both ends, a row too, and one alone stands in the middle', () => {
    const arc = { shape: 'arc', centre, radiusMm: 10, startDeg: 180, sweepDeg: 180, clockwise: true } as const;
    expect(rounded({ ...arc, count: 3 })).toEqual([
      [90, 80],
      [100, 70],
      [110, 80],
    ]);
    const row = { shape: 'row', from: { xMm: 0, yMm: 0 }, to: { xMm: 30, yMm: 60 } } as const;
    expect(rounded({ ...row, count: 4 })).toEqual([
      [0, 0],
      [10, 20],
      [20, 40],
      [30, 60],
    ]);
    expect(rounded({ ...row, count: 1 })).toEqual([[15, 30]]);
  });
  it('a grid lies round its middle, and runs back in every second row where it is asked to', () => {
    const grid = { shape: 'grid', centre, columns: 3, rows: 2, acrossMm: 10, downMm: 20 } as const;
    expect(rounded({ ...grid, snakes: false }).slice(3)).toEqual([
      [90, 90],
      [100, 90],
      [110, 90],
    ]);
    expect(rounded({ ...grid, snakes: true })[3]).toEqual([110, 90]);
  });
  it('along a line with a corner they stand as far apart as the way is long', () => {
    const route = [centre, { xMm: 130, yMm: 80 }, { xMm: 130, yMm: 110 }];
    expect(rounded({ shape: 'line', route, count: 3 })).toEqual([
      [100, 80],
      [130, 80],
      [130, 110],
    ]);
  });
  it('on every ring the nearest neighbours are the chord apart', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 60 }),
        fc.double({ min: 1, max: 500, noNaN: true }),
        fc.double({ min: -360, max: 360, noNaN: true }),
        (count, radiusMm, startDeg) => {
          const places = layOut({ shape: 'ring', centre, radiusMm, count, startDeg, clockwise: true });
          // The side of a polygon of so many corners in that circle.
          expect(nearestMm(places)).toBeCloseTo(2 * radiusMm * Math.sin(Math.PI / count), 6);
        },
      ),
    );
  });
});

const group = (id: string, places: readonly (readonly [number, number, string?])[]) =>
  itemOf('light', {
    id,
    places: places.map(([xMm, yMm, hollowId], i) => ({
      id: `${id}${i}`,
      at: { xMm, yMm },
      hollowId: hollowId ?? null,
    })),
  });
const bore = (id: string, xMm: number, yMm: number) =>
  ({ id, name: id, kind: 'bore', at: { xMm, yMm }, diameterMm: 5, depthMm: 10 }) as const;

describe('groups as one', () => {
  it('two kinds go round a ring by turns; those there are keep their ids and bores, what is over goes with its wires', () => {
    const design = circuitOf(
      [
        group('a', [
          [0, 0, 'bore'],
          [1, 1],
          [2, 2],
        ]),
        group('b', []),
      ],
      {
        hollows: [bore('bore', 0, 0)],
        wires: { gaugesInStock: [28], runs: [{ runId: 'light:a:a2', lengthMm: 50, gaugeAwg: null, colours: null }] },
      },
    );
    const laid = layInTurn(
      design,
      ['a', 'b'],
      [10, 20, 30, 40].map((xMm) => ({ xMm, yMm: 0 })),
      counter(),
    );
    const [a, b] = laid.items;
    expect([at(a), at(b)]).toEqual([
      [
        [10, 0],
        [30, 0],
      ],
      [
        [20, 0],
        [40, 0],
      ],
    ]);
    expect(a?.kind === 'light' && a.places.map(({ id, hollowId }) => [id, hollowId])).toEqual([
      ['a0', 'bore'],
      ['a1', null],
    ]);
    expect(laid.wires.runs).toEqual([]);
  });
  it('turned a quarter against the clock about its middle, mirrored, shifted; its own bores come along, shared ones stay', () => {
    const design = circuitOf(
      [
        group('a', [
          [0, 0, 'own'],
          [20, 0, 'shared'],
        ]),
        group('b', [[20, 0, 'shared']]),
      ],
      {
        hollows: [bore('own', 0, 0), bore('shared', 20, 0)],
      },
    );
    const still = { turnDeg: 0, mirrored: false, byMm: { xMm: 0, yMm: 0 } };
    const turned = shiftGroup(design, 'a', { ...still, turnDeg: 90 });
    // The left one goes to the bottom, the right one to the top.
    expect(at(turned.items[0])).toEqual([
      [10, 10],
      [10, -10],
    ]);
    expect(
      turned.hollows.map((each) => each.kind === 'bore' && [Math.round(each.at.xMm), Math.round(each.at.yMm)]),
    ).toEqual([
      [10, 10],
      [20, 0],
    ]);
    expect(at(shiftGroup(design, 'a', { ...still, mirrored: true }).items[0])).toEqual([
      [20, 0],
      [0, 0],
    ]);
    expect(at(shiftGroup(design, 'a', { ...still, byMm: { xMm: 5, yMm: 7 } }).items[0])[0]).toEqual([5, 7]);
    // What no plan can hold leaves it where it is.
    expect(shiftGroup(design, 'a', { ...still, byMm: { xMm: 30_000, yMm: 0 } })).toBe(design);
  });
  it('eight turns of an eighth are none, and a mirror twice', () => {
    const design = circuitOf([
      group('a', [
        [0, 0],
        [20, 5],
        [7, 33],
      ]),
    ]);
    const turn = (of: Design) => shiftGroup(of, 'a', { turnDeg: 45, mirrored: false, byMm: { xMm: 0, yMm: 0 } });
    const round = Array.from({ length: 8 }).reduce<Design>(turn, design);
    expect(at(round.items[0])).toEqual(at(design.items[0]));
    const mirror = (of: Design) => shiftGroup(of, 'a', { turnDeg: 0, mirrored: true, byMm: { xMm: 0, yMm: 0 } });
    expect(at(mirror(mirror(design)).items[0])).toEqual(at(design.items[0]));
  });
  it('a copy lies beside, does in each mood what the first does, and leaves a plan that can be read', () => {
    const steady = { kind: 'steady', colour: '#ffffff', level: 1 } as const;
    const base = circuitOf([
      group('a', [
        [0, 0],
        [20, 0],
      ]),
    ]);
    const design: Design = {
      ...base,
      moods: {
        ...base.moods,
        list: [
          {
            id: 'm',
            name: 'Glow',
            brightness: 1,
            moves: { a: steady },
            tops: [{ id: 't', on: 'a', how: 'over' as const, move: steady }],
          },
        ],
        startId: 'm',
      },
    };
    const copied = copyGroup(design, 'a', { id: 'c', name: 'Copy', byMm: { xMm: 3, yMm: 4 } }, counter());
    expect(at(copied.items[1])).toEqual([
      [3, 4],
      [23, 4],
    ]);
    expect(copied.moods.list[0]?.moves).toEqual({ a: steady, c: steady });
    expect(copied.moods.list[0]?.tops?.map(({ id, on }) => [id === 't', on])).toEqual([
      [true, 'a'],
      [false, 'c'],
    ]);
    const ids = copied.items.flatMap((item) => (item.kind === 'light' ? item.places.map((place) => place.id) : []));
    expect(new Set(ids).size).toBe(4);
    expect(readPlan(planOf(copied))).toMatchObject({ ok: true });
  });
});

describe('what is to be known before a hole is drilled', () => {
  const ring = (count: number, radiusMm = 40): Layout => ({
    shape: 'ring',
    centre,
    count,
    radiusMm,
    startDeg: 90,
    clockwise: true,
  });
  const facts = (layout: Layout, options: { acrossMm: number | null; channels: number; turns: number }) =>
    judgeLayout(layout, layOut(layout), options);

  it('24 on a ring of 40 mm stand a chord of 10.44 mm apart: 12 mm lights touch, and there is room for 20', () => {
    // 2 · 40 · sin(π / 24) = 10.44; room: π / asin(12 / 80) = 20.9.
    const { apartMm, touches, room } = facts(ring(24), { acrossMm: 12, channels: 1, turns: 1 });
    expect(apartMm).toBeCloseTo(10.44, 2);
    expect(touches).toBe(true);
    expect(room).toBe(20);
    expect(facts(ring(24), { acrossMm: 5, channels: 1, turns: 1 }).touches).toBe(false);
    expect(facts(ring(24), { acrossMm: null, channels: 1, turns: 1 })).toMatchObject({ touches: false, room: null });
  });
  it('a run shows its direction from three channels on; 24 on 5 leave a seam, 20 or 25 do not', () => {
    expect(facts(ring(24), { acrossMm: 5, channels: 2, turns: 1 }).showsDirection).toBe(false);
    expect(facts(ring(24), { acrossMm: 5, channels: 3, turns: 1 })).toMatchObject({ showsDirection: true, even: null });
    expect(facts(ring(24), { acrossMm: 5, channels: 5, turns: 1 }).even).toEqual({ fewer: 20, more: 25 });
    // A row has no seam.
    const row: Layout = { shape: 'row', from: centre, to: { xMm: 300, yMm: 80 }, count: 24 };
    expect(facts(row, { acrossMm: 5, channels: 5, turns: 1 }).even).toBeNull();
  });
  it('two kinds by turns round an odd ring stand beside their like at the seam', () => {
    expect(facts(ring(25), { acrossMm: 5, channels: 1, turns: 2 })).toMatchObject({ alikeAtSeam: true, each: 13 });
    expect(facts(ring(24), { acrossMm: 5, channels: 1, turns: 2 })).toMatchObject({ alikeAtSeam: false, each: 12 });
  });
});
