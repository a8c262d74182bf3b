import type { Finding } from '../items/index.ts';
import {
  type Band,
  joinMessages,
  judge,
  type Message,
  type Printer,
  type Quantity,
  type QuantityKind,
  quantity,
  say,
} from '../units/index.ts';
import { type Input, isAskedFor, type Value, type Values } from './inputs.ts';
import { finding, type QuickSum } from './sum.ts';

/** What is wrong with one input: its word, and what to write instead. */
export interface InputProblem {
  /** The field, as it is typed on the command line. */
  readonly word: string;
  /** What is wrong, and what would be right. */
  readonly problem: Message;
}

/** Values that a sum can take, with the slips that were noticed and what was assumed; or what is wrong. */
export type ReadInputs =
  | { readonly ok: true; readonly values: Values; readonly notices: readonly Finding[] }
  | { readonly ok: false; readonly problems: readonly InputProblem[] };

type One =
  | { readonly ok: true; readonly value: Value; readonly slips: readonly Quantity[] }
  | { readonly ok: false; readonly problem: Message };

type OneNumber =
  | { readonly ok: true; readonly value: number; readonly slip: Quantity | null }
  | { readonly ok: false; readonly problem: Message };

function judgeOne(kind: QuantityKind, value: number, band: Band): OneNumber {
  const judged = judge(kind, value, band);
  if (!judged.ok) return judged;
  return {
    ok: true,
    value: judged.value,
    slip: judged.didYouMean === undefined ? null : quantity(kind, judged.didYouMean),
  };
}

