import type { Hollow } from '@glimmer/core/plan';
import { type Message, mm, say } from '@glimmer/core/units';
import { usePrinter } from '../../units/index.ts';
import { Handle } from '../Handle.tsx';
import { Label } from './Label.tsx';
import type { OverlayProps } from './OverlayProps.ts';

const sizeWords = (hollow: Hollow): Message => {
  if (hollow.kind === 'bore') return say`⌀ ${mm(hollow.diameterMm)}`;
  if (hollow.kind === 'channel') return say`${mm(hollow.widthMm)} wide`;
  return say`${mm(hollow.widthMm)} × ${mm(hollow.heightMm)}`;
};

function HollowMark({
  hollow,
  u,
  verdict,
}: {
  readonly hollow: Hollow;
  readonly u: number;
  readonly verdict: string | null;
}) {
  const { xMm: x, yMm: y } = hollow.at;
  const tone = verdict === null || verdict === 'fits' ? 'var(--verdigris)' : 'var(--brick-ink)';
  const common = {
    fill: 'var(--paper)',
    fillOpacity: 0.75,
    stroke: tone,
    strokeWidth: 1.6,
    vectorEffect: 'non-scaling-stroke',
  } as const;
  if (hollow.kind === 'bore') {
    const r = Math.max(hollow.diameterMm / 2, u * 1.2);
    return (
      <>
        <circle cx={x} cy={y} r={r} {...common} />
        <path
          d={`M${x - r * 1.6} ${y} H${x + r * 1.6} M${x} ${y - r * 1.6} V${y + r * 1.6}`}
          stroke={tone}
          strokeWidth="0.8"
          vectorEffect="non-scaling-stroke"
        />
      </>
    );
  }
  const [w, h] = hollow.kind === 'box' ? [hollow.widthMm, hollow.heightMm] : [u * 9, Math.max(hollow.widthMm, u * 1.6)];
  return (
    <rect
      x={x - w / 2}
      y={y - h / 2}
      width={w}
      height={h}
      {...common}
      strokeDasharray={hollow.kind === 'box' ? '5 3' : undefined}
    />
  );
}

/** Piece: the hollows with their sizes, and how what lies in them fits. */
export function HollowOverlay({ design, assessment, u }: OverlayProps) {
  const printer = usePrinter();
  return (
    <>
      {design.hollows.map((hollow) => {
        const fits = assessment.fits.filter((fit) => fit.hollowId === hollow.id);
        const verdict = fits.find((fit) => fit.verdict !== 'fits')?.verdict ?? fits[0]?.verdict ?? null;
        return (
          <Handle
            key={hollow.id}
            thingId={hollow.id}
            label={hollow.name}
            at={hollow.at}
            spot={{ of: 'hollow', id: hollow.id }}
          >
            <HollowMark hollow={hollow} u={u} verdict={verdict} />
            <Label of={hollow.at} x={hollow.at.xMm + u * 3} y={hollow.at.yMm - u * 1.6} u={u}>
              {`${hollow.name}, ${printer.message(sizeWords(hollow))}${verdict && verdict !== 'fits' ? `: ${verdict}` : ''}`}
            </Label>
          </Handle>
        );
      })}
    </>
  );
}
