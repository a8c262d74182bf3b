import { type ItemRole, type ItemStage, kindOf } from '@glimmer/core/items';
import type { Item, PlanPoint } from '@glimmer/core/plan';
import type { ReactNode } from 'react';
import { Handle } from '../Handle.tsx';
import { Label } from './Label.tsx';
import type { OverlayProps } from './OverlayProps.ts';

type Placed = Extract<Item, { readonly at: PlanPoint }>;

interface MarkProps {
  readonly at: PlanPoint;
  readonly u: number;
  readonly name: string;
}

const ink = {
  fill: 'var(--sheet)',
  stroke: 'var(--ink)',
  strokeWidth: '1.4',
  vectorEffect: 'non-scaling-stroke',
} as const;

/** Half as wide as a name of so many letters needs it. */
const halfWidth = (name: string, u: number): number => u * Math.max(5.6, 1.2 + name.length * 0.78);

function Named({ at, u, name, children }: MarkProps & { readonly children: ReactNode }) {
  return (
    <g data-words="mark" data-at={`${at.xMm} ${at.yMm}`}>
      {children}
      <Label x={at.xMm} y={at.yMm + u * 1.1} u={u} anchor="middle" inMark>
        {name}
      </Label>
    </g>
  );
}

/** A tag with a cut corner: a board. */
function BoardMark(props: MarkProps) {
  const { at, u } = props;
  const half = halfWidth(props.name, u);
  return (
    <Named {...props}>
      <path
        d={`M${at.xMm - half} ${at.yMm - u * 2.8} h${2 * half - u * 1.6} l${u * 1.6} ${u * 1.6} v${u * 4} h${-2 * half} z`}
        {...ink}
      />
    </Named>
  );
}

/** A block with a terminal: what feeds. */
function SourceMark(props: MarkProps) {
  const { at, u } = props;
  const half = halfWidth(props.name, u);
  return (
    <Named {...props}>
      <rect x={at.xMm - half} y={at.yMm - u * 2.8} width={2 * half} height={u * 5.6} {...ink} />
      <rect x={at.xMm + half} y={at.yMm - u} width={u * 0.9} height={u * 2} fill="var(--ink)" />
    </Named>
  );
}

/** A pill: what stands between, switches or draws. */
function PillMark(props: MarkProps) {
  const { at, u } = props;
  const half = halfWidth(props.name, u);
  return (
    <Named {...props}>
      <rect x={at.xMm - half} y={at.yMm - u * 2.4} width={2 * half} height={u * 4.8} rx={u * 2.4} {...ink} />
    </Named>
  );
}

/** A ring with its name beside it: what a hand or the room works. */
function RingMark({ at, u, name }: MarkProps) {
  return (
    <>
      <circle cx={at.xMm} cy={at.yMm} r={u * 1.6} {...ink} data-dot />
      <Label of={at} x={at.xMm + u * 2.6} y={at.yMm + u * 0.8} u={u}>
        {name}
      </Label>
    </>
  );
}

const marks: Readonly<Record<ItemRole, (props: MarkProps) => ReactNode>> = {
  board: BoardMark,
  source: SourceMark,
  passes: PillMark,
  charges: PillMark,
  switches: PillMark,
  load: PillMark,
  light: PillMark,
  guide: PillMark,
  control: RingMark,
};

/** Items at their places, each to be dragged, or moved with the arrow keys. */
export function ItemHandles({
  design,
  u,
  stages,
  withBoards = false,
}: OverlayProps & { readonly stages: readonly ItemStage[]; readonly withBoards?: boolean }) {
  const items = design.items.filter(
    (item): item is Placed =>
      'at' in item && (stages.includes(kindOf(item.kind).stage) || (withBoards && item.kind === 'board')),
  );
  return items.map((item) => {
    const Mark = marks[kindOf(item.kind).role];
    return (
      <Handle key={item.id} thingId={item.id} label={item.name} at={item.at} spot={{ of: 'item', id: item.id }}>
        <Mark at={item.at} u={u} name={item.name} />
      </Handle>
    );
  });
}
