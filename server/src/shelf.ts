import type { Plan } from '@glimmer/core/plan';
import type { PlanRepository, ShelfRow } from './planRepository.ts';
import type { ShelfFacts } from './shelfFacts.ts';

/** A plan on the shelf; its facts are null until they have been reckoned once, and old while they are being reckoned. */
interface ShelfEntry {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly updatedAt: string;
  /** Whether the facts are of this very revision. */
  readonly isReckoned: boolean;
  /** Null until they have been reckoned once. */
  readonly facts: ShelfFacts | null;
}

/** What the shelf is made of. */
export interface ShelfDeps {
  readonly repository: Pick<PlanRepository, 'list' | 'find' | 'keepFacts'>;
  /** Reckons a plan, away from what answers requests. */
  readonly describe: (plan: Plan) => Promise<ShelfFacts>;
  /** Names this version of core: with another one, everything is reckoned anew. */
  readonly core: string;
  /** Its facts are new. */
  readonly onReckoned: (id: string) => void;
  /** A plan could not be reckoned; its card says so. */
  readonly onTrouble: (error: unknown) => void;
}

/** A plan that is being worked on is saved again at once: it is reckoned when a hand has rested. */
const REST_MS = 400;

/** What the shelf shows, and what keeps it new. */
export interface Shelf {
  /** At once, with what is known. */
  readonly list: (options: { readonly putAway: boolean }) => Promise<readonly ShelfEntry[]>;
  /** Reckons a plan that has changed, once it has not changed for a moment. */
  readonly renew: (id: string) => void;
  /** Resolves when nothing waits to be reckoned. */
  readonly settled: () => Promise<void>;
}

/**
 * The shelf: what it shows is kept beside each plan, by its revision and the version of core. What is missing is reckoned
 * one plan after another, and never while a request waits for it.
 */
export function createShelf({ repository, describe, core, onReckoned, onTrouble }: ShelfDeps): Shelf {
  const waiting = new Set<string>();
  const resting = new Map<string, NodeJS.Timeout>();
  let work: Promise<void> | null = null;
  const keyOf = (revision: number): string => `${revision}:${core}`;

  const reckon = async (id: string): Promise<void> => {
    const stored = await repository.find(id);
    if (!stored) return;
    const facts = await describe(stored.plan);
    await repository.keepFacts(id, { revision: stored.revision, facts, of: keyOf(stored.revision) });
    onReckoned(id);
  };
  const workOff = async (): Promise<void> => {
    for (let [id] = waiting; id !== undefined; [id] = waiting) {
      waiting.delete(id);
      await reckon(id).catch(onTrouble);
    }
    work = null;
  };
  const enqueue = (id: string): void => {
    clearTimeout(resting.get(id));
    resting.delete(id);
    waiting.add(id);
    work ??= workOff();
  };
  const renew = (id: string): void => {
    clearTimeout(resting.get(id));
    resting.set(id, setTimeout(() => enqueue(id), REST_MS).unref());
  };
  const entryOf = ({ id, name, revision, updatedAt, facts, factsOf }: ShelfRow): ShelfEntry => {
    const isReckoned = factsOf === keyOf(revision);
    if (!isReckoned && !resting.has(id)) enqueue(id);
    return { id, name, revision, updatedAt: updatedAt.toISOString(), isReckoned, facts };
  };
  return {
    list: async (options) => (await repository.list(options)).map(entryOf),
    renew,
    settled: async () => {
      for (const id of [...resting.keys()]) enqueue(id);
      while (work !== null) await work;
    },
  };
}
