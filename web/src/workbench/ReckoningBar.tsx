import type { Assessment } from '@glimmer/core/assess';
import { type BarFigure, explainFigure } from '@glimmer/core/explain';
import { type Figured, type Figures, figuresOf } from '@glimmer/core/figures';
import { isOpen } from '@glimmer/core/findings';
import type { Finding } from '@glimmer/core/items';
import { sayCeiling } from '@glimmer/core/power';
import { amps, hours, type Message, percent, say } from '@glimmer/core/units';
import { usePlan } from '../state/planStore.ts';
import { useReckoned } from '../state/useAssessment.tsx';
import { Said } from '../units/Said.tsx';
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

/** A figure as it is printed, or what has to be decided before there is one. */
type Told = { readonly value: Message } | { readonly needs: string };

interface FigureProps {
  readonly figure: BarFigure;
  readonly label: string;
  readonly told: Told;
  readonly below?: Message | undefined;
  readonly scale?: ScaleProps | undefined;
}

function tell({ likely, needs }: Figured, sayIt: (value: number) => Message): Told {
  if (likely !== null) return { value: sayIt(likely) };
  return needs[0]?.startsWith('nothing:') ? { value: 'goes on' } : { needs: needs[0] ?? 'more' };
}

function showDraws(assessment: Assessment, figures: Figures): FigureProps[] {
  const { supply } = assessment;
  const packA =
    figures.peakA.likely !== null && supply && Number.isFinite(supply.mostA)
      ? say`at most ${amps(supply.mostA)} from ${supply.rail.name}`
      : undefined;
  return [
    { figure: 'peak', label: 'Peak draw', told: tell(figures.peakA, amps), below: packA },
    { figure: 'usual', label: 'Usual draw', told: tell(figures.usualA, amps) },
  ];
}

function showRuns({ runsForH }: Figures, wantedH: number): FigureProps {
  const base = { figure: 'runs', label: 'Runs for' } as const;
  if (runsForH.likely === null || runsForH.cautious === null) return { ...base, told: tell(runsForH, hours) };
  return {
    ...base,
    told: { value: hours(runsForH.cautious) },
    below: say`likely ${hours(runsForH.likely)}`,
    scale: { at: runsForH.cautious / (2 * wantedH), limit: 0.5, bad: runsForH.cautious < wantedH },
  };
}

/** The scale of a link goes half as far again as its limit, so that an overload shows. */
const LINK_SCALE = 1.5;

function showWeakest({ weakestLink, peakA, ceiling }: Figures): FigureProps {
  const base = { figure: 'weakest', label: 'Weakest link' } as const;
  if (!weakestLink) return { ...base, told: { needs: peakA.needs[0] ?? ceiling.needs[0] ?? 'a pack' } };
  const { loadA, limitA, name } = weakestLink;
  const fill = loadA === null ? LINK_SCALE : loadA / limitA;
  return {
    ...base,
    told: { value: loadA === null ? 'collapses' : percent(fill) },
    below: name,
    scale: { at: fill / LINK_SCALE, limit: 1 / LINK_SCALE, bad: fill > 1 },
  };
}

function showCeiling(assessment: Assessment, { ceiling }: Figures): FigureProps {
  const base = { figure: 'ceiling', label: 'Brightness ceiling' } as const;
  const lowest = assessment.ceilings.find((each) => each.brightness === ceiling.likely);
  if (!lowest) return { ...base, told: tell(ceiling, sayCeiling) };
  return {
    ...base,
    told: { value: sayCeiling(lowest.brightness) },
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
  const figures = figuresOf(assessment);
  const items = [
    ...showDraws(assessment, figures),
    showRuns(figures, design.piece.hoursWanted),
    showWeakest(figures),
    showCeiling(assessment, figures),
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
          {'needs' in item.told ? (
            <span className="line-clamp-2 text-[14px] leading-5">needs {item.told.needs}</span>
          ) : (
            <>
              <span className="figures w-full truncate text-[21px] leading-6 font-semibold">
                <Said>{item.told.value}</Said>
              </span>
              {item.scale && <Scale {...item.scale} />}
              <span className="w-full truncate text-[12.5px] text-faint">
                <Said>{item.below ?? '\u00a0'}</Said>
              </span>
            </>
          )}
        </button>
      ))}
      <FindingsFigure findings={findings} onOpen={onFindings} />
    </footer>
  );
}