function readOne(kind: QuantityKind, text: string, band: Band, printer: Printer): OneNumber {
  const parsed = printer.parse(kind, text);
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

function readPair(input: Extract<Input, { as: 'pairs' }>, text: string, printer: Printer): One {
  const [, first = '', second = ''] = /^(.*?)\s*[x×*:@]\s*(.+)$/i.exec(text) ?? [];
  const lone = first === '' && second === '';
  if (lone && input.names[0] !== 'count')
    return {
      ok: false,
      problem: `"${text}" is not a pair; write ${input.names.join(':')}, one pair after another with commas`,
    };
  const found = [
    lone ? ({ ok: true, value: 1, slip: null } as const) : readOne(input.kinds[0], first, input.bands[0], printer),
    readOne(input.kinds[1], lone ? text : second, input.bands[1], printer),
  ];
  return gather(found);
}

function readText(input: Input, text: string, printer: Printer): One {
  switch (input.as) {
    case 'quantity':
    case 'optional': {
      if (input.as === 'optional' && text.trim() === '') return { ok: true, value: null, slips: [] };
      const found = readOne(input.kind, text, input.band, printer);
      return found.ok ? { ok: true, value: found.value, slips: found.slip === null ? [] : [found.slip] } : found;
    }
    case 'list':
      return gather(splitList(text).map((part) => readOne(input.kind, part, input.band, printer)));
    case 'pairs': {
      const found = splitList(text).map((part) => readPair(input, part, printer));
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

function readJsonNumber(input: Extract<Input, { as: 'quantity' | 'optional' }>, value: unknown): One {
  if (input.as === 'optional' && value === null) return { ok: true, value: null, slips: [] };
  if (!isNumber(value)) return { ok: false, problem: `found ${JSON.stringify(value)}; a number is wanted` };
  const found = judgeOne(input.kind, value, input.band);
  return found.ok ? { ok: true, value: found.value, slips: found.slip === null ? [] : [found.slip] } : found;
}

/** Both numbers of one pair, written as an array or under their names; null where it is no such pair. */
function pairOf(row: unknown, [first, second]: readonly [string, string]): readonly [number, number] | null {
  const isObject = typeof row === 'object' && row !== null;
  const [a, b] = Array.isArray(row) ? row : isObject ? [Reflect.get(row, first), Reflect.get(row, second)] : [];
  return isNumber(a) && isNumber(b) ? [a, b] : null;
}

function readJsonPairs(input: Extract<Input, { as: 'pairs' }>, value: unknown): One {
  const rows = Array.isArray(value) ? value.map((row) => pairOf(row, input.names)) : [null];
  const pairs = rows.filter((row) => row !== null);
  if (pairs.length < rows.length)
    return { ok: false, problem: `a list of { "${input.names[0]}", "${input.names[1]}" } is wanted` };
  const judged = pairs.flatMap(([a, b]) => [
    judgeOne(input.kinds[0], a, input.bands[0]),
    judgeOne(input.kinds[1], b, input.bands[1]),
  ]);
  const bad = judged.find((each) => !each.ok);
  return bad && !bad.ok ? bad : { ok: true, value: pairs, slips: [] };
}

/** An input out of JSON: numbers in the unit that the key names; text is read as a person writes it. */
function readJson(input: Input, value: unknown, printer: Printer): One {
  if (typeof value === 'string') return readText(input, value, printer);
  switch (input.as) {
    case 'quantity':
    case 'optional':
      return readJsonNumber(input, value);
    case 'list':
      if (!Array.isArray(value) || !value.every(isNumber)) return { ok: false, problem: 'a list of numbers is wanted' };
      return gather(value.map((each) => judgeOne(input.kind, each, input.band)));
    case 'pairs':
      return readJsonPairs(input, value);
    default:
      return { ok: false, problem: `found ${JSON.stringify(value)}; text is wanted` };
  }
}

const isMissing = (value: unknown): boolean =>
  value === undefined || (typeof value === 'string' && value.trim() === '');

function assumedNotice(sum: QuickSum, assumed: readonly string[]): Finding[] {
  const said = assumed.flatMap((key) => {
    const input = sum.inputs[key];
    return input?.as === 'quantity'
      ? [say`${input.label.charAt(0).toLowerCase()}${input.label.slice(1)} ${quantity(input.kind, input.initial)}`]
      : [];
  });
  return said.length === 0
    ? []
    : [
        finding(
          'assumed',
          'mind',
          say`Taken as usual: ${joinMessages(said, ', ')}`,
          'These were not given and change the answer.',
          'Give your own where you know better.',
        ),
      ];
}

/** The inputs by their keys, whether they were given by key or by word; names that the sum does not know are problems. */
function matchNames(
  sum: QuickSum,
  given: Readonly<Record<string, unknown>>,
): { readonly found: ReadonlyMap<string, unknown>; readonly problems: readonly InputProblem[] } {
  const keyOf = (name: string): string | undefined =>
    Object.hasOwn(sum.inputs, name)
      ? name
      : Object.keys(sum.inputs).find((key) => sum.inputs[key]?.word === name.toLowerCase());
  const words = Object.values(sum.inputs).map((input) => input.word);
  const matched = Object.entries(given).map(([name, value]) => ({ name, key: keyOf(name), value }));
  return {
    found: new Map(matched.flatMap(({ key, value }) => (key === undefined ? [] : [[key, value] as const]))),
    problems: matched
      .filter(({ key }) => key === undefined)
      .map(({ name }) => ({ word: name, problem: `${sum.name} has no "${name}"; it takes ${words.join(', ')}` })),
  };
}

/** What stands for an input that was not given, or what to say where nothing can. */
function readMissing(input: Input): One {
  if (input.as === 'optional') return { ok: true, value: null, slips: [] };
  if (input.as === 'quantity' && input.needed)
    return { ok: false, problem: say`is needed, such as ${input.word}=${quantity(input.kind, input.initial)}` };
  return { ok: true, value: input.initial, slips: [] };
}

/** What was given for an input that isn't asked for beside the others: the answer takes no heed of it, and says so. */
const setAside = ({ word, label }: Input): Finding =>
  finding(
    `set-aside-${word}`,
    'mind',
    say`${label} is set aside`,
    'It has no meaning beside what else was given.',
    say`Leave out ${word}, or what stands in its place.`,
  );

const slipNotices = (input: Input, slips: readonly Quantity[]): Finding[] =>
  slips.map((meant) =>
    finding(
      `unusual-${input.word}`,
      'mind',
      say`${input.label} is unusual. Did you mean ${meant}?`,
      'A lost prefix or decimal point makes a factor of ten or a thousand.',
      'Check it; the sum was made with what was given.',
    ),
  );

/**
 * Reads the inputs of a sum: text as people write it, or JSON values in the units that the keys name. What is missing
 * and needed, unknown or out of range is told all at once; what looks like a slip is taken and asked about.
 */
export function readInputs(sum: QuickSum, given: Readonly<Record<string, unknown>>, printer: Printer): ReadInputs {
  const { found, problems: unknown } = matchNames(sum, given);
  // A choice counts as it is read: "NONE" is none, and the beginning of a name is the name.
  const readAs = (key: string): unknown => {
    const input = sum.inputs[key];
    const value = found.get(key);
    if (input?.as !== 'choice' || isMissing(value)) return value;
    const one = readJson(input, value, printer);
    return one.ok ? one.value : value;
  };
  const read = Object.entries(sum.inputs).map(([key, input]) => {
    const missing = isMissing(found.get(key));
    const asked = isAskedFor(input, sum.inputs, readAs);
    const one = missing || !asked ? readMissing(input) : readJson(input, found.get(key), printer);
    return { key, input, missing, asked, one };
  });
  const problems = [
    ...unknown,
    ...read.flatMap(({ input, missing, one }) =>
      one.ok ? [] : [{ word: input.word, problem: say`${input.label}${missing ? ' ' : ': '}${one.problem}` }],
    ),
  ];
  if (problems.length > 0) return { ok: false, problems };
  return {
    ok: true,
    values: Object.fromEntries(read.flatMap(({ key, one }) => (one.ok ? [[key, one.value] as const] : []))),
    notices: [
      ...read.flatMap(({ input, one }) => (one.ok ? slipNotices(input, one.slips) : [])),
      ...read.flatMap(({ input, missing, asked }) => (missing || asked ? [] : [setAside(input)])),
      ...assumedNotice(
        sum,
        read.filter(({ missing, asked }) => missing && asked).map(({ key }) => key),
      ),
    ],
  };
}
