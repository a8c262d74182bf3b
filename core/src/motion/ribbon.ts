import { paintFrame } from './frame.ts';
import type { Show } from './show.ts';

/** A group's light over time: `columns` frames side by side, each light a row, three bytes a cell (perceptual, for the screen). */
export interface Ribbon {
  readonly groupId: string;
  /** Steps of time. */
  readonly columns: number;
  /** Lights, or as many as fit. */
  readonly rows: number;
  /** Row by row, three bytes each. */
  readonly rgb: Uint8Array;
}

/** Light back to a screen's own scale; the brightness of the mood is taken out so that the weave is seen. */
const toScreen = Uint8Array.from({ length: 256 }, (_, light) => Math.round(255 * (light / 255) ** (1 / 2.2)));

/** The ribbons of a mood over a span of time, computed by the engine frame by frame. */
export function weaveRibbons(
  show: Show,
  moodIndex: number,
  options: { readonly spanMs: number; readonly columns: number; readonly mostRows: number },
): Ribbon[] {
  const { spanMs, columns, mostRows } = options;
  const mood = show.moods[moodIndex];
  if (!mood) return [];
  const bright: Show = {
    ...show,
    moods: show.moods.map((each, i) => (i === moodIndex ? { ...each, brightness256: 256 } : each)),
  };
  const ribbons = show.groups.map((group) => ({
    group,
    rows: Math.min(mostRows, group.points),
    rgb: new Uint8Array(columns * Math.min(mostRows, group.points) * 3),
  }));
  const frame = new Uint8Array(show.frameBytes);
  for (let column = 0; column < columns; column += 1) {
    paintFrame(bright, moodIndex, Math.trunc((column * spanMs) / columns), frame);
    for (const { group, rows, rgb } of ribbons) {
      for (let row = 0; row < rows; row += 1) {
        const at = group.offset + row * group.bytesPerPoint;
        const cell = (row * columns + column) * 3;
        for (let k = 0; k < 3; k += 1)
          rgb[cell + k] = toScreen[frame[at + (group.bytesPerPoint === 3 ? k : 0)] ?? 0] ?? 0;
      }
    }
  }
  return ribbons.map(({ group, rows, rgb }) => ({ groupId: group.id, columns, rows, rgb }));
}
