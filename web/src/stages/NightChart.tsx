import type { Design } from '@glimmer/core/plan';
import { describeEnd, type NightRun, type NightSample } from '@glimmer/core/power';
import type { Printer } from '@glimmer/core/units';

import { type ScaleLinear, scaleLinear } from 'd3-scale';
import { curveStepAfter, line } from 'd3-shape';
import { usePrinter } from '../units/index.ts';
import { ChartReader } from '../widgets/ChartReader.tsx';
import { ChartTable } from '../widgets/ChartTable.tsx';
import type { NightCurves } from '../worker/nightWorker.ts';

const WIDTH = 560;
const LEFT = 46;
const RIGHT = 12;
const BAND_H = 16;
const PANEL_H = 62;
const GAP = 14;

interface PanelSpec {
  readonly label: string;
  readonly of: (sample: NightSample) => number;
  readonly print: (value: number) => string;
  readonly from: number;
  readonly to: number;
  readonly limit?: { readonly at: number; readonly name: string } | undefined;
}

/** Every k-th sample, so that a long night draws as fast as a short one; peaks of the mood bands stay visible. */
const thin = (run: NightRun): readonly NightSample[] =>
  run.samples.filter((_, i) => i % Math.max(1, Math.floor(run.samples.length / 500)) === 0);

/** The last sample that is not later. */
const sampleAt = ({ samples }: NightRun, atH: number): NightSample | undefined =>
  samples.findLast((sample) => sample.atH <= atH + 1e-9) ?? samples[0];

interface PanelProps {
  readonly spec: PanelSpec;
  readonly curves: NightCurves;
  readonly x: (hours: number) => number;
  /** From the top of the drawing. */
  readonly top: number;
}

function Panel({ spec, curves, x, top }: PanelProps) {
  const y = scaleLinear([spec.from, spec.to], [top + PANEL_H, top]);
  const draw = line<NightSample>()
    .x((sample) => x(sample.atH))
    .y((sample) => y(spec.of(sample)))
    .curve(curveStepAfter);
  return (
    <g>
      {y.ticks(3).map((tick) => (
        <g key={tick}>
          <path d={`M${LEFT} ${y(tick)} H${WIDTH - RIGHT}`} stroke="var(--rule)" strokeWidth="0.7" />
          <text x={LEFT - 5} y={y(tick) + 3.5} textAnchor="end" fontSize="10" fill="var(--faint)" className="figures">
            {spec.print(tick)}
          </text>
        </g>
      ))}
      <text
        x={LEFT + 4}
        y={top + PANEL_H - 4}
        fontSize="10.5"
        fill="var(--faint)"
        stroke="var(--sheet)"
        strokeWidth="2.5"
        paintOrder="stroke"
      >
        {spec.label}
      </text>
      {spec.limit && (
        <g>
          <path
            d={`M${LEFT} ${y(spec.limit.at)} H${WIDTH - RIGHT}`}
            stroke="var(--brick-ink)"
            strokeDasharray="5 3"
            strokeWidth="1"
          />
          <text x={WIDTH - RIGHT} y={y(spec.limit.at) - 3} textAnchor="end" fontSize="10" fill="var(--brick-ink)">
            {spec.limit.name}
          </text>
        </g>
      )}
      <path
        d={draw(thin(curves.cautious)) ?? ''}
        fill="none"
        stroke="var(--brass)"
        strokeWidth="1.2"
        strokeDasharray="3 2"
      />
      <path d={draw(thin(curves.likely)) ?? ''} fill="none" stroke="var(--ink)" strokeWidth="1.5" />
    </g>
  );
}

interface Band {
  readonly moodId: string;
  readonly fromH: number;
  readonly toH: number;
}

function bandsOf(run: NightRun): Band[] {
  const bands: Band[] = [];
  for (const sample of run.samples) {
    const last = bands[bands.length - 1];
    if (last?.moodId === sample.moodId) bands[bands.length - 1] = { ...last, toH: sample.atH };
    else bands.push({ moodId: sample.moodId, fromH: sample.atH, toH: sample.atH });
  }
  return bands.map((band, i) => ({ ...band, toH: bands[i + 1]?.fromH ?? run.hours }));
}

/** What is drawn below the band: voltage, current and charge. */
function specsOf({ likely, cautious }: NightCurves, cutOffV: number, printer: Printer): readonly PanelSpec[] {
  const volts = likely.samples.flatMap((sample) => [sample.packV, sample.peakV > 0 ? sample.peakV : sample.packV]);
  const most = Math.max(
    0.01,
    ...likely.samples.map((sample) => sample.packA),
    ...cautious.samples.map((sample) => sample.packA),
  );
  return [
    {
      label: 'pack voltage',
      of: (sample) => sample.packV,
      print: (value) => printer.quantity('voltageV', value, { digits: 3 }),
      from: Math.min(cutOffV * 0.97, ...volts),
      to: Math.max(cutOffV, ...volts) * 1.01,
      limit: { at: cutOffV, name: 'cut-off' },
    },
    {
      label: 'current from the pack',
      of: (sample) => sample.packA,
      print: (value) => printer.quantity('currentA', value, { digits: 2 }),
      from: 0,
      to: most * 1.08,
    },
    {
      label: 'charge left',
      of: (sample) => sample.charge,
      print: (value) => `${Math.round(value * 100)} %`,
      from: 0,
      to: 1,
    },
  ];
}

