import type { Assessment, Consumer } from '../assess.ts';
import { type PlacedTape, railsOhm } from '../items/index.ts';
import { padsBefore, padsOut, pieceStarts } from '../network/index.ts';
import type { Conditions } from './condition.ts';
import type { Sketch } from './nodes.ts';

/** Pixel tapes: two rails of copper with a pixel between them at each step. */
export function drawTapes(sketch: Sketch, assessment: Assessment, conditions: Conditions): void {
  // Without a board, or behind a tape that has no lights, nothing leads to a tape.
  const feeds = new Set(assessment.joins.map(({ id }) => id));
  const led = new Set(assessment.chains.flatMap(({ tapeIds }) => (feeds.has(`feed:${tapeIds[0]}`) ? tapeIds : [])));
  for (const tape of assessment.placed) {
    if (tape.shape !== 'pixels' || tape.cut.lights === 0 || !led.has(tape.id)) continue;
    const consumer = assessment.consumers.find((each) => each.id === tape.id);
    if (consumer && conditions.isLive(consumer.railId)) drawTape(sketch, tape, consumer, conditions.shareOf(tape.id));
  }
}

function drawTape(sketch: Sketch, tape: PlacedTape, consumer: Consumer, share: number): void {
  const { id, part, lit } = tape;
  const { lights } = tape.cut;
  const railOhm = railsOhm(part, 1) / 2;
  const [restA, lightA] = [consumer.restA / lights, (consumer.fullA * share) / Math.max(1, lit)];
  const starts = pieceStarts(tape.pieces);
  const place = (side: 'plus' | 'minus', light: number): string => sketch.at(id, padsBefore(tape, side, light));
  for (let light = 0; light < lights; light += 1) {
    const [plus, minus] = [place('plus', light), place('minus', light)];
    const name = `${id}: light ${light + 1}`;
    sketch.add(id, { kind: 'current', name: `${name}, dark`, from: plus, to: minus, amps: restA, leastV: 0 });
    if (light < lit)
      sketch.add(id, { kind: 'falling load', name, plus, minus, amps: lightA, fullAboveV: part.leastVoltageV });
    const behind = starts.indexOf(light + 1);
    for (const side of ['plus', 'minus'] as const) {
      const next = behind > 0 ? sketch.at(id, padsOut(tape, side, behind - 1)) : place(side, light + 1);
      sketch.add(id, { kind: 'resistor', name: `${name}, ${side} on`, a: place(side, light), b: next, ohm: railOhm });
    }
  }
}
