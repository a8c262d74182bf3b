import { type Remote, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { DeskCard } from './deskStore.ts';
import type { Reply, SumsApi } from './sumsWorker.ts';

let remote: Remote<SumsApi> | null = null;

/** One worker for all cards, begun with the first. */
function theWorker(): Remote<SumsApi> {
  remote ??= wrap<SumsApi>(new Worker(new URL('./sumsWorker.ts', import.meta.url), { type: 'module' }));
  return remote;
}

/** The answer to a card, made in a worker; the last one stays until the next is there. */
export function useAnswer(card: DeskCard): Reply | null {
  const [reply, setReply] = useState<Reply | null>(null);
  useEffect(() => {
    let current = true;
    theWorker()
      .answer(card.sum, card.texts)
      .catch(
        (cause: unknown): Reply => ({
          ok: false,
          problems: [
            { word: card.sum, problem: `the sum was not made: ${cause instanceof Error ? cause.message : cause}` },
          ],
        }),
      )
      .then((next) => {
        if (current) setReply(next);
      });
    return () => {
      current = false;
    };
  }, [card.sum, card.texts]);
  return reply;
}
