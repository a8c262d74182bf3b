import type { PlacedLeds } from '../items/index.ts';
import { DIODE_V, type Driven, type Switched, scanDiodeId, scanLineId, scanRunId } from '../network/index.ts';
import type { Sketch } from './nodes.ts';
import { curveShare, drawTransistor } from './switches.ts';

/** A group whose lights take turns, in one condition. */
interface Turns {
  readonly switched: Switched;
  readonly driven: Driven;
  readonly scan: NonNullable<Driven['scan']>;
  /** Of the time in which it may be lit. */
  readonly share: number;
  readonly isLit: boolean;
}

/**
 * Lights that take turns: what is lit for a part of the time stands as so much of a light, a resistor or a switch, so that
 * voltages are those of the moment and currents the mean.
 */
export function drawScan(
  sketch: Sketch,
  { switched, driven, share, isLit }: Pick<Turns, 'switched' | 'driven' | 'share' | 'isLit'>,
  group: PlacedLeds,
  ohmOf: (runId: string) => number,
): void {
  const { scan } = driven;
  if (!scan) return;
  const turns: Turns = { switched, driven, scan, share: share * scan.litOfTurn, isLit };
  if (switched.way.scans === 'one by one') drawPairs(sketch, turns, ohmOf);
  else {
    drawLights(sketch, turns, group);
    for (const line of scan.layout.lines) drawLine(sketch, turns, line);
  }
}

/** Each light between its row and its column, with the diode behind it. */
function drawLights(sketch: Sketch, { driven, scan, share }: Turns, { id, group }: PlacedLeds): void {
  const each = share / scan.layout.turns;
  group.places.forEach((place, i) => {
    sketch.add(id, {
      kind: 'diode',
      name: `${id}: light ${i + 1}`,
      anode: sketch.at(id, `plus ${i + 1}`),
      cathode: sketch.at(id, `minus ${i + 1}`),
      curve: curveShare(driven.loop.curve, each),
    });
    const diode = scanDiodeId(id, place.id);
    if (scan.hasDiodes)
      sketch.add(id, {
        kind: 'voltage',
        name: diode,
        plus: sketch.at(diode, 'anode'),
        minus: sketch.at(diode, 'cathode'),
        volts: DIODE_V,
      });
  });
}

type Line = Turns['scan']['layout']['lines'][number];

/** What stands at the end of a line: a row's switch or pin, a column's resistor and what takes its current. */
function drawLine(sketch: Sketch, turns: Turns, line: Line): void {
  const { switched, driven, scan, share } = turns;
  const { itemId } = switched;
  // A row has one turn, a column that of each of its lights.
  const of = (share * (line.kind === 'row' ? 1 : line.joins.length)) / scan.layout.turns;
  if (line.kind === 'column' && driven.resistor) {
    const name = `resistor:${itemId}:${line.id}`;
    sketch.add(itemId, {
      kind: 'resistor',
      name,
      a: sketch.at(name, 'a'),
      b: sketch.at(name, 'b'),
      ohm: driven.resistor.resistorOhm / of,
    });
  }
  if (scan.driver) drawDriverLine(sketch, turns, line, of);
  else drawBoardLine(sketch, turns, line, of);
}

/** A line at a pin, or at the transistor before it; dark columns rest at the chip's supply, dark rows at minus. */
function drawBoardLine(sketch: Sketch, { switched, driven, scan, isLit }: Turns, line: Line, of: number): void {
  const { itemId, board, way } = switched;
  if (!board) return;
  const id = scanLineId(itemId, line);
  const isRow = line.kind === 'row';
  const onPin = isRow ? way.throughPin === 'given' : scan.columnSwitch === null;
  if (!onPin) {
    const on = isRow ? driven.transistor : scan.columnSwitch;
    drawTransistor(sketch, { itemId, board, isLit, share: of, isBelow: !isRow }, on, id);
    return;
  }
  const pinOhm = isRow ? driven.loop.sharedOhm : board.part.pinOhm;
  sketch.add(itemId, {
    kind: 'resistor',
    name: `${id}: pin`,
    a: sketch.at(id, 'out'),
    b: sketch.at(board.id, isRow === isLit ? 'chip plus' : 'minus'),
    ohm: pinOhm / (isLit ? of : 1),
  });
}

/** A line of a part that scans by itself: a row through its switch, a column that holds its current down to its drop-out. */
function drawDriverLine(sketch: Sketch, { switched, driven, scan, isLit }: Turns, line: Line, of: number): void {
  const { itemId, by } = switched;
  if (!by || !scan.driver) return;
  const [plus, minus] = [sketch.at(by.id, 'plus in'), sketch.at(by.id, 'minus')];
  const out = sketch.at(by.id, `${line.kind} ${line.number}`);
  const id = scanLineId(itemId, line);
  if (line.kind === 'row')
    sketch.add(itemId, {
      kind: 'resistor',
      name: `${id}: row`,
      a: plus,
      b: out,
      ohm: scan.driver.rowOhm / (isLit ? of : 1e-8),
    });
  else
    sketch.add(itemId, {
      kind: 'falling load',
      name: `${id}: column`,
      plus: out,
      minus,
      amps: isLit ? (driven.loop.heldA ?? 0) * of : 0,
      fullAboveV: Math.max(1e-3, driven.loop.dropOutV - (scan.hasDiodes ? DIODE_V : 0)),
    });
}

/** Between shared pins a wire is at plus in one turn and at minus in the next: each light stands with its own pair of them. */
function drawPairs(
  sketch: Sketch,
  { switched, driven, scan, share, isLit }: Turns,
  ohmOf: (runId: string) => number,
): void {
  const { itemId, board } = switched;
  if (!board || !isLit) return;
  const each = share / scan.layout.turns;
  const wiresOhm = (light: number): number =>
    scan.layout.lines
      .filter(({ joins }) => joins.some((join) => join.light === light))
      .reduce((sum, line) => sum + ohmOf(scanRunId(itemId, line)), 0);
  for (let light = 0; light < scan.layout.turns; light += 1) {
    const [anode, cathode] = [
      sketch.at(`${itemId} in its turn`, `plus ${light + 1}`),
      sketch.at(`${itemId} in its turn`, `minus ${light + 1}`),
    ];
    const behind = sketch.at(`${itemId} in its turn`, `behind ${light + 1}`);
    sketch.add(
      itemId,
      {
        kind: 'resistor',
        name: `${itemId}: light ${light + 1}, its pins and resistors`,
        a: sketch.at(board.id, 'chip plus'),
        b: anode,
        ohm: (driven.loop.ohm + driven.loop.sharedOhm + wiresOhm(light)) / each,
      },
      {
        kind: 'diode',
        name: `${itemId}: light ${light + 1}`,
        anode,
        cathode,
        curve: curveShare(driven.loop.curve, each),
      },
      {
        kind: 'voltage',
        name: `${itemId}: light ${light + 1}, its diode`,
        plus: cathode,
        minus: behind,
        volts: driven.loop.dropV,
      },
    );
    sketch.join(behind, sketch.at(board.id, 'minus'));
  }
}
