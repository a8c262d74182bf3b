import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ask, tableOf } from '../../tests/sums.ts';
import { usualPrinter } from '../units/index.ts';
import { answerSum, answerToJson, findSum, quickSums, showInput, writeAnswer } from './index.ts';

const told = usualPrinter.message;

const problemsOf = (name: string, words: Record<string, unknown>): string => {
  const sum = findSum(name);
  const answered = sum ? answerSum(sum, words, usualPrinter) : null;
  return answered && !answered.ok
    ? answered.problems.map((each) => `${each.word}: ${told(each.problem)}`).join('; ')
    : '';
};

/** A sum, words typed, the key of a result, what it must be, digits. */
const checks: readonly (readonly [sum: string, words: string, key: string, value: number, digits: number])[] = [
  ['fit', 'part=3.4mm sleeve=0.45mm hollow=4.7', 'leastBoreMm', 4.7, 6],
  ['fit', 'part=3.4mm sleeve=0.45mm hollow=4.7', 'finishedMm', 4.3, 6],
  ['ring-marks', 'radius=62mm count=27', 'chordMm', 14.396, 3],
  ['ring-marks', 'radius=62mm count=27', 'stepDeg', 13.333, 3],
  ['ring-marks', 'radius=62mm count=27 spacing=9mm', 'room', 43, 9],
  ['tape-count', 'route=583mm density=74/m', 'lights', 43, 9],
  ['tape-count', 'route=583mm density=74/m', 'gapMm', 1.9, 1],
  ['tape-count', 'route=583mm density=74/m', 'longerOverMm', 11.6, 1],
  ['tape-count', 'route=312mm density=74/m', 'lights', 23, 9],
  ['tape-count', 'route=400mm density=72/m joint=3', 'lights', 27, 9],
  ['tape-count', 'route=400mm density=72/m joint=3', 'gapMm', 25, 6],
  ['fit', 'shape=channel part=12 hollow=12.8 chord=42mm', 'leastRadiusMm', 276, 0],
  ['balance', 'masses=12g:-180mm,10.8g:200mm', 'residualGmm', 0, 9],
  ['balance', 'masses=0.08g:220mm speed=840rpm', 'forceN', 0.136, 3],
  ['magnet-switch', 'diameter=6mm thickness=3mm wall=8mm', 'pullInMm', 17, 1],
  ['magnet-switch', 'diameter=6mm thickness=3mm wall=8mm', 'fieldMt', 17.1, 1],
  ['diffuser', 'density=74/m depth=10.8108mm', 'ripple', 0.079, 3],
  ['diffuser', 'density=74/m depth=11mm wish=8%', 'depthForWishMm', 10.8, 1],
  ['diffuser', 'density=200/m depth=5mm wish=3%', 'depthForWishMm', 0.982 * 5, 2],
  ['light-bleed', 'through=35% ratio=50', 'layers', 4, 9],
  ['bundle', 'fibres=90 diameter=0.5mm', 'diameterMm', 5.24, 2],
  ['bundle', 'fibres=90 diameter=0.5mm', 'gapMm', 0.93, 2],
  ['equal-look', 'intensities=900mcd,4000mcd cap=50%', 'look', 0.73, 2],
  ['dose', 'power=12mW area=2.5cm² time=90s', 'doseJPerCm2', 0.432, 6],
  ['dose', 'power=12mW area=2.5cm2 wanted=1J/cm2', 'timeForDoseS', 208, 0],
  ['led-resistor', 'supply=5V forward=3.016V current=12mA', 'exactOhm', 165.3, 0],
  ['led-resistor', 'supply=5V forward=3.016V current=12mA', 'resistorOhm', 180, 9],
  ['led-resistor', 'supply=5V forward=3.016V current=12mA', 'likelyA', 0.01111, 5],
  ['led-resistor', 'supply=5V forward=3.016V current=12mA', 'brightestA', 0.01377, 5],
  ['led-resistor', 'supply=5V forward=3.016V current=12mA', 'dimmestA', 0.00869, 5],
  ['led-resistor', 'supply=5V forward=3.016V current=12mA', 'heatW', 0.0222, 4],
  ['led-resistor', 'supply=5V forward=3.016V current=12mA', 'withoutDropA', 0.00454, 5],
  ['led-resistor', 'supply=5V forward=3.016V current=12mA stock=47,68,100,120,270', 'resistorOhm', 167, 9],
  ['led-resistor', 'supply=5V forward=3.016V current=12mA stock=47,68,100,120,270', 'likelyA', 0.01189, 5],
  ['led-resistor', 'supply=9V forward=2V current=20mA model=as_constant', 'exactOhm', 350, 9],
  ['resistor-combine', 'wanted=33.3 stock=56,82', 'ohm', 33.28, 2],
  ['resistor-combine', 'wanted=13.3 stock=33,68 most=3', 'ohm', 13.28, 2],
  ['resistor-code', 'bands=brown-grey-brown-gold', 'ohm', 180, 9],
  ['resistor-code', 'bands=brown-grey-brown-gold', 'leastOhm', 171, 6],
  ['resistor-code', 'chip=4701', 'ohm', 4700, 9],
  ['transistor-switch', 'load=90mA pin=3.3V', 'leastOhm', 212.5, 1],
  ['transistor-switch', 'load=90mA pin=3.3V', 'mostOhm', 283.3, 1],
  ['transistor-switch', 'load=30mA pin=3.3V base=680', 'goodForA', 0.0375, 4],
  ['mosfet-switch', 'load=0.64A gate=3.3V on=45mΩ at=3V', 'heatW', 0.0276, 4],
  ['grid-scan', 'rows=8 columns=8 peak=40mA', 'meanA', 0.005, 9],
  ['grid-scan', 'rows=8 columns=8 peak=40mA', 'rowTimeS', 0.00125, 9],
  ['pixel-data', 'pixels=488', 'framesPerS', 66.9, 1],
  ['pixel-data', 'pixels=488 dice=4', 'sendS', 0.01952, 6],
  ['pixel-data', 'pixels=10 supply=4.5V', 'leastHighV', 3.15, 6],
  ['plain-tape', 'power=9.6W/m length=2.4m supply=1.5A', 'longestMm', 1875, 6],
  ['plain-tape', 'power=9.6W/m length=2.4m supply=1.5A', 'oneColourA', 0.64, 9],
  ['pixel-current', 'pixels=66', 'currentA', 2.4288, 4],
  ['pixel-current', 'pixels=66', 'darkA', 0.0528, 6],
  ['budget', 'loads=120mA:100%,52.8mA:100%,2.376A:12% limit=3A', 'peakA', 2.549, 3],
  ['budget', 'loads=120mA:100%,52.8mA:100%,2.376A:12% limit=3A', 'restA', 0.173, 3],
  ['budget', 'loads=120mA:100%,52.8mA:100%,2.376A:12% limit=3A', 'meanA', 0.458, 3],
  ['pack', 'cell=lithium-pouch-850 drain=25µA', 'emptyAfterH', 34_000, -2],
  ['remote', 'supply=3.2V rated=4.8V', 'rangeShare', 0.667, 3],
  ['remote', 'angle=40° distance=5m', 'coneRadiusMm', 4195, 0],
  ['remote', 'presses=20 loss=5%', 'inStep', 0.561, 3],
  ['remote', 'loop=2.4s mismatch=0.4%', 'slipsAfterS', 600, 6],
  ['ceiling', 'limit=1.5A pixels=66', 'white', 0.559, 3],
  ['ceiling', 'limit=1.5A pixels=66', 'oneDie', 1, 9],
  ['ceiling', 'limit=1.5A pixels=52', 'brightness', 0.715, 3],
  ['runtime', 'capacity=1800mAh load=420mA', 'plainH', 4.29, 2],
  ['boost-limit', 'cell=4.1V source=0.1mΩ current=1.4A efficiency=90%', 'inputA', 1.9, 2],
  ['boost-limit', 'cell=3.3V source=0.1mΩ current=1.4A efficiency=90%', 'inputA', 2.36, 2],
  ['boost-limit', 'cell=3.4V source=0.25Ω current=1.9A efficiency=88%', 'mostW', 11.56, 9],
  ['boost-limit', 'cell=7.4V source=0.1mΩ current=260mA kind=linear', 'heatW', 0.624, 3],
  ['charge', 'capacity=850mAh charger=425mA', 'hours', 2.4, 6],
  ['charge', 'capacity=3Ah charger=0.6A chemistry=lead-acid', 'mostA', 0.9, 9],
  ['fuse', 'steady=1.92A weakest=3A', 'fuseA', 2.5, 9],
  ['wire', 'current=1.2A length=0.7m gauge=24AWG', 'dropV', 0.141, 3],
  ['wire', 'current=1A length=1m gauge=18', 'ohmPerMetre', 0.0209, 4],
  ['wire', 'current=1A length=1m conductor=foil width=5mm thickness=0.05mm', 'ohmPerMetre', 0.069, 4],
  ['light-divider', 'dark=180k light=2k4 fixed=22k', 'darkCode', 446, 9],
  ['light-divider', 'dark=180k light=2k4', 'bestOhm', 20_785, -1],
  ['light-divider', 'dark=180k light=2k4 fixed=22k code=2000', 'codeOhm', 23_056, 0],
  ['light-gate', 'supply=4.2V pullup=150k', 'dayA', 28e-6, 9],
  ['pack-sense', 'full=8.4V alarm=6.6V', 'alarmCode', 2922, 9],
  ['sound', 'supply=4.2V', 'powerW', 2.205, 3],
  ['sound', 'supply=4.2V', 'gainDb', 6.6, 1],
  ['pixel-data', 'pixels=488 work=6ms', 'loopShare', 1.047, 3],
  ['tape-cut', 'lengths=3x620,4x410,5x260 stock=0x1m kerf=2mm', 'stockPieces', 6, 9],
  ['tape-cut', 'lengths=3x620,4x410,5x260 stock=0x1m kerf=2mm', 'bySumOnly', 5, 9],
  ['reflow', 'points=0s:25C,146.667s:245C,164.667s:245C,244.667s:45C', 'aboveMeltS', 47.9, 1],
  ['junction', 'current=0.7A volts=3.05V thermal=26', 'insideC', 60.9, 1],
  ['junction', 'current=0.7A volts=3.05V thermal=26 on=60s', 'share', 0.283, 3],
  ['batch', 'copies=7 each=18 lot=25', 'lots', 6, 9],
  ['batch', 'copies=1 each=44 spares=0% prices=10:0.42,50:0.30', 'total', 15, 9],
  ['event-packs', 'event=5.5h cautious=1.9h', 'packs', 3, 9],
  ['event-packs', 'event=5.5h cautious=1.9h', 'energyWh', 28.9, 1],
];

