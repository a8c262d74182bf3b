import { solveString } from '../circuit/index.ts';
import {
  baseCurrent,
  baseResistor,
  bestFixed,
  chooseThresholds,
  codeAgrees,
  designBase,
  designLightGate,
  designSensor,
  discField,
  dividerCode,
  findSneaks,
  frameTime,
  gateNode,
  judgeGate,
  leastHighLevel,
  longestWaitS,
  loopShare,
  meanOfScan,
  nextStandard,
  reachMm,
  scanGrid,
  senseCode,
  sensorFromCode,
  standardNeighbours,
  switchHeat,
  worksThrough,
} from '../drive/index.ts';
import { printQuantity, printSum } from '../units/index.ts';
import { SumError } from './answer.ts';
import { sample } from './drawing.ts';
import { curveThrough } from './lightCurves.ts';
import {
  ask,
  assume,
  choice,
  defineSum,
  figure,
  finding,
  findingsWhere,
  mainFigure,
  optional,
  type QuickSum,
  text,
} from './sum.ts';

const amps = (value: number): string => printQuantity('currentA', value);
const volts = (value: number): string => printQuantity('voltageV', value);

const transistorSwitch = defineSum({
  name: 'transistor-switch',
  title: 'Bipolar transistor as a switch',
  about: 'The band of base resistors that keeps it full on, what the pin gives for it, and the heat.',
  group: 'drive',
  inputs: {
    loadA: ask('currentA', 'load', 'Current switched', 0.09, { most: 20, usual: [0.001, 3] }),
    pinV: ask('voltageV', 'pin', 'Pin, high, at the lowest pack', 3.3, { most: 12, usual: [1.8, 5.5] }),
    pinLimitA: assume('currentA', 'pinlimit', 'Most that the pin gives', 0.012, { most: 0.2, usual: [0.002, 0.04] }),
    baseEmitterV: assume('voltageV', 'vbe', 'Base to emitter', 0.75, { least: 0.4, most: 2.5 }),
    forcedGain: assume('count', 'gain', 'Forced gain', 10, { least: 1, most: 200 }),
    onDropV: assume('voltageV', 'drop', 'Volts lost when on', 0.2, { least: 0.01, most: 3 }),
    collectorA: assume('currentA', 'limit', 'Highest collector current', 0.2, { most: 50 }),
    resistorOhm: optional('resistanceOhm', 'base', 'Base resistor already fitted'),
  },
  reckon: ({ loadA, pinV, pinLimitA, baseEmitterV, forcedGain, onDropV, collectorA, resistorOhm }) => {
    const design = designBase({ pinV, baseEmitterV, pinLimitA, loadA, forcedGain, onDropV });
    const fitted = resistorOhm ?? design.resistorOhm;
    const baseA = fitted === null ? null : baseCurrent.reckon({ Vp: pinV, Vbe: baseEmitterV, Rb: fitted });
    return {
      results: [
        mainFigure('resistorOhm', 'Base resistor', 'resistanceOhm', fitted),
        figure('leastOhm', 'At least, for the pin', 'resistanceOhm', design.leastOhm),
        figure('mostOhm', 'At most, to be full on', 'resistanceOhm', design.mostOhm),
        figure('baseA', 'Base current', 'currentA', baseA),
        figure('goodForA', 'Keeps full on', 'currentA', baseA === null ? null : baseA * forcedGain),
        figure('gain', 'Forced gain', 'count', baseA === null || baseA <= 0 ? null : loadA / baseA),
        figure('heatW', 'Heat', 'powerW', onDropV * loadA + baseEmitterV * (baseA ?? 0)),
      ],
      steps: [
        printSum(baseResistor, { Vp: pinV, Vbe: baseEmitterV, g: forcedGain, Ic: loadA }),
        ...(fitted === null ? [] : [printSum(baseCurrent, { Vp: pinV, Vbe: baseEmitterV, Rb: fitted })]),
      ],
      findings: findingsWhere(
        [
          fitted === null,
          finding(
            'pin-too-weak',
            'stop',
            `No base resistor serves: the pin gives ${amps(pinLimitA)}, full on takes ${amps(loadA / forcedGain)}`,
            'Half on, the transistor runs hot and the lights dim.',
            'A field-effect transistor, or a transistor pair.',
          ),
        ],
        [
          loadA > collectorA,
          finding(
            'collector-limit',
            'stop',
            `${amps(loadA)} is over the ${amps(collectorA)} of this transistor`,
            '"Any small one will do" is true up to a length of tape.',
            'A larger one, or one channel a section.',
          ),
        ],
        [
          baseA !== null && fitted !== null && baseA * forcedGain < loadA * (1 - 1e-9),
          finding(
            'not-full-on',
            'mend',
            'The base current does not keep it full on',
            `It is good for ${amps((baseA ?? 0) * forcedGain)}; the data sheet’s small-signal gain does not hold for a switch.`,
            `Take ${printQuantity('resistanceOhm', standardNeighbours(Math.max(1, design.mostOhm)).below)} or less.`,
          ),
        ],
        [
          baseA !== null && baseA > pinLimitA * (1 + 1e-9),
          finding(
            'pin-over',
            'stop',
            `The pin would give ${amps(baseA ?? 0)}; it bears ${amps(pinLimitA)}`,
            'The base current counts in the pin’s load.',
            `Take ${printQuantity('resistanceOhm', nextStandard(design.leastOhm))} or more.`,
          ),
        ],
      ),
    };
  },
});

