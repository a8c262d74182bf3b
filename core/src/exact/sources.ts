import type { Assessment } from '../assess.ts';
import { efficiencyLaw, isLinear } from '../items/index.ts';
import { type Board, LIFT_EFFICIENCY, type Rail } from '../network/index.ts';
import { findPart } from '../parts/index.ts';
import { sourceAt } from '../power/index.ts';
import type { Conditions } from './condition.ts';
import type { Sketch } from './nodes.ts';

/** Packs, outside supplies, switches in a lead and converters. */
export function drawRails(sketch: Sketch, assessment: Assessment, conditions: Conditions): void {
  for (const rail of assessment.rails.list) {
    if (rail.gives.kind === 'switch') drawSwitch(sketch, assessment, conditions, rail);
    else if (rail.gives.kind === 'converter') drawConverter(sketch, conditions, rail);
    else drawSource(sketch, assessment, conditions, rail);
  }
}

function drawSource(sketch: Sketch, { supplies }: Assessment, { condition }: Conditions, rail: Rail): void {
  const supply = supplies.find((each) => each.rail.id === rail.id);
  if (!supply) return;
  const { id } = rail;
  const { openV, ohm } = sourceAt(supply.tree.source, condition.charge);
  const minus = sketch.at(id, 'minus');
  const inside = sketch.at(id, 'inside');
  sketch.countFrom(minus);
  sketch.add(
    id,
    { kind: 'voltage', name: `${id}: open voltage`, plus: inside, minus, volts: openV },
    {
      kind: 'resistor',
      name: `${id}: inside and its contacts`,
      a: inside,
      b: sketch.at(id, 'plus'),
      ohm: ohm + (supply.tree.nodes[0]?.ohm ?? 0),
    },
  );
}

function drawSwitch(sketch: Sketch, { library }: Assessment, { condition }: Conditions, rail: Rail): void {
  if (rail.gives.kind !== 'switch') return;
  const [a, b] = [sketch.at(rail.id, 'a'), sketch.at(rail.id, 'b')];
  const name = `${rail.id}: contact`;
  if (condition.openIds.includes(rail.id)) sketch.add(rail.id, { kind: 'switch', name, a, b, closed: false });
  else
    sketch.add(rail.id, {
      kind: 'resistor',
      name,
      a,
      b,
      ohm: findPart(library, 'switch', rail.gives.item.part)?.contactOhm ?? 0,
    });
}

function drawConverter(sketch: Sketch, { isLive }: Conditions, { id, gives, fromId }: Rail): void {
  if (gives.kind !== 'converter') return;
  const outMinus = sketch.at(id, 'out minus');
  if (!gives.part || fromId === null || !isLive(fromId)) return;
  const { part } = gives;
  const inPlus = sketch.at(id, 'in plus');
  const outPlus = sketch.at(id, 'out plus');
  sketch.countFrom(outMinus);
  if (isLinear(part))
    sketch.add(id, {
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
    sketch.add(id, {
      kind: 'converter',
      name: `${id}: converter`,
      inPlus,
      inMinus: sketch.at(id, 'in minus'),
      outPlus,
      outMinus,
      volts: part.outputV,
      idleA: part.idleA,
      leastV: part.inputLeastV,
      law: efficiencyLaw(part),
    });
}

/** A board: what it draws, and its chip's supply, which its pins and what they read stand on. */
export function drawBoards(sketch: Sketch, { boards }: Assessment, { isLive }: Conditions): void {
  for (const board of boards) {
    if (board.part.regulator === null) sketch.join(sketch.at(board.id, 'chip plus'), sketch.at(board.id, 'plus in'));
    if (isLive(board.railId)) drawBoard(sketch, board);
  }
}

function drawBoard(sketch: Sketch, { id, part }: Board): void {
  const [plus, minus, chip] = [sketch.at(id, 'plus in'), sketch.at(id, 'minus'), sketch.at(id, 'chip plus')];
  sketch.add(id, {
    kind: 'current',
    name: `${id}: its own draw`,
    from: plus,
    to: minus,
    amps: part.drawA.likely,
    leastV: 0,
  });
  if (part.regulator?.lifts)
    sketch.add(id, {
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
    sketch.add(id, {
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
