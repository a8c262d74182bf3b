import type { Assessment } from '../assess.ts';
import { firstChipV, frameTime, leastHighLevel } from '../drive/index.ts';
import { fillSum, quantity, say } from '../units/index.ts';
import type { Explanation } from './figure.ts';

/** Data timing and level of the pixels. */
export function explainData(assessment: Assessment): Explanation | null {
  const first = assessment.dataLines[0];
  if (!first) return null;
  const chain = assessment.chains.find((each) => each.tapeIds.includes(first.tapeId));
  const tape = assessment.placed.find((group) => group.id === first.tapeId);
  const chipV = chain && tape?.shape === 'pixels' ? firstChipV(chain.railV, tape.part, tape.tape.spareFirst) : 0;
  return {
    title: 'Pixel data',
    answer: say`${quantity('count', Math.floor(first.line.framesPerS))} frames a second at most`,
    lead: 'While a frame is sent the controller does nothing else.',
    lines: [
      { label: 'pixels on the line', value: String(first.line.pixels) },
      {
        label: 'memory',
        value: `${first.line.memoryBytes} bytes${first.board ? ` of ${first.board.part.memoryBytes}` : ''}`,
      },
    ],
    sums: [
      fillSum(frameTime, {
        N: first.line.pixels,
        b: first.line.bitsAPixel,
        tb: first.line.bitPeriodS,
        tl: first.line.latchS,
      }),
      ...(chain && chain.railV > 0 ? [fillSum(leastHighLevel, { Vp: chipV })] : []),
    ],
    doubt: null,
  };
}
