import type { Finding } from '../items/index.ts';
import {
  type Message,
  type Printer,
  type QuantityKind,
  quantity,
  type Sum,
  say,
  usualPrinter,
} from '../units/index.ts';
import type { Drawing } from './drawing.ts';
import { isAskedFor, type PairsInput, type Value, type Values } from './inputs.ts';
import { type InputProblem, readInputs } from './readInputs.ts';
import type { QuickSum, Result } from './sum.ts';

/** A sum answered: what it was asked, and everything it found. */
export interface Answer {
  readonly sum: QuickSum;
  /** As they were entered. */
  readonly values: Values;
  readonly results: readonly Result[];
  /** Formulas with their numbers. */
  readonly steps: readonly Sum[];
  readonly findings: readonly Finding[];
  /** Null where there is none. */
  readonly drawing: Drawing | null;
}

/** The answer of a sum, or what keeps it from one. */
export type Answered =
  | { readonly ok: true; readonly answer: Answer }
  | { readonly ok: false; readonly problems: readonly InputProblem[] };

/** Reads the inputs and makes the sum. A contradiction between inputs comes back as a problem, like a slip in one. */
export function answerSum(sum: QuickSum, given: Readonly<Record<string, unknown>>, printer: Printer): Answered {
  const read = readInputs(sum, given, printer);
  if (!read.ok) return read;
  try {
    const { results, steps, findings, drawing } = sum.reckon(read.values);
    return {
      ok: true,
      answer: {
        sum,
        values: read.values,
        results,
        steps,
        findings: [...findings, ...read.notices],
        drawing: drawing ?? null,
      },
    };
  } catch (error) {
    if (!(error instanceof SumError)) throw error;
    return { ok: false, problems: [{ word: sum.name, problem: error.words }] };
  }
}

/** Inputs that are each right but don't go together; the message says what would. */
export class SumError extends Error {
  readonly words: Message;

  constructor(words: Message, options?: ErrorOptions) {
    super(usualPrinter.message(words), options);
    this.words = words;
  }
}

const plainValue = (key: string, value: Value, sum: QuickSum): unknown => {
  const input = sum.inputs[key];
  if (input?.as !== 'pairs' || !Array.isArray(value)) return value;
  const { names } = input satisfies PairsInput;
  return value.map((pair: readonly [number, number]) => ({ [names[0]]: pair[0], [names[1]]: pair[1] }));
};

const finite = (value: number | null): number | null => (value === null || !Number.isFinite(value) ? null : value);

function resultValue(result: Result, message: Printer['message']): unknown {
  switch (result.form) {
    case 'figure':
      return finite(result.value);
    case 'text':
      return typeof result.value === 'boolean' ? result.value : message(result.value);
    case 'figures':
      return result.values.map(finite);
    default:
      return result.rows.map((row) =>
        Object.fromEntries(
          result.columns.map((column, i) => {
            const cell = row[i] ?? null;
            return [column.key, typeof cell === 'number' || cell === null ? finite(cell) : message(cell)];
          }),
        ),
      );
  }
}

/** What the sum went by: an input that is not asked for beside the others has no value that means anything. */
const askedOf = ({ sum, values }: Answer): [string, Value][] =>
  Object.entries(values).filter(([key]) => {
    const input = sum.inputs[key];
    return input !== undefined && isAskedFor(input, sum.inputs, (other) => values[other]);
  });

/** The answer as the JSON that every sum gives: units stand in the keys. */
export function answerToJson(answer: Answer, { message }: Printer): Record<string, unknown> {
  const { sum } = answer;
  return {
    sum: sum.name,
    inputs: Object.fromEntries(askedOf(answer).map(([key, value]) => [key, plainValue(key, value, sum)])),
    results: Object.fromEntries(answer.results.map((result) => [result.key, resultValue(result, message)])),
    steps: answer.steps.map((step) => ({
      ...step,
      filled: message(step.filled),
      answer: message(step.answer),
      symbols: step.symbols.map((each) => ({ ...each, value: message(each.value) })),
    })),
    findings: answer.findings.map(({ id, gravity, what, why, mend, actual, limit }) => ({
      id,
      gravity,
      what: message(what),
      why: message(why),
      mend: message(mend),
      ...(actual ? { actual } : {}),
      ...(limit ? { limit } : {}),
    })),
  };
}

