import { mapMoods, type Show } from '@glimmer/core/motion';
import type { Design } from '@glimmer/core/plan';
import { path as drawPath } from 'd3-path';
import { useId, useMemo } from 'react';
import { useSheet } from '../stages/useSheet.ts';
import { hands } from '../state/hands.ts';

const [WIDTH, HEIGHT] = [480, 250];
const [BOX_W, BOX_H] = [104, 30];

interface Place {
  readonly x: number;
  readonly y: number;
}

/** Moods on an oval, the first on the left. */
const placesOf = (count: number): readonly Place[] =>
  Array.from({ length: count }, (_, i) => {
    const turn = Math.PI + (2 * Math.PI * i) / count;
    return {
      x: WIDTH / 2 + (WIDTH / 2 - BOX_W / 2 - 6) * Math.cos(turn),
      y: HEIGHT / 2 + (HEIGHT / 2 - BOX_H / 2 - 14) * Math.sin(turn),
    };
  });

/** From a box's middle towards a point, to the box's edge. */
function edgeTowards(from: Place, to: Place): Place {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const scale = Math.min(
    dx === 0 ? Number.POSITIVE_INFINITY : (BOX_W / 2 + 3) / Math.abs(dx),
    dy === 0 ? Number.POSITIVE_INFINITY : (BOX_H / 2 + 3) / Math.abs(dy),
  );
  return { x: from.x + dx * scale, y: from.y + dy * scale };
}

/** How far a way bends to its own side, so that there and back are two lines. */
const BEND = 24;

interface Way {
  readonly key: string;
  readonly from: Place;
  readonly to: Place;
  readonly label: string;
  readonly isBack: boolean;
}

function Arrow({ way, markerId }: { readonly way: Way; readonly markerId: string }) {
  const [dx, dy] = [way.to.x - way.from.x, way.to.y - way.from.y];
  const length = Math.max(1, Math.hypot(dx, dy));
  const bend: Place = {
    x: (way.from.x + way.to.x) / 2 - (dy / length) * BEND,
    y: (way.from.y + way.to.y) / 2 + (dx / length) * BEND,
  };
  const [start, end] = [edgeTowards(way.from, bend), edgeTowards(way.to, bend)];
  const line = drawPath();
  line.moveTo(start.x, start.y);
  line.quadraticCurveTo(bend.x, bend.y, end.x, end.y);
  const middle = { x: (start.x + 2 * bend.x + end.x) / 4, y: (start.y + 2 * bend.y + end.y) / 4 };
  return (
    <g>
      <path
        d={line.toString()}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="1.2"
        strokeDasharray={way.isBack ? '4 3' : undefined}
        markerEnd={`url(#${markerId})`}
      />
      {!way.isBack && (
        <g>
          <circle cx={middle.x} cy={middle.y} r="8.5" fill="var(--sheet)" stroke="var(--rule)" />
          <text x={middle.x} y={middle.y + 4} textAnchor="middle" fontSize="11" fill="var(--ink)">
            {way.label}
          </text>
        </g>
      )}
    </g>
  );
}

const middle: Place = { x: WIDTH / 2, y: HEIGHT / 2 };

/** Where each of so many moods stands. */
function placer(count: number): (index: number) => Place {
  const places = placesOf(count);
  return (index) => places[index] ?? middle;
}

/** An arrow for each way that a cue leads, and one for each that it leads back. */
function waysOf(
  show: Show,
  cues: Design['moods']['cues'],
  map: ReturnType<typeof mapMoods>,
  at: (index: number) => Place,
): Way[] {
  return show.cues.flatMap((cue, c): Way[] => {
    const from = map.ways.filter((way) => way.cue === c && !way.isBack);
    const isAny = cues[c]?.from === null;
    const out = isAny
      ? from.length > 0
        ? [{ key: `${c}`, from: middle, to: at(cue.to), label: String(c + 1), isBack: false }]
        : []
      : from.map((way) => ({ key: `${c}`, from: at(way.from), to: at(way.to), label: String(c + 1), isBack: false }));
    const comesBack = map.ways.some((way) => way.cue === c && way.isBack);
    return [
      ...out,
      ...(comesBack
        ? [
            {
              key: `${c} back`,
              from: at(cue.to),
              to: isAny ? middle : at(from[0]?.from ?? 0),
              label: '',
              isBack: true,
            },
          ]
        : []),
    ];
  });
}

