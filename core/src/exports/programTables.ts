import type { Assessment } from '../assess.ts';
import { type Control, kindOf, orderOfTape, sparesBefore } from '../items/index.ts';
import {
  ANY,
  chargeControlOf,
  isByRail,
  limitsOfSupply,
  NAME_BYTES,
  plainText,
  type RailLimit,
  type ShowControl,
  type ShowCue,
  type ShowLayer,
  sayable,
} from '../motion/index.ts';
import type { ColourOrder } from '../parts/index.ts';
import type { Laying, Plan } from '../plan/index.ts';
import { writeMove } from './engineMoves.ts';
import { fingerprint } from './fingerprint.ts';
import { baudOf, type ProgramPart } from './programPart.ts';
import { writeScanSizes, writeTold } from './programScan.ts';
import { rows } from './programText.ts';

const howNames: Readonly<Record<Laying, string>> = { over: 'UG_OVER', add: 'UG_ADD', lightest: 'UG_LIGHTEST' };
const whenNames: Readonly<Record<ShowCue['when'], string>> = {
  button: 'UG_BUTTON',
  opened: 'UG_OPENED',
  held: 'UG_HELD',
  double: 'UG_DOUBLE',
  while: 'UG_WHILE',
  dark: 'UG_DARK',
  light: 'UG_LIGHT',
  low: 'UG_LOW',
  after: 'UG_AFTER',
  random: 'UG_RANDOM',
  through: 'UG_THROUGH',
};

const yes = (value: boolean): 1 | 0 => (value ? 1 : 0);
const orNever = (ms: number | null): string => (ms === null ? 'UG_NEVER' : `${ms}u`);

/** Number lists of the program, each written once however often it is used; gives the name of each. */
interface ListKeeper {
  readonly nameOf: (values: Uint16Array | null) => string;
  readonly write: () => string;
}

function keepLists(): ListKeeper {
  const names = new Map<string, string>();
  return {
    nameOf: (values) => {
      if (!values || values.length === 0) return '0';
      const text = [...values].join(', ');
      const known = names.get(text) ?? `list_${names.size}`;
      names.set(text, known);
      return known;
    },
    write: () => [...names].map(([text, name]) => `static const UG_FLASH uint16_t ${name}[] = { ${text} };\n`).join(''),
  };
}

const writeLayer = (layer: ShowLayer, lists: ListKeeper, comment: string): string =>
  `  { .set = ${layer.set}, .how = ${howNames[layer.how]}, .length = ${layer.length}, .places = ${lists.nameOf(layer.places)}, .move = { ${writeMove(layer.move)} } }, /* ${comment} */`;

function writeCue(cue: ShowCue): string {
  const fields = [
    `.from = ${cue.from === ANY ? 'UG_ANY' : cue.from}`,
    `.when = ${whenNames[cue.when]}`,
    `.control = ${cue.control}`,
    `.to = ${cue.to}`,
    `.keeps_look = ${yes(cue.keepsLook)}`,
    `.wait_ms = ${cue.waitMs}u`,
    `.span_ms = ${cue.spanMs}u`,
    `.fade_ms = ${cue.fadeMs}u`,
    `.back_after_ms = ${orNever(cue.backAfterMs)}`,
  ];
  return `  { ${fields.join(', ')} },`;
}

function writeControl({ sensing, waits, hasDouble, dims }: ShowControl, control: Control | undefined): string {
  const readsHigh = control !== undefined && kindOf(control.kind).control?.closedLevel === 'high';
  const fields = sensing
    ? [
        '.is_sensor = 1',
        `.on_below = ${sensing.onBelow}`,
        `.off_above = ${sensing.offAbove}`,
        `.empty_code = ${sensing.emptyCode}`,
        `.full_code = ${sensing.fullCode}`,
        `.settle_ms = ${sensing.settleMs}u`,
        ...(dims ? ['.dims = 1'] : []),
      ]
    : [`.waits = ${yes(waits)}`, `.has_double = ${yes(hasDouble)}`, ...(readsHigh ? ['.reads_high = 1'] : [])];
  return `  { ${fields.join(', ')} }, /* ${plainText(control?.name ?? '')} */`;
}

/** Numbers of the dice in the order of the wire; a white one comes last. */
const wireOrder = (order: ColourOrder, dice: number): readonly number[] => [
  ...[...order].map((colour) => 'RGB'.indexOf(colour)),
  ...(dice === 4 ? [3] : []),
];

const writeChannel = ({ at, die }: ProgramPart['channels'][number]): string =>
  `{ ${at === null ? 'UG_NOWHERE' : `${at}u`}, ${die === null ? 'UG_WHOLE' : die} }`;

interface Line {
  readonly offset: number;
  readonly bytes: number;
  /** Numbers of the dice in the order in which a pixel takes them: 0 red, 1 green, 2 blue, 3 white. */
  readonly wire: readonly number[];
  /** Its white comes from a die of its own. */
  readonly ownWhite: boolean;
  readonly name: string;
}

