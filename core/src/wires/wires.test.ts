import { describe, expect, it } from 'vitest';
import { demoPlan, soundDesign, tapeOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { chooseGauge, colourCores, cutLength, type NetRole } from '../network/index.ts';
import { gaugeDiameter, wireCarriesA, wireDrop, wireOhmPerMetre } from './index.ts';

describe('gauge and drop', () => {
  it.each([
    [18, 0.0209, 4],
    [24, 0.0842, 4],
    [30, 0.339, 3],
  ])('%d gauge: %d Ω/m', (gauge, ohms, digits) => {
    expect(wireOhmPerMetre(gauge)).toBeCloseTo(ohms, digits);
  });
  it('1.2 A over 0.7 m out and back in 24 gauge: 0.141 V', () => {
    expect(wireDrop.reckon({ n: 2, I: 1.2, L: 700, r: wireOhmPerMetre(24) })).toBeCloseTo(0.141, 3);
  });
  it('36 gauge is 0.127 mm and each step is thinner', () => {
    expect(gaugeDiameter.reckon({ n: 36 })).toBeCloseTo(0.127, 9);
    for (let gauge = 15; gauge <= 34; gauge += 1)
      expect(wireCarriesA(gauge)).toBeLessThanOrEqual(wireCarriesA(gauge - 1));
  });
  it('copper at 60 °C has 16 % more', () => {
    expect(wireOhmPerMetre(24, 60) / wireOhmPerMetre(24)).toBeCloseTo(1.157, 3);
  });
});

describe('runs', () => {
  it('480 mm on the picture is cut to 636 mm', () => {
    expect(cutLength.reckon({ d: 480 })).toBeCloseTo(636, 9);
  });
  it('takes the thinnest gauge in the drawer that carries and keeps the drop', () => {
    expect(chooseGauge([30, 28, 26, 24, 22], { carryA: 1, lengthMm: 200, railV: 5, ways: 2 })).toBe(26);
    expect(chooseGauge([30, 28, 26, 24, 22], { carryA: 1, lengthMm: 2000, railV: 5, ways: 2 })).toBe(22);
    expect(chooseGauge([30], { carryA: 3, lengthMm: 200, railV: 5, ways: 2 })).toBe(30);
    expect(chooseGauge([24, 30], { carryA: null, lengthMm: 200, railV: 5, ways: 2 })).toBe(30);
  });
  it('keeps one meaning to a colour, and no live core is black', () => {
    const roles: readonly NetRole[] = [
      'pack plus',
      'minus',
      'rail plus',
      'data',
      ...new Array<NetRole>(12).fill('signal'),
    ];
    const nets = roles.map((role, i) => ({ id: `${role} ${i}`, name: role, role, railId: null }));
    const colours = colourCores([...nets, { id: 'second rail', name: 'rail', role: 'rail plus', railId: null }]);
    expect(new Set(colours.values()).size).toBe(nets.length + 1);
    expect([...colours].filter(([, colour]) => colour === 'black').map(([id]) => id)).toEqual(['minus 1']);
    // Another rail keeps its colour's meaning and gets a stripe.
    expect(colours.get('second rail')).toBe('orange, 1 stripe');
  });
  it('a jumper carries what is behind it, a feed the whole chain', () => {
    const { runs } = assess(demoPlan().design);
    const peak = (id: string): number => runs.find((run) => run.id === id)?.peakA ?? 0;
    expect(peak('feed:jaw-upper')).toBeGreaterThan(peak('jumper:jaw-lower'));
    // Both jaws white at 70 %: 66 · (0.8 + 36 · 0.7) mA.
    expect(peak('feed:jaw-upper')).toBeCloseTo(66 * (0.0008 + 0.036 * 0.7), 6);
  });
});

describe('the rows of a grid', () => {
  it('are joined by three cores each, the first with what all later rows draw', () => {
    const grid = { columns: 8, rows: 8, snakes: true };
    const { runs, chains } = assess(soundDesign({ tapes: [tapeOf({ grid })] }));
    const rows = runs.filter((run) => run.id.startsWith('row:tape:'));
    expect(rows).toHaveLength(7);
    expect(rows.every((run) => run.cores.length === 3)).toBe(true);
    // Seven eighths of the feed go on to the second row, one eighth to the last.
    const feedA = runs.find((run) => run.id === 'feed:tape')?.peakA ?? 0;
    expect(rows[0]?.peakA).toBeCloseTo((feedA * 7) / 8, 9);
    expect(rows[6]?.peakA).toBeCloseTo(feedA / 8, 9);
    // Their drop is part of the voltage along the tape: at each end of a row it falls by more than within.
    const volts = chains[0]?.voltageV ?? [];
    const drop = (light: number): number => (volts[light] ?? 0) - (volts[light + 1] ?? 0);
    expect(drop(7)).toBeGreaterThan(drop(6) * 1.05);
  });
  it('where rows all run the same way, the wire goes back over the whole row', () => {
    const lengthOf = (snakes: boolean): number =>
      assess(soundDesign({ tapes: [tapeOf({ grid: { columns: 8, rows: 2, snakes } })] })).runs.find((run) =>
        run.id.startsWith('row:'),
      )?.lengthMm ?? 0;
    expect(lengthOf(false)).toBeGreaterThan(lengthOf(true) + 90);
  });
});
