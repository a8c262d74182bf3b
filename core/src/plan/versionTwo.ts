import type { Plan } from './types.ts';

type Fields = Readonly<Record<string, unknown>>;

const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A list with each of its entries renewed; what is no list stays, to be named by the schema. */
const each = (list: unknown, renew: (entry: Fields) => Fields): unknown =>
  Array.isArray(list) ? list.map((entry) => (isFields(entry) ? renew(entry) : entry)) : list;

function renewItem(item: Fields): Fields {
  if (!('channelId' in item) || 'hollowId' in item) return item;
  const { channelId: hollowId, ...rest } = item;
  return { ...rest, hollowId };
}

const renewDesign = (design: unknown): unknown =>
  isFields(design) ? { ...design, items: each(design.items, renewItem) } : design;

/**
 * A document of version 2 as one of version 3: a tape names the hollow that it lies in as a light does, by `hollowId`,
 * and no longer by `channelId`. It is not checked before; what is wrong in it stays, and is named by the schema.
 */
export function migrateTwo(older: Fields): Record<string, unknown> {
  const { logbook } = older;
  return {
    ...older,
    version: 3,
    design: renewDesign(older.design),
    logbook: isFields(logbook)
      ? {
          ...logbook,
          versions: each(logbook.versions, (version) => ({ ...version, design: renewDesign(version.design) })),
        }
      : logbook,
  };
}

/** A plan that was kept by an earlier program, as this one has it; the very same where it is of today. */
export function renewPlan(plan: Plan): Plan {
  const version: number = plan.version;
  // What an earlier program kept was checked by it; only its version is not that of the type.
  return version === 2 ? (migrateTwo(plan) as Plan) : plan;
}
