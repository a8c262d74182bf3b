import type { Assessment } from '../assess.ts';
import { amps, say } from '../units/index.ts';
import type { Figure } from './figure.ts';
import { waiting } from './needs.ts';
import { onRails } from './onRails.ts';
import { withSpread } from './spread.ts';

const TITLE = 'Rest draw';

/** What flows on the rails with all lights dark. */
export function restDraw(assessment: Assessment): Figure {
  const open = waiting(assessment, TITLE, 'current');
  if (open) return open;
  const { restA, consumers } = assessment;
  return {
    title: TITLE,
    likely: restA,
    cautious: withSpread(assessment, restA),
    needs: [],
    answer: amps(restA),
    lead: say`With every light dark, ${onRails(assessment)}: controllers, the chips of pixels, and what hangs on all day.`,
    lines: consumers
      .filter((consumer) => consumer.restA > 0)
      .map((consumer) => ({ label: consumer.name, value: amps(consumer.restA) })),
    sums: [],
    doubt: null,
  };
}
