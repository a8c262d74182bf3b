import type { Plan } from '@glimmer/core/plan';
import type { BelongingName, BelongingOf } from '@glimmer/core/workshop';
import { nameKnownPictures, noteKnownPictures } from './knownPictures.ts';

/** A plan as the server has confirmed it. */
export interface KeptPlan {
  /** With its pictures. */
  readonly plan: Plan;
  /** One more with each save. */
  readonly revision: number;
  /** ISO 8601. */
  readonly updatedAt: string;
  /** Not on the shelf, and not gone. */
  readonly putAway: boolean;
  /** Of the save that made this revision; null where it had none. */
  readonly saveId: string | null;
}

/** What the shelf shows of a plan. */
export interface ShelfEntry {
  readonly id: string;
  readonly name: string;
  /** One more with each save. */
  readonly revision: number;
  /** ISO 8601. */
  readonly updatedAt: string;
  /** False while what is shown is of an earlier state, or there is nothing to show yet. */
  readonly isReckoned: boolean;
  /** Null until they have been reckoned once. */
  readonly facts:
    | {
        readonly state: 'reckoned';
        readonly kind: string;
        readonly openFindings: number;
        /** Missing in what an earlier program reckoned. */
        readonly toStopFor?: number;
        readonly runsForH: number | null;
        readonly glimpse: GlimpseOfPlan;
      }
    | { readonly state: 'broken'; readonly trouble: string }
    | null;
}

/** The small lit picture of a plan. */
export interface GlimpseOfPlan {
  /** Null for a bare sheet. */
  readonly outline: string | null;
  /** Of the view. */
  readonly widthMm: number;
  /** Of the view. */
  readonly heightMm: number;
  /** At the height of its liveliest mood. */
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

/** A piece that a plan can begin from. */
export interface Example {
  readonly id: string;
  readonly name: string;
  /** In a line, what it shows. */
  readonly shows: string;
}

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

/** What became of each plan of an archive, by their names. */
export interface TakenIn {
  /** New here. */
  readonly added: readonly string[];
  /** Here already, and the same. */
  readonly same: readonly string[];
  /** Here already, and otherwise. */
  readonly asCopies: readonly string[];
}

const isRefused = (error: unknown, code: string): boolean => error instanceof RefusedError && error.code === code;

/** Sends a plan without the pictures that the server has; whole, where it turns out that it has them not. */
async function sendPlan<T>(plan: Plan, send: (body: string) => Promise<T>): Promise<T> {
  const named = await nameKnownPictures(plan);
  const answer = await send(JSON.stringify(named)).catch((error: unknown) => {
    if (!isRefused(error, 'no-such-picture')) throw error;
    return send(JSON.stringify(plan));
  });
  await noteKnownPictures(plan);
  return answer;
}

async function loadPlan(id: string): Promise<KeptPlan> {
  const kept = await ask<KeptPlan>(`/plans/${id}`);
  await noteKnownPictures(kept.plan);
  return kept;
}

/** The server's plans, and what a workshop has beside them. */
export const api = {
  list: (shelf: 'open' | 'away') => ask<{ plans: ShelfEntry[] }>(`/plans?shelf=${shelf}`).then((body) => body.plans),
  load: loadPlan,
  /** Pieces that a plan can begin from. */
  listExamples: () => ask<{ examples: Example[] }>('/examples').then((body) => body.examples),
  example: (id: string) => ask<{ plan: Plan }>(`/examples/${id}`).then((body) => body.plan),
  exampleFacts: (id: string) => ask<NonNullable<ShelfEntry['facts']>>(`/examples/${id}/facts`),
  add: (plan: Plan) => sendPlan(plan, (body) => ask<KeptPlan>('/plans', { method: 'POST', body })),
  /** Gives the plan’s new revision; the plan itself is not sent back. */
  save: (plan: Plan, basedOn: number, saveId: string) =>
    sendPlan(plan, (body) =>
      ask<Omit<KeptPlan, 'plan'>>(`/plans/${plan.id}`, {
        method: 'PUT',
        body,
        headers: { 'If-Match': `"${basedOn}"`, 'Save-Id': saveId, Prefer: 'return=minimal' },
      }),
    ),
  setPutAway: (id: string, putAway: boolean) =>
    ask<KeptPlan>(`/plans/${id}`, { method: 'PATCH', body: JSON.stringify({ putAway }) }),
  /** Deletes what is put away; gives the last that there is of it. */
  remove: (id: string) => ask<KeptPlan>(`/plans/${id}`, { method: 'DELETE' }),
  belonging: <N extends BelongingName>(name: N) =>
    ask<{ value: BelongingOf<N>; revision: number }>(`/workshop/${name}`),
  /** The new revision; null where the server has a newer one. */
  saveBelonging: <N extends BelongingName>(name: N, value: BelongingOf<N>, basedOn: number): Promise<number | null> =>
    ask<{ revision: number }>(`/workshop/${name}`, {
      method: 'PUT',
      body: JSON.stringify(value),
      headers: { 'If-Match': `"${basedOn}"` },
    }).then(
      ({ revision }) => revision,
      (error: unknown) => {
        if (isRefused(error, 'newer-version')) return null;
        throw error;
      },
    ),
  /** Everything of the workshop as one ZIP. */
  takeOutAll: async (): Promise<Blob> => {
    const response = await fetch('/api/archive').catch((cause: unknown) => {
      throw new AwayError('The server does not answer', { cause });
    });
    if (!response.ok) throw new RefusedError({ status: response.status, ...(await response.json().catch(() => ({}))) });
    return response.blob();
  },
  bringInAll: (archive: Blob) =>
    ask<TakenIn>('/archive', { method: 'POST', body: archive, headers: { 'Content-Type': 'application/zip' } }),
};
