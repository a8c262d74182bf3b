import type { Assessment } from '../assess.ts';
import { amps, percent, say } from '../units/index.ts';
import { type Figure, undecided } from './figure.ts';
import { waiting } from './needs.ts';
import { onRails } from './onRails.ts';
import { withSpread } from './spread.ts';

const TITLE = 'Usual draw';

/** The mean over the evening, on the rails. */
export function usualDraw(assessment: Assessment): Figure {
  const open = waiting(assessment, TITLE, 'current');
  if (open) return open;
  if (assessment.course.length === 0) return undecided(TITLE, ['a mood']);
  const minutes = assessment.course.reduce((sum, stretch) => sum + stretch.minutes, 0);
  return {
    title: TITLE,
    likely: assessment.usualA,
    cautious: withSpread(assessment, assessment.usualA),
    needs: [],
    answer: amps(assessment.usualA),
    lead: say`The mean over the course of the evening, with the cues that come in it: ${onRails(assessment)}. It decides how long the pack lasts; the peak decides whether it resets.`,
    lines: assessment.course.map((stretch) => ({
      label: say`${assessment.moods.find((mood) => mood.moodId === stretch.moodId)?.name ?? 'lit'}, ${percent(stretch.minutes / minutes)} of the time`,
      value: amps(stretch.meanA),
    })),
    sums: [],
    doubt: 'Taken from the frames that the engine really shows, not from full brightness.',
  };
}