interface BandsProps {
  readonly run: NightRun;
  readonly moods: Design['moods']['list'];
  readonly x: (hours: number) => number;
}

/** The evening as a band of its moods. */
function Bands({ run, moods, x }: BandsProps) {
  return (
    <>
      {bandsOf(run).map((band, i) => (
        <g key={`${band.moodId} ${band.fromH}`}>
          <rect
            x={x(band.fromH)}
            y={12}
            width={Math.max(0.5, x(band.toH) - x(band.fromH))}
            height={BAND_H}
            fill={moods.findIndex((mood) => mood.id === band.moodId) % 2 === 0 ? 'var(--pressed)' : 'var(--paper)'}
            stroke="var(--rule)"
            strokeWidth="0.7"
          />
          {x(band.toH) - x(band.fromH) > 34 && i < 12 && (
            <text x={x(band.fromH) + 4} y={24} fontSize="10" fill="var(--ink)">
              {moods.find((mood) => mood.id === band.moodId)?.name}
            </text>
          )}
        </g>
      ))}
    </>
  );
}

function Hours({ x, bottom }: { readonly x: ScaleLinear<number, number>; readonly bottom: number }) {
  return (
    <>
      {x.ticks(8).map((tick) => (
        <g key={tick}>
          <path d={`M${x(tick)} ${bottom} v4`} stroke="var(--faint)" />
          <text x={x(tick)} y={bottom + 15} textAnchor="middle" fontSize="10" fill="var(--faint)" className="figures">
            {tick} h
          </text>
        </g>
      ))}
    </>
  );
}

/** The night: the evening as a band of moods, with voltage, current and charge below it, and what ends it marked. */
export function NightChart({
  curves,
  design,
  cutOffV,
}: {
  readonly curves: NightCurves;
  readonly design: Design;
  /** Of the whole pack. */
  readonly cutOffV: number;
}) {
  const printer = usePrinter();
  const { likely, cautious } = curves;
  const wanted = design.piece.hoursWanted;
  const last = Math.max(likely.hours, wanted) * 1.04;
  const x = scaleLinear([0, last], [LEFT, WIDTH - RIGHT]);
  const specs = specsOf(curves, cutOffV, printer);
  const height = 14 + BAND_H + specs.length * (PANEL_H + GAP) + 20;
  const bottom = height - 22;
  const readAt = (atH: number): string => {
    const at = printer.quantity('timeH', atH);
    const sample = atH <= likely.hours ? sampleAt(likely, atH) : undefined;
    if (!sample) return `${at}: ended`;
    const mood = design.moods.list.find(({ id }) => id === sample.moodId)?.name;
    const figures = specs.map((spec) => `${spec.label} ${spec.print(spec.of(sample))}`);
    const careful = atH <= cautious.hours ? '' : '; with caution it has ended';
    return `${at}${mood ? `, ${mood}` : ''}: ${figures.join('; ')}${careful}`;
  };
  return (
    <figure>
      <ChartReader title="the night" from={LEFT / WIDTH} to={1 - RIGHT / WIDTH} read={(share) => readAt(share * last)}>
        <svg
          viewBox={`0 0 ${WIDTH} ${height}`}
          className="w-full"
          role="img"
          aria-label={`The night: ends after ${printer.quantity('timeH', likely.hours)} because ${describeEnd(likely.end)}; with caution after ${printer.quantity('timeH', cautious.hours)}`}
        >
          <Bands run={likely} moods={design.moods.list} x={x} />
          {specs.map((spec, i) => (
            <Panel key={spec.label} spec={spec} curves={curves} x={x} top={14 + BAND_H + 8 + i * (PANEL_H + GAP)} />
          ))}
          <Hours x={x} bottom={bottom} />
          <path d={`M${x(wanted)} 8 V${bottom}`} stroke="var(--verdigris)" strokeWidth="1.2" strokeDasharray="2 3" />
          <text x={x(wanted) + 3} y={9} fontSize="10" fill="var(--verdigris)">
            wanted
          </text>
          {(
            [
              [likely, 'var(--ink)'],
              [cautious, 'var(--brass)'],
            ] as const
          ).map(([run, tone]) => (
            <path key={tone} d={`M${x(run.hours)} 12 V${bottom}`} stroke={tone} strokeWidth="1.6" />
          ))}
        </svg>
      </ChartReader>
      <figcaption className="text-small text-faint">
        Full line: likely, ends after <span className="figures">{printer.quantity('timeH', likely.hours)}</span> because{' '}
        {describeEnd(likely.end)}. Dashed, brass: with caution,{' '}
        <span className="figures">{printer.quantity('timeH', cautious.hours)}</span>.
      </figcaption>
      <ChartTable
        title="The night, hour by hour"
        heads={['after', ...specs.map(({ label }) => label), 'with caution: voltage']}
        rows={scaleLinear([0, likely.hours], [0, 1])
          .ticks(12)
          .map((atH) => [
            printer.quantity('timeH', atH),
            ...specs.map((spec) => {
              const sample = sampleAt(likely, atH);
              return sample ? spec.print(spec.of(sample)) : '';
            }),
            atH <= cautious.hours
              ? printer.quantity('voltageV', sampleAt(cautious, atH)?.packV ?? 0, { digits: 3 })
              : 'ended',
          ])}
      />
    </figure>
  );
}
