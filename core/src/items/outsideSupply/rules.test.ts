import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf } from '../../../tests/designs.ts';
import { assess } from '../../assess.ts';
import { checkDesign } from '../../findings/index.ts';
import { applyEdits, type Design } from '../../plan/index.ts';

const supplied = (range: object): Design =>
  circuitOf([
    itemOf('outside supply', {
      id: 'supply',
      name: 'Cart battery',
      at: { xMm: 10, yMm: 10 },
      part: 'supply-bench',
      volts: 12,
      tolerance: 0.05,
      ...range,
    }),
    itemOf('light', {
      id: 'lamp',
      part: 'led-5mm-red',
      wantedCurrentA: 0.01,
      resistorOhm: 1000,
      switchedBy: { way: 'always on' },
      places: [{ id: 'a', at: { xMm: 60, yMm: 40 }, hollowId: null }],
    }),
  ]);
const cornersOf = (design: Design) => assess(design).driven[0]?.corners;
const toldOf = (design: Design) => checkDesign(design, assess(design)).filter(({ rule }) => rule === 'supply-range');

describe('a supply that varies more to one side', () => {
  it('gives its lights what it sinks and rises to, each without the other', () => {
    // A light of 1.9 V ± 0.15 V behind 1 kΩ ± 5 %: at 14.4 V (14.4 − 1.75)/950 = 13.3 mA, at 10.5 V (10.5 − 2.05)/1050 = 8.05.
    const both = cornersOf(supplied({ sinksToV: 10.5, risesToV: 14.4 }));
    expect((both?.brightestA ?? 0) * 1000).toBeCloseTo(13.3, 1);
    expect((both?.dimmestA ?? 0) * 1000).toBeCloseTo(8.05, 1);
    const usual = cornersOf(supplied({}));
    const sinks = cornersOf(supplied({ sinksToV: 10.5 }));
    expect(sinks?.brightestA).toBe(usual?.brightestA);
    expect(sinks?.dimmestA).toBe(both?.dimmestA);
    expect(sinks?.currentA).toBe(usual?.currentA);
  });

  it('is told where it would sink above its voltage or rise below it, and one click takes the slip out', () => {
    expect(toldOf(supplied({ sinksToV: 10.5, risesToV: 14.4 }))).toEqual([]);
    for (const slip of [{ sinksToV: 13 }, { risesToV: 11 }, { sinksToV: 10, risesToV: 11 }]) {
      const design = supplied(slip);
      const [told] = toldOf(design);
      expect(told?.gravity).toBe('mend');
      const mended = applyEdits(design, told?.fixes[0]?.edits ?? []);
      expect(toldOf(mended)).toEqual([]);
    }
  });
});
