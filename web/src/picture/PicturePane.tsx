import type { Assessment } from '@glimmer/core/assess';
import { isFlashing } from '@glimmer/core/findings';
import type { Stage } from '@glimmer/core/items';
import { controlsOf, type PlanPoint } from '@glimmer/core/plan';
import type { ZoomTransform } from 'd3-zoom';
import { Lamp, LampDesk, Minus, Pause, Play, Plus } from 'lucide-react';
import { nanoid } from 'nanoid';
import { type KeyboardEvent, type ReactNode, useEffect, useMemo, useRef, useState } from 'react';
import { usePlan, useReckoned } from '../reckoning/index.ts';
import { clock, useClock } from '../state/clock.ts';
import { useKeyOf, withKey } from '../state/keys.ts';
import { lamp as lampSwitch, useLamp } from '../state/lamp.ts';
import { editDesign } from '../state/planStore.ts';
import { type Tool, tool as toolHand, useTool } from '../state/tool.ts';
import { usePrinter } from '../units/index.ts';
import { Button } from '../widgets/Button.tsx';
import { Dialog } from '../widgets/Dialog.tsx';
import { useSize } from '../widgets/useSize.ts';
import { Backdrop, Ruler } from './Backdrop.tsx';
import { ChosenBar } from './ChosenBar.tsx';
import { letSpotsGo, removeChosen } from './chosen.ts';
import type { Fitting } from './glow.ts';
import { OnlookerChoice } from './OnlookerChoice.tsx';
import { BenchOverlay, plainOverlays } from './overlays/index.ts';
import { Pace } from './Pace.tsx';
import type { Box } from './placeLabels.ts';
import { placeUnder } from './placeUnder.ts';
import { useGlow } from './useGlow.ts';
import { chooseAll, useMarquee } from './useMarquee.ts';
import { useUncrowded } from './useUncrowded.ts';
import { useZoom } from './useZoom.ts';
import { VirtualHands } from './VirtualHands.tsx';

/** Puts a point where the tool in hand wants it. */
function dropPoint(tool: Tool, at: PlanPoint): void {
  if (tool.kind === 'route') {
    editDesign((design) => {
      const found = design.items.find((item) => item.id === tool.tapeId);
      if (found && 'route' in found) found.route.push(at);
    });
  } else if (tool.kind === 'light') {
    editDesign((design) => {
      const found = design.items.find((item) => item.id === tool.groupId);
      if (found?.kind === 'light') found.places.push({ id: nanoid(8), at, hollowId: null });
    });
  } else if (tool.kind === 'end') {
    editDesign((design) => {
      const found = design.items.find((item) => item.id === tool.guideId);
      if (found?.kind === 'guide') found.ends.push({ id: nanoid(8), at, hollowId: null });
    });
  }
}

const toolWords: Readonly<Record<Exclude<Tool['kind'], 'none'>, string>> = {
  route:
    'Click along the route, point by point, beginning where the data comes in. Arrow keys and Enter work too; Escape when done.',
  light: 'Click where each light sits. Arrow keys and Enter work too; Escape when done.',
  end: 'Click where each hole is that guides end in. Arrow keys and Enter work too; Escape when done.',
};

/** A mood that flashes faster than three times a second, as fast as it is shown here, is held until the maker has said yes. */
function useFlashGuard(showing: string | null): { readonly asks: boolean; readonly answer: (show: boolean) => void } {
  const { assessment } = useReckoned();
  const running = useClock((state) => state.running);
  const speed = useClock((state) => state.speed);
  const [agreed, setAgreed] = useState<ReadonlySet<string>>(new Set());
  const mood = assessment?.moods.find((each) => each.moodId === showing);
  const flashes = mood?.groups.some((group) => isFlashing(group.load.flashing.perS * speed)) ?? false;
  const asks = showing !== null && flashes && running && !agreed.has(showing);
  return {
    asks,
    answer: (show) => {
      if (show && showing !== null) setAgreed(new Set([...agreed, showing]));
      else clock.hold();
    },
  };
}

/** Where the overlay's ink is what matters, the lights step back under the working lamp. */
const inkStages: ReadonlySet<Stage> = new Set(['drive', 'power', 'wires', 'bench']);

