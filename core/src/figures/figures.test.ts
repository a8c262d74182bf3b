import { describe, expect, it } from 'vitest';
import { circuitOf, demoPlan, itemOf } from '../../tests/designs.ts';
import { assess } from '../assess.ts';
import { tellAssessment, writeBrief } from '../exports/index.ts';
import { listWishes } from '../findings/index.ts';
import { compareVersions } from '../logbook/index.ts';
import { applyEdits, changeItem, type Design, emptyDesign } from '../plan/index.ts';
import { hours, percent, usualPrinter } from '../units/index.ts';
import { barOf, figuresOf } from './index.ts';

const plan = demoPlan();
const assessment = assess(plan.design);
const figures = figuresOf(assessment);
const bar = barOf(assessment, plan.design.piece.hoursWanted);
const said = usualPrinter.message;

describe('a figure', () => {
  it('is one value with its sum, and bar, brief, wishes, versions and JSON all read it', () => {
    const { runsForH, peakA, weakestLink, ceiling } = figures;
    const brief = writeBrief(plan, assessment, usualPrinter);
    for (const { answer } of [peakA, runsForH, weakestLink]) expect(brief).toContain(said(answer));
    expect(bar.map(({ figure }) => figure)).toEqual([peakA, figures.usualA, runsForH, weakestLink, ceiling]);
    expect(bar[2]?.value).toEqual(hours(runsForH.cautious ?? 0));
    expect(listWishes(plan.design, assessment).find((wish) => wish.id === 'hours')?.reached).toEqual(runsForH.answer);
    const json = tellAssessment(plan, assessment, usualPrinter).figures;
    expect(json.runsForH).toMatchObject({ likely: runsForH.likely, cautious: runsForH.cautious });
    // A smaller pack runs shorter: the row of the versions is the two figures.
    const pack = plan.design.items.find((item) => item.kind === 'pack');
    const later = assess(
      applyEdits(plan.design, changeItem(plan.design, pack?.id ?? '', { part: 'pack-lithium-round-2600' })),
    );
    const row = compareVersions(assessment, later).find((each) => each.label === 'Runs for, cautious');
    expect([row?.before, row?.after]).toEqual([
      hours(runsForH.cautious ?? 0),
      hours(figuresOf(later).runsForH.cautious ?? 0),
    ]);
  });

  it('of rails of several voltages says that its amperes are added up', () => {
    const said = (design: Design): string => usualPrinter.message(figuresOf(assess(design)).peakA.lead ?? '');
    const at = { xMm: 1, yMm: 1 };
    const items = [
      itemOf('outside supply', { id: 'a', part: 'supply-bench', volts: 5 }),
      itemOf('outside supply', { id: 'b', part: 'supply-bench', volts: 12, minus: 'apart' }),
      ...['a', 'b'].map((feed) =>
        itemOf('light', {
          id: `lamp-${feed}`,
          feed,
          part: 'led-5mm-red',
          switchedBy: { way: 'always on' },
          places: [{ id: feed, at, hollowId: null }],
        }),
      ),
    ];
    expect(said(circuitOf(items))).toMatch(/on rails of 5\.00 V, 12\.0 V, added up/);
    expect(said(circuitOf(items.filter(({ id }) => !id.endsWith('b'))))).toMatch(/: on the rails\./);
  });

  it('says what it waits for, in the bar and in its drawer alike', () => {
    const nothing = figuresOf(assess(emptyDesign));
    for (const { likely, needs, answer, lead } of Object.values(nothing)) {
      expect([likely, answer]).toEqual([null, 'not decided']);
      expect(said(lead)).toContain(needs.join(', '));
    }
    expect(barOf(assess(emptyDesign), 4).map(({ value }) => value)).toEqual([null, null, null, null, null]);
  });

  it('adds up: the lines of the peak are the peak, less what is never reached together', () => {
    const values = figures.peakA.lines.map(({ value }) =>
      typeof value === 'object' && 'value' in value ? value.value : 0,
    );
    expect(values.reduce((sum, value) => sum + value, 0)).toBeCloseTo(figures.peakA.likely ?? 0, 9);
  });

  it('a link past its limit stands past it on its scale', () => {
    // The demo’s pack collapses at the height of its hungriest mood: the scale is at its end, the limit at two thirds.
    expect(bar[3]).toMatchObject({ value: 'collapses', scale: { at: 1, limit: 2 / 3, bad: true } });
    expect(bar[4]?.value).toEqual(percent(Math.floor((figures.ceiling.likely ?? 0) * 1000) / 1000));
  });
});
