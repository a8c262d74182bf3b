import type { PlacedGroup } from '@glimmer/core/lights';
import { parseColour, type Ribbon, type Show, weaveRibbons } from '@glimmer/core/motion';
import { useEffect, useMemo, useRef } from 'react';

const COLUMNS = 280;
const MOST_ROWS = 64;
/** Pixels carry their colour in the frame; a single light has one of its own. */
const WHITE = [255, 255, 255] as const;

function RibbonCanvas({
  ribbon,
  label,
  tint,
}: {
  readonly ribbon: Ribbon;
  readonly label: string;
  readonly tint: readonly [number, number, number];
}) {
  const ref = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = ref.current?.getContext('2d');
    if (!context || ribbon.rows === 0) return;
    const image = context.createImageData(ribbon.columns, ribbon.rows);
    for (let i = 0; i < ribbon.columns * ribbon.rows; i += 1) {
      for (let k = 0; k < 3; k += 1) image.data[i * 4 + k] = ((ribbon.rgb[i * 3 + k] ?? 0) * (tint[k] ?? 255)) / 255;
      image.data[i * 4 + 3] = 255;
    }
    context.putImageData(image, 0, 0);
  }, [ribbon, tint]);
  if (ribbon.rows === 0) return null;
  return (
    <canvas
      ref={ref}
      width={ribbon.columns}
      height={ribbon.rows}
      role="img"
      aria-label={label}
      className="block w-full bg-black [image-rendering:pixelated]"
      style={{ height: `${Math.min(56, Math.max(12, ribbon.rows * 3))}px` }}
    />
  );
}

interface RibbonsProps {
  readonly show: Show;
  readonly moodIndex: number;
  readonly placed: readonly PlacedGroup[];
  readonly spanS: number;
}

/** A mood as ribbons: time runs to the right, the lights of a group stand one under another. */
export function Ribbons({ show, moodIndex, placed, spanS }: RibbonsProps) {
  const ribbons = useMemo(
    () => weaveRibbons(show, moodIndex, { spanMs: spanS * 1000, columns: COLUMNS, mostRows: MOST_ROWS }),
    [show, moodIndex, spanS],
  );
  return (
    <div>
      {ribbons.map((ribbon) => {
        const group = placed.find((each) => each.id === ribbon.groupId);
        return (
          <div key={ribbon.groupId} className="mb-1 grid grid-cols-[6.5rem_1fr] items-center gap-2">
            <span className="truncate text-[13px] text-faint">{group?.name}</span>
            <RibbonCanvas
              ribbon={ribbon}
              tint={group?.kind === 'leds' ? parseColour(group.part.colour) : WHITE}
              label={`${group?.name ?? 'group'} over ${spanS} seconds`}
            />
          </div>
        );
      })}
      <div className="figures ml-[7rem] flex justify-between text-[12px] text-faint">
        {[0, 0.25, 0.5, 0.75, 1].map((share) => (
          <span key={share}>{(spanS * share).toFixed(spanS < 4 ? 2 : 1)} s</span>
        ))}
      </div>
    </div>
  );
}
