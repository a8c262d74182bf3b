import type { PlanPoint, Spot } from '@glimmer/core/plan';
import { type PointerEvent, type RefObject, useState } from 'react';
import { chooseSpots } from './chosen.ts';
import { placeUnder } from './placeUnder.ts';

/** What is drawn with Shift held down, in pixels of the window. */
interface Drawn {
  readonly fromX: number;
  readonly fromY: number;
  readonly toX: number;
  readonly toY: number;
}

const boxOf = ({ fromX, fromY, toX, toY }: Drawn) =>
  new DOMRect(Math.min(fromX, toX), Math.min(fromY, toY), Math.abs(toX - fromX), Math.abs(toY - fromY));

const isBetween = (value: number, a: number, b: number): boolean => value >= Math.min(a, b) && value <= Math.max(a, b);

const spotsIn = (picture: Element, isIn: (place: PlanPoint) => boolean): Spot[] =>
  [...picture.querySelectorAll('[data-spot]')]
    .filter((element) => {
      const [xMm = 0, yMm = 0] = (element.getAttribute('data-place') ?? '').split(' ').map(Number);
      return isIn({ xMm, yMm });
    })
    .map((element): Spot => JSON.parse(element.getAttribute('data-spot') ?? ''));

/** Chooses all that can be moved on the picture. */
export const chooseAll = (picture: Element): void => chooseSpots(spotsIn(picture, () => true));

/**
 * A frame that is drawn on the bare sheet with Shift held down chooses what lies in it.
 * @param mayDraw not while a tool is in hand
 */
export function useMarquee(svg: RefObject<SVGSVGElement | null>, mayDraw: boolean) {
  const [drawn, setDrawn] = useState<Drawn | null>(null);
  const end = (): void => {
    const [from, to] =
      drawn && svg.current
        ? [placeUnder(svg.current, drawn.fromX, drawn.fromY), placeUnder(svg.current, drawn.toX, drawn.toY)]
        : [];
    if (svg.current && from && to)
      chooseSpots(
        spotsIn(svg.current, ({ xMm, yMm }) => isBetween(xMm, from.xMm, to.xMm) && isBetween(yMm, from.yMm, to.yMm)),
      );
    setDrawn(null);
  };
  return {
    frame: drawn && boxOf(drawn),
    hands: {
      onPointerDown: (event: PointerEvent<SVGSVGElement>): void => {
        if (!mayDraw || !event.shiftKey || event.button !== 0) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        setDrawn({ fromX: event.clientX, fromY: event.clientY, toX: event.clientX, toY: event.clientY });
      },
      onPointerMove: (event: PointerEvent): void => {
        if (drawn) setDrawn({ ...drawn, toX: event.clientX, toY: event.clientY });
      },
      onPointerUp: end,
      onPointerCancel: () => setDrawn(null),
    },
  };
}
