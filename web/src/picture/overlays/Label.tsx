import type { PlanPoint } from '@glimmer/core/items';

/** A label with a halo of paper, so that it reads over lines. */
export function Label({
  x,
  y,
  u,
  children,
  of,
  anchor = 'start',
  strong = false,
  inMark = false,
}: {
  readonly x: number;
  readonly y: number;
  /** One unit of the picture’s marks, in millimetres. */
  readonly u: number;
  readonly children: string;
  /** What it names, to which a line leads where it had to be moved far; where it stands, without it. */
  readonly of?: PlanPoint;
  /** Which end stands at x; the start where it is left out. */
  readonly anchor?: 'start' | 'middle' | 'end';
  /** Over whatever lies below it. */
  readonly strong?: boolean;
  /** It is moved with the mark that it stands in. */
  readonly inMark?: boolean;
}) {
  return (
    <text
      x={x}
      y={y}
      fontSize={u * 3.5}
      textAnchor={anchor}
      fontWeight={strong ? 700 : 400}
      fill="var(--ink)"
      stroke="var(--paper)"
      strokeWidth={u * 0.8}
      paintOrder="stroke"
      data-at={`${of?.xMm ?? x} ${of?.yMm ?? y}`}
      data-words={inMark ? undefined : strong ? 'strong' : 'name'}
      className="pointer-events-none select-none"
    >
      {children}
    </text>
  );
}
