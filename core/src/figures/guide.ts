import type { GuideAssessment } from '../assess.ts';
import { fibreBundle, gapToCover } from '../lights/index.ts';
import { fillSum, mm, percent, quantity, say } from '../units/index.ts';
import type { Explanation } from './figure.ts';

/** How a bundle comes to its bore, its gap and what it gives. */
export function explainGuide({ item, part, guides, guided, emitter }: GuideAssessment): Explanation {
  const isBundle = item.gather === 'bundle' && guides > 1;
  return {
    title: `Light through ${item.name}`,
    answer: guided ? percent(guided.share) : '–',
    lead: 'Each step keeps a part of what the step before it left.',
    lines: guided
      ? [
          { label: 'goes into the cone that a guide takes in', value: percent(guided.kept.entersCone) },
          { label: 'meets a fibre, not the room between', value: percent(guided.kept.meetsFibre) },
          {
            label: item.filled ? 'through the glue and one face' : 'through both faces',
            value: percent(guided.kept.faces),
          },
          { label: 'is left at the far end', value: percent(guided.kept.onTheWay) },
          { label: 'out of all ends together', value: percent(guided.share) },
        ]
      : [],
    sums:
      guided && emitter
        ? [
            ...(isBundle ? [fillSum(fibreBundle, { n: guides, d: part.diameterMm, f: guided.kept.meetsFibre })] : []),
            fillSum(gapToCover, { D: guided.mouthMm, s: emitter.widthMm, a: emitter.halfAngleDeg }),
          ]
        : [],
    doubt: emitter
      ? say`The light is taken for ${mm(emitter.widthMm)} wide and ${quantity('angleDeg', emitter.halfAngleDeg)} to each side; how well the faces are polished counts as much. Try one guide before you cut them all.`
      : null,
  };
}
