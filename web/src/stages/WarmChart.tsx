import type { WarmBox, WarmPart } from '@glimmer/core/assess';
import { scaleLinear, scaleLog } from 'd3-scale';
import { curveMonotoneX, line } from 'd3-shape';
import { usePrinter } from '../units/index.ts';
import { ChartReader } from '../widgets/ChartReader.tsx';

const WIDTH = 560;
const HEIGHT = 132;
const LEFT = 46;
const RIGHT = 150;
const TOP = 8;
const BOTTOM = 20;
/** Names stand below each other at the right. */
const LINE_PX = 12;
const ticks = [
  [10, '10 s'],
  [60, '1 min'],
  [600, '10 min'],
  [3600, '1 h'],
] as const;
/** So many of the hottest are drawn: more would not be told apart. */
const MOST = 5;

interface Drawn {
  readonly id: string;
  readonly name: string;
  readonly isAir: boolean;
  readonly points: readonly { readonly seconds: number; readonly atC: number }[];
}

/** Names that would lie on each other move apart, downward. */
function spread(wished: readonly number[]): number[] {
  let last = Number.NEGATIVE_INFINITY;
  return wished.map((y) => {
    last = Math.max(y, last + LINE_PX);
    return last;
  });
}

/** How warm the hottest parts get from cold, and the air of their boxes: time on a scale of tens. */
export function WarmChart({
  parts,
  boxes,
}: {
  readonly parts: readonly WarmPart[];
  readonly boxes: readonly WarmBox[];
}) {
  const printer = usePrinter();
  const drawn: Drawn[] = [
    ...parts.slice(0, MOST).map(({ id, name, course }) => ({
      id,
      name,
      isAir: false,
      points: course.map(({ seconds, outsideC }) => ({ seconds, atC: outsideC })),
    })),
    ...boxes.map(({ boxId, name, course }) => ({
      id: boxId,
      name: `air in ${name}`,
      isAir: true,
      points: course.map(({ seconds, airC }) => ({ seconds, atC: airC })),
    })),
  ]
    .map((each) => ({ ...each, points: each.points.filter(({ seconds }) => Number.isFinite(seconds)) }))
    .sort((a, b) => (b.points.at(-1)?.atC ?? 0) - (a.points.at(-1)?.atC ?? 0));
  const times = drawn[0]?.points.map(({ seconds }) => seconds) ?? [];
  const hottestC = Math.max(...drawn.map(({ points }) => points.at(-1)?.atC ?? 0));
  const coldC = parts[0]?.airC ?? 0;
  const x = scaleLog([times[0] ?? 1, times.at(-1) ?? 10], [LEFT, WIDTH - RIGHT]);
  const y = scaleLinear([coldC, Math.max(coldC + 5, hottestC)], [HEIGHT - BOTTOM, TOP]).nice();
  const draw = line<Drawn['points'][number]>()
    .x(({ seconds }) => x(seconds))
    .y(({ atC }) => y(atC))
    .curve(curveMonotoneX);
  const labels = spread(drawn.map(({ points }) => y(points.at(-1)?.atC ?? coldC)));
  const readAt = (share: number): string => {
    const seconds = x.invert(LEFT + share * (WIDTH - RIGHT - LEFT));
    const warm = drawn.map(({ name, points }) => {
      const point = points.find((each) => each.seconds >= seconds * 0.999) ?? points.at(-1);
      return `${name} ${printer.quantity('temperatureC', point?.atC ?? coldC, { digits: 3 })}`;
    });
    return `after ${printer.quantity('timeS', seconds, { digits: 2 })}: ${warm.join('; ')}`;
  };
  return (
    <ChartReader title="how warm it gets" from={LEFT / WIDTH} to={1 - RIGHT / WIDTH} read={readAt}>
      <svg
        viewBox={`0 0 ${WIDTH} ${Math.max(HEIGHT, (labels.at(-1) ?? 0) + LINE_PX)}`}
        className="mb-1 w-full"
        role="img"
        aria-label="How warm the hottest parts get in the course of time; the table below has the figures"
      >
        {y.ticks(4).map((tick) => (
          <g key={tick}>
            <path d={`M${LEFT} ${y(tick)} H${WIDTH - RIGHT}`} stroke="var(--rule)" strokeWidth="0.7" />
            <text x={LEFT - 5} y={y(tick) + 3.5} textAnchor="end" fontSize="10" fill="var(--faint)" className="figures">
              {printer.quantity('temperatureC', tick, { digits: 2 })}
            </text>
          </g>
        ))}
        {ticks.map(([time, label]) => (
          <g key={time}>
            <path d={`M${x(time)} ${HEIGHT - BOTTOM} v4`} stroke="var(--faint)" />
            <text
              x={x(time)}
              y={HEIGHT - BOTTOM + 15}
              textAnchor="middle"
              fontSize="10"
              fill="var(--faint)"
              className="figures"
            >
              {label}
            </text>
          </g>
        ))}
        {drawn.map(({ id, name, isAir, points }, i) => (
          <g key={id}>
            <path
              d={draw(points) ?? ''}
              fill="none"
              stroke={isAir ? 'var(--verdigris)' : 'var(--ink)'}
              strokeWidth="1.3"
              strokeDasharray={isAir ? '4 3' : undefined}
            />
            <path
              d={`M${WIDTH - RIGHT} ${y(points.at(-1)?.atC ?? coldC)} L${WIDTH - RIGHT + 8} ${labels[i] ?? 0}`}
              stroke="var(--faint)"
              strokeWidth="0.7"
            />
            <text
              x={WIDTH - RIGHT + 11}
              y={(labels[i] ?? 0) + 3.5}
              fontSize="10"
              fill={isAir ? 'var(--verdigris)' : 'var(--ink)'}
            >
              {name.length > 26 ? `${name.slice(0, 25)}…` : name}
            </text>
          </g>
        ))}
      </svg>
    </ChartReader>
  );
}
