import type { Part } from './kinds.ts';

/** How far above its rated voltage a pixel tape is destroyed rather than brighter: its chips bear no more. */
const PIXEL_TAPE_MOST = 1.1;
/** Of its rated voltage: a plain tape is dark below the one, and its resistors are too hot above the other. */
const PLAIN_TAPE = { least: 0.75, most: 1.15 };

/** What a part wants at least of the rail that feeds it, and bears at most, in volts; null for what no rail feeds. */
export function bearsV(part: Part): { readonly leastV: number; readonly mostV: number } | null {
  switch (part.kind) {
    case 'pixel-tape':
      return { leastV: part.leastVoltageV, mostV: part.ratedVoltageV * PIXEL_TAPE_MOST };
    case 'plain-tape':
      return { leastV: part.voltageV * PLAIN_TAPE.least, mostV: part.voltageV * PLAIN_TAPE.most };
    case 'load':
    case 'box':
    case 'receiver':
      return { leastV: part.leastV, mostV: part.mostV };
    case 'driver':
      return { leastV: part.inputLeastV, mostV: part.inputMostV };
    case 'scan-driver':
      return { leastV: part.supplyLeastV, mostV: part.supplyMostV };
    default:
      return null;
  }
}
