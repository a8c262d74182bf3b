import { frameTime, leastHighLevel, longestWaitS, loopShare } from '../../drive/index.ts';
import type { Finding } from '../../items/index.ts';
import { memoryOfFrames } from '../../motion/index.ts';
import { controllers } from '../../parts/index.ts';
import { fillSum, percent, quantity, say, volts } from '../../units/index.ts';
import { ask, assume, optional } from '../inputs.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure, text } from '../sum.ts';

interface Judged {
  readonly logicV: number;
  readonly leastV: number;
  readonly supplyV: number;
  readonly share: number;
  readonly memory: number | null;
  readonly pixels: number;
  readonly dice: number;
}

/** The least that a program for so many bytes of pixels takes, on the controller that needs the smallest stack. */
const leastMemory = (frameBytes: number, fades: boolean): number =>
  memoryOfFrames(frameBytes, fades) + Math.min(...controllers.map(({ stackBytes }) => stackBytes));

/** What is amiss, or to be known. */
const judge = ({ logicV, leastV, supplyV, share, memory, pixels, dice }: Judged): Finding[] =>
  findingsWhere(
    [
      logicV < leastV - 1e-9,
      finding(
        'level-low',
        'mend',
        say`${volts(logicV)} logic is out of specification at ${volts(supplyV)}: it takes ${volts(leastV)}`,
        'It works on the bench and fails when it is warm or the lead is long.',
        say`A level shifter, a first pixel fed at ${volts(Math.floor((logicV / 0.7) * 10) / 10)} or less, or all pixels at that.`,
      ),
    ],
    [
      share > 1,
      finding(
        'loop-over',
        'stop',
        say`The loop would take ${percent(share)} of its time`,
        'While pixels are sent the controller does nothing else.',
        'Fewer frames a second, two lines, or a second controller.',
      ),
    ],
    [
      memory !== null && leastMemory(pixels * dice, false) > memory,
      finding(
        'memory-short',
        'stop',
        `The program needs at least ${leastMemory(pixels * dice, false)} bytes of memory; the controller has ${memory ?? 0}`,
        'A frame is held before it is sent, and the program needs its stack: it would stop at random.',
        'Take a larger controller or fewer pixels.',
      ),
    ],
    [
      memory !== null && leastMemory(pixels * dice, false) <= memory && leastMemory(pixels * dice, true) > memory,
      finding(
        'memory-fades',
        'mend',
        `With fades the program needs at least ${leastMemory(pixels * dice, true)} bytes of memory; the controller has ${memory ?? 0}`,
        'Two whole frames are held for fades, and the program needs its stack: it would stop at random.',
        'Take a larger controller or fewer pixels, or moods that change at once.',
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
  );

/** As many as can be sent in what other work and the pause leave of a frame; 0 where nothing is left. */
const mostPixels = (asked: {
  readonly framesPerS: number;
  readonly workS: number;
  readonly latchS: number;
  readonly bitS: number;
  readonly dice: number;
}): number =>
  Math.max(0, Math.floor((1 / asked.framesPerS - asked.workS - asked.latchS) / (asked.dice * 8 * asked.bitS) + 1e-9));

/** Answers how often a line of pixels can be told. */
export const pixelDataSum = defineSum({
  name: 'pixel-data',
  title: 'Pixel data: time, memory, level',
  about: 'How long a frame takes to send, how many a second that leaves, and whether the level is in specification.',
  group: 'drive',
  inputs: {
    pixels: ask('count', 'pixels', 'Pixels on the line', 488, {
      whole: true,
      least: 1,
      most: 100_000,
      usual: [1, 3000],
    }),
    dice: assume('count', 'dice', 'Dice a pixel', 3, { whole: true, least: 1, most: 5 }),
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
        figure(
          'mostPixels',
          say`Most pixels on one line at ${quantity('frequencyHz', framesPerS)}`,
          'count',
          mostPixels({ framesPerS, workS, latchS, bitS, dice }),
        ),
        figure('frameS', 'One frame takes', 'timeS', frameS),
        figure('sendS', '… of it sending', 'timeS', frameS - latchS),
        figure('memoryBytes', 'One frame in memory, bytes', 'count', pixels * dice),
        figure('fadesBytes', 'A program with fades takes at least, bytes', 'count', leastMemory(pixels * dice, true)),
        figure('loopShare', say`Of the loop at ${quantity('frequencyHz', framesPerS)}`, 'fraction', share),
        figure('buttonWaitS', 'A button waits at most', 'timeS', longestWaitS(frameS, workS, framesPerS)),
        figure('leastHighV', 'Least high level', 'voltageV', leastV),
        text('levelOk', 'The level is in specification', logicV >= leastV - 1e-9),
        figure('mostSupplyV', 'Highest supply for this logic', 'voltageV', logicV / 0.7),
      ],
      steps: [
        fillSum(frameTime, sum),
        fillSum(leastHighLevel, { Vp: supplyV }),
        fillSum(loopShare, { Ts: frameS, Tw: workS, f: framesPerS }),
      ],
      findings: judge({ logicV, leastV, supplyV, share, memory, pixels, dice }),
    };
  },
});
