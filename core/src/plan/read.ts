import type { z } from 'zod';
import { kinds } from '../items/index.ts';
import { switchedBy } from '../items/schemaFields.ts';
import { mendText } from './mendText.ts';
import { move, when } from './moodSchema.ts';
import type { PlanProblem } from './problem.ts';
import { findReferenceProblems } from './references.ts';
import { planSchema } from './schema.ts';
import type { Plan } from './types.ts';
import { migrateOne } from './versionOne/migrate.ts';
import { planOneSchema } from './versionOne/schema.ts';

export type PlanRead =
  | { readonly ok: true; readonly plan: Plan }
  | { readonly ok: false; readonly problems: readonly PlanProblem[] };

export const newestVersion = 2;

const fail = (place: string, message: string): PlanRead => ({ ok: false, problems: [{ place, message }] });

function show(value: unknown): string {
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
  [/\.(?:moves\.[\w-]+|move)(?:\.kind)?$/, move.options.map(({ shape }) => shape.kind.value)],
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

/**
 * Reads a document that claims to be a plan: migrates an old version, checks every field and every reference.
 * @returns the plan, or all problems found (at most 50), each with its place and what is allowed; never throws.
 */
export function readPlan(document: unknown): PlanRead {
  if (typeof document !== 'object' || document === null || Array.isArray(document))
    return fail('the document', 'is not a plan: a plan file holds one JSON object');
  let current = mendText(document) as Record<string, unknown>;
  if (current.format !== 'unruly-glimmer-plan')
    return fail('format', `found ${show(current.format)}; a plan file has "unruly-glimmer-plan" here`);
  if (typeof current.version !== 'number')
    return fail('version', `found ${show(current.version)}; must be a whole number`);
  if (current.version > newestVersion) {
    return fail(
      'version',
      `this file is of version ${current.version}; this program reads up to ${newestVersion}. Bring the program up to date and open it again`,
    );
  }
  if (current.version === 1) {
    // Checked by its own rules first, so that what is wrong is named where the file has it.
    const one = planOneSchema.safeParse(current);
    if (!one.success) return refuse(one.error, current);
    current = { ...migrateOne(one.data) };
  }
  if (current.version !== newestVersion)
    return fail('version', `version ${current.version} is not one that was ever written`);
  const result = planSchema.safeParse(current);
  if (!result.success) return refuse(result.error, current);
  const problems = findReferenceProblems(result.data);
  return problems.length > 0 ? { ok: false, problems: problems.slice(0, 50) } : { ok: true, plan: result.data };
}

const refuse = (error: z.ZodError, document: unknown): PlanRead => ({
  ok: false,
  problems: error.issues.flatMap((issue) => describe(issue, document)).slice(0, 50),
});

/** Where a text stops being JSON: the line, the place in it, and what stands there. */
function whereBroken(text: string, message: string): string {
  const position = Number(/position (\d+)/.exec(message)?.[1] ?? Number.NaN);
  if (!Number.isFinite(position))
    return ': a plan file begins with { and holds what "Take out" wrote; open it there, or mend it with a text editor';
  const before = text.slice(0, position);
  const lines = before.split('\n');
  const column = (lines.at(-1)?.length ?? 0) + 1;
  const near =
    text
      .slice(position, position + 24)
      .split('\n')[0]
      ?.trim() ?? '';
  return ` from line ${lines.length}, letter ${column} on${near === '' ? '' : `, at ${JSON.stringify(near)}`}: look there for a comma too many, one that is missing, or a quote that is not closed`;
}

/** Reads the text of a plan file; a file cut short says so and where. */
export function readPlanText(text: string): PlanRead {
  let document: unknown;
  try {
    // A byte-order mark that an editor put before it is none of the plan.
    document = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (cause) {
    const trimmed = text.replace(/^\uFEFF/, '').trim();
    const cut = trimmed.startsWith('{') && !trimmed.endsWith('}');
    const detail = whereBroken(text, cause instanceof Error ? cause.message : '');
    return fail(
      'the file',
      cut
        ? `ends in the middle (after ${trimmed.length} characters): it was cut short. Fetch it again from where it came`
        : `is not JSON${detail}`,
    );
  }
  return readPlan(document);
}
