import { noneSuits, tellFuse } from '../../findings/index.ts';
import { itemsOf, kindOf } from '../../items/index.ts';
import { type Item, mapItem } from '../../plan/index.ts';
import { chooseFuse, fuseBand } from '../../power/index.ts';
import { amps, fillSum, gauge, say } from '../../units/index.ts';
import { wireCarriesA } from '../../wires/index.ts';
import { ask, optional } from '../inputs.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';

interface Asked {
  readonly steadyA: number;
  readonly weakestA: number | null;
  readonly gaugeAwg: number | null;
  readonly fuseA: number | null;
  readonly shortA: number | null;
}

/** What lies behind the fuse, and the fuse that suits: below what that bears, and blown by what the pack gives into a short. */
function suit({ steadyA, weakestA, gaugeAwg, shortA }: Asked) {
  const guarded = [
    ...(weakestA === null ? [] : [{ name: 'the weakest after it', limitA: weakestA }]),
    ...(gaugeAwg === null ? [] : [{ name: gauge(gaugeAwg), limitA: wireCarriesA(gaugeAwg) }]),
  ];
  const limitA = Math.min(...guarded.map((each) => each.limitA), (shortA ?? Number.POSITIVE_INFINITY) / 2);
  return { guarded, limitA, ...chooseFuse(steadyA, limitA) };
}

/** What is amiss with the fuse that is fitted: as a plan tells it. */
function tellFitted(asked: Asked) {
  const { fuseA, steadyA, shortA } = asked;
  if (fuseA === null) return [];
  const { guarded, bestA } = suit(asked);
  const told = tellFuse({
    name: 'the pack',
    fuseA,
    steadyA,
    shortA: shortA ?? Number.POSITIVE_INFINITY,
    burns: false,
    guarded,
    bestA,
  });
  return [
    ...(told ? [finding(told.rule, told.gravity, told.what, told.why, told.mend)] : []),
    ...findingsWhere([
      fuseA < steadyA,
      finding(
        'fuse-blows',
        'stop',
        say`The fuse of ${amps(fuseA)} carries ${amps(steadyA)}`,
        'It blows in the middle of the evening.',
        'Take a stronger one, or lower the brightness.',
      ),
    ]),
  ];
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
    const { steadyA, weakestA, gaugeAwg } = asked;
    const found = suit(asked);
    const { limitA } = found;
    return {
      results: [
        mainFigure('fuseA', 'Fuse', 'currentA', found.bestA),
        figure('leastA', 'At least', 'currentA', found.leastA),
        figure('mostA', 'At most', 'currentA', found.mostA),
        figure('weakestA', 'The weakest after it carries', 'currentA', Number.isFinite(limitA) ? limitA : null),
      ],
      steps: [fillSum(fuseBand, { I: steadyA })],
      findings: [
        ...tellFitted(asked),
        ...findingsWhere(
          [
            found.bestA === null,
            finding(
              'no-fuse-fits',
              'stop',
              noneSuits(found.leastA, limitA),
              'It would blow in use, or the wire would burn before it.',
              'A thicker wire or plug, or less current.',
            ),
          ],
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
    const { bestA } = suit(asked);
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