interface MoodBoxProps {
  readonly name: string;
  readonly at: Place;
  readonly isReached: boolean;
  readonly isShown: boolean;
  readonly isStart: boolean;
  readonly onShow: () => void;
}

/** A mood of the map: a button that shows it. */
function MoodBox({ name, at: { x, y }, isReached, isShown, isStart, onShow }: MoodBoxProps) {
  return (
    // biome-ignore lint/a11y/useSemanticElements: a box of the drawing has no button element; it answers to Enter and Space
    <g
      role="button"
      tabIndex={0}
      aria-label={`${name}${isReached ? '' : ', never reached'}${isStart ? ', at the start' : ''}`}
      className="cursor-pointer"
      onClick={onShow}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        event.stopPropagation();
        onShow();
      }}
    >
      <path
        d={`M${x - BOX_W / 2} ${y - BOX_H / 2} h${BOX_W - 8} l8 8 v${BOX_H - 8} h${-BOX_W} z`}
        fill={isShown ? 'var(--pressed)' : 'var(--paper)'}
        stroke={isReached ? 'var(--ink)' : 'var(--brick-ink)'}
        strokeWidth={isStart ? 2.4 : 1.2}
        strokeDasharray={isReached ? undefined : '4 3'}
      />
      <text x={x} y={y + 4.5} textAnchor="middle" fontSize="13" fill="var(--ink)">
        {name.length > 14 ? `${name.slice(0, 13)}…` : name}
      </text>
    </g>
  );
}

function AnyMood() {
  return (
    <g>
      <rect
        x={middle.x - 34}
        y={middle.y - 12}
        width="68"
        height="24"
        fill="var(--sheet)"
        stroke="var(--faint)"
        strokeDasharray="3 3"
      />
      <text x={middle.x} y={middle.y + 4} textAnchor="middle" fontSize="12" fill="var(--faint)">
        any mood
      </text>
    </g>
  );
}

/** The moods and the ways between them; each way has the number of its cue. A cue of any mood comes out of the middle. */
export function MoodMap({ shownId }: { readonly shownId: string | undefined }) {
  const { design, assessment } = useSheet();
  const markerId = useId();
  const { list, cues } = design.moods;
  const { show } = assessment;
  const map = useMemo(() => mapMoods(show), [show]);
  const at = placer(list.length);
  const hasAny = cues.some((cue) => cue.from === null);
  return (
    // biome-ignore lint/a11y/useSemanticElements: a drawing has no element of its own kind
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="my-1 w-full"
      role="group"
      aria-label={`Map of ${list.length} moods and ${cues.length} cues`}
    >
      <defs>
        <marker id={markerId} viewBox="0 0 8 8" refX="7" refY="4" markerWidth="8" markerHeight="8" orient="auto">
          <path d="M0 0.8 L7 4 L0 7.2" fill="none" stroke="var(--ink)" strokeWidth="1.2" />
        </marker>
      </defs>
      {waysOf(show, cues, map, at).map((way) => (
        <Arrow key={way.key} way={way} markerId={markerId} />
      ))}
      {hasAny && <AnyMood />}
      {list.map((mood, i) => (
        <MoodBox
          key={mood.id}
          name={mood.name}
          at={at(i)}
          isReached={map.reached[i] ?? false}
          isShown={mood.id === shownId}
          isStart={show.start === i}
          onShow={() => hands.showMood(mood.id)}
        />
      ))}
    </svg>
  );
}
