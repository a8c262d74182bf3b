import type { ReactNode } from 'react';
import { InWords } from '../help/InWords.tsx';
import { Whole } from '../units/Whole.tsx';

interface SectionProps {
  readonly title: string;
  readonly aside?: ReactNode;
  readonly children: ReactNode;
}

/** A part of a sheet, stitched to the one above. */
export function Section({ title, aside, children }: SectionProps) {
  return (
    <section className="stitch mt-3.5 pt-2.5 first:mt-0 first:border-t-0 first:pt-0">
      <header className="mb-1.5 flex flex-wrap items-baseline justify-between gap-x-3 gap-y-1">
        <h3 className="text-medium">{title}</h3>
        {aside}
      </header>
      {children}
    </section>
  );
}

/** What to do first, where there is nothing yet. */
export function BeginHere({ children }: { readonly children: ReactNode }) {
  return <p className="border-l-2 border-verdigris bg-pressed/50 px-3 py-2">{children}</p>;
}

interface FigureLineProps {
  readonly label: ReactNode;
  readonly value: ReactNode;
  readonly onOpen?: (() => void) | undefined;
}

/** One figure in a list; with `onOpen` it opens its sum. */
export function FigureLine({ label, value, onOpen }: FigureLineProps) {
  const kept = typeof value === 'string' ? <Whole>{value}</Whole> : value;
  return (
    <div className="flex items-baseline justify-between gap-3 border-b border-rule/60 py-0.5 last:border-b-0">
      <span className="text-faint">{typeof label === 'string' ? <InWords>{label}</InWords> : label}</span>
      {onOpen ? (
        <button
          type="button"
          onClick={onOpen}
          className="figures text-right underline decoration-dotted underline-offset-4"
        >
          {kept}
        </button>
      ) : (
        <span className="figures text-right">{kept}</span>
      )}
    </div>
  );
}