/** The strip around the view that holds the ruler. */
const MARGIN_PX = 38;
/** The unit the marks and labels are drawn in: the same size on a palm-sized piece as on a parasol. */
const MARK_PX = 3.6;

/** What is done with the picture: hold and run it, the lamp, the pace, who looks on. */
function Handles({
  stage,
  moodName,
  children,
}: {
  readonly stage: Stage;
  readonly moodName: string | undefined;
  readonly children: ReactNode;
}) {
  const { assessment } = useReckoned();
  const lamp = useLamp((state) => state.lamp);
  const running = useClock((state) => state.running);
  const [runKey, lampKey] = [useKeyOf('run'), useKeyOf('lamp')];
  return (
    <div className="flex flex-wrap items-center gap-1.5 border-b border-rule px-3 py-1">
      <Button
        look="quiet"
        onClick={clock.switch}
        aria-label={withKey(running ? 'Hold the moods' : 'Run the moods', runKey)}
        data-tip={withKey(running ? 'Hold the moods' : 'Run the moods', runKey)}
      >
        {running ? <Pause size={16} /> : <Play size={16} />}
        {running ? 'Hold' : 'Run'}
      </Button>
      <Button
        look="quiet"
        onClick={lampSwitch.switch}
        aria-pressed={lamp === 'off'}
        data-tip={withKey(lamp === 'on' ? 'See it in the dark' : 'Back to the lamp', lampKey)}
      >
        {lamp === 'on' ? <LampDesk size={16} /> : <Lamp size={16} />}
        {lamp === 'on' ? 'Lamp off' : 'Lamp on'}
      </Button>
      <Pace stage={stage} />
      <OnlookerChoice stage={stage} />
      {children}
      <span className="ml-auto text-small text-faint">
        {moodName ? `${running ? 'running' : 'held'}: ${moodName}` : 'no mood yet'}
        {stage === 'power' && assessment.chains.length > 0 && '; voltage at the height of the hungriest mood'}
      </span>
    </div>
  );
}

interface FlashDialogProps {
  readonly asks: boolean;
  readonly answer: (shows: boolean) => void;
  readonly moodName: string | undefined;
}

/** Asks before a mood is shown that could harm. */
function FlashDialog({ asks, answer, moodName }: FlashDialogProps) {
  return (
    <Dialog open={asks} onClose={() => answer(false)} title="This mood flashes fast">
      <p className="mb-4">
        {moodName} flashes more than three times a second. That can bring on a seizure. Show it on this screen all the
        same?
      </p>
      <div className="flex gap-2">
        <Button look="main" onClick={() => answer(false)}>
          Hold it
        </Button>
        <Button onClick={() => answer(true)}>Show it</Button>
      </div>
    </Dialog>
  );
}

