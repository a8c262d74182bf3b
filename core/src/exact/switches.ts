import type { LedCurve } from '../circuit/index.ts';
import { type Board, isFullOn, OFF_OHM, type TransistorSwitch } from '../network/index.ts';
import type { Sketch } from './nodes.ts';

/**
 * A light that is lit for a share of the time stands as so much of a light: its voltages are those of the lit one, its
 * current is the mean.
 */
export const curveShare = (curve: LedCurve, share: number): LedCurve => ({
  ...curve,
  saturationA: curve.saturationA * share,
  seriesOhm: curve.seriesOhm / share,
});

/** What a transistor switches: for whom, by which board, and how much of the time. */
interface Switches {
  readonly itemId: string;
  readonly board: Board | null;
  readonly isLit: boolean;
  readonly share: number;
  /** It switches towards minus. */
  readonly isBelow: boolean;
}

/** A transistor that is on, and the far side that it switches to. */
interface Standing {
  readonly transistor: TransistorSwitch;
  readonly isBelow: boolean;
  readonly share: number;
  readonly far: string;
  readonly itemId: string;
}

/** A transistor between the end of a channel or line, and plus or minus. */
export function drawTransistor(
  sketch: Sketch,
  { itemId, board, isLit, share, isBelow }: Switches,
  transistor: TransistorSwitch | null,
  id: string,
): void {
  const out = sketch.at(id, 'out');
  const far = sketch.at(id, isBelow ? 'minus' : 'plus');
  if (!isLit || !transistor || !board) {
    sketch.add(itemId, { kind: 'resistor', name: `${id}: transistor, off`, a: out, b: far, ohm: OFF_OHM });
    return;
  }
  const [high, low] = isBelow ? [out, far] : [far, out];
  drawBase(sketch, { transistor, isBelow, share, far, boardId: board.id, itemId }, id);
  if (!isFullOn(transistor)) {
    const gate = isBelow ? sketch.at(board.id, 'chip plus') : sketch.at(board.id, 'minus');
    drawHalfOn(sketch, { transistor, isBelow, share, far, out, gate, itemId }, id);
    return;
  }
  const within = sketch.at(id, 'within');
  sketch.add(
    itemId,
    { kind: 'resistor', name: `${id}: transistor`, a: high, b: within, ohm: transistor.part.onOhm / share },
    { kind: 'voltage', name: `${id}: transistor, full on`, plus: within, minus: low, volts: transistor.part.onDropV },
  );
}

/** One that its pin does not turn full on: by its own law, with what its gate gets; a base that gets too little stays off. */
function drawHalfOn(sketch: Sketch, on: Standing & { readonly out: string; readonly gate: string }, id: string): void {
  const { isBelow, share, far, out, gate, itemId } = on;
  const { type, thresholdV, onOhm, gateV } = on.transistor.part;
  const name = `${id}: transistor, half on`;
  sketch.add(itemId, { kind: 'resistor', name: `${id}: transistor, off`, a: out, b: far, ohm: OFF_OHM });
  if (type === 'bipolar') return;
  sketch.add(itemId, {
    kind: isBelow ? 'nmos' : 'pmos',
    name,
    gate,
    drain: out,
    source: far,
    thresholdV,
    onOhm: onOhm / share,
    atGateV: gateV,
  });
}

/** Base or gate of a transistor that is on, with what the pin or its helper stands before it. */
function drawBase(sketch: Sketch, on: Standing & { readonly boardId: string }, id: string): void {
  const { transistor, isBelow, share, far, boardId, itemId } = on;
  const [chip, minus] = [sketch.at(boardId, 'chip plus'), sketch.at(boardId, 'minus')];
  const ohm = transistor.holdOhm / share;
  const name = `${id}: base or gate`;
  const junction = sketch.at(id, 'base');
  const volts = transistor.junctionV;
  const [from, to] = isBelow ? [chip, far] : [far, minus];
  if (volts === 0) sketch.add(itemId, { kind: 'resistor', name, a: from, b: to, ohm });
  else if (isBelow)
    sketch.add(
      itemId,
      { kind: 'resistor', name, a: from, b: junction, ohm },
      { kind: 'voltage', name: `${id}: base to emitter`, plus: junction, minus: to, volts },
    );
  else
    sketch.add(
      itemId,
      { kind: 'voltage', name: `${id}: emitter to base`, plus: from, minus: junction, volts },
      { kind: 'resistor', name, a: junction, b: to, ohm },
    );
  if (transistor.helper)
    sketch.add(itemId, {
      kind: 'current',
      name: `${id}: base of its helper`,
      from: chip,
      to: minus,
      amps: transistor.helperA * share,
    });
}
