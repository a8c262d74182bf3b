import { describe, expect, it } from 'vitest';
import { circuitOf, itemOf, moodOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { explainDrive } from '../figures/index.ts';
import { transistors } from '../parts/index.ts';
import { usualPrinter } from '../units/index.ts';
import { compareTransistors } from './otherTransistor.ts';

/** One colour of 2.4 m of tape at 9.6 W a metre and 12 V: 1.92 A, 0.64 A a colour. */
const cloak = (board: string, part: string | null = null) => {
  const design = circuitOf(
    [
      itemOf('outside supply', { id: 'supply', at: { xMm: 0, yMm: 0 }, part: 'supply-bench', volts: 12 }),
      itemOf('converter', { id: 'step', at: { xMm: 10, yMm: 0 }, part: 'buck-5v-3a', feed: 'supply' }),
      itemOf('board', { id: 'board', at: { xMm: 20, yMm: 0 }, part: board, feed: 'step' }),
      itemOf('plain tape', {
        id: 'tape',
        name: 'Hem',
        part: 'plain-tape-12v-60-3',
        feed: 'supply',
        powerPerMetreW: { likely: 9.6, spread: 0.5, origin: 'measured' },
        lengthMm: 2400,
        ...(part !== null && { switchedBy: [{ way: 'transistor below' as const, board: null, part }] }),
        route: [
          { xMm: 0, yMm: 50 },
          { xMm: 2400, yMm: 50 },
        ],
      }),
    ],
    {
      moods: {
        list: [moodOf({ id: 'm', moves: { tape: { kind: 'steady', colour: '#ffffff', level: 1 } } })],
        startId: 'm',
        cues: [],
        course: [],
        cueUses: [],
      },
    },
  );
  const assessment = assess(design);
  const [driven] = assessment.driven;
  if (!driven) throw new Error('not driven');
  return { assessment, driven, compared: compareTransistors(driven, assessment.rails, assessment.library) };
};

describe('bipolar or field-effect', () => {
  it('the one that is taken and the other beside it, each with what it loses, warms and takes', () => {
    const { driven, compared } = cloak('controller-large-5v');
    if (!compared?.other) throw new Error('nothing to compare');
    const [fet, bipolar] =
      compared.own.part.type === 'bipolar' ? [compared.other, compared.own] : [compared.own, compared.other];
    expect(driven.channelA).toBeCloseTo(0.64, 1);
    // A field-effect one: its resistance, half as much again when warm, times 0.64 A; times 0.64 A once more in heat.
    expect(fet.lostV).toBeCloseTo(driven.channelA * fet.part.onOhm * 1.5, 9);
    expect(fet.heatW).toBeLessThan(0.1);
    // A bipolar one keeps its 0.2 to 1 V whatever flows, and takes current of the pin: a tenth of the channel, 64 mA,
    // is more than a pin of this board gives.
    expect(bipolar.lostV).toBe(bipolar.part.onDropV);
    expect(bipolar.heatW).toBeGreaterThan(fet.heatW);
    expect(compared.own.part.type).toBe('field-effect');
  });

  it('the sum says both, in words', () => {
    const { assessment, driven } = cloak('controller-large-5v');
    const lines = explainDrive(driven, assessment).lines.map(
      ({ label, value }) => `${usualPrinter.message(label)}: ${usualPrinter.message(value)}`,
    );
    expect(lines.some((line) => /field-effect: loses .* of heat/.test(line))).toBe(true);
    expect(lines.some((line) => line.startsWith('instead, bipolar: '))).toBe(true);
  });

  it('what a low pin only half opens is said so, with what it wants', () => {
    // One that wants more at its gate than the pin of 3.3 V gives, 5 % low.
    const wanting = transistors.find(
      ({ type, side, gateV, currentLimitA }) =>
        type === 'field-effect' && side === 'low' && gateV >= 4.5 && currentLimitA > 3,
    );
    if (!wanting) throw new Error('none wants more');
    const { assessment, driven } = cloak('controller-dual-3v3', wanting.id);
    const [line] = explainDrive(driven, assessment).lines.filter(
      ({ label }) => usualPrinter.message(label) === `${wanting.name}, field-effect`,
    );
    expect(usualPrinter.message(line?.value ?? '')).toBe(
      `half on with a spent pack: it wants ${usualPrinter.quantity('voltageV', wanting.gateV)}, and gets ${usualPrinter.quantity('voltageV', 3.3 * 0.95)}`,
    );
  });
});
