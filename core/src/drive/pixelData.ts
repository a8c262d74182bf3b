import type { PixelTapePart } from '../parts/index.ts';
import { defineFormula } from '../units/index.ts';

/** Time to send one frame to a line of pixels. @example 100 pixels of 24 bits at 1.25 µs, 50 µs to latch: 3.05 ms */
export const frameTime = defineFormula({
  name: 'Time to send one frame',
  gives: { meaning: 'time', kind: 'timeS' },
  symbols: {
    N: { meaning: 'pixels on the line', kind: 'count' },
    b: { meaning: 'bits a pixel', kind: 'count' },
    tb: { meaning: 'time of one bit', kind: 'timeS' },
    tl: { meaning: 'pause that ends the frame', kind: 'timeS' },
  },
  form: '{T} = {N} · {b} · {tb} + {tl}',
  source: 'one-wire pixels at 800 kHz',
  reckon: ({ N, b, tb, tl }) => N * b * tb + tl,
});

/** Least voltage that a pixel takes for a one, from its own supply. @example at 5 V: 3.5 V, so 3.3 V logic is out of specification */
export const leastHighLevel = defineFormula({
  name: 'Least data level of a pixel',
  gives: { meaning: 'least high level', kind: 'voltageV' },
  symbols: { Vp: { meaning: 'supply of the first pixel', kind: 'voltageV' } },
  form: '{Vh} = 0.7 · {Vp}',
  source: 'input level of one-wire pixels: 0.7 of their own supply',
  reckon: ({ Vp }) => 0.7 * Vp,
});

/** Silicon diode before a pixel that only passes data on: at about a milliamp it takes this much. */
const SPARE_DIODE_V = 0.6;

/**
 * What the chip of the first pixel of a line runs on, in volts: the tape's supply or its own regulator's, and for a spare
 * pixel behind a diode so much less.
 */
export const firstChipV = (
  railV: number,
  part: Pick<PixelTapePart, 'chipV'>,
  spare: 'plain' | 'behind a diode' | undefined,
): number => part.chipV ?? railV - (spare === 'behind a diode' ? SPARE_DIODE_V : 0);

/** What one data line asks: time, frames a second at most, controller memory, bytes. */
export interface DataLine {
  /** In the whole line. */
  readonly pixels: number;
  /** 24, or 32 with a white die. */
  readonly bitsAPixel: number;
  /** Of one bit on the wire. */
  readonly bitPeriodS: number;
  /** Silence after a frame. */
  readonly latchS: number;
  /** To send one frame. */
  readonly frameS: number;
  /** At most, with nothing else to do. */
  readonly framesPerS: number;
  /** Three or four a pixel. */
  readonly memoryBytes: number;
}

/** @example 488 pixels of 24 bits: 14.64 ms + 0.30 ms, 66.9 frames/s, 1464 bytes */
export function timeDataLine(pixels: number, part: Pick<PixelTapePart, 'dice' | 'bitPeriodUs' | 'latchUs'>): DataLine {
  const bitsAPixel = part.dice * 8;
  const [bitPeriodS, latchS] = [part.bitPeriodUs * 1e-6, part.latchUs * 1e-6];
  const frameS = frameTime.reckon({ N: pixels, b: bitsAPixel, tb: bitPeriodS, tl: latchS });
  return { pixels, bitsAPixel, bitPeriodS, latchS, frameS, framesPerS: 1 / frameS, memoryBytes: pixels * part.dice };
}
