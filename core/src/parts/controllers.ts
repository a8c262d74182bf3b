import { boardFacts } from './boardFacts.ts';
import { typical } from './figure.ts';
import type { ControllerPart } from './kinds.ts';

/** Controllers by what they can do; limits typical of the kind. */
export const controllers: readonly ControllerPart[] = boardFacts.map(({ rank: _rank, drawA, ...facts }) => ({
  kind: 'controller',
  ...facts,
  drawA: typical(drawA.likely, drawA.spread),
}));

/** Of boards that do not say how fast they talk. */
const USUAL_BAUD = 115_200;

/**
 * Speed of the line on which the program of a controller says its mark and moods, in baud: as its board file has it, or as
 * the maker said of a board whose `template.c` is filled in. Null where its board file has no such line.
 */
export const talksAtBaud = ({ code, serialBaud }: Pick<ControllerPart, 'code' | 'serialBaud'>): number | null =>
  code === null ? (serialBaud ?? USUAL_BAUD) : (controllers.find((each) => each.code === code)?.serialBaud ?? null);

/**
 * The same in a plan: null too where the pin of that line is given to something else.
 * @param given names of the pins that the plan uses
 */
export const saysAtBaud = (part: ControllerPart, given: readonly string[]): number | null =>
  part.saysOn !== undefined && given.includes(part.saysOn) ? null : talksAtBaud(part);
