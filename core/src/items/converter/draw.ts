import { findPart } from '../../parts/index.ts';
import type { Drawing } from '../drawing.ts';
import type { ConverterItem } from '../types.ts';
import { efficiencyLaw, isLinear } from './model.ts';

/** A converter that something feeds: a linear one drops what is over, any other turns watts into watts. */
export function drawConverter({ id, part: partId }: ConverterItem, drawing: Drawing): void {
  const outMinus = drawing.at(id, 'out minus');
  const part = findPart(drawing.library, 'converter', partId);
  if (!part || !drawing.isLive(id)) return;
  const [inPlus, outPlus] = [drawing.at(id, 'in plus'), drawing.at(id, 'out plus')];
  drawing.countFrom(outMinus);
  if (isLinear(part))
    drawing.add(id, {
      kind: 'regulator',
      name: `${id}: regulator`,
      input: inPlus,
      output: outPlus,
      minus: outMinus,
      volts: part.outputV,
      dropOutV: part.inputLeastV - part.outputV,
      idleA: part.idleA,
    });
  else
    drawing.add(id, {
      kind: 'converter',
      name: `${id}: converter`,
      inPlus,
      inMinus: drawing.at(id, 'in minus'),
      outPlus,
      outMinus,
      volts: part.outputV,
      idleA: part.idleA,
      leastV: part.inputLeastV,
      law: efficiencyLaw(part),
    });
}
