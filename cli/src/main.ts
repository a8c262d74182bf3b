import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { assess } from '@glimmer/core/assess';
import { startSimulated } from '@glimmer/core/bench';
import { NoSuchCondition } from '@glimmer/core/exact';
import {
  exportNetlist,
  exportProgram,
  exportShoppingCsv,
  exportTemplateSvg,
  exportTemplateTiles,
  exportWireCsv,
  fingerprint,
  tellAssessment,
  usualCondition,
  writeBrief,
  writeMoodCard,
} from '@glimmer/core/exports';
import { checkPlan } from '@glimmer/core/findings';
import type { Plan } from '@glimmer/core/plan';
import { readPlanText } from '@glimmer/core/plan/reading';
import { type Printer, parseUnits, printerFor } from '@glimmer/core/units';
import { strToU8, zipSync } from 'fflate';
import { runSum } from './sumCommand.ts';
import { UseError } from './useError.ts';

const usage = `Use: ./glimmer COMMAND
  assess FILE [--brief]        the assessment as JSON (docs/assessment.schema.json), or as a page to read
  check FILE                   the findings; exit status 1 where there is a stop
  export FILE --as FORMAT      shopping-csv | wires-csv | template-svg | template-back-svg |
                               template-a4 | template-letter (on sheets, to print) |
                               mood-card | program (a ZIP: give --out) | plan |
                               netlist (the exact network as SPICE-format text)
         [--out PATH]          to a file instead of the screen
         netlist takes [--charge 0.5] [--mood ID | --mood dark] [--open ID], --open for each switch that is open
  simulate FILE                a controller in place of the hardware: it reads lines from standard input and
                               answers each: frame T, loop T, close C T, open C T, code C X T (T in ms, C from 0)
  demo NAME [--out PATH]       write a demo plan; without a name their list
  sum [NAME [key=value …]] [--json]
                               quick sums: without a name their list, without values what one takes
FILE may be - for standard input.
--units WORDS                  with any of them: what is read and written, with commas: mm or in, gauge or mm2,
                               C or F, a currency sign; such as --units in,mm2,F,€
`;

function readFile(path: string | undefined): string {
  if (!path) throw new UseError(`Name a plan file.\n${usage}`);
  try {
    return readFileSync(path === '-' ? 0 : path, 'utf8');
  } catch (cause) {
    throw new UseError(`${path} can’t be read: ${cause instanceof Error ? cause.message : 'unknown reason'}`, {
      cause,
    });
  }
}

function loadPlan(path: string | undefined): Plan {
  const read = readPlanText(readFile(path));
  if (!read.ok)
    throw new UseError(
      `${path} is not a plan that can be read:\n${read.problems.map((problem) => `  ${problem.place}: ${problem.message}`).join('\n')}`,
    );
  return read.plan;
}

/** The engine's files as they stand in the folder firmware/. */
function readEngine(): Record<string, string> {
  const firmware = join(dirname(fileURLToPath(import.meta.url)), '../../firmware');
  return Object.fromEntries(
    ['engine', 'boards'].flatMap((folder) =>
      readdirSync(join(firmware, folder), { recursive: true, encoding: 'utf8' })
        .filter((file) => /\.(c|h|ld|mk)$/.test(file))
        .map((file) => [basename(file), readFileSync(join(firmware, folder, file), 'utf8')]),
    ),
  );
}

function zipProgram(plan: Plan): Uint8Array {
  const files = exportProgram(plan, assess(plan.design), readEngine());
  return zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [`program/${name}`, strToU8(text)])));
}

/** What the network is looked at in, by the options of the command. */
interface Looked {
  readonly charge: string | undefined;
  readonly mood: string | undefined;
  readonly open: readonly string[];
}

function writeNetlist(plan: Plan, { charge, mood, open }: Looked): string {
  const assessment = assess(plan.design);
  const usual = usualCondition(assessment);
  const moodId = mood === undefined ? usual.moodId : mood === 'dark' ? null : mood;
  try {
    return exportNetlist(plan, assessment, {
      charge: charge === undefined ? usual.charge : Number(charge),
      moodId,
      openIds: open,
    });
  } catch (cause) {
    throw cause instanceof NoSuchCondition ? new UseError(cause.message, { cause }) : cause;
  }
}

