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

/** From what was moved far to the place that it belongs to; nothing for a step aside. */
function leader(element: SVGGraphicsElement, box: Box, { dx, dy }: NonNullable<Placed>): SVGLineElement | null {
  if (Math.hypot(dx, dy) < 1.4 * (box.maxY - box.minY)) return null;
  const [x = 0, y = 0] = (element.dataset.at ?? '').split(' ').map(Number);
  const line = document.createElementNS(SVG, 'line');
  const ends = {
    x1: x,
    y1: y,
    x2: clamp(x, box.minX + dx, box.maxX + dx),
    y2: clamp(y, box.minY + dy, box.maxY + dy),
  };
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
    leaders.current.replaceChildren(
      ...found.flatMap(({ element, wanted }, i) => {
        const to = placed[i] ?? null;
        element.style.visibility = to ? '' : 'hidden';
        if (to && (to.dx !== 0 || to.dy !== 0)) element.setAttribute('transform', `translate(${to.dx} ${to.dy})`);
        else element.removeAttribute('transform');
        return (to && leader(element, wanted.box, to)) ?? [];
      }),
    );
  }, [fonts, u, ...drawn]);
}