const mosfetSwitch = defineSum({
  name: 'mosfet-switch',
  title: 'Field-effect transistor as a switch',
  about: 'Whether it is full on at the gate voltage it gets, what it loses and how warm it runs.',
  group: 'drive',
  inputs: {
    loadA: ask('currentA', 'load', 'Current switched', 0.64, { most: 60, usual: [0.005, 10] }),
    gateV: ask('voltageV', 'gate', 'Gate voltage, at the lowest pack', 3.3, { least: 0, most: 20, usual: [1.8, 12] }),
    onOhm: ask('resistanceOhm', 'on', 'On-resistance', 0.045, { least: 1e-4, most: 100 }),
    promisedAtV: ask('voltageV', 'at', '… promised at a gate voltage of', 3, { least: 0.5, most: 15 }),
    thresholdV: assume('voltageV', 'threshold', 'Threshold', 1.5, { least: 0.2, most: 6 }),
    thermalKPerW: assume('thermalKPerW', 'thermal', 'From inside to air', 120, { most: 1000 }),
    ambientC: assume('temperatureC', 'ambient', 'Air around it', 30, { least: -40, most: 90 }),
    side: choice('common', 'The lights share', ['plus', 'minus'], 'plus'),
  },
  reckon: ({ loadA, gateV, onOhm, promisedAtV, thresholdV, thermalKPerW, ambientC, side }) => {
    const verdict = judgeGate(gateV, promisedAtV, thresholdV);
    const heatW = switchHeat.reckon({ I: loadA, R: onOhm });
    return {
      results: [
        text('verdict', 'At this gate voltage it is', verdict),
        mainFigure('heatW', 'Heat, hot', 'powerW', verdict === 'full on' ? heatW : null),
        figure('lostV', 'Volts lost', 'voltageV', verdict === 'full on' ? loadA * onOhm * 1.5 : null),
        figure(
          'insideC',
          'Temperature inside',
          'temperatureC',
          verdict === 'full on' ? ambientC + heatW * thermalKPerW : null,
        ),
        text(
          'sits',
          'It sits',
          side === 'plus' ? 'between the lights and minus, N-channel' : 'between plus and the lights, P-channel',
        ),
      ],
      steps: [printSum(switchHeat, { I: loadA, R: onOhm })],
      findings: findingsWhere(
        [
          verdict !== 'full on',
          finding(
            'gate-low',
            'stop',
            `${volts(gateV)} does not turn it full on: its on-resistance is promised at ${volts(promisedAtV)}`,
            'The threshold is where it begins to conduct, not where it is on; between the two it is a heater.',
            `Take one that is promised at ${volts(gateV)} or less.`,
          ),
        ],
        [
          ambientC + heatW * thermalKPerW > 120,
          finding(
            'switch-hot',
            'stop',
            'It gets too hot',
            'Inside a closed piece there is little air.',
            'Lower on-resistance, or copper to carry the heat away.',
          ),
        ],
        [
          side === 'minus',
          finding(
            'high-side',
            'mind',
            'A common minus asks for a switch on the plus side',
            'It is on when its gate is pulled low: dimming works the other way round, and above the pin’s own voltage it needs a second transistor.',
            'Invert the levels in the program.',
          ),
        ],
        [
          true,
          finding(
            'pull-down',
            'mind',
            'A pull-down of 100 kΩ at the gate',
            'While the controller starts its pins float, and a floating gate lights the lamp.',
            'Gate resistor 100 to 330 Ω, pull-down on the pin’s side of it.',
          ),
        ],
      ),
    };
  },
});

