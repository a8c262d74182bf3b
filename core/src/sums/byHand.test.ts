import { describe, expect, it } from 'vitest';
import { ask, tableOf } from '../../tests/sums.ts';

/** A sum, words typed, the key of a result, what it comes to on paper, digits, and that reckoning on paper. */
const byHand: readonly (readonly [
  sum: string,
  words: string,
  key: string,
  value: number | string | boolean,
  digits: number,
  paper: string,
])[] = [
  ['tape-count', 'route=583mm density=74/m', 'litLengthMm', 581.08, 2, '43 × 1000/74'],
  ['tape-count', 'route=583mm density=74/m', 'jointPitchMm', 13.5135, 4, '1000/74'],
  ['tape-count', 'route=583mm density=74/m', 'shorterLengthMm', 567.57, 2, '42 × 1000/74'],
  ['tape-count', 'route=583mm density=74/m', 'longerLights', 44, 9, 'one more'],
  ['tape-cut', 'lengths=3x620,4x410,5x260 stock=0x1m', 'stockUsedMm', 6000, 9, 'six of a metre'],
  ['tape-cut', 'lengths=3x620,4x410,5x260 stock=0x1m', 'wasteMm', 1200, 9, '6000 − (1860 + 1640 + 1300)'],
  ['plain-tape', 'power=9.6W/m length=2.4m supply=1.5A', 'allA', 1.92, 9, '9.6 × 2.4 / 12'],
  ['plain-tape', 'power=9.6W/m length=2.4m supply=1.5A', 'brightness', 0.78125, 9, '1.5 / 1.92'],
  ['equal-look', 'intensities=900,4000,1100 cap=40%', 'stepsCapLast', 103, 9, '0 to 0.4 × 255 = 102'],
  ['diffuser', 'density=74/m depth=11mm', 'depthOverPitch', 0.814, 9, '11 / 13.5135'],
  ['diffuser', 'density=74/m depth=11mm', 'arcMinuteMm', 46_456, 0, '13.5135 / 0.00029089'],
  // A row of lights, each (1 + (k·pitch/depth)²)⁻² above it: 1, 0.15883, 0.02020, 0.00470, 0.00158 … to both sides.
  ['diffuser', 'density=74/m depth=11mm', 'endShare', 0.864, 3, '1.18688 / 1.37377'],
  ['ring-marks', 'radius=62mm count=27', 'arcMm', 14.428, 3, '2π × 62 / 27'],
  ['ring-marks', 'radius=62mm count=27', 'circumferenceMm', 389.557, 3, '2π × 62'],
  ['fit', 'part=3.4 hollow=4.7 wires=2 wire=1.1', 'wiresMm', 2.2, 9, 'two side by side'],
  ['fit', 'part=3.4 hollow=4.7', 'clearanceMm', 0.65, 9, '(4.7 − 3.4) / 2'],
  // Each 0.7 · 3.05 · 0.7 = 1.4945 W: 22 + 1.4945 · (8 + 3 · 10).
  ['junction', 'current=0.7A volts=3.05V thermal=8,10 lights=3', 'insideC', 78.79, 2, '22 + 1.4945 × 38'],
  ['junction', 'current=0.7A volts=3.05V thermal=8,10 lights=3', 'outsideC', 66.835, 3, '22 + 3 × 1.4945 × 10'],
  ['junction', 'current=0.7A volts=3.05V thermal=8,10', 'mostLights', 5, 9, '(98 / 1.4945 − 8) / 10 = 5.76'],
  // k = 26 · 0.7 · 0.7 = 12.74 K/V; T = (22 + 12.74 · (3.05 + 0.1)) / (1 + 12.74 · 0.004) = 59.13 °C.
  ['junction', 'current=0.7A volts=3.05V thermal=26 drift=4mV', 'insideC', 59.122, 2, '(22 + 40.131) / 1.05096'],
  ['junction', 'current=0.7A volts=3.05V thermal=26 drift=4mV', 'warmV', 2.9135, 3, '3.05 − 0.004 × 34.12'],
  ['junction', 'current=0.7A volts=3.05V thermal=26 fade=0.5%', 'lightLeft', 0.8207, 3, '1 − 0.005 × 35.86'],
  ['pixel-data', 'pixels=488 frames=50 work=6ms', 'mostPixels', 456, 9, '(20 − 6 − 0.3 ms) / 30 µs = 456.7'],
  ['boost-limit', 'cell=3.4V source=0.25Ω current=1.2A efficiency=88%', 'leastInputV', 1.3056, 3, '√(6.818 × 0.25)'],
  ['boost-limit', 'cell=3.4V source=0.25Ω current=1.2A efficiency=88%', 'leastCellV', 2.6112, 3, 'twice that'],
  [
    'boost-limit',
    'cell=3.4V source=0.25Ω current=1.2A efficiency=88% inputlimit=2A',
    'leastCellV',
    3.9091,
    3,
    '6.818 / 2 + 2 × 0.25',
  ],
  [
    'boost-limit',
    'cell=3.4V source=0.25Ω current=1.2A efficiency=88% inputlimit=2A',
    'limitedOutputA',
    1.0208,
    3,
    '(3.4 − 0.5) × 2 × 0.88 / 5',
  ],
  ['grid-scan', 'rows=8 columns=8 mean=5mA dark=50us', 'peakA', 0.041667, 5, '5 mA × 8 / (1 − 50 µs × 800)'],
  // Two of 82 Ω and two of 25 Ω: (5 − 2.048) / 214 Ω.
  ['shared-pins', 'lights=12 supply=5V forward=2.06V peak=15mA', 'peakA', 0.013795, 5, '2.952 / 214'],
  ['shared-pins', 'lights=12 supply=5V forward=2.06V peak=15mA', 'pins', 4, 9, '4 × 3 = 12'],
  ['shared-pins', 'lights=13 supply=5V forward=2.06V peak=15mA', 'pins', 5, 9, '4 × 3 = 12 is one too few'],
  ['light-gate', 'supply=4.2V pullup=150k', 'steepness', 2.5, 9, '20 / 8'],
  ['light-gate', 'supply=4.2V pullup=150k load=40mA', 'hottestW', 0.042, 9, '2.1 V × 20 mA'],
  // A flat 5 V, nothing on the way: (5 − 2) / 150 Ω = 20 mA out of 1 Ah.
  [
    'runtime',
    'capacity=1000mAh lights=1 forward=2V resistor=150 atrest=100%:5V,0%:5V resistances=100%:1mΩ,0:1mΩ lead=0',
    'likelyH',
    50,
    1,
    '1000 / 20',
  ],
  // Stated over 20 h it is rated at 0.2 A; at four times that k = 1.15 counts 4^0.15 = 1.2311 times: 4 Ah / 0.9849 A.
  [
    'runtime',
    'capacity=4Ah load=0.8A exponent=1.15 stated=20h atrest=100%:5V,0:5V resistances=100%:1mΩ,0:1mΩ lead=0',
    'likelyH',
    4.061,
    2,
    '4 / (0.8 × 1.2311)',
  ],
  // 20 mA · 2 Ω and 0.1 Ω of lead off 5 V: straight from 3.5 V to 3 V, it ends where 42 mV lie between: below 3.042 V.
  [
    'runtime',
    'capacity=1000mAh load=20mA atrest=100%:3.5V,0:3V resistances=100%:2Ω,0:2Ω lead=0.1Ω least=3V',
    'likelyH',
    45.8,
    1,
    '50 × (1 − 0.042 / 0.5)',
  ],
  ['balance', 'masses=12g:-180mm,10g:200mm', 'leftGmm', 2160, 9, '12 × 180'],
  ['balance', 'masses=12g:-180mm,10g:200mm', 'rightGmm', 2000, 9, '10 × 200'],
  ['balance', 'masses=12g:-180mm,10g:200mm', 'centreMm', -7.273, 3, '(2000 − 2160) / 22'],
  ['bundle', 'fibres=90 diameter=0.5mm', 'leastDiameterMm', 4.981, 3, '0.5 × √(90 / 0.9069), packed like oranges'],
  ['bundle', 'fibres=2 diameter=0.5mm', 'diameterMm', 1, 9, 'two side by side, not 0.5 × √(2 / 0.82)'],
  ['bundle', 'fibres=90 diameter=0.5mm', 'acceptanceDeg', 30, 6, 'arcsin 0.5'],
  ['bundle', 'fibres=90 diameter=0.5mm', 'acceptedShare', 0.25, 6, 'sin² 30° of a matt light'],
  ['light-bleed', 'through=35% ratio=50', 'through', 0.015, 3, '0.35⁴'],
  ['light-bleed', 'through=35% ratio=50', 'throughOneLess', 0.0429, 4, '0.35³, more than a fiftieth'],
  ['led-resistor', 'supply=9V forward=2V current=20mA model=as_constant', 'headRoomV', 7, 9, '9 − 2'],
  ['led-resistor', 'supply=9V forward=2V current=20mA model=as_constant', 'totalA', 0.01795, 5, '7 / 390'],
  [
    'led-resistor',
    'supply=9V forward=2V current=20mA model=as_constant',
    'bands',
    'orange, white, brown, gold',
    0,
    '39 × 10',
  ],
  ['resistor-combine', 'wanted=33.3 stock=56,82', 'off', -0.00074, 5, '33.2754 / 33.3 − 1'],
  ['resistor-code', 'bands=brown-grey-brown-gold', 'chipThree', '181', 0, '18 × 10¹'],
  ['resistor-code', 'bands=brown-grey-brown-gold', 'chipFour', '1800', 0, '180 × 10⁰'],
  ['resistor-code', 'bands=red-violet-orange-silver', 'ohm', 27_000, 9, '27 × 10³'],
  ['resistor-code', 'bands=red-violet-orange-silver', 'leastOhm', 24_300, 9, '27 000 − 10 %'],
  ['resistor-code', 'chip=R47', 'ohm', 0.47, 9, 'the letter is the point'],
  ['led-curve', 'readings=1mA:1.78V,20mA:2.06V', 'slopeV', 0.05224, 5, '(0.28 − 6.5 × 0.019) / ln 20'],
  ['transistor-switch', 'load=90mA pin=3.3V', 'resistorOhm', 270, 9, 'the standard value in 212.5 to 283.3'],
  ['transistor-switch', 'load=90mA pin=3.3V', 'baseA', 0.009444, 6, '(3.3 − 0.75) / 270'],
  ['transistor-switch', 'load=90mA pin=3.3V', 'gain', 9.53, 2, '90 / 9.444'],
  ['mosfet-switch', 'load=0.64A gate=3.3V on=45mΩ at=3V', 'lostV', 0.0432, 6, '0.64 × 0.045 × 1.5, hot'],
  ['light-divider', 'dark=180k light=2k4 fixed=22k', 'lightCode', 3693, 9, '4096 × 22 / 24.4'],
  ['light-divider', 'dark=180k light=2k4 fixed=22k', 'darkBelow', 1528, 9, '446 + 3247 / 3'],
  ['light-divider', 'dark=180k light=2k4 fixed=22k', 'lightAbove', 2611, 9, '446 + 3247 × 2 / 3'],
  ['light-divider', 'dark=180k light=2k4 fixed=22k', 'nightA', 16.34e-6, 8, '3.3 / 202 000'],
  ['light-gate', 'supply=4.2V pullup=150k', 'fullOnBelowLux', 8, 9, '(4.2 − 3) / 150 000 at 1 µA a lux'],
  ['light-gate', 'supply=4.2V pullup=150k', 'offAboveLux', 20, 9, '(4.2 − 1.2) / 150 000'],
  ['light-gate', 'supply=4.2V pullup=150k lux=10', 'gateV', 2.7, 9, '4.2 − 10 × 0.15'],
  ['light-gate', 'supply=4.2V pullup=150k', 'dayMahPerMonth', 20.16, 6, '28 µA × 24 × 30'],
  ['pixel-data', 'pixels=488 work=6ms', 'frameS', 0.01494, 9, '488 × 24 × 1.25 µs + 0.3 ms'],
  ['pixel-data', 'pixels=488 work=6ms', 'buttonWaitS', 0.04188, 9, 'twice 14.94 + 6 ms'],
  ['pixel-data', 'pixels=488', 'memoryBytes', 1464, 9, '488 × 3'],
  ['pixel-data', 'pixels=488', 'mostSupplyV', 4.714, 3, '3.3 / 0.7'],
  ['grid-scan', 'rows=8 columns=8 peak=40mA', 'rowSwitchA', 0.32, 9, '8 × 40 mA'],
  ['grid-scan', 'rows=8 columns=8 peak=40mA', 'lineRateHz', 800, 9, '8 rows × 100 pictures'],
  ['grid-scan', 'rows=8 columns=8 peak=40mA', 'pins', 16, 9, '8 + 8'],
  // On the axis 1200/2 mT × (25.18/√(3² + 25.18²) − 22.18/√(3² + 22.18²)) = 600 × (0.99298 − 0.99098) = 1.2 mT.
  ['magnet-switch', 'diameter=6mm thickness=3mm wall=8mm', 'dropOutMm', 22.2, 1, 'where 1.2 mT is left'],
  ['pack-sense', 'full=8.4V alarm=6.6V', 'fullAtPinV', 2.2703, 4, '8.4 × 100 / 370'],
  ['pack-sense', 'full=8.4V alarm=6.6V', 'fullCode', 3719, 9, '4096 × 2.2703 / 2.5, cut'],
  ['pack-sense', 'full=8.4V alarm=6.6V', 'stepV', 0.002258, 6, '2.5 / 4096 × 3.7'],
  ['pack-sense', 'full=8.4V alarm=6.6V', 'drainMahPerMonth', 16.35, 2, '22.70 µA × 720 h'],
  ['pixel-current', 'pixels=66', 'oneDieA', 0.8448, 9, '66 × (12 + 0.8) mA'],
  ['pixel-current', 'pixels=66', 'whiteA', 2.4288, 9, '66 × (3 × 12 + 0.8) mA'],
  ['pixel-current', 'pixels=66 white=a_white_die', 'whiteA', 0.8448, 9, '66 × (12 + 0.8) mA: one die for three'],
  [
    'pixel-current',
    'pixels=66 green=0.5 blue=0.5 white=a_white_die',
    'currentA',
    0.8448,
    9,
    '0.5 of red and 0.5 of white: 66 × (12 + 0.8) mA',
  ],
  ['budget', 'loads=120mA:100%,52.8mA:100%,2.376A:12% limit=3A', 'fill', 0.8496, 6, '2.5488 / 3'],
  ['budget', 'loads=120mA:100%,52.8mA:100%,2.376A:12% limit=3A', 'packPeakA', 3.933, 3, '2.5488 × 5 / 0.9 / 3.6'],
  ['budget', 'loads=120mA:100%,52.8mA:100%,2.376A:12% limit=3A', 'inW', 2.544, 3, '0.45792 × 5 / 0.9'],
  ['budget', 'loads=120mA:100%,52.8mA:100%,2.376A:12% limit=3A', 'packMeanA', 0.7067, 4, '2.544 / 3.6'],
  ['budget', 'loads=120mA:100%,52.8mA:100%,2.376A:12% limit=3A', 'lossW', 0.2544, 4, 'a tenth of it'],
  ['pack', 'cell=lithium-round-2600 series=3 parallel=2', 'capacityMah', 5200, 9, 'two side by side'],
  ['pack', 'cell=lithium-round-2600 series=3 parallel=2', 'nominalV', 11.07, 6, 'three in series'],
  ['boost-limit', 'cell=3.4V source=0.25Ω current=1.4A efficiency=88%', 'askedW', 7.9545, 4, '7 / 0.88'],
  [
    'boost-limit',
    'cell=3.4V source=0.25Ω current=1.4A efficiency=88%',
    'inputV',
    2.6494,
    4,
    '(3.4 + √(11.56 − 7.9545)) / 2',
  ],
  ['boost-limit', 'cell=3.4V source=0.25Ω current=1.4A efficiency=88%', 'mostOutputA', 2.03456, 5, '11.56 × 0.88 / 5'],
  ['boost-limit', 'cell=3.4V source=0.25Ω current=1.4A efficiency=88%', 'lostInSourceW', 2.2536, 4, '3.0024² × 0.25'],
  ['ceiling', 'limit=1.5A pixels=66', 'limiter8', 142, 9, '0.5586 × 255, cut'],
  ['ceiling', 'limit=1.5A pixels=66', 'boot', 0.4323, 4, '(0.8 × 1.5 − 0.1728) / 2.376'],
  ['ceiling', 'limit=1.5A pixels=66', 'fullWhiteA', 2.5488, 9, '0.12 + 66 × 36.8 mA'],
  ['charge', 'capacity=850mAh charger=425mA', 'leastA', 0.085, 9, 'a tenth of the capacity'],
  ['charge', 'capacity=850mAh charger=425mA', 'endA', 0.0425, 9, 'a twentieth'],
  ['event-packs', 'event=5.5h cautious=1.9h', 'allWh', 86.58, 2, '3 × 11.1 × 2.6'],
  ['sound', 'supply=4.2V stall=2A', 'dipV', 0.5, 9, '2 × 0.25'],
  ['sound', 'supply=4.2V stall=2A', 'atStartV', 3.7, 9, '4.2 − 0.5'],
  ['sound', 'supply=4.2V', 'loudness', 1.58, 2, '2 ^ 0.66: ten decibels are twice as loud'],
  // Gauge 24 is 0.127 × 92^(12/39) = 0.5106 mm across, 0.2047 mm²; out and back 1.4 m of 0.01724 Ωmm²/m.
  ['wire', 'current=1.2A length=0.7m gauge=24AWG', 'loopOhm', 0.1179, 4, '0.01724 × 1.4 / 0.2047'],
  ['wire', 'current=1.2A length=0.7m gauge=24AWG', 'endV', 4.8585, 3, '5 − 1.2 × 0.1179'],
  ['wire', 'current=1.2A length=0.7m gauge=24AWG', 'dropShare', 0.0283, 4, '0.1415 / 5'],
  ['pixel-data', 'pixels=400 memory=2048', 'fadesBytes', 2654, 0, '2 × (400 × 3 + 1) + 92 + 160'],
  ['fuse', 'steady=1.92A weakest=3A', 'leastA', 2.4, 9, '1.92 × 1.25'],
  ['junction', 'current=0.7A volts=3.05V thermal=26 on=60s', 'thenC', 33.01, 2, '22 + 26 × 1.4945 × (1 − e^(−60/180))'],
  ['junction', 'current=0.7A volts=3.05V thermal=26', 'mostKPerW', 65.57, 2, '(120 − 22) / (2.135 × 0.7)'],
  ['reflow', 'points=0s:25C,100s:245C,110s:245C,160s:45C', 'rampKPerS', 2.2, 9, '220 / 100'],
  ['reflow', 'points=0s:25C,100s:245C,110s:245C,160s:45C', 'coolKPerS', 4, 9, '200 / 50'],
  ['reflow', 'points=0s:25C,100s:245C,110s:245C,160s:45C', 'atPeakS', 12.82, 2, '10 + 4/2.2 + 4/4'],
  ['batch', 'copies=7 each=18 lot=25', 'parts', 133, 9, '126 + 5 % is 132.3, and no one sells 0.3'],
  ['batch', 'copies=7 each=18 lot=25', 'bought', 150, 9, 'six bags'],
  ['batch', 'copies=7 each=18 lot=25 stock=40', 'shortBy', 86, 9, '126 − 40'],
  ['batch', 'copies=7 each=18 lot=25 stock=40', 'lots', 4, 9, '93 more, in bags of 25'],
];

