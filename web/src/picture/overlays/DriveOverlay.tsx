import { ItemHandles } from './ItemHandles.tsx';
import { Label } from './Label.tsx';
import type { OverlayProps } from './OverlayProps.ts';

/** Drive: each light group joined to its pins, named at its first light. */
export function DriveOverlay(props: OverlayProps) {
  const { assessment, u } = props;
  const pins = assessment.pins.flatMap(({ board, plan }) => plan.given.map((given) => ({ ...given, board })));
  return (
    <>
      {assessment.placed.map((group) => {
        const first = group.places[0];
        const own = pins.filter(
          (given) => given.demand.id === `data:${group.id}` || given.demand.id.startsWith(`channel:${group.id}:`),
        );
        if (!first) return null;
        return (
          <g key={group.id}>
            {own[0] && (
              <path
                d={`M${own[0].board.item.at.xMm} ${own[0].board.item.at.yMm} L${first.xMm} ${first.yMm}`}
                stroke="var(--verdigris)"
                strokeWidth="1.2"
                strokeDasharray="2 4"
                fill="none"
                vectorEffect="non-scaling-stroke"
              />
            )}
            {group.places.map((place, i) => (
              <circle
                key={i}
                cx={place.xMm}
                cy={place.yMm}
                r={u * (group.shape === 'pixels' ? 0.6 : 1.4)}
                fill="var(--sheet)"
                stroke="var(--ink)"
                strokeWidth="1"
                vectorEffect="non-scaling-stroke"
              />
            ))}
            <Label x={first.xMm + u * 2.2} y={first.yMm - u * 2} u={u}>
              {`${group.name}${own.length > 0 ? `: ${own.map((given) => given.pin.name).join(', ')}` : group.shape === 'pixels' && group.tape.after ? ': data from the tape before' : ''}`}
            </Label>
          </g>
        );
      })}
      <ItemHandles {...props} stages={['drive']} />
    </>
  );
}
