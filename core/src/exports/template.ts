import type { Assessment } from '../assess.ts';
import type { Plan, PlanPoint } from '../plan/index.ts';
import { printQuantity } from '../units/index.ts';
import { fingerprint } from './fingerprint.ts';
import { drawHeader, escapeXml, MARGIN_MM, n, openSheet } from './sheet.ts';

interface Frame {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly at: (place: PlanPoint) => { readonly x: number; readonly y: number };
}

function drawTape(group: Extract<Assessment['placed'][number], { kind: 'tape' }>, frame: Frame): string {
  const points = group.places.map((place) => frame.at(place));
  const marks = points.map((point, i) => {
    const number = group.firstIndex + i + 1;
    const label =
      i === 0 || number % 5 === 0 || i === points.length - 1
        ? `<text x="${n(point.x)}" y="${n(point.y - 3)}" font-size="2.4" text-anchor="middle">${number}</text>`
        : '';
    return `<rect x="${n(point.x - 1)}" y="${n(point.y - 1)}" width="2" height="2" fill="none"/>${label}`;
  });
  const line = points.map((point, i) => `${i === 0 ? 'M' : 'L'}${n(point.x)} ${n(point.y)}`).join(' ');
  const first = points[0];
  const name = first
    ? `<text x="${n(first.x)}" y="${n(first.y + 7)}" font-size="3.2">${escapeXml(group.name)}: ${group.cut.lights} lights, data enters at ${group.firstIndex + 1}</text>`
    : '';
  return `<g stroke="#000" stroke-width="0.2"><path d="${line}" fill="none" stroke-dasharray="1 1"/>${marks.join('')}</g>${name}`;
}

function drawLeds(
  group: Extract<Assessment['placed'][number], { kind: 'leds' }>,
  assessment: Assessment,
  frame: Frame,
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
        `<text x="${n(x + radius + 1.5)}" y="${n(y - 1)}" font-size="2.8">${escapeXml(group.name)}${group.places.length > 1 ? ` ${i + 1}` : ''}${drill === null ? '' : `, drill ${printQuantity('lengthMm', drill)}`}</text>`,
      ].join('');
    })
    .join('');
}

/**
 * The full-size marking template as SVG: one user unit is one millimetre, with a rule to check the printer by.
 * `side: 'back'` mirrors the places, not the writing, for work from behind.
 */
export function exportTemplateSvg(plan: Plan, assessment: Assessment, side: 'front' | 'back' = 'front'): string {
  const { view } = plan.design;
  const frame: Frame = {
    widthMm: view.widthMm + 2 * MARGIN_MM,
    heightMm: view.heightMm + 2 * MARGIN_MM,
    at: ({ xMm, yMm }) => ({ x: MARGIN_MM + (side === 'front' ? xMm : view.widthMm - xMm), y: MARGIN_MM + yMm }),
  };
  const groups = assessment.placed.map((group) =>
    group.kind === 'tape' ? drawTape(group, frame) : drawLeds(group, assessment, frame),
  );
  return `${[
    openSheet(frame.widthMm, frame.heightMm),
    drawHeader(`${plan.name}, seen from the ${side}, full size, mark ${fingerprint(plan.design)}`, frame.heightMm),
    `<rect x="${MARGIN_MM}" y="${MARGIN_MM}" width="${n(view.widthMm)}" height="${n(view.heightMm)}" fill="none" stroke="#999" stroke-width="0.2"/>`,
    ...groups,
    '</svg>',
  ].join('\n')}\n`;
}
