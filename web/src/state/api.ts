import type { Plan } from '@glimmer/core/plan';

/** A plan as the server has confirmed it. */
export interface KeptPlan {
  readonly plan: Plan;
  readonly revision: number;
  readonly updatedAt: string;
  readonly putAway: boolean;
  /** Of the save that made this revision; null where it had none. */
  readonly saveId: string | null;
}

/** What the shelf shows of a plan. */
export interface ShelfEntry {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly updatedAt: string;
  /** False while what is shown is of an earlier state, or there is nothing to show yet. */
  readonly isReckoned: boolean;
  readonly facts:
    | {
        readonly state: 'reckoned';
        readonly kind: string;
        readonly openFindings: number;
        readonly runsForH: number | null;
        readonly glimpse: GlimpseOfPlan;
      }
    | { readonly state: 'broken'; readonly trouble: string }
    | null;
}

/** The small lit picture of a plan. */
export interface GlimpseOfPlan {
  readonly outline: string | null;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly lights: readonly { readonly xMm: number; readonly yMm: number; readonly colour: string }[];
}

/** The server refused, and says why (application/problem+json). */
export class RefusedError extends Error {
  readonly code: string;
  readonly status: number;

  constructor(body: { code?: string; title?: string; detail?: string; status: number }) {
    super(body.detail ?? body.title ?? 'The server refused');
    this.code = body.code ?? 'unknown';
    this.status = body.status;
  }
}

/** No answer at all: the server or the way to it is gone. */
export class AwayError extends Error {}

async function ask<T>(path: string, options: RequestInit = {}): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      ...options,
      headers: { 'Content-Type': 'application/json', ...options.headers },
    });
  } catch (cause) {
    throw new AwayError('The server does not answer', { cause });
  }
  const body: unknown = await response.json().catch(() => null);
  if (response.ok && body !== null) return body as T;
  if (response.status >= 502 || (body as { code?: string } | null)?.code === 'store-away')
    throw new AwayError('The store of plans does not answer');
  throw new RefusedError({ ...(body as object), status: response.status });
}

/** The server's plans. */
export const api = {
  list: (shelf: 'open' | 'away') => ask<{ plans: ShelfEntry[] }>(`/plans?shelf=${shelf}`).then((body) => body.plans),
  load: (id: string) => ask<KeptPlan>(`/plans/${id}`),
  add: (plan: Plan) => ask<KeptPlan>('/plans', { method: 'POST', body: JSON.stringify(plan) }),
  /** Gives the plan’s new revision; the plan itself is not sent back. */
  save: (plan: Plan, basedOn: number, saveId: string) =>
    ask<Omit<KeptPlan, 'plan'>>(`/plans/${plan.id}`, {
      method: 'PUT',
      body: JSON.stringify(plan),
      headers: { 'If-Match': `"${basedOn}"`, 'Save-Id': saveId, Prefer: 'return=minimal' },
    }),
  setPutAway: (id: string, putAway: boolean) =>
    ask<KeptPlan>(`/plans/${id}`, { method: 'PATCH', body: JSON.stringify({ putAway }) }),
};
