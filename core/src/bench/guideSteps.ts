import type { Assessment, GuideAssessment } from '../assess.ts';
import { joinMessages, mm, say } from '../units/index.ts';
import { type BenchStep, step } from './step.ts';

const mouthOf = ({ item, boreMm, guides }: GuideAssessment): ReturnType<typeof say> =>
  item.gather === 'bundle'
    ? say`Gather all ${guides} in a bore of at least ${mm(boreMm)}, glue them there, cut the mouth flat with a sharp blade and polish it.`
    : say`Cut both ends of each flat and polish them.`;

/** Cutting, gathering and registering of light guides: nothing electrical, so only a count is expected. */
export const guideSteps = ({ guides }: Assessment): BenchStep[] =>
  guides
    .filter((guide) => guide.guided !== null)
    .flatMap((guide) => {
      const { item, part, ends, sources } = guide;
      const each = item.perEnd > 1 ? say`${item.perEnd} each` : 'one each';
      const lengths = joinMessages(
        ends.map(({ lengthMm }, i) => say`hole ${i + 1}: ${mm(lengthMm)}`),
        ', ',
      );
      const table =
        item.gather === 'bundle'
          ? say`Every hole shows the light of ${sources.map(({ name }) => name).join(' and ')}.`
          : say`Which light serves which hole: ${ends.map(({ from }, i) => `hole ${i + 1} from ${from.map((k) => sources[k]?.name ?? '').join(', ')}`).join('; ')}.`;
      return [
        step({
          id: `guide-cut:${item.id}`,
          chapter: 'Before soldering',
          title: `Cut and gather ${item.name}`,
          todo: say`Cut ${guide.guides}, ${each}, for ${lengths}. Bend none tighter than ${mm(part.leastBendMm)}. ${mouthOf(guide)} Hold the mouth to a lamp: every end must light.`,
          expect: { kind: 'count', likely: guide.guides, low: guide.guides, high: guide.guides },
          probe: 'Count the ends that light.',
          caution:
            'A hot blade and plastic fumes: air away from you. Never look into a guide whose lamp is bright or invisible.',
        }),
        step({
          id: `guide-fit:${item.id}`,
          chapter: 'Lights',
          title: `Set ${item.name} before their light`,
          todo: say`${item.filled ? 'Fill the gap with clear glue, without bubbles' : say`Leave a gap of ${mm(item.gapMm)}`}. ${table} Trim the ends where they come out of the wall.`,
          final: true,
        }),
      ];
    });
