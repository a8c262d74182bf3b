import { itemsOf, kindOf } from '../../items/index.ts';
import { type Item, mapItem } from '../../plan/index.ts';
import { chooseFuse, fuseBand } from '../../power/index.ts';
import { amps, fillSum, say } from '../../units/index.ts';
import { wireCarriesA } from '../../wires/index.ts';
import { ask, optional } from '../inputs.ts';
import { defineSum, figure, finding, findingsWhere, mainFigure } from '../sum.ts';

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
  },
  reckon: ({ steadyA, weakestA, gaugeAwg }) => {
    const limitA = Math.min(
      weakestA ?? Number.POSITIVE_INFINITY,
      gaugeAwg === null ? Number.POSITIVE_INFINITY : wireCarriesA(gaugeAwg),
    );
    const found = chooseFuse(steadyA, limitA);
    return {
      results: [
        mainFigure('fuseA', 'Fuse', 'currentA', found.bestA),
        figure('leastA', 'At least', 'currentA', found.leastA),
        figure('mostA', 'At most', 'currentA', Math.min(2 * steadyA, limitA)),
        figure('weakestA', 'The weakest after it carries', 'currentA', Number.isFinite(limitA) ? limitA : null),
      ],
      steps: [fillSum(fuseBand, { I: steadyA })],
      findings: findingsWhere(
        [
          found.bestA === null,
          finding(
            'no-fuse-fits',
            'stop',
            say`No fuse both carries ${amps(steadyA)} and guards what bears ${amps(limitA)}`,
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
    };
  },
  intoDesign: (design, { steadyA, weakestA, gaugeAwg }, newId) => {
    const limitA = Math.min(
      weakestA ?? Number.POSITIVE_INFINITY,
      gaugeAwg === null ? Number.POSITIVE_INFINITY : wireCarriesA(gaugeAwg),
    );
    const { bestA } = chooseFuse(steadyA, limitA);
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
