import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { currentOfLead, type Element, fitLedCurve, solveNetlist, type TappedLead } from './index.ts';

const curve = fitLedCurve({
  low: { currentA: 0.001, voltageV: 1.78 },
  high: { currentA: 0.02, voltageV: 2.06 },
  seriesOhm: 6.5,
});

/** The same lead by the general solver, element by element. */
function byElements({ taps, stepOhm, sharedOhm, channels }: TappedLead, hubV: number): number {
  const places = stepOhm.length;
  const elements: Element[] = [{ kind: 'voltage', name: 'hub', plus: 'hub', minus: '0', volts: hubV }];
  const wire = (name: string, a: string, b: string, ohm: number): void => {
    elements.push({ kind: 'resistor', name, a, b, ohm: Math.max(1e-6, ohm) });
  };
  for (let place = 0; place < places; place += 1) {
    const ohm = stepOhm[place] ?? 0;
    wire(`common ${place}`, place === 0 ? 'hub' : `c${place - 1}`, `c${place}`, ohm + (place === 0 ? sharedOhm : 0));
    channels.forEach((channel, k) => {
      const before = place === 0 ? `drop ${k}` : `m${k} ${place - 1}`;
      wire(`channel ${k} ${place}`, before, `m${k} ${place}`, ohm + (place === 0 ? channel.hubOhm : 0));
    });
  }
  channels.forEach((channel, k) => {
    elements.push({ kind: 'voltage', name: `drop ${k}`, plus: `drop ${k}`, minus: '0', volts: channel.hubDropV });
  });
  taps.forEach(({ place, channel, ownOhm }, i) => {
    const each = channels[channel];
    if (!each) return;
    wire(`resistor ${i}`, `c${place}`, `r${i}`, each.ohm + ownOhm);
    const { nVtV, saturationA, seriesOhm } = each.curve;
    elements.push({
      kind: 'diode',
      name: `light ${i}`,
      anode: `r${i}`,
      cathode: `m${channel} ${place}`,
      curve: { nVtV: nVtV * each.inSeries, saturationA, seriesOhm: seriesOhm * each.inSeries },
    });
  });
  const solved = solveNetlist(elements);
  if (!solved.ok) throw new Error(solved.reason);
  return -(solved.currentA.get('hub') ?? 0);
}

const ohm = (max: number) => fc.double({ min: 0, max, noNaN: true });
const anyLead: fc.Arbitrary<TappedLead> = fc
  .record({ places: fc.integer({ min: 1, max: 8 }), channels: fc.integer({ min: 1, max: 3 }) })
  .chain(({ places, channels }) =>
    fc.record({
      stepOhm: fc.array(ohm(2), { minLength: places, maxLength: places }),
      sharedOhm: ohm(2),
      channels: fc.array(
        fc.record({
          curve: fc.constant(curve),
          inSeries: fc.integer({ min: 1, max: 3 }),
          ohm: fc.integer({ min: 20, max: 500 }),
          hubOhm: ohm(30),
          hubDropV: ohm(0.7),
        }),
        { minLength: channels, maxLength: channels },
      ),
      taps: fc.array(fc.record({ place: fc.nat(places - 1), channel: fc.nat(channels - 1), ownOhm: ohm(1) }), {
        minLength: 1,
        maxLength: 12,
      }),
    }),
  );

describe('a lead that passes its lights in turn', () => {
  it('one light behind 100 Ω and 1 Ω of wire each way on 5 V: 28.4 mA by hand', () => {
    const lead: TappedLead = {
      taps: [{ place: 0, channel: 0, ownOhm: 0 }],
      stepOhm: [1],
      sharedOhm: 0,
      channels: [{ curve, inSeries: 1, ohm: 100, hubOhm: 0, hubDropV: 0 }],
    };
    // At 28 mA the light has 2.06 + 6.5 · 0.008 + 0.052 · ln(28/20) = 2.13 V: (5 − 2.13) / 102 = 28.1 mA.
    expect(currentOfLead(lead)(5) * 1000).toBeCloseTo(28.1, 1);
  });
  it('agrees with the general solver within a thousandth, whatever hangs on it', () => {
    fc.assert(
      fc.property(anyLead, fc.double({ min: 0, max: 12, noNaN: true }), (lead, hubV) => {
        const [ladder, elements] = [currentOfLead(lead)(hubV), byElements(lead, hubV)];
        expect(Math.abs(ladder - elements)).toBeLessThan(1e-3 * Math.abs(elements) + 2e-5);
      }),
    );
  });
  it('gives the farther light less than the nearer, and both together less than without wires', () => {
    const on = (stepOhm: readonly number[]): number =>
      currentOfLead({
        taps: stepOhm.map((_, place) => ({ place, channel: 0, ownOhm: 0 })),
        stepOhm,
        sharedOhm: 0,
        channels: [{ curve, inSeries: 1, ohm: 47, hubOhm: 0, hubDropV: 0 }],
      })(5);
    const alone = on([0]);
    expect(on([0, 0])).toBeCloseTo(2 * alone, 9);
    expect(on([0, 2])).toBeLessThan(2 * alone);
    expect(on([0, 2])).toBeGreaterThan(alone);
  });
});
