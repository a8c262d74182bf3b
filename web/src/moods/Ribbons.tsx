import type { PlacedGroup } from '@glimmer/core/items';
import type { RailLimit, Ribbon, Show } from '@glimmer/core/motion';
import { parseColour } from '@glimmer/core/moves';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { type ReactNode, useEffect, useRef } from 'react';
import { clock, useClock } from '../state/clock.ts';
import { useHands } from '../state/hands.ts';
import { usePrinter } from '../units/index.ts';
import { useWeave } from '../worker/useWeave.ts';
import type { Weave } from '../worker/weaveWorker.ts';

const COLUMNS = 280;
const MOST_ROWS = 64;
/** Pixels carry their colour in the frame; a single light has one of its own. */
const WHITE = [255, 255, 255] as const;

function RibbonCanvas({
  ribbon,
  label,
  tint,
  high,
}: {
  readonly ribbon: Ribbon;
  readonly label: string;
  readonly tint: readonly [number, number, number];
  /** What the tallest ribbon may take, so that many groups still stand on one sheet. */
  readonly high: number;
}) {
  const ref = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = ref.current?.getContext('2d');
    if (!context || ribbon.rows === 0) return;
    const image = context.createImageData(ribbon.columns, ribbon.rows);
    for (let i = 0; i < ribbon.columns * ribbon.rows; i += 1) {
      for (let k = 0; k < 3; k += 1) image.data[i * 4 + k] = ((ribbon.rgb[i * 3 + k] ?? 0) * (tint[k] ?? 255)) / 255;
      image.data[i * 4 + 3] = 255;
    }
    context.putImageData(image, 0, 0);
  }, [ribbon, tint]);
  if (ribbon.rows === 0) return null;
  return (
    <canvas
      ref={ref}
      width={ribbon.columns}
      height={ribbon.rows}
      role="img"
      aria-label={label}
      className="block w-full bg-black [image-rendering:pixelated]"
      style={{ height: `${Math.min(high, Math.max(12, ribbon.rows * 3))}px` }}
    />
  );
}

const TRACE_H = 44;

/** The current of the piece on the ribbons' own time axis: its height marked, the limit drawn. */
function CurrentTrace({
  trace,
  limitA,
  spanS,
}: {
  readonly trace: readonly number[];
  readonly limitA: number | null;
  readonly spanS: number;
}) {
  const printer = usePrinter();
  const peakA = Math.max(...trace);
  const peakAt = trace.indexOf(peakA);
  const x = scaleLinear([0, trace.length - 1], [0, 100]);
  const y = scaleLinear([0, Math.max(peakA, limitA ?? 0) * 1.12 || 1], [TRACE_H, 0]);
  const draw = line<number>()
    .x((_, i) => x(i))
    .y((currentA) => y(currentA));
  return (
    <div className="mb-1 grid grid-cols-[6.5rem_1fr] items-center gap-2">
      <span
        className="text-small text-faint"
        data-tip="Summed from the frames as the program shows them, in whole steps of brightness: up to half a percent from the reckoned draw. Dashed: what the supply bears."
      >
        Current
        <span className="figures block text-ink">{printer.quantity('currentA', peakA)}</span>
      </span>
      <svg
        viewBox={`0 0 100 ${TRACE_H}`}
        preserveAspectRatio="none"
        className="block h-11 w-full border-b border-rule"
        role="img"
        aria-label={`Current over ${spanS} seconds: at most ${printer.quantity('currentA', peakA)}`}
      >
        {limitA !== null && (
          <path
            d={`M0 ${y(limitA)} H100`}
            stroke="var(--brick-ink)"
            strokeWidth="1.2"
            strokeDasharray="5 3"
            vectorEffect="non-scaling-stroke"
          />
        )}
        <path
          d={draw([...trace]) ?? ''}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="1.4"
          vectorEffect="non-scaling-stroke"
        />
        <path
          d={`M${x(peakAt)} ${y(peakA)} v-5`}
          stroke="var(--brass)"
          strokeWidth="3"
          vectorEffect="non-scaling-stroke"
        />
      </svg>
    </div>
  );
}