describe('what a sum says beside its answer', () => {
  it.each(byHand)('%s %s: %s is %s', (sum, words, key, value, digits) => {
    const result = ask(sum, words).results[key];
    if (typeof value === 'number') expect(result).toBeCloseTo(value, digits);
    else expect(result).toBe(value);
  });
});

describe('tables of a sum', () => {
  it('lights of three strengths are brought down to the weakest: 900/4000 and 900/1100 of 20 mA', () => {
    const levels = tableOf(ask('equal-look', 'intensities=900,4000,1100 current=20mA cap=40%'), 'levels');
    expect(levels.map((row) => row.currentA)).toEqual([0.02, 0.0045, 0.02 * (9 / 11)].map((a) => expect.closeTo(a, 9)));
    expect(levels.map((row) => row.level8)).toEqual([255, 57, 209]);
  });
  it('marks go clockwise from the top, seen from the front: the tenth of 27 is at 330°, 53.69 mm right and 31 mm down', () => {
    const marks = tableOf(ask('ring-marks', 'radius=62mm count=27'), 'marks');
    expect(marks).toHaveLength(27);
    expect(marks[0]).toMatchObject({ angleDeg: 90, yMm: 62 });
    expect(marks[9]?.angleDeg).toBeCloseTo(330, 9);
    expect(marks[9]?.xMm).toBeCloseTo(53.69, 2);
    expect(marks[9]?.yMm).toBeCloseTo(-31, 9);
    const behind = tableOf(ask('ring-marks', 'radius=62mm count=27 side=back'), 'marks');
    expect(behind[9]?.xMm).toBeCloseTo(-53.69, 2);
  });
  it('a tape of five loads of 0.32 A at 0.18 Ω a step: 5, 4, 3, 2 and 1 of them flow through the steps', () => {
    const words = 'length=3m density=1.6667/m pixel=0.32A supply=12V rails=0.3Ω/m load=the_same lead=0.18Ω';
    const { voltageV, feedA } = ask('tape-drop', words).results as unknown as Record<string, number[]>;
    expect(feedA).toEqual([1.6]);
    // 12 − 1.6 × 0.18, then 1.28, 0.96, 0.64 and 0.32 A times 0.18 Ω less.
    expect(voltageV).toEqual([11.712, 11.4816, 11.3088, 11.1936, 11.136].map((v) => expect.closeTo(v, 4)));
  });
  it('pieces that a length of stock gives are no longer than it, and all that were asked for are there', () => {
    const { cuts } = ask('tape-cut', 'lengths=3x620,4x410,5x260 stock=0x1m kerf=2mm').results as unknown as {
      readonly cuts: readonly { readonly pieces: string; readonly stockMm: number; readonly offcutMm: number }[];
    };
    const pieces = cuts.map((cut) => cut.pieces.split(' + ').map(Number));
    for (const [i, cut] of cuts.entries()) {
      const inIt = pieces[i] ?? [];
      // A cut between every two pieces, and one before the offcut.
      const used = inIt.reduce((sum, piece) => sum + piece, 0) + 2 * inIt.length;
      expect(cut.stockMm - used).toBeCloseTo(cut.offcutMm, 9);
      expect(cut.offcutMm).toBeGreaterThanOrEqual(0);
    }
    expect(pieces.flat().sort((a, b) => a - b)).toEqual([260, 260, 260, 260, 260, 410, 410, 410, 410, 620, 620, 620]);
  });
});

