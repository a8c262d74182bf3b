import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { amber, white } from '../../tests/circuits.ts';
import { judgeGate, lightAt, solveString } from '../circuit/index.ts';
import { designLightGate, discField, reachMm, worksThrough } from '../items/index.ts';
import { type ControllerPart, controllers } from '../parts/index.ts';
import {
  assignPins,
  baseCurrent,
  chipCodes,
  chooseThresholds,
  codeAgrees,
  colourBands,
  combineToward,
  coneRadiusMm,
  designBase,
  dividerCode,
  findSneaks,
  longestWaitS,
  loopShare,
  type PinDemand,
  parallelOhm,
  readBands,
  readChipCode,
  SEEN_IN_THE_DARK_A,
  scanGrid,
  senseCode,
  sensorFromCode,
  series,
  slipsALoopAfterS,
  standardNeighbours,
  switchHeat,
  type Threshold,
  timeDataLine,
  toggleInStep,
  transmitterRangeShare,
  writeCombination,
} from './index.ts';

/** The level after one more reading, with the gap at work, as the engine goes on from one level to the next. */
function nextLevel(level: number, code: number, thresholds: readonly Threshold[]): number {
  let next = level;
  while (next < thresholds.length && code > (thresholds[next]?.risesAbove ?? Number.POSITIVE_INFINITY)) next += 1;
  while (next > 0 && code < (thresholds[next - 1]?.fallsBelow ?? 0)) next -= 1;
  return next;
}

describe('standard values and markings', () => {
  it('E24 and finer: 165.3 Ω lies between its neighbours of every series', () => {
    expect(standardNeighbours(165.3, 'E6')).toEqual({ below: 150, above: 220 });
    expect(standardNeighbours(165.3, 'E24')).toEqual({ below: 160, above: 180 });
    expect(standardNeighbours(165.3, 'E96')).toEqual({ below: 165, above: 169 });
  });
  it('180 Ω ± 5 % and 4.7 kΩ ± 1 % in colours; 171 to 189 Ω', () => {
    expect(colourBands(180)?.join('-')).toBe('brown-grey-brown-gold');
    expect(colourBands(4700, 0.01)?.join('-')).toBe('yellow-violet-black-brown-brown');
    const read = readBands(['brown', 'grey', 'brown', 'gold']);
    expect([(read?.ohm ?? 0) * (1 - (read?.tolerance ?? 0)), (read?.ohm ?? 0) * (1 + (read?.tolerance ?? 0))]).toEqual([
      171, 189,
    ]);
  });
  it('decoding what was encoded gives it back, over E96 and seven decades, in all codes', () => {
    for (const step of series.E96)
      for (let decade = -1; decade < 7; decade += 1) {
        const ohm = Number((step * 10 ** decade).toPrecision(3));
        expect(readBands(colourBands(ohm, 0.01) ?? [])?.ohm).toBeCloseTo(ohm, 6);
        const { four, letter } = chipCodes(ohm);
        if (four !== null) expect(readChipCode(four)?.ohm).toBeCloseTo(ohm, 6);
        expect(readChipCode(letter ?? '')?.ohm).toBeCloseTo(ohm, 6);
      }
  });
  it.each([
    ['472', 4700],
    ['4701', 4700],
    ['4R7', 4.7],
    ['R22', 0.22],
    ['66C', 47_500],
    ['01A', 100],
    ['000', 0],
  ])('the chip marked %s has %d Ω', (code, ohm) => expect(readChipCode(code)?.ohm).toBeCloseTo(ohm, 9));
  it('guesses nothing out of what is no code', () => {
    for (const code of ['', 'R', '97A', '12', '4.7k', '99Q']) expect(readChipCode(code)).toBeNull();
    expect(readBands(['gold', 'brown', 'red', 'red'])).toBeNull();
    expect(readBands(['brown', 'red'])).toBeNull();
    expect(colourBands(1234)).toBeNull();
  });
});