const lightDivider = defineSum({
  name: 'light-divider',
  title: 'Light sensor on a divider',
  about: 'The best fixed resistor, the codes at two light levels and thresholds with a gap.',
  group: 'drive',
  inputs: {
    darkOhm: ask('resistanceOhm', 'dark', 'Sensor in the dark', 180_000, { most: 1e9, usual: [5000, 20e6] }),
    lightOhm: ask('resistanceOhm', 'light', 'Sensor in light', 2400, { most: 1e9, usual: [50, 200_000] }),
    fixedOhm: optional('resistanceOhm', 'fixed', 'Fixed resistor, to minus'),
    supplyV: assume('voltageV', 'supply', 'Supply', 3.3, { least: 0.5, most: 24 }),
    bits: assume('count', 'bits', 'Bits of the converter', 12, { least: 6, most: 24 }),
    noise: assume('count', 'noise', 'Noise of the code, either way', 25, { least: 0, most: 10_000 }),
    code: optional('count', 'code', 'A code that was read', { least: 0, most: 16_777_216 }),
    readAt: choice('readat', '… with the sensor in', ['dark', 'light'], 'dark'),
  },
  reckon: ({ darkOhm, lightOhm, fixedOhm, supplyV, bits, noise, code, readAt }) => {
    const design = designSensor({ darkOhm, lightOhm, bits, supplyV });
    const Rf = fixedOhm ?? design.fixedOhm;
    const top = 2 ** bits;
    const at = (Rs: number): number => dividerCode.reckon({ Rf, Rs, top });
    const [darkCode, lightCode] = [at(darkOhm), at(lightOhm)];
    const [threshold] = chooseThresholds(
      [
        { name: 'dark', code: darkCode },
        { name: 'light', code: lightCode },
      ],
      noise,
    );
    const sensorOhm = readAt === 'dark' ? darkOhm : lightOhm;
    return {
      results: [
        mainFigure('fixedOhm', 'Fixed resistor', 'resistanceOhm', Rf),
        figure('bestOhm', 'Best, exactly', 'resistanceOhm', design.exactOhm),
        figure('darkCode', 'Code in the dark', 'count', darkCode),
        figure('lightCode', 'Code in light', 'count', lightCode),
        figure('darkBelow', 'Dark below', 'count', threshold?.fallsBelow ?? null),
        figure('lightAbove', 'Light again above', 'count', threshold?.risesAbove ?? null),
        figure('gap', 'Gap', 'count', threshold?.gap ?? null),
        figure('dayA', 'Draws in light', 'currentA', supplyV / (Rf + lightOhm)),
        figure('nightA', 'Draws in the dark', 'currentA', supplyV / (Rf + darkOhm)),
        ...(code === null || code === 0
          ? []
          : [figure('codeOhm', `The code ${code} stands for`, 'resistanceOhm', sensorFromCode(code, Rf, bits))]),
      ],
      steps: [
        printSum(bestFixed, { Rd: darkOhm, Rl: lightOhm }),
        printSum(dividerCode, { Rf, Rs: darkOhm, top }),
        printSum(dividerCode, { Rf, Rs: lightOhm, top }),
      ],
      findings: findingsWhere(
        [
          darkOhm <= lightOhm,
          finding(
            'swapped',
            'stop',
            'The sensor has more resistance in light than in the dark',
            'A photoresistor falls with light; the readings are swapped or it is another kind.',
            'Measure again, covered and uncovered.',
          ),
        ],
        [
          threshold !== undefined && !threshold.holds,
          finding(
            'chatters',
            'mend',
            `A gap of ${threshold?.gap ?? 0} is not over twice the noise of ${noise}`,
            'At dusk the lamp would flicker on and off.',
            'A fixed resistor nearer the best one, or average more readings.',
          ),
        ],
        [
          code !== null && !codeAgrees({ code, fixedOhm: Rf, bits, sensorOhm }),
          finding(
            'code-disagrees',
            'stop',
            `A code of ${code ?? 0} does not agree with ${printQuantity('resistanceOhm', sensorOhm)}`,
            code === 0
              ? `Zero means above ${printQuantity('resistanceOhm', Rf * (top - 1))}: an open joint, or the wrong pin.`
              : 'One of the two is wrong, or sensor and resistor are swapped.',
            'Look at the joint and measure the sensor by itself.',
          ),
        ],
        [
          true,
          finding(
            'own-light',
            'mind',
            'Keep the lamp’s own light off its sensor',
            'Else it switches itself off as soon as it is on.',
            'Face it away, shade it, and let it settle for a second or two.',
          ),
        ],
      ),
      drawing: {
        kind: 'lines',
        x: { label: 'sensor', kind: 'resistanceOhm' },
        y: { label: 'code', kind: 'count' },
        lines: [
          {
            name: 'code',
            role: 'curve',
            points: sample(Math.min(lightOhm, darkOhm) / 2, Math.max(lightOhm, darkOhm) * 1.2, 160, at),
          },
        ],
        marks: [
          { name: 'dark', at: [darkOhm, darkCode] },
          { name: 'light', at: [lightOhm, lightCode] },
        ],
      },
    };
  },
});

