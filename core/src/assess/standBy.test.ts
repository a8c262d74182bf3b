import { describe, expect, it } from 'vitest';
import { allDemos, circuitOf, itemOf, planOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { listSteps } from '../bench/index.ts';
import { exportShoppingCsv, exportWireCsv, writeMoodCard } from '../exports/index.ts';
import { checkDesign, listWishes } from '../findings/index.ts';
import { applyEdits, type Design, type Item } from '../plan/index.ts';
import { usualPrinter } from '../units/index.ts';

const at = { xMm: 10, yMm: 10 };
const lamp = (feed: string): Item =>
  itemOf('light', {
    id: 'lamp',
    name: 'Lamp',
    part: 'led-5mm-red',
    feed,
    switchedBy: { way: 'always on' },
    places: [{ id: 'a', at: { xMm: 60, yMm: 40 }, hollowId: null }],
  });
const pack = (change: object = {}): Item =>
  itemOf('pack', { id: 'pack', name: 'Pack', at, part: 'pack-lithium-round-3400', ...change });
const wanting = (hoursWanted: number, ...items: readonly Item[]): Design => {
  const design = circuitOf(items);
  return { ...design, piece: { ...design.piece, hoursWanted } };
};
const waiting = (design: Design) => {
  const [first] = assess(design).standBy;
  if (!first) throw new Error('no pack');
  return first;
};
const found = (design: Design) => checkDesign(design, assess(design));

describe('a pack while its piece waits', () => {
  it('behind an open switch only the cells lose: 3 % a month are 33 months', () => {
    const off = waiting(wanting(3, pack(), itemOf('switch', { id: 's', at, feed: 'pack' }), lamp('s')));
    expect(off.off.drawnA).toBe(0);
    // 1/0.03 months of 730 h.
    expect(off.off.keepsH).toBeCloseTo(730 / 0.03, 6);
    // Switched on it is lit: there is no leaving it on and dark.
    expect(off.dark).toBeNull();
  });

  it('what hangs before the switch drains it all the same: a converter’s idling, a protection board', () => {
    const items = [
      pack({ part: 'pack-lithium-round-5000', protection: 'protection-one-3a' }),
      itemOf('converter', { id: 'step', at, part: 'boost-5v-1a5', feed: 'pack' }),
      itemOf('switch', { id: 's', at, feed: 'step' }),
      lamp('s'),
    ];
    const { off } = waiting(wanting(3, ...items));
    const idleA = off.drawnA - 4e-6;
    expect(idleA).toBeGreaterThan(0);
    // I = 4 µA + idling + 3 % of the charge a month; t = C/I.
    const source = assess(wanting(3, ...items)).supply?.tree.source;
    if (source?.kind !== 'pack') throw new Error('no pack');
    const capacityAh = source.pack.capacityMah / 1000;
    expect(off.keepsH).toBeCloseTo(capacityAh / (off.drawnA + (capacityAh * 0.03) / 730), 3);
  });

  it('a remote box waits with 8 mA, its rails out; a gate with what its pull-ups let through; a held lamp with nothing', () => {
    const demo = (name: string) => {
      const found = allDemos().find(([each]) => each.startsWith(name))?.[1].design;
      if (!found) throw new Error(`no ${name}`);
      return waiting(found);
    };
    expect(demo('Bandstand').dark?.drawnA).toBeCloseTo(0.008, 9);
    // At 8 °C the 7 Ah are 6.35; of them the block itself loses 4 % a month, 254 mAh in 730 h: 0.348 mA.
    expect(demo('Bandstand').dark?.keepsH).toBeCloseTo(6350 / 8.348, 0);
    // 5.04 V over 47, 150 and 470 kΩ.
    expect(demo('Harbour beacon, by a gate').dark?.drawnA).toBeCloseTo(5.04 / 47e3 + 5.04 / 150e3 + 5.04 / 470e3, 6);
    expect(demo('Mooring').dark).toBeNull();
    expect(demo('Lock').dark).toBeNull();
  });

  it('11.1 V and 2.6 Ah are 28.9 Wh', () => {
    // Three cells sold as 3.7 V each.
    const three = wanting(
      3,
      pack({ part: 'pack-three-lithium-round', capacityMah: { likely: 2600, spread: 100, origin: 'measured' } }),
      lamp('pack'),
    );
    const energyWh = waiting(three).energyWh;
    expect(energyWh).toBeCloseTo(28.86, 2);
  });
});

describe('packs to bring', () => {
  const design = wanting(
    5.5,
    pack({ capacityMah: { likely: 60, spread: 3, origin: 'measured' } }),
    itemOf('light', {
      id: 'lamp',
      name: 'Lamp',
      part: 'led-5mm-red',
      feed: 'pack',
      switchedBy: { way: 'always on' },
      places: [0, 1].map((i) => ({ id: `l${i}`, at: { xMm: 60 + 20 * i, yMm: 40 }, hollowId: null })),
    }),
  );

  it('counts with the cautious time, exchanges in even stretches, and closes wish and finding', () => {
    const first = waiting(design);
    const cautiousH = assess(design).runsFor?.cautiousH ?? 0;
    expect(cautiousH).toBeGreaterThan(1);
    expect(cautiousH).toBeLessThan(5.5);
    expect(first.asked).toBe(Math.ceil(5.5 / cautiousH));
    const short = found(design).find(({ id }) => id === 'runs-short');
    const bring = short?.fixes.find(({ label }) => usualPrinter.message(label).startsWith('Bring'));
    if (!bring) throw new Error('not offered');
    const brought = applyEdits(design, bring.edits);
    expect(found(brought).some(({ id }) => id === 'runs-short')).toBe(false);
    expect(listWishes(brought, assess(brought)).find(({ id }) => id === 'hours')?.status).toBe('met');
    const again = waiting(brought);
    expect(again.brought).toBe(first.asked);
    expect(again.swapsH).toHaveLength((first.asked ?? 0) - 1);
    expect(again.swapsH[0]).toBeCloseTo(cautiousH, 9);
    expect(exportShoppingCsv(assess(brought), 1, usualPrinter)).toMatch(
      new RegExp(`protected",${first.asked},1,${first.asked},piece`),
    );
    expect(writeMoodCard(planOf(brought), assess(brought), usualPrinter)).toContain('switched off and exchanged');
  });
});

describe('a lithium pack that nothing cuts off', () => {
  const bare = { part: 'pack-lithium-round-5000' };
  const board = itemOf('board', { id: 'board', name: 'Board', at, part: 'controller-radio-3v3', feed: 'pack' });
  const sense = itemOf('charge sense', { id: 'low', name: 'Charge', at, board: 'board' });
  const ids = (design: Design): string[] => found(design).map(({ id, gravity }) => `${id} ${gravity}`);

  it('is stopped, and a protection board mends it; one with protection inside, or none at all of lithium, is not', () => {
    const design = wanting(1, pack(bare), lamp('pack'));
    const told = found(design).find(({ id }) => id === 'no-cut-off:pack');
    expect(told?.gravity).toBe('stop');
    const mended = applyEdits(design, told?.fixes[0]?.edits ?? []);
    expect(ids(mended).filter((id) => /no-cut-off|protection-other/.test(id))).toEqual([]);
    for (const part of ['pack-lithium-round-3400', 'pack-two-c-alkaline'])
      expect(ids(wanting(1, pack({ part }), lamp('pack'))).filter((id) => id.startsWith('no-cut-off'))).toEqual([]);
  });

  it('a sign alone is not enough, a cue to another mood is', () => {
    const moods: Design['moods'] = {
      list: ['on', 'saved'].map((id) => ({ id, name: id, brightness: 1, moves: {} })),
      startId: 'on',
      cues: [],
      course: [],
      cueUses: [],
    };
    const base = { ...wanting(1, pack(bare), board, sense, lamp('pack')), moods };
    const signs = [{ id: 's', name: 'Low', controlId: 'low', moves: {} }];
    expect(ids(base)).toContain('no-cut-off:pack stop');
    expect(ids({ ...base, moods: { ...moods, signs } })).toContain('no-cut-off:pack mend');
    const cues: Design['moods']['cues'] = [
      { id: 'c', from: null, when: { kind: 'low', controlId: 'low' }, to: 'saved', fadeS: 0, backAfterS: null },
    ];
    expect(ids({ ...base, moods: { ...moods, cues } }).filter((id) => id.startsWith('no-cut-off'))).toEqual([]);
  });

  it('its board stands on paper: bought, soldered before the wires with a reading, and all else begins behind it', () => {
    const design = wanting(
      1,
      pack({ ...bare, protection: 'protection-one-3a' }),
      itemOf('switch', { id: 's', name: 'Main', at: { xMm: 90, yMm: 10 }, feed: 'pack' }),
      lamp('s'),
    );
    const assessment = assess(design);
    expect(exportShoppingCsv(assessment, 1, usualPrinter)).toContain('Protection board, one lithium cell, 3 A');
    const steps = listSteps(design, assessment);
    const at = steps.findIndex(({ id }) => id === 'protection:pack');
    // A lithium cell of 4.19 V when full; the board cuts off at 2.5 V, the cell’s own end at 2.8 V is told elsewhere.
    expect(steps[at]?.expect?.high).toBeGreaterThan(4.19);
    expect(steps[at]?.expect?.low).toBeLessThan(2.5);
    expect(at).toBeLessThan(steps.findIndex(({ id }) => id.startsWith('solder:')));
    expect(exportWireCsv(assessment, usualPrinter)).toContain('Pack plus (behind its protection board');
  });

  it('its board that has let go comes back as it does: at the bench and on the card, and a large reservoir is told of', () => {
    const tape = (reservoirUf: number): Item =>
      itemOf('pixel tape', {
        id: 'tape',
        part: 'pixel-tape-60',
        feed: 'pack',
        reservoirUf,
        route: [
          { xMm: 0, yMm: 0 },
          { xMm: 167, yMm: 0 },
        ],
      });
    const guarded = (reservoirUf: number): Design =>
      wanting(1, pack({ ...bare, protection: 'protection-one-3a', fuseA: null }), board, tape(reservoirUf));
    // 4.2 V over some 0.15 Ω are 28 A; above 10 A for 0.15 Ω · C · ln 2.8: 0.15 ms of 1,000 µF, 1.5 ms of 10,000 µF.
    const filling = (design: Design): string[] => ids(design).filter((id) => id.startsWith('filling-trips'));
    expect(filling(guarded(1000))).toEqual([]);
    expect(filling(guarded(10_000))).toEqual(['filling-trips:pack mend']);
    const design = guarded(1000);
    const step = listSteps(design, assess(design)).find(({ id }) => id === 'protection:pack');
    expect(usualPrinter.message(step?.todo ?? '')).toContain('until the piece is switched off for a moment');
    expect(writeMoodCard(planOf(design), assess(design), usualPrinter)).toContain('if all goes dark at once');
  });

  it('a protection board for other cells is refused; one that suits ends the night where it cuts off', () => {
    const two = wanting(1, pack({ ...bare, protection: 'protection-two-8a' }), lamp('pack'));
    expect(ids(two)).toContain('protection-other:pack stop');
    const one = assess(wanting(1, pack({ ...bare, protection: 'protection-one-3a' }), lamp('pack')));
    const gives = one.rails.byId.get('pack')?.gives;
    if (gives?.form !== 'cells' || !gives.part) throw new Error('no pack');
    expect([gives.part.steadyLimitA <= 3, gives.part.protected]).toEqual([true, true]);
  });
});
