import { outlines } from '@glimmer/core/parts';
import type { Plan } from '@glimmer/core/plan';
import { rulerFor } from '@glimmer/core/units';
import { usePrinter } from '../units/index.ts';

/** The source of a picture that the maker brought in; shown as an image, so nothing in it can act. */
function pictureSource(picture: Plan['pictures'][string]): string {
  return picture.mime === 'image/svg+xml'
    ? `data:image/svg+xml;charset=utf-8,${encodeURIComponent(picture.svg)}`
    : `data:${picture.mime};base64,${picture.base64}`;
}

interface OutlineShapeProps {
  readonly outlineId: string;
  readonly widthMm: number;
  readonly heightMm: number;
}

/** A drawn outline that ships with the app, stretched to the view's true size. */
export function OutlineShape({ outlineId, widthMm, heightMm }: OutlineShapeProps) {
  const outline = outlines.find((each) => each.id === outlineId);
  if (!outline) return null;
  return (
    <g
      transform={`scale(${widthMm / outline.boxWidth} ${heightMm / outline.boxHeight})`}
      fill="none"
      stroke="var(--ink)"
    >
      {outline.skin.map((path) => (
        <path
          key={path}
          d={path}
          fill="var(--sheet)"
          strokeWidth="1.6"
          strokeLinejoin="round"
          vectorEffect="non-scaling-stroke"
        />
      ))}
      {outline.creases.map((path) => (
        <path
          key={path}
          d={path}
          strokeWidth="0.9"
          strokeOpacity="0.45"
          strokeLinecap="round"
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </g>
  );
}

/** What lies under everything: the outline, the photo, or the bare sheet with its true size. */
export function Backdrop({ plan }: { readonly plan: Plan }) {
  const { picture, widthMm, heightMm } = plan.design.view;
  const own = picture.kind === 'own' ? plan.pictures[picture.pictureId] : undefined;
  if (own)
    return (
      <image
        href={pictureSource(own)}
        width={widthMm}
        height={heightMm}
        preserveAspectRatio="none"
        className="[[data-lamp=off]_&]:opacity-35"
      />
    );
  if (picture.kind === 'drawn')
    return <OutlineShape outlineId={picture.outline} widthMm={widthMm} heightMm={heightMm} />;
  return (
    <rect
      width={widthMm}
      height={heightMm}
      fill="var(--sheet)"
      stroke="var(--rule)"
      strokeDasharray="6 5"
      vectorEffect="non-scaling-stroke"
    />
  );
}

/** Scale ticks along the lower and the left edge. */
export function Ruler({
  widthMm,
  heightMm,
  marginMm,
}: {
  /** Of the view. */
  readonly widthMm: number;
  /** Of the view. */
  readonly heightMm: number;
  /** Round the view. */
  readonly marginMm: number;
}) {
  const { units } = usePrinter();
  const { stepMm, unit, numberAt } = rulerFor(Math.max(widthMm, heightMm), units);
  const tick = marginMm * 0.17;
  const along = (lengthMm: number): number[] =>
    Array.from({ length: Math.floor(lengthMm / stepMm) + 1 }, (_, i) => i * stepMm);
  return (
    <g stroke="var(--faint)" fill="var(--faint)" className="figures" fontSize={marginMm * 0.31}>
      {along(widthMm).map((x, i) => (
        <g key={x}>
          <path
            d={`M${x} ${heightMm + marginMm * 0.3} v${i % 5 === 0 ? tick * 1.8 : tick}`}
            strokeWidth="1"
            vectorEffect="non-scaling-stroke"
          />
          {i % 10 === 0 && (
            <text x={x} y={heightMm + marginMm * 0.92} stroke="none" textAnchor="middle">
              {i === 0 ? `0 ${unit}` : numberAt(i)}
            </text>
          )}
        </g>
      ))}
      {along(heightMm).map((y, i) => (
        <path
          key={y}
          d={`M${-marginMm * 0.3} ${y} h${i % 5 === 0 ? -tick * 1.8 : -tick}`}
          strokeWidth="1"
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </g>
  );
}
