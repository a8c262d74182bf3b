import { type RefObject, useEffect, useLayoutEffect, useState } from 'react';
import { type Box, type Placed, placeLabels, type Wanted } from './placeLabels.ts';

/** What stands first keeps its place: the marks of things, then what is told of them, then mere numbers. */
const ranks = ['mark', 'strong', 'name', 'number'] as const;

const SVG = 'http://www.w3.org/2000/svg';

const boxOf = (element: SVGGraphicsElement, gap: number): Box => {
  const { x, y, width, height } = element.getBBox();
  return { minX: x - gap, minY: y, maxX: x + width + gap, maxY: y + height };
};

const clamp = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value));

type Point = readonly [x: number, y: number];

/** Where a thing sits that words belong to; null of a number, which stands at its own light or nowhere. */
function placeOf({ dataset: { at } }: SVGGraphicsElement): Point | null {
  const [x, y] = at?.split(' ').map(Number) ?? [];
  return x === undefined || y === undefined ? null : [x, y];
}

/** Of a box, what is nearest to a point. */
const nearestIn = (box: Box, [x, y]: Point): Point => [clamp(x, box.minX, box.maxX), clamp(y, box.minY, box.maxY)];
const apart = ([x, y]: Point, [ofX, ofY]: Point): number => Math.hypot(x - ofX, y - ofY);

/** From what was moved to the place that it belongs to; nothing for a step aside that leaves it nearest to its own. */
function leader(
  element: SVGGraphicsElement,
  box: Box,
  { dx, dy }: NonNullable<Placed>,
  places: readonly Point[],
): SVGLineElement | null {
  const at = placeOf(element);
  if (at === null || (dx === 0 && dy === 0)) return null;
  const now = { minX: box.minX + dx, minY: box.minY + dy, maxX: box.maxX + dx, maxY: box.maxY + dy };
  const end = nearestIn(now, at);
  const isFar = Math.hypot(dx, dy) >= 1.4 * (box.maxY - box.minY);
  const isByAnother = places.some(
    (other) => apart(other, at) > 0 && apart(other, nearestIn(now, other)) < apart(at, end),
  );
  if (!isFar && !isByAnother) return null;
  const line = document.createElementNS(SVG, 'line');
  const ends = { x1: at[0], y1: at[1], x2: end[0], y2: end[1] };
  for (const [key, value] of Object.entries(ends)) line.setAttribute(key, String(value));
  return line;
}

/** Once the fonts are there, words are as wide as they stay. */
function useFonts(): boolean {
  const [ready, setReady] = useState(false);
  useEffect(() => {
    void document.fonts.ready.then(() => setReady(true));
  }, []);
  return ready;
}

/**
 * Moves what has words on the picture so that none covers another, or a light. It is moved on what is drawn: where a thing
 * sits is the plan's, and does not change.
 * @param words what holds everything with a `data-words`, and in `data-at` the place that it belongs to; and marks with a
 *   `data-dot`, which no words lie on
 * @param leaders takes the lines from what was moved far to where it belongs
 */
export function useUncrowded(
  words: RefObject<SVGGElement | null>,
  leaders: RefObject<SVGGElement | null>,
  {
    dots,
    bounds,
    u,
    drawn,
  }: { readonly dots: readonly Box[]; readonly bounds: Box; readonly u: number; readonly drawn: readonly unknown[] },
): void {
  const fonts = useFonts();
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is drawn is what counts, and fonts widen it
  useLayoutEffect(() => {
    if (!words.current || !leaders.current) return;
    const found = ranks.flatMap((rank) =>
      [...(words.current?.querySelectorAll<SVGGraphicsElement>(`[data-words="${rank}"]`) ?? [])].map((element) => ({
        element,
        wanted: { box: boxOf(element, 0.4 * u), mayHide: rank === 'number' } satisfies Wanted,
      })),
    );
    const marks = [...words.current.querySelectorAll<SVGGraphicsElement>('[data-dot]')].map((mark) => boxOf(mark, 0));
    const placed = placeLabels(
      found.map(({ wanted }) => wanted),
      [...dots, ...marks],
      bounds,
    );
    const places = found.flatMap(({ element }) => {
      const at = placeOf(element);
      return at ? [at] : [];
    });
    leaders.current.replaceChildren(
      ...found.flatMap(({ element, wanted }, i) => {
        const to = placed[i] ?? null;
        element.style.visibility = to ? '' : 'hidden';
        if (to && (to.dx !== 0 || to.dy !== 0)) element.setAttribute('transform', `translate(${to.dx} ${to.dy})`);
        else element.removeAttribute('transform');
        return (to && leader(element, wanted.box, to, places)) ?? [];
      }),
    );
  }, [fonts, u, ...drawn]);
}
