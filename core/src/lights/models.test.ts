import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  acceptanceDeg,
  arcMinuteDistanceM,
  areDotsSeen,
  balanceOf,
  bareRadiusMm,
  bundleDiameterMm,
  chordBend,
  chordOfRing,
  cutFromStock,
  depthOverPitchFor,
  dotsVanishFromM,
  endShare,
  equalLook,
  fadeSteps,
  fibreBundle,
  fillOfHollow,
  firstHarmonic,
  fitBox,
  gapToCover,
  interleave,
  layersForRatio,
  lightDose,
  longestTapeMm,
  markRing,
  perceivedShare,
  profileOf,
  ringRoom,
  rippleOf,
  type Size3,
  screenWeights,
  secondsToDose,
  skinStretch,
  spotRadiusMm,
  tapeCurrent,
  throughLayers,
  trimMassG,
  turningForce,
} from './index.ts';

describe('evenness behind a diffuser', () => {
  it.each([
    [0.6, 0.218],
    [0.8, 0.079],
    [0.9, 0.0466],
    [1.1, 0.0158],
    [1.2, 0.0091],
  ])('depth %d of the pitch: ripple %d', (depth, ripple) => {
    expect(rippleOf(depth, 1)).toBeCloseTo(ripple, 3);
    // A second method: the first harmonic of the periodic sum, from the Fourier transform of one emitter.
    expect(firstHarmonic.reckon({ h: depth, p: 1 }) / rippleOf(depth, 1)).toBeCloseTo(1, 1);
  });
  it('8 % needs 0.798 of the pitch, 3 % 0.982: 10.8 mm at 74/m, 8.0 at 100/m, 4.0 at 200/m', () => {
    expect(depthOverPitchFor(0.08)).toBeCloseTo(0.798, 3);
    expect(depthOverPitchFor(0.03)).toBeCloseTo(0.982, 3);
    for (const [perMetre, depthMm] of [
      [74, 10.8],
      [100, 8],
      [200, 4],
    ] as const)
      expect((depthOverPitchFor(0.08) * 1000) / perMetre).toBeCloseTo(depthMm, 1);
  });
  it('over the end light at depth = pitch 81 % is left; both scaled alike change nothing; deeper is never less even', () => {
    expect(endShare(10, 10)).toBeCloseTo(0.81, 2);
    expect(rippleOf(8, 10)).toBeCloseTo(rippleOf(16, 20), 12);
    for (let depth = 0.3; depth < 2; depth += 0.1) expect(rippleOf(depth + 0.1, 1)).toBeLessThan(rippleOf(depth, 1));
  });
  it('one arc-minute at 13.5 mm is 46 m, so the diffuser does the work', () => {
    expect(arcMinuteDistanceM(13.5)).toBeCloseTo(46.4, 1);
    // Bare dots carry far, a ripple of 1.6 % is lost within a few metres, and a coarse row looks even from the back.
    expect(dotsVanishFromM(1, 13.5)).toBeGreaterThan(dotsVanishFromM(0.08, 13.5));
    expect(areDotsSeen(0.08, 13.5, 30)).toBe(false);
    expect(dotsVanishFromM(0.001, 13.5)).toBe(0);
  });
  it('the profile is brightest inside the row and falls off beyond its ends', () => {
    const profile = profileOf({ depthMm: 10, pitchMm: 10, lights: 9, points: 201 });
    expect(profile[0]?.share).toBeLessThan(0.5);
    expect(profile[100]?.share).toBeGreaterThan(0.95);
  });
});

describe('light held back', () => {
  it('0.35 and 50 to 1: four layers leave 0.0150, three 0.0429', () => {
    expect(layersForRatio.reckon({ T: 0.35, k: 50 })).toBe(4);
    expect(throughLayers(0.35, 4)).toBeCloseTo(0.015, 4);
    expect(throughLayers(0.35, 3)).toBeCloseTo(0.0429, 4);
  });
});

