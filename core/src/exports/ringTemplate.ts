import { chordOfRing, type RingMark } from '../lights/index.ts';
import { mm, type Printer, quantity, say } from '../units/index.ts';
import { drawHeader, MARGIN_MM, n, openSheet } from './sheet.ts';

/** Room for the rule and its words, which are wider than a small ring. */
const LEAST_WIDTH_MM = 190;

/**
 * The full-size template of a ring as SVG: centre, circle of centres, and a numbered cross for each light.
 * The marks are drawn as they are given: of the front, or mirrored for the back.
 */
export function exportRingSvg(
  ring: { readonly radiusMm: number; readonly marks: readonly RingMark[] },
  title: string,
  printer: Printer,
): string {
  const { radiusMm, marks } = ring;
  const widthMm = Math.max(LEAST_WIDTH_MM, 2 * (radiusMm + MARGIN_MM));
  const heightMm = 2 * (radiusMm + MARGIN_MM) + 8;
  const [cx, cy] = [widthMm / 2, radiusMm + MARGIN_MM];
  const crosses = marks.map((mark) => {
    const [x, y] = [cx + mark.xMm, cy - mark.yMm];
    const [tx, ty] = [cx + mark.xMm * (1 + 6 / radiusMm), cy - mark.yMm * (1 + 6 / radiusMm)];
    return [
      `<path d="M${n(x - 2)} ${n(y)} h4 M${n(x)} ${n(y - 2)} v4" stroke="#000" stroke-width="0.2"/>`,
      `<text x="${n(tx)}" y="${n(ty + 1)}" font-size="2.8" text-anchor="middle">${mark.number}</text>`,
    ].join('');
  });
  const chord = quantity('lengthMm', chordOfRing.reckon({ r: radiusMm, N: marks.length }), { digits: 5 });
  return `${[
    openSheet(widthMm, heightMm),
    drawHeader(
      printer.message(say`${title}: ${marks.length} on a radius of ${mm(radiusMm)}, dividers ${chord}`),
      heightMm,
    ),
    `<circle cx="${n(cx)}" cy="${n(cy)}" r="${n(radiusMm)}" fill="none" stroke="#000" stroke-width="0.2"/>`,
    `<path d="M${n(cx - 4)} ${n(cy)} h8 M${n(cx)} ${n(cy - 4)} v8" stroke="#000" stroke-width="0.2"/>`,
    ...crosses,
    '</svg>',
  ].join('\n')}\n`;
}
