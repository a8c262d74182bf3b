import { keyOfSpot, type PlanPoint, type Spot } from '@glimmer/core/plan';
import { type KeyboardEvent, type PointerEvent, type ReactNode, useRef } from 'react';
import { useHeld } from '../reckoning/index.ts';
import { beginDrag, endDrag } from '../state/planStore.ts';
import { tool, useTool } from '../state/tool.ts';
import { usePrinter } from '../units/index.ts';
import { moveSpot, toggleSpot, useChosen, usePlaceNow } from './chosen.ts';
import { placeUnder, within } from './placeUnder.ts';

interface HandleProps {
  /** The thing that it belongs to: the card of which it is on the sheet. */
  readonly thingId: string;
  readonly label: string;
  /** Where it stands on the plan that is shown; it is drawn there by its children. */
  readonly at: PlanPoint;
  /** What of the plan it moves. */
  readonly spot: Spot;
  readonly children: ReactNode;
}

const steps: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/**
 * Something on the picture that can be dragged, or nudged with the arrow keys: 1 mm, with Shift 10 mm. A click with Shift, or
 * Space, chooses it with others; what is chosen moves together.
 */
export function Handle({ thingId, label, at, spot, children }: HandleProps) {
  const printer = usePrinter();
  const isPointed = useTool(({ pointedId }) => pointedId === thingId);
  const isChosen = useChosen(({ spots }) => spots.some((each) => keyOfSpot(each) === keyOfSpot(spot)));
  const [own, hold] = useHeld(at, (to: PlanPoint) => moveSpot(spot, to));
  // What is moved with another stands where that takes it, at once.
  const held = usePlaceNow(spot, isChosen) ?? own;
  const grip = useRef<{ readonly dx: number; readonly dy: number } | null>(null);

  const letGo = (): void => {
    if (grip.current) endDrag();
    grip.current = null;
  };
  const locate = (event: PointerEvent<SVGGElement>): PlanPoint | null => {
    const svg = event.currentTarget.ownerSVGElement;
    return svg && placeUnder(svg, event.clientX, event.clientY);
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const step = steps[event.key];
    if (!step && event.key !== ' ') return;
    event.preventDefault();
    event.stopPropagation();
    if (!step) {
      toggleSpot(spot);
      return;
    }
    const size = event.shiftKey ? 10 : 1;
    hold({ xMm: within(held.xMm + step[0] * size), yMm: within(held.yMm + step[1] * size) });
  };
  return (
    // biome-ignore lint/a11y/useSemanticElements: a button element can't stand inside an SVG
    <g
      role="button"
      tabIndex={0}
      aria-label={`${label}, at ${printer.quantity('lengthMm', held.xMm)}, ${printer.quantity('lengthMm', held.yMm)}; arrow keys move it, Space chooses it with others`}
      aria-pressed={isChosen}
      data-spot={JSON.stringify(spot)}
      data-place={`${at.xMm} ${at.yMm}`}
      transform={`translate(${held.xMm - at.xMm} ${held.yMm - at.yMm})`}
      className="cursor-grab touch-none focus-visible:outline-2"
      onKeyDown={onKeyDown}
      onFocus={() => tool.pointAt(thingId)}
      data-pointed={isPointed}
      onPointerDown={(event) => {
        const place = locate(event);
        if (!place) return;
        event.stopPropagation();
        if (event.shiftKey) {
          toggleSpot(spot);
          return;
        }
        event.currentTarget.setPointerCapture(event.pointerId);
        grip.current = { dx: held.xMm - place.xMm, dy: held.yMm - place.yMm };
        beginDrag();
      }}
      onPointerMove={(event) => {
        const place = grip.current && locate(event);
        if (place && grip.current)
          hold({ xMm: within(place.xMm + grip.current.dx), yMm: within(place.yMm + grip.current.dy) });
      }}
      onPointerUp={letGo}
      onPointerCancel={letGo}
      onLostPointerCapture={letGo}
    >
      {children}
    </g>
  );
}