/** Each chain of pixels in the frame: its tapes lie one after another, in the order of the data. */
function listLines(assessment: Assessment, part: ProgramPart): Line[] {
  return part.chains.map((chain) => {
    const first = assessment.placed.find((each) => each.id === chain.tapeIds[0]);
    const groups = chain.tapeIds.flatMap((id) => part.show.groups.find((group) => group.id === id) ?? []);
    const last = groups[groups.length - 1];
    const tape = first?.shape === 'pixels' ? first : null;
    // A spare pixel stands right before the first that is lit.
    const offset = (groups[0]?.offset ?? 0) - 3 * (tape ? sparesBefore(tape) : 0);
    return {
      offset,
      bytes: last ? last.offset + last.points * last.bytesPerPoint - offset : 0,
      wire: wireOrder(tape ? orderOfTape(tape) : 'GRB', tape?.part.dice ?? 3),
      ownWhite: groups[0]?.whiteDie === 'lit',
      name: first?.name ?? '',
    };
  });
}

/** Longest line that a program says. */
const LINE_BYTES = 40;
/** In the program: no control. */
const NO_CONTROL = 255;

/** Of what is led by no pulses it is 0. */
const microseconds = (pulseS = 0): number => Math.round(pulseS * 1e6);

/** `show.h`: what of the plan has a size. */
export function writeShowHeader(plan: Plan, part: ProgramPart): string {
  return `/* ${plainText(plan.name)}: what of the plan has a size. Written by Unruly Glimmer; change the plan, not this. */
#ifndef SHOW_H
#define SHOW_H

#include "glimmer.h"

#define UG_FINGERPRINT "${fingerprint(plan.design)}"
#define UG_FRAME_BYTES ${part.show.frameBytes}
#define UG_CONTROLS ${part.show.controls.length}
#define UG_LINES ${part.chains.length}
#define UG_CHANNELS ${part.channels.length}
/* Channels that lead a load by pulses, and how long those are for each channel while it stands still and at work, in us. */
#define UG_LED_BY_PULSES ${part.channels.filter(({ pulses }) => pulses).length}
#define UG_CHANNEL_PULSES { ${part.channels.map(({ pulses }) => `{ ${microseconds(pulses?.restS)}, ${microseconds(pulses?.workS)} }`).join(', ') || '{ 0, 0 }'} }
#define UG_NAME_BYTES ${NAME_BYTES}
#define UG_LINE_BYTES ${LINE_BYTES}
/* Whether its board has a line to say things on, and the control that reads the charge: 255 = none. */
#define UG_SAYS ${yes(!part.board || baudOf(part) !== null)}
#define UG_CHARGE ${chargeControlOf(part.controls) ?? NO_CONTROL}

${writeScanSizes(part)}
extern const UG_FLASH ug_show ug_plan;
extern const UG_FLASH ug_line ug_lines[];
extern const UG_FLASH ug_channel ug_channels[];
extern const UG_FLASH ug_told ug_told_lights[];
extern const UG_FLASH char ug_mood_names[][UG_NAME_BYTES];

#endif
`;
}

/** What each supply bears, the hungriest first. */
const limitsOf = ({ limit }: ProgramPart): readonly (RailLimit & { readonly supply: number })[] =>
  limit.supplies.flatMap((each, supply) => limitsOfSupply(each).map((of) => ({ ...of, supply })));

/** The fields of a group that say what limits it. */
function writeLimitOf({ limit }: ProgramPart, g: number): string {
  let before = 0;
  for (const supply of limit.supplies) {
    const rail = supply.railOf[g] ?? -1;
    if (rail >= 0) {
      const { rails, together } = supply;
      return [
        `.microamps_per_byte = ${rails[rail]?.microAPerByte[g] ?? 0}u, .limit = ${before + rail}`,
        ...(isByRail(limit)
          ? [
              together
                ? `.together = ${before + rails.length}, .together_microamps = ${together.microAPerByte[g] ?? 0}u`
                : '.together = UG_NO_LIMIT',
            ]
          : []),
      ].join(', ');
    }
    before += limitsOfSupply(supply).length;
  }
  return `.limit = UG_NO_LIMIT${isByRail(limit) ? ', .together = UG_NO_LIMIT' : ''}`;
}

