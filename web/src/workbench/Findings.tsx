import type { Finding } from '@glimmer/core/items';
import { Info } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { mend } from '../state/planStore.ts';
import { tool } from '../state/tool.ts';
import { usePrinter } from '../units/index.ts';
import { Said } from '../units/Said.tsx';
import { Button } from '../widgets/Button.tsx';
import { FindingBody, findingFrame } from '../widgets/FindingBody.tsx';
import { tellDone } from '../widgets/tellDone.ts';

/** One finding: what is so, why it matters, what would mend it, and the mend itself where it can be computed. */
function FindingCard({ finding, isPointed }: { readonly finding: Finding; readonly isPointed: boolean }) {
  const printer = usePrinter();
  const card = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (isPointed) card.current?.scrollIntoView({ block: 'nearest' });
  }, [isPointed]);
  return (
    <li
      ref={card}
      data-finding={finding.id}
      className={`mb-2 border-l-4 px-3 py-2 ${findingFrame(finding.gravity)} ${isPointed ? 'ring-2 ring-verdigris' : ''}`}
      onMouseEnter={() => finding.aboutId && tool.pointAt(finding.aboutId)}
    >
      <FindingBody finding={finding} />
      {finding.fixes.length > 0 && (
        <div className="mt-1.5 flex flex-wrap gap-1.5">
          {finding.fixes.map((fix) => (
            <Button
              key={printer.message(fix.label)}
              onClick={() => {
                mend(fix.edits);
                tellDone(`Done: ${printer.message(fix.label)}`);
              }}
            >
              <Said>{fix.label}</Said>
            </Button>
          ))}
        </div>
      )}
    </li>
  );
}

interface FindingListProps {
  readonly findings: readonly Finding[];
  readonly pointedFindingId?: string | null;
}

/** Findings of one stage: what is open stands in full, what is only to be known waits behind a line. */
export function FindingList({ findings, pointedFindingId = null }: FindingListProps) {
  const printer = usePrinter();
  const [showsMinds, setShowsMinds] = useState(false);
  const open = findings.filter((finding) => finding.gravity !== 'mind');
  const minds = findings.filter((finding) => finding.gravity === 'mind');
  if (findings.length === 0) return null;
  return (
    <section aria-label="Findings" className="mb-3">
      <ul>
        {[...open, ...(showsMinds ? minds : [])].map((finding) => (
          <FindingCard key={finding.id} finding={finding} isPointed={finding.id === pointedFindingId} />
        ))}
      </ul>
      {!showsMinds && (
        <ul className="hidden print:block">
          {minds.map((finding) => (
            <li key={finding.id}>
              <strong>
                <Said>{finding.what}</Said>.
              </strong>{' '}
              <Said>{finding.mend}</Said>
            </li>
          ))}
        </ul>
      )}
      {minds.length > 0 && (
        <button
          type="button"
          aria-expanded={showsMinds}
          onClick={() => setShowsMinds(!showsMinds)}
          className="no-print flex items-center gap-1.5 text-left text-small text-faint underline decoration-dotted underline-offset-4"
        >
          <Info size={14} aria-hidden="true" />
          {showsMinds
            ? 'Fold away what to know'
            : `${minds.length} thing${minds.length === 1 ? '' : 's'} to know: ${printer.message(minds[0]?.what ?? '')}${minds.length > 1 ? '\u00a0…' : ''}`}
        </button>
      )}
    </section>
  );
}