/** A cell of a table or a figure as it is read. */
export const sayCell = (kind: QuantityKind | 'text', value: number | Message | boolean | null): Message => {
  if (value === null) return 'not decided';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value !== 'number') return value;
  return kind === 'text' ? String(value) : quantity(kind, value);
};

const MOST_SHOWN = 12;

function writeResult(result: Result, { message }: Printer): string[] {
  const showCell = (...cell: Parameters<typeof sayCell>): string => message(sayCell(...cell));
  switch (result.form) {
    case 'figure':
      return [`${result.main ? '*' : ' '} ${message(result.label).padEnd(44)} ${showCell(result.kind, result.value)}`];
    case 'text':
      return [`  ${message(result.label).padEnd(44)} ${showCell('text', result.value)}`];
    case 'figures': {
      const shown = result.values.slice(0, MOST_SHOWN).map((value) => showCell(result.kind, value));
      const more = result.values.length - shown.length;
      return [`  ${message(result.label).padEnd(44)} ${shown.join(', ')}${more > 0 ? ` and ${more} more` : ''}`];
    }
    default: {
      const cells = [
        result.columns.map((column) => column.label),
        ...result.rows.map((row) => result.columns.map((column, i) => showCell(column.kind, row[i] ?? null))),
      ];
      const widths = result.columns.map((_, i) => Math.max(...cells.map((row) => (row[i] ?? '').length)));
      return [
        `  ${message(result.label)}`,
        ...cells.map((row) => `    ${row.map((cell, i) => cell.padEnd(widths[i] ?? 0)).join('  ')}`.trimEnd()),
      ];
    }
  }
}

/** The answer as a page of text. */
export function writeAnswer(answer: Answer, printer: Printer): string {
  const lines: readonly Message[] = [
    answer.sum.title,
    '='.repeat(answer.sum.title.length),
    ...answer.results.flatMap((result) => writeResult(result, printer)),
    '',
    ...answer.steps.flatMap((step) => [
      `  ${step.name}`,
      `    ${step.form}`,
      say`    = ${step.filled} = ${step.answer}    (${step.source})`,
    ]),
    ...(answer.findings.length > 0 ? [''] : []),
    ...answer.findings.flatMap((each) => [
      say`  ${each.gravity.toUpperCase()}  ${each.what}`,
      say`        ${each.why} ${each.mend}`,
    ]),
  ];
  return `${lines
    .map(printer.message)
    .join('\n')
    .replace(/\n{3,}/g, '\n\n')}\n`;
}

/** A value as an input field shows it, so that it can be read back. */
export function showInput(sum: QuickSum, key: string, value: Value, { forEditing }: Printer): string {
  const input = sum.inputs[key];
  if (!input || value === null) return '';
  switch (input.as) {
    case 'quantity':
    case 'optional':
      return typeof value === 'number' ? forEditing(input.kind, value) : '';
    case 'list':
      return Array.isArray(value) ? value.map((each) => forEditing(input.kind, each as number)).join(', ') : '';
    case 'pairs':
      return Array.isArray(value)
        ? value
            .map((pair) => {
              const [a = 0, b = 0] = pair as readonly number[];
              return input.names[0] === 'count'
                ? `${a} x ${forEditing(input.kinds[1], b)}`
                : `${forEditing(input.kinds[0], a)} : ${forEditing(input.kinds[1], b)}`;
            })
            .join(', ')
        : '';
    default:
      return String(value);
  }
}
