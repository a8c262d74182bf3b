import { readFileSync } from 'node:fs';
import { readStockCsv, resistorsInStock } from '@glimmer/core/parts';
import {
  type Answered,
  answerSum,
  answerToJson,
  findSum,
  type QuickSum,
  quickSums,
  showInput,
  writeAnswer,
} from '@glimmer/core/sums';
import type { Printer } from '@glimmer/core/units';
import { UseError } from './useError.ts';

/** All sums with what they answer, by group. */
function listSums(): string {
  const groups = [...new Set(quickSums.map((sum) => sum.group))];
  const blocks = groups.map((group) => {
    const rows = quickSums.filter((sum) => sum.group === group).map((sum) => `  ${sum.name.padEnd(18)} ${sum.about}`);
    return `${group}\n${rows.join('\n')}`;
  });
  return `${blocks.join('\n\n')}\n\n./glimmer sum NAME           what a sum takes\n./glimmer sum NAME key=value …   its answer; --json for JSON\n`;
}

/** What one sum takes, with an example that can be typed as it stands. */
function describeSum(sum: QuickSum, printer: Printer): string {
  const rows = Object.entries(sum.inputs).map(([key, input]) => {
    const isNeeded = input.as === 'quantity' && input.needed;
    const initial = 'initial' in input ? showInput(sum, key, input.initial, printer) : '';
    const remark = isNeeded ? 'needed' : initial === '' ? 'optional' : `taken as ${initial}`;
    const options = input.as === 'choice' && input.options.length < 9 ? ` (${input.options.join(' | ')})` : '';
    return `  ${input.word.padEnd(14)} ${input.label}${input.hint ? ` (${input.hint})` : ''}${options}; ${remark}; in JSON ${key}`;
  });
  const example = Object.entries(sum.inputs)
    .filter(
      ([, input]) =>
        (input.as === 'quantity' && input.needed) ||
        (input.as === 'optional' && input.example !== undefined) ||
        ((input.as === 'pairs' || input.as === 'list') && input.initial.length > 0),
    )
    .map(
      ([key, input]) =>
        `${input.word}=${showInput(sum, key, 'initial' in input ? input.initial : (input.example ?? null), printer).replaceAll(' ', '')}`,
    );
  return `${sum.title}\n${sum.about}\n\n${rows.join('\n')}\n\nSuch as: ./glimmer sum ${sum.name} ${example.join(' ')}\n`;
}

/** Resistors out of the maker's own table: `stock=@drawer.csv`. */
function readDrawer(path: string): string {
  let text: string;
  try {
    text = readFileSync(path, 'utf8');
  } catch (cause) {
    throw new UseError(`${path} can’t be read: ${cause instanceof Error ? cause.message : 'unknown reason'}`, {
      cause,
    });
  }
  const { items, problems } = readStockCsv(text);
  for (const { line, problem } of problems) process.stderr.write(`${path}, line ${line}: ${problem}\n`);
  return resistorsInStock(items).join(',');
}

/** `key=value` words; a value may hold spaces where the shell kept them together; `@file` is read from a drawer. */
function readWords(args: readonly string[]): Record<string, unknown> {
  return Object.fromEntries(
    args.map((arg) => {
      const at = arg.indexOf('=');
      if (at < 1) throw new UseError(`"${arg}" is not key=value, such as supply=9V`);
      const value = arg.slice(at + 1);
      return [arg.slice(0, at), value.startsWith('@') ? readDrawer(value.slice(1)) : value];
    }),
  );
}

/** JSON inputs: the inputs alone, or what a sum gives with `--json`. */
function readJsonInputs(text: string): Record<string, unknown> {
  let parsed: unknown;
  try {
    parsed = JSON.parse(text);
  } catch (cause) {
    throw new UseError(`The input is not JSON: ${cause instanceof Error ? cause.message : 'unreadable'}`, { cause });
  }
  if (typeof parsed !== 'object' || parsed === null || Array.isArray(parsed))
    throw new UseError('The JSON must be an object such as {"supplyV": 9, "forwardV": 2, "currentA": 0.02}');
  const inputs: unknown = Reflect.get(parsed, 'inputs');
  return typeof inputs === 'object' && inputs !== null ? { ...inputs } : { ...parsed };
}

function gatherInputs(args: readonly string[], json: boolean): Record<string, unknown> {
  const [first] = args;
  if (first?.startsWith('{')) return readJsonInputs(first);
  if (first === '-') return readJsonInputs(readFileSync(0, 'utf8'));
  if (args.length === 0 && json) {
    const piped = process.stdin.isTTY ? '' : readFileSync(0, 'utf8');
    return piped.trim() === '' ? {} : readJsonInputs(piped);
  }
  return readWords(args);
}

/** `./glimmer sum [NAME [key=value …]] [--json]`. Exit status 1 where the answer holds a stop. */
export function runSum(args: readonly string[], json: boolean, printer: Printer): number {
  const [name, ...rest] = args;
  if (name === undefined) {
    process.stdout.write(
      json
        ? `${JSON.stringify(
            quickSums.map((sum) => ({ sum: sum.name, title: sum.title, about: sum.about, inputs: sum.inputs })),
            null,
            2,
          )}\n`
        : listSums(),
    );
    return 0;
  }
  const sum = findSum(name);
  if (!sum) {
    const near = quickSums.filter((each) => each.name.includes(name) || name.includes(each.name.split('-')[0] ?? name));
    throw new UseError(
      `There is no sum "${name}". ${near.length > 0 ? `Did you mean ${near.map((each) => each.name).join(', ')}?` : './glimmer sum lists them.'}`,
    );
  }
  if (rest.length === 0 && !json) {
    process.stdout.write(describeSum(sum, printer));
    return 0;
  }
  const answered: Answered = answerSum(sum, gatherInputs(rest, json), printer);
  if (!answered.ok)
    throw new UseError(
      json
        ? JSON.stringify(
            {
              sum: sum.name,
              problems: answered.problems.map(({ word, problem }) => ({ word, problem: printer.message(problem) })),
            },
            null,
            2,
          )
        : answered.problems.map(({ word, problem }) => `${word}: ${printer.message(problem)}`).join('\n'),
    );
  const { answer } = answered;
  process.stdout.write(
    json ? `${JSON.stringify(answerToJson(answer, printer), null, 2)}\n` : writeAnswer(answer, printer),
  );
  return answer.findings.some((each) => each.gravity === 'stop') ? 1 : 0;
}
