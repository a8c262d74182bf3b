import type { Assessment, MoodCeiling } from '../assess.ts';
import { ceilingSum, sayCeiling } from '../power/index.ts';
import { fillSum, percent, say } from '../units/index.ts';
import { type Explanation, type Figure, undecided } from './figure.ts';
import { waiting } from './needs.ts';

const TITLE = 'Brightness ceiling';

/** The ceiling of one mood with its sum at the link that limits it. */
export function explainCeiling(assessment: Assessment, ceiling: MoodCeiling): Explanation {
  const mood = assessment.moods.find((each) => each.moodId === ceiling.moodId);
  const link = assessment.supply?.links.find(
    (each) => each.id === ceiling.linkId && each.id === 'converter output' && each.share === 1,
  );
  return {
    title: `Brightness ceiling of ${ceiling.name}`,
    answer: sayCeiling(ceiling.brightness),
    lead: ceiling.limitedBy ? say`Above it ${ceiling.limitedBy}.` : 'Nothing gives way even at full brightness.',
    lines: [
      { label: 'set to', value: percent(ceiling.setTo) },
      { label: 'with a full pack', value: sayCeiling(ceiling.fresh) },
      { label: 'over the whole discharge', value: sayCeiling(ceiling.brightness) },
    ],
    sums:
      link && mood ? [fillSum(ceilingSum, { Im: link.limitA, I0: mood.draw.restA, I1: mood.draw.dynamicPeakA })] : [],
    doubt: 'White is three dice: another colour has another ceiling.',
  };
}

/** The lowest ceiling of all moods. */
export function lowestCeiling(assessment: Assessment): Figure {
  const open = waiting(assessment, TITLE, 'current');
  if (open) return open;
  const { ceilings } = assessment;
  const lowest = ceilings.reduce<MoodCeiling | undefined>(
    (least, each) => (!least || each.brightness < least.brightness ? each : least),
    undefined,
  );
  if (!lowest) return undecided(TITLE, [assessment.supplies.length > 0 ? 'a mood' : 'a pack']);
  const own = explainCeiling(assessment, lowest);
  return {
    ...own,
    title: TITLE,
    likely: lowest.brightness,
    cautious: lowest.brightness,
    needs: [],
    lead: say`The lowest of all moods is that of ${lowest.name}. ${own.lead}`,
    lines: ceilings.map((ceiling) => ({
      label: ceiling.name,
      value: say`${sayCeiling(ceiling.brightness)}, set to ${percent(ceiling.setTo)}`,
    })),
  };
}