/** Where in the mood the picture stands, drawn through the ribbons; with the slider below them it is moved. */
function Scrubbed({ spanS, children }: { readonly spanS: number; readonly children: ReactNode }) {
  const playheadMs = useClock((state) => state.playheadMs);
  const isByHand = useHands((state) => state.shownMoodId !== null);
  const atS = (playheadMs / 1000) % spanS;
  const printer = usePrinter();
  return (
    <div>
      <div className="relative">
        {children}
        <div className="pointer-events-none absolute inset-y-0 right-0 left-[7rem]" aria-hidden="true">
          <span className="absolute inset-y-0 w-px bg-brass" style={{ left: `${(atS / spanS) * 100}%` }} />
        </div>
      </div>
      <label className="mt-0.5 grid grid-cols-[6.5rem_1fr] items-center gap-2 text-small text-faint">
        Scrub
        <input
          type="range"
          min={0}
          max={1000}
          value={Math.round((atS / spanS) * 1000)}
          aria-valuetext={printer.quantity('timeS', atS)}
          disabled={!isByHand}
          data-tip={isByHand ? 'Holds the picture and goes to this time' : 'Choose a mood above to move through it'}
          onChange={(event) => clock.scrub((Number(event.target.value) / 1000) * spanS * 1000)}
          className="w-full accent-verdigris"
        />
      </label>
    </div>
  );
}

interface RibbonsProps {
  readonly show: Show;
  readonly rail: RailLimit;
  readonly moodIndex: number;
  readonly placed: readonly PlacedGroup[];
  /** What each group is called. */
  readonly nameOf: (groupId: string) => string;
  readonly spanS: number;
}

/** Ribbons of the right size with nothing on them yet. */
const layOutDark = (show: Show, spanS: number): Weave => ({
  ribbons: show.groups.map(({ id, points }) => {
    const rows = Math.min(MOST_ROWS, points);
    return { groupId: id, columns: COLUMNS, rows, rgb: new Uint8Array(COLUMNS * rows * 3) };
  }),
  trace: new Array<number>(COLUMNS).fill(0),
  spanS,
});

/** A mood as ribbons: time runs to the right, the lights of a group stand one under another. */
export function Ribbons({ show, rail, moodIndex, placed, nameOf, spanS }: RibbonsProps) {
  const printer = usePrinter();
  const woven = useWeave({ show, rail, moodIndex, spanS, columns: COLUMNS, mostRows: MOST_ROWS });
  // Until the first are woven, dark ones stand in their places, so that nothing below them moves when they come.
  const weave = woven ?? layOutDark(show, spanS);
  const { ribbons, trace } = weave;
  return (
    <Scrubbed spanS={weave.spanS}>
      {!woven && ribbons.length > 0 && (
        <p role="status" className="absolute top-0.5 left-[7.5rem] text-small text-white">
          being woven …
        </p>
      )}
      {ribbons.map((ribbon) => {
        const group = placed.find((each) => each.id === ribbon.groupId);
        const name = nameOf(ribbon.groupId);
        const isSwitched = show.groups.find(({ id }) => id === ribbon.groupId)?.switches;
        return (
          <div key={ribbon.groupId} className="mb-1 grid grid-cols-[6.5rem_1fr] items-center gap-2">
            <span className="truncate text-small text-faint">{name}</span>
            <RibbonCanvas
              ribbon={ribbon}
              tint={group?.shape === 'lights' ? parseColour(group.part.colour) : WHITE}
              high={isSwitched ? 10 : ribbons.length > 5 ? 24 : 56}
              label={`${name} ${woven ? `over ${spanS} seconds` : 'is being woven'}`}
            />
          </div>
        );
      })}
      <CurrentTrace trace={trace} limitA={rail.limitMicroA === 0 ? null : rail.limitMicroA / 1e6} spanS={weave.spanS} />
      <div className="figures ml-[7rem] flex justify-between text-tiny text-faint">
        {[0, 0.25, 0.5, 0.75, 1].map((share) => (
          <span key={share}>{printer.quantity('timeS', weave.spanS * share)}</span>
        ))}
      </div>
    </Scrubbed>
  );
}
