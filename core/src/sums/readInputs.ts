import { judge, parseQuantity, printQuantity, type QuantityKind } from '../units/index.ts';
import { finding, type Input, type QuickSum, type SumFinding, type Value, type Values } from './sum.ts';

/** What is wrong with one input: its word, and what to write instead. */
export interface InputProblem {
  readonly word: string;
  readonly problem: string;
}

/** Values that a sum can take, with the slips that were noticed and what was assumed; or what is wrong. */
export type ReadInputs =
  | { readonly ok: true; readonly values: Values; readonly notices: readonly SumFinding[] }
  | { readonly ok: false; readonly problems: readonly InputProblem[] };

type One =
  | { readonly ok: true; readonly value: Value; readonly slips: readonly string[] }
  | { readonly ok: false; readonly problem: string };

type OneNumber =
  | { readonly ok: true; readonly value: number; readonly slip: string | null }
  | { readonly ok: false; readonly problem: string };

function judgeOne(kind: QuantityKind, value: number, band: Parameters<typeof judge>[2]): OneNumber {
  const judged = judge(kind, value, band);
  if (!judged.ok) return judged;
  return { ok: true, value: judged.value, slip: judged.didYouMean?.text ?? null };
}

function readOne(kind: QuantityKind, text: string, band: Parameters<typeof judge>[2]): OneNumber {
  const parsed = parseQuantity(kind, text);
  return parsed.ok ? judgeOne(kind, parsed.value, band) : parsed;
}

/** Parts of a list: by semicolons where there are any (decimal commas are possible then), else by commas. */
const splitList = (text: string): string[] =>
  text
    .split(text.includes(';') ? ';' : ',')
    .map((part) => part.trim())
    .filter((part) => part !== '');

const gather = (found: readonly OneNumber[]): One => {
  const bad = found.find((each) => !each.ok);
  if (bad && !bad.ok) return bad;
  const good = found.filter((each) => each.ok);
  return { ok: true, value: good.map((each) => each.value), slips: good.flatMap((each) => each.slip ?? []) };
};

function readPair(input: Extract<Input, { as: 'pairs' }>, text: string): One {
  const [, first = '', second = ''] = /^(.*?)\s*[x×*:@]\s*(.+)$/i.exec(text) ?? [];
  const lone = first === '' && second === '';
  if (lone && input.names[0] !== 'count')
    return {
      ok: false,
      problem: `"${text}" is not a pair; write ${input.names.join(':')}, one pair after another with commas`,
    };
  const found = [
    lone ? ({ ok: true, value: 1, slip: null } as const) : readOne(input.kinds[0], first, input.bands[0]),
    readOne(input.kinds[1], lone ? text : second, input.bands[1]),
  ];
  return gather(found);
}

function readText(input: Input, text: string): One {
  switch (input.as) {
    case 'quantity':
    case 'optional': {
      if (input.as === 'optional' && text.trim() === '') return { ok: true, value: null, slips: [] };
      const found = readOne(input.kind, text, input.band);
      return found.ok ? { ok: true, value: found.value, slips: found.slip === null ? [] : [found.slip] } : found;
    }
    case 'list':
      return gather(splitList(text).map((part) => readOne(input.kind, part, input.band)));
    case 'pairs': {
      const found = splitList(text).map((part) => readPair(input, part));
      const bad = found.find((each) => !each.ok);
      if (bad) return bad;
      const good = found.filter((each) => each.ok);
      // Each is a pair of two numbers, as readPair gives it.
      return {
        ok: true,
        value: good.map((each) => each.value) as unknown as Value,
        slips: good.flatMap((each) => each.slips),
      };
    }
    case 'choice': {
      const wanted = text.trim().toLowerCase();
      const option =
        input.options.find((each) => each.toLowerCase() === wanted) ??
        (input.options.filter((each) => each.toLowerCase().startsWith(wanted)).length === 1
          ? input.options.find((each) => each.toLowerCase().startsWith(wanted))
          : undefined);
      return option === undefined
        ? { ok: false, problem: `"${text}" is not one of: ${input.options.join(', ')}` }
        : { ok: true, value: option, slips: [] };
    }
    default:
      return { ok: true, value: text.trim(), slips: [] };
  }
}

const isNumber = (value: unknown): value is number => typeof value === 'number' && Number.isFinite(value);

