import type { Assessment } from '@glimmer/core/assess';
import type { StepProgress } from '@glimmer/core/bench';
import type { Stage } from '@glimmer/core/findings';
import type { PlacedTape } from '@glimmer/core/lights';
import type { Design, Hollow } from '@glimmer/core/plan';
import { printQuantity } from '@glimmer/core/units';
import { wireColours } from '@glimmer/core/wires';
import { editDesign } from '../state/planStore.ts';
import { useViewStore, view } from '../state/viewStore.ts';
import { Handle } from './Handle.tsx';

export interface OverlayProps {
  readonly design: Design;
  readonly assessment: Assessment;
  /** One unit of line and letter, in millimetres of the view. */
  readonly u: number;
}

const mm = (value: number): string => printQuantity('lengthMm', value);

/** A label with a halo of paper, so that it reads over lines. */
export function Label({
  x,
  y,
  u,
  children,
  anchor = 'start',
  strong = false,
}: {
  readonly x: number;
  readonly y: number;
  readonly u: number;
  readonly children: string;
  readonly anchor?: 'start' | 'middle' | 'end';
  readonly strong?: boolean;
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
      className="pointer-events-none select-none"
    >
      {children}
    </text>
  );
}

const sizeWords = (hollow: Hollow): string => {
  if (hollow.kind === 'bore') return `⌀ ${mm(hollow.diameterMm)}`;
  if (hollow.kind === 'channel') return `${mm(hollow.widthMm)} wide`;
  return `${mm(hollow.widthMm)} × ${mm(hollow.heightMm)}`;
};

function HollowMark({
  hollow,
  u,
  verdict,
}: {
  readonly hollow: Hollow;
  readonly u: number;
  readonly verdict: string | null;
}) {
  const { xMm: x, yMm: y } = hollow.at;
  const tone = verdict === null || verdict === 'fits' ? 'var(--verdigris)' : 'var(--brick-ink)';
  const common = {
    fill: 'var(--paper)',
    fillOpacity: 0.75,
    stroke: tone,
    strokeWidth: 1.6,
    vectorEffect: 'non-scaling-stroke',
  } as const;
  if (hollow.kind === 'bore') {
    const r = Math.max(hollow.diameterMm / 2, u * 1.2);
    return (
      <>
        <circle cx={x} cy={y} r={r} {...common} />
        <path
          d={`M${x - r * 1.6} ${y} H${x + r * 1.6} M${x} ${y - r * 1.6} V${y + r * 1.6}`}
          stroke={tone}
          strokeWidth="0.8"
          vectorEffect="non-scaling-stroke"
        />
      </>
    );
  }
  const [w, h] = hollow.kind === 'box' ? [hollow.widthMm, hollow.heightMm] : [u * 9, Math.max(hollow.widthMm, u * 1.6)];
  return (
    <rect
      x={x - w / 2}
      y={y - h / 2}
      width={w}
      height={h}
      {...common}
      strokeDasharray={hollow.kind === 'box' ? '5 3' : undefined}
    />
  );
}

/** Piece: the hollows with their sizes, and how what lies in them fits. */
export function HollowOverlay({ design, assessment, u }: OverlayProps) {
  return (
    <>
      {design.hollows.map((hollow, i) => {
        const fits = assessment.fits.filter((fit) => fit.hollowId === hollow.id);
        const verdict = fits.find((fit) => fit.verdict !== 'fits')?.verdict ?? fits[0]?.verdict ?? null;
        return (
          <Handle
            key={hollow.id}
            label={hollow.name}
            at={hollow.at}
            onPoint={() => view.pointAt(hollow.id)}
            onMove={(to) =>
              editDesign(
                (draft) => {
                  const found = draft.hollows[i];
                  if (found) found.at = to;
                },
                { merge: `hollow ${hollow.id}` },
              )
            }
          >
            <HollowMark hollow={hollow} u={u} verdict={verdict} />
            <Label x={hollow.at.xMm + u * 3} y={hollow.at.yMm - u * 1.6} u={u}>
              {`${hollow.name}, ${sizeWords(hollow)}${verdict && verdict !== 'fits' ? `: ${verdict}` : ''}`}
            </Label>
          </Handle>
        );
      })}
    </>
  );
}

