import type { z } from 'zod';
import { describeIssues, show } from './issueWords.ts';
import { mendText } from './mendText.ts';
import type { PlanProblem } from './problem.ts';
import { findReferenceProblems } from './references.ts';
import { planSchema } from './schema.ts';
import type { Plan } from './types.ts';
import { migrateOne } from './versionOne/migrate.ts';
import { planOneSchema } from './versionOne/schema.ts';
import { migrateTwo } from './versionTwo.ts';

/** A plan that was read, or all that keeps it from being one. */
export type PlanRead =
  | { readonly ok: true; readonly plan: Plan }
  | { readonly ok: false; readonly problems: readonly PlanProblem[] };

/** The version of plan files that this program writes. */
export const newestVersion = 3;

const fail = (place: string, message: string): PlanRead => ({ ok: false, problems: [{ place, message }] });

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
  if (current.version === 2) current = migrateTwo(current);
  if (current.version !== newestVersion)
    return fail('version', `version ${current.version} is not one that was ever written`);
  const result = planSchema.safeParse(current);
  if (!result.success) return refuse(result.error, current);
  const problems = findReferenceProblems(result.data);
  return problems.length > 0 ? { ok: false, problems: problems.slice(0, 50) } : { ok: true, plan: result.data };
}

const refuse = (error: z.ZodError, document: unknown): PlanRead => ({
  ok: false,
  problems: describeIssues(error, document),
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
