import type { Drawing, DrawnLine } from '@glimmer/core/sums';

import { extent } from 'd3-array';
import { type ScaleLinear, scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { usePrinter } from '../units/index.ts';
import { ChartReader } from '../widgets/ChartReader.tsx';
import { ChartTable } from '../widgets/ChartTable.tsx';

const WIDTH = 440;
const HEIGHT = 200;
const EDGE = { left: 58, right: 26, top: 22, bottom: 34 };

const strokes: Readonly<Record<DrawnLine['role'], { stroke: string; width: number; dash?: string }>> = {
  curve: { stroke: 'var(--ink)', width: 1.8 },
  second: { stroke: 'var(--verdigris)', width: 1.3, dash: '1 3' },
  limit: { stroke: 'var(--brick-ink)', width: 1.1, dash: '6 4' },
};

interface LinesProps {
  readonly drawing: Extract<Drawing, { kind: 'lines' }>;
  readonly x: ScaleLinear<number, number>;
  readonly y: ScaleLinear<number, number>;
}

/** Ticks of both axes, and what they measure. */
function Rules({ drawing, x, y }: LinesProps) {
  const printer = usePrinter();
  return (
    <>
      {y.ticks(4).map((tick) => (
        <g key={tick}>
          <path d={`M${EDGE.left} ${y(tick)} H${WIDTH - EDGE.right}`} stroke="var(--rule)" strokeWidth="0.7" />
          <text
            x={EDGE.left - 6}
            y={y(tick) + 3.5}
            textAnchor="end"
            fontSize="10.5"
            fill="var(--faint)"
            className="figures"
          >
            {printer.quantity(drawing.y.kind, tick, { digits: 2 })}
          </text>
        </g>
      ))}
      {x.ticks(5).map((tick) => (
        <g key={tick}>
          <path d={`M${x(tick)} ${HEIGHT - EDGE.bottom} v4`} stroke="var(--faint)" strokeWidth="0.8" />
          <text
            x={x(tick)}
            y={HEIGHT - EDGE.bottom + 15}
            textAnchor="middle"
            fontSize="10.5"
            fill="var(--faint)"
            className="figures"
          >
            {printer.quantity(drawing.x.kind, tick, { digits: 2 })}
          </text>
        </g>
      ))}
      <text x={WIDTH - EDGE.right} y={HEIGHT - 4} textAnchor="end" fontSize="11" fill="var(--faint)">
        {drawing.x.label}
      </text>
      <text
        x={EDGE.left - 6}
        y={12}
        fontSize="11"
        fill="var(--faint)"
        stroke="var(--sheet)"
        strokeWidth="3"
        paintOrder="stroke"
      >
        {drawing.y.label}
      </text>
    </>
  );
}

/** Points that are told of by name. */
function Marks({ drawing, x, y }: LinesProps) {
  const printer = usePrinter();
  return (
    <>
      {drawing.marks.map((mark) => (
        <g key={`${printer.message(mark.name)} ${mark.at.join(' ')}`}>
          <circle
            cx={x(mark.at[0])}
            cy={y(mark.at[1])}
            r="4"
            fill="var(--brass)"
            stroke="var(--sheet)"
            strokeWidth="1.5"
          />
          <text
            x={x(mark.at[0]) + 7}
            y={y(mark.at[1]) + 13}
            fontSize="10.5"
            fill="var(--ink)"
            stroke="var(--sheet)"
            strokeWidth="3"
            paintOrder="stroke"
          >
            {printer.message(mark.name)}
          </text>
        </g>
      ))}
    </>
  );
}

function Curves({ drawing, x, y }: LinesProps) {
  const printer = usePrinter();
  const draw = line<readonly [number, number]>()
    .defined(([, value]) => Number.isFinite(value))
    .x((point) => x(point[0]))
    .y((point) => y(point[1]));
  return (
    <>
      {drawing.lines.map((each) => {
        const look = strokes[each.role];
        const end = each.points[each.points.length - 1];
        return (
          <g key={printer.message(each.name)}>
            <path
              d={draw([...each.points]) ?? ''}
              fill="none"
              stroke={look.stroke}
              strokeWidth={look.width}
              strokeDasharray={look.dash}
            />
            {each.role === 'limit' && end && (
              <text
                x={x(end[0])}
                y={y(end[1]) - 4}
                textAnchor="end"
                fontSize="10.5"
                fill="var(--brick-ink)"
                stroke="var(--sheet)"
                strokeWidth="3"
                paintOrder="stroke"
              >
                {printer.message(each.name)}
              </text>
            )}
          </g>
        );
      })}
    </>
  );
}

/** The value of a line at a place, straight between its points; nothing beyond its ends. */
function valueAt(points: readonly (readonly [number, number])[], at: number): number | null {
  for (const [i, [x0, y0]] of points.entries()) {
    const [x1, y1] = points[i + 1] ?? [x0, y0];
    if (at < Math.min(x0, x1) - 1e-9 || at > Math.max(x0, x1) + 1e-9) continue;
    const value = x1 === x0 ? y0 : y0 + ((at - x0) / (x1 - x0)) * (y1 - y0);
    return Number.isFinite(value) ? value : null;
  }
  return null;
}

/** The lines at some places, and every mark, as a table. */
function LineTable({
  drawing,
  title,
  at,
}: Pick<LinesProps, 'drawing'> & { readonly title: string; readonly at: readonly number[] }) {
  const printer = usePrinter();
  const say = (axis: 'x' | 'y', value: number | null): string =>
    value === null ? '' : printer.quantity(drawing[axis].kind, value);
  return (
    <ChartTable
      title={title}
      heads={[drawing.x.label, ...drawing.lines.map(({ name }) => printer.message(name)), 'marked']}
      rows={[
        ...at.map((x) => [say('x', x), ...drawing.lines.map(({ points }) => say('y', valueAt(points, x))), '']),
        ...drawing.marks.map(({ name, at: [x, y] }) => [
          say('x', x),
          ...drawing.lines.map(() => ''),
          `${printer.message(name)}: ${say('y', y)}`,
        ]),
      ]}
    />
  );
}

function Lines({ drawing }: Pick<LinesProps, 'drawing'>) {
  const printer = usePrinter();
  const points = [...drawing.lines.flatMap((each) => each.points), ...drawing.marks.map((mark) => mark.at)];
  const [x0 = 0, x1 = 1] = extent(points, (point) => point[0]);
  const [y0 = 0, y1 = 1] = extent(points, (point) => point[1]);
  const room = (y1 - y0 || Math.abs(y1) || 1) * 0.06;
  const x = scaleLinear([x0, x1 === x0 ? x0 + 1 : x1], [EDGE.left, WIDTH - EDGE.right]);
  const y = scaleLinear([y0 >= 0 ? Math.max(0, y0 - room) : y0 - room, y1 + room], [HEIGHT - EDGE.bottom, EDGE.top]);
  const title = `${drawing.y.label} over ${drawing.x.label}`;
  const readAt = (share: number): string => {
    const at = x.invert(EDGE.left + share * (WIDTH - EDGE.right - EDGE.left));
    const values = drawing.lines.flatMap(({ name, points: of }) => {
      const value = valueAt(of, at);
      return value === null ? [] : [`${printer.message(name)} ${printer.quantity(drawing.y.kind, value)}`];
    });
    return `${printer.quantity(drawing.x.kind, at)}: ${values.join('; ')}`;
  };
  return (
    <>
      <ChartReader title={title} from={EDGE.left / WIDTH} to={1 - EDGE.right / WIDTH} read={readAt}>
        <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full" role="img" aria-label={title}>
          <Rules drawing={drawing} x={x} y={y} />
          <Curves drawing={drawing} x={x} y={y} />
          <Marks drawing={drawing} x={x} y={y} />
        </svg>
      </ChartReader>
      <LineTable drawing={drawing} title={title} at={x.ticks(10)} />
    </>
  );
}

function Ring({ drawing }: { readonly drawing: Extract<Drawing, { kind: 'ring' }> }) {
  const { radiusMm, marks } = drawing;
  const reach = radiusMm * 1.28;
  const every = Math.ceil(marks.length / 40);
  return (
    <svg
      viewBox={`${-reach} ${-reach} ${2 * reach} ${2 * reach}`}
      className="mx-auto block h-56"
      role="img"
      aria-label={`Ring of ${marks.length} marks`}
    >
      <circle r={radiusMm} fill="none" stroke="var(--faint)" strokeWidth={radiusMm / 160} />
      <path
        d={`M${-radiusMm * 0.06} 0 H${radiusMm * 0.06} M0 ${-radiusMm * 0.06} V${radiusMm * 0.06}`}
        stroke="var(--faint)"
        strokeWidth={radiusMm / 150}
      />
      {marks.map((mark) => (
        <g key={mark.number}>
          <circle
            cx={mark.xMm}
            cy={-mark.yMm}
            r={radiusMm / 45}
            fill={mark.number === 1 ? 'var(--brass)' : 'var(--ink)'}
          />
          {(mark.number - 1) % every === 0 && (
            <text
              x={mark.xMm * 1.14}
              y={-mark.yMm * 1.14 + radiusMm / 28}
              textAnchor="middle"
              fontSize={radiusMm / 11}
              fill="var(--faint)"
              className="figures"
            >
              {mark.number}
            </text>
          )}
        </g>
      ))}
    </svg>
  );
}

const BAR_H = 17;

function Bars({ drawing }: { readonly drawing: Extract<Drawing, { kind: 'bars' }> }) {
  const printer = usePrinter();
  const longest = Math.max(1, ...drawing.bars.map((bar) => bar.length));
  const x = scaleLinear([0, longest], [0, WIDTH]);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${drawing.bars.length * (BAR_H + 5)}`}
      className="w-full"
      role="img"
      aria-label={`${drawing.bars.length} stock lengths and their cuts`}
    >
      {drawing.bars.map((bar, row) => {
        let at = 0;
        return (
          <g key={`${row} ${bar.length}`} transform={`translate(0 ${row * (BAR_H + 5)})`}>
            <rect width={x(bar.length)} height={BAR_H} fill="none" stroke="var(--faint)" strokeDasharray="3 3" />
            {bar.pieces.map((piece, i) => {
              const from = at;
              at +=
                piece +
                (i + 1 < bar.pieces.length
                  ? (bar.length - bar.offcut - bar.pieces.reduce((sum, each) => sum + each, 0)) / bar.pieces.length
                  : 0);
              return (
                <g key={`${i} ${piece}`}>
                  <rect
                    x={x(from)}
                    width={x(piece)}
                    height={BAR_H}
                    fill="var(--pressed)"
                    stroke="var(--ink)"
                    strokeWidth="1"
                  />
                  <text
                    x={x(from + piece / 2)}
                    y={BAR_H - 5}
                    textAnchor="middle"
                    fontSize="10.5"
                    fill="var(--ink)"
                    className="figures"
                  >
                    {printer.quantity(drawing.unit, piece)}
                  </text>
                </g>
              );
            })}
          </g>
        );
      })}
    </svg>
  );
}

/** The picture of the thing that a sum is about. */
export function SumDrawing({ drawing }: { readonly drawing: Drawing }) {
  if (drawing.kind === 'lines') return <Lines drawing={drawing} />;
  return drawing.kind === 'ring' ? <Ring drawing={drawing} /> : <Bars drawing={drawing} />;
}