const lightGate = defineSum({
  name: 'light-gate',
  title: 'Lamp that lights by itself, without a program',
  about: 'Phototransistor and pull-up on a gate: when it is on, off and half on, and what it draws all day.',
  group: 'drive',
  inputs: {
    supplyV: ask('voltageV', 'supply', 'Supply', 4.2, { most: 24, usual: [2, 15] }),
    pullUpOhm: ask('resistanceOhm', 'pullup', 'Pull-up', 150_000, { least: 100, most: 1e8, usual: [10_000, 5e6] }),
    microampsPerLux: assume('currentA', 'perlux', 'Phototransistor, current at one lux', 1e-6, {
      least: 1e-10,
      most: 1e-3,
    }),
    thresholdV: assume('voltageV', 'threshold', 'Gate threshold', 1.2, { least: 0.3, most: 6 }),
    fullOnV: assume('voltageV', 'fullon', 'Gate voltage for full on', 3, { least: 0.5, most: 12 }),
    lux: assume('count', 'lux', 'Look at a light level of, lux', 10, { least: 0, most: 200_000 }),
  },
  reckon: ({ supplyV, pullUpOhm, microampsPerLux, thresholdV, fullOnV, lux }) => {
    const gate = designLightGate({ supplyV, pullUpOhm, ampsPerLux: microampsPerLux, thresholdV, fullOnV });
    const here = gate.at(lux);
    const most = Math.max(gate.offAboveLux * 1.5, lux * 1.2, 0.1);
    return {
      results: [
        mainFigure('fullOnBelowLux', 'Full on below, lux', 'count', gate.fullOnBelowLux),
        figure('offAboveLux', 'Off above, lux', 'count', gate.offAboveLux),
        figure('gateV', `Gate at ${lux} lux`, 'voltageV', here.gateV),
        text('verdict', 'There it is', here.verdict),
        figure('dayA', 'Draws all day in light', 'currentA', gate.dayA),
        figure('dayMahPerMonth', 'That is a month', 'capacityMah', gate.dayA * 1000 * 24 * 30),
      ],
      steps: [printSum(gateNode, { Vs: supplyV, Ip: lux * microampsPerLux, Rp: pullUpOhm })],
      findings: findingsWhere(
        [
          supplyV < fullOnV,
          finding(
            'never-full',
            'stop',
            `Even in the dark the gate gets only ${volts(supplyV)}; full on takes ${volts(fullOnV)}`,
            'It runs half on and warm.',
            'A transistor that is full on at less.',
          ),
        ],
        [
          here.verdict === 'half on',
          finding(
            'half-on',
            'mend',
            `At ${lux} lux it is half on`,
            'Between full on and off it drops volts and runs warm, through all of dusk.',
            'A steeper switch (a second transistor), or a controller with two thresholds.',
          ),
        ],
        [
          true,
          finding(
            'leg-rule',
            'mind',
            'On a phototransistor the short leg is the collector',
            'The long-leg rule of lights does not hold for sensors of every kind.',
            'Look at its sheet, or test it with a lamp before it goes in.',
          ),
        ],
      ),
      drawing: {
        kind: 'lines',
        x: { label: 'light, lux', kind: 'count' },
        y: { label: 'gate', kind: 'voltageV' },
        lines: [
          { name: 'gate', role: 'curve', points: sample(0, most, 120, (each) => gate.at(each).gateV) },
          {
            name: 'full on',
            role: 'limit',
            points: [
              [0, fullOnV],
              [most, fullOnV],
            ],
          },
          {
            name: 'threshold',
            role: 'limit',
            points: [
              [0, thresholdV],
              [most, thresholdV],
            ],
          },
        ],
        marks: [{ name: `${lux} lux`, at: [lux, here.gateV] }],
      },
    };
  },
});

