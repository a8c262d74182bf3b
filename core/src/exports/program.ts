import type { Assessment } from '../assess.ts';
import { usesOf } from '../motion/index.ts';
import { scanLineId } from '../network/index.ts';
import type { ControllerPart } from '../parts/index.ts';
import type { Plan } from '../plan/index.ts';
import { amps, joinMessages, type Message, say, usualPrinter } from '../units/index.ts';
import { writeUses } from './engineMoves.ts';
import { fingerprint } from './fingerprint.ts';
import { baudOf, listProgramParts, type ProgramGrid, type ProgramPart } from './programPart.ts';
import { isNumbered, writePins } from './programPins.ts';
import { writeShowHeader, writeShowTables } from './programTables.ts';

/** How every program is built; a board with code of its own adds what builds that. */
const makefile = `# The simulated controller: make host && ./host
CC ?= gcc
CFLAGS ?= -std=c99 -Wall -Wextra -Werror -O2
ENGINE = levels.c moves.c paint.c player.c say.c show.c

host: host.c $(ENGINE) glimmer.h say.h moves.h levels.h tables.h uses.h show.h
\t$(CC) $(CFLAGS) -o $@ host.c $(ENGINE)

# Your board: make board BOARD=myboard.c CC=…; with MAIN=colours.c it shows in which order the pixels take their colours.
BOARD ?= template.c
MAIN ?= main.c
board: $(MAIN) $(BOARD) $(ENGINE) board.h say.h pins.h uses.h show.h
\t$(CC) $(CFLAGS) -o $@ $(MAIN) $(BOARD) $(ENGINE)

clean:
\trm -f host board program.elf program.hex program.bin program.uf2 two26_uf2
`;

/** What the program does by itself to keep within the supply. */
function sayLimit({ limit }: ProgramPart): Message {
  const known = limit.supplies.flatMap(({ rails }) => rails).filter(({ limitMicroA }) => limitMicroA > 0);
  const bears = joinMessages(
    known.map(({ limitMicroA }) => say`${amps(limitMicroA / 1e6)}`),
    ' and ',
  );
  const together = limit.supplies.some((each) => each.together !== null)
    ? ' Where rails share a pack they are held to what it gives together, too.'
    : '';
  if (known.length === 0)
    return 'The plan has no pack yet, so the program limits nothing: dim the moods until you know the supply.';
  return known.length === 1
    ? say`Light comes up over half a second, and no frame draws more than ${bears}, which the supply bears with a tenth of its charge left.`
    : say`Light comes up over half a second, and no frame draws more than ${bears} from its rails, which each bears with a tenth of its charge left.${together}`;
}

/** What its board file is built for, and so by which compiler; the eight-bit ones say nothing of it. */
const makeOf = ({ make }: ControllerPart): string => make ?? 'avr';
const fileOf = (part: ControllerPart): string => (makeOf(part) === 'arm' ? 'uf2' : 'hex');

/** How the program is built for the controller of the plan, and comes on to it. */
function sayBuild(part: ProgramPart): string {
  const { board } = part;
  const baud = baudOf(part);
  const wire = board?.part.saysOn
    ? ` Listen at pin ${board.part.saysOn}, by an adapter of ${board.part.logicV} V whose minus is joined to the board’s.`
    : '';
  return board?.part.code
    ? `5. \`make ${makeOf(board.part)}\` builds \`program.${fileOf(board.part)}\` with the board file \`${board.part.code}.c\`, which is made for this controller at ${board.part.clockMhz} MHz.
6. Load it with the lights unplugged${fileOf(board.part) === 'uf2' ? ': hold its button while you plug it in, and copy the file on to the drive that it shows' : ''}. ${
        baud === null
          ? `It ${board.part.saysOn ? `says nothing, since the plan uses pin ${board.part.saysOn}, its line` : 'has no serial line to say its mark'}: compare the one in \`show.h\` before you load it.`
          : `At ${String(baud).replace(/(?=\d{3}$)/, ' ')} baud it must say the mark above, then each mood, and where the limiter holds light back or the charge changes, that too. The Bench sheet can listen to it.${wire}`
      }`
    : `5. Copy \`template.c\`, fill in its functions for your board, \`make board BOARD=yours.c\`.
6. Load it with the lights unplugged. It must say the mark above, then each mood; the Bench sheet can listen to it.`;
}

/** How the order of the pixels’ colours is seen; nothing where there is none to see. */
const sayColours = ({ board, chains }: ProgramPart): string =>
  chains.length === 0
    ? ''
    : `
   To see in which order the pixels take their colours, load \`make clean ${board?.part.code ? makeOf(board.part) : 'board'} MAIN=colours.c\` first: the first pixel
   shows red, green, blue, a second each. Where it shows others, say so on the Lights sheet and take the program out again.`;

