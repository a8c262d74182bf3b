import { controlsOf } from '@glimmer/core/plan';
import { useTool } from '../../state/tool.ts';
import { Label } from './Label.tsx';
import type { OverlayProps } from './OverlayProps.ts';

/** The set that the sheet points at: its lights ringed, the first and the last numbered. */
function PointedSet({ assessment, u }: Pick<OverlayProps, 'assessment' | 'u'>) {
  const pointedId = useTool((state) => state.pointedId);
  const set = assessment.show.sets.find((each) => each.id === pointedId && each.offsets !== null);
  if (!set) return null;
  return (
    <g>
      {set.at.map((at, i) => (
        <circle
          key={i}
          cx={at.xMm}
          cy={at.yMm}
          r={u * 1.1}
          fill="none"
          stroke="var(--brass)"
          strokeWidth="1.4"
          vectorEffect="non-scaling-stroke"
        />
      ))}
      {[0, set.points - 1].map((i) => {
        const at = set.at[i];
        return at && (i === 0 || set.points > 1) ? (
          <Label key={i} of={at} x={at.xMm + u * 1.6} y={at.yMm - u * 1.6} u={u}>
            {String(i + 1)}
          </Label>
        ) : null;
      })}
    </g>
  );
}

/** Moods: where every light is, lit or not, and where the controls are. */
export function HandsOverlay({ design, assessment, u }: OverlayProps) {
  return (
    <>
      <g fill="var(--faint)" opacity="0.45">
        {assessment.placed.flatMap((group) =>
          group.places.map((place, i) => <circle key={`${group.id} ${i}`} cx={place.xMm} cy={place.yMm} r={u * 0.3} />),
        )}
      </g>
      <PointedSet assessment={assessment} u={u} />
      {controlsOf(design).map((control) => (
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
          <Label of={control.at} x={control.at.xMm + u * 2.6} y={control.at.yMm + u * 0.8} u={u}>
            {control.name}
          </Label>
        </g>
      ))}
    </>
  );
}