const pathOf = (points: readonly { readonly xMm: number; readonly yMm: number }[]): string =>
  points.map((point, i) => `${i === 0 ? 'M' : 'L'}${point.xMm} ${point.yMm}`).join(' ');

function DirectionArrow({ tape, u }: { readonly tape: PlacedTape; readonly u: number }) {
  const middle = Math.floor(tape.places.length / 2);
  const [from, to] = [tape.places[middle - 1], tape.places[middle]];
  if (!from || !to) return null;
  const angle = (Math.atan2(to.yMm - from.yMm, to.xMm - from.xMm) * 180) / Math.PI;
  return (
    <path
      d={`M${-u * 1.4} ${-u * 1.5} L${u * 1.8} 0 L${-u * 1.4} ${u * 1.5}`}
      transform={`translate(${to.xMm} ${to.yMm}) rotate(${angle})`}
      fill="none"
      stroke="var(--ink)"
      strokeWidth="2"
      strokeLinejoin="round"
      vectorEffect="non-scaling-stroke"
    />
  );
}

function TapeMarks({ tape, u }: { readonly tape: PlacedTape; readonly u: number }) {
  return (
    <>
      {tape.places.map((place, i) => {
        const number = tape.firstIndex + i + 1;
        return (
          <g key={number}>
            <rect
              x={place.xMm - u * 0.55}
              y={place.yMm - u * 0.55}
              width={u * 1.1}
              height={u * 1.1}
              fill="var(--paper)"
              stroke="var(--faint)"
              strokeWidth="0.8"
              vectorEffect="non-scaling-stroke"
            />
            {(i === 0 || number % 10 === 0 || i === tape.places.length - 1) && (
              <text
                x={place.xMm}
                y={place.yMm - u * 1.9}
                fontSize={u * 2.7}
                textAnchor="middle"
                fill="var(--faint)"
                className="figures"
              >
                {number}
              </text>
            )}
          </g>
        );
      })}
    </>
  );
}

/** Lights: routes with numbers and direction, single lights; all of it can be moved. */
export function LightOverlay({ design, assessment, u }: OverlayProps) {
  const pointedId = useViewStore((state) => state.pointedId);
  const tool = useViewStore((state) => state.tool);
  return (
    <>
      {design.tapes.map((tape, t) => {
        const placed = assessment.placed.find(
          (group): group is PlacedTape => group.id === tape.id && group.kind === 'tape',
        );
        const isEdited = pointedId === tape.id || (tool.kind === 'route' && tool.tapeId === tape.id);
        const first = placed?.places[0];
        return (
          <g key={tape.id}>
            <path
              d={pathOf(tape.route)}
              fill="none"
              stroke="var(--rule)"
              strokeWidth={Math.max(4, (placed?.part.widthMm ?? 8) / u)}
              strokeLinejoin="round"
              strokeLinecap="round"
              vectorEffect="non-scaling-stroke"
              strokeOpacity="0.8"
            />
            {placed && <TapeMarks tape={placed} u={u} />}
            {placed && <DirectionArrow tape={placed} u={u} />}
            {first && <Label x={first.xMm} y={first.yMm + u * 5.4} u={u}>{`${tape.name}: ${placed.cut.lights}`}</Label>}
            {isEdited &&
              tape.route.map((point, i) => (
                <Handle
                  // biome-ignore lint/suspicious/noArrayIndexKey: points have no name but their place in the route
                  key={i}
                  label={`${tape.name}, point ${i + 1}`}
                  at={point}
                  onMove={(to) =>
                    editDesign(
                      (draft) => {
                        const route = draft.tapes[t]?.route;
                        if (route) route[i] = to;
                      },
                      { merge: `point ${tape.id} ${i}` },
                    )
                  }
                >
                  <circle
                    cx={point.xMm}
                    cy={point.yMm}
                    r={u * 1.3}
                    fill="var(--verdigris)"
                    stroke="var(--paper)"
                    strokeWidth="1.5"
                    vectorEffect="non-scaling-stroke"
                  />
                </Handle>
              ))}
          </g>
        );
      })}
      {design.leds.map((group, g) =>
        group.places.map((place, i) => (
          <Handle
            key={`${group.id} ${place.id}`}
            label={`${group.name} ${i + 1}`}
            at={place.at}
            onPoint={() => view.pointAt(group.id)}
            onMove={(to) =>
              editDesign(
                (draft) => {
                  const found = draft.leds[g]?.places[i];
                  if (found) found.at = to;
                },
                { merge: `light ${group.id} ${place.id}` },
              )
            }
          >
            <circle
              cx={place.at.xMm}
              cy={place.at.yMm}
              r={u * 1.7}
              fill="var(--paper)"
              fillOpacity="0.5"
              stroke="var(--ink)"
              strokeWidth="1.4"
              vectorEffect="non-scaling-stroke"
            />
            <path
              d={`M${place.at.xMm} ${place.at.yMm - u * 2.8} v${u * 1.1} M${place.at.xMm} ${place.at.yMm + u * 1.7} v${u * 1.1} M${place.at.xMm - u * 2.8} ${place.at.yMm} h${u * 1.1} M${place.at.xMm + u * 1.7} ${place.at.yMm} h${u * 1.1}`}
              stroke="var(--ink)"
              strokeWidth="1"
              vectorEffect="non-scaling-stroke"
            />
            <Label x={place.at.xMm + u * 3.2} y={place.at.yMm + u} u={u}>
              {group.places.length > 1 ? `${group.name} ${i + 1}` : group.name}
            </Label>
          </Handle>
        )),
      )}
    </>
  );
}

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

