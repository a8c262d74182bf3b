import { plainText } from '../motion/index.ts';
import type { Pin } from '../parts/index.ts';
import { type Plan, pinOwnerOf } from '../plan/index.ts';
import type { ProgramPart } from './programPart.ts';
import { writeScanPins } from './programScan.ts';

const macro = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/[^A-Za-z0-9]+/g, '_')
    .replace(/^_|_$/g, '')
    .toUpperCase();

/** A name for each demand that no other has, whatever letters the maker's names are written in. */
function nameDemands(part: ProgramPart): ReadonlyMap<string, string> {
  const taken = new Set(['NO_PIN']);
  return new Map(
    (part.pinPlan?.given ?? []).map(({ demand }): [string, string] => {
      const plain = `PIN_${macro(demand.label) || macro(demand.id.split(':')[0] ?? '') || 'OF'}`;
      let name = plain;
      for (let i = 2; taken.has(name); i += 1) name = `${plain}_${i}`;
      taken.add(name);
      return [demand.id, name];
    }),
  );
}

/** Whether every pin of a board goes by its number along the edge; on a board of the maker's own it goes by its print. */
export const isNumbered = (pins: readonly Pin[]): boolean => pins.every(({ name }) => /^\d+$/.test(name));

/** The header with the pins of one board: one line each, so that another pin is one line changed. */
export function writePins(plan: Plan, part: ProgramPart): string {
  const given = part.pinPlan?.given ?? [];
  const names = nameDemands(part);
  const own = new Map((part.board?.item.pinNames ?? []).map(({ pin, name }) => [pin, name]));
  const pins = part.board?.part.pins ?? [];
  const lines = given.map(({ demand, pin }) => {
    const mark = own.get(pin.name) ?? (isNumbered(pins) ? undefined : pin.name);
    // What is printed on a board of the maker's own need not mean anything to the compiler; its place along the edge does.
    const number = isNumbered(pins) ? pin.name : pins.findIndex(({ name }) => name === pin.name) + 1;
    return `#define ${names.get(demand.id) ?? 'PIN'} ${number} /* ${plainText(demand.label)}${mark ? `, marked ${plainText(mark)}` : ''} */`;
  });
  const nameOf = (demandId: string): string => names.get(demandId) ?? 'NO_PIN';
  const list = (values: readonly string[], none: string): string => `{ ${values.join(', ') || none} }`;
  const channels = part.channels.map(({ demandId }) => nameOf(demandId));
  return `/* ${plainText(plan.name)}${part.board ? `, ${plainText(part.board.name)}` : ''}: the pins by their numbers along the edge, one line each. */
#ifndef PINS_H
#define PINS_H

#define NO_PIN 255
${lines.join('\n') || '/* No controller is chosen yet. */'}

/* In the order of the plan: channels, those of them that are lit while their pin is low, chains of pixels, controls. */
#define UG_CHANNEL_PINS ${list(channels, 'NO_PIN')}
#define UG_CHANNEL_LOW ${list(
    part.channels.map(({ isLitLow }) => (isLitLow ? '1' : '0')),
    '0',
  )}
#define UG_LINE_PINS ${list(
    part.chains.map((chain) => nameOf(`data:${chain.tapeIds[0] ?? ''}`)),
    'NO_PIN',
  )}
#define UG_CONTROL_PINS ${list(
    part.controls.map((control) => nameOf(`control:${pinOwnerOf(control)}`)),
    'NO_PIN',
  )}
${writeScanPins(part, nameOf)}
#endif
`;
}