/** The cross that the arrow keys move while a tool is in hand, and Enter drops a point at. */
function useCross(
  svgRef: React.RefObject<SVGSVGElement | null>,
  tool: Tool,
  { widthMm, heightMm }: { readonly widthMm: number; readonly heightMm: number },
) {
  const [cross, setCross] = useState<PlanPoint>({ xMm: 0, yMm: 0 });
  useEffect(() => {
    if (tool.kind === 'none') return;
    setCross({ xMm: Math.round(widthMm / 2), yMm: Math.round(heightMm / 2) });
    svgRef.current?.focus();
  }, [svgRef, tool, widthMm, heightMm]);

  const onKeyDown = (event: KeyboardEvent): void => {
    if (tool.kind === 'none' || event.target !== event.currentTarget) return;
    const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    const size = event.shiftKey ? 1 : 10;
    if (step) setCross({ xMm: cross.xMm + (step[0] ?? 0) * size, yMm: cross.yMm + (step[1] ?? 0) * size });
    else if (event.key === 'Enter') dropPoint(tool, cross);
    else if (event.key === 'Escape') toolHand.layDown();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return { cross, onKeyDown };
}

/** How the view lies on what there is of the pane; null while there is too little. */
function useFitting(
  size: { readonly width: number; readonly height: number } | null,
  widthMm: number,
  heightMm: number,
): Fitting | null {
  return useMemo((): Fitting | null => {
    if (!size || Math.min(size.width, size.height) < 3 * MARGIN_PX) return null;
    const scale = Math.min((size.width - 2 * MARGIN_PX) / widthMm, (size.height - 2 * MARGIN_PX) / heightMm);
    return {
      scale,
      leftPx: (size.width - widthMm * scale) / 2,
      topPx: (size.height - heightMm * scale) / 2,
      widthPx: size.width,
      heightPx: size.height,
    };
  }, [size, widthMm, heightMm]);
}

/** A whole view as it lies when it is drawn near and shifted. */
const drawnNear = (whole: Fitting, { k, x, y }: ZoomTransform): Fitting => ({
  ...whole,
  scale: whole.scale * k,
  leftPx: whole.leftPx * k + x,
  topPx: whole.topPx * k + y,
});

/** What of the view is to be seen, in its millimetres. */
const seenOf = ({ scale, leftPx, topPx, widthPx, heightPx }: Fitting): Box => ({
  minX: -leftPx / scale,
  minY: -topPx / scale,
  maxX: (widthPx - leftPx) / scale,
  maxY: (heightPx - topPx) / scale,
});

/** Where lights sit: nothing is written over them. */
const dotsOf = ({ placed }: Assessment, u: number): Box[] =>
  placed.flatMap((group) =>
    group.places.map(({ xMm, yMm }) => {
      const r = u * (group.shape === 'lights' ? 1.8 : 0.6);
      return { minX: xMm - r, minY: yMm - r, maxX: xMm + r, maxY: yMm + r };
    }),
  );

/** The frame that is being drawn, where it is on the screen. */
const Frame = ({ frame }: { readonly frame: DOMRect | null }) =>
  frame && (
    <div
      className="pointer-events-none fixed z-10 border border-verdigris bg-verdigris/10"
      style={{ left: frame.left, top: frame.top, width: frame.width, height: frame.height }}
    />
  );

/** What a click on the picture does just now, and how to be done with it. */
const InHand = ({ tool }: { readonly tool: Tool }) =>
  tool.kind !== 'none' && (
    <div className="flex items-center gap-3 border-b border-rule bg-amber-wash px-3 py-1.5" role="status">
      <span className="flex-1">{toolWords[tool.kind]}</span>
      <Button onClick={toolHand.layDown}>Done</Button>
    </div>
  );

/** Keys of the picture for what is chosen on it: all, none, away with it. */
function chooseByKey(event: KeyboardEvent<SVGSVGElement>): void {
  if (event.key === 'Escape') letSpotsGo();
  else if (event.key === 'Delete') removeChosen();
  else if (event.key === 'a' && (event.ctrlKey || event.metaKey)) chooseAll(event.currentTarget);
  else return;
  event.preventDefault();
}

/** Buttons for what the wheel does. */
function NearAndFar({ at, nearer, farther, whole }: ReturnType<typeof useZoom>) {
  return (
    <div className="flex items-center">
      <Button look="quiet" aria-label="Farther" onClick={farther} disabled={at.k <= 1}>
        <Minus size={16} />
      </Button>
      {at.k > 1 && (
        <Button look="quiet" onClick={whole}>
          All of it
        </Button>
      )}
      <Button look="quiet" aria-label="Nearer" onClick={nearer}>
        <Plus size={16} />
      </Button>
    </div>
  );
}

/** The picture of the piece: to scale, lit, with the stage's own meaning laid over it. */
export function PicturePane({ stage }: { readonly stage: Stage }) {
  const printer = usePrinter();
  const plan = usePlan();
  const { design } = plan;
  const { assessment, progress } = useReckoned();
  const lamp = useLamp((state) => state.lamp);
  const tool = useTool((state) => state.tool);
  const isFar = useLamp((state) => state.onlooker.from === 'back row');
  const [host, size] = useSize<HTMLDivElement>();
  const canvasRef = useRef<HTMLCanvasElement>(null);
  const svgRef = useRef<SVGSVGElement>(null);
  const { widthMm, heightMm } = design.view;

  const whole = useFitting(size, widthMm, heightMm);
  const zoomed = useZoom(svgRef, size, tool.kind === 'none');
  const fitting = useMemo(() => (whole ? drawnNear(whole, zoomed.at) : null), [whole, zoomed.at]);
  const mmPerPx = fitting ? 1 / fitting.scale : Math.max(widthMm, heightMm) / 640;
  const marginMm = MARGIN_PX * mmPerPx;
  const u = MARK_PX * mmPerPx;
  const seen = fitting ? seenOf(fitting) : null;

  const showing = useGlow(canvasRef, { design, assessment, fitting });
  const flash = useFlashGuard(showing);

  const marquee = useMarquee(svgRef, tool.kind === 'none');
  const { cross, onKeyDown } = useCross(svgRef, tool, { widthMm, heightMm });

  const wordsRef = useRef<SVGGElement>(null);
  const leadersRef = useRef<SVGGElement>(null);
  const pointedId = useTool((state) => state.pointedId);
  useUncrowded(wordsRef, leadersRef, {
    dots: dotsOf(assessment, u),
    bounds: seen ?? { minX: 0, minY: 0, maxX: widthMm, maxY: heightMm },
    u,
    drawn: [design, assessment, stage, pointedId, progress, seen?.minX, seen?.minY],
  });

  const Overlay = plainOverlays[stage];
  const moodName = design.moods.list.find((mood) => mood.id === showing)?.name;
  return (
    <div className="flex h-full min-h-0 flex-col">
      <Handles stage={stage} moodName={moodName}>
        <NearAndFar {...zoomed} />
      </Handles>
      <InHand tool={tool} />
      <ChosenBar />
      <div ref={host} className="relative min-h-0 flex-1 bg-paper">
        {/* biome-ignore lint/a11y/useSemanticElements: a drawing has no element of its own kind; with a tool in hand arrow keys and Enter do what a click does */}
        <svg
          ref={svgRef}
          viewBox={
            seen
              ? `${seen.minX} ${seen.minY} ${seen.maxX - seen.minX} ${seen.maxY - seen.minY}`
              : `${-marginMm} ${-marginMm} ${widthMm + 2 * marginMm} ${heightMm + 2 * marginMm}`
          }
          className={`absolute inset-0 size-full touch-none outline-offset-[-3px] ${tool.kind === 'none' ? '' : 'cursor-crosshair'}`}
          role="group"
          aria-label={`Picture of ${plan.name}, ${printer.quantity('lengthMm', widthMm)} wide`}
          tabIndex={tool.kind === 'none' ? -1 : 0}
          onKeyDown={(event) => {
            onKeyDown(event);
            chooseByKey(event);
          }}
          {...marquee.hands}
          onClick={(event) => {
            const at = svgRef.current && placeUnder(svgRef.current, event.clientX, event.clientY);
            if (at && tool.kind !== 'none') dropPoint(tool, at);
          }}
        >
          <g className={isFar ? 'opacity-0' : ''}>
            <Backdrop plan={plan} />
          </g>
          <Ruler widthMm={widthMm} heightMm={heightMm} marginMm={marginMm} />
          <g ref={leadersRef} stroke="var(--faint)" strokeWidth={u * 0.22} className={isFar ? 'opacity-0' : ''} />
          <g ref={wordsRef} className={isFar ? 'opacity-0' : lamp === 'off' ? 'opacity-60' : ''}>
            {Overlay && <Overlay design={design} assessment={assessment} u={u} />}
            {stage === 'bench' && <BenchOverlay design={design} assessment={assessment} u={u} progress={progress} />}
          </g>
          {tool.kind !== 'none' && (
            <path
              d={`M${cross.xMm - u * 4} ${cross.yMm} h${u * 8} M${cross.xMm} ${cross.yMm - u * 4} v${u * 8}`}
              stroke="var(--brass)"
              strokeWidth="1.6"
              vectorEffect="non-scaling-stroke"
              className="pointer-events-none"
            />
          )}
        </svg>
        <Frame frame={marquee.frame} />
        <canvas
          ref={canvasRef}
          role="img"
          aria-label={moodName ? `The lights as they glow in ${moodName}` : 'The lights, dark: there is no mood yet'}
          className={`pointer-events-none absolute inset-0 size-full ${lamp === 'on' && inkStages.has(stage) ? 'opacity-35' : ''}`}
        />
      </div>
      {(stage === 'moods' || stage === 'bench') && <VirtualHands controls={controlsOf(design)} />}
      <FlashDialog {...flash} moodName={moodName} />
    </div>
  );
}
