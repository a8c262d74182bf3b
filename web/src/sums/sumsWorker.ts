import { type Answer, answerSum, findSum, type InputProblem } from '@glimmer/core/sums';
import { printerFor, type Units } from '@glimmer/core/units';
import { expose } from 'comlink';

/** An answer without the sum itself, which holds functions and can't cross to the page. */
export type SentAnswer = Omit<Answer, 'sum'>;
/** What the worker of the sums answers. */
export type Reply =
  | { readonly ok: true; readonly answer: SentAnswer }
  | { readonly ok: false; readonly problems: readonly InputProblem[] };

const api = {
  answer(name: string, texts: Readonly<Record<string, string>>, units: Units): Reply {
    const sum = findSum(name);
    if (!sum)
      return { ok: false, problems: [{ word: name, problem: 'this sum is not known any more; take the card away' }] };
    const answered = answerSum(sum, texts, printerFor(units));
    if (!answered.ok) return answered;
    const { sum: _sum, ...answer } = answered.answer;
    return { ok: true, answer };
  },
};

/** What it can be asked. */
export type SumsApi = typeof api;
expose(api);
