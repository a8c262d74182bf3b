import { fingerprint, writeMoodCard } from '@glimmer/core/exports';
import type { Stage } from '@glimmer/core/items';
import { useEffect, useMemo, useState } from 'react';
import { flushSync } from 'react-dom';
import { Backdrop } from '../picture/Backdrop.tsx';
import { usePlan, useReckoned } from '../reckoning/index.ts';
import { usePrinter } from '../units/index.ts';
import { useSayTime } from '../widgets/when.ts';

/** True while the page is laid out for paper: what only paper shows is drawn only then. */
function useIsPrinted(): boolean {
  const [printed, setPrinted] = useState(() => window.matchMedia('print').matches);
  useEffect(() => {
    const query = window.matchMedia('print');
    const follow = (): void => setPrinted(query.matches);
    // The browser lays the page out as soon as this returns.
    const before = (): void => flushSync(() => setPrinted(true));
    const after = (): void => setPrinted(false);
    query.addEventListener('change', follow);
    window.addEventListener('beforeprint', before);
    window.addEventListener('afterprint', after);
    return () => {
      query.removeEventListener('change', follow);
      window.removeEventListener('beforeprint', before);
      window.removeEventListener('afterprint', after);
    };
  }, []);
  return printed;
}

/** The piece with its lights, small. */
function Piece() {
  const plan = usePlan();
  const { assessment } = useReckoned();
  const { widthMm, heightMm } = plan.design.view;
  const r = Math.max(widthMm, heightMm) / 220;
  return (
    <svg viewBox={`${-r} ${-r} ${widthMm + 2 * r} ${heightMm + 2 * r}`} className="my-2 h-56" aria-hidden="true">
      <Backdrop plan={plan} />
      {assessment.placed.flatMap((group) =>
        group.places.map((place, i) => (
          <circle
            key={`${group.id} ${i}`}
            cx={place.xMm}
            cy={place.yMm}
            r={group.shape === 'lights' ? 1.6 * r : r}
            fill="#fff"
            stroke="#000"
            strokeWidth={r / 4}
          />
        )),
      )}
    </svg>
  );
}

/** Every mood, cue, set and sign, and the evening: on the screen one mood is seen at a time. */
function AllMoods() {
  const printer = usePrinter();
  const plan = usePlan();
  const { assessment } = useReckoned();
  return (
    <section>
      <h3 className="mt-3 text-medium">All moods</h3>
      <pre className="font-sans whitespace-pre-wrap">{writeMoodCard(plan, assessment, printer)}</pre>
    </section>
  );
}

/** What only paper has above a sheet: whose it is, of which state and day, and the piece. */
export function PrintHead({ stage }: { readonly stage: Stage }) {
  const sayTime = useSayTime();
  const { name, design } = usePlan();
  const printed = useIsPrinted();
  const mark = useMemo(() => fingerprint(design), [design]);
  return (
    <div className="hidden print:block">
      <p>
        <strong>{name}</strong>, mark <span className="figures">{mark}</span>: the program of this very plan carries the
        same. {printed && sayTime(new Date().toISOString())}
      </p>
      {printed && <Piece />}
      {printed && stage === 'moods' && design.moods.list.length > 0 && <AllMoods />}
    </div>
  );
}
