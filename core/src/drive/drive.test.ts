import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ledsOf, soundDesign, soundSimple } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { fitLedCurve } from '../circuit/index.ts';
import { baseResistor, spreadOverChannels } from '../network/index.ts';
import { type ControllerPart, controllers, type PinAbility } from '../parts/index.ts';
import {
  aloneOnIt,
  assignPins,
  chooseResistor,
  colourBands,
  designSensor,
  dividerCode,
  leastHighLevel,
  nextStandard,
  type PinDemand,
  series,
  seriesResistor,
  standardNeighbours,
  timeDataLine,
} from './index.ts';

const white = fitLedCurve({
  low: { currentA: 0.001, voltageV: 2.72 },
  high: { currentA: 0.02, voltageV: 3.14 },
  seriesOhm: 11,
});
const rail5 = { leastV: 4.75, nominalV: 5, mostV: 5.25, seriesOhm: 0, dropV: 0 };
const light = { curve: white, forwardSpreadV: 0.15, ratedCurrentA: 0.02 };

describe('choosing a resistor', () => {
  const choice = chooseResistor({ light, feed: rail5, wantedCurrentA: 0.012, overruledOhm: null, hung: aloneOnIt });
  it('5.0 V, white at 12 mA: 165.3 Ω exact, 180 Ω taken, 11.11 mA', () => {
    expect(choice.exactOhm).toBeCloseTo(165.3, 1);
    expect(choice.resistorOhm).toBe(180);
    expect(choice.currentA * 1000).toBeCloseTo(11.11, 2);
  });
  it('22.2 mW at that current, 13.77 and 8.69 mA at the corners', () => {
    // 0.01111² · 180
    expect(choice.currentA ** 2 * 180 * 1000).toBeCloseTo(22.2, 1);
    expect(choice.brightestA * 1000).toBeCloseTo(13.77, 2);
    expect(choice.dimmestA * 1000).toBeCloseTo(8.69, 2);
  });
  it('shows what the neighbours would give', () => {
    expect(choice.neighbours.map((each) => each.resistorOhm)).toEqual([150, 220]);
  });
  it('the sum without the drop is the trap: 417 Ω', () => {
    expect(seriesResistor.reckon({ Vs: 5, Vd: 0, Vf: 0, I: 0.012 })).toBeCloseTo(417, 0);
  });
  it('goes on up until the brightest corner keeps within the rating', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.002, max: 0.02, noNaN: true }),
        fc.double({ min: 3.6, max: 12, noNaN: true }),
        (wantedCurrentA, nominalV) => {
          const feed = { leastV: nominalV * 0.9, nominalV, mostV: nominalV * 1.1, seriesOhm: 0, dropV: 0 };
          const found = chooseResistor({ light, feed, wantedCurrentA, overruledOhm: null, hung: aloneOnIt });
          expect(found.brightestA).toBeLessThanOrEqual(0.02);
          expect(found.dimmestA).toBeLessThanOrEqual(found.currentA);
        },
      ),
      { seed: 6, numRuns: 60 },
    );
  });
  it('keeps an overruled value as it stands', () => {
    expect(
      chooseResistor({ light, feed: rail5, wantedCurrentA: 0.012, overruledOhm: 47, hung: aloneOnIt }),
    ).toMatchObject({
      resistorOhm: 47,
      overruled: true,
    });
  });
});

describe('standard values', () => {
  it('finds the neighbours over nine decades', () => {
    for (let decade = -1; decade < 7; decade += 1) {
      series.E12.forEach((step) => {
        const value = Number((step * 10 ** decade).toPrecision(2));
        expect(standardNeighbours(value).below).toBeCloseTo(value, 9);
        expect(standardNeighbours(value * 1.02).above).toBeCloseTo(nextStandard(value), 9);
        expect(nextStandard(value)).toBeGreaterThan(value);
      });
    }
  });
  it.each([
    [180, 'brown grey brown gold'],
    [4700, 'yellow violet red gold'],
    [10, 'brown black black gold'],
    [2.2, 'red red gold gold'],
    [1_000_000, 'brown black green gold'],
  ])('%d Ω is %s', (ohms, bands) => {
    expect(colourBands(ohms)?.join(' ')).toBe(bands);
  });
});

