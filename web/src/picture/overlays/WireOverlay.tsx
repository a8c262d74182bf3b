import { printQuantity } from '@glimmer/core/units';
import { wireColours } from '@glimmer/core/wires';
import { useViewStore } from '../../state/viewStore.ts';
import { BoardHandle, PackHandle } from './boardHandles.tsx';
import { Label } from './Label.tsx';
import type { OverlayProps } from './OverlayProps.ts';

/** Wires: each run as its cores side by side, in their colours. */
export function WireOverlay(props: OverlayProps) {
  const { design, assessment, u } = props;
  const pointedId = useViewStore((state) => state.pointedId);
  return (
    <>
      {assessment.runs.map((run) => {
        const dx = run.to.at.xMm - run.from.at.xMm;
        const dy = run.to.at.yMm - run.from.at.yMm;
        const length = Math.hypot(dx, dy) || 1;
        const [nx, ny] = [-dy / length, dx / length];
        return (
          <g key={run.id}>
            {pointedId === run.id && (
              <path
                d={`M${run.from.at.xMm} ${run.from.at.yMm} L${run.to.at.xMm} ${run.to.at.yMm}`}
                stroke="var(--verdigris)"
                strokeOpacity="0.35"
                strokeWidth="14"
                strokeLinecap="round"
                vectorEffect="non-scaling-stroke"
              />
            )}
            {run.cores.map((core, i) => {
              const off = (i - (run.cores.length - 1) / 2) * u * 0.85;
              return (
                <g key={core.meaning}>
                  <path
                    d={`M${run.from.at.xMm + nx * off} ${run.from.at.yMm + ny * off} L${run.to.at.xMm + nx * off} ${run.to.at.yMm + ny * off}`}
                    stroke="var(--faint)"
                    strokeWidth="3.4"
                    vectorEffect="non-scaling-stroke"
                  />
                  <path
                    d={`M${run.from.at.xMm + nx * off} ${run.from.at.yMm + ny * off} L${run.to.at.xMm + nx * off} ${run.to.at.yMm + ny * off}`}
                    stroke={wireColours[core.colour.split(',')[0] ?? ''] ?? 'var(--ink)'}
                    strokeWidth="2.2"
                    vectorEffect="non-scaling-stroke"
                  />
                </g>
              );
            })}
            <circle
              cx={run.to.at.xMm}
              cy={run.to.at.yMm}
              r={u * 1}
              fill="var(--paper)"
              stroke="var(--ink)"
              strokeWidth="1.2"
              vectorEffect="non-scaling-stroke"
            />
            {pointedId === run.id && (
              <Label
                x={(run.from.at.xMm + run.to.at.xMm) / 2 + u}
                y={(run.from.at.yMm + run.to.at.yMm) / 2}
                u={u}
                strong
              >{`${run.name}: ${printQuantity('lengthMm', run.lengthMm)}`}</Label>
            )}
          </g>
        );
      })}
      <BoardHandle {...props} />
      {design.power.pack && <PackHandle {...props} />}
    </>
  );
}