describe('the checks of the needs, as a maker would type them', () => {
  it.each(checks)('%s %s → %s', (sum, words, key, value, digits) => {
    expect(ask(sum, words).results[key]).toBeCloseTo(value, digits);
  });
  it('what 1.5 % of a light is for the eye depends on the distance', () => {
    const near = ask('diffuser', 'density=74/m depth=6mm distance=0.4m');
    expect(near.findings).toContain('dots');
    expect(near.findings).not.toContain('even-from-afar');
    expect(ask('diffuser', 'density=74/m depth=6mm distance=200m').findings).toContain('even-from-afar');
  });
  it('amber through its points, and the trap of the diode range', () => {
    const curve = ask('led-curve', 'readings=1mA:1.78V,20mA:2.06V at=5mA volts=1.5,2').results;
    expect(curve.voltages).toEqual([{ currentA: 0.005, voltageV: expect.closeTo(1.89, 3) }]);
    expect(curve.currents).toEqual([
      { voltageV: 1.5, currentA: expect.closeTo(5e-6, 6) },
      { voltageV: 2, currentA: expect.closeTo(0.01377, 5) },
    ]);
    expect(ask('led-curve', 'readings=1mA:1.78V').findings).toContain('diode-range');
  });
  it('strings of amber on three cells, fresh to spent, and their share', () => {
    const rows = tableOf(ask('led-string', 'fresh=12.6V nominal=11.1V spent=9V forward=1.934V current=8mA'), 'strings');
    for (const [count, ohm, fresh, spent, share] of [
      [1, 1200, 8.88, 5.91, 0.17],
      [3, 680, 9.89, 4.9, 0.52],
      [4, 470, 10.13, 3.34, 0.69],
      [5, 180, 14.3, 0.84, 0.87],
    ] as const) {
      const row = rows[count - 1];
      expect(row?.resistorOhm).toBe(ohm);
      expect((row?.freshA ?? 0) * 1000).toBeCloseTo(fresh, 1);
      expect((row?.spentA ?? 0) * 1000).toBeCloseTo(spent, 1);
      expect(row?.lightShare).toBeCloseTo(share, 1);
    }
  });
  it('three amber on one resistor of 110 Ω are uneven, and one that opens pushes the rest', () => {
    const shared = ask(
      'led-resistor',
      'supply=5V forward=1.9497V current=9.24mA parallel=3 spread=0.1V resistor=110 sharing=one_shared',
    );
    const { spreadA, openA } = shared.results as unknown as Record<'spreadA' | 'openA', readonly number[]>;
    [17.35, 8.09, 2.42].forEach((milliamps, i) => {
      expect(Math.abs((spreadA[i] ?? 0) * 1000 - milliamps)).toBeLessThan(0.15);
    });
    [18.17, 8.71].forEach((milliamps, i) => {
      expect(Math.abs((openA[i] ?? 0) * 1000 - milliamps)).toBeLessThan(0.15);
    });
    expect(shared.findings).toContain('shared-resistor');
  });
  it('five loads on 3 m of 0.30 Ω/m and feeds in other places', () => {
    // Five pixels of 0.32 A, 0.6 m apart; the lead stands for the first step.
    const words = 'length=3m density=1.6667/m pixel=0.32A supply=12V rails=0.3Ω/m load=the_same';
    const drop = (feeds: string): number => ask('tape-drop', `${words} lead=0.18Ω feeds=${feeds}`).results.dropV ?? 0;
    expect(drop('0')).toBeCloseTo(0.864, 3);
    expect(drop('0,3m')).toBeLessThan(drop('0'));
  });
});