describe('switching a channel', () => {
  it('90 mA from 3.3 V: 283 Ω at forced gain 10', () => {
    expect(baseResistor.reckon({ Vp: 3.3, Vbe: 0.75, g: 10, Ic: 0.09 })).toBeCloseTo(283, 0);
    // 680 Ω gives 3.75 mA, good for 37.5 mA.
    expect(((3.3 - 0.75) / 680) * 1000).toBeCloseTo(3.75, 2);
  });
  const drive = (change: Parameters<typeof ledsOf>[0], controllerId: string) => {
    const design = soundDesign({
      tapes: [],
      leds: [ledsOf(change)],
      drive: { ...soundSimple.drive, controller: controllerId },
      moods: { ...soundDesign().moods, list: [] },
    });
    const [driven] = assess(design).driven;
    if (!driven) throw new Error('one group of lights is sized');
    return driven;
  };
  const places = (count: number) =>
    Array.from({ length: count }, (_, i) => ({ id: `p${i}`, at: { xMm: i, yMm: 0 }, hollowId: null }));
  it('takes the pin for one small light and a transistor for what the pin can not carry', () => {
    expect(drive({}, 'controller-large-5v').way.id).toBe('pin high');
    expect(drive({ places: places(4) }, 'controller-large-5v').way.id).toBe('transistor below');
    // White at 10 mA on a 3.3 V pin: 3.3 − 0.3 in the pin − 2.99 leaves nothing for the resistor.
    expect(drive({ part: 'led-5mm-white', wantedCurrentA: 0.01 }, 'controller-radio-3v3').way.id).toBe(
      'transistor below',
    );
  });
  it('takes the field-effect kind for a large channel, never the small bipolar one', () => {
    const { transistor } = drive({ places: places(30), wantedCurrentA: 0.015 }, 'controller-large-5v');
    expect(transistor?.part.type).toBe('field-effect');
  });
  it('feeds the base enough, and within the pin', () => {
    const { transistor, channelA } = drive({ places: places(5) }, 'controller-radio-3v3');
    if (!transistor) throw new Error('expected a transistor');
    expect(transistor.pinA * 10).toBeGreaterThanOrEqual(channelA);
    expect(transistor.pinA).toBeLessThanOrEqual(0.012);
  });
  it('spreads lights over channels by i mod k', () => {
    expect(spreadOverChannels(24, 3)).toEqual([8, 8, 8]);
    expect(spreadOverChannels(7, 3)).toEqual([3, 2, 2]);
    expect(spreadOverChannels(2, 5)).toEqual([1, 1]);
    expect(spreadOverChannels(0, 2)).toEqual([0]);
  });
});

/** A second solver for pins: every legal assignment by trying all. */
function exists(
  pins: readonly (readonly PinAbility[])[],
  needs: readonly PinAbility[],
  used: ReadonlySet<number> = new Set(),
): boolean {
  const [first, ...rest] = needs;
  if (first === undefined) return true;
  return pins.some((can, i) => can.includes(first) && !used.has(i) && exists(pins, rest, new Set([...used, i])));
}

const boardOf = (abilities: readonly (readonly PinAbility[])[]): ControllerPart => ({
  ...(controllers[0] as ControllerPart),
  pins: abilities.map((can, i) => ({ name: String(i + 1), can })),
});
const demandsOf = (needs: readonly PinAbility[]): PinDemand[] =>
  needs.map((need, i) => ({ id: `d${i}`, label: `${need} ${i}`, needs: need, isLoad: true }));