const pixelData = defineSum({
  name: 'pixel-data',
  title: 'Pixel data: time, memory, level',
  about: 'How long a frame takes to send, how many a second that leaves, and whether the level is in specification.',
  group: 'drive',
  inputs: {
    pixels: ask('count', 'pixels', 'Pixels on the line', 488, { least: 1, most: 100_000, usual: [1, 3000] }),
    dice: assume('count', 'dice', 'Dice a pixel', 3, { least: 1, most: 5 }),
    supplyV: assume('voltageV', 'supply', 'Supply of the first pixel', 5, { least: 2, most: 24 }),
    logicV: assume('voltageV', 'logic', 'Logic of the controller', 3.3, { least: 1, most: 6 }),
    framesPerS: assume('frequencyHz', 'frames', 'Frames a second wanted', 50, { least: 0.1, most: 1000 }),
    workS: assume('timeS', 'work', 'Other work a frame', 0, { least: 0, most: 10 }),
    bitS: assume('timeS', 'bit', 'Time of a bit', 1.25e-6, { least: 1e-7, most: 1e-3 }),
    latchS: assume('timeS', 'latch', 'Pause that ends a frame', 300e-6, { least: 0, most: 0.1 }),
    memory: optional('count', 'memory', 'Memory of the controller, bytes'),
  },
  reckon: ({ pixels, dice, supplyV, logicV, framesPerS, workS, bitS, latchS, memory }) => {
    const sum = { N: pixels, b: dice * 8, tb: bitS, tl: latchS };
    const frameS = frameTime.reckon(sum);
    const share = loopShare.reckon({ Ts: frameS, Tw: workS, f: framesPerS });
    const leastV = leastHighLevel.reckon({ Vp: supplyV });
    return {
      results: [
        mainFigure('framesPerS', 'Frames a second at most', 'frequencyHz', 1 / frameS),
        figure('frameS', 'One frame takes', 'timeS', frameS),
        figure('sendS', '… of it sending', 'timeS', frameS - latchS),
        figure('memoryBytes', 'Memory, bytes', 'count', pixels * dice),
        figure('loopShare', `Of the loop at ${printQuantity('frequencyHz', framesPerS)}`, 'fraction', share),
        figure('buttonWaitS', 'A button waits at most', 'timeS', longestWaitS(frameS, workS, framesPerS)),
        figure('leastHighV', 'Least high level', 'voltageV', leastV),
        text('levelOk', 'The level is in specification', logicV >= leastV - 1e-9),
        figure('mostSupplyV', 'Highest supply for this logic', 'voltageV', logicV / 0.7),
      ],
      steps: [
        printSum(frameTime, sum),
        printSum(leastHighLevel, { Vp: supplyV }),
        printSum(loopShare, { Ts: frameS, Tw: workS, f: framesPerS }),
      ],
      findings: findingsWhere(
        [
          logicV < leastV - 1e-9,
          finding(
            'level-low',
            'mend',
            `${volts(logicV)} logic is out of specification at ${volts(supplyV)}: it takes ${volts(leastV)}`,
            'It works on the bench and fails when it is warm or the lead is long.',
            `A level shifter, a first pixel fed at ${volts(Math.floor((logicV / 0.7) * 10) / 10)} or less, or all pixels at that.`,
          ),
        ],
        [
          share > 1,
          finding(
            'loop-over',
            'stop',
            `The loop would take ${printQuantity('fraction', share)} of its time`,
            'While pixels are sent the controller does nothing else.',
            'Fewer frames a second, two lines, or a second controller.',
          ),
        ],
        [
          memory !== null && pixels * dice > 0.7 * memory,
          finding(
            'memory-short',
            'stop',
            `${pixels * dice} bytes of pixels in ${memory ?? 0} bytes of memory`,
            'The program needs the rest; it fails without a word.',
            'A larger controller, or fewer pixels.',
          ),
        ],
        [
          true,
          finding(
            'first-pixel',
            'mind',
            '220 to 470 Ω in the data line, 470 to 1000 µF at the feed, minus joined first',
            'Edges ring on a long lead, and the first surge takes the first pixel with it. A live data line feeds an unpowered tape backwards.',
            'Arrows show the way of the data, not of the current.',
          ),
        ],
      ),
    };
  },
});

