import type { PlacedGroup } from '@glimmer/core/items';
import { type Scan, scanLineId } from '@glimmer/core/network';
import { ItemHandles } from './ItemHandles.tsx';
import { Label } from './Label.tsx';
import type { OverlayProps } from './OverlayProps.ts';

interface LinesProps {
  readonly group: PlacedGroup;
  readonly scan: Scan;
  /** The pin of a line, as it is marked. */
  readonly pinOf: (demandId: string) => string | undefined;
  readonly u: number;
}

/** The pins of lights that take turns: of a row at its left, of a column above it, of a shared pin at its first light. */
function Lines({ group, scan, pinOf, u }: LinesProps) {
  return scan.layout.lines.map((line) => {
    const at = group.places[line.joins[0]?.light ?? 0];
    const pin = pinOf(scanLineId(group.id, line));
    if (!at || !pin) return null;
    const isColumn = line.kind === 'column';
    return (
      <text
        key={line.id}
        x={at.xMm + (isColumn ? 0 : -u * 2.6)}
        y={at.yMm + (isColumn ? -u * 3.2 : u * 1.2)}
        textAnchor={isColumn ? 'middle' : 'end'}
        fontSize={u * 3.4}
        className="figures"
        fill="var(--ink)"
        stroke="var(--sheet)"
        strokeWidth={u * 0.9}
        paintOrder="stroke"
        data-words="name"
      >
        {pin}
      </text>
    );
  });
}

/** Drive: each light group joined to its pins, named at its first light. */
export function DriveOverlay(props: OverlayProps) {
  const { assessment, u } = props;
  const pins = assessment.pins.flatMap(({ board, plan }) => plan.given.map((given) => ({ ...given, board })));
  return (
    <>
      {assessment.placed.map((group) => {
        const first = group.places[0];
        const scan = assessment.driven.find((each) => each.itemId === group.id)?.scan;
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
            {scan && (
              <Lines
                group={group}
                scan={scan}
                u={u}
                pinOf={(id) => own.find((each) => each.demand.id === id)?.pin.name}
              />
            )}
            <Label of={first} x={first.xMm + u * 2.2} y={first.yMm - u * (scan ? 7 : 2)} u={u}>
              {scan
                ? `${group.name}: ${scan.driver ? 'on its scan driver' : 'pins of its rows and columns'}`
                : `${group.name}${own.length > 0 ? `: ${own.map((given) => given.pin.name).join(', ')}` : group.shape === 'pixels' && group.tape.after ? ': data from the tape before' : ''}`}
            </Label>
          </g>
        );
      })}
      <ItemHandles {...props} stages={['drive']} />
    </>
  );
}