describe('the traps of the needs', () => {
  it.each([
    ['fit', 'shape=channel part=12 hollow=11', 'fit'],
    ['fit', 'part=3.4 hollow=4 sleeve=0.45', 'fit'],
    ['fit', 'part=1.9 hollow=4 wires=7 wire=1', 'wires-widest'],
    ['ring-marks', 'radius=62 count=50 spacing=9', 'ring-full'],
    ['ring-marks', 'radius=62 count=24 channels=5', 'seam'],
    ['tape-cut', 'lengths=2x4m stock=1x5m', 'stock-short'],
    ['balance', 'masses=11g:-180mm,11g:200mm', 'unbalanced'],
    ['magnet-switch', 'diameter=6 thickness=3 wall=15', 'magnet-weak'],
    ['equal-look', 'intensities=900,4000 cap=40%', 'coarse-fade'],
    ['led-resistor', 'supply=2V forward=3V current=12mA', 'head-room'],
    ['led-resistor', 'supply=5V forward=3V current=12mA resistor=47', 'over-rating'],
    ['led-resistor', 'supply=12V forward=3V current=12mA resistor=180', 'over-rating'],
    ['led-resistor', 'supply=12V forward=2V current=100mA rated=0.15A', 'resistor-power'],
    ['led-resistor', 'supply=5V forward=3.016V current=12mA builtin=180 resistor=180', 'double-resistor'],
    ['resistor-code', 'value=470 bands=brown-grey-brown-gold', 'not-the-value'],
    ['led-resistor', 'supply=9V forward=2V current=0.2', 'unusual-current'],
    ['mosfet-switch', 'load=1A gate=3.3V on=0.05 at=4.5V', 'gate-low'],
    ['transistor-switch', 'load=0.3A pin=3.3V limit=0.2A', 'switch-load'],
    ['transistor-switch', 'load=60mA pin=3.3V base=680', 'not-full-on'],
    ['grid-scan', 'rows=8 columns=8 peak=40mA refresh=50Hz', 'scan-flicker'],
    ['grid-scan', 'rows=8 columns=8 peak=40mA idle=held supply=4', 'bias-high'],
    ['pixel-data', 'pixels=10 supply=5.2V', 'level-low'],
    ['pixel-data', 'pixels=488 work=6ms', 'loop-over'],
    ['pixel-data', 'pixels=600 memory=2048', 'memory-short'],
    ['pixel-data', 'pixels=400 memory=2048', 'memory-fades'],
    ['plain-tape', 'power=9.6 length=2.4m supply=1.5A', 'link'],
    ['budget', 'loads=1A:100%,3A:10% limit=3A', 'link'],
    ['budget', 'loads=1A:100% limit=3A signal=yes,_minus_not_joined', 'minus-apart'],
    ['budget', 'loads=1A:100% limit=3A feed=a_USB_port', 'usb-500'],
    ['budget', 'loads=0.1A:100% limit=3A feed=a_USB-C', 'usb-c-pins'],
    ['remote', 'end=the_receiver', 'must-be-tested'],
    ['remote', 'presses=20 loss=5%', 'toggle-drifts'],
    ['ceiling', 'limit=0.15A pixels=66', 'nothing-lit'],
    ['runtime', 'capacity=1800mAh load=420mA wanted=5h', 'runs-short'],
    ['boost-limit', 'cell=3.2V source=0.25 current=1.9A', 'collapses'],
    // 8.52 of 11.56 W: 74 %.
    ['boost-limit', 'cell=3.4V source=0.25Ω current=1.5A efficiency=88%', 'near-collapse'],
    ['boost-limit', 'cell=12V output=3.3V current=300mA kind=linear', 'too-hot'],
    ['charge', 'capacity=850mAh charger=0.425A load=60mA', 'charge-and-use'],
    ['charge', 'capacity=150mAh charger=1A', 'charger-fast'],
    ['charge', 'capacity=2000mAh charger=0.1A chemistry=alkaline', 'never-charge'],
    ['fuse', 'steady=1.92A weakest=2A', 'no-fuse-fits'],
    ['wire', 'current=3A length=1m gauge=28', 'wire'],
    ['wire', 'current=1.2A length=0.7m gauge=24 drop=2%', 'wire'],
    ['fuse', 'steady=1.92A weakest=3A fitted=5A', 'fuse-large'],
    ['fuse', 'steady=1.92A fitted=1A', 'fuse-blows'],
    ['fuse', 'steady=0.1A short=0.4A fitted=0.5A', 'fuse-never'],
    ['fuse', 'steady=0.05A gauge=34', 'no-fuse-fits'],
    ['wire', 'current=0.1A length=1m conductor=enamelled width=0.2', 'scrape'],
    ['light-divider', 'dark=180k light=2k4 code=0', 'code-disagrees'],
    ['light-divider', 'dark=2k light=180k', 'sensor-swapped'],
    ['light-divider', 'dark=2.5k light=2.4k', 'chatters'],
    ['light-gate', 'supply=4.2V pullup=150k dark=12lx', 'gate-late'],
    ['light-gate', 'supply=4.2V pullup=150k bright=15lx', 'gate-lit-by-day'],
    ['light-gate', 'supply=2.5V pullup=150k', 'gate-volts'],
    ['pack-sense', 'full=8.4V alarm=6.6V from=the_pack', 'sense-own-rail'],
    ['pack-sense', 'full=12.6V alarm=9.9V', 'over-reference'],
    ['sound', 'supply=4.2V stall=8A', 'start'],
    ['reflow', 'points=0:25C,40:260C,140:250C,150:60C', 'reflow-1'],
    ['junction', 'current=0.7A volts=3.05V thermal=80', 'too-hot'],
    ['junction', 'current=0.3A volts=3V thermal=40 touch=for_long', 'hot-touch'],
    ['junction', 'current=0.3A volts=3V thermal=50 beside=hot-melt_glue', 'softens'],
    ['batch', 'copies=1 each=44 spares=0% prices=10:0.42,50:0.30', 'more-is-cheaper'],
    ['event-packs', 'event=5h cautious=2h nominal=14.4V capacity=10Ah', 'carry-energy'],
  ])('%s %s → %s', (sum, words, id) => {
    const spaced = Object.fromEntries(
      words.split(' ').map((word) =>
        word
          .split(/=(.*)/s)
          .slice(0, 2)
          .map((part) => part.replace(/_/g, ' ')),
      ),
    );
    const found = findSum(sum);
    const answered = found ? answerSum(found, spaced, usualPrinter) : null;
    if (!answered?.ok) throw new Error(JSON.stringify(answered));
    expect(answered.answer.findings.map((each) => each.id)).toContain(id);
  });
});

