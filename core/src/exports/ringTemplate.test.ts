import { expect, it } from 'vitest';
import { markRing } from '../lights/index.ts';
import { usualPrinter } from '../units/index.ts';
import { exportRingSvg } from './index.ts';

const ring = { radiusMm: 62, count: 27, startDeg: 90, clockwise: true };

it('draws a ring at true size: one unit a millimetre, every mark on its place, a rule of 100 mm', () => {
  const svg = exportRingSvg({ radiusMm: 62, marks: markRing({ ...ring, back: false }) }, 'Crown', usualPrinter);
  const [, width = '', height = ''] = /width="([\d.]+)mm" height="([\d.]+)mm"/.exec(svg) ?? [];
  expect(svg).toContain(`viewBox="0 0 ${width} ${height}"`);
  expect(svg).toContain('r="62"');
  expect(svg).toMatch(/dividers 14\.40/);
  expect(svg.match(/<text[^>]*text-anchor="middle">\d+<\/text>/g)).toHaveLength(27);
  // The first mark stands straight above the centre: a cross 4 mm wide from 2 mm left of it.
  expect(svg).toContain(`M${Number(width) / 2 - 2} 20 h4`);
  expect(svg).toContain('h100');
});

it('the back is the mirror image: what stood right of the centre stands left of it', () => {
  const at = (back: boolean): number => {
    const marks = markRing({ ...ring, back });
    return marks[1]?.xMm ?? 0;
  };
  expect(at(true)).toBeCloseTo(-at(false), 9);
});
