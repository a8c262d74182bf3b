import { type BarFigure, explainFigure } from '@glimmer/core/explain';
import { isOpen } from '@glimmer/core/findings';
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

/** The few figures that decide whether the piece works tonight; each opens its sum. */
export function ReckoningBar({ onFindings }: { readonly onFindings: () => void }) {
  const { design } = usePlan();
  const { assessment, findings } = useReckoned();
  const { supply } = assessment;
  const runs = supply?.runsFor;
  const wanted = design.piece.hoursWanted;
  const lowest =
    supply?.ceilings.reduce<(typeof supply.ceilings)[number] | null>(
      (least, each) => (!least || each.brightness < least.brightness ? each : least),
      null,
    ) ?? null;
  const open = findings.filter(isOpen);
  const stops = open.filter((finding) => finding.gravity === 'stop').length;
  const weakest = supply?.weakest;
  const fill = weakest?.fill ?? 0;

  const items: FigureProps[] = [
    {
      figure: 'peak',
      label: 'Peak draw',
      value:
        assessment.lightCount > 0 || assessment.controller ? printQuantity('currentA', assessment.peakA) : 'no lights',
      below:
        supply && Number.isFinite(supply.atPeak.packA)
          ? `${printQuantity('currentA', supply.atPeak.packA)} from the pack`
          : undefined,
    },
    {
      figure: 'usual',
      label: 'Usual draw',
      value: assessment.course.length > 0 ? printQuantity('currentA', assessment.usualA) : 'needs a mood',
    },
    {
      figure: 'runs',
      label: 'Runs for',
      value: runs ? printQuantity('timeH', runs.cautiousH) : supply ? 'needs a mood' : 'needs a pack',
      below: runs ? `likely ${printQuantity('timeH', runs.likelyH)}` : undefined,
      scale: runs ? { at: runs.cautiousH / (2 * wanted), limit: 0.5, bad: runs.cautiousH < wanted } : undefined,
    },
    {
      figure: 'weakest',
      label: 'Weakest link',
      value: weakest ? (Number.isFinite(fill) ? printQuantity('fraction', fill) : 'collapses') : 'needs a pack',
      below: weakest?.name,
      scale: weakest ? { at: Number.isFinite(fill) ? fill / 1.5 : 1, limit: 1 / 1.5, bad: fill > 1 } : undefined,
    },
    {
      figure: 'ceiling',
      label: 'Brightness ceiling',
      value: lowest
        ? printQuantity('fraction', Math.floor(lowest.brightness * 1000) / 1000)
        : supply
          ? 'needs a mood'
          : 'needs a pack',
      below: lowest?.name,
      scale: lowest
        ? { at: lowest.setTo, limit: lowest.brightness, bad: lowest.setTo > lowest.brightness + 1e-6 }
        : undefined,
    },
  ];
  return (
    <footer
      className="no-print grid grid-cols-[repeat(5,minmax(0,1fr))_minmax(7.5rem,0.8fr)] border-t-2 border-ink bg-sheet"
      aria-label="Reckoning"
    >
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
      <button
        type="button"
        onClick={onFindings}
        title="Next finding: N"
        className={`flex min-w-0 flex-col items-start px-3 pt-1 pb-1.5 text-left hover:bg-pressed ${stops > 0 ? 'bg-brick-wash' : open.length > 0 ? 'bg-amber-wash' : ''}`}
      >
        <span className="text-[12.5px] text-faint">Open findings</span>
        <span
          className={`figures text-[21px] leading-6 font-semibold ${stops > 0 ? 'text-brick-ink' : open.length > 0 ? 'text-amber-ink' : ''}`}
        >
          {open.length}
        </span>
        <span className="truncate text-[12.5px] text-faint">
          {stops > 0 ? `${stops} to stop for` : open.length > 0 ? 'to mend' : 'nothing open'}
        </span>
      </button>
    </footer>
  );
}