describe('bundles', () => {
  it('90 fibres of 0.5 mm: 5.24 mm by hand, 4.98 mm at the bound', () => {
    expect(fibreBundle.reckon({ n: 90, d: 0.5, f: 0.82 })).toBeCloseTo(5.24, 2);
    expect(fibreBundle.reckon({ n: 90, d: 0.5, f: 0.907 })).toBeCloseTo(4.98, 2);
  });
  it('a 2 mm die of 60° covers it from a gap of 0.93 mm; against it, only the middle is lit', () => {
    expect(gapToCover.reckon({ D: 5.22, s: 2, a: 60 })).toBeCloseTo(0.93, 2);
    expect(gapToCover.reckon({ D: 1.5, s: 2, a: 60 })).toBe(0);
    expect(acceptanceDeg(0.5)).toBeCloseTo(30, 9);
  });
  it('wires through a bore: the known packings, never under the rule of areas, never thinner for more', () => {
    [2, 2.155, 2.414, 2.701, 3, 3].forEach((diameter, i) => {
      expect(bundleDiameterMm(i + 2, 1)).toBeCloseTo(diameter, 3);
    });
    expect(bundleDiameterMm(12, 1)).toBeCloseTo(4.03, 3);
    for (let n = 1; n < 200; n += 1) {
      expect(bundleDiameterMm(n + 1, 1)).toBeGreaterThanOrEqual(bundleDiameterMm(n, 1));
      // No packing fills more than π/√12 of the plane.
      expect(n / bundleDiameterMm(n, 1) ** 2).toBeLessThan(n === 1 ? 1.01 : 0.907);
    }
    // The rule of thumb 1.155·√n is short for most n below 18.
    expect(bundleDiameterMm(5, 1)).toBeGreaterThan(1.155 * Math.sqrt(5));
  });
});

describe('equal look', () => {
  it('the weights of a screen sum to one, and red to green at a constant sum is 3.36 times the luminance', () => {
    expect(screenWeights.red + screenWeights.green + screenWeights.blue).toBeCloseTo(1, 12);
    expect(screenWeights.green / screenWeights.red).toBeCloseTo(3.36, 2);
  });
  it('cap before gamma leaves 35 steps (top 34), after it 103; with 12 bits 218 and 241', () => {
    const common = { gamma: 2.2, cap: 0.4 };
    expect(fadeSteps({ ...common, bits: 8, capFirst: true })).toEqual({ steps: 35, top: 34 });
    expect(fadeSteps({ ...common, bits: 8, capFirst: false })).toEqual({ steps: 103, top: 102 });
    expect(fadeSteps({ ...common, bits: 12, capFirst: true }).steps).toBe(218);
    expect(fadeSteps({ ...common, bits: 12, capFirst: false }).steps).toBe(241);
  });
  it('70 % of the current looks like 85 %, half like 73 %', () => {
    expect(perceivedShare.reckon({ x: 0.7 })).toBeCloseTo(0.85, 2);
    expect(perceivedShare.reckon({ x: 0.5 })).toBeCloseTo(0.73, 2);
  });
  it('the weakest stays at full and all come out alike', () => {
    const intensities = [900, 4000, 1100];
    const levels = equalLook(intensities);
    expect(levels[0]).toBe(1);
    levels.forEach((level, i) => {
      expect(level * (intensities[i] ?? 0)).toBeCloseTo(900, 9);
    });
  });
});

