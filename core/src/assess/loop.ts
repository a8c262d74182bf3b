import { type DataLine, longestWaitS, timeScan } from '../drive/index.ts';
import {
  costOfLimits,
  cyclesAtWorst,
  cyclesToScan,
  memoryOfShow,
  programOfShow,
  type Show,
  type ShowLimit,
} from '../motion/index.ts';
import { type ControllerPart, talksAtBaud } from '../parts/index.ts';

/** One turn of the program's loop at its hardest, and what the program takes of its controller. */
export interface LoopBudget {
  /** To reckon one frame. */
  readonly computeS: number;
  /** To send it to all lines. */
  readonly sendS: number;
  /** To read all sensors. */
  readonly senseS: number;
  /** The loop waits for the next whole tick. */
  readonly framesPerS: number;
  /** From a press at the worst moment to the frame that shows it. */
  readonly longestWaitS: number;
  /** What the program takes at run time, stack with it. */
  readonly memoryBytes: number;
  /** What the board has. */
  readonly memoryOf: number;
  /** What program and tables take. */
  readonly programBytes: number;
  /** What the board has for them. */
  readonly programOf: number;
}

/** A 32-bit program is up to 1.28 times an eight-bit one: each kind of move by itself, built for both. */
const WIDE_TIMES = 1.3;
const isWide = ({ make }: ControllerPart): boolean => make === 'arm';

/** Its board file lays ready what goes on a wire, with room for a white die, and keeps whole words. */
const wideMemory = ({ frameBytes }: Show): number => 4 * Math.ceil(frameBytes / 3) + 36;

/** How many looks a contact needs to count. */
const LOOKS = 3;

/** Reckons the loop of a show on a controller. */
export function budgetLoop(
  show: Show,
  controller: ControllerPart,
  lines: readonly Pick<DataLine, 'frameS' | 'memoryBytes'>[],
  limit: ShowLimit,
): LoopBudget {
  const ofLimits = costOfLimits(show, limit);
  // The turns of a grid interrupt all else; so much of the time is theirs.
  const ofTurns = show.groups.reduce(
    (share, { scan }) => (scan && scan.how !== 'told' ? share + timeScan(controller, scan.turns).ofChip : share),
    0,
  );
  const cycles = cyclesAtWorst(show) + cyclesToScan(show) + ofLimits.cycles;
  const computeS = cycles / (controller.clockMhz * 1e6 * controller.worthCycles) / Math.max(0.1, 1 - ofTurns);
  const gapS = (controller.byteGapUs ?? 0) * 1e-6;
  // While a pulse lasts nothing else is done.
  const pulsesS = show.groups.reduce((sum, { pulses }) => sum + (pulses ? Math.max(pulses.restS, pulses.workS) : 0), 0);
  const sendS = lines.reduce((sum, { frameS, memoryBytes }) => sum + frameS + memoryBytes * gapS, pulsesS);
  const senseS = show.controls.filter((control) => control.sensing).length * controller.converterReadingUs * 1e-6;
  const rows = controller.scan?.rows;
  const workS = computeS + sendS + senseS;
  const tickS = controller.loopTickMs / 1000;
  const framesPerS = 1 / (Math.max(1, Math.ceil(workS / tickS)) * tickS);
  return {
    computeS,
    sendS,
    senseS,
    framesPerS,
    // Two more looks until the press counts, then a frame that has just begun and the one that shows it.
    longestWaitS: (LOOKS - 1) / framesPerS + longestWaitS(sendS, computeS + senseS, framesPerS),
    memoryBytes: memoryOfShow(show, rows) + (isWide(controller) ? wideMemory(show) : 0) + controller.stackBytes,
    memoryOf: controller.memoryBytes,
    programBytes: Math.ceil(
      (programOfShow(show, talksAtBaud(controller) !== null, rows) + ofLimits.programBytes) *
        (isWide(controller) ? WIDE_TIMES : 1),
    ),
    programOf: controller.programBytes,
  };
}
