import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Element, solveNetlist } from './index.ts';
import { currentOfLead, currentsOfTaps, type TappedLead } from './taps.ts';

const curve = { nVtV: 0.052, saturationA: 1.8e-18, seriesOhm: 6.5 };
const ohm = fc.double({ min: 0.01, max: 2, noNaN: true });

/** A lead of some places on one or three channels, fed at its start and at others. */
const anyFed = fc
  .record({ places: fc.integer({ min: 2, max: 12 }), channels: fc.constantFrom(1, 3) })
  .chain(({ places, channels }) =>
    fc.record({
      taps: fc.constant(
        Array.from({ length: places * channels }, (_, i) => ({
          place: Math.floor(i / channels),
          channel: i % channels,
          ownOhm: 0,
        })),
      ),
      stepOhm: fc.array(ohm, { minLength: places, maxLength: places }),
      sharedOhm: fc.constant(0),
      start: ohm,
      further: fc.array(fc.record({ place: fc.integer({ min: 1, max: places - 1 }), ohm }), {
        minLength: 1,
        maxLength: 3,
      }),
      channels: fc.array(
        fc.record({
          curve: fc.constant(curve),
          inSeries: fc.constant(3),
          ohm: fc.double({ min: 60, max: 300, noNaN: true }),
          hubOhm: fc.double({ min: 0, max: 3, noNaN: true }),
          hubDropV: fc.double({ min: 0, max: 0.3, noNaN: true }),
        }),
        { minLength: channels, maxLength: channels },
      ),
    }),
  );

/** The same as a netlist: every core, light and resistor of it. */
function netlistOf({ taps, stepOhm, feeds = [], channels }: TappedLead, hubV: number): Element[] {
  const rails = ['common', ...channels.map((_, c) => `channel ${c}`)];
  const resistor = (name: string, a: string, b: string, ohms: number): Element => ({
    kind: 'resistor',
    name,
    a,
    b,
    ohm: Math.max(1e-9, ohms),
  });
  return [
    { kind: 'voltage', name: 'hub', plus: 'common hub', minus: '0', volts: hubV },
    ...channels.flatMap(({ hubOhm, hubDropV }, c): Element[] => [
      resistor(`closes ${c}`, `channel ${c} hub`, `drop ${c}`, hubOhm),
      { kind: 'voltage', name: `drop ${c}`, plus: `drop ${c}`, minus: '0', volts: hubDropV },
    ]),
    ...rails.flatMap((rail) => [
      ...stepOhm.slice(1).map((step, i) => resistor(`${rail} ${i}`, `${rail} at ${i}`, `${rail} at ${i + 1}`, step)),
      ...feeds.map(({ place, ohm: ohms }, f) =>
        resistor(`${rail} feed ${f}`, `${rail} hub`, `${rail} at ${place}`, ohms),
      ),
    ]),
    ...taps.flatMap(({ place, channel }, k): Element[] => [
      resistor(`of ${k}`, `common at ${place}`, `behind ${k}`, channels[channel]?.ohm ?? 0),
      {
        kind: 'diode',
        name: `light ${k}`,
        anode: `behind ${k}`,
        cathode: `channel ${channel} at ${place}`,
        curve: { ...curve, nVtV: curve.nVtV * 3, seriesOhm: curve.seriesOhm * 3 },
      },
    ]),
  ];
}

describe('a lead that is fed at several places', () => {
  it('draws what the whole circuit does, and so does each of its lights', () => {
    fc.assert(
      fc.property(anyFed, ({ start, further, ...copper }) => {
        const lead: TappedLead = { ...copper, feeds: [{ place: 0, ohm: start }, ...further] };
        const hubV = 12;
        const solved = solveNetlist(netlistOf(lead, hubV));
        if (!solved.ok) throw new Error(solved.reason);
        const all = -(solved.currentA.get('hub') ?? 0);
        expect(Math.abs(currentOfLead(lead)(hubV) / all - 1)).toBeLessThan(2e-4);
        currentsOfTaps(lead, hubV).forEach((amps, k) => {
          expect(Math.abs(amps - (solved.currentA.get(`light ${k}`) ?? 0))).toBeLessThan(2e-5);
        });
      }),
      { numRuns: 60, seed: 5 },
    );
  });
  it('fed at both ends the middle gets least, and more than the far end gets with one feed', () => {
    const at = (feeds: TappedLead['feeds']) =>
      currentsOfTaps(
        {
          taps: Array.from({ length: 41 }, (_, place) => ({ place, channel: 0, ownOhm: 0 })),
          stepOhm: Array.from({ length: 41 }, () => 0.05),
          sharedOhm: 0,
          ...(feeds && { feeds }),
          channels: [{ curve, inSeries: 3, ohm: 150, hubOhm: 0, hubDropV: 0 }],
        },
        12,
      );
    const [one, both] = [
      at(undefined),
      at([
        { place: 0, ohm: 0.05 },
        { place: 40, ohm: 0.05 },
      ]),
    ];
    expect(one.indexOf(Math.min(...one))).toBe(40);
    expect(both.indexOf(Math.min(...both))).toBe(20);
    expect(Math.min(...both)).toBeGreaterThan(Math.min(...one) * 1.1);
    // Alike from both ends.
    for (let i = 0; i < 20; i += 1) expect(both[i]).toBeCloseTo(both[40 - i] ?? 0, 8);
  });
});