describe('resistors from the drawer', () => {
  it('165.3 Ω from 47, 68, 100, 120, 270: 47 + 120 = 167 Ω, 11.89 mA', () => {
    const [best] = combineToward(165.3, [47, 68, 100, 120, 270], { most: 2, keep: 3 });
    expect(best).toMatchObject({ ohm: 167, joined: 'series' });
    expect(1000 * solveString({ supplyV: 5, resistanceOhm: 167, curve: white })).toBeCloseTo(11.89, 2);
  });
  it('56 ‖ 82 = 33.28 Ω; 33 ‖ 33 ‖ 68 = 13.28 Ω', () => {
    expect(parallelOhm(56, 82)).toBeCloseTo(33.28, 2);
    expect(parallelOhm(33, 33, 68)).toBeCloseTo(13.28, 2);
  });
  it('white on 4.5 V: 68 Ω wanted, 82 Ω in the drawer, 17.1 for 20.0 mA', () => {
    expect(1000 * solveString({ supplyV: 4.5, resistanceOhm: 68, curve: white })).toBeCloseTo(20, 1);
    expect(1000 * solveString({ supplyV: 4.5, resistanceOhm: 82, curve: white })).toBeCloseTo(17.1, 1);
  });
  it('is as near as trying everything, and never below where that is asked', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom(...series.E12.map((step) => step * 100)), { minLength: 1, maxLength: 5 }),
        fc.integer({ min: 20, max: 2000 }),
        (stock, wanted) => {
          const best = combineToward(wanted, stock, { most: 2, keep: 1 })[0]?.ohm ?? 0;
          const all = stock.flatMap((a) => [a, ...stock.flatMap((b) => [a + b, (a * b) / (a + b)])]);
          const off = (ohm: number): number => Math.abs(Math.log(ohm / wanted));
          expect(off(best)).toBeCloseTo(Math.min(...all.map(off)), 9);
          const above = combineToward(wanted, stock, { most: 3, keep: 1, atLeast: true })[0];
          if (above) expect(above.ohm).toBeGreaterThanOrEqual(wanted * (1 - 1e-9));
        },
      ),
      { seed: 21, numRuns: 80 },
    );
  });
  it('writes how they are joined', () => {
    expect(writeCombination({ ohm: 0, parts: [33, 68, 100], joined: 'series, then parallel' })).toBe('(33 + 68) ‖ 100');
    expect(writeCombination({ ohm: 0, parts: [33, 68, 100], joined: 'parallel, then series' })).toBe('(33 ‖ 68) + 100');
    expect(combineToward(13.28, [33, 68], { most: 3, keep: 1 }).map(writeCombination)).toEqual(['33 ‖ 33 ‖ 68']);
  });
});

describe('transistor switches', () => {
  const base = { pinV: 3.3, baseEmitterV: 0.75, forcedGain: 10, onDropV: 0.2 };
  it('680 Ω gives 3.75 mA, good for 37.5 mA; 90 mA from a 12 mA pin: 213 to 283 Ω', () => {
    expect(baseCurrent.reckon({ Vp: 3.3, Vbe: 0.75, Rb: 680 })).toBeCloseTo(0.00375, 6);
    const design = designBase({ ...base, pinLimitA: 0.012, loadA: 0.09 });
    expect(design.leastOhm).toBeCloseTo(212.5, 1);
    expect(design.mostOhm).toBeCloseTo(283.3, 1);
    expect(design.resistorOhm).toBe(270);
    expect(design.goodForA).toBeGreaterThanOrEqual(0.09);
  });
  it('says that no base resistor serves where the pin is too weak', () => {
    expect(designBase({ ...base, pinLimitA: 0.012, loadA: 0.3 }).resistorOhm).toBeNull();
  });
  it('kelp cloak: 0.64 A a colour in 45 mΩ, hot: 27.6 mW; a threshold is not full drive', () => {
    expect((2.4 * 9.6) / 12 / 3).toBeCloseTo(0.64, 9);
    expect(switchHeat.reckon({ I: 0.64, R: 0.045 })).toBeCloseTo(0.0276, 4);
    expect(judgeGate(3.3, 4.5, 2)).toBe('half on');
    expect(judgeGate(3.3, 3, 1.2)).toBe('full on');
    expect(judgeGate(0.5, 3, 1.2)).toBe('off');
  });
});

describe('pins over several controllers', () => {
  const small: ControllerPart = {
    ...(controllers[0] as ControllerPart),
    pins: [
      { name: '1', can: ['out', 'dimmed'] },
      { name: '2', can: ['out', 'dimmed'] },
      { name: '3', can: ['out', 'dimmed', 'analog'] },
    ],
  };
  const demands: PinDemand[] = [
    ...['lure', 'left eye', 'right eye'].map(
      (label): PinDemand => ({ id: label, label, needs: 'dimmed', isLoad: true }),
    ),
    { id: 'sensor', label: 'sensor', needs: 'analog', isLoad: false },
  ];
  it('three dimmed lights and a sensor on pins 1, 2, 3: none exists, and the set is named', () => {
    const plan = assignPins(small, demands, []);
    expect(plan.ok).toBe(false);
    if (plan.ok) return;
    expect(plan.clash).toHaveLength(4);
    expect(plan.reason).toMatch(/only 1, 2, 3 left/);
  });
});

