import { answerSum, answerToJson, findSum } from '../src/sums/index.ts';
import { usualPrinter } from '../src/units/index.ts';

/** What a sum answered, as its JSON has it. */
export interface Asked {
  readonly results: Readonly<Record<string, number>>;
  readonly inputs: Readonly<Record<string, unknown>>;
  readonly findings: readonly string[];
}

/** `key=value` words; an underscore stands for a space. */
export const wordsOf = (words: string): Record<string, string> =>
  Object.fromEntries(
    words
      .split(' ')
      .filter(Boolean)
      .map((word) =>
        word
          .split(/=(.*)/s)
          .slice(0, 2)
          .map((part) => part.replace(/_/g, ' ')),
      ),
  );

const told = usualPrinter.message;

/** The answer of a sum to words as a person types them. */
export function ask(name: string, words: string): Asked {
  const sum = findSum(name);
  if (!sum) throw new Error(`no sum ${name}`);
  const answered = answerSum(sum, wordsOf(words), usualPrinter);
  if (!answered.ok) throw new Error(answered.problems.map((each) => `${each.word}: ${told(each.problem)}`).join('; '));
  const json = answerToJson(answered.answer, usualPrinter);
  return {
    // The tests below know which results are numbers.
    results: json.results as Asked['results'],
    inputs: json.inputs as Asked['inputs'],
    findings: answered.answer.findings.map((each) => each.id),
  };
}

/** A table among the results, as rows of numbers by key. */
export const tableOf = (asked: Asked, key: string): readonly Readonly<Record<string, number>>[] =>
  asked.results[key] as unknown as readonly Readonly<Record<string, number>>[];