function moveDrive(recipe: Parameters<typeof editDesign>[0], merge: string): void {
  editDesign(recipe, { merge });
}

/** The board, as a tag that can be dragged. */
function BoardHandle({ design, u }: OverlayProps) {
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
        d={`M${at.xMm - u * 4.4} ${at.yMm - u * 2.2} h${u * 7.4} l${u * 1.4} ${u * 1.4} v${u * 3} h${-u * 8.8} z`}
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth="1.4"
        vectorEffect="non-scaling-stroke"
      />
      <Label x={at.xMm} y={at.yMm + u * 0.9} u={u} anchor="middle">
        board
      </Label>
    </Handle>
  );
}

function PackHandle({ design, u }: OverlayProps) {
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
        x={at.xMm - u * 4.2}
        y={at.yMm - u * 2.2}
        width={u * 8}
        height={u * 4.4}
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth="1.4"
        vectorEffect="non-scaling-stroke"
      />
      <rect x={at.xMm + u * 3.8} y={at.yMm - u * 0.8} width={u * 0.7} height={u * 1.6} fill="var(--ink)" />
      <Label x={at.xMm - u * 0.2} y={at.yMm + u * 0.9} u={u} anchor="middle">
        pack
      </Label>
    </Handle>
  );
}

function ControlHandles({ design, u }: OverlayProps) {
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

/** Drive: each light group joined to its pins, named at its first light. */
export function DriveOverlay(props: OverlayProps) {
  const { design, assessment, u } = props;
  const pins = assessment.pinPlan?.given ?? [];
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
            {own.length > 0 && (
              <path
                d={`M${design.drive.at.xMm} ${design.drive.at.yMm} L${first.xMm} ${first.yMm}`}
                stroke="var(--verdigris)"
                strokeWidth="1.2"
                strokeDasharray="2 4"
                fill="none"
                vectorEffect="non-scaling-stroke"
              />
            )}
            {group.places.map((place, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: lights are numbered
              <circle
                key={i}
                cx={place.xMm}
                cy={place.yMm}
                r={u * (group.kind === 'tape' ? 0.6 : 1.4)}
                fill="var(--sheet)"
                stroke="var(--ink)"
                strokeWidth="1"
                vectorEffect="non-scaling-stroke"
              />
            ))}
            <Label x={first.xMm + u * 2.2} y={first.yMm - u * 2} u={u}>
              {`${group.name}${own.length > 0 ? `: ${own.map((given) => given.pin.name).join(', ')}` : group.kind === 'tape' && group.tape.after ? ': data from the tape before' : ''}`}
            </Label>
          </g>
        );
      })}
      <ControlHandles {...props} />
      <BoardHandle {...props} />
    </>
  );
}

