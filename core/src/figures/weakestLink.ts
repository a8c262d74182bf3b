import type { Assessment } from '../assess.ts';
import { fuseBand, type LoadedLink } from '../power/index.ts';
import { amps, fillSum, type Message, percent, say } from '../units/index.ts';
import { type Figure, undecided } from './figure.ts';
import { waiting } from './needs.ts';

const TITLE = 'Weakest link';

/** The share of its limit that the weakest link carries, and which it is; a load of null = it collapses. */
export interface WeakestLink extends Figure {
  /** Null where it can't be decided. */
  readonly link: { readonly name: string; readonly loadA: number | null; readonly limitA: number } | null;
}

/** A link in words; one that collapses has no share. */
function sayLink(link: LoadedLink): Message {
  return say`${link.name}: ${Number.isFinite(link.fill) ? say`${percent(link.fill)} of its limit` : 'collapses under the peak'}`;
}

/** What gives way first at the height of the moods: its load as a share of its limit, which has no end where it collapses. */
export function weakestLink(assessment: Assessment): WeakestLink {
  const open = waiting(assessment, TITLE, 'current');
  if (open) return { ...open, link: null };
  const { weakest, supplies } = assessment;
  if (!weakest) return { ...undecided(TITLE, ['a pack']), link: null };
  const [first] = supplies;
  return {
    title: TITLE,
    likely: Number.isFinite(weakest.fill) ? weakest.fill : null,
    cautious: Number.isFinite(weakest.fill) ? weakest.fill : null,
    needs: [],
    link: {
      name: weakest.name,
      loadA: Number.isFinite(weakest.loadA) ? weakest.loadA : null,
      limitA: weakest.limitA,
    },
    answer: sayLink(weakest),
    lead: 'What each link from cell to light carries at the height of the most hungry mood, with the pack near its end, against what it may carry.',
    lines: supplies.flatMap((supply) =>
      supply.links.map((link) => ({
        label: link.name,
        value: Number.isFinite(link.loadA)
          ? say`${amps(link.loadA)} of ${amps(link.limitA)}`
          : say`collapses; good for ${amps(link.limitA)}`,
      })),
    ),
    sums: first && Number.isFinite(first.mostA) ? [fillSum(fuseBand, { I: first.mostA })] : [],
    doubt: null,
  };
}