const exporters: Readonly<Record<string, (plan: Plan, printer: Printer, looked: Looked) => string | Uint8Array>> = {
  'shopping-csv': (plan, printer) => exportShoppingCsv(assess(plan.design), plan.design.piece.copies, printer),
  'wires-csv': (plan, printer) => exportWireCsv(assess(plan.design), printer),
  'template-svg': (plan, printer) => exportTemplateSvg(plan, assess(plan.design), 'front', printer),
  'template-a4': (plan, printer) => exportTemplateTiles(plan, assess(plan.design), 'front', 'A4', printer),
  'template-letter': (plan, printer) => exportTemplateTiles(plan, assess(plan.design), 'front', 'Letter', printer),
  'template-back-svg': (plan, printer) => exportTemplateSvg(plan, assess(plan.design), 'back', printer),
  'mood-card': (plan, printer) => writeMoodCard(plan, assess(plan.design), printer),
  program: zipProgram,
  netlist: (plan, _printer, looked) => writeNetlist(plan, looked),
  plan: (plan) => `${JSON.stringify(plan, null, 2)}\n`,
};

function write(content: string | Uint8Array, out: string | undefined): void {
  if (out) writeFileSync(out, content);
  else process.stdout.write(content);
}

function listFindings(plan: Plan, { message }: Printer): number {
  const findings = checkPlan(plan, assess(plan.design));
  for (const finding of findings) {
    process.stdout.write(
      `${finding.gravity.toUpperCase()}  ${message(finding.what)}\n      ${message(finding.why)}\n      ${message(finding.mend)}\n`,
    );
  }
  if (findings.length === 0) process.stdout.write('No findings.\n');
  return findings.some((finding) => finding.gravity === 'stop') ? 1 : 0;
}

/** Answers lines as a board would, until there are no more. */
function simulate(plan: Plan): number {
  const assessment = assess(plan.design);
  const mark = fingerprint(plan.design);
  const controller = startSimulated(plan.design, assessment, mark);
  process.stdout.write(`plan ${mark}, ${assessment.show.frameBytes} bytes a frame\n`);
  const lines = readFileSync(0, 'utf8').split('\n');
  for (const line of lines) if (line.trim() !== '') process.stdout.write(`${controller.answer(line)}\n`);
  return 0;
}

/** The printer of the units that are asked for. */
function printerOf(text: string): Printer {
  const read = parseUnits(text);
  if (!read.ok) throw new UseError(`--units: ${read.problem}`);
  return printerFor(read.units);
}

function run(args: readonly string[]): number {
  const { values, positionals } = parseArgs({
    args: [...args],
    allowPositionals: true,
    options: {
      brief: { type: 'boolean', default: false },
      as: { type: 'string' },
      out: { type: 'string' },
      json: { type: 'boolean', default: false },
      charge: { type: 'string' },
      mood: { type: 'string' },
      open: { type: 'string', multiple: true, default: [] },
      units: { type: 'string', default: '' },
      help: { type: 'boolean', default: false },
    },
  });
  const [command, file] = positionals;
  if (values.help || command === undefined || command === 'help') {
    process.stdout.write(usage);
    return command === undefined && !values.help ? 2 : 0;
  }
  const printer = printerOf(values.units);
  switch (command) {
    case 'assess': {
      const plan = loadPlan(file);
      const assessment = assess(plan.design);
      write(
        values.brief
          ? writeBrief(plan, assessment, printer)
          : `${JSON.stringify(tellAssessment(plan, assessment, printer), null, 2)}\n`,
        values.out,
      );
      return 0;
    }
    case 'simulate':
      return simulate(loadPlan(file));
    case 'sum':
      return runSum(positionals.slice(1), values.json, printer);
    case 'check':
      return listFindings(loadPlan(file), printer);
    case 'export': {
      const exporter = exporters[values.as ?? ''];
      if (!exporter)
        throw new UseError(`--as takes one of: ${Object.keys(exporters).join(', ')}; got ${values.as ?? 'nothing'}`);
      const looked = { charge: values.charge, mood: values.mood, open: values.open };
      write(exporter(loadPlan(file), printer, looked), values.out);
      return 0;
    }
    case 'demo': {
      const demos = join(dirname(fileURLToPath(import.meta.url)), '../../demo');
      const path = join(demos, `${(file ?? '').replace(/[^\w-]/g, '')}.glimmer.json`);
      let text: string;
      try {
        text = readFileSync(path, 'utf8');
      } catch (cause) {
        const names = readdirSync(demos).map((name) => name.replace('.glimmer.json', ''));
        throw new UseError(`There is no demo plan "${file ?? ''}"; there are: ${names.join(', ')}`, { cause });
      }
      write(text, values.out);
      return 0;
    }
    default:
      throw new UseError(`"${command}" is not a command.\n${usage}`);
  }
}

try {
  process.exitCode = run(process.argv.slice(2));
} catch (error) {
  const isUse = error instanceof UseError || (error instanceof TypeError && 'code' in error);
  process.stderr.write(
    `${isUse ? (error as Error).message : error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`,
  );
  process.exitCode = 2;
}
