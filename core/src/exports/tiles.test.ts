import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoPlan } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { usualPrinter } from '../units/index.ts';
import { exportTemplateTiles, layTiles } from './index.ts';

describe('a template on sheets', () => {
  it('640 × 420 mm on A4: 182 × 269 mm to a sheet with 12 mm of lap, so 4 × 2 upright', () => {
    // Across (640 − 12) ÷ (182 − 12) = 3.7, down (420 − 12) ÷ (269 − 12) = 1.6; turned it would be 3 × 3.
    expect(layTiles(640, 420, 'A4')).toMatchObject({ columns: 4, rows: 2, widthMm: 210, heightMm: 297 });
  });
  it('what goes on one sheet is on one', () => {
    expect(layTiles(150, 200, 'A4').tiles).toHaveLength(1);
    expect(layTiles(250, 150, 'Letter')).toMatchObject({ columns: 1, rows: 1, widthMm: 279.4 });
  });
  it('every place of the drawing is on a sheet, and neighbours lap', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 3000, noNaN: true }),
        fc.double({ min: 20, max: 3000, noNaN: true }),
        fc.constantFrom('A4' as const, 'Letter' as const),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (widthMm, heightMm, paper, across, down) => {
          const { tiles, shownWidthMm, shownHeightMm, columns } = layTiles(widthMm, heightMm, paper);
          const [x, y] = [across * widthMm, down * heightMm];
          expect(
            tiles.some(
              (tile) =>
                x >= tile.xMm &&
                x <= tile.xMm + shownWidthMm + 1e-6 &&
                y >= tile.yMm &&
                y <= tile.yMm + shownHeightMm + 1e-6,
            ),
          ).toBe(true);
          const [first, second] = tiles;
          if (columns > 1 && first && second) expect(first.xMm + shownWidthMm - second.xMm).toBeCloseTo(12, 6);
        },
      ),
      { seed: 8, numRuns: 200 },
    );
  });
  it('the headdress: each sheet says where it belongs, and shows the whole drawing’s crosses', () => {
    const plan = demoPlan();
    const page = exportTemplateTiles(plan, assess(plan.design), 'front', 'A4', usualPrinter);
    const { widthMm, heightMm } = plan.design.view;
    const count = page.match(/class="sheet"/g)?.length ?? 0;
    expect(count).toBeGreaterThanOrEqual(layTiles(widthMm + 40, heightMm + 40, 'A4').tiles.length);
    expect(page).toContain(`Sheet ${count} of ${count}`);
    expect(page.match(/<use href="#drawing"\/>/g)).toHaveLength(count);
    expect(page).not.toMatch(/<script|NaN|undefined/);
  });
});
