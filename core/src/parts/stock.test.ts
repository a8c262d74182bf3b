import { describe, expect, it } from 'vitest';
import { builtInLibrary, readStockCsv, resistorsInStock, writeStockCsv } from './index.ts';

const drawer = `kind,name,count,condition,price,resistance,forward,current,note
resistor,carbon film,41,new,0.02,4k7,,,
resistor,from the old lantern,3,salvaged,,82 Ω,,,"measured, all three"
resistor,unknown bag,9,suspect,,120,,,
light,amber 5 mm,18,new,0.14,,2.06 V,20 mA,
`;

describe('the drawer as CSV', () => {
  it('reads what people write, with counts, prices and condition', () => {
    const { items, problems } = readStockCsv(drawer);
    expect(problems).toEqual([]);
    expect(items[0]).toMatchObject({
      kind: 'resistor',
      count: 41,
      condition: 'new',
      price: 0.02,
      values: { resistance: 4700 },
    });
    expect(items[1]).toMatchObject({ condition: 'salvaged', price: null, note: 'measured, all three' });
    expect(items[3]?.values).toEqual({ forward: 2.06, current: 0.02 });
  });
  it('what is suspect or used up is not counted on', () => {
    expect(resistorsInStock(readStockCsv(drawer).items)).toEqual([82, 4700]);
    expect(resistorsInStock(readStockCsv(drawer.replace('82 Ω', '82 Ω').replace(',3,', ',0,')).items)).toEqual([4700]);
  });
  it('is read back as it was written', () => {
    const { items } = readStockCsv(drawer);
    expect(readStockCsv(writeStockCsv(items)).items).toEqual(items);
  });
  it('says what is wrong line by line and keeps the rest', () => {
    const { items, problems } = readStockCsv(
      'kind,count,resistance,condition,price\nresistor,2,4k7,,\nresistor,2,,,\nlamp,-1,,,\nresistor,1,20 mA,,\nwire,1,,broken,\n,1,,,\nwire,1,,,free\n',
    );
    expect(items).toHaveLength(1);
    expect(problems.map((each) => each.line)).toEqual([3, 4, 5, 6, 7, 8]);
    expect(problems[2]?.problem).toMatch(/unit of a current/);
    expect(readStockCsv('nonsense').problems[0]?.problem).toMatch(/first line must name/);
  });
});

describe('the catalogue', () => {
  const parts = [...builtInLibrary.parts.values()];
  const countOf = (kind: string): number => parts.filter((part) => part.kind === kind).length;
  it.each([
    ['led', 25],
    ['pack', 30],
    ['controller', 8],
    ['transistor', 10],
    ['plug', 12],
    ['wire', 15],
  ])('has %s, %d or more', (kind, least) => expect(countOf(kind)).toBeGreaterThanOrEqual(least));
  it('has 12 tapes, 10 converters and protection boards, 12 switches and sensors', () => {
    expect(countOf('pixel-tape') + countOf('plain-tape')).toBeGreaterThanOrEqual(12);
    expect(countOf('converter') + countOf('protection')).toBeGreaterThanOrEqual(10);
    expect(countOf('switch') + countOf('sensor')).toBeGreaterThanOrEqual(12);
  });
  it('names no part twice, and every number in it is one', () => {
    expect(new Set(parts.map((part) => part.name)).size).toBe(parts.length);
    // JSON writes what is no number as null; only a wire without a gauge may have one.
    for (const part of parts)
      if (part.kind !== 'wire')
        // A board without a regulator, a reference or code of its own, and a driver without a dimming input.
        expect(JSON.stringify({ ...part, regulator: 0, dims: 0, converterReferenceV: 0, code: '' })).not.toMatch(
          /null/,
        );
  });
  it('packs give less the emptier they are, and no pack is cut off above its full voltage', () => {
    for (const part of parts)
      if (part.kind === 'pack') {
        expect(part.capacityMah.likely).toBeGreaterThan(part.capacityMah.spread);
        expect(part.cutOffV).toBeGreaterThan(0);
        expect(part.steadyLimitA).toBeGreaterThan(0);
      }
  });
});
