import type { PlanProblem } from '@glimmer/core/plan/reading';

/** Every way in which a request can fail, with its HTTP status: the one catalogue. */
const catalogue = {
  'not-found': { status: 404, title: 'There is nothing at this address' },
  'no-such-plan': { status: 404, title: 'There is no plan of this id' },
  'plan-exists': { status: 409, title: 'A plan of this id is here already' },
  'on-the-shelf': { status: 409, title: 'The plan is on the shelf: only what is put away is deleted' },
  'newer-version': { status: 409, title: 'The plan was changed elsewhere since' },
  'not-a-plan': { status: 422, title: 'This is not a plan that can be kept' },
  'no-such-picture': { status: 422, title: 'A picture of the plan is named and not here' },
  'wrong-id': { status: 422, title: 'The plan’s id is not the one of its address' },
  'bad-request': { status: 400, title: 'The request can’t be read' },
  'needs-revision': { status: 428, title: 'A save must say which version it is based on' },
  'foreign-host': { status: 403, title: 'This server answers this machine alone' },
  'wrong-method': { status: 405, title: 'This address can’t be asked that way' },
  'wrong-kind': { status: 415, title: 'A body must be JSON' },
  'too-large': { status: 413, title: 'The plan is too large to be kept' },
  'store-away': { status: 503, title: 'The store of plans can’t be reached' },
  'our-fault': { status: 500, title: 'Something went wrong here' },
} as const;

/** By which a client knows what went wrong. */
export type ProblemCode = keyof typeof catalogue;

/** Every code, and the HTTP status that goes with it. */
export const problemCodes = Object.keys(catalogue) as [ProblemCode, ...ProblemCode[]];
/** The HTTP status that belongs to a problem. */
export const statusOf = (code: ProblemCode): number => catalogue[code].status;

/** Where what each of them means is told of. */
const PAGE = '/api/problems';

/** A failed request, as data; the error handler writes it as application/problem+json. */
export class Problem extends Error {
  /** By which a program knows it. */
  readonly code: ProblemCode;
  /** What, where and what to do, for the maker. */
  readonly detail: string;
  /** Fields of this kind of problem alone. */
  readonly extra: Readonly<Record<string, unknown>>;
  /** Headers that go with it, such as which methods there are. */
  readonly headers: Readonly<Record<string, string>>;

  constructor(
    code: ProblemCode,
    detail: string,
    options: {
      readonly extra?: Readonly<Record<string, unknown>>;
      readonly headers?: Readonly<Record<string, string>>;
      readonly cause?: unknown;
    } = {},
  ) {
    super(detail, { cause: options.cause });
    this.code = code;
    this.detail = detail;
    this.extra = options.extra ?? {};
    this.headers = options.headers ?? {};
  }

  /** The body of RFC 9457. */
  toBody(): Record<string, unknown> & { status: number } {
    const { status, title } = catalogue[this.code];
    return { type: `${PAGE}#${this.code}`, code: this.code, title, status, detail: this.detail, ...this.extra };
  }
}

/** A document that was refused, with every place that is wrong. */
export function refusePlan(problems: readonly PlanProblem[]): Problem {
  const first = problems[0];
  const more = problems.length > 1 ? ` (and ${problems.length - 1} more)` : '';
  return new Problem('not-a-plan', first ? `${first.place}: ${first.message}${more}` : 'unreadable', {
    extra: { problems },
  });
}

/** The page that the type of a problem leads to. */
export const problemsPage = (): string =>
  [
    '<!doctype html><html lang="en"><meta charset="utf-8"><title>What the server refuses</title>',
    '<h1>What the server refuses</h1><dl>',
    ...Object.entries(catalogue).map(
      ([code, { status, title }]) => `<dt id="${code}"><code>${code}</code> (${status})</dt><dd>${title}.</dd>`,
    ),
    '</dl></html>',
  ].join('\n');
