const named: Readonly<Record<string, string>> = {
  lt: '<',
  gt: '>',
  amp: '&',
  quot: '"',
  apos: "'",
  colon: ':',
  lpar: '(',
  num: '#',
};
/** Coded within what is coded, as often as anyone would. */
const MOST_ROUNDS = 4;
const LAST_LETTER = 0x10ffff;

function letterOf(code: string, radix: number): string {
  const point = Number.parseInt(code, radix);
  return point > 0 && point <= LAST_LETTER ? String.fromCodePoint(point) : ' ';
}

const decodeOnce = (text: string): string =>
  text
    .replace(/&#x([0-9a-f]+);?/gi, (_, code: string) => letterOf(code, 16))
    .replace(/&#(\d+);?/g, (_, code: string) => letterOf(code, 10))
    .replace(/\\([0-9a-f]{1,6})\s?/gi, (_, code: string) => letterOf(code, 16))
    .replace(/&(\w+);/g, (whole, name: string) => named[name.toLowerCase()] ?? whole);

/** The text with everything that is coded in it written out, so that a pattern sees what a browser would. */
function decode(text: string): string {
  let now = text;
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const next = decodeOnce(now);
    if (next === now) break;
    now = next;
  }
  return now.replace(/[^\P{Cc}\t\n\r]/gu, '').replace(/\/\*.*?\*\//gs, '');
}

/** What could act in a drawing, or lead out of it. A place within the drawing (`#…`) and a picture in it are neither. */
const patterns: readonly (readonly [RegExp, string])[] = [
  [/<\s*(?:[\w-]+:)?script/i, 'a script'],
  [
    /<\s*(?:[\w-]+:)?(?:foreignObject|iframe|object|embed|handler|listener|audio|video|link|meta)\b/i,
    'foreign content',
  ],
  [/[\s"'/]on[a-z]+\s*=/i, 'an event attribute'],
  [/(?:java|vb)\s*script\s*:/i, 'a script link'],
  [/<!(?:ENTITY|DOCTYPE[^>]*\[)/i, 'an entity definition'],
  [/<\?xml-stylesheet|@import/i, 'a style from elsewhere'],
  [/(?:href|src)\s*=\s*["']?\s*(?!["'\s#]|data:image\/(?:png|jpe?g|gif|webp)[;,])/i, 'a link to elsewhere'],
  [/url\(\s*["']?\s*(?!["'\s#)]|data:image\/(?:png|jpe?g|gif|webp)[;,])/i, 'a link to elsewhere'],
  [/attributeName\s*=\s*["']?\s*(?:xlink:)?(?:href|on)/i, 'a link that moves'],
];

/**
 * Looks for anything in an SVG that could act: scripts, event attributes, foreign content, links to elsewhere, plain or
 * coded. It is only ever shown as a picture, in which nothing acts; this is the second wall.
 * @returns what was found and what to do, or undefined if the drawing is only a drawing.
 */
export function findActiveContent(svgText: string): string | undefined {
  const written = decode(svgText);
  const found = patterns.find(([pattern]) => pattern.test(svgText) || pattern.test(written));
  return found && `the drawing holds ${found[1]}; save it as a plain SVG (shapes only) and bring it in again`;
}