const gridScan = defineSum({
  name: 'grid-scan',
  title: 'A scanned grid',
  about: 'Pins, duty, mean and row current, refresh, and what glows that should be off.',
  group: 'drive',
  inputs: {
    rows: ask('count', 'rows', 'Rows', 8, { least: 1, most: 64 }),
    columns: ask('count', 'columns', 'Columns', 8, { least: 1, most: 64 }),
    peakA: ask('currentA', 'peak', 'Current while on', 0.04, { most: 2, usual: [0.002, 0.2] }),
    picturesPerS: assume('frequencyHz', 'refresh', 'Pictures a second', 100, { least: 1, most: 20_000 }),
    lowV: assume('voltageV', 'low', 'Lowest drop in the grid at 20 mA', 2.06, { least: 1, most: 4 }),
    highV: assume('voltageV', 'high', 'Highest drop in the grid at 20 mA', 3.14, { least: 1, most: 4.5 }),
    supplyV: assume('voltageV', 'supply', 'Supply', 5, { least: 1, most: 24 }),
    idle: choice(
      'idle',
      'Lines that are not chosen',
      ['float', 'rows low, columns high', 'held in the middle'],
      'float',
    ),
  },
  reckon: ({ rows, columns, peakA, picturesPerS, lowV, highV, supplyV, idle }) => {
    const scan = scanGrid({ rows, columns, peakA, picturesPerS });
    const [low, high] = [curveThrough(lowV, 0.02), curveThrough(highV, 0.02)];
    // The hardest case in small: the chosen light has the high drop, all others round it the low one.
    const size = Math.min(3, rows, columns);
    const curves = Array.from({ length: size }, (_, row) =>
      Array.from({ length: size }, (_u, column) => (row === 0 && column === 0 ? high : low)),
    );
    const middle = supplyV / 2;
    const found = findSneaks({
      curves,
      supplyV,
      columnOhm: Math.max(1, (supplyV - highV) / peakA),
      chosen: { row: 0, column: 0 },
      idle:
        idle === 'float'
          ? null
          : idle === 'held in the middle'
            ? { rowV: middle, columnV: middle }
            : { rowV: 0, columnV: supplyV },
    });
    const worst = found.sneaks.reduce((most, each) => Math.max(most, each.currentA), 0);
    const middleA = solveString({ supplyV: middle, resistanceOhm: 0.1, curve: low });
    return {
      results: [
        mainFigure('meanA', 'Mean current of a light', 'currentA', scan.meanA),
        figure('pins', 'Pins', 'count', scan.pins),
        figure('duty', 'Each light is on for', 'fraction', scan.duty),
        figure('rowSwitchA', 'A row’s switch carries', 'currentA', scan.rowSwitchA),
        figure('rowTimeS', 'Time of a row', 'timeS', scan.rowTimeS),
        figure('lineRateHz', 'Rows a second', 'frequencyHz', picturesPerS * rows),
        figure('sneakA', 'Most through a light that should be off', 'currentA', worst),
      ],
      steps: [printSum(meanOfScan, { Ip: peakA, r: rows })],
      findings: findingsWhere(
        [
          found.sneaks.some((sneak) => sneak.seen),
          finding(
            'false-glow',
            'mend',
            `A light that should be off carries ${amps(worst)}: it is seen in the dark`,
            'Low-drop colours glow where high-drop ones stay dark, through the same bias.',
            'Drive every line, rows low and columns high when idle; like kinds in a row; or a diode each.',
          ),
        ],
        [
          idle === 'held in the middle' && middleA > 1e-5,
          finding(
            'bias-high',
            'mend',
            `Half of the supply across an off light gives ${amps(middleA)}`,
            'What holds a white light dark lights an amber one.',
            'Choose the idle voltage for the lowest drop in the grid.',
          ),
        ],
        [
          picturesPerS < 100,
          finding(
            'flicker',
            'mend',
            `${printQuantity('frequencyHz', picturesPerS)} flickers`,
            'The eye sees it below 100 a second, cameras below 400.',
            'Refresh at 100 or more; 400 for cameras.',
          ),
        ],
        [
          idle === 'float',
          finding(
            'floating',
            'mind',
            'Floating lines let current find ways round',
            'Through three lights in a row, one of them backwards; the more unlike the drops, the more of it.',
            'Drive the lines that are not chosen.',
          ),
        ],
      ),
    };
  },
});