describe('marking out', () => {
  it('27 on a radius of 62 mm: 13.333°, chord 14.396 mm, arc 14.428 mm; room for 43 at 9 mm', () => {
    const marks = markRing({ radiusMm: 62, count: 27, startDeg: 0, clockwise: false, back: false });
    expect(marks[1]?.angleDeg).toBeCloseTo(13.333, 3);
    expect(chordOfRing.reckon({ r: 62, N: 27 })).toBeCloseTo(14.396, 3);
    expect((2 * Math.PI * 62) / 27).toBeCloseTo(14.428, 3);
    expect(ringRoom.reckon({ r: 62, s: 9 })).toBe(43);
    // The trap: arcs set with dividers; and 0.4 mm a step, stepped off, is 10.8 mm at the end.
    expect(27 * 0.4).toBeCloseTo(10.8, 9);
  });
  it('every mark is a chord from the next, the last from the first; arcs sum to the circumference', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 90 }), fc.double({ min: 3, max: 900, noNaN: true }), (count, radiusMm) => {
        const marks = markRing({ radiusMm, count, startDeg: 37, clockwise: true, back: false });
        const chord = chordOfRing.reckon({ r: radiusMm, N: count });
        marks.forEach((mark, i) => {
          const next = marks[(i + 1) % count] ?? mark;
          expect(Math.hypot(next.xMm - mark.xMm, next.yMm - mark.yMm)).toBeCloseTo(chord, 8);
        });
        const arcs = marks.reduce((sum, mark, i) => {
          const next = marks[(i + 1) % count] ?? mark;
          return sum + (((mark.angleDeg - next.angleDeg + 720) % 360 || 360) * Math.PI * radiusMm) / 180;
        }, 0);
        expect(Math.abs(arcs - 2 * Math.PI * radiusMm) / radiusMm).toBeLessThan(1e-9);
      }),
      { seed: 11, numRuns: 60 },
    );
  });
  it('the back is the mirror image', () => {
    const ring = { radiusMm: 40, count: 7, startDeg: 12, clockwise: false };
    const front = markRing({ ...ring, back: false });
    markRing({ ...ring, back: true }).forEach((mark, i) => {
      expect(mark.xMm).toBeCloseTo(-(front[i]?.xMm ?? 0), 9);
      expect(mark.yMm).toBeCloseTo(front[i]?.yMm ?? 0, 9);
    });
  });
  it('a curved skin stretches the pitch: 20 mm on a radius of 60 mm by half a per cent', () => {
    // asin(1/6)·6 = 1.00470
    expect(skinStretch(20, 60)).toBeCloseTo(1.0047, 4);
    expect(skinStretch(20, 1e9)).toBeCloseTo(1, 9);
  });
  it('24 lights on 3 channels: no seam; on 5: channel 4 is missing between lights 23 and 0', () => {
    expect(interleave(24, 3, 2)).toMatchObject({ missingAtSeam: [], showsDirection: true, pure: false });
    expect(interleave(24, 3, null).channels[1]).toEqual([1, 4, 7, 10, 13, 16, 19, 22]);
    expect(interleave(24, 5, null).missingAtSeam).toEqual([4]);
    expect(interleave(24, 6, 2).pure).toBe(true);
    expect(interleave(24, 2, null).showsDirection).toBe(false);
  });
  it('every light is on one channel, whatever the numbers', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 300 }), fc.integer({ min: 1, max: 12 }), (lights, channels) => {
        const all = interleave(lights, channels, null).channels.flat();
        expect([...all].sort((a, b) => a - b)).toEqual(Array.from({ length: lights }, (_, i) => i));
      }),
      { seed: 12 },
    );
  });
});

