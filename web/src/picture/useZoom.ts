import { select } from 'd3-selection';
import { type ZoomTransform, zoom, zoomIdentity } from 'd3-zoom';
import { type RefObject, useEffect, useMemo, useState } from 'react';

/** How far the picture may be drawn near. */
const MOST = 16;
const STEP = 1.5;

/** What is on the picture to be taken hold of, or to be clicked at. */
const isHeld = (target: EventTarget | null): boolean =>
  target instanceof Element && target.closest('[role="button"]') !== null;

/** A drag with Shift draws a frame. */
const isWithShift = (event: Event): boolean => event instanceof MouseEvent && event.shiftKey;

interface Zoomed {
  /** In pixels of the pane. */
  readonly at: ZoomTransform;
  readonly nearer: () => void;
  readonly farther: () => void;
  /** All of it again. */
  readonly whole: () => void;
}

/**
 * Draws the picture near and shifts it: by wheel, by pinching, by dragging what is bare of things.
 * @param size of the pane, in pixels: no more than that is ever shifted out of it
 * @param mayDrag whether a drag on the bare sheet shifts it: not with a tool in hand, whose click it would swallow
 */
export function useZoom(
  svg: RefObject<SVGSVGElement | null>,
  size: { readonly width: number; readonly height: number } | null,
  mayDrag: boolean,
): Zoomed {
  const { width, height } = size ?? { width: 0, height: 0 };
  const [at, setAt] = useState<ZoomTransform>(zoomIdentity);
  const behaviour = useMemo(
    () =>
      zoom<SVGSVGElement, unknown>()
        .scaleExtent([1, MOST])
        .on('zoom', ({ transform }: { readonly transform: ZoomTransform }) => setAt(transform)),
    [],
  );
  useEffect(() => {
    behaviour.filter(
      (event: Event) =>
        event.type === 'wheel' ||
        event.type === 'touchstart' ||
        (mayDrag && !isHeld(event.target) && !isWithShift(event)),
    );
  }, [behaviour, mayDrag]);
  useEffect(() => {
    const element = svg.current;
    if (!element || width === 0) return;
    behaviour.translateExtent([
      [0, 0],
      [width, height],
    ]);
    const selection = select(element);
    selection.call(behaviour).on('dblclick.zoom', null);
    return () => {
      selection.on('.zoom', null);
    };
  }, [behaviour, svg, width, height]);
  const by = (factor: number) => (): void => {
    if (svg.current) behaviour.scaleBy(select(svg.current), factor);
  };
  return {
    at,
    nearer: by(STEP),
    farther: by(1 / STEP),
    whole: () => {
      if (svg.current) behaviour.transform(select(svg.current), zoomIdentity);
    },
  };
}