describe('scanned grids', () => {
  it('8 × 8, 40 mA peak, 100 a second: 16 pins, 1/8, 5 mA, 320 mA, 1.25 ms', () => {
    const scan = scanGrid({ rows: 8, columns: 8, peakA: 0.04, picturesPerS: 100 });
    expect(scan).toEqual({ pins: 16, duty: 1 / 8, meanA: 0.005, rowSwitchA: 0.32, rowTimeS: 0.00125 });
    expect(scan.meanA * 8).toBeCloseTo(0.04, 12);
  });
  it('across an off light 1.65 V: amber 0.093 mA is seen in the dark, white nothing; 1.45 V: 0.002 mA', () => {
    expect(lightAt(amber, 1.65).currentA * 1000).toBeCloseTo(0.093, 2);
    expect(lightAt(white, 1.65).currentA).toBeLessThan(1e-8);
    expect(lightAt(amber, 1.45).currentA * 1000).toBeCloseTo(0.002, 3);
  });
  it('floating lines: where a high drop is lit beside low ones, three low ones in a row find a way round', () => {
    const curves = [
      [white, amber],
      [amber, amber],
    ];
    const grid = { curves, supplyV: 9, columnOhm: 220, chosen: { row: 0, column: 0 } };
    const floating = findSneaks({ ...grid, idle: null });
    // The way round is (0,1) forwards, (1,1) backwards, (1,0) forwards: the one in the middle blocks it.
    expect(floating.sneaks.every(({ currentA }) => currentA < SEEN_IN_THE_DARK_A)).toBe(true);
    // Idle rows left high and idle columns left low light what was not asked for.
    const wrong = findSneaks({ ...grid, idle: { rowV: 9, columnV: 6.8 } });
    expect(wrong.sneaks.some(({ currentA }) => currentA >= SEEN_IN_THE_DARK_A)).toBe(true);
    // Idle rows low and idle columns high hold every other light in reverse: dark, and it stays dark.
    const right = findSneaks({ ...grid, idle: { rowV: 0, columnV: 9 } });
    expect(right.sneaks).toEqual([]);
    expect(right.solved.ok).toBe(true);
  });
});

describe('light sensors', () => {
  it('22 kΩ, 12 bits: 180 kΩ reads 446, 2.4 kΩ 3693; 2000 stands for 23.06 kΩ; zero means above 90 MΩ', () => {
    expect(dividerCode.reckon({ Rf: 22_000, Rs: 180_000, top: 4096 })).toBe(446);
    expect(dividerCode.reckon({ Rf: 22_000, Rs: 2400, top: 4096 })).toBe(3693);
    expect(sensorFromCode(2000, 22_000, 12)).toBeCloseTo(23_056, 0);
    // 4096 · 22 / 202 = 446.
    expect(codeAgrees(0, 446)).toBe(false);
    expect(codeAgrees(460, 446)).toBe(true);
  });
  it('thresholds from three readings: every level is reached, over all codes the level only rises', () => {
    const thresholds = chooseThresholds(
      [
        { name: 'lamp on', code: 3600 },
        { name: 'dark', code: 300 },
        { name: 'hand over it', code: 1500 },
      ],
      25,
    );
    expect(thresholds.map((each) => each.between)).toEqual([
      ['dark', 'hand over it'],
      ['hand over it', 'lamp on'],
    ]);
    let level = 0;
    const seen = new Set<number>();
    for (let code = 0; code < 4096; code += 1) {
      const next = nextLevel(level, code, thresholds);
      expect(next).toBeGreaterThanOrEqual(level);
      level = next;
      seen.add(level);
    }
    expect([...seen]).toEqual([0, 1, 2]);
  });
  it('noise of ± 25 switches once a crossing only where the gap is over 50', () => {
    const switchings = (gapHalf: number): number => {
      const threshold = {
        between: ['a', 'b'] as const,
        fallsBelow: 1000 - gapHalf,
        risesAbove: 1000 + gapHalf,
        gap: 0,
        holds: true,
      };
      let [level, count] = [0, 0];
      for (let code = 900; code < 1100; code += 1)
        for (const noise of [-25, 25, -25]) {
          const next = nextLevel(level, code + noise, [threshold]);
          if (next !== level) count += 1;
          level = next;
        }
      return count;
    };
    expect(switchings(26)).toBe(1);
    expect(switchings(10)).toBeGreaterThan(1);
    expect(
      chooseThresholds(
        [
          { name: 'a', code: 0 },
          { name: 'b', code: 120 },
        ],
        25,
      )[0]?.holds,
    ).toBe(false);
  });
  it('a pull-up of 150 kΩ on 4.2 V draws 28 µA all day; between full on and off lies a warm region', () => {
    const gate = designLightGate({ supplyV: 4.2, pullUpOhm: 150_000, ampsPerLux: 1e-6, thresholdV: 1.2, fullOnV: 3 });
    expect(gate.dayA).toBeCloseTo(28e-6, 9);
    expect(gate.fullOnBelowLux).toBeLessThan(gate.offAboveLux);
    expect(gate.at(gate.fullOnBelowLux * 0.9).verdict).toBe('full on');
    expect(gate.at((gate.fullOnBelowLux + gate.offAboveLux) / 2).verdict).toBe('half on');
    expect(gate.at(gate.offAboveLux * 1.1).verdict).toBe('off');
  });
});

