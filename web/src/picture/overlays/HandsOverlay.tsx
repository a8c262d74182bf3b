import { Label } from './Label.tsx';
import type { OverlayProps } from './OverlayProps.ts';

/** Moods: the controls as virtual hands. */
export function HandsOverlay({ design, u }: OverlayProps) {
  return (
    <>
      {design.drive.controls.map((control) => (
        <g key={control.id}>
          <circle
            cx={control.at.xMm}
            cy={control.at.yMm}
            r={u * 1.6}
            fill="var(--paper)"
            stroke="var(--verdigris)"
            strokeWidth="1.6"
            vectorEffect="non-scaling-stroke"
          />
          <Label x={control.at.xMm + u * 2.6} y={control.at.yMm + u * 0.8} u={u}>
            {control.name}
          </Label>
        </g>
      ))}
    </>
  );
}