describe('schools of thought, both ways reckoned', () => {
  it('one resistor for all or one each: a half-volt-tight pair against its even twin', () => {
    const each = ask('led-resistor', 'supply=5V forward=1.98V current=10mA parallel=3');
    const shared = ask('led-resistor', 'supply=5V forward=1.98V current=10mA parallel=3 sharing=one_shared');
    expect(each.findings).not.toContain('shared-resistor');
    expect(shared.findings).toContain('shared-resistor');
  });
  it('no resistor: white on 4.2 V behind 0.15 Ω 104 mA; on 3.0 V 11.0 mA', () => {
    const none = (supply: string): number =>
      ask('led-resistor', `supply=${supply} forward=3.14V current=20mA source=0.15 resistor=0.000001`).results
        .likelyA ?? 0;
    expect(none('4.2V')).toBeCloseTo(0.104, 3);
    expect(none('3.0V')).toBeCloseTo(0.011, 3);
  });
  it('which way to round: up is dimmer and within the rating, down is brighter', () => {
    const rows = tableOf(ask('led-resistor', 'supply=5V forward=3.016V current=12mA'), 'neighbours');
    expect(rows[0]?.currentA).toBeGreaterThan(0.012);
    expect(rows[1]?.currentA).toBeLessThan(0.012);
  });
  it('rated or what looks right: half the current looks like 73 %, a dose is halved', () => {
    expect(ask('equal-look', 'intensities=900 cap=50%').results.look).toBeCloseTo(0.732, 3);
    expect((ask('dose', 'power=6mW area=2.5').results.doseJPerCm2 ?? 0) * 2).toBeCloseTo(
      ask('dose', 'power=12mW area=2.5').results.doseJPerCm2 ?? 0,
      12,
    );
  });
  it('series or parallel: thrift against constancy', () => {
    const rows = tableOf(ask('led-string', 'fresh=12.6V nominal=11.1V spent=9V forward=1.934V current=8mA'), 'strings');
    const fall = (i: number): number => 1 - (rows[i]?.spentA ?? 0) / (rows[i]?.nominalA ?? 1);
    expect(rows[4]?.lightShare).toBeGreaterThan(rows[0]?.lightShare ?? 1);
    expect(fall(4)).toBeGreaterThan(fall(0));
  });
  it('bipolar or field-effect: the first loses a fixed 0.2 V, the second next to nothing, if its gate is high enough', () => {
    const bipolar = ask('transistor-switch', 'load=0.1A pin=5V pinlimit=20mA').results.heatW ?? 0;
    const fet = ask('mosfet-switch', 'load=0.1A gate=5V on=0.05 at=4.5V').results.heatW ?? 1;
    expect(fet).toBeLessThan(bipolar / 10);
    expect(ask('mosfet-switch', 'load=0.1A gate=3V on=0.05 at=4.5V').results.heatW).toBeNull();
  });
  it('by sum or by running down: the sum is the upper bound', () => {
    for (const words of ['load=420mA', 'load=1A ambient=0', 'load=0.2A chemistry=alkaline series=3']) {
      const { results } = ask('runtime', `capacity=1800mAh ${words}`);
      expect(results.likelyH).toBeLessThanOrEqual((results.plainH ?? 0) * 1.001);
      expect(results.cautiousH).toBeLessThanOrEqual(results.likelyH ?? 0);
    }
  });
  it('straight from the cell or through a converter: the converter takes more as the cell falls', () => {
    const at = (cell: string): number => ask('boost-limit', `cell=${cell} current=0.5A`).results.inputA ?? 0;
    expect(at('3.3V')).toBeGreaterThan(at('4.1V'));
  });
  it('how to diffuse: depth, density or both come to the same ratio', () => {
    const deep = ask('diffuser', 'density=74/m depth=13.51mm').results.ripple;
    const dense = ask('diffuser', 'density=148/m depth=6.757mm').results.ripple;
    expect(deep).toBeCloseTo(dense ?? 0, 4);
  });
  it('threshold in hardware or program: the gate draws microamperes, the divider more, the controller most', () => {
    const gate = ask('light-gate', 'supply=4.2V pullup=150k').results.dayA ?? 0;
    const divider = ask('light-divider', 'dark=180k light=2k4').results.dayA ?? 0;
    expect(gate).toBeLessThan(divider);
    expect(divider).toBeLessThan(0.004);
  });
  it('paste or tinned pads: the volume on the pad decides', () => {
    expect(ask('reflow', 'points=0:25,147:245,200:245 pad=3mm padwidth=2.4mm').results.solderMm3).toBeCloseTo(0.432, 9);
  });
});

