import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { listSteps } from '../bench/index.ts';
import { checkDesign } from '../findings/index.ts';
import { readPartsCsv } from '../parts/index.ts';
import { applyEdits, type Design, type Item } from '../plan/index.ts';
import { usualPrinter } from '../units/index.ts';

type Light = Extract<Item, { kind: 'light' }>;

/** A white power star on a driver that holds its current, on 5 V. */
const lamp = (change: Partial<Light> = {}, setA = 0.35, carriedBy: 'nobody' | 'adult' = 'nobody'): Design => {
  const base = circuitOf([
    itemOf('outside supply', { id: 'supply', at: { xMm: 0, yMm: 0 }, part: 'supply-bench', volts: 5 }),
    itemOf('driver', { id: 'driver', name: 'Driver', at: { xMm: 0, yMm: 0 }, part: 'driver-20ma', setA }),
    itemOf('light', {
      id: 'lamp',
      name: 'Lamp',
      part: 'led-star-white',
      wantedCurrentA: 0.35,
      switchedBy: { way: 'driver', by: 'driver', board: null },
      places: [{ id: 'p', at: { xMm: 50, yMm: 0 }, hollowId: null }],
      ...change,
    }),
  ]);
  return { ...base, piece: { ...base.piece, ambientC: 22, carriedBy } };
};
const starOf = (design: Design) => {
  const star = assess(design).warm.parts.find(({ what }) => what === 'light');
  if (!star) throw new Error('no star is warm');
  return star;
};
const idsOf = (design: Design): string[] => checkDesign(design, assess(design)).map(({ id }) => id);

describe('a power star', () => {
  it('on a heatsink of 16 K/W: what does not leave as light, over the resistances from inside to the air', () => {
    const star = starOf(lamp({ sinkKPerW: 16 }));
    // V(0.35 A): nVt = (2.65 − 2.5 − 0.7 · 0.019) / ln 20 = 0.04563; 2.5 − 0.0007 + 0.04563 · ln 350 + 0.245 = 3.012 V.
    // 3.012 V · 0.35 A · 0.7 = 0.738 W; sink 22 + 0.738 · 16 = 33.8 °C, inside 10 K/W more: 41.2 °C.
    expect(star.heatW).toBeCloseTo(0.738, 3);
    expect(star.forGood.outsideC).toBeCloseTo(33.8, 1);
    expect(star.forGood.insideC).toBeCloseTo(41.2, 1);
    expect(star.after.outsideC).toBe(star.forGood.outsideC);
  });
  it('without one, in a closed hollow, it gets hotter by what the hollow keeps in', () => {
    const open = starOf(lamp());
    const closed = starOf(lamp({ hollowKPerW: 10 }));
    expect(closed.forGood.insideC - open.forGood.insideC).toBeCloseTo(open.heatW * 10, 6);
    // Closed in a box of 100 × 100 × 50 mm its walls say it: 400 cm² at 5 W/m²K, 5 K/W. Another size, another figure.
    const boxed = (depthMm: number, change: object = {}): number =>
      starOf({
        ...lamp({ boxId: 'housing', ...change }),
        hollows: [
          { kind: 'box', id: 'housing', name: 'H', at: { xMm: 0, yMm: 0 }, widthMm: 100, heightMm: 100, depthMm },
        ],
      }).forGood.insideC - open.forGood.insideC;
    expect(boxed(50)).toBeCloseTo(open.heatW * 5, 6);
    expect(boxed(100)).toBeCloseTo((open.heatW * 10) / 3, 6);
    expect(boxed(50, { hollowKPerW: 10 })).toBeCloseTo(open.heatW * 10, 6);
    // Three of them warm the air of one hollow together.
    const places = [0, 1, 2].map((i) => ({ id: `p${i}`, at: { xMm: 20 * i, yMm: 0 }, hollowId: null }));
    const three = lamp({ hollowKPerW: 10, places });
    const twelve = {
      ...three,
      items: three.items.map((item) => (item.kind === 'outside supply' ? { ...item, volts: 12 } : item)),
    };
    expect(starOf(twelve).forGood.insideC - open.forGood.insideC).toBeCloseTo(3 * open.heatW * 10, 6);
  });
  it('lit for a while on a heavy sink it is cooler than lit for good', () => {
    const brief = starOf(lamp({ sinkKPerW: 16, sinkG: 60, litS: 60 }));
    expect(brief.after.outsideC).toBeLessThan(brief.forGood.outsideC - 5);
    // Heat of 60 s in 54 J/K, hardly any of it gone yet: 0.738 · 60 / 54 = 0.82 K.
    expect(brief.after.outsideC - 22).toBeGreaterThan(0.6);
    expect(brief.after.outsideC - 22).toBeLessThan(0.82);
  });
  it('what holds its current works as long as it does: after a minute its driver is nearly cold', () => {
    const brief = assess(lamp({ litS: 60 })).warm.parts.find(({ what }) => what === 'driver');
    // 0.713 W behind 60 K/W and 3 J/K, τ 180 s: 28.3 % of 42.8 K after 60 s.
    expect(brief?.after.seconds).toBe(60);
    expect((brief?.after.outsideC ?? 0) - 22).toBeCloseTo(0.283 * 42.8, 0);
  });
  it('too hot inside is stopped, and set to what it bears by a click', () => {
    const design = lamp({ sinkKPerW: 200 });
    const found = checkDesign(design, assess(design)).find(({ id }) => id === 'too-hot:star:lamp');
    expect(found?.gravity).toBe('stop');
    const mended = applyEdits(design, found?.fixes[0]?.edits ?? []);
    expect(starOf(mended).after.insideC).toBeLessThanOrEqual(120.01);
    expect(starOf(mended).after.insideC).toBeGreaterThan(105);
    expect(idsOf(mended)).not.toContain('too-hot:star:lamp');
  });
  it('softens the glue that holds it only where it is that warm, and is told of to whoever carries it', () => {
    expect(idsOf(lamp({ heldBy: 'hot-melt glue' }))).toContain('softens:star:lamp');
    expect(idsOf(lamp({ heldBy: 'hot-melt glue', sinkKPerW: 8 }))).not.toContain('softens:star:lamp');
    expect(idsOf(lamp({ heldBy: 'printed ABS', sinkKPerW: 16 }))).not.toContain('softens:star:lamp');
    expect(idsOf(lamp({}, 0.35, 'adult'))).toContain('hot-touch:star:lamp');
    expect(idsOf(lamp())).not.toContain('hot-touch:star:lamp');
  });
  it('its heatsink is bought, its warmth is a reading at the bench, and its driver is told of where it gets warm too', () => {
    const design = lamp({ sinkKPerW: 16 });
    const assessment = assess(design);
    expect(assessment.shopping.map(({ name }) => usualPrinter.message(name))).toContain('Heatsink, 16.0 K/W or less');
    const step = listSteps(design, assessment).find(({ id }) => id === 'warm:lamp');
    expect(step?.expect?.kind).toBe('temperatureC');
    expect(step?.expect?.likely).toBeCloseTo(33.8, 1);
    // The supply gives 5.05 V at most: (5.05 V − 3.01 V) · 0.35 A = 0.713 W in the driver, at 60 K/W.
    const driver = assessment.warm.parts.find(({ what }) => what === 'driver');
    expect(driver?.heatW).toBeCloseTo(0.713, 3);
    expect(driver?.forGood.outsideC).toBeCloseTo(22 + 0.713 * 60, 0);
  });
});

