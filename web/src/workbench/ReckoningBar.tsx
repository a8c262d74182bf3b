import type { Assessment } from '@glimmer/core/assess';
import { type BarFigure, explainFigure } from '@glimmer/core/explain';
import { type Finding, isOpen } from '@glimmer/core/findings';
import { printCeiling } from '@glimmer/core/power';
import { printQuantity } from '@glimmer/core/units';
import { usePlan } from '../state/planStore.ts';
import { useReckoned } from '../state/useAssessment.tsx';
import { openSum } from '../widgets/SumDrawer.tsx';

interface ScaleProps {
  /** Where the pointer stands, as a share of the scale. */
  readonly at: number;
  /** A limit on the scale. */
  readonly limit: number;
  readonly bad: boolean;
}

/** A hand-set figure on an engraved scale. */
function Scale({ at, limit, bad }: ScaleProps) {
  const x = Math.min(100, Math.max(0, at * 100));
  return (
    <svg viewBox="0 0 104 12" preserveAspectRatio="xMinYMid meet" className="h-3 w-full" aria-hidden="true">
      <g transform="translate(2 0)">
        {Array.from({ length: 21 }, (_, i) => (
          <path key={i} d={`M${i * 5} 12 v${i % 5 === 0 ? -5 : -3}`} stroke="var(--faint)" strokeWidth="0.7" />
        ))}
        <path d={`M${limit * 100} 12 V2`} stroke="var(--brass)" strokeWidth="1.2" strokeDasharray="2 1" />
        <path d={`M${x} 11 l-3 -8 h6 z`} fill={bad ? 'var(--brick-ink)' : 'var(--ink)'} />
      </g>
    </svg>
  );
}

interface FigureProps {
  readonly figure: BarFigure;
  readonly label: string;
  readonly value: string;
  readonly below?: string | undefined;
  readonly scale?: ScaleProps | undefined;
}

const needs = (supply: Assessment['supply']): string => (supply ? 'needs a mood' : 'needs a pack');

function showDraws(assessment: Assessment): FigureProps[] {
  const { supply, course, peakA, usualA } = assessment;
  const isEmpty = assessment.lightCount === 0 && !assessment.controller;
  const packA =
    supply && Number.isFinite(supply.atPeak.packA)
      ? `${printQuantity('currentA', supply.atPeak.packA)} from the pack`
      : undefined;
  return [
    {
      figure: 'peak',
      label: 'Peak draw',
      value: isEmpty ? 'no lights' : printQuantity('currentA', peakA),
      below: packA,
    },
    {
      figure: 'usual',
      label: 'Usual draw',
      value: course.length > 0 ? printQuantity('currentA', usualA) : 'needs a mood',
    },
  ];
}

function showRuns({ supply }: Assessment, wantedH: number): FigureProps {
  const base = { figure: 'runs', label: 'Runs for' } as const;
  const runs = supply?.runsFor;
  if (!runs) return { ...base, value: needs(supply) };
  return {
    ...base,
    value: printQuantity('timeH', runs.cautiousH),
    below: `likely ${printQuantity('timeH', runs.likelyH)}`,
    scale: { at: runs.cautiousH / (2 * wantedH), limit: 0.5, bad: runs.cautiousH < wantedH },
  };
}

/** The scale of a link goes half as far again as its limit, so that an overload shows. */
const LINK_SCALE = 1.5;

function showWeakest({ supply }: Assessment): FigureProps {
  const base = { figure: 'weakest', label: 'Weakest link' } as const;
  const weakest = supply?.weakest;
  if (!weakest) return { ...base, value: 'needs a pack' };
  const collapses = !Number.isFinite(weakest.fill);
  return {
    ...base,
    value: collapses ? 'collapses' : printQuantity('fraction', weakest.fill),
    below: weakest.name,
    scale: { at: collapses ? 1 : weakest.fill / LINK_SCALE, limit: 1 / LINK_SCALE, bad: weakest.fill > 1 },
  };
}

function showCeiling({ supply }: Assessment): FigureProps {
  const base = { figure: 'ceiling', label: 'Brightness ceiling' } as const;
  const [first, ...rest] = supply?.ceilings ?? [];
  if (!first) return { ...base, value: needs(supply) };
  const lowest = rest.reduce((least, each) => (each.brightness < least.brightness ? each : least), first);
  return {
    ...base,
    value: printCeiling(lowest.brightness),
    below: lowest.name,
    scale: { at: lowest.setTo, limit: lowest.brightness, bad: lowest.setTo > lowest.brightness + 1e-6 },
  };
}

function FindingsFigure({ findings, onOpen }: { readonly findings: readonly Finding[]; readonly onOpen: () => void }) {
  const open = findings.filter(isOpen);
  const stops = open.filter((finding) => finding.gravity === 'stop').length;
  const [wash, ink] =
    stops > 0 ? ['bg-brick-wash', 'text-brick-ink'] : open.length > 0 ? ['bg-amber-wash', 'text-amber-ink'] : ['', ''];
  return (
    <button
      type="button"
      onClick={onOpen}
      title="Next finding: N"
      className={`flex min-w-0 flex-col items-start px-3 pt-1 pb-1.5 text-left hover:bg-pressed ${wash}`}
    >
      <span className="text-[12.5px] text-faint">Open findings</span>
      <span className={`figures text-[21px] leading-6 font-semibold ${ink}`}>{open.length}</span>
      <span className="truncate text-[12.5px] text-faint">
        {stops > 0 ? `${stops} to stop for` : open.length > 0 ? 'to mend' : 'nothing open'}
      </span>
    </button>
  );
}

/** The few figures that decide whether the piece works tonight; each opens its sum. */
export function ReckoningBar({ onFindings }: { readonly onFindings: () => void }) {
  const { design } = usePlan();
  const { assessment, findings } = useReckoned();
  const items = [
    ...showDraws(assessment),
    showRuns(assessment, design.piece.hoursWanted),
    showWeakest(assessment),
    showCeiling(assessment),
  ];
  return (
    <footer className="no-print grid grid-cols-[repeat(5,minmax(0,1fr))_minmax(7.5rem,0.8fr)] border-t-2 border-ink bg-sheet">
      {items.map((item) => (
        <button
          key={item.figure}
          type="button"
          onClick={() => openSum(explainFigure(assessment, item.figure))}
          title="Open its sum"
          className="flex min-w-0 flex-col items-start border-r border-rule px-3 pt-1 pb-1.5 text-left hover:bg-pressed"
        >
          <span className="text-[12.5px] text-faint">{item.label}</span>
          <span className="figures truncate text-[21px] leading-6 font-semibold">{item.value}</span>
          {item.scale && <Scale {...item.scale} />}
          <span className="w-full truncate text-[12.5px] text-faint">{item.below ?? '\u00a0'}</span>
        </button>
      ))}
      <FindingsFigure findings={findings} onOpen={onFindings} />
    </footer>
  );
}
