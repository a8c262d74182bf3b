import { usePrinter } from '../../units/index.ts';
import { ItemHandles } from './ItemHandles.tsx';
import { Label } from './Label.tsx';
import type { OverlayProps } from './OverlayProps.ts';

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
              <Label x={dots[0].place.xMm} y={dots[0].place.yMm - u * 2.2} u={u} strong>
                {printer.quantity('voltageV', dots[0].volts)}
              </Label>
            )}
            {last && (
              <Label x={last.place.xMm} y={last.place.yMm + u * 4} u={u} strong>
                {printer.quantity('voltageV', last.volts)}
              </Label>
            )}
          </g>
        );
      })}
      <ItemHandles {...props} stages={['power']} withBoards />
    </>
  );
}