describe('inputs', () => {
  it('takes what people write', () => {
    const { inputs } = ask('led-resistor', 'supply=9V forward=2V current=20mA rating=1/4W resistor=4k7');
    expect(inputs).toMatchObject({ supplyV: 9, forwardV: 2, currentA: 0.02, ratingW: 0.25, resistorOhm: 4700 });
    expect(ask('wire', 'current=1A length=0.5in gauge=24AWG').inputs).toMatchObject({ lengthMm: 12.7, gaugeAwg: 24 });
    expect(ask('tape-cut', 'lengths=3x620mm;2×41,5cm stock=0x1m').inputs.lengths).toEqual([
      { count: 3, lengthMm: 620 },
      { count: 2, lengthMm: 415 },
    ]);
  });
  it('says all that is missing, unknown or wrong at once, and what to write', () => {
    const said = problemsOf('led-resistor', { supply: '-3V', forwards: '2', current: 'plenty' });
    expect(said).toMatch(/led-resistor has no "forwards"; it takes pack, supply, supplyspread/);
    expect(said).toMatch(/supply: Supply: −3.00 V is outside/);
    expect(said).toMatch(/"plenty" is not a current/);
    expect(problemsOf('led-resistor', { supply: '9', forward: '2', current: '20' })).toMatch(/Did you mean 20.0 mA/);
    expect(problemsOf('transistor-switch', { load: '90mA' })).toMatch(
      /pin: Pin, high, at the lowest pack is needed, such as pin=3.30 V/,
    );
    expect(problemsOf('led-resistor', { supply: '9', current: '20mA' })).toMatch(
      /Give the drop of the light or readings of it: forward=3.02V or readings=1mA:2.7V,20mA:3.1V/,
    );
    expect(problemsOf('grid-scan', { rows: '8', columns: '8', peak: '40mA', mean: '5mA' })).toMatch(/not both/);
    expect(problemsOf('wire', { current: '1', length: '1', conductor: 'string' })).toMatch(/not one of: stranded wire/);
    expect(problemsOf('reflow', { points: '10:25,5:200' })).toMatch(/times must rise/);
    expect(problemsOf('balance', { masses: '12' })).toMatch(/not a pair/);
  });
  it('says what was taken as usual', () => {
    const sum = findSum('ceiling');
    const answered = sum && answerSum(sum, { limit: '1.5A', pixels: '66' }, usualPrinter);
    expect(answered?.ok && told(answered.answer.findings.find((each) => each.id === 'assumed')?.what ?? '')).toMatch(
      /controller and all else 120 mA, rest current of a pixel/,
    );
  });
  it('JSON in the units of the keys gives the same as words; what a sum gives can be asked again', () => {
    const sum = findSum('tape-cut');
    if (!sum) throw new Error('no such sum');
    const first = answerSum(sum, { lengths: '3x620,4x410', stock: '0x1m', kerf: '2mm' }, usualPrinter);
    if (!first.ok) throw new Error('refused');
    const json = answerToJson(first.answer, usualPrinter);
    const again = answerSum(sum, json.inputs as Record<string, unknown>, usualPrinter);
    expect(again.ok && answerToJson(again.answer, usualPrinter)).toMatchObject({
      results: json.results,
      inputs: json.inputs,
    });
    expect(problemsOf('tape-cut', { lengths: [{ count: 'two', lengthMm: 4 }] })).toMatch(/a list of/);
    expect(problemsOf('wire', { currentA: [1], lengthMm: null })).toMatch(/a number is wanted/);
  });
  const withExamples = (sum: (typeof quickSums)[number]): Record<string, string> =>
    Object.fromEntries(
      Object.entries(sum.inputs).flatMap(([key, input]): [string, string][] => {
        const value = 'initial' in input ? input.initial : 'example' in input ? (input.example ?? null) : null;
        return value === null ? [] : [[key, showInput(sum, key, value, usualPrinter)]];
      }),
    );
  it.each(quickSums.map((sum) => [sum.name, sum] as const))(
    '%s answers its own example, and is read back from its fields',
    (_name, sum) => {
      const answered = answerSum(sum, withExamples(sum), usualPrinter);
      if (!answered.ok) throw new Error(JSON.stringify(answered.problems));
      const json = answerToJson(answered.answer, usualPrinter);
      expect(Object.keys(json)).toEqual(['sum', 'inputs', 'results', 'steps', 'findings']);
      expect(JSON.stringify(json)).not.toMatch(/NaN|Infinity/);
      expect(writeAnswer(answered.answer, usualPrinter)).not.toMatch(/NaN|undefined|Infinity|\{/);
      for (const step of answered.answer.steps) expect(told(step.answer)).not.toBe('–');
    },
  );
  it('never throws and never gives what is not a number, whatever stands in a field', () => {
    const rubbish = fc.oneof(
      fc.string({ maxLength: 12 }),
      fc.constantFrom(
        '0',
        '-1',
        '1e9',
        '1e-9',
        '4k7',
        '20 mA',
        ',',
        ';',
        'x',
        '3x',
        '1:2',
        '0x0',
        '999999999',
        '½',
        '5 V',
        '100 %',
      ),
      fc.double({ noNaN: true }).map(String),
    );
    fc.assert(
      fc.property(fc.constantFrom(...quickSums), fc.nat(20), rubbish, (sum, index, text) => {
        const given: Record<string, unknown> = withExamples(sum);
        const keys = Object.keys(sum.inputs);
        given[keys[index % keys.length] ?? ''] = text;
        const answered = answerSum(sum, given, usualPrinter);
        if (answered.ok)
          expect(JSON.stringify(answerToJson(answered.answer, usualPrinter))).not.toMatch(/NaN|Infinity/);
        else expect(answered.problems.every((each) => told(each.problem).length > 0)).toBe(true);
      }),
      { seed: 51, numRuns: 1500 },
    );
  });
  const extremes = ['1e-12', '1e-9', '1e-6', '1e-3', '0.5', '1e3', '1e6', '1e9', '1e12'];
  it.each(quickSums.map((sum) => [sum.name, sum] as const))(
    '%s bears the extremes of every field, alone: an answer of numbers, of a length that can be read, or a refusal',
    (_name, sum) => {
      for (const key of Object.keys(sum.inputs))
        for (const text of extremes) {
          const answered = answerSum(sum, { ...withExamples(sum), [key]: text }, usualPrinter);
          if (!answered.ok) continue;
          const told = writeAnswer(answered.answer, usualPrinter);
          expect(`${JSON.stringify(answerToJson(answered.answer, usualPrinter))}${told}`, `${key} ${text}`).not.toMatch(
            /NaN|Infinity|undefined/,
          );
          expect(told.length, `${key} ${text}`).toBeLessThan(40_000);
        }
    },
  );
  it('there is no half of a cell, a light or a length', () => {
    const refusal = (name: string, given: Record<string, unknown>): string | undefined => {
      const sum = quickSums.find((each) => each.name === name);
      const answered = sum && answerSum(sum, { ...withExamples(sum), ...given }, usualPrinter);
      return answered?.ok === false ? told(answered.problems[0]?.problem ?? '') : undefined;
    };
    expect(refusal('pack', { series: '2.5' })).toMatch(/2\.5.* must be a whole number, such as 3/);
    expect(refusal('led-resistor', { count: '1.5' })).toMatch(/must be a whole number/);
    expect(refusal('tape-cut', { lengths: '2.5x620mm' })).toMatch(/must be a whole number/);
    expect(refusal('pack', { series: 3 })).toBeUndefined();
  });

  it('has words that can be typed on a command line, each of its own', () => {
    for (const { name, inputs } of quickSums) {
      const words = Object.values(inputs).map(({ word }) => word);
      for (const word of words) expect(word, name).toMatch(/^[a-z][a-z0-9-]*$/);
      expect(new Set(words).size, name).toBe(words.length);
    }
  });
});
