import fc from 'fast-check';
import { type Assessment, assess } from '../src/assess.ts';
import { checkDesign } from '../src/findings/index.ts';
import type { Finding, Item } from '../src/items/index.ts';
import { createPlan, type Design, emptyDesign } from '../src/plan/index.ts';
import { readPlan } from '../src/plan/reading.ts';
import { type Answer, answerSum, askOfField, findSum } from '../src/sums/index.ts';
import { usualPrinter } from '../src/units/index.ts';

/** Any number within these, ends included. */
export const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });

/** The answer of a sum; it must have one. */
export function answerOf(name: string, given: Readonly<Record<string, unknown>>): Answer {
  const sum = findSum(name);
  const answered = sum && answerSum(sum, given, usualPrinter);
  if (!answered?.ok) throw new Error(`${name}: ${JSON.stringify(answered)}`);
  return answered.answer;
}

/** A sum asked, and the plan that it was put into: as the server would keep it. */
export function askAndPut(name: string, given: Readonly<Record<string, unknown>>) {
  const answer = answerOf(name, given);
  let ids = 0;
  const design = findSum(name)?.intoDesign?.(emptyDesign, answer.values, () => `n${++ids}`);
  if (!design) throw new Error(`${name} goes into no plan`);
  const read = readPlan(createPlan({ id: '0b0c1f5e-7a31-4c2e-9a55-3f6d1c2b7a00', name: 'Of a sum', design }));
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return { answer, design: read.plan.design, assessment: assess(read.plan.design) };
}

/** A figure of an answer in its base unit; null where there is none of this key. */
export const figureOf = ({ results }: Answer, key: string): number | null => {
  const found = results.find((each) => each.key === key);
  return found?.form === 'figure' ? found.value : null;
};

/** Rules that told of items of a plan. */
export const toldOf = (
  design: Design,
  assessment: ReturnType<typeof assess>,
  about: readonly string[],
): readonly string[] =>
  [
    ...new Set(
      checkDesign(design, assessment)
        .filter((each) => each.aboutId !== null && about.includes(each.aboutId))
        .map(({ rule }) => rule),
    ),
  ].sort();

/** What only a sum says of itself. */
const ofSums = ['assumed', 'printed-voltage', 'leg-rule', 'has-one-inside', 'double-resistor'];

/** Rules that told in an answer, without what only a sum says of itself. */
export const toldBy = ({ findings }: Answer): readonly string[] =>
  [...new Set(findings.map(({ id }) => id))].filter((id) => !ofSums.includes(id) && !id.startsWith('unusual')).sort();

/** The first item of a kind; there must be one. */
export const itemOf = (design: Design, kind: Item['kind']): Item => {
  const found = design.items.find((item) => item.kind === kind);
  if (!found) throw new Error(`no ${kind}`);
  return found;
};

/** What of a finding must be the same wherever it is told. */
const essence = ({ rule, gravity, actual, limit, why }: Finding) => ({ rule, gravity, actual, limit, why });

/** The sum of a field of an item of a plan, asked out of it, beside what the plan tells by some rules. */
export interface AskedOfPlan {
  readonly assessment: Assessment;
  readonly answer: Answer;
  /** Of these rules, by the plan and by the sum. */
  readonly inPlan: readonly ReturnType<typeof essence>[];
  readonly bySum: readonly ReturnType<typeof essence>[];
}

/** Asks the sum of a field out of a plan; the field must have one that the plan says enough for. */
export function askOutOf(design: Design, item: Item, field: string, rules: readonly string[]): AskedOfPlan {
  const assessment = assess(design);
  const asked = askOfField(field, { item, design, assessment });
  if (!asked) throw new Error(`${item.kind}.${field} asks nothing`);
  const answer = answerOf(asked.sum.name, asked.given);
  const told = (findings: readonly Finding[]) => findings.filter(({ rule }) => rules.includes(rule)).map(essence);
  return { assessment, answer, inPlan: told(checkDesign(design, assessment)), bySum: told(answer.findings) };
}
