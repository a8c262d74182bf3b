import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ledsOf, soundDesign, tapeOf } from '../../tests/designs.ts';
import { cutTape } from '../items/index.ts';
import { builtInLibrary, leds } from '../parts/index.ts';
import { bundleDiameterMm, fitLight, fitTape, placeLights } from './index.ts';

const led3 = leds.find((part) => part.id === 'led-3mm-amber');
if (!led3) throw new Error('the 3 mm amber light is in the catalogue');
const boreOf = (diameterMm: number, depthMm = 20) => ({
  id: 'b',
  name: 'Bore',
  kind: 'bore' as const,
  at: { xMm: 0, yMm: 0 },
  diameterMm,
  depthMm,
});

describe('cutting tape', () => {
  it.each([
    [583, 74, 1, 43, 581.08, 1.92],
    [312, 74, 1, 23, 310.81, 1.19],
    // Plain tape, cut every third light: 9 units.
    [400, 72, 3, 27, 375, 25],
  ])('%d mm at %d/m, cut every %d: %d lights', (routeMm, perMetre, lightsPerJoint, lights, lit, gap) => {
    const cut = cutTape({ routeMm, perMetre, lightsPerJoint });
    expect(cut.lights).toBe(lights);
    expect(cut.litLengthMm).toBeCloseTo(lit, 2);
    expect(cut.gapMm).toBeCloseTo(gap, 2);
  });
  it('says how much the next longer one is too long: 44 would be 11.6 mm', () => {
    expect(cutTape({ routeMm: 583, perMetre: 74, lightsPerJoint: 1 }).longer).toMatchObject({ lights: 44 });
    expect(cutTape({ routeMm: 583, perMetre: 74, lightsPerJoint: 1 }).longer.overMm).toBeCloseTo(11.6, 1);
  });
  it('loses no light on a route of exactly n joints', () => {
    for (const perMetre of [30, 60, 74, 100, 144, 200]) {
      for (let n = 1; n < 300; n += 1)
        expect(cutTape({ routeMm: (n * 1000) / perMetre, perMetre, lightsPerJoint: 1 }).lights).toBe(n);
    }
  });
  it('never overruns its route and leaves less than one joint', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 20_000, noNaN: true }),
        fc.constantFrom(30, 60, 74, 144),
        fc.constantFrom(1, 3, 6),
        (routeMm, perMetre, lightsPerJoint) => {
          const cut = cutTape({ routeMm, perMetre, lightsPerJoint });
          expect(cut.litLengthMm).toBeLessThanOrEqual(routeMm + 1e-3);
          expect(cut.longer.lengthMm).toBeGreaterThan(routeMm - 1e-3);
          expect(cut.lights % lightsPerJoint).toBe(0);
        },
      ),
      { seed: 4 },
    );
  });
});

describe('fit', () => {
  it('3.4 mm flange and 0.45 mm of sleeve each side: 4.3 mm finished, least bore 4.7 mm', () => {
    const fit = fitLight(led3, { sleeved: true }, boreOf(4.7));
    expect(fit.finishedMm).toBeCloseTo(4.3, 9);
    expect(fit.leastBoreMm).toBeCloseTo(4.7, 9);
    expect(fit.verdict).toBe('fits');
  });
  it.each([
    [4.69, 'fits if eased'],
    [4.3, 'fits if eased'],
    [4.29, 'does not fit'],
  ])('in a bore of %d mm it %s', (diameterMm, verdict) => {
    expect(fitLight(led3, { sleeved: true }, boreOf(diameterMm)).verdict).toBe(verdict);
  });
  it('counts the sleeve only where there is one, and the depth', () => {
    expect(fitLight(led3, { sleeved: false }, boreOf(3.8)).verdict).toBe('fits');
    expect(fitLight(led3, { sleeved: false }, boreOf(3.8, 3)).verdict).toBe('fits if eased');
  });
  it.each([
    [2, 2],
    [3, 2.155],
    [4, 2.414],
    [5, 2.701],
    [6, 3],
    [7, 3],
    [12, 4.03],
  ])('a bundle of %d wires is %d wire diameters across', (wires, diameters) => {
    expect(bundleDiameterMm(wires, 1)).toBeCloseTo(diameters, 3);
  });
  it('a tape wants clearance on both sides and room above', () => {
    const channel = (widthMm: number, depthMm: number) => ({
      id: 'c',
      name: 'C',
      kind: 'channel' as const,
      at: { xMm: 0, yMm: 0 },
      widthMm,
      depthMm,
    });
    expect(fitTape({ widthMm: 8, heightMm: 2 }, channel(8.4, 3)).verdict).toBe('fits');
    expect(fitTape({ widthMm: 8, heightMm: 2 }, channel(8.2, 3)).verdict).toBe('fits if eased');
    expect(fitTape({ widthMm: 8, heightMm: 2 }, channel(7.9, 3)).verdict).toBe('does not fit');
    expect(fitTape({ widthMm: 8, heightMm: 2 }, channel(9, 1)).verdict).toBe('does not fit');
  });
});

describe('placing', () => {
  it('numbers run on through a second tape, and reversing only turns the places round', () => {
    const design = soundDesign({ tapes: [tapeOf({ id: 'b', after: 'a' }), tapeOf({ id: 'a' })] });
    const placed = placeLights(design, builtInLibrary);
    expect(placed.map((group) => group.id)).toEqual(['a', 'b']);
    expect(placed[1]).toMatchObject({ firstIndex: 22 });
    const [turned] = placeLights(soundDesign({ tapes: [tapeOf({ reversed: true })] }), builtInLibrary);
    expect(turned?.places[0]?.xMm).toBeCloseTo(300 - 1000 / 74 / 2, 6);
  });
  it('spreads a typed length over the drawn route', () => {
    const [placed] = placeLights(soundDesign({ tapes: [tapeOf({ lengthMm: 600 })] }), builtInLibrary);
    expect(placed?.places.length).toBe(44);
    expect(placed?.places[43]?.xMm).toBeLessThanOrEqual(300);
  });
  it('leaves out what has no part, and bears an empty route', () => {
    const design = soundDesign({
      tapes: [tapeOf({ route: [] }), tapeOf({ id: 'x', part: 'gone' })],
      leds: [ledsOf({ places: [] })],
    });
    expect(placeLights(design, builtInLibrary).map((group) => group.places.length)).toEqual([0, 0]);
  });
});
