import type { StepProgress } from '@glimmer/core/bench';
import { Label } from './Label.tsx';
import type { OverlayProps } from './OverlayProps.ts';

/** Bench: what is done and what is next, group by group. */
export function BenchOverlay({
  assessment,
  u,
  progress,
}: OverlayProps & { readonly progress: readonly StepProgress[] }) {
  const next = progress.find((each) => !each.done);
  return (
    <>
      {assessment.placed.map((group) => {
        const own = progress.filter((each) => each.step.id.includes(`:${group.id}`));
        const done = own.filter((each) => each.done).length;
        const first = group.places[0];
        const isNext = next?.step.id.includes(`:${group.id}`) ?? false;
        if (!first) return null;
        return (
          <g key={group.id}>
            {group.places.map((place, i) => (
              <circle
                key={i}
                cx={place.xMm}
                cy={place.yMm}
                r={u * (group.shape === 'pixels' ? 0.7 : 1.7)}
                fill={own.length > 0 && done === own.length ? 'var(--verdigris)' : 'var(--paper)'}
                stroke={isNext ? 'var(--amber-ink)' : 'var(--ink)'}
                strokeWidth={isNext ? 2.4 : 1}
                vectorEffect="non-scaling-stroke"
              />
            ))}
            <Label
              of={first}
              x={first.xMm + u * 2.2}
              y={first.yMm - u * 2}
              u={u}
              strong={isNext}
            >{`${group.name}: ${done} of ${own.length} done${isNext ? ', next' : ''}`}</Label>
          </g>
        );
      })}
    </>
  );
}
