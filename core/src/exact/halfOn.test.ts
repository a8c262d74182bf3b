import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf, moodOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { solveNetlist } from '../circuit/index.ts';
import { checkDesign } from '../findings/index.ts';
import { builtInLibrary, findPart } from '../parts/index.ts';
import { drawNetwork } from './index.ts';

const known = findPart(builtInLibrary, 'transistor', 'transistor-fet-30a');
if (!known) throw new Error('no such part');

/** Promised 0.5 Ω at 4.5 V: k = 1/(0.5 · (4.5 − 2.9)) = 1.25 A/V². */
const weak = { ...known, id: 'own-weak', like: known.id, onOhm: 0.5, gateV: 4.5, thresholdV: 2.9 };

/** Twenty red lights from 9 V on one channel of a 3.3 V board, and 2.4 m of tape from 12 V on another. */
const pieceWith = (part: typeof known | typeof weak) => {
  const switchedBy = [{ way: 'transistor below' as const, board: 'board', part: part.id }] as const;
  const design = circuitOf(
    [
      itemOf('outside supply', { id: 'nine', at: { xMm: 0, yMm: 0 }, part: 'supply-bench', volts: 9 }),
      itemOf('outside supply', { id: 'twelve', at: { xMm: 0, yMm: 20 }, part: 'supply-bench', volts: 12 }),
      itemOf('converter', { id: 'step', at: { xMm: 10, yMm: 0 }, part: 'buck-5v-3a', feed: 'nine' }),
      itemOf('board', { id: 'board', at: { xMm: 20, yMm: 0 }, part: 'controller-dual-3v3', feed: 'step' }),
      itemOf('light', {
        id: 'lamps',
        feed: 'nine',
        part: 'led-5mm-red',
        wantedCurrentA: 0.02,
        switchedBy: switchedBy[0],
        places: Array.from({ length: 20 }, (_, i) => ({ id: `p${i}`, at: { xMm: 10 * i, yMm: 80 }, hollowId: null })),
      }),
      itemOf('plain tape', {
        id: 'tape',
        part: 'plain-tape-12v-60-1',
        feed: 'twelve',
        switchedBy,
        lengthMm: 2400,
        route: [
          { xMm: 0, yMm: 50 },
          { xMm: 2400, yMm: 50 },
        ],
      }),
    ],
    {
      ownParts: 'like' in part ? [part] : [],
      moods: {
        list: [
          moodOf({
            id: 'm',
            brightness: 1,
            moves: {
              tape: { kind: 'steady', colour: '#ffffff', level: 1 },
              lamps: { kind: 'steady', colour: '#ffffff', level: 1 },
            },
          }),
        ],
        startId: 'm',
        cues: [],
        course: [],
        cueUses: [],
      },
    },
  );
  const assessment = assess(design);
  const solved = solveNetlist(drawNetwork(design, assessment, { charge: 0.5, moodId: 'm', openIds: [] }).netlist);
  if (!solved.ok) throw new Error(solved.reason);
  const through = (itemId: string): number =>
    [...solved.currentA]
      .filter(([name]) => name.startsWith(`channel:${itemId}`) && name.includes(': transistor, half on'))
      .reduce((sum, [, amps]) => sum + Math.abs(amps), 0);
  const of = (itemId: string) => {
    const driven = assessment.driven.find((each) => each.itemId === itemId);
    if (!driven) throw new Error(itemId);
    return driven;
  };
  const stops = checkDesign(design, assessment).filter(({ gravity }) => gravity === 'stop');
  return { of, through, stops, names: [...solved.currentA.keys()] };
};

describe('a transistor that its pin turns half on', () => {
  it('lets through what its law says: of a heavy load no more than its knee, of a light one nearly all', () => {
    const { of, through, stops } = pieceWith(weak);
    // Saturated: k/2 · (3.3 − 2.9)² = 0.625 · 0.16 = 100 mA, whatever hangs on it. The tape asks for more.
    expect(of('tape').channelA).toBeCloseTo(0.1, 2);
    expect(through('tape')).toBeCloseTo(0.1, 2);
    // Lights of 0.4 A in all are cut down to the same; a tick is nowhere near.
    expect(of('lamps').channelA).toBeCloseTo(0.1, 2);
    expect(through('lamps')).toBeCloseTo(0.1, 2);
    expect(stops.map(({ id }) => id)).toEqual(expect.arrayContaining(['gate-low:lamps:0', 'gate-low:tape:0']));
  });

  it('well below its knee agrees with the network as well', () => {
    // Promised 0.05 Ω: k = 12.5 A/V², 1 A at most; below it k·(0.4 − v/2)·v is what flows.
    const better = { ...weak, onOhm: 0.05 };
    const { of, through } = pieceWith(better);
    expect(of('lamps').channelA).toBeGreaterThan(0.3);
    expect(Math.abs(of('lamps').channelA / through('lamps') - 1)).toBeLessThan(0.02);
    // Rails and wires of the tape are in the network only: 1 A over 1.2 m of them on the mean.
    expect(of('tape').channelA / through('tape')).toBeGreaterThan(1);
    expect(of('tape').channelA / through('tape')).toBeLessThan(1.06);
  });

  it('keeps the resistors that a full one asks for, so that the mend is the transistor alone', () => {
    const full = pieceWith({ ...weak, gateV: 3, thresholdV: 1.6 });
    const half = pieceWith(weak);
    expect(half.of('lamps').resistor?.resistorOhm).toBe(full.of('lamps').resistor?.resistorOhm);
    expect(half.of('lamps').resistor?.overruled).toBe(false);
    expect(full.of('lamps').channelA).toBeGreaterThan(3 * half.of('lamps').channelA);
  });

  it('is dark below its threshold', () => {
    // Promised at 10 V, from 5.5 V on it begins to conduct: 3.3 V at its gate are nothing.
    const { of, through, stops } = pieceWith(known);
    expect(of('tape').channelA).toBeLessThan(1e-6);
    expect(through('tape')).toBeLessThan(1e-9);
    expect(stops.map(({ rule }) => rule)).toEqual(['gate-low', 'gate-low']);
  });
});