describe('cutting from stock', () => {
  it('3 × 620, 4 × 410, 5 × 260 from 1 m with 2 mm a cut: the sum says 5, the best is 6', () => {
    const plan = cutFromStock({
      pieces: [
        { length: 620, count: 3 },
        { length: 410, count: 4 },
        { length: 260, count: 5 },
      ],
      stock: [{ length: 1000, count: null }],
      kerf: 2,
    });
    expect(Math.ceil((3 * 620 + 4 * 410 + 5 * 260) / 1000)).toBe(5);
    expect(plan.cuts).toHaveLength(6);
    expect(plan.proven).toBe(true);
  });
  it('covers its list, overruns no stock, and pieces + offcuts + cuts = stock', () => {
    const piece = fc.record({ length: fc.integer({ min: 20, max: 900 }), count: fc.integer({ min: 1, max: 4 }) });
    fc.assert(
      fc.property(fc.array(piece, { minLength: 1, maxLength: 4 }), fc.integer({ min: 0, max: 4 }), (pieces, kerf) => {
        const plan = cutFromStock({ pieces, stock: [{ length: 1000, count: null }], kerf });
        const cut = plan.cuts.flatMap((each) => each.pieces).sort((a, b) => a - b);
        const wanted = pieces.flatMap((each) => new Array<number>(each.count).fill(each.length)).sort((a, b) => a - b);
        expect(cut).toEqual(wanted);
        for (const each of plan.cuts) {
          const taken = each.pieces.reduce((sum, length) => sum + length, 0) + (each.pieces.length - 1) * kerf;
          expect(taken).toBeLessThanOrEqual(1000);
          if (each.offcut > 0) expect(taken + kerf + each.offcut).toBeCloseTo(1000, 9);
        }
        expect(plan.cuts.length).toBeGreaterThanOrEqual(Math.ceil(wanted.reduce((a, b) => a + b, 0) / 1000));
      }),
      { seed: 13, numRuns: 60 },
    );
  });
  it('is as good as trying every way, on small lists', () => {
    /** The plain slow form: every partition of the pieces. */
    const fewest = (items: readonly number[], bins: number[]): number => {
      const [first, ...rest] = items;
      if (first === undefined) return bins.length;
      const into = bins.flatMap((free, i) =>
        free >= first
          ? [
              fewest(
                rest,
                bins.map((each, j) => (i === j ? each - first : each)),
              ),
            ]
          : [],
      );
      return Math.min(...into, fewest(rest, [...bins, 100 - first]));
    };
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 10, max: 70 }), { minLength: 1, maxLength: 7 }), (items) => {
        const plan = cutFromStock({
          pieces: items.map((length) => ({ length, count: 1 })),
          stock: [{ length: 100, count: null }],
          kerf: 0,
        });
        expect(plan.cuts).toHaveLength(fewest(items, []));
      }),
      { seed: 14, numRuns: 50 },
    );
  });
  it('takes the offcut before it opens a reel, and says what nothing is left for', () => {
    const stock = [
      { length: 5000, count: 1 },
      { length: 600, count: 1 },
    ];
    const plan = cutFromStock({ pieces: [{ length: 580, count: 1 }], stock, kerf: 0 });
    expect(plan.cuts.map((cut) => cut.stockLength)).toEqual([600]);
    expect(cutFromStock({ pieces: [{ length: 4000, count: 2 }], stock, kerf: 0 }).short).toEqual([4000]);
    expect(cutFromStock({ pieces: [], stock, kerf: 0 })).toMatchObject({ cuts: [], short: [] });
  });
});

describe('boxes and channels', () => {
  const size = fc.tuple(
    ...([1, 2, 3].map(() => fc.double({ min: 1, max: 90, noNaN: true })) as [
      fc.Arbitrary<number>,
      fc.Arbitrary<number>,
      fc.Arbitrary<number>,
    ]),
  );
  it('finds the turn: sorted against sorted is the best there is', () => {
    fc.assert(
      fc.property(size, size, (part, hollow) => {
        const [p, h] = [[...part].sort((a, b) => a - b), [...hollow].sort((a, b) => a - b)];
        const best = Math.min(...p.map((length, i) => (h[i] ?? 0) - length));
        expect(fitBox(part as Size3, hollow as Size3).tightestMm).toBeCloseTo(best, 9);
      }),
      { seed: 15 },
    );
  });
  it('a larger part never has more clearance', () => {
    fc.assert(
      fc.property(size, size, fc.integer({ min: 0, max: 2 }), (part, hollow, axis) => {
        const larger = part.map((length, i) => (i === axis ? length + 1 : length)) as unknown as Size3;
        expect(fitBox(larger, hollow as Size3).tightestMm).toBeLessThanOrEqual(
          fitBox(part as Size3, hollow as Size3).tightestMm + 1e-9,
        );
      }),
      { seed: 16 },
    );
  });
  it('what shares a hollow must fit by volume too', () => {
    const cell: Size3 = [18, 18, 68];
    expect(fitBox(cell, [70, 20, 40]).fits).toBe(true);
    expect(fillOfHollow([cell, cell], [70, 20, 40]).fits).toBe(false);
  });
  it('12 mm tape in a 12.8 mm channel in chords of 42 mm needs R 276 mm; inch tools are exact; 18 − 11.5 = 6.5', () => {
    expect(chordBend.reckon({ L: 42, s: 0.8 })).toBeCloseTo(276, 0);
    expect([3 / 8, 9 / 32, 5 / 8].map((inch) => inch * 25.4)).toEqual([9.524999999999999, 7.14375, 15.875]);
  });
});

