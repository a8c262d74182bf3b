import { describe, expect, it } from 'vitest';
import { celsius, quantitiesOf, usualPrinter } from '../units/index.ts';
import {
  deratedCurrentA,
  heatedShare,
  hollowWalls,
  isTooNear,
  judgeReflow,
  junctionTemperature,
  lightHeat,
  type ReflowPoint,
  reflowAlloys,
  softensAtC,
  solderVolume,
  timeAbove,
} from './index.ts';

describe('temperature', () => {
  it('3.05 V × 0.7 A with 30 % as light: 1.494 W; 26 K/W at 22 °C: 60.9 °C', () => {
    const P = lightHeat.reckon({ V: 3.05, I: 0.7, n: 0.3 });
    expect(P).toBeCloseTo(1.4945, 4);
    expect(junctionTemperature.reckon({ Ta: 22, P, Rt: 26 })).toBeCloseTo(60.9, 1);
  });
  it('60 s of τ 180 s are 28.3 % of the rise', () => {
    expect(heatedShare(60, 180)).toBeCloseTo(0.283, 3);
  });
  it('0.9 W × 35 K/W at 24 °C is 55.5 °C: within 10 K of hot-melt, refused', () => {
    const at = junctionTemperature.reckon({ Ta: 24, P: 0.9, Rt: 35 });
    expect(at).toBeCloseTo(55.5, 9);
    expect(isTooNear(at, softensAtC['hot-melt glue'] ?? 0)).toBe(true);
    expect(isTooNear(40, softensAtC['hot-melt glue'] ?? 0)).toBe(false);
  });
  it('the derated current stands just at the limit, and a cool light keeps its own', () => {
    const light = {
      ambientC: 30,
      limitC: 120,
      thermalKPerW: 150,
      lightShare: 0.3,
      mostA: 0.7,
      voltageAt: (I: number) => 2.8 + I,
    };
    const derated = deratedCurrentA(light);
    const P = lightHeat.reckon({ V: light.voltageAt(derated), I: derated, n: 0.3 });
    expect(junctionTemperature.reckon({ Ta: 30, P, Rt: 150 })).toBeCloseTo(120, 6);
    expect(deratedCurrentA({ ...light, thermalKPerW: 5 })).toBe(0.7);
  });
});

describe('reflow', () => {
  /** Up at 1.5 K/s, held, down at 2.5 K/s. */
  const held = (seconds: number): readonly ReflowPoint[] => {
    const up = (245 - 25) / 1.5;
    return [
      { atS: 0, temperatureC: 25 },
      { atS: up, temperatureC: 245 },
      { atS: up + seconds, temperatureC: 245 },
      { atS: up + seconds + 80, temperatureC: 45 },
    ];
  };
  it('lead-free, 245 °C held 18 s: 22.3 s at the peak, 47.9 s above 217 °C; the least of 60 s fails', () => {
    const verdict = judgeReflow(held(18), reflowAlloys['lead-free']);
    // 18 + 4/1.5 + 4/2.5, and 18 + 28/1.5 + 28/2.5.
    expect(verdict.atPeakS).toBeCloseTo(22.3, 1);
    expect(verdict.aboveMeltS).toBeCloseTo(47.9, 1);
    expect(verdict.faults.map(usualPrinter.message)).toEqual([expect.stringMatching(/less than 60.0 s/)]);
  });
  it('held 31 s it passes with 60.9 s', () => {
    const verdict = judgeReflow(held(31), reflowAlloys['lead-free']);
    expect(verdict.aboveMeltS).toBeCloseTo(60.9, 1);
    expect(verdict.faults).toEqual([]);
  });
  it('names each fault: too cold, too hot, too steep, shocked', () => {
    const steep: ReflowPoint[] = [
      { atS: 0, temperatureC: 25 },
      { atS: 50, temperatureC: 260 },
      { atS: 140, temperatureC: 256 },
      { atS: 160, temperatureC: 60 },
    ];
    const { faults } = judgeReflow(steep, reflowAlloys['lead-free']);
    expect(faults.map(usualPrinter.message).join(' ')).toMatch(/above 250.*rises by 4\.70 K\/s.*cools by 9\.80 K\/s/);
    expect(quantitiesOf(judgeReflow(steep.slice(0, 1), reflowAlloys['tin-lead']).faults[0] ?? '')[1]).toEqual(
      celsius(205),
    );
    expect(timeAbove(steep, 300)).toBe(0);
  });
  it('pad 3.0 × 2.4 mm, 0.12 mm of paste, half metal: 0.432 mm³', () => {
    expect(solderVolume.reckon({ a: 3, b: 2.4, h: 0.12, m: 0.5 })).toBeCloseTo(0.432, 9);
  });
});

describe('a closed hollow', () => {
  it('64 × 44 × 50 mm has 164 cm² of wall: 12.2 K/W, and a cube of a metre 0.033', () => {
    // 2 · (6.4·4.4 + 6.4·5 + 4.4·5) cm² = 164.3 cm²; 1 / (5 · 0.01643).
    expect(hollowWalls.reckon({ w: 64, h: 44, d: 50 })).toBeCloseTo(12.17, 2);
    expect(hollowWalls.reckon({ w: 1000, h: 1000, d: 1000 })).toBeCloseTo(1 / 30, 6);
  });
});