/** Whether a row or a column is lit while its pin is low. */
const isLineLow = (grids: readonly ProgramGrid[], demandId: string): boolean =>
  grids.some(({ itemId, scan, rowIsLow, columnIsLow }) =>
    scan.layout.lines.some(
      (line) =>
        scanLineId(itemId, line) === demandId &&
        (line.kind === 'row' ? rowIsLow : line.kind === 'column' && columnIsLow),
    ),
  );

/** What hangs on which pin, to be held against the wires once more. */
function sayPins({ pinPlan, board, channels, grids }: ProgramPart): string {
  const own = new Map((board?.item.pinNames ?? []).map(({ pin, name }) => [pin, name]));
  return (pinPlan?.given ?? [])
    .map(({ demand, pin }) => {
      const mark = own.get(pin.name);
      const isLow =
        channels.some((each) => each.demandId === demand.id && each.isLitLow) || isLineLow(grids, demand.id);
      return `   - pin ${pin.name}${mark ? ` (marked ${mark})` : ''}: ${demand.label}${isLow ? ', lit while low' : ''}${pin.startUp ? ` (this pin ${pin.startUp})` : ''}`;
    })
    .join('\n');
}

function writeChecklist(plan: Plan, part: ProgramPart): string {
  return usualPrinter.message(say`# Loading the program of ${plan.name}${part.board ? `: ${part.board.name}` : ''}

Mark of this plan: **${fingerprint(plan.design)}**. The same mark stands in the program and on the printed sheets; where they differ, one
of them is older.

1. Bring tool chain and programmer up to date first, on something that does not matter.
2. Take the pack out while the board is fed by its USB lead.
3. Choose port and kind of board. ${part.board ? `The plan takes: ${part.board.part.name}. ${isNumbered(part.board.part.pins) ? 'Pins are numbered along the edge, the first is 1.' : 'Pins go by what is printed on your board; `pins.h` counts them as your table lists them, the first is 1.'} Hold each wire against its pin once more:` : 'The plan has no controller yet.'}
${sayPins(part)}
4. \`make host\` and try it: \`echo "frame 0" | ./host\`.${sayColours(part)}
${sayBuild(part)}
7. Plug in one light group at a time. Before the first full frame: pack in, fuse in, hand on the switch.
   ${sayLimit(part)}
8. If a setting makes it reset again and again: hold reset, load a program that does nothing, begin again at 6.
`);
}

/**
 * Texts of the engine and the board files (C, and what builds it for a board), by file name, as they stand in the folder
 * firmware/.
 */
export type EngineFiles = Readonly<Record<string, string>>;

const folderName = (name: string): string =>
  name
    .normalize('NFD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'board';

/**
 * The program of a plan as files: the engine, the tables and pins of this plan, board files, a Makefile and a checklist.
 * With several boards each has a folder of its own. Changing one pin in the plan changes one line of `pins.h` and the mark.
 */
export function exportProgram(
  plan: Plan,
  assessment: Assessment,
  engine: EngineFiles,
): Readonly<Record<string, string>> {
  const parts = listProgramParts(plan, assessment);
  const files = (part: ProgramPart): Readonly<Record<string, string>> => ({
    ...Object.fromEntries(Object.entries(engine).filter(([name]) => !name.endsWith('.mk'))),
    'uses.h': writeUses(usesOf(part.show), part.limit),
    'show.h': writeShowHeader(plan, part),
    'show.c': writeShowTables(plan, assessment, part),
    'pins.h': writePins(plan, part),
    Makefile: `${makefile}${(part.board?.part.code && engine[`${part.board.part.code}.mk`]) || ''}`,
    'LOADING.md': writeChecklist(plan, part),
  });
  const [only] = parts;
  if (only && parts.length === 1) return files(only);
  return Object.fromEntries(
    parts.flatMap((part, i) => {
      const folder = `${i + 1}-${folderName(part.board?.name ?? '')}`;
      return Object.entries(files(part)).map(([name, text]) => [`${folder}/${name}`, text]);
    }),
  );
}

/** The engine's own tables as a C header: the very arrays of the preview. */
export function writeEngineTables(tables: {
  /** Light by level, 256 bytes. */
  readonly gamma: Uint8Array;
  /** Light by how bright it looks, for fades. */
  readonly look: Uint16Array;
  /** One soft breath. */
  readonly breath: Uint8Array;
}): string {
  const write = (name: string, values: Uint8Array | Uint16Array): string => {
    const lines = Array.from(
      { length: Math.ceil(values.length / 16) },
      (_, i) => `  ${[...values.slice(i * 16, i * 16 + 16)].join(', ')},`,
    );
    const type = values.BYTES_PER_ELEMENT === 1 ? 'uint8_t' : 'uint16_t';
    return `static const UG_FLASH ${type} ${name}[${values.length}] = {\n${lines.join('\n')}\n};\n`;
  };
  return [
    '/* Written from core/src/motion/tables.ts by npm run docs. */',
    write('ug_gamma', tables.gamma),
    write('ug_look', tables.look),
    write('ug_breath', tables.breath),
  ].join('\n');
}
