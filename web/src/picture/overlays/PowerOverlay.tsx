import { useWarmAt } from '../../state/warmTime.ts';
import { usePrinter } from '../../units/index.ts';
import { ItemHandles } from './ItemHandles.tsx';
import { Label } from './Label.tsx';
import type { OverlayProps } from './OverlayProps.ts';

/** What rises by less is hardly felt by a hand, and not told of on the picture. */
const FELT_K = 10;

/** What gets warm, at its place: the hottest part of each item, after the time that is looked at. */
function Warmth({ design, assessment, u }: OverlayProps) {
  const printer = usePrinter();
  const at = useWarmAt((state) => state.at);
  const hottest = new Map(
    assessment.warm.parts
      .map(({ id, itemId, airC, after, course }) => {
        const time = at === 'its time' ? after : course.find(({ seconds }) => seconds === at);
        return { id, itemId, airC, outsideC: time?.outsideC ?? airC };
      })
      .filter(({ outsideC, airC }) => outsideC - airC >= FELT_K)
      .sort((a, b) => a.outsideC - b.outsideC)
      .map((part) => [part.itemId, part] as const),
  );
  return [...hottest.values()].map((part) => {
    const item = design.items.find(({ id }) => id === part.itemId);
    const at = item && ('at' in item ? item.at : 'places' in item ? item.places[0]?.at : undefined);
    if (!item || !at) return null;
    return (
      <Label key={part.id} of={at} x={at.xMm} y={at.yMm - u * 5.5} u={u}>
        {`${item.name}: ${printer.quantity('temperatureC', part.outsideC)}`}
      </Label>
    );
  });
}

/** Voltage as ink: full voltage is verdigris, what is lost turns to brick; the figure at the far end says it in words. */
export function PowerOverlay(props: OverlayProps) {
  const printer = usePrinter();
  const { assessment, u } = props;
  return (
    <>
      {assessment.chains.map((chain) => {
        let index = 0;
        const nominalV = chain.railV;
        const dots = assessment.placed
          .filter((group) => group.shape === 'pixels' && chain.tapeIds.includes(group.id))
          .flatMap((group) => group.places.map((place) => ({ place, volts: chain.voltageV[index++] ?? nominalV })));
        const last = dots[dots.length - 1];
        return (
          <g key={chain.tapeIds[0]}>
            {dots.map(({ place, volts }, i) => {
              const lost = Math.min(1, Math.max(0, (nominalV - volts) / (0.16 * nominalV)));
              return (
                <circle
                  key={i}
                  cx={place.xMm}
                  cy={place.yMm}
                  r={u * 0.95}
                  fill={`color-mix(in oklab, var(--brick-ink) ${Math.round(lost * 100)}%, var(--verdigris))`}
                />
              );
            })}
            {dots[0] && (
              <Label of={dots[0].place} x={dots[0].place.xMm} y={dots[0].place.yMm - u * 2.2} u={u} strong>
                {printer.quantity('voltageV', dots[0].volts)}
              </Label>
            )}
            {last && (
              <Label of={last.place} x={last.place.xMm} y={last.place.yMm + u * 4} u={u} strong>
                {printer.quantity('voltageV', last.volts)}
              </Label>
            )}
          </g>
        );
      })}
      <ItemHandles {...props} stages={['power']} withBoards />
      <Warmth {...props} />
    </>
  );
}