describe('mass and balance', () => {
  it('0.08 g at 0.22 m and 840 rpm: 0.136 N, 174 times its weight', () => {
    expect(turningForce.reckon({ m: 0.08, r: 220, n: 840 })).toBeCloseTo(0.136, 3);
    expect(turningForce.reckon({ m: 0.08, r: 220, n: 840 }) / (0.08e-3 * 9.80665)).toBeCloseTo(174, 0);
  });
  it('12 g at 180 mm balances 10.8 g at 200 mm, 2160 g·mm a side; exchanged, only the sign flips', () => {
    const even = balanceOf([
      { massG: 12, atMm: -180 },
      { massG: 10.8, atMm: 200 },
    ]);
    expect(even).toMatchObject({ leftGmm: 2160, rightGmm: 2160, residualGmm: 0 });
    // Equal mass is not equal moment.
    const uneven = [
      { massG: 11, atMm: -180 },
      { massG: 11, atMm: 200 },
    ];
    const flipped = uneven.map((each) => ({ ...each, atMm: -each.atMm }));
    expect(balanceOf(uneven).residualGmm).toBeCloseTo(220, 9);
    expect(balanceOf(flipped).residualGmm).toBeCloseTo(-220, 9);
    expect(trimMassG(balanceOf(uneven), -100)).toBeCloseTo(2.2, 9);
    expect(trimMassG(balanceOf(uneven), 100)).toBeNull();
  });
});

describe('dose and plain tape', () => {
  it('12 mW over 2.5 cm² for 90 s: 0.432 J/cm²; 1.0 J/cm² takes 208 s; half the power, twice the time', () => {
    expect(lightDose.reckon({ P: 0.012, A: 2.5, t: 90 })).toBeCloseTo(0.432, 6);
    expect(secondsToDose(1, 0.012, 2.5)).toBeCloseTo(208, 0);
    expect(secondsToDose(1, 0.006, 2.5)).toBeCloseTo(2 * secondsToDose(1, 0.012, 2.5), 9);
  });
  it('9.6 W/m on 12 V: 2.4 m take 1.92 A, a 1.5 A supply feeds 1.875 m; sections add up', () => {
    expect(tapeCurrent.reckon({ P: 9.6, L: 2400, U: 12 })).toBeCloseTo(1.92, 9);
    expect(longestTapeMm(1.5, 12, 9.6)).toBeCloseTo(1875, 9);
    const of = (L: number): number => tapeCurrent.reckon({ P: 9.6, L, U: 12 });
    expect(of(900) + of(1500)).toBeCloseTo(of(2400), 12);
  });
});

describe('the spot of a light on its diffuser', () => {
  it('ends where a sum over a cosine emitter has fallen to a thirtieth', () => {
    const r = spotRadiusMm(1, 10);
    // Illuminance of a cosine emitter on a parallel sheet: cos⁴ of the angle against straight ahead.
    expect(Math.cos(Math.atan(r / 10)) ** 4).toBeCloseTo(1 / 30, 9);
  });
  it('is the bare light without a diffuser, and never less than half of it', () => {
    expect(spotRadiusMm(12, undefined)).toBe(12);
    expect(spotRadiusMm(12, 0.5)).toBe(6);
    expect(bareRadiusMm(4000)).toBeGreaterThan(bareRadiusMm(400));
  });
});
