import type { Assessment } from '../assess.ts';
import type { CompiledMove, ShowGroup } from '../motion/index.ts';
import type { Cue, Plan } from '../plan/index.ts';
import { fingerprint } from './fingerprint.ts';

const kindNames: Readonly<Record<CompiledMove['kind'], string>> = {
  dark: 'UG_DARK',
  steady: 'UG_STEADY',
  breathe: 'UG_BREATHE',
  chase: 'UG_CHASE',
  sweep: 'UG_SWEEP',
  fill: 'UG_FILL',
  drift: 'UG_DRIFT',
  sparkle: 'UG_SPARKLE',
  flicker: 'UG_FLICKER',
  shots: 'UG_SHOTS',
  'build-up': 'UG_BUILD_UP',
};

/** Names of the plan as C strings and comments: what would end either is taken out. */
const safe = (text: string): string => text.replace(/[^\p{L}\p{N} .,'+-]/gu, ' ').trim();
const macro = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/[^A-Za-z0-9]+/g, '_')
    .replace(/^_|_$/g, '')
    .toUpperCase();

const triple = (rgb: readonly [number, number, number]): string => `{ ${rgb.join(', ')} }`;

/** The settings of a move as designated fields of `ug_move`. */
function moveFields(move: CompiledMove): readonly string[] {
  const fields: string[] = [`.kind = ${kindNames[move.kind]}`];
  if (move.kind === 'dark') return fields;
  fields.push(`.rgb = ${triple(move.rgb)}`, `.period_ms = ${move.periodMs}u`);
  // A breath's height is what other moves call their level.
  fields.push(`.level = ${move.kind === 'breathe' ? move.high : move.level}`);
  switch (move.kind) {
    case 'breathe':
    case 'build-up':
      return [...fields, `.low = ${move.low}`];
    case 'chase':
      return [
        ...fields,
        `.groups = ${move.groups}`,
        `.step_ms = ${move.stepMs}u`,
        `.onward = ${move.sense === 1 ? 1 : 0}`,
      ];
    case 'sweep':
      return [...fields, `.tail = ${move.tail}`];
    case 'drift':
      return [...fields, `.second = ${triple(move.second)}`, `.shift = ${move.shift}u`];
    case 'sparkle':
      return [...fields, `.share256 = ${move.share256}`, `.step_ms = ${move.stepMs}u`, `.seed = ${move.seed}`];
    case 'flicker':
      return [
        ...fields,
        `.low = ${move.low}`,
        `.step_ms = ${move.stepMs}u`,
        `.threshold = ${move.threshold}`,
        `.alike = ${move.alike ? 1 : 0}`,
        `.seed = ${move.seed}`,
      ];
    case 'shots':
      return [...fields, `.count = ${move.count}`, `.on_ms = ${move.onMs}u`, `.off_ms = ${move.offMs}u`];
    default:
      return fields;
  }
}

const whenNames: Readonly<Record<Cue['when']['kind'], string>> = {
  button: 'UG_BUTTON',
  dark: 'UG_GETS_DARK',
  light: 'UG_GETS_LIGHT',
  after: 'UG_AFTER',
};

const ms = (seconds: number): number => Math.round(seconds * 1000);

function writeCue(cue: Cue, moodIndex: (id: string) => number, controlIndex: (id: string) => number): string {
  const { when } = cue;
  const fields = [
    `.from = ${cue.from === null ? 'UG_ANY' : moodIndex(cue.from)}`,
    `.when = ${whenNames[when.kind]}`,
    `.control = ${'controlId' in when ? controlIndex(when.controlId) : 0}`,
    `.to = ${moodIndex(cue.to)}`,
    `.after_ms = ${when.kind === 'after' ? ms(when.afterS) : 0}u`,
    `.fade_ms = ${ms(cue.fadeS)}u`,
    `.back_after_ms = ${cue.backAfterS === null ? 'UG_NEVER' : `${ms(cue.backAfterS)}u`}`,
  ];
  return `  { ${fields.join(', ')} },`;
}

/** C has no empty arrays: a row that is never read stands for none. */
const rows = (lines: readonly string[], none: string): string => (lines.length > 0 ? lines.join('\n') : `  ${none},`);

/** Each chain of pixels in the frame: its tapes lie one after another, in the order of the data. */
function listLines(
  assessment: Assessment,
): { readonly offset: number; readonly bytes: number; readonly name: string }[] {
  const groupOf = (id: string): ShowGroup | undefined => assessment.show.groups.find((group) => group.id === id);
  return assessment.chains.map((chain) => {
    const groups = chain.tapeIds.flatMap((id) => groupOf(id) ?? []);
    return {
      offset: groups[0]?.offset ?? 0,
      bytes: groups.reduce((sum, group) => sum + group.points * group.bytesPerPoint, 0),
      name: assessment.placed.find((each) => each.id === chain.tapeIds[0])?.name ?? '',
    };
  });
}

function writeShowHeader(plan: Plan, assessment: Assessment): string {
  const { controls } = plan.design.drive;
  return `/* ${safe(plan.name)}: what of the plan has a size. Written by Unruly Glimmer; change the plan, not this. */
#ifndef SHOW_H
#define SHOW_H

#include "glimmer.h"

#define UG_FINGERPRINT "${fingerprint(plan.design)}"
#define UG_FRAME_BYTES ${assessment.show.frameBytes}
#define UG_CONTROLS ${controls.length}
#define UG_LINES ${assessment.chains.length}

typedef struct {
  uint8_t is_button;
  uint16_t dark_below;
  uint16_t light_above;
} ug_control;

typedef struct {
  uint16_t offset;
  uint16_t bytes;
} ug_line;

extern const ug_show ug_plan;
extern const ug_control ug_controls[];
extern const ug_line ug_lines[];
extern const char *const ug_mood_names[];

#endif
`;
}

function writeShowTables(plan: Plan, assessment: Assessment): string {
  const { design } = plan;
  const { show, limit } = assessment;
  const moodIndex = (id: string): number => show.moods.findIndex((mood) => mood.id === id);
  const controlIndex = (id: string): number => design.drive.controls.findIndex((control) => control.id === id);
  const nameOf = (id: string): string => safe(assessment.placed.find((each) => each.id === id)?.name ?? id);
  const start = design.moods.startId ?? design.moods.list[0]?.id ?? null;
  const groups = show.groups.map(
    (group, g) =>
      `  { .points = ${group.points}, .bytes_per_point = ${group.bytesPerPoint}, .offset = ${group.offset}, .microamps_per_byte = ${limit.microAPerByte[g] ?? 0}u }, /* ${nameOf(group.id)} */`,
  );
  const moves = show.moods.flatMap((mood, m) =>
    mood.moves.map(
      (move, g) =>
        `  { ${moveFields(move).join(', ')} }, /* ${safe(design.moods.list[m]?.name ?? '')}: ${nameOf(show.groups[g]?.id ?? '')} */`,
    ),
  );
  const controls = design.drive.controls.map((control) => {
    const sensor = assessment.sensors.find((each) => each.control.id === control.id)?.design;
    return `  { .is_button = ${control.kind === 'button' ? 1 : 0}, .dark_below = ${sensor?.darkBelow ?? 0}, .light_above = ${sensor?.lightAbove ?? 0} }, /* ${safe(control.name)} */`;
  });
  return `/* ${safe(plan.name)}, mark ${fingerprint(design)}. Written by Unruly Glimmer; change the plan, not this. */
#include "show.h"

static const ug_group groups[] = {
${rows(groups, '{ .points = 0 }')}
};

static const ug_move moves[] = {
${rows(moves, '{ .kind = UG_DARK }')}
};

static const uint16_t brightness256[] = { ${show.moods.map((mood) => mood.brightness256).join(', ') || '0'} };

static const ug_cue cues[] = {
${rows(
  design.moods.cues.map((cue) => writeCue(cue, moodIndex, controlIndex)),
  '{ .from = UG_ANY }',
)}
};

const ug_control ug_controls[] = {
${rows(controls, '{ .is_button = 0 }')}
};

const ug_line ug_lines[] = {
${rows(
  listLines(assessment).map(
    (line) => `  { .offset = ${line.offset}, .bytes = ${line.bytes} }, /* ${safe(line.name)} */`,
  ),
  '{ .offset = 0 }',
)}
};

const char *const ug_mood_names[] = { ${design.moods.list.map((mood) => `"${safe(mood.name)}"`).join(', ') || '""'} };

const ug_show ug_plan = {
  .groups = groups,
  .moves = moves,
  .brightness256 = brightness256,
  .cues = cues,
  .group_count = ${show.groups.length},
  .mood_count = ${show.moods.length},
  .cue_count = ${design.moods.cues.length},
  .start = ${start === null ? 'UG_ANY' : moodIndex(start)},
  .frame_bytes = UG_FRAME_BYTES,
  .rest_microamps = ${limit.restMicroA}u,
  .limit_microamps = ${limit.limitMicroA}u,
};
`;
}

function writePins(plan: Plan, assessment: Assessment): string {
  const given = assessment.pinPlan?.given ?? [];
  const lines = given.map(
    ({ demand, pin }) => `#define PIN_${macro(demand.label)} ${macro(pin.name)} /* ${safe(demand.label)} */`,
  );
  const nameOf = (demandId: string): string => {
    const found = given.find(({ demand }) => demand.id === demandId);
    return found ? `PIN_${macro(found.demand.label)}` : 'NO_PIN';
  };
  const list = (names: readonly string[]): string => `{ ${names.join(', ') || 'NO_PIN'} }`;
  const channels = assessment.show.groups.flatMap((group) =>
    group.bytesPerPoint === 1
      ? Array.from({ length: group.points }, (_, i) => nameOf(`channel:${group.id}:${i + 1}`))
      : [],
  );
  return `/* ${safe(plan.name)}: the pins, one line each. A board file says what each name is on its chip. */
#ifndef PINS_H
#define PINS_H

${lines.join('\n') || '/* No controller is chosen yet. */'}

/* In the order of the plan: channels of single lights, chains of pixels, controls. */
#define UG_CHANNEL_PINS ${list(channels)}
#define UG_LINE_PINS ${list(assessment.chains.map((chain) => nameOf(`data:${chain.tapeIds[0] ?? ''}`)))}
#define UG_CONTROL_PINS ${list(plan.design.drive.controls.map((control) => nameOf(`control:${control.id}`)))}

#endif
`;
}

const makefile = `# The simulated controller: make host && ./host
CC ?= gcc
CFLAGS ?= -std=c99 -Wall -Wextra -Werror -O2
ENGINE = paint.c player.c show.c

host: host.c $(ENGINE) glimmer.h tables.h show.h
\t$(CC) $(CFLAGS) -o $@ host.c $(ENGINE)

# Your board: make board BOARD=myboard.c CC=…
BOARD ?= template.c
board: main.c $(BOARD) $(ENGINE) board.h pins.h show.h
\t$(CC) $(CFLAGS) -o $@ main.c $(BOARD) $(ENGINE)

# The eight-bit board at 16 MHz (Debian: gcc-avr avr-libc); program.hex is what a programmer takes.
avr: program.hex
program.elf: main.c eight16.c $(ENGINE) board.h pins.h show.h
\tavr-gcc -mmcu=avr5 -std=c99 -Wall -Wextra -Werror -Os -nostartfiles -Wl,-Tdata=0x800100 -o $@ main.c eight16.c $(ENGINE)
program.hex: program.elf
\tavr-objcopy -O ihex -R .eeprom $< $@
\tavr-size $<

clean:
\trm -f host board program.elf program.hex
`;

function writeChecklist(plan: Plan, assessment: Assessment): string {
  const startUp = (assessment.pinPlan?.given ?? []).filter(({ pin }) => pin.startUp);
  return `# Loading the program of ${plan.name}

Mark of this plan: **${fingerprint(plan.design)}**. The same mark stands in the program and on the printed sheets; where they differ, one
of them is older.

1. Bring tool chain and programmer up to date first, on something that does not matter.
2. Take the pack out while the board is fed by its USB lead.
3. Choose port and kind of board. ${assessment.controller ? `The plan takes: ${assessment.controller.name}.` : 'The plan has no controller yet.'}
${startUp.map(({ demand, pin }) => `   - ${pin.name} (${demand.label}): ${pin.startUp}.`).join('\n')}
4. \`make host\` and try it: \`echo "frame 0" | ./host\`.
5. Copy \`template.c\`, fill in its eight functions for your board, \`make board BOARD=yours.c\`.
6. Load it with the lights unplugged. It must say the mark above.
7. Plug in one light group at a time. Before the first full frame: pack in, fuse in, hand on the switch.
8. If a setting makes it reset again and again: hold reset, load a program that does nothing, begin again at 6.
`;
}

/** Texts of the engine and the board files, by file name, as they stand in the folder firmware/. */
export type EngineFiles = Readonly<Record<string, string>>;

/**
 * The program of a plan as files: the engine, the tables and pins of this plan, board files, a Makefile and a checklist.
 * Changing one pin in the plan changes one line of \`pins.h\` and the mark.
 */
export function exportProgram(
  plan: Plan,
  assessment: Assessment,
  engine: EngineFiles,
): Readonly<Record<string, string>> {
  return {
    ...engine,
    'show.h': writeShowHeader(plan, assessment),
    'show.c': writeShowTables(plan, assessment),
    'pins.h': writePins(plan, assessment),
    Makefile: makefile,
    'LOADING.md': writeChecklist(plan, assessment),
  };
}

/** The engine's own tables as a C header: the gamma curve and one raised cosine, from the very arrays of the preview. */
export function writeEngineTables(tables: { readonly gamma: Uint8Array; readonly breath: Uint8Array }): string {
  const write = (name: string, values: Uint8Array): string => {
    const lines = Array.from(
      { length: Math.ceil(values.length / 16) },
      (_, i) => `  ${[...values.slice(i * 16, i * 16 + 16)].join(', ')},`,
    );
    return `static UG_TABLE uint8_t ${name}[${values.length}] = {\n${lines.join('\n')}\n};\n`;
  };
  return `/* Written from core/src/motion/tables.ts by npm run docs. */\n${write('ug_gamma', tables.gamma)}\n${write('ug_breath', tables.breath)}`;
}