describe('one sum by way of another', () => {
  it('the fewest feeds of a tape: fed there it holds the voltage, and one feed fewer, wherever, does not', () => {
    const tape = 'length=2m density=60/m pixel=36.8mA';
    const found = ask('feed-points', `${tape} wanted=4.5V`).results as unknown as {
      readonly feeds: number;
      readonly feedsMm: readonly number[];
      readonly leastV: number;
      readonly oneEndV: number;
    };
    const least = (feedsMm: readonly number[]): number =>
      ask('tape-drop', `${tape} feeds=${feedsMm.map((mm) => `${mm}mm`).join(',')}`).results.leastV ?? 0;
    expect(found.feedsMm).toHaveLength(found.feeds);
    expect(least(found.feedsMm)).toBeCloseTo(found.leastV, 6);
    expect(found.leastV).toBeGreaterThanOrEqual(4.5);
    expect(least([0])).toBeCloseTo(found.oneEndV, 6);
    expect(found.feeds).toBe(2);
    for (let mm = 0; mm <= 2000; mm += 50) expect(least([mm])).toBeLessThan(4.5);
  });
  it('two resistors side by side pass together what each passes', () => {
    const ohm = ask('resistor-combine', 'wanted=33.3 stock=56,82').results.ohm ?? 0;
    expect(5 / ohm).toBeCloseTo(5 / 56 + 5 / 82, 9);
  });
  it('a string of one light is the sum of its resistor', () => {
    const [one] = tableOf(ask('led-string', 'fresh=5V nominal=5V spent=5V forward=3.016V current=12mA'), 'strings');
    const alone = ask('led-resistor', 'supply=5V forward=3.016V current=12mA').results;
    expect(one?.resistorOhm).toBe(alone.resistorOhm);
    expect(one?.nominalA).toBeCloseTo(alone.likelyA ?? 0, 5);
  });
  it('the voltage at the end of a wire and the share lost are one sum', () => {
    for (const supply of [3.7, 5, 12]) {
      const { dropV, endV, dropShare } = ask('wire', `current=1A length=2m gauge=22 supply=${supply}V`).results;
      expect((dropV ?? 0) + (endV ?? 0)).toBeCloseTo(supply, 9);
      expect(dropShare).toBeCloseTo((dropV ?? 0) / supply, 9);
    }
  });
  it('half the current for twice as long takes the same from a cell, and no less time than that', () => {
    const hours = (load: string): number => ask('runtime', `capacity=1800mAh load=${load}`).results.likelyH ?? 0;
    expect(hours('210mA')).toBeGreaterThanOrEqual(2 * hours('420mA'));
    expect(hours('210mA')).toBeLessThan(2.2 * hours('420mA'));
  });
});