describe('pixel chains and the loop', () => {
  it('32 bits a pixel: 488 take 19.52 ms to send and 1952 bytes', () => {
    const line = timeDataLine(488, { dice: 4, bitPeriodUs: 1.25, latchUs: 300 });
    expect(line.frameS - 300e-6).toBeCloseTo(0.01952, 9);
    expect(line.memoryBytes).toBe(1952);
  });
  it('488 pixels at 50 a second take 74.7 % of the loop; with 6 ms of sound work 104.7 %', () => {
    const { frameS } = timeDataLine(488, { dice: 3, bitPeriodUs: 1.25, latchUs: 300 });
    expect(loopShare.reckon({ Ts: frameS, Tw: 0, f: 50 })).toBeCloseTo(0.747, 3);
    expect(loopShare.reckon({ Ts: frameS, Tw: 0.006, f: 50 })).toBeCloseTo(1.047, 3);
    expect(longestWaitS(frameS, 0, 50)).toBeGreaterThan(0.02);
  });
});

describe('magnets, remotes, switches', () => {
  const disc = { Br: 1200, r: 3, t: 3 };
  it.each([
    [4, 71.5],
    [8, 17.1],
    [12, 6.26],
  ])('a disc of 6 × 3 mm at %d mm: %d mT', (z, field) => {
    expect(discField.reckon({ ...disc, z }) / field).toBeCloseTo(1, 2);
  });
  it('pull-in 2.5 mT reaches 17.0 mm, drop-out 1.2 mT 22.2 mm: always farther', () => {
    expect(reachMm(disc, 2.5)).toBeCloseTo(17, 1);
    expect(reachMm(disc, 1.2)).toBeCloseTo(22.2, 1);
    expect(reachMm(disc, 2000)).toBe(0);
    expect(worksThrough(17, 12)).toBe(true);
    expect(worksThrough(17, 15)).toBe(false);
    for (let z = 0; z < 40; z += 1)
      expect(discField.reckon({ ...disc, z: z + 1 })).toBeLessThan(discField.reckon({ ...disc, z }));
  });
  it('a transmitter at 3.2 V for 4.8 V: at most 67 % of the range; ±40° at 5 m: 4.20 m', () => {
    expect(transmitterRangeShare(3.2, 4.8)).toBeCloseTo(0.667, 3);
    expect(coneRadiusMm(40, 5000)).toBeCloseTo(4195, 0);
  });
  it('a toggle lost one time in twenty: in step after 20 presses with 0.561; 0.4 % slips a 2.4 s loop in 600 s', () => {
    expect(toggleInStep(20, 0.05)).toBeCloseTo(0.561, 3);
    expect(slipsALoopAfterS(2.4, 0.004)).toBeCloseTo(600, 9);
  });
});

describe('sensing the pack', () => {
  const sense = { R1: 270_000, R2: 100_000, Vr: 2.5, top: 4096 };
  it('270 k and 100 k: 8.4 V is 2.270 V; 6.6 V reads 2922; 2.26 mV a step; 22.7 µA', () => {
    expect((8.4 * 100) / 370).toBeCloseTo(2.27, 3);
    expect(senseCode.reckon({ ...sense, U: 6.6 })).toBe(2922);
    expect((2.5 / 4096) * 3.7 * 1000).toBeCloseTo(2.26, 2);
    expect((8.4 / 370_000) * 1e6).toBeCloseTo(22.7, 1);
  });
  it('reference = the same rail reads a constant: the trap', () => {
    const codes = [3, 3.6, 4.2].map((volts) => senseCode.reckon({ ...sense, U: volts, Vr: volts }));
    expect(new Set(codes).size).toBe(1);
  });
});