/** The rows of each table, and the lists that they name. */
function layTables({ design }: Plan, assessment: Assessment, part: ProgramPart) {
  const { show } = part;
  const lists = keepLists();
  const setName = (index: number): string => {
    const id = show.sets[index]?.id ?? '';
    return plainText(
      design.items.find((each) => each.id === id)?.name ??
        design.moods.sets?.find((each) => each.id === id)?.name ??
        id,
    );
  };
  const layers: string[] = [];
  const addLayers = (added: readonly ShowLayer[], of: string): { readonly first: number; readonly count: number } => {
    const first = layers.length;
    layers.push(...added.map((layer) => writeLayer(layer, lists, `${plainText(of)}: ${setName(layer.set)}`)));
    return { first, count: added.length };
  };
  const groups = show.groups.map(
    (group, g) =>
      `  { .points = ${group.points}, .bytes_per_point = ${group.bytesPerPoint}, .own_white = ${yes(group.whiteDie === 'lit')}, .switches = ${yes(group.switches === true)}, .offset = ${group.offset}, ${writeLimitOf(part, g)} }, /* ${setName(g)} */`,
  );
  const sets = show.sets.map(
    (set, i) =>
      `  { .points = ${set.points}, .bytes_per_point = ${set.bytesPerPoint}, .offset = ${set.offset}, .offsets = ${lists.nameOf(set.offsets)} }, /* ${setName(i)} */`,
  );
  const moods = show.moods.map((mood, m) => {
    const name = design.moods.list[m]?.name ?? '';
    const { first, count } = addLayers(mood.layers, name);
    return `  { .first_layer = ${first}, .layer_count = ${count}, .brightness256 = ${mood.brightness256}, .through_ms = ${mood.throughMs}u, .fade_in_ms = ${orNever(mood.fadeInMs)}, .fade_out_ms = ${orNever(mood.fadeOutMs)} }, /* ${plainText(name)} */`;
  });
  const signs = show.signs.map((sign, i) => {
    const name = design.moods.signs?.find((each) => each.id === sign.id)?.name ?? `sign ${i + 1}`;
    const { first, count } = addLayers(sign.layers, name);
    return `  { .control = ${sign.control}, .first_layer = ${first}, .layer_count = ${count} }, /* ${plainText(name)} */`;
  });
  const controls = show.controls.map((control, i) => writeControl(control, part.controls[i]));
  const lines = listLines(assessment, part).map(
    (line) =>
      `  { .offset = ${line.offset}, .bytes = ${line.bytes}, .dice = ${line.wire.length}, .wire = { ${line.wire.join(', ')} }, .own_white = ${yes(line.ownWhite)} }, /* ${plainText(line.name)} */`,
  );
  return { lists, groups, sets, layers, moods, signs, controls, lines };
}

/** The whole of the show, as it names its tables. */
const writePlan = ({ show }: ProgramPart): string => `const UG_FLASH ug_show ug_plan = {
  .groups = groups,
  .sets = sets,
  .layers = layers,
  .moods = moods,
  .signs = signs,
  .cues = cues,
  .controls = controls,
  .group_count = ${show.groups.length},
  .mood_count = ${show.moods.length},
  .sign_count = ${show.signs.length},
  .cue_count = ${show.cues.length},
  .control_count = ${show.controls.length},
  .start = ${show.start === ANY ? 'UG_ANY' : show.start},
  .frame_bytes = UG_FRAME_BYTES,
  .limit_count = sizeof limits / sizeof *limits,
  .limits = limits,
};
`;

/** `show.c`: the very tables that the preview runs, as constants. */
export function writeShowTables(plan: Plan, assessment: Assessment, part: ProgramPart): string {
  const { design } = plan;
  const { show } = part;
  const { lists, groups, sets, layers, moods, signs, controls, lines } = layTables(plan, assessment, part);
  const names = design.moods.list.map((mood) => `  "${sayable(mood.name)}",`);
  return `/* ${plainText(plan.name)}, mark ${fingerprint(design)}. Written by Unruly Glimmer; change the plan, not this. */
#include "show.h"

${lists.write()}
static const UG_FLASH ug_group groups[] = {
${rows(groups, '{ .points = 0 }')}
};

static const UG_FLASH ug_limit limits[] = {
${rows(
  limitsOf(part).map(
    ({ restMicroA, limitMicroA, supply }) =>
      `  { .rest_microamps = ${restMicroA}u, .limit_microamps = ${limitMicroA}u${isByRail(part.limit) ? `, .supply = ${supply}` : ''} },`,
  ),
  '{ .limit_microamps = 0 }',
)}
};

static const UG_FLASH ug_set sets[] = {
${rows(sets, '{ .points = 0 }')}
};

static const UG_FLASH ug_layer layers[] = {
${rows(layers, '{ .set = 0 }')}
};

static const UG_FLASH ug_mood moods[] = {
${rows(moods, '{ .layer_count = 0 }')}
};

static const UG_FLASH ug_sign signs[] = {
${rows(signs, '{ .layer_count = 0 }')}
};

static const UG_FLASH ug_cue cues[] = {
${rows(show.cues.map(writeCue), '{ .from = UG_ANY }')}
};

static const UG_FLASH ug_control controls[] = {
${rows(controls, '{ .is_sensor = 0 }')}
};

const UG_FLASH ug_line ug_lines[] = {
${rows(lines, '{ .offset = 0 }')}
};

const UG_FLASH ug_channel ug_channels[] = { ${part.channels.map(writeChannel).join(', ') || '{ UG_NOWHERE, UG_WHOLE }'} };

const UG_FLASH ug_told ug_told_lights[] = {
${writeTold(part)}
};

const UG_FLASH char ug_mood_names[][UG_NAME_BYTES] = {
${rows(names, '""')}
};

${writePlan(part)}`;
}
