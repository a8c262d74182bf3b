import type { Assessment, Consumer } from '../assess.ts';
import { type PlacedTape, railsOhm } from '../items/index.ts';
import type { Conditions } from './condition.ts';
import type { Sketch } from './nodes.ts';

/** Pixel tapes: two rails of copper with a pixel between them at each step. */
export function drawTapes(sketch: Sketch, assessment: Assessment, conditions: Conditions): void {
  for (const tape of assessment.placed) {
    if (tape.shape !== 'pixels' || tape.cut.lights === 0) continue;
    const consumer = assessment.consumers.find((each) => each.id === tape.id);
    if (consumer && conditions.isLive(consumer.railId)) drawTape(sketch, tape, consumer, conditions.shareOf(tape.id));
  }
}

function drawTape(sketch: Sketch, tape: PlacedTape, consumer: Consumer, share: number): void {
  const { id, part, cut } = tape;
  const { lights } = cut;
  const columns = tape.tape.grid?.columns ?? lights;
  const railOhm = railsOhm(part, 1) / 2;
  const [restA, lightA] = [consumer.restA / lights, (consumer.fullA * share) / lights];
  const startsRow = (light: number): boolean => light > 0 && light % columns === 0;
  const place = (side: 'plus' | 'minus', light: number): string => {
    if (light === 0) return sketch.at(id, side);
    return sketch.at(id, startsRow(light) ? `${side}, row ${light / columns + 1} in` : `${side} at ${light + 1}`);
  };
  for (let light = 0; light < lights; light += 1) {
    const [plus, minus] = [place('plus', light), place('minus', light)];
    const name = `${id}: light ${light + 1}`;
    sketch.add(
      id,
      { kind: 'current', name: `${name}, dark`, from: plus, to: minus, amps: restA, leastV: 0 },
      { kind: 'falling load', name, plus, minus, amps: lightA, fullAboveV: part.leastVoltageV },
    );
    for (const side of ['plus', 'minus'] as const) {
      const next =
        light === lights - 1
          ? sketch.at(id, `${side} out`)
          : startsRow(light + 1)
            ? sketch.at(id, `${side}, row ${(light + 1) / columns} out`)
            : place(side, light + 1);
      sketch.add(id, { kind: 'resistor', name: `${name}, ${side} on`, a: place(side, light), b: next, ohm: railOhm });
    }
  }
}