const magnetSwitch = defineSum({
  name: 'magnet-switch',
  title: 'Magnet through the skin',
  about: 'How far a disc magnet works a magnetic switch, and whether it does through the wall.',
  group: 'drive',
  inputs: {
    diameterMm: ask('lengthMm', 'diameter', 'Diameter of the disc', 6, { most: 200, usual: [2, 30] }),
    thicknessMm: ask('lengthMm', 'thickness', 'Thickness', 3, { most: 100, usual: [0.5, 20] }),
    wallMm: ask('lengthMm', 'wall', 'Wall between', 8, { least: 0, most: 500, usual: [0.5, 30] }),
    remanenceMt: assume('fluxMt', 'remanence', 'Remanence', 1200, { least: 50, most: 1500 }),
    pullInMt: assume('fluxMt', 'pullin', 'Switch pulls in at', 2.5, { least: 0.1, most: 100 }),
    dropOutMt: assume('fluxMt', 'dropout', '… and drops out at', 1.2, { least: 0.05, most: 100 }),
  },
  reckon: ({ diameterMm, thicknessMm, wallMm, remanenceMt, pullInMt, dropOutMt }) => {
    const disc = { Br: remanenceMt, r: diameterMm / 2, t: thicknessMm };
    const pullInMm = reachMm(disc, pullInMt);
    const dropOutMm = reachMm(disc, dropOutMt);
    return {
      results: [
        mainFigure('pullInMm', 'Pulls in within', 'lengthMm', pullInMm),
        figure('dropOutMm', 'Drops out beyond', 'lengthMm', dropOutMm),
        figure('fieldMt', 'Field behind the wall', 'fluxMt', discField.reckon({ ...disc, z: wallMm })),
        text('works', 'Works through the wall with a third in hand', worksThrough(pullInMm, wallMm)),
      ],
      steps: [printSum(discField, { ...disc, z: wallMm })],
      findings: findingsWhere(
        [
          pullInMt <= dropOutMt,
          finding(
            'no-hysteresis',
            'stop',
            'A switch drops out at a weaker field than it pulls in',
            'The two values are swapped.',
            'Exchange them.',
          ),
        ],
        [
          !worksThrough(pullInMm, wallMm),
          finding(
            'wall-thick',
            'mend',
            'The wall eats the reach',
            'Off the axis and beside steel the field is weaker still.',
            'A thicker magnet, a pocket in the wall, or a more sensitive switch.',
          ),
        ],
        [
          true,
          finding(
            'lost-magnet',
            'mind',
            'Think of the magnet lost',
            'Lit with it or lit without it: one of the two leaves the piece lit or dark for good.',
            'Closure magnets nearby work the same switch: keep twice the drop-out distance.',
          ),
        ],
      ),
      drawing: {
        kind: 'lines',
        x: { label: 'distance from its face', kind: 'lengthMm' },
        y: { label: 'field', kind: 'fluxMt' },
        lines: [
          {
            name: 'field',
            role: 'curve',
            points: sample(2, Math.max(10, dropOutMm * 1.3), 100, (z) => discField.reckon({ ...disc, z })),
          },
          {
            name: 'pulls in',
            role: 'limit',
            points: [
              [2, pullInMt],
              [Math.max(10, dropOutMm * 1.3), pullInMt],
            ],
          },
          {
            name: 'drops out',
            role: 'limit',
            points: [
              [2, dropOutMt],
              [Math.max(10, dropOutMm * 1.3), dropOutMt],
            ],
          },
        ],
        marks: [],
      },
    };
  },
});

