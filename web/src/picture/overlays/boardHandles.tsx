import { editDesign } from '../../state/planStore.ts';
import { Handle } from '../Handle.tsx';
import { Label } from './Label.tsx';
import type { OverlayProps } from './OverlayProps.ts';

function moveDrive(recipe: Parameters<typeof editDesign>[0], merge: string): void {
  editDesign(recipe, { merge });
}

/** The board, as a tag that can be dragged. */
export function BoardHandle({ design, u }: OverlayProps) {
  const { at } = design.drive;
  return (
    <Handle
      label="Board"
      at={at}
      onMove={(to) =>
        moveDrive((draft) => {
          draft.drive.at = to;
        }, 'board')
      }
    >
      <path
        d={`M${at.xMm - u * 6} ${at.yMm - u * 2.8} h${u * 10.4} l${u * 1.6} ${u * 1.6} v${u * 4} h${-u * 12} z`}
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth="1.4"
        vectorEffect="non-scaling-stroke"
      />
      <Label x={at.xMm} y={at.yMm + u * 1.1} u={u} anchor="middle">
        board
      </Label>
    </Handle>
  );
}

export function PackHandle({ design, u }: OverlayProps) {
  const { at } = design.power;
  return (
    <Handle
      label="Pack"
      at={at}
      onMove={(to) =>
        moveDrive((draft) => {
          draft.power.at = to;
        }, 'pack')
      }
    >
      <rect
        x={at.xMm - u * 5.6}
        y={at.yMm - u * 2.8}
        width={u * 11}
        height={u * 5.6}
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth="1.4"
        vectorEffect="non-scaling-stroke"
      />
      <rect x={at.xMm + u * 5.4} y={at.yMm - u} width={u * 0.9} height={u * 2} fill="var(--ink)" />
      <Label x={at.xMm - u * 0.2} y={at.yMm + u * 1.1} u={u} anchor="middle">
        pack
      </Label>
    </Handle>
  );
}

export function ControlHandles({ design, u }: OverlayProps) {
  return (
    <>
      {design.drive.controls.map((control, i) => (
        <Handle
          key={control.id}
          label={control.name}
          at={control.at}
          onMove={(to) =>
            moveDrive((draft) => {
              const found = draft.drive.controls[i];
              if (found) found.at = to;
            }, `control ${control.id}`)
          }
        >
          <circle
            cx={control.at.xMm}
            cy={control.at.yMm}
            r={u * 1.6}
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth="1.4"
            vectorEffect="non-scaling-stroke"
          />
          <Label x={control.at.xMm + u * 2.6} y={control.at.yMm + u * 0.8} u={u}>
            {control.name}
          </Label>
        </Handle>
      ))}
    </>
  );
}
