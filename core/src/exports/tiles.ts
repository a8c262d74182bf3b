import { escapeXml, n, RULE_MM } from './sheet.ts';

/** Sheets that printers take. */
export const papers = {
  A4: { widthMm: 210, heightMm: 297 },
  Letter: { widthMm: 215.9, heightMm: 279.4 },
} as const;
/** The name of one. */
export type Paper = keyof typeof papers;

/** Left free at every edge, which printers do not reach, with the words of the sheet. */
const EDGE_MM = 14;
/** What two neighbours both show: there they are laid on each other and glued. */
const LAP_MM = 12;

/** How a large drawing lies on several sheets. */
interface Tiling {
  readonly columns: number;
  readonly rows: number;
  /** Of a sheet, as it is turned. */
  readonly widthMm: number;
  readonly heightMm: number;
  /** Of what of the drawing a sheet shows. */
  readonly shownWidthMm: number;
  readonly shownHeightMm: number;
  /** Row by row, with the place of the drawing at its upper left. */
  readonly tiles: readonly {
    readonly row: number;
    readonly column: number;
    readonly xMm: number;
    readonly yMm: number;
  }[];
}

const countOf = (lengthMm: number, shownMm: number): number =>
  Math.max(1, Math.ceil((lengthMm - LAP_MM) / (shownMm - LAP_MM) - 1e-9));

/**
 * The fewest sheets for a drawing of this size, upright or turned, each lapping over the next by 12 mm.
 * @example 640 × 420 mm on A4: 182 × 269 mm to a sheet upright, so 4 × 2; turned 269 × 182 mm, so 3 × 3: upright it is, 8 sheets
 */
export function layTiles(widthMm: number, heightMm: number, paper: Paper): Tiling {
  const { widthMm: shortMm, heightMm: longMm } = papers[paper];
  const lay = (sheetW: number, sheetH: number): Tiling => {
    const [shownWidthMm, shownHeightMm] = [sheetW - 2 * EDGE_MM, sheetH - 2 * EDGE_MM];
    const [columns, rows] = [countOf(widthMm, shownWidthMm), countOf(heightMm, shownHeightMm)];
    const tiles = Array.from({ length: rows * columns }, (_, i) => {
      const [row, column] = [Math.floor(i / columns), i % columns];
      return { row, column, xMm: column * (shownWidthMm - LAP_MM), yMm: row * (shownHeightMm - LAP_MM) };
    });
    return { columns, rows, widthMm: sheetW, heightMm: sheetH, shownWidthMm, shownHeightMm, tiles };
  };
  const [upright, turned] = [lay(shortMm, longMm), lay(longMm, shortMm)];
  return turned.tiles.length < upright.tiles.length ? turned : upright;
}

/** A cross in the middle of a lap; both neighbours have it, so that one is laid on the other. */
const cross = (x: number, y: number): string =>
  `<path d="M${n(x - 5)} ${n(y)} h10 M${n(x)} ${n(y - 5)} v10"/><circle cx="${n(x)}" cy="${n(y)}" r="2.5"/>`;

/** Where register crosses stand on the drawing: in the laps, and along its edges. */
function crossesOf({ columns, rows, shownWidthMm, shownHeightMm }: Tiling): readonly (readonly [number, number])[] {
  const seams = (count: number, shownMm: number): number[] =>
    Array.from({ length: count + 1 }, (_, k) => k * (shownMm - LAP_MM) + LAP_MM / 2);
  return seams(columns, shownWidthMm).flatMap((x) => seams(rows, shownHeightMm).map((y) => [x, y] as const));
}

/**
 * A drawing at full size on as many sheets as it needs, as one page for a browser to print: each with register crosses, with
 * where it belongs, and with a rule to check the printer by.
 * @param drawing an SVG of which one user unit is a millimetre
 * @param title on every sheet
 */
export function writeTiles(
  drawing: string,
  {
    widthMm,
    heightMm,
    title,
    paper,
  }: { readonly widthMm: number; readonly heightMm: number; readonly title: string; readonly paper: Paper },
): string {
  const tiling = layTiles(widthMm, heightMm, paper);
  const { columns, rows, tiles, shownWidthMm: w, shownHeightMm: h } = tiling;
  const inner = drawing.replace(/^[\s\S]*?<svg[^>]*>/, '').replace(/<\/svg>\s*$/, '');
  const crosses = crossesOf(tiling)
    .map(([x, y]) => cross(x, y))
    .join('');
  const sheets = tiles.map(({ row, column, xMm, yMm }) => {
    const foot = tiling.heightMm - EDGE_MM / 2;
    const words = `Sheet ${row * columns + column + 1} of ${tiles.length}: row ${row + 1} of ${rows}, column ${column + 1} of ${columns}. Lay cross on cross.`;
    return [
      `<svg class="sheet" xmlns="http://www.w3.org/2000/svg" width="${n(tiling.widthMm)}mm" height="${n(tiling.heightMm)}mm" viewBox="0 0 ${n(tiling.widthMm)} ${n(tiling.heightMm)}" font-family="sans-serif">`,
      `<svg x="${EDGE_MM}" y="${EDGE_MM}" width="${n(w)}" height="${n(h)}" viewBox="${n(xMm)} ${n(yMm)} ${n(w)} ${n(h)}"><use href="#drawing"/></svg>`,
      `<rect x="${EDGE_MM}" y="${EDGE_MM}" width="${n(w)}" height="${n(h)}" fill="none" stroke="#999" stroke-width="0.2"/>`,
      `<text x="${EDGE_MM}" y="${EDGE_MM - 7}" font-size="3.4">${escapeXml(words)}</text>`,
      `<text x="${EDGE_MM}" y="${EDGE_MM - 2.5}" font-size="2.8">${escapeXml(title)}</text>`,
      `<g stroke="#000" stroke-width="0.3" fill="none"><path class="rule" d="M${EDGE_MM} ${n(foot)} h${RULE_MM}"/><path d="M${EDGE_MM} ${n(foot - 2)} v4 M${EDGE_MM + RULE_MM} ${n(foot - 2)} v4"/></g>`,
      `<text x="${EDGE_MM + RULE_MM + 3}" y="${n(foot + 1)}" font-size="3.2">${RULE_MM} mm: measure it. Print at 100 %.</text>`,
      '</svg>',
    ].join('\n');
  });
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<title>${escapeXml(title)}</title>
<style>
@page { size: ${n(tiling.widthMm)}mm ${n(tiling.heightMm)}mm; margin: 0; }
body { margin: 0; }
.sheet { display: block; break-after: page; }
.kept { position: absolute; width: 0; height: 0; }
</style>
</head>
<body>
<svg class="kept" xmlns="http://www.w3.org/2000/svg" aria-hidden="true"><defs><g id="drawing">
${inner}
<g stroke="#000" stroke-width="0.2" fill="none">${crosses}</g>
</g></defs></svg>
${sheets.join('\n')}
</body>
</html>
`;
}
