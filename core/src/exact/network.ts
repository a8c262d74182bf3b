import type { Assessment } from '../assess.ts';
import type { Netlist } from '../circuit/index.ts';
import { type ItemKind, type ItemRole, kindOf } from '../items/index.ts';
import type { RunCarries } from '../network/index.ts';
import type { Design } from '../plan/index.ts';
import { applyCondition, type Condition, withPoles } from './condition.ts';
import { drawControls } from './controls.ts';
import { drawingOf } from './drawingOf.ts';
import { drawLights } from './lights.ts';
import { closeLoads } from './loads.ts';
import { type ExactNode, Sketch } from './nodes.ts';
import { drawTapes } from './tapes.ts';

/** All nets of a plan with every element between them, in one condition. */
export interface ExactNetwork {
  readonly netlist: Netlist;
  /** Each with the ports that are soldered to it. */
  readonly nodes: readonly ExactNode[];
  /** The item that each element belongs to, by the element’s name. */
  readonly owners: ReadonlyMap<string, string>;
}

/** A condition names what the plan has not got; its message lists what there is. */
export class NoSuchCondition extends Error {}

const isLeadSwitch = (kind: ItemKind): boolean => kindOf(kind).feeding?.ports.minus === null;

/** @throws NoSuchCondition where the condition names what is not there */
function checkCondition(design: Design, { charge, moodId, openIds }: Condition): void {
  if (!(charge >= 0 && charge <= 1)) throw new NoSuchCondition(`The charge is a share from 0 to 1; got ${charge}`);
  const { list } = design.moods;
  if (moodId !== null && !list.some((mood) => mood.id === moodId))
    throw new NoSuchCondition(
      `There is no mood "${moodId}"; there are: ${['dark', ...list.map((mood) => mood.id)].join(', ')}`,
    );
  const switches = design.items.filter(({ kind }) => isLeadSwitch(kind)).map((item) => item.id);
  for (const id of openIds)
    if (!switches.includes(id))
      throw new NoSuchCondition(
        `There is no switch in a lead "${id}"; ${switches.length > 0 ? `there are: ${switches.join(', ')}` : 'there is none'}`,
      );
}

/** Of the time in which lights are lit, the part in which this wire of theirs has its turn. */
function timeOfTurn({ driven }: Assessment, { itemId, turns }: Extract<RunCarries, { kind: 'lights' }>): number {
  const scan = driven.find((each) => each.itemId === itemId)?.scan;
  return scan && turns !== undefined ? scan.litOfTurn / turns : 1;
}

/**
 * Draws the exact network of a plan: every core of every wire with its resistance, every light, pixel, resistor,
 * transistor, converter and pack. Nothing is summed up, so that it takes as long as it takes.
 * @param assessment of this design
 * @throws NoSuchCondition where the condition names a mood or a switch that is not there
 */
export function drawNetwork(design: Design, assessment: Assessment, condition: Condition): ExactNetwork {
  checkCondition(design, condition);
  const conditions = applyCondition(assessment, withPoles(assessment, condition));
  // What flows in a light's own wire is told of as the light is: voltages while it is lit, currents on the mean. What
  // leads to a hub, where others may begin, is told of on the mean.
  const sketch = new Sketch(assessment.joins, assessment.runs, ({ carries, to }) => {
    if (carries?.kind === 'lights') return (conditions.shareOf(carries.itemId) || 1) * timeOfTurn(assessment, carries);
    const isPlain = assessment.placed.some((group) => group.shape === 'units' && group.id === to.itemId);
    return isPlain ? conditions.shareOf(to.itemId) || 1 : 1;
  });
  const drawing = drawingOf(sketch, design, assessment, conditions);
  const drawItems = (roles: readonly ItemRole[]): void => {
    for (const item of design.items) {
      const { role, draw } = kindOf(item.kind);
      if (roles.includes(role)) draw?.(item, drawing);
    }
  };
  drawItems(['source', 'passes', 'board']);
  drawLights(sketch, assessment, conditions);
  drawTapes(sketch, assessment, conditions);
  drawItems(['switches', 'load', 'control', 'light']);
  closeLoads(sketch, assessment, conditions);
  drawControls(sketch, design, assessment, conditions);
  return sketch.finish();
}
