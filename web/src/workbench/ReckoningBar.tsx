import { barOf } from '@glimmer/core/figures';
import { isOpen } from '@glimmer/core/findings';
import type { Finding } from '@glimmer/core/items';
import { useEffect, useState } from 'react';
import { useIsBehind, useReckoned } from '../reckoning/index.ts';
import { useKeyOf, withKey } from '../state/keys.ts';
import { usePrinter } from '../units/index.ts';
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

function FindingsFigure({ findings, onOpen }: { readonly findings: readonly Finding[]; readonly onOpen: () => void }) {
  const open = findings.filter(isOpen);
  const stops = open.filter((finding) => finding.gravity === 'stop').length;
  const [wash, ink] =
    stops > 0 ? ['bg-brick-wash', 'text-brick-ink'] : open.length > 0 ? ['bg-amber-wash', 'text-amber-ink'] : ['', ''];
  return (
    <button
      type="button"
      onClick={onOpen}
      data-tip={withKey('Next finding', useKeyOf('finding'))}
      className={`flex min-w-0 flex-col items-start px-3 pt-1 pb-1.5 text-left hover:bg-pressed ${wash}`}
    >
      <span className="text-tiny text-faint">Open findings</span>
      <span className={`figures text-title leading-6 font-semibold ${ink}`}>{open.length}</span>
      <span className="truncate text-tiny text-faint">
        {stops > 0 ? `${stops} to stop for` : open.length > 0 ? 'to mend' : 'nothing open'}
      </span>
    </button>
  );
}

/** Figures that lag by less than this are taken for those of now. */
const SLOW_MS = 400;

/** What is left of the bar where there is little room, until it is unfolded. */
const shownFolded: ReadonlySet<string> = new Set(['Runs for', 'Brightness ceiling']);

/** True while figures are shown that have been behind the plan for so long that it must be said. */
function useIsSlow(isBehind: boolean): boolean {
  const { plan } = useReckoned();
  const [isSlow, setIsSlow] = useState(false);
  // biome-ignore lint/correctness/useExhaustiveDependencies: with each state that is shown the wait begins anew
  useEffect(() => {
    if (!isBehind) return;
    const timer = setTimeout(() => setIsSlow(true), SLOW_MS);
    return () => {
      clearTimeout(timer);
      setIsSlow(false);
    };
  }, [isBehind, plan]);
  return isSlow;
}

/** The few figures that decide whether the piece works tonight; each opens its sum. */
export function ReckoningBar({ onFindings }: { readonly onFindings: () => void }) {
  const { plan, assessment, findings } = useReckoned();
  const { design } = plan;
  const printer = usePrinter();
  const isBehind = useIsBehind();
  const isSlow = useIsSlow(isBehind);
  const [isUnfolded, setUnfolded] = useState(false);
  return (
    <footer
      aria-busy={isSlow}
      data-behind={isBehind ? 'yes' : 'no'}
      className="no-print relative grid grid-cols-[repeat(5,minmax(0,1fr))_minmax(7.5rem,0.8fr)] border-t-2 border-ink bg-sheet max-sm:grid-cols-3"
    >
      {isSlow && (
        <p role="status" className="absolute -top-7 right-3 border border-rule bg-sheet px-2 py-0.5 text-small">
          Being reckoned: these figures are of a moment ago
        </p>
      )}
      {barOf(assessment, design.piece.hoursWanted).map(({ figure, value, below, scale }) => (
        <button
          key={figure.title}
          type="button"
          onClick={() => openSum(figure)}
          data-tip="Open its sum"
          className={`min-w-0 flex-col items-start border-r border-rule px-3 pt-1 pb-1.5 text-left hover:bg-pressed ${shownFolded.has(figure.title) || isUnfolded ? 'flex' : 'hidden sm:flex'}`}
        >
          <span className="text-tiny text-faint">{figure.title}</span>
          {value === null ? (
            <span className="line-clamp-2 text-body leading-5">needs {figure.needs[0] ?? 'more'}</span>
          ) : (
            <>
              <span
                className={`figures w-full truncate leading-6 font-semibold ${/\d/.test(printer.message(value)) ? 'text-title' : 'text-medium'}`}
              >
                <Said>{value}</Said>
              </span>
              {scale && <Scale {...scale} />}
              <span className="w-full truncate text-tiny text-faint">
                <Said>{below ?? '\u00a0'}</Said>
              </span>
            </>
          )}
        </button>
      ))}
      <FindingsFigure findings={findings} onOpen={onFindings} />
      <button
        type="button"
        aria-expanded={isUnfolded}
        onClick={() => setUnfolded(!isUnfolded)}
        className="absolute -top-6 left-1/2 h-6 -translate-x-1/2 rounded-t-sm border border-b-0 border-edge bg-sheet px-3 text-tiny text-faint sm:hidden"
      >
        {isUnfolded ? 'fewer figures' : 'all figures'}
      </button>
    </footer>
  );
}