/** Voltage as ink: full voltage is verdigris, what is lost turns to brick; the figure at the far end says it in words. */
export function PowerOverlay(props: OverlayProps) {
  const { design, assessment, u } = props;
  const { nominalV } = assessment.rail;
  return (
    <>
      {assessment.chains.map((chain) => {
        let index = 0;
        const dots = assessment.placed
          .filter((group) => group.kind === 'tape' && chain.tapeIds.includes(group.id))
          .flatMap((group) => group.places.map((place) => ({ place, volts: chain.voltageV[index++] ?? nominalV })));
        const last = dots[dots.length - 1];
        return (
          <g key={chain.tapeIds[0]}>
            {dots.map(({ place, volts }, i) => {
              const lost = Math.min(1, Math.max(0, (nominalV - volts) / (0.16 * nominalV)));
              return (
                // biome-ignore lint/suspicious/noArrayIndexKey: pixels are numbered
                <circle
                  key={i}
                  cx={place.xMm}
                  cy={place.yMm}
                  r={u * 0.95}
                  fill={`color-mix(in oklab, var(--brick-ink) ${Math.round(lost * 100)}%, var(--verdigris))`}
                />
              );
            })}
            {dots[0] && (
              <Label x={dots[0].place.xMm} y={dots[0].place.yMm - u * 2.2} u={u} strong>
                {printQuantity('voltageV', dots[0].volts)}
              </Label>
            )}
            {last && (
              <Label x={last.place.xMm} y={last.place.yMm + u * 4} u={u} strong>
                {printQuantity('voltageV', last.volts)}
              </Label>
            )}
          </g>
        );
      })}
      <BoardHandle {...props} />
      {design.power.pack && <PackHandle {...props} />}
    </>
  );
}

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
              >{`${run.name}: ${mm(run.lengthMm)}`}</Label>
            )}
          </g>
        );
      })}
      <BoardHandle {...props} />
      {design.power.pack && <PackHandle {...props} />}
    </>
  );
}

/** Bench: what is done and what is next, group by group. */
export function BenchOverlay({
  assessment,
  u,
  progress,
}: OverlayProps & { readonly progress: readonly StepProgress[] }) {
  const next = progress.find((each) => !each.done);
  return (
    <>
      {assessment.placed.map((group) => {
        const own = progress.filter((each) => each.step.id.includes(`:${group.id}`));
        const done = own.filter((each) => each.done).length;
        const first = group.places[0];
        const isNext = next?.step.id.includes(`:${group.id}`) ?? false;
        if (!first) return null;
        return (
          <g key={group.id}>
            {group.places.map((place, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: lights are numbered
              <circle
                key={i}
                cx={place.xMm}
                cy={place.yMm}
                r={u * (group.kind === 'tape' ? 0.7 : 1.7)}
                fill={own.length > 0 && done === own.length ? 'var(--verdigris)' : 'var(--paper)'}
                stroke={isNext ? 'var(--amber-ink)' : 'var(--ink)'}
                strokeWidth={isNext ? 2.4 : 1}
                vectorEffect="non-scaling-stroke"
              />
            ))}
            <Label
              x={first.xMm + u * 2.2}
              y={first.yMm - u * 2}
              u={u}
              strong={isNext}
            >{`${group.name}: ${done} of ${own.length} done${isNext ? ', next' : ''}`}</Label>
          </g>
        );
      })}
    </>
  );
}

/** Which overlay a stage lays over the picture, for those that need nothing but the plan. */
export const plainOverlays: Readonly<Partial<Record<Stage, (props: OverlayProps) => React.JSX.Element>>> = {
  piece: HollowOverlay,
  lights: LightOverlay,
  moods: HandsOverlay,
  drive: DriveOverlay,
  power: PowerOverlay,
  wires: WireOverlay,
};
