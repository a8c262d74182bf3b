import type { z } from 'zod';
import { kinds } from '../items/index.ts';
import { switchedBy } from '../items/schemaFields.ts';
import { moveSchema } from '../moves/moveSchema.ts';
import { when } from './moodSchema.ts';
import type { PlanProblem } from './problem.ts';

/** A value as a message shows it, cut short. */
export function show(value: unknown): string {
  if (value === undefined) return 'nothing';
  const text = JSON.stringify(value) ?? String(value);
  return text.length > 40 ? `${text.slice(0, 40)}…` : text;
}

function valueAt(document: unknown, path: readonly PropertyKey[]): unknown {
  // Walking an unknown document: each step is checked before it is taken.
  return path.reduce<unknown>(
    (at, key) => (typeof at === 'object' && at !== null ? (at as Record<PropertyKey, unknown>)[key] : undefined),
    document,
  );
}

/** What may stand where one of several kinds is asked for, by the place. */
const kindsAt: readonly (readonly [RegExp, readonly string[]])[] = [
  [/switchedBy/, switchedBy.options.map(({ shape }) => shape.way.value)],
  [/\.when(?:\.kind)?$/, when.options.map(({ shape }) => shape.kind.value)],
  [/\.(?:moves\.[\w-]+|move)(?:\.kind)?$/, moveSchema.options.map(({ shape }) => shape.kind.value)],
  [/^design\.items\.\d+(?:\.kind)?$/, kinds.map(({ kind }) => kind)],
];

/** A thing of a kind that is not known: what stands there, and which kinds there are. */
function sayUnion(place: string, found: unknown): string {
  const fields = typeof found === 'object' && found !== null ? (found as Record<string, unknown>) : {};
  const allowed = kindsAt.find(([at]) => at.test(place))?.[1];
  const said = fields.kind ?? fields.way ?? (typeof found === 'object' && found !== null ? undefined : found);
  return `found ${said === undefined ? 'none of the kinds that there are' : show(said)}; ${allowed ? `allowed: ${allowed.join(', ')}` : 'it is none of the kinds that are known here'}`;
}

/** What a value must be, for whoever mends the file by hand. */
const typeWords: Readonly<Record<string, string>> = {
  object: 'a group of fields in { }',
  record: 'a group of fields in { }',
  array: 'a list in [ ]',
  tuple: 'a list in [ ]',
  string: 'a text in quotes',
  number: 'a number',
  int: 'a whole number',
  boolean: 'true or false',
  null: 'null',
};

/** The item, mood or hollow that a place lies in, by its name. @example "Eyes: " */
function nameAt(issue: z.core.$ZodIssue, document: unknown): string {
  for (let depth = issue.path.length; depth > 1; depth -= 1) {
    const at = valueAt(document, issue.path.slice(0, depth));
    if (typeof at === 'object' && at !== null && 'name' in at && typeof at.name === 'string' && at.name !== '')
      return `${at.name.slice(0, 40)}: `;
  }
  return '';
}

function describe(issue: z.core.$ZodIssue, document: unknown): PlanProblem[] {
  const name = nameAt(issue, document);
  return tellIssue(issue, document).map(({ place, message }) => ({ place, message: `${name}${message}` }));
}

function tellIssue(issue: z.core.$ZodIssue, document: unknown): PlanProblem[] {
  const place = issue.path.map(String).join('.') || 'the document';
  const found = show(valueAt(document, issue.path));
  const atKind = ['kind', 'way'].includes(String(issue.path.at(-1)));
  switch (issue.code) {
    case 'unrecognized_keys':
      return issue.keys.map((key) => ({
        place: `${place}.${key}`,
        message: 'this field is not known here; remove it or correct its name',
      }));
    case 'too_small':
      return [
        { place, message: `found ${found}; must be ${issue.inclusive ? 'at least' : 'more than'} ${issue.minimum}` },
      ];
    case 'too_big':
      return [
        {
          place,
          message:
            issue.origin === 'number'
              ? `found ${found}; must be at most ${issue.maximum}`
              : `holds more than the ${issue.maximum} allowed`,
        },
      ];
    case 'invalid_value':
      return [{ place, message: `found ${found}; allowed: ${issue.values.map(String).join(', ')}` }];
    case 'invalid_union':
      return [{ place, message: sayUnion(place, valueAt(document, atKind ? issue.path.slice(0, -1) : issue.path)) }];
    case 'invalid_type':
      return [{ place, message: `found ${found}; must be ${typeWords[issue.expected] ?? `a ${issue.expected}`}` }];
    default:
      return [{ place, message: `found ${found}; ${issue.message}` }];
  }
}

/** Most problems that are told of at once. */
const MOST_TOLD = 50;

/** What a schema found wrong with a document, each with its place, what stands there and what is allowed. */
export const describeIssues = (error: z.ZodError, document: unknown): PlanProblem[] =>
  error.issues.flatMap((issue) => describe(issue, document)).slice(0, MOST_TOLD);
