import type { Drawing } from './drawing.ts';

/** What an item that switches others draws of its own, from its supply to its minus. */
export function drawOwn(id: string, drawing: Drawing): void {
  const [from, to] = [drawing.at(id, 'plus in'), drawing.at(id, 'minus')];
  if (drawing.isLive(id))
    drawing.add(id, { kind: 'current', name: `${id}: its own`, from, to, amps: drawing.drawnA(id), leastV: 0 });
}

/** What closes one of its outputs to its minus. */
export function closeToMinus(id: string, output: string, ohm: number, drawing: Drawing): void {
  const [a, b] = [drawing.at(id, output), drawing.at(id, 'minus')];
  drawing.add(id, { kind: 'resistor', name: `${id}: ${output}`, a, b, ohm });
}
