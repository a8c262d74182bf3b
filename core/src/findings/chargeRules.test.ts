import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { listSteps } from '../bench/index.ts';
import { exportWireCsv } from '../exports/index.ts';
import type { Item } from '../plan/index.ts';
import { usualPrinter } from '../units/index.ts';
import { checkDesign } from './index.ts';

const at = (xMm: number) => ({ xMm, yMm: 20 });
const pack = (change: object = {}): Item =>
  itemOf('pack', {
    id: 'pack',
    name: 'Pack',
    at: at(10),
    part: 'pack-lithium-round-3400',
    capacityMah: { likely: 850, spread: 20, origin: 'data sheet' },
    fuseA: 2,
    charging: 'in place, switched off',
    ...change,
  });
const charger = (change: object = {}): Item =>
  itemOf('charger', { id: 'charger', name: 'Charger', at: at(30), part: 'charger-lithium-1-0a1', ...change });
const main = itemOf('switch', { id: 'main', name: 'Main', at: at(50), feed: 'pack' });
const receiver = (feed: string, restA = 0.06): Item =>
  itemOf('load', {
    id: 'receiver',
    name: 'Receiver',
    at: at(80),
    part: 'load-any',
    feed,
    restA: { likely: restA, spread: 0, origin: 'measured' },
    usualA: { likely: restA, spread: 0, origin: 'measured' },
    mostA: { likely: restA, spread: 0, origin: 'measured' },
  });

const judge = (...items: Item[]) => {
  const design = circuitOf(items);
  const assessment = assess(design);
  const findings = checkDesign(design, assessment);
  return {
    design,
    assessment,
    found: (rule: string) => findings.find((each) => each.rule === rule),
    steps: listSteps(design, assessment).filter(({ id }) => id.includes(':charger')),
  };
};

describe('a charger in the piece', () => {
  it('850 mAh bear 425 mA: half an ampere is too much, and the largest that they bear is offered', () => {
    const fast = judge(pack(), main, receiver('main'), charger({ part: 'charger-lithium-1-0a5' })).found(
      'charger-fast',
    );
    expect(fast?.gravity).toBe('stop');
    // By hand: 0.5 of the capacity in an hour.
    expect(fast?.limit).toEqual({ kind: 'currentA', value: 0.425 });
    expect(fast?.fixes.map(({ label }) => label)).toEqual(['Take: Charger for one lithium cell, 0.1 A']);
    expect(judge(pack(), main, receiver('main'), charger()).found('charger-fast')).toBeUndefined();
  });

  it('a load that no switch cuts off hides the end of the charge', () => {
    // 60 mA beside a charger that stops at a tenth of 100 mA: it never stops.
    const found = judge(pack(), receiver('pack'), charger()).found('charge-load');
    expect(found?.gravity).toBe('stop');
    expect(found?.actual).toEqual({ kind: 'currentA', value: 0.06 });
    expect(found?.limit?.value).toBeCloseTo(0.01, 9);
    // Half a milliampere is less than where it stops.
    expect(judge(pack(), receiver('pack', 0.0005), charger()).found('charge-load')?.gravity).toBe('mend');
    // A charger with a way past the pack does not mind.
    expect(judge(pack(), receiver('pack'), charger({ part: 'charger-lithium-1-1a-path' })).found('charge-load')).toBe(
      undefined,
    );
  });

  it('an open switch between them is the proof, found along the nets; the bench measures it', () => {
    const good = judge(pack(), main, receiver('main'), charger());
    expect(good.found('charge-load')).toBeUndefined();
    expect(good.steps.map(({ id }) => id)).toEqual([
      'solder:lead:charger',
      'charge-path:charger',
      'charge-current:charger',
    ]);
    // Said to be charged while it runs, the same wiring is not enough.
    const running = judge(pack({ charging: 'in place, while it runs' }), main, receiver('main'), charger());
    expect(running.found('charge-load')?.gravity).toBe('mend');
    // The meter is set for what the charger gives.
    expect(good.steps[2]?.expect).toMatchObject({ kind: 'currentA', likely: 0.1 });
  });

  it('led behind the switch it charges only what is switched on', () => {
    const found = judge(pack(), main, receiver('main'), charger({ feed: 'main' })).found('charges-nothing');
    expect(found?.gravity).toBe('mend');
    expect(found?.fixes[0]?.edits.length).toBeGreaterThan(0);
  });

  it('for another chemistry or another number of cells is a stop', () => {
    const found = judge(pack(), main, receiver('main'), charger({ part: 'charger-lithium-2-1a' })).found(
      'charger-other',
    );
    expect(found?.gravity).toBe('stop');
    expect(found?.what).toBe('Charger is made for 2 × lithium-ion; Pack is 1 × lithium-ion');
  });

  it('on cells that are never charged the pack itself says so, once', () => {
    const { found } = judge(
      pack({ part: 'pack-three-aa-alkaline', capacityMah: null }),
      main,
      receiver('main'),
      charger(),
    );
    expect(found('charge-primary')?.gravity).toBe('stop');
    expect(found('charger-other')).toBeUndefined();
  });

  it('bare terminals are a stop without a fuse, and a mend with one', () => {
    const gravity = (fuseA: number | null) =>
      judge(pack({ fuseA }), main, receiver('main'), charger({ inlet: 'bare terminals' })).found('terminals-bare')
        ?.gravity;
    expect([gravity(null), gravity(2)]).toEqual(['stop', 'mend']);
  });

  it('is wired to the pack, thick enough for its current, unless the pack is taken out for it', () => {
    const wired = judge(pack(), main, receiver('main'), charger());
    expect(exportWireCsv(wired.assessment, usualPrinter)).toMatch(/Lead of Charger/);
    const lead = wired.assessment.runs.find(({ id }) => id === 'lead:charger');
    expect(lead?.from.itemId).toBe('pack');
    // Shorted at its socket, the pack feeds it up to its fuse of 2 A; without one it is wired for the 0.25 A that would suit.
    expect(lead?.carryA).toBe(2);
    const bare = judge(pack({ fuseA: null }), main, receiver('main'), charger());
    expect(bare.assessment.runs.find(({ id }) => id === 'lead:charger')?.carryA).toBe(0.25);
    const taken = judge(pack({ charging: 'taken out' }), main, receiver('main'), charger());
    expect(taken.assessment.runs.some(({ id }) => id === 'lead:charger')).toBe(false);
    expect(taken.found('charge-load')).toBeUndefined();
  });
});
