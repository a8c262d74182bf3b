import { type ControllerPart, findPart } from '../../parts/index.ts';
import type { Drawing } from '../drawing.ts';
import type { BoardItem } from '../types.ts';
import { LIFT_EFFICIENCY } from './chip.ts';

/** A board: what it draws, and its chip's supply, which its pins and what they read stand on. */
export function drawBoard({ id, part: partId }: BoardItem, drawing: Drawing): void {
  const part = findPart(drawing.library, 'controller', partId);
  if (!part) return;
  if (part.regulator === null) drawing.join(drawing.at(id, 'chip plus'), drawing.at(id, 'plus in'));
  if (drawing.isLive(id)) drawPart(id, part, drawing);
}

function drawPart(id: string, part: ControllerPart, drawing: Drawing): void {
  const [plus, minus, chip] = [drawing.at(id, 'plus in'), drawing.at(id, 'minus'), drawing.at(id, 'chip plus')];
  const amps = part.drawA.likely;
  drawing.add(id, { kind: 'current', name: `${id}: its own draw`, from: plus, to: minus, amps, leastV: 0 });
  if (part.regulator?.lifts)
    drawing.add(id, {
      kind: 'converter',
      name: `${id}: chip supply`,
      inPlus: plus,
      inMinus: minus,
      outPlus: chip,
      outMinus: minus,
      volts: part.logicV,
      idleA: 0,
      leastV: 0.1,
      law: { table: [[1, LIFT_EFFICIENCY]], fullA: 1, statedInputV: part.logicV, perVolt: 0, least: 0, most: 1 },
    });
  else if (part.regulator)
    drawing.add(id, {
      kind: 'regulator',
      name: `${id}: chip supply`,
      input: plus,
      output: chip,
      minus,
      volts: part.logicV,
      dropOutV: part.regulator.dropOutV,
      idleA: 0,
    });
}
