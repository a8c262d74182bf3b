import type { Assessment } from '../assess.ts';
import { type Figures, figuresOf } from '../figures/index.ts';
import { sayAmount } from '../items/index.ts';
import { type Message, type QuantityKind, quantity, usualPrinter } from '../units/index.ts';

/** One figure of two versions side by side. `better` is null where neither way is. */
export interface VersionRow {
  readonly label: Message;
  readonly before: Message;
  readonly after: Message;
  /** Which of the two a maker would take; null where that is a matter of taste. */
  readonly better: 'before' | 'after' | null;
}

interface Measure {
  readonly label: string;
  readonly kind: QuantityKind;
  readonly good: 'more' | 'less' | null;
  readonly of: (assessment: Assessment, figures: Figures) => number | null;
}

const measures: readonly Measure[] = [
  { label: 'Lights', kind: 'count', good: null, of: (a) => a.lightCount },
  { label: 'Moods', kind: 'count', good: null, of: (a) => a.show.moods.length },
  { label: 'Cues', kind: 'count', good: null, of: (a) => a.show.cues.length },
  { label: 'Signs', kind: 'count', good: null, of: (a) => a.show.signs.length },
  { label: 'Frames a second', kind: 'count', good: 'more', of: (a) => a.programs[0]?.loop.framesPerS ?? null },
  { label: 'Peak draw', kind: 'currentA', good: 'less', of: (_, figures) => figures.peakA.likely },
  { label: 'Usual draw', kind: 'currentA', good: 'less', of: (_, figures) => figures.usualA.likely },
  { label: 'All white', kind: 'currentA', good: 'less', of: (a) => a.allWhiteA },
  { label: 'Runs for, likely', kind: 'timeH', good: 'more', of: (_, figures) => figures.runsForH.likely },
  { label: 'Runs for, cautious', kind: 'timeH', good: 'more', of: (_, figures) => figures.runsForH.cautious },
  {
    label: 'Lowest ceiling',
    kind: 'fraction',
    good: 'more',
    of: (_, figures) => figures.ceiling.likely,
  },
  {
    label: 'Wire in all',
    kind: 'lengthMm',
    good: 'less',
    of: (a) => a.runs.reduce((sum, run) => sum + (run.lengthMm ?? 0) * run.cores.length, 0),
  },
  { label: 'Cost of one copy', kind: 'money', good: 'less', of: (_, figures) => figures.costPerCopy.likely },
];

const tell = (kind: QuantityKind, value: number | null): Message =>
  value === null ? 'not decided' : quantity(kind, value);

/** The figures in which two assessed versions differ, and the parts that one has and the other has not. Like versions give nothing. */
export function compareVersions(before: Assessment, after: Assessment): VersionRow[] {
  const [figuresBefore, figuresAfter] = [figuresOf(before), figuresOf(after)];
  const figures = measures.flatMap((measure): VersionRow[] => {
    const [a, b] = [measure.of(before, figuresBefore), measure.of(after, figuresAfter)];
    const [textA, textB] = [tell(measure.kind, a), tell(measure.kind, b)];
    if (usualPrinter.message(textA) === usualPrinter.message(textB)) return [];
    const better =
      a === null || b === null || measure.good === null
        ? null
        : b > a === (measure.good === 'more')
          ? 'after'
          : 'before';
    return [{ label: measure.label, before: textA, after: textB, better }];
  });
  const keyOf = (name: Message): string => usualPrinter.message(name);
  const amount = (assessment: Assessment, name: Message): Message => {
    const line = assessment.shopping.find((each) => keyOf(each.name) === keyOf(name));
    return line ? sayAmount(line) : 'none';
  };
  const names = new Map([...before.shopping, ...after.shopping].map((line) => [keyOf(line.name), line.name])).values();
  const parts = [...names]
    .map(
      (name): VersionRow => ({ label: name, before: amount(before, name), after: amount(after, name), better: null }),
    )
    .filter((row) => keyOf(row.before) !== keyOf(row.after));
  return [...figures, ...parts];
}