/** An input out of JSON: numbers in the unit that the key names; text is read as a person writes it. */
function readJson(input: Input, value: unknown): One {
  if (typeof value === 'string') return readText(input, value);
  switch (input.as) {
    case 'quantity':
    case 'optional': {
      if (input.as === 'optional' && value === null) return { ok: true, value: null, slips: [] };
      if (!isNumber(value)) return { ok: false, problem: `found ${JSON.stringify(value)}; a number is wanted` };
      const found = judgeOne(input.kind, value, input.band);
      return found.ok ? { ok: true, value: found.value, slips: found.slip === null ? [] : [found.slip] } : found;
    }
    case 'list':
      if (!Array.isArray(value) || !value.every(isNumber)) return { ok: false, problem: 'a list of numbers is wanted' };
      return gather(value.map((each) => judgeOne(input.kind, each, input.band)));
    case 'pairs': {
      const [a, b] = input.names;
      const rows = Array.isArray(value)
        ? value.map((row: unknown): unknown[] =>
            Array.isArray(row)
              ? row
              : typeof row === 'object' && row !== null
                ? [Reflect.get(row, a), Reflect.get(row, b)]
                : [],
          )
        : [];
      if (!Array.isArray(value) || !rows.every((row) => row.length === 2 && row.every(isNumber)))
        return { ok: false, problem: `a list of { "${a}", "${b}" } is wanted` };
      const found = rows.map((row) =>
        row.map((each, i) => judgeOne(input.kinds[i === 0 ? 0 : 1], each as number, input.bands[i === 0 ? 0 : 1])),
      );
      const bad = found.flat().find((each) => !each.ok);
      return bad && !bad.ok ? bad : { ok: true, value: rows as [number, number][], slips: [] };
    }
    default:
      return { ok: false, problem: `found ${JSON.stringify(value)}; text is wanted` };
  }
}

const isMissing = (value: unknown): boolean =>
  value === undefined || (typeof value === 'string' && value.trim() === '');

function assumedNotice(sum: QuickSum, assumed: readonly string[]): SumFinding[] {
  const said = assumed.flatMap((key) => {
    const input = sum.inputs[key];
    return input?.as === 'quantity' ? [`${input.label.toLowerCase()} ${printQuantity(input.kind, input.initial)}`] : [];
  });
  return said.length === 0
    ? []
    : [
        finding(
          'assumed',
          'mind',
          `Taken as usual: ${said.join(', ')}`,
          'These were not given and change the answer.',
          'Give your own where you know better.',
        ),
      ];
}

/**
 * Reads the inputs of a sum: text as people write it, or JSON values in the units that the keys name. What is missing
 * and needed, unknown or out of range is told all at once; what looks like a slip is taken and asked about.
 */
export function readInputs(sum: QuickSum, given: Readonly<Record<string, unknown>>): ReadInputs {
  const keyOf = (name: string): string | undefined =>
    name in sum.inputs ? name : Object.keys(sum.inputs).find((key) => sum.inputs[key]?.word === name.toLowerCase());
  const problems: InputProblem[] = [];
  const values: Record<string, Value> = {};
  const notices: SumFinding[] = [];
  const found = new Map<string, unknown>();
  for (const [name, value] of Object.entries(given)) {
    const key = keyOf(name);
    if (key === undefined)
      problems.push({
        word: name,
        problem: `${sum.name} has no "${name}"; it takes ${Object.values(sum.inputs)
          .map((input) => input.word)
          .join(', ')}`,
      });
    else found.set(key, value);
  }
  const assumed: string[] = [];
  for (const [key, input] of Object.entries(sum.inputs)) {
    const value = found.get(key);
    if (isMissing(value)) {
      if (input.as === 'quantity' && input.needed)
        problems.push({
          word: input.word,
          problem: `${input.label} is needed, such as ${input.word}=${printQuantity(input.kind, input.initial)}`,
        });
      else if (input.as === 'optional') values[key] = null;
      else {
        values[key] = input.initial;
        if (input.as === 'quantity') assumed.push(key);
      }
      continue;
    }
    const read = readJson(input, value);
    if (!read.ok) {
      problems.push({ word: input.word, problem: `${input.label}: ${read.problem}` });
      continue;
    }
    values[key] = read.value;
    notices.push(
      ...read.slips.map((meant) =>
        finding(
          `unusual-${input.word}`,
          'mind',
          `${input.label} is unusual. Did you mean ${meant}?`,
          'A lost prefix or decimal point makes a factor of ten or a thousand.',
          'Check it; the sum was made with what was given.',
        ),
      ),
    );
  }
  if (problems.length > 0) return { ok: false, problems };
  return { ok: true, values, notices: [...notices, ...assumedNotice(sum, assumed)] };
}
