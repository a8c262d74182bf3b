import type { Drawing } from './drawing.ts';

/** Whatever gives power by itself: an open voltage behind what resists inside and at its contacts. */
export function drawSource({ id }: { readonly id: string }, drawing: Drawing): void {
  const source = drawing.sourceOf(id);
  if (!source) return;
  const [minus, inside] = [drawing.at(id, 'minus'), drawing.at(id, 'inside')];
  drawing.countFrom(minus);
  drawing.add(
    id,
    { kind: 'voltage', name: `${id}: open voltage`, plus: inside, minus, volts: source.openV },
    {
      kind: 'resistor',
      name: `${id}: inside and its contacts`,
      a: inside,
      b: drawing.at(id, 'plus'),
      ohm: source.ohm,
    },
  );
}