describe('giving pins', () => {
  it('three dimmed lights and a sensor on dimming pins 1, 2, 3 and analogue pin 3: none, and the pins are named', () => {
    const plan = assignPins(
      boardOf([['dimmed'], ['dimmed'], ['dimmed', 'analog'], ['in']]),
      demandsOf(['dimmed', 'dimmed', 'dimmed', 'analog']),
      [],
    );
    expect(plan.ok).toBe(false);
    if (!plan.ok) {
      expect(plan.clash).toHaveLength(4);
      expect(plan.reason).toMatch(/only 1, 2, 3/);
    }
  });
  it('agrees with trying everything, on boards of up to seven pins', () => {
    const ability = fc.constantFrom<PinAbility>('out', 'in', 'dimmed', 'analog', 'data');
    fc.assert(
      fc.property(
        fc.array(fc.uniqueArray(ability, { minLength: 1, maxLength: 3 }), { minLength: 1, maxLength: 7 }),
        fc.array(ability, { maxLength: 6 }),
        (pins, needs) => {
          const plan = assignPins(boardOf(pins), demandsOf(needs), []);
          expect(plan.ok).toBe(exists(pins, needs));
          if (plan.ok) {
            expect(new Set(plan.given.map((each) => each.pin.name)).size).toBe(needs.length);
            for (const { demand, pin } of plan.given) expect(pin.can).toContain(demand.needs);
          }
        },
      ),
      { seed: 8, numRuns: 400 },
    );
  });
  it('keeps locks, and says which lock can not be', () => {
    const board = boardOf([['out'], ['out', 'dimmed'], ['out', 'dimmed']]);
    const plan = assignPins(board, demandsOf(['out', 'dimmed']), [{ demand: 'd0', pin: '2' }]);
    expect(plan.given.map((each) => each.pin.name)).toEqual(['2', '3']);
    expect(assignPins(board, demandsOf(['dimmed']), [{ demand: 'd0', pin: '1' }])).toMatchObject({
      ok: false,
      reason: expect.stringContaining('can’t dim'),
    });
    expect(assignPins(board, demandsOf(['out']), [{ demand: 'd0', pin: '9' }])).toMatchObject({
      ok: false,
      reason: expect.stringContaining('has not got'),
    });
  });
  it('leaves start-up pins to the last and keeps scarce abilities free', () => {
    const radio = controllers.find((part) => part.id === 'controller-radio-3v3') as ControllerPart;
    const plan = assignPins(radio, demandsOf(['dimmed', 'dimmed', 'data', 'analog']), []);
    expect(plan.given.some((each) => each.pin.startUp)).toBe(false);
    expect(plan.given.find((each) => each.demand.needs === 'analog')?.pin.name).toBe('16');
  });
});

describe('pixel data', () => {
  it('488 pixels: 14.94 ms, 66.9 frames a second, 1464 bytes', () => {
    const line = timeDataLine(488, { dice: 3, bitPeriodUs: 1.25, latchUs: 300 });
    expect(line.frameS * 1000).toBeCloseTo(14.94, 2);
    expect(line.framesPerS).toBeCloseTo(66.9, 1);
    expect(line.memoryBytes).toBe(1464);
  });
  it('3.3 V passes on a 4.5 V supply (3.15 V) and fails on 5.2 V (3.64 V)', () => {
    expect(leastHighLevel.reckon({ Vp: 4.5 })).toBeCloseTo(3.15, 9);
    expect(leastHighLevel.reckon({ Vp: 5.2 })).toBeCloseTo(3.64, 9);
  });
});

describe('a light sensor', () => {
  it('22 kΩ and 12 bits: 180 kΩ reads 446, 2.4 kΩ reads 3693; the best fixed one is 20.8 kΩ', () => {
    expect(dividerCode.reckon({ Rf: 22_000, Rs: 180_000, top: 4096 })).toBe(446);
    expect(dividerCode.reckon({ Rf: 22_000, Rs: 2400, top: 4096 })).toBe(3693);
    const design = designSensor({ darkOhm: 180_000, lightOhm: 2400, bits: 12, supplyV: 3.3 });
    expect(design.exactOhm / 1000).toBeCloseTo(20.8, 1);
    expect(design.fixedOhm).toBe(22_000);
    expect(design).toMatchObject({ darkCode: 446, lightCode: 3693 });
  });
  it('read against a reference below its supply: the light reading stays below the top, and the codes are its volts', () => {
    // 5 V · Rf / (Rf + 2400) = 0.95 · 1.1 V gives 634 Ω; the standard one below is 560. Covered the pin stands at
    // 5 · 560 / 180 560 = 15.51 mV, 14.4 of 1024 codes; in light at 5 · 560 / 2960 = 0.9459 V, 880.6 codes.
    const design = designSensor({ darkOhm: 180_000, lightOhm: 2400, bits: 10, supplyV: 5, referenceV: 1.1 });
    expect(design).toMatchObject({ fixedOhm: 560, darkCode: 14, lightCode: 880 });
    // The same sensor with the usual divider would be past the top well before it is light: 22 k gives 4.5 V.
    expect(designSensor({ darkOhm: 180_000, lightOhm: 2400, bits: 10, supplyV: 5 }).fixedOhm).toBe(22_000);
  });
  it('keeps a gap between its thresholds, in the right order', () => {
    const design = designSensor({ darkOhm: 180_000, lightOhm: 2400, bits: 12, supplyV: 3.3 });
    expect(design.darkBelow).toBeLessThan(design.lightAbove - 50);
    expect(design.darkCode).toBeLessThan(design.darkBelow);
    expect(design.lightAbove).toBeLessThan(design.lightCode);
  });
});
