import type { Units } from '@glimmer/core/units';
import { type Remote, wrap } from 'comlink';
import type { Reply, SumsApi } from './sumsWorker.ts';

/** A worker that makes one sum after another. */
interface Bench {
  readonly worker: Worker;
  readonly remote: Remote<SumsApi>;
}

/** So many sums are made at once: a slow one holds up none but itself, and a full desk does not fill the memory. */
const MOST_BENCHES = 3;
let open = 0;
const idle: Bench[] = [];
const waiting: (() => void)[] = [];

function openBench(): Bench {
  const worker = new Worker(new URL('./sumsWorker.ts', import.meta.url), { type: 'module' });
  open += 1;
  return { worker, remote: wrap<SumsApi>(worker) };
}

const mayBegin = (): boolean => idle.length > 0 || open < MOST_BENCHES;

function close({ worker }: Bench): void {
  worker.terminate();
  open -= 1;
  waiting.shift()?.();
}

/** A sum under way: its answer, and what gives it up with its worker. */
export interface Work {
  /** Comes once. */
  readonly answer: Promise<Reply>;
  /** Ends the worker; nothing comes then. */
  readonly stop: () => void;
}

/** Makes a sum as soon as a worker is free. */
export function makeSum(sum: string, texts: Readonly<Record<string, string>>, units: Units): Work {
  let [here, isOver]: [Bench | null, boolean] = [null, false];
  const work = async (): Promise<Reply> => {
    while (!isOver && !mayBegin()) await new Promise<void>((resolve) => waiting.push(resolve));
    if (isOver) {
      waiting.shift()?.();
      return new Promise(() => undefined);
    }
    here = idle.pop() ?? openBench();
    const bench = here;
    const reply = await bench.remote.answer(sum, texts, units).catch(
      (cause: unknown): Reply => ({
        ok: false,
        problems: [{ word: sum, problem: `the sum was not made: ${cause instanceof Error ? cause.message : cause}` }],
      }),
    );
    isOver = true;
    idle.push(bench);
    waiting.shift()?.();
    return reply;
  };
  return {
    answer: work(),
    stop: () => {
      if (isOver) return;
      isOver = true;
      if (here) close(here);
    },
  };
}
