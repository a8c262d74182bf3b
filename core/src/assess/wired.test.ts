import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf, moodOf, soundDesign, tapeOf } from '../../tests/designs.ts';
import { type Assessment, assess } from '../assess.ts';
import { railsOhm } from '../items/index.ts';
import { builtInLibrary, findPart, type OwnPart } from '../parts/index.ts';

const consumerOf = ({ consumers }: Assessment, id: string) => {
  const found = consumers.find((each) => each.id === id);
  const follows = found?.follows;
  if (!found || !follows) throw new Error(`${id} draws by the voltage of its rail`);
  return { ...found, fullAt: (railV: number): number => follows.law(railV, [1]) };
};

describe('what the rails of a tape lose', () => {
  it('is so much a metre, wherever it is cut: 60 a metre, 0.4 Ω a metre, 3 lights on: 0.02 Ω', () => {
    expect(railsOhm({ railOhmPerMetre: 0.4, perMetre: 60 }, 3)).toBeCloseTo(0.02, 12);
    expect(railsOhm({ railOhmPerMetre: 0.4, perMetre: 60 }, 60)).toBeCloseTo(0.4, 12);
  });

  const whole = findPart(builtInLibrary, 'pixel-tape', 'pixel-tape-74');
  if (!whole) throw new Error('the tape is in the catalogue');
  const cutIn = (lightsPerJoint: number): OwnPart =>
    // The same tape, but for where it may be cut.
    ({ ...whole, id: 'own-tape', name: 'Own tape', lightsPerJoint }) as unknown as OwnPart;
  const farEnd = (lightsPerJoint: number): readonly number[] => {
    const design = soundDesign({ tapes: [tapeOf({ part: 'own-tape', lengthMm: 890 })] });
    const [chain] = assess({ ...design, ownParts: [cutIn(lightsPerJoint)] }).chains;
    return chain?.voltageV ?? [];
  };
  it('does not grow with the lights from mark to mark', () => {
    // 890 mm at 74 a metre: 65 lights cut anywhere, 65 cut in fives.
    const [anywhere, inFives] = [farEnd(1), farEnd(5)];
    expect(anywhere).toHaveLength(65);
    expect(inFives).toHaveLength(65);
    for (const [i, volts] of inFives.entries()) expect(volts).toBeCloseTo(anywhere[i] ?? 0, 6);
  });
});

describe('what is drawn at full', () => {
  const places = [100, 900].map((xMm, i) => ({ id: `p${i}`, at: { xMm, yMm: 0 }, hollowId: null }));
  const pack = itemOf('pack', { id: 'pack', name: 'Pack', part: 'pack-three-aa-nimh' });
  const tape = itemOf('plain tape', {
    id: 'tape',
    name: 'Tape',
    part: 'plain-tape-12v-60-1',
    route: [
      { xMm: 100, yMm: 0 },
      { xMm: 2100, yMm: 0 },
    ],
  });
  const supply = itemOf('outside supply', { id: 'supply', name: 'Supply', part: 'supply-wall-12v-5a' });

  it('is what its rail gives with all that its wires lose: of always-lit lights', () => {
    const lights = itemOf('light', { id: 'lights', name: 'Lights', part: 'led-5mm-red', places });
    const assessment = assess(circuitOf([lights, pack]));
    const { fullA, steadyA, fullAt, railId } = consumerOf(assessment, 'lights');
    const nominalV = assessment.rails.byId.get(railId ?? '')?.range?.nominalV ?? 0;
    expect(nominalV).toBeGreaterThan(3);
    expect(fullA).toBe(0);
    expect(steadyA).toBeCloseTo(fullAt(nominalV), 12);
    expect(steadyA).toBeLessThan(assessment.driven.reduce((sum, each) => sum + each.totalA, 0));
  });

  it('is what its rail gives with all that its wires lose: of a long plain tape, a few hundredths less than without', () => {
    // 2 m of 60 a metre: some 9.6 W a metre at 12 V. Its rails and its lead take a few hundredths of the voltage,
    // which dice in series with a resistor feel two to three times.
    const board = itemOf('board', { id: 'board', name: 'Board', part: 'controller-large-5v', feed: 'five' });
    const five = itemOf('converter', { id: 'five', name: 'Five', part: 'buck-5v-3a' });
    const moods = { ...circuitOf([]).moods, list: [moodOf()] };
    const assessment = assess(circuitOf([{ ...tape, feed: 'supply' } as typeof tape, supply, board, five], { moods }));
    const { fullA, steadyA, fullAt, byBoard } = consumerOf(assessment, 'tape');
    const bare = assessment.driven.reduce((sum, each) => sum + each.totalA + each.holdA, 0);
    // Its base currents come out of the board’s own 5 V.
    expect(fullA + steadyA).toBeCloseTo(fullAt(12) + (byBoard?.fullA ?? 0), 9);
    expect(byBoard?.boardId).toBe('board');
    expect((fullA + steadyA) / bare).toBeLessThan(0.99);
    expect((fullA + steadyA) / bare).toBeGreaterThan(0.85);
  });
});
