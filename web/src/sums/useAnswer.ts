import { useEffect, useState } from 'react';
import { usePrinter } from '../units/index.ts';
import { makeSum } from './makeSum.ts';
import type { Reply } from './sumsWorker.ts';

/** Only a sum that takes longer than this is told of as being at work. */
const SLOW_MS = 400;
/** What was typed over may be so long until it is given up: a worker is dear to begin anew. */
const GIVEN_UP_MS = 1500;

const stopped: Reply = {
  ok: false,
  problems: [{ word: '', problem: 'This sum was stopped. Change one of its fields to have it made again.' }],
};

/** The answer to a card; while it is slow, that it is at work, and how to stop it. */
interface CardAnswer {
  readonly reply: Reply | null;
  /** Null while nothing slow is under way. */
  readonly stop: (() => void) | null;
}

/** The answer to a card, made in a worker; the last one stays until the next is there. */
export function useAnswer(sum: string, texts: Readonly<Record<string, string>>): CardAnswer {
  const printer = usePrinter();
  const [answer, setAnswer] = useState<CardAnswer>({ reply: null, stop: null });
  useEffect(() => {
    let current = true;
    const work = makeSum(sum, texts, printer.units);
    const stop = (): void => {
      current = false;
      work.stop();
      setAnswer({ reply: stopped, stop: null });
    };
    const slow = setTimeout(() => setAnswer(({ reply }) => ({ reply, stop })), SLOW_MS);
    void work.answer.then((reply) => {
      clearTimeout(slow);
      if (current) setAnswer({ reply, stop: null });
    });
    return () => {
      current = false;
      clearTimeout(slow);
      setTimeout(work.stop, GIVEN_UP_MS);
    };
  }, [sum, texts, printer.units]);
  return answer;
}
