import type { Assessment } from '../assess.ts';
import { measureRoute, type Plan, type PlanPoint } from '../plan/index.ts';
import { mm, type Printer, say } from '../units/index.ts';
import { fingerprint } from './fingerprint.ts';
import { drawHeader, escapeXml, MARGIN_MM, n, openSheet } from './sheet.ts';
import { type Paper, writeTiles } from './tiles.ts';

interface Frame {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly at: (place: PlanPoint) => { readonly x: number; readonly y: number };
}

/** Number of a tape's first light in what it is part of. */
const firstOf = (group: Exclude<Assessment['placed'][number], { shape: 'lights' }>): number =>
  group.shape === 'pixels' ? group.firstIndex : 0;

function drawTape(group: Exclude<Assessment['placed'][number], { shape: 'lights' }>, frame: Frame): string {
  const points = group.places.map((place) => frame.at(place));
  const marks = points.map((point, i) => {
    const number = firstOf(group) + i + 1;
    const label =
      i === 0 || number % 5 === 0 || i === points.length - 1
        ? `<text x="${n(point.x)}" y="${n(point.y - 3)}" font-size="2.4" text-anchor="middle">${number}</text>`
        : '';
    return `<rect x="${n(point.x - 1)}" y="${n(point.y - 1)}" width="2" height="2" fill="none"/>${label}`;
  });
  const line = points.map((point, i) => `${i === 0 ? 'M' : 'L'}${n(point.x)} ${n(point.y)}`).join(' ');
  const first = points[0];
  const name = first
    ? `<text x="${n(first.x)}" y="${n(first.y + 7)}" font-size="3.2">${escapeXml(group.name)}: ${group.cut.lights} lights, ${group.shape === 'pixels' ? `data enters at ${group.firstIndex + 1}` : `cut every ${group.part.lightsPerJoint}`}</text>`
    : '';
  return `<g stroke="#000" stroke-width="0.2"><path d="${line}" fill="none" stroke-dasharray="1 1"/>${marks.join('')}</g>${name}`;
}

function drawLeds(
  group: Extract<Assessment['placed'][number], { shape: 'lights' }>,
  assessment: Assessment,
  frame: Frame,
  printer: Printer,
): string {
  return group.group.places
    .map((place, i) => {
      const { x, y } = frame.at(place.at);
      const fit = assessment.fits.find((each) => each.groupId === group.id && each.placeId === place.id);
      const drill = fit?.fit?.leastBoreMm ?? null;
      const radius = (drill ?? group.part.bareDiameterMm) / 2;
      return [
        `<circle cx="${n(x)}" cy="${n(y)}" r="${n(radius)}" fill="none" stroke="#000" stroke-width="0.2"/>`,
        `<path d="M${n(x - radius - 2)} ${n(y)} h${n(2 * radius + 4)} M${n(x)} ${n(y - radius - 2)} v${n(2 * radius + 4)}" stroke="#000" stroke-width="0.15"/>`,
        `<text x="${n(x + radius + 1.5)}" y="${n(y - 1)}" font-size="2.8">${escapeXml(group.name)}${group.places.length > 1 ? ` ${i + 1}` : ''}${drill === null ? '' : `, drill ${printer.message(mm(drill))}`}</text>`,
      ].join('');
    })
    .join('');
}

/** The holes that guides end in, each as wide as they are, and the mouth where they are gathered. */
function drawGuides(
  { item, guided, ends, boreMm, holeMm }: Assessment['guides'][number],
  frame: Frame,
  printer: Printer,
): string {
  const circle = (place: PlanPoint, diameterMm: number, label: string): string => {
    const { x, y } = frame.at(place);
    return `<circle cx="${n(x)}" cy="${n(y)}" r="${n(diameterMm / 2)}" fill="none" stroke="#000" stroke-width="0.15"/><text x="${n(x + diameterMm / 2 + 0.8)}" y="${n(y - 0.6)}" font-size="2.2">${escapeXml(label)}</text>`;
  };
  const first = printer.message(say`${item.name} 1, drill ${mm(holeMm)}`);
  return [
    ...ends.map((end, i) => circle(end.at, holeMm, i === 0 ? first : `${i + 1}`)),
    ...(guided ? [circle(item.at, boreMm, printer.message(say`${item.name}, bore ${mm(boreMm)}`))] : []),
  ].join('');
}

/** A drawn line that is so much off the measured length is no place to mark lights by. */
const LINE_SHARE = 0.03;

/** Tapes whose measured length is not that of their drawn line: the lights are marked along a straight strip instead. */
const stripped = (assessment: Assessment): readonly Exclude<Assessment['placed'][number], { shape: 'lights' }>[] =>
  assessment.placed.filter(
    (group): group is Exclude<Assessment['placed'][number], { shape: 'lights' }> =>
      group.shape !== 'lights' &&
      group.places.length > 0 &&
      !('grid' in group.tape && group.tape.grid) &&
      Math.abs(measureRoute(group.tape.route) - group.routeMm) > LINE_SHARE * group.routeMm,
  );

