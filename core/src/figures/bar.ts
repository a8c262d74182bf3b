import { type Assessment, eveningWithSpares } from '../assess.ts';
import { sayCeiling } from '../power/index.ts';
import { amps, hours, type Message, percent, say } from '../units/index.ts';
import type { Figure } from './figure.ts';
import { figuresOf } from './figures.ts';

/** A figure as it stands in the bar. */
export interface BarFigure {
  /** With how it came about. */
  readonly figure: Figure;
  /** The figure itself; null where it waits for what it needs. */
  readonly value: Message | null;
  /** What stands small below it. */
  readonly below?: Message;
  /** Where it lies on its scale and where its limit does, as shares of the scale; `bad` = past the limit. */
  readonly scale?: { readonly at: number; readonly limit: number; readonly bad: boolean };
}

/** The scale of a link goes half as far again as its limit, so that an overload shows. */
const LINK_SCALE = 1.5;

const plain = (figure: Figure, sayIt: (likely: number) => Message): BarFigure => ({
  figure,
  value: figure.likely !== null ? sayIt(figure.likely) : figure.goesOn ? 'goes on' : null,
});

function runs(figure: Figure, { standBy }: Assessment, wantedH: number): BarFigure {
  const { likely, cautious } = figure;
  if (likely === null || cautious === null) return plain(figure, hours);
  const together = eveningWithSpares(standBy) ?? cautious;
  if (together > cautious + 1e-9)
    return {
      figure,
      value: hours(together),
      below: say`${hours(cautious)} a pack`,
      scale: { at: together / (2 * wantedH), limit: 0.5, bad: together < wantedH },
    };
  return {
    figure,
    value: hours(cautious),
    below: say`likely ${hours(likely)}`,
    scale: { at: cautious / (2 * wantedH), limit: 0.5, bad: cautious < wantedH },
  };
}

function weakest(figure: ReturnType<typeof figuresOf>['weakestLink']): BarFigure {
  const { link, likely } = figure;
  if (!link) return { figure, value: null };
  const fill = likely ?? LINK_SCALE;
  return {
    figure,
    value: likely === null ? 'collapses' : percent(likely),
    below: link.name,
    scale: { at: fill / LINK_SCALE, limit: 1 / LINK_SCALE, bad: fill > 1 },
  };
}

function ceilingOf({ ceilings }: Assessment, figure: Figure): BarFigure {
  const lowest = ceilings.find((each) => each.brightness === figure.likely);
  if (!lowest) return plain(figure, sayCeiling);
  return {
    figure,
    value: sayCeiling(lowest.brightness),
    below: lowest.name,
    scale: { at: lowest.setTo, limit: lowest.brightness, bad: lowest.setTo > lowest.brightness + 1e-6 },
  };
}

/** The few figures that decide whether the piece works tonight, in the order in which they are read. */
export function barOf(assessment: Assessment, wantedH: number): readonly BarFigure[] {
  const { peakA, usualA, runsForH, weakestLink, ceiling } = figuresOf(assessment);
  const { supply } = assessment;
  const isKnown = peakA.likely !== null && supply !== null && Number.isFinite(supply.mostA);
  return [
    {
      ...plain(peakA, amps),
      ...(isKnown ? { below: say`at most ${amps(supply.mostA)} from ${supply.rail.name}` } : {}),
    },
    plain(usualA, amps),
    runs(runsForH, assessment, wantedH),
    weakest(weakestLink),
    ceilingOf(assessment, ceiling),
  ];
}