const packSense = defineSum({
  name: 'pack-sense',
  title: 'Reading the pack’s voltage',
  about: 'Divider, codes and threshold for a controller that watches its pack.',
  group: 'drive',
  inputs: {
    fullV: ask('voltageV', 'full', 'Pack, full', 8.4, { most: 60, usual: [1.2, 30] }),
    alarmV: ask('voltageV', 'alarm', 'Alarm at', 6.6, { most: 60, usual: [0.8, 30] }),
    upperOhm: assume('resistanceOhm', 'upper', 'Resistor to the pack', 270_000, { most: 1e8 }),
    lowerOhm: assume('resistanceOhm', 'lower', 'Resistor to minus', 100_000, { most: 1e8 }),
    referenceV: assume('voltageV', 'reference', 'Reference', 2.5, { least: 0.3, most: 6 }),
    bits: assume('count', 'bits', 'Bits of the converter', 12, { least: 6, most: 24 }),
    source: choice('from', 'The reference is', ['fixed', 'the pack itself'], 'fixed'),
  },
  reckon: ({ fullV, alarmV, upperOhm, lowerOhm, referenceV, bits, source }) => {
    if (alarmV >= fullV) throw new SumError('The alarm lies at or above the full pack');
    const sum = { R1: upperOhm, R2: lowerOhm, Vr: referenceV, top: 2 ** bits };
    const ratio = lowerOhm / (upperOhm + lowerOhm);
    return {
      results: [
        mainFigure('alarmCode', 'Code at the alarm', 'count', senseCode.reckon({ ...sum, U: alarmV })),
        figure('fullCode', 'Code when full', 'count', senseCode.reckon({ ...sum, U: fullV })),
        figure('fullAtPinV', 'At the pin when full', 'voltageV', fullV * ratio),
        figure('stepV', 'One step of the code', 'voltageV', referenceV / 2 ** bits / ratio),
        figure('drainA', 'The divider draws', 'currentA', fullV / (upperOhm + lowerOhm)),
        figure('drainMahPerMonth', 'That is a month', 'capacityMah', (fullV / (upperOhm + lowerOhm)) * 1000 * 24 * 30),
      ],
      steps: [printSum(senseCode, { ...sum, U: alarmV })],
      findings: findingsWhere(
        [
          source === 'the pack itself',
          finding(
            'reads-a-constant',
            'stop',
            'A controller that measures its own supply through a divider reads a constant',
            'Reference and pack fall together, and the code never moves.',
            'Use the controller’s fixed reference.',
          ),
        ],
        [
          fullV * ratio > referenceV,
          finding(
            'over-reference',
            'stop',
            `A full pack puts ${volts(fullV * ratio)} on the pin, above the reference`,
            'The code stands at its top until the pack is half empty.',
            'A larger upper resistor.',
          ),
        ],
        [
          true,
          finding(
            'sag',
            'mind',
            'A sag is not empty',
            'A bright flash pulls the voltage down for a moment.',
            'Filter over some seconds, and leave a gap between alarm and all-clear.',
          ),
        ],
      ),
    };
  },
});

const pixelCurrent = defineSum({
  name: 'pixel-current',
  title: 'What pixels draw',
  about: 'Current dark, in a colour and in white, at a brightness.',
  group: 'power',
  inputs: {
    pixels: ask('count', 'pixels', 'Pixels', 66, { least: 1, most: 100_000, usual: [1, 3000] }),
    red: assume('fraction', 'red', 'Red', 1, { least: 0, most: 1 }),
    green: assume('fraction', 'green', 'Green', 1, { least: 0, most: 1 }),
    blue: assume('fraction', 'blue', 'Blue', 1, { least: 0, most: 1 }),
    brightness: assume('fraction', 'brightness', 'Brightness', 1, { least: 0, most: 1 }),
    lit: assume('fraction', 'lit', 'Share of them lit', 1, { least: 0, most: 1 }),
    restA: assume('currentA', 'rest', 'Rest current of one', 0.0008, { least: 0, most: 0.01 }),
    dieA: assume('currentA', 'die', 'One die at full', 0.012, { most: 0.1, usual: [0.004, 0.025] }),
  },
  reckon: ({ pixels, red, green, blue, brightness, lit, restA, dieA }) => {
    const restTotal = pixels * restA;
    const whiteA = restTotal + pixels * 3 * dieA;
    const nowA = restTotal + pixels * lit * (red + green + blue) * dieA * brightness;
    return {
      results: [
        mainFigure('currentA', 'Draws', 'currentA', nowA),
        figure('darkA', 'Dark', 'currentA', restTotal),
        figure('whiteA', 'All white at full', 'currentA', whiteA),
        figure('oneDieA', 'One colour at full', 'currentA', restTotal + pixels * dieA),
        figure('eachA', 'One pixel, white at full', 'currentA', restA + 3 * dieA),
      ],
      steps: [],
      findings: findingsWhere([
        restTotal > 0.3 * nowA,
        finding(
          'rest-draw',
          'mind',
          `${printQuantity('fraction', restTotal / nowA)} of it is drawn by chips that are dark`,
          'A pixel draws even when it is black, all night and all week.',
          'Switch the tape’s supply off, not only its light.',
        ),
      ]),
    };
  },
});

export const driveSums: readonly QuickSum[] = [
  transistorSwitch,
  mosfetSwitch,
  lightDivider,
  lightGate,
  pixelData,
  gridScan,
  magnetSwitch,
  packSense,
  pixelCurrent,
];