const STRIP_MM = 16;

/** Straight strips at full size, in pieces as wide as the sheet, to be laid along the real edge. */
function drawStrips(
  assessment: Assessment,
  widthMm: number,
  topMm: number,
  printer: Printer,
): { readonly text: string; readonly heightMm: number } {
  let y = topMm;
  const roomMm = Math.max(60, widthMm - 2 * MARGIN_MM);
  const parts = stripped(assessment).flatMap((group) => {
    const pitchMm = 1000 / group.part.perMetre;
    const drawnMm = measureRoute(group.tape.route);
    const head = `<text x="${MARGIN_MM}" y="${n(y + 4)}" font-size="3.2">${escapeXml(printer.message(say`${group.name}: the drawn line is ${mm(drawnMm)}, you measured ${mm(group.routeMm)}. Mark the lights by this strip, laid along the real edge.`))}</text>`;
    y += 8;
    const perPiece = Math.max(1, Math.floor(roomMm / pitchMm));
    const pieces = Math.ceil(group.cut.lights / perPiece);
    const strips = Array.from({ length: pieces }, (_, piece) => {
      const count = Math.min(perPiece, group.cut.lights - piece * perPiece);
      const marks = Array.from({ length: count }, (_m, i) => {
        const x = MARGIN_MM + (i + 0.5) * pitchMm;
        const number = firstOf(group) + piece * perPiece + i + 1;
        const isNumbered = i === 0 || i === count - 1 || number % 5 === 0;
        return `<rect x="${n(x - 1)}" y="${n(y - 1)}" width="2" height="2" fill="none"/>${isNumbered ? `<text x="${n(x)}" y="${n(y - 2)}" font-size="2.4" text-anchor="middle" stroke="none">${number}</text>` : ''}`;
      });
      const strip = `<g stroke="#000" stroke-width="0.2"><path d="M${MARGIN_MM} ${n(y)} h${n(count * pitchMm)} M${MARGIN_MM} ${n(y - 3)} v6 M${n(MARGIN_MM + count * pitchMm)} ${n(y - 3)} v6" fill="none"/>${marks.join('')}</g>`;
      y += STRIP_MM - 4;
      return strip;
    });
    return [head, ...strips];
  });
  return { text: parts.join('\n'), heightMm: parts.length === 0 ? 0 : y - topMm + 6 };
}

const titleOf = (plan: Plan, side: Side): string =>
  `${plan.name}, seen from the ${side}, full size, mark ${fingerprint(plan.design)}`;

/** From where the piece is seen: what is drawn from behind is mirrored, but for its writing. */
type Side = 'front' | 'back';

function drawTemplate(plan: Plan, assessment: Assessment, side: Side, printer: Printer) {
  const { view } = plan.design;
  const widthMm = view.widthMm + 2 * MARGIN_MM;
  const strips = drawStrips(assessment, widthMm, view.heightMm + MARGIN_MM + 8, printer);
  const frame: Frame = {
    widthMm,
    heightMm: view.heightMm + 2 * MARGIN_MM + strips.heightMm,
    at: ({ xMm, yMm }) => ({ x: MARGIN_MM + (side === 'front' ? xMm : view.widthMm - xMm), y: MARGIN_MM + yMm }),
  };
  const groups = assessment.placed.map((group) =>
    group.shape === 'lights' ? drawLeds(group, assessment, frame, printer) : drawTape(group, frame),
  );
  const svg = `${[
    openSheet(frame.widthMm, frame.heightMm),
    drawHeader(titleOf(plan, side), frame.heightMm),
    `<rect x="${MARGIN_MM}" y="${MARGIN_MM}" width="${n(view.widthMm)}" height="${n(view.heightMm)}" fill="none" stroke="#999" stroke-width="0.2"/>`,
    ...groups,
    ...assessment.guides.map((guide) => drawGuides(guide, frame, printer)),
    ...(strips.heightMm > 0 ? [strips.text] : []),
    '</svg>',
  ].join('\n')}\n`;
  return { svg, widthMm: frame.widthMm, heightMm: frame.heightMm };
}

/**
 * The full-size marking template as SVG: one user unit is one millimetre, with a rule to check the printer by.
 * `side: 'back'` mirrors the places, not the writing, for work from behind.
 */
export const exportTemplateSvg = (plan: Plan, assessment: Assessment, side: Side, printer: Printer): string =>
  drawTemplate(plan, assessment, side, printer).svg;

/** The same on as many sheets as it needs, as a page that a browser prints. */
export function exportTemplateTiles(
  plan: Plan,
  assessment: Assessment,
  side: Side,
  paper: Paper,
  printer: Printer,
): string {
  const { svg, widthMm, heightMm } = drawTemplate(plan, assessment, side, printer);
  return writeTiles(svg, { widthMm, heightMm, title: titleOf(plan, side), paper });
}
