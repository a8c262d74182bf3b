import { Label } from './Label.tsx';
import type { OverlayProps } from './OverlayProps.ts';

/** Moods: where every light is, lit or not, and where the controls are. */
export function HandsOverlay({ design, assessment, u }: OverlayProps) {
  return (
    <>
      <g fill="var(--faint)" opacity="0.45">
        {assessment.placed.flatMap((group) =>
          group.places.map((place, i) => <circle key={`${group.id} ${i}`} cx={place.xMm} cy={place.yMm} r={u * 0.3} />),
        )}
      </g>
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
