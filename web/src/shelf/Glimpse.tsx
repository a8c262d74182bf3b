import { OutlineShape } from '../picture/Backdrop.tsx';
import type { GlimpseOfPlan } from '../state/api.ts';

/** A small lit picture of a plan: always lamp off, as it is the light that one knows a piece by. */
export function Glimpse({ glimpse }: { readonly glimpse: GlimpseOfPlan }) {
  const { widthMm, heightMm, outline, lights } = glimpse;
  const margin = Math.max(widthMm, heightMm) * 0.05;
  const r = Math.max(widthMm, heightMm) / 90;
  return (
    <svg
      data-lamp="off"
      viewBox={`${-margin} ${-margin} ${widthMm + 2 * margin} ${heightMm + 2 * margin}`}
      className="h-44 w-full bg-[#0e1013]"
      aria-hidden="true"
    >
      <g opacity="0.5">{outline && <OutlineShape outlineId={outline} widthMm={widthMm} heightMm={heightMm} />}</g>
      {lights.map((light, i) => (
        <g key={i} fill={light.colour}>
          <circle cx={light.xMm} cy={light.yMm} r={r * 2.6} opacity="0.16" />
          <circle cx={light.xMm} cy={light.yMm} r={r * 1.5} opacity="0.3" />
          <circle cx={light.xMm} cy={light.yMm} r={r * 0.7} />
        </g>
      ))}
      {lights.length === 0 && !outline && (
        <text
          x={widthMm / 2}
          y={heightMm / 2}
          textAnchor="middle"
          fontSize={Math.max(widthMm, heightMm) / 20}
          fill="#a39c8e"
        >
          no light yet
        </text>
      )}
    </svg>
  );
}
