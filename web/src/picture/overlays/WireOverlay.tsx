import { type WireRun, wireColours } from '@glimmer/core/network';
import type { PlanPoint } from '@glimmer/core/plan';
import { useTool } from '../../state/tool.ts';

import { usePrinter } from '../../units/index.ts';
import { ItemHandles } from './ItemHandles.tsx';
import { Label } from './Label.tsx';
import type { OverlayProps } from './OverlayProps.ts';

interface CoresProps {
  readonly run: WireRun;
  readonly from: PlanPoint;
  readonly to: PlanPoint;
  readonly u: number;
}

/** The cores of a run side by side, each in its colour. */
function Cores({ run, from, to, u }: CoresProps) {
  const dx = to.xMm - from.xMm;
  const dy = to.yMm - from.yMm;
  const length = Math.hypot(dx, dy) || 1;
  const [nx, ny] = [-dy / length, dx / length];
  return run.cores.map((core, i) => {
    const off = (i - (run.cores.length - 1) / 2) * u * 0.85;
    return (
      <g key={core.meaning}>
        <path
          d={`M${from.xMm + nx * off} ${from.yMm + ny * off} L${to.xMm + nx * off} ${to.yMm + ny * off}`}
          stroke="var(--faint)"
          strokeWidth="3.4"
          vectorEffect="non-scaling-stroke"
        />
        <path
          d={`M${from.xMm + nx * off} ${from.yMm + ny * off} L${to.xMm + nx * off} ${to.yMm + ny * off}`}
          stroke={wireColours[core.colour.split(',')[0] ?? ''] ?? 'var(--ink)'}
          strokeWidth="2.2"
          vectorEffect="non-scaling-stroke"
        />
      </g>
    );
  });
}

function Run({ run, u, isPointed }: { readonly run: WireRun; readonly u: number; readonly isPointed: boolean }) {
  const printer = usePrinter();
  const [from, to] = [run.from.at, run.to.at];
  if (!from || !to) return null;
  return (
    <g>
      {isPointed && (
        <path
          d={`M${from.xMm} ${from.yMm} L${to.xMm} ${to.yMm}`}
          stroke="var(--verdigris)"
          strokeOpacity="0.35"
          strokeWidth="14"
          strokeLinecap="round"
          vectorEffect="non-scaling-stroke"
        />
      )}
      <Cores run={run} from={from} to={to} u={u} />
      <circle
        cx={to.xMm}
        cy={to.yMm}
        r={u * 1}
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth="1.2"
        vectorEffect="non-scaling-stroke"
      />
      {isPointed && (
        <Label
          x={(from.xMm + to.xMm) / 2 + u}
          y={(from.yMm + to.yMm) / 2}
          u={u}
          strong
        >{`${run.name}: ${printer.quantity('lengthMm', run.lengthMm ?? 0)}`}</Label>
      )}
    </g>
  );
}

/** From light to light along a line that they share: legs or bare wire, rows drawn through and columns dashed. */
function SharedLines({ assessment }: Pick<OverlayProps, 'assessment'>) {
  return assessment.driven.flatMap(({ itemId, scan }) => {
    const places = assessment.placed.find((group) => group.id === itemId)?.places ?? [];
    return (scan?.layout.lines ?? []).map((line) => (
      <polyline
        key={`${itemId}:${line.id}`}
        points={line.joins.map(({ light }) => `${places[light]?.xMm ?? 0},${places[light]?.yMm ?? 0}`).join(' ')}
        fill="none"
        stroke="var(--faint)"
        strokeWidth="1"
        strokeDasharray={line.kind === 'column' ? '3 3' : undefined}
        vectorEffect="non-scaling-stroke"
      />
    ));
  });
}

/** Wires: each run as its cores side by side, in their colours. */
export function WireOverlay(props: OverlayProps) {
  const { assessment, u } = props;
  const pointedId = useTool((state) => state.pointedId);
  return (
    <>
      <SharedLines assessment={assessment} />
      {assessment.runs.map((run) => (
        <Run key={run.id} run={run} u={u} isPointed={pointedId === run.id} />
      ))}
      <ItemHandles {...props} stages={['drive', 'power']} />
    </>
  );
}