describe('other warm parts', () => {
  it('a resistor of a quarter of a watt: 130 K for each', () => {
    // Brightest: (12.12 V − 1.90 V) / 532 Ω = 19.2 mA; 19.2² · 560 = 0.206 W; 26.8 K.
    const design = circuitOf([
      itemOf('outside supply', { id: 'supply', at: { xMm: 0, yMm: 0 }, part: 'supply-bench', volts: 12 }),
      itemOf('light', {
        id: 'eye',
        part: 'led-5mm-amber',
        places: [{ id: 'p', at: { xMm: 50, yMm: 0 }, hollowId: null }],
        switchedBy: { way: 'always on' },
        resistorOhm: 560,
      }),
    ]);
    const { parts: warm } = assess(design).warm;
    expect(warm[0]?.what).toBe('resistor');
    expect((warm[0]?.forGood.outsideC ?? 0) - design.piece.ambientC).toBeCloseTo(26.8, 0);
  });
  it('what hardly warms is not told of', () => {
    const design = circuitOf([
      itemOf('outside supply', { id: 'supply', at: { xMm: 0, yMm: 0 }, part: 'supply-bench', volts: 5 }),
      itemOf('light', {
        id: 'eye',
        wantedCurrentA: 0.003,
        places: [{ id: 'p', at: { xMm: 5, yMm: 0 }, hollowId: null }],
        switchedBy: { way: 'always on' },
      }),
    ]);
    expect(assess(design).warm.parts).toEqual([]);
  });
});

describe('a star of the maker’s own', () => {
  it('with 4 K/W from its inside to its board instead of the typical 10 is so much cooler inside, and no cooler outside', () => {
    const read = readPartsCsv('kind,like,name,price,inside to board\nled,led-star-white,Mine,4,4 K/W\n');
    expect(read.problems).toEqual([]);
    const [own] = read.parts;
    const starOf = (part: string) => {
      const design = circuitOf([
        itemOf('outside supply', { id: 'supply', at: { xMm: 0, yMm: 0 }, part: 'supply-bench', volts: 5 }),
        itemOf('light', {
          id: 'star',
          part,
          wantedCurrentA: 0.3,
          resistorRatedW: 2,
          places: [{ id: 'p', at: { xMm: 50, yMm: 0 }, hollowId: null }],
          switchedBy: { way: 'always on' },
        }),
      ]);
      return assess({ ...design, ownParts: [...read.parts] }).warm.parts.find(({ what }) => what === 'light');
    };
    const [typical, mine] = [starOf('led-star-white'), starOf(own?.id ?? '')];
    expect(mine?.forGood.outsideC).toBeCloseTo(typical?.forGood.outsideC ?? 0, 6);
    expect((typical?.forGood.insideC ?? 0) - (mine?.forGood.insideC ?? 0)).toBeCloseTo(6 * (mine?.heatW ?? 0), 6);
  });
});
