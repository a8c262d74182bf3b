import { type KeyboardEvent, type PointerEvent, type ReactNode, useState } from 'react';

interface ChartReaderProps {
  /** What the chart shows. */
  readonly title: string;
  /** Where its plot begins and ends, as shares of the drawing’s width. */
  readonly from: number;
  readonly to: number;
  /** What there is to be read at a place of the plot, 0 at its beginning to 1 at its end. */
  readonly read: (share: number) => string;
  /** The drawing. */
  readonly children: ReactNode;
}

/** From one end of a chart to the other by arrow key; with Shift ten at once. */
const STEPS = 100;

const isWithin = (share: number): number => Math.min(1, Math.max(0, share));

/** A chart whose values are read where it is pointed at, or walked along with the arrow keys. */
export function ChartReader({ title, from, to, read, children }: ChartReaderProps) {
  const [at, setAt] = useState<number | null>(null);
  const onPointer = (event: PointerEvent<HTMLDivElement>): void => {
    const { left, width } = event.currentTarget.getBoundingClientRect();
    if (width > 0) setAt(isWithin((event.clientX - left) / width));
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const step = (event.shiftKey ? 10 : 1) / STEPS;
    const here = at ?? 0;
    const next = { ArrowLeft: here - step, ArrowRight: here + step, Home: 0, End: 1 }[event.key];
    if (next === undefined) return;
    event.preventDefault();
    setAt(isWithin(next));
  };
  return (
    <>
      <div className="relative">
        {children}
        <div
          role="slider"
          tabIndex={0}
          aria-label={`Read off: ${title}`}
          aria-valuemin={0}
          aria-valuemax={STEPS}
          aria-valuenow={Math.round((at ?? 0) * STEPS)}
          aria-valuetext={read(at ?? 0)}
          className="no-print absolute inset-y-0 cursor-crosshair touch-pan-y"
          style={{ left: `${from * 100}%`, right: `${(1 - to) * 100}%` }}
          onPointerMove={onPointer}
          onPointerDown={onPointer}
          onPointerLeave={() => setAt(null)}
          onKeyDown={onKeyDown}
          onFocus={() => setAt(at ?? 0)}
          onBlur={() => setAt(null)}
        >
          {at !== null && (
            <span
              aria-hidden="true"
              className="pointer-events-none absolute inset-y-0 w-px bg-brass"
              style={{ left: `${at * 100}%` }}
            />
          )}
        </div>
      </div>
      <p aria-hidden="true" className="no-print min-h-5 text-tiny text-faint">
        {at === null ? 'Point at it, or walk along it with the arrow keys' : read(at)}
      </p>
    </>
  );
}
