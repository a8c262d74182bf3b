import DOMPurify from 'dompurify';

/**
 * A drawing with nothing in it but what draws, as XML. What acts on purpose has been refused before, with what it is; this
 * takes away whatever else could.
 * @throws Error where no drawing is left
 */
export function cleanDrawing(svg: string): string {
  const clean = DOMPurify.sanitize(svg.replace(/<\?xml[^>]*\?>|<!DOCTYPE[^>]*>/gi, ''), {
    USE_PROFILES: { svg: true, svgFilters: true },
    // Drawing programs draw a shape once and use it again; where it leads has been looked at before.
    ADD_TAGS: ['use'],
    // As elements: as text it would be HTML, and a picture must be XML.
    RETURN_DOM: true,
  });
  const drawing = clean instanceof Element ? clean.querySelector('svg') : null;
  if (!drawing) throw new Error('there is no drawing in it: an SVG file begins with <svg');
  return new XMLSerializer().serializeToString(drawing);
}
