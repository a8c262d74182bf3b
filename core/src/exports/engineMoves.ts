import { engineParts, isByRail, type ShowLimit, type Uses } from '../motion/index.ts';
import {
  type CompiledMove,
  type FieldType,
  kindsWith,
  listMoveFields,
  moveKinds,
  moveOf,
  type Rgb,
} from '../moves/index.ts';

/** A kind as C names it. @example "build-up": "build_up" */
const nameInC = (kind: string): string => kind.replaceAll('-', '_');
const kindInC = (kind: string): string => `UG_${nameInC(kind).toUpperCase()}`;

const triple = (rgb: Rgb): string => `{ ${rgb.join(', ')} }`;

function valueInC(value: number | boolean | Rgb, type: FieldType): string {
  if (typeof value === 'object') return triple(value);
  return `${Number(value)}${type === 'uint32_t' ? 'u' : ''}`;
}

/** A move as designated fields of `ug_move`. */
export function writeMove(move: CompiledMove): string {
  const own = Object.entries(moveOf(move.kind).program).map(
    ([name, { type, of }]) => `.${name} = ${valueInC(of(move), type)}`,
  );
  return [
    `.kind = ${kindInC(move.kind)}`,
    `.rgb = ${triple(move.rgb)}`,
    `.period_ms = ${move.periodMs}u`,
    `.level = ${move.level}`,
    ...own,
  ].join(', ');
}

const NOTE = '/* Written from core/src/moves by `npm run docs`; change those, not this. */\n';

const usesInC = (name: string): string => `UG_USES_${name.replaceAll(/[ -]/g, '_').toUpperCase()}`;

/** `uses.h`: what of the engine a plan asks for; what it does not is left out of its program. */
export function writeUses({ kinds, parts }: Uses, limit: ShowLimit): string {
  const said = [
    ...moveKinds.map((kind) => [kind, kinds.includes(kind)] as const),
    ...engineParts.map((part) => [part, parts.has(part)] as const),
    ['rails', isByRail(limit)] as const,
  ];
  return `/* What of the engine this plan asks for. Written by Unruly Glimmer; change the plan, not this. */
#ifndef USES_H
#define USES_H

${said.map(([name, isUsed]) => `#define ${usesInC(name)} ${Number(isUsed)}`).join('\n')}

#endif
`;
}

/** Lines that are left out where none of the kinds is used. */
const ifUsed = (kinds: readonly string[], lines: string): string =>
  `#if ${kinds.map(usesInC).join(' || ')}\n${lines}\n#endif`;

/** `moves.h`: the kinds of moves, and one move in the engine's own units. */
export function writeMovesHeader(): string {
  const fields = listMoveFields().map(([name, type]) => {
    const line = type === 'rgb' ? `  uint8_t ${name}[3];` : `  ${type} ${name};`;
    const kinds = kindsWith(name);
    return kinds.length === 0 ? line : ifUsed(kinds, line);
  });
  return `${NOTE}#ifndef MOVES_H
#define MOVES_H

#include <stdint.h>

#include "uses.h"

enum ug_kind {
${moveKinds.map((kind) => `  ${kindInC(kind)}`).join(',\n')}
};

/* A move in the engine's own units, as far as the kinds in use have use for it. */
typedef struct {
${fields.join('\n')}
} ug_move;

#endif
`;
}

/** What a function of a move may be given, by the names that its parameters have. */
const given = ['moment', 'move', 't_ms', 'length', 'controls', 'point', 'place256'] as const;

/** The call of a function as it is declared: with those parameters that it names. Null where the text has no such function. */
function callOf(name: string, text: string): string | null {
  const declared = new RegExp(`\\b${name}\\(([^)]*)\\)`).exec(text);
  if (!declared) return null;
  const parameters = (declared[1] ?? '').split(',').map((each) => /(\w+)\s*$/.exec(each)?.[1] ?? '');
  const strange = parameters.find((each) => !given.some((known) => known === each));
  if (strange !== undefined)
    throw new Error(`${name} asks for "${strange}"; a move is given ${given.join(', ')}: take those names`);
  return `${name}(${parameters.join(', ')})`;
}

/**
 * `moves.c`: what each kind does, and which of it is asked for which kind.
 * @param texts C of each kind: `begin_KIND`, and as far as it has them `level_KIND`, `blend_KIND`, `alike_KIND`
 */
export function writeMovesSource(texts: Readonly<Record<string, string>>): string {
  const cases = (what: string, write: (call: string) => string): string =>
    moveKinds
      .flatMap((kind) => {
        const call = callOf(`${what}_${nameInC(kind)}`, texts[kind] ?? '');
        return call === null ? [] : [ifUsed([kind], `    case ${kindInC(kind)}:\n      ${write(call)}`)];
      })
      .join('\n');
  const kindsThat = (has: (kind: (typeof moveKinds)[number]) => boolean): string =>
    moveKinds
      .filter(has)
      .map((kind) => `(${usesInC(kind)} && move->kind == ${kindInC(kind)})`)
      .join(' || ') || '0';
  const own = moveKinds.flatMap((kind) => (texts[kind] ? [`${ifUsed([kind], texts[kind].trim())}\n`] : []));
  return `${NOTE}#include "levels.h"

${own.join('\n')}
/* All moves */

void ug_begin_moment(ug_moment *moment, const UG_FLASH ug_move *move, uint32_t t_ms, uint16_t length,
                     const ug_control_state *controls) {
  (void)t_ms;
  (void)length;
  (void)controls;
  moment->level = move->level;
  moment->blend = 255;
  switch (move->kind) {
${cases('begin', (call) => `${call};\n      break;`)}
    default:
      break;
  }
}

uint8_t ug_level(const UG_FLASH ug_move *move, const ug_moment *moment, uint32_t t_ms, uint16_t point,
                 uint32_t place256) {
  (void)t_ms;
  (void)point;
  (void)place256;
  switch (move->kind) {
${cases('level', (call) => `return ${call};`)}
    default:
      return moment->level;
  }
}

uint8_t ug_is_blended(const UG_FLASH ug_move *move) {
  (void)move;
  return ${kindsThat((kind) => moveOf(kind).blend !== undefined)};
}

uint8_t ug_blend(const UG_FLASH ug_move *move, const ug_moment *moment, uint32_t place256) {
  (void)place256;
  switch (move->kind) {
${cases('blend', (call) => `return ${call};`)}
    default:
      return moment->blend;
  }
}

uint8_t ug_is_alike(const UG_FLASH ug_move *move) {
  switch (move->kind) {
${cases('alike', (call) => `return ${call};`)}
    default:
      return ${kindsThat((kind) => {
        const { level, blend } = moveOf(kind);
        return level === undefined && blend === undefined;
      })};
  }
}

uint8_t ug_is_cells(const UG_FLASH ug_move *move) {
  (void)move;
  return ${kindsThat((kind) => moveOf(kind).cells !== undefined)};
}
`;
}
