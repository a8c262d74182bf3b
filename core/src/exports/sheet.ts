/** Text that is safe inside SVG; signs that XML can't hold become blanks. */
export const escapeXml = (text: string): string =>
  text
    .replace(/[^\P{Cc}\t\n\r]|\p{Cs}|\uFFFE|\uFFFF/gu, ' ')
    .replace(/[&<>"]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign] ?? sign);
/** A number of millimetres to a thousandth. */
export const n = (value: number): string => String(Math.round(value * 1000) / 1000);

/** Paper left round what is drawn. */
export const MARGIN_MM = 20;
/** Of the rule that a printer is checked by. */
export const RULE_MM = 100;

/** Title above, and below a rule to check the printer's scale by. */
export function drawHeader(title: string, heightMm: number): string {
  const y = heightMm - 8;
  const ticks = Array.from(
    { length: RULE_MM / 10 + 1 },
    (_, i) => `<path d="M${n(MARGIN_MM + i * 10)} ${n(y)} v-${i % 5 === 0 ? 4 : 2}"/>`,
  ).join('');
  return [
    `<text x="${MARGIN_MM}" y="9" font-size="5" font-weight="bold">${escapeXml(title)}</text>`,
    `<g stroke="#000" stroke-width="0.3" fill="none"><path d="M${MARGIN_MM} ${n(y)} h${RULE_MM}"/>${ticks}</g>`,
    `<text x="${MARGIN_MM + RULE_MM + 3}" y="${n(y)}" font-size="3.2">This rule is 100 mm long: measure it before you drill. Print at 100 %.</text>`,
  ].join('\n');
}

/** A sheet at true size: one user unit is one millimetre. */
export const openSheet = (widthMm: number, heightMm: number): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${n(widthMm)}mm" height="${n(heightMm)}mm" viewBox="0 0 ${n(widthMm)} ${n(heightMm)}" font-family="sans-serif">`;
