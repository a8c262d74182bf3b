import { z } from 'zod';
import { describeIssues, ownPartSchema, type PlanProblem } from '../plan/reading.ts';
import { dateStyles, isCurrency } from '../units/index.ts';
import type { BelongingName, BelongingOf } from './belongings.ts';

const text = (most: number) => z.string().max(most);
const stockItem = z.strictObject({
  kind: text(120),
  name: text(240),
  count: z.number().int().min(0).max(1e9),
  condition: z.enum(['new', 'salvaged', 'suspect']),
  price: z.number().min(0).max(1e9).nullable(),
  values: z.record(text(40), z.number().positive()),
  note: text(4000),
});
const deskCard = z.strictObject({ id: text(60), sum: text(60), texts: z.record(text(60), text(20_000)) });

const units = z.strictObject({
  length: z.enum(['mm', 'in']),
  wire: z.enum(['gauge', 'mm²']),
  temperature: z.enum(['°C', '°F']),
  currency: z.string().refine(isCurrency, 'must be a sign of at most four letters, such as €'),
  date: z.enum(dateStyles).optional(),
});

/** What each belonging must be. */
const schemas = {
  desk: z.array(deskCard).max(500),
  drawer: z.array(stockItem).max(20_000),
  'own-parts': z.array(ownPartSchema).max(2000),
  units: z.array(units).max(1),
} as const satisfies Readonly<Record<BelongingName, z.ZodType>>;

type BelongingRead<N extends BelongingName> =
  | { readonly ok: true; readonly value: BelongingOf<N> }
  | { readonly ok: false; readonly problems: readonly PlanProblem[] };

/** Reads what claims to be a belonging: every field checked, every problem with its place. */
export function readBelonging<N extends BelongingName>(name: N, document: unknown): BelongingRead<N> {
  const result = schemas[name].safeParse(document);
  if (!result.success) return { ok: false, problems: describeIssues(result.error, document) };
  // The schema of a name gives what that name stands for.
  return { ok: true, value: result.data as unknown as BelongingOf<N> };
}
