import { type ItemOf, itemsOf, type PlacedPlain, type PlacedTape } from '@glimmer/core/items';
import { useTool } from '../../state/tool.ts';
import { Handle } from '../Handle.tsx';
import { ItemHandles } from './ItemHandles.tsx';
import { Label } from './Label.tsx';
import type { OverlayProps } from './OverlayProps.ts';

const pathOf = (points: readonly { readonly xMm: number; readonly yMm: number }[]): string =>
  points.map((point, i) => `${i === 0 ? 'M' : 'L'}${point.xMm} ${point.yMm}`).join(' ');

function DirectionArrow({ tape, u }: { readonly tape: PlacedTape | PlacedPlain; readonly u: number }) {
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

function TapeMarks({ tape, u }: { readonly tape: PlacedTape | PlacedPlain; readonly u: number }) {
  return (
    <>
      {tape.places.map((place, i) => {
        const number = (tape.shape === 'pixels' ? tape.firstIndex : 0) + i + 1;
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
                data-words="number"
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

type Routed = ItemOf<'pixel tape' | 'plain tape'>;

/** The corners of a route, to be taken hold of. */
function Corners({ tape, u }: { readonly tape: Routed; readonly u: number }) {
  return tape.route.map((point, i) => (
    <Handle
      key={i}
      thingId={tape.id}
      label={`${tape.name}, point ${i + 1}`}
      at={point}
      spot={{ of: 'corner', id: tape.id, part: i }}
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
  ));
}

/** A tape along its route; the corners of the one in hand can be moved. */
function Tape({ tape, assessment, u }: Pick<OverlayProps, 'assessment' | 'u'> & { readonly tape: Routed }) {
  const pointedId = useTool((state) => state.pointedId);
  const tool = useTool((state) => state.tool);
  const placed = assessment.placed.find(
    (group): group is PlacedTape | PlacedPlain => group.id === tape.id && group.shape !== 'lights',
  );
  const isEdited = pointedId === tape.id || (tool.kind === 'route' && tool.tapeId === tape.id);
  const first = placed?.places[0];
  return (
    <g>
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
      {placed?.shape === 'pixels' && <DirectionArrow tape={placed} u={u} />}
      {first && <Label x={first.xMm} y={first.yMm + u * 5.4} u={u}>{`${tape.name}: ${placed.cut.lights}`}</Label>}
      {isEdited && <Corners tape={tape} u={u} />}
    </g>
  );
}

interface SingleLightProps {
  readonly group: ItemOf<'light'>;
  readonly place: ItemOf<'light'>['places'][number];
  readonly number: number;
  readonly u: number;
}

/** More than so many lights of a group are named once and numbered else; beyond the other only some have their number. */
const FEW = 6;
const MANY = 40;

/** What a light is called on the picture, so that names do not lie on each other. */
function LightName({ group, place, number, u }: SingleLightProps) {
  const count = group.places.length;
  if (count <= FEW)
    return (
      <Label of={place.at} x={place.at.xMm + u * 3.2} y={place.at.yMm + u} u={u}>
        {count > 1 ? `${group.name} ${number}` : group.name}
      </Label>
    );
  const isNumbered = count <= MANY || number === 1 || number === count || number % 10 === 0;
  return (
    <>
      {number === 1 && (
        <Label
          of={place.at}
          x={place.at.xMm - u * 1.7}
          y={place.at.yMm - u * 6}
          u={u}
        >{`${group.name}: ${count}`}</Label>
      )}
      {isNumbered && (
        <text
          x={place.at.xMm + u * 1.6}
          y={place.at.yMm - u * 1.6}
          fontSize={u * 2.6}
          fill="var(--faint)"
          className="figures pointer-events-none"
          data-words="number"
        >
          {number}
        </text>
      )}
    </>
  );
}

/** One light at its place, to be dragged. */
function SingleLight({ group, place, number, u }: SingleLightProps) {
  return (
    <Handle
      thingId={group.id}
      label={`${group.name} ${number}`}
      at={place.at}
      spot={{ of: 'light', id: group.id, part: place.id }}
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
      <LightName group={group} place={place} number={number} u={u} />
    </Handle>
  );
}

type Guide = ItemOf<'guide'>;

/** The way of each guide from its mouth to its hole, and the hole, to be dragged. */
function GuideWays({ guide, u }: { readonly guide: Guide; readonly u: number }) {
  const { at, ends } = guide;
  return (
    <g>
      {ends.map((end) => (
        <path
          key={end.id}
          d={`M${at.xMm} ${at.yMm} L${end.at.xMm} ${end.at.yMm}`}
          stroke="var(--faint)"
          strokeWidth="0.8"
          strokeDasharray="1 3"
          vectorEffect="non-scaling-stroke"
        />
      ))}
      {ends.map((end, i) => (
        <Handle
          key={end.id}
          thingId={guide.id}
          label={`${guide.name}, hole ${i + 1}`}
          at={end.at}
          spot={{ of: 'hole', id: guide.id, part: end.id }}
        >
          <circle
            cx={end.at.xMm}
            cy={end.at.yMm}
            r={u * 1.2}
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth="1.2"
            strokeDasharray="2 1.5"
            vectorEffect="non-scaling-stroke"
          />
          {(ends.length <= 12 || i === 0 || i === ends.length - 1) && (
            <text
              x={end.at.xMm}
              y={end.at.yMm - u * 2}
              fontSize={u * 2.7}
              textAnchor="middle"
              fill="var(--faint)"
              className="figures"
              data-words="number"
            >
              {i + 1}
            </text>
          )}
        </Handle>
      ))}
    </g>
  );
}

/** Lights: routes with numbers and direction, single lights; all of it can be moved. */
export function LightOverlay(props: OverlayProps) {
  const { design, assessment, u } = props;
  return (
    <>
      {itemsOf(design, 'pixel tape', 'plain tape').map((tape) => (
        <Tape key={tape.id} tape={tape} assessment={assessment} u={u} />
      ))}
      {itemsOf(design, 'light').map((group) =>
        group.places.map((place, i) => (
          <SingleLight key={`${group.id} ${place.id}`} group={group} place={place} number={i + 1} u={u} />
        )),
      )}
      {itemsOf(design, 'guide').map((guide) => (
        <GuideWays key={guide.id} guide={guide} u={u} />
      ))}
      <ItemHandles {...props} stages={['lights']} />
    </>
  );
}
