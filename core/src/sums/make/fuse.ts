import {
  fusesFor,
  guardA,
  type LeadToFuse,
  limitsItself,
  tellFuse,
  tellLink,
  tellNoneSuits,
} from '../../findings/index.ts';
import { type Finding, itemsOf, kindOf } from '../../items/index.ts';
import { type Item, mapItem } from '../../plan/index.ts';
import { fuseBand } from '../../power/index.ts';
import { amps, fillSum, gauge, say } from '../../units/index.ts';
import { wireCarriesA } from '../../wires/index.ts';
import { ask, optional } from '../inputs.ts';
import { asInPlan, defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';

interface Asked {
  readonly steadyA: number;
  readonly weakestA: number | null;
  readonly gaugeAwg: number | null;
  readonly fuseA: number | null;
  readonly shortA: number | null;
}

/** The lead as it was told: what lies behind the fuse, and what the pack gives into a short. */
const leadAsked = ({ steadyA, weakestA, gaugeAwg, shortA }: Asked): LeadToFuse => ({
  steadyA,
  shortA: shortA ?? Number.POSITIVE_INFINITY,
  guarded: [
    ...(weakestA === null ? [] : [{ name: 'the weakest after it', limitA: weakestA }]),
    ...(gaugeAwg === null ? [] : [{ name: gauge(gaugeAwg), limitA: wireCarriesA(gaugeAwg) }]),
  ],
});

/** What is amiss with the fuse that is fitted: as a plan tells it. */
function tellFitted(lead: LeadToFuse, fuseA: number | null): Finding[] {
  if (fuseA === null) return [];
  const told = tellFuse({ ...lead, name: 'the pack', fuseA, burns: false });
  const blows = tellLink({ id: 'fuse', name: 'The fuse', loadA: lead.steadyA, limitA: fuseA, isSteady: true });
  return [...asInPlan(told), ...asInPlan(blows, 'fuse-blows')];
}

/** Answers which fuse. */
export const fuseSum = defineSum({
  name: 'fuse',
  title: 'Fuse',
  about: 'The fuse that carries the load and still guards the thinnest thing after it.',
  group: 'wires',
  inputs: {
    steadyA: ask('currentA', 'steady', 'Steady current', 1.92, { most: 100, usual: [0.05, 20] }),
    weakestA: optional('currentA', 'weakest', 'The weakest after it carries'),
    gaugeAwg: optional('gaugeAwg', 'gauge', '… or its gauge', { least: 8, most: 44 }),
    shortA: optional('currentA', 'short', 'The pack gives into a short', { most: 10_000 }),
    fuseA: optional('currentA', 'fitted', 'The fuse that is in it', { most: 500 }),
  },
  reckon: (asked) => {
    const { steadyA, weakestA, gaugeAwg, fuseA } = asked;
    const lead = leadAsked(asked);
    const found = fusesFor(lead);
    const none = tellNoneSuits(lead);
    const limitA = guardA(lead);
    return {
      results: [
        mainFigure('fuseA', 'Fuse', 'currentA', found?.bestA ?? null),
        figure('leastA', 'At least', 'currentA', found?.leastA ?? null),
        figure('mostA', 'At most', 'currentA', found?.mostA ?? null),
        figure('weakestA', 'The weakest after it carries', 'currentA', Number.isFinite(limitA) ? limitA : null),
      ],
      steps: [fillSum(fuseBand, { I: steadyA })],
      findings: [
        ...tellFitted(lead, fuseA),
        ...(none && !limitsItself(lead) ? [finding('no-fuse-fits', 'stop', none.what, none.why, none.mend)] : []),
        ...findingsWhere(
          [
            weakestA === null && gaugeAwg === null,
            finding(
              'guards-what',
              'mind',
              'Without the thinnest wire it can’t be said what the fuse guards',
              'It must be below what the weakest thing after it carries.',
              'Give the gauge: gauge=24AWG.',
            ),
          ],
          [
            none !== null && limitsItself(lead),
            finding(
              'limits-itself',
              'mind',
              say`It gives ${amps(lead.shortA)} into a short, and no fuse is asked for`,
              'So little heats no wire, and no fuse would blow by it. Cells that can burn want one all the same.',
              'Take one that the maker of the cell names.',
            ),
          ],
          [
            true,
            finding(
              'near-the-cell',
              'mind',
              'As near to the cell as it will go',
              'What lies before the fuse is guarded by nothing.',
              'In the plus lead, within a hand’s breadth, where it can be exchanged.',
            ),
          ],
        ),
      ],
    };
  },
  intoDesign: (design, asked, newId) => {
    const bestA = fusesFor(leadAsked(asked))?.bestA ?? null;
    const pack = itemsOf(design, 'pack')[0];
    if (pack)
      return mapItem(design, pack.id, (item) =>
        item.kind === 'pack' ? { ...item, fuseA: bestA ?? item.fuseA } : item,
      );
    // A fuse guards a pack: one whose kind is still to be chosen holds it until then.
    const fresh = kindOf('pack').create({
      id: newId(),
      name: 'Pack',
      at: { xMm: Math.round(design.view.widthMm / 2), yMm: Math.round(design.view.heightMm * 0.8) },
    });
    return { ...design, items: [...design.items, { ...fresh, part: null, fuseA: bestA } as Item] };
  },
});
