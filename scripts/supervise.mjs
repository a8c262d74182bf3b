// Keeps something running that may die: starts it again after a pause that grows, and says so.
import { appendFileSync, mkdirSync, renameSync, statSync } from 'node:fs';
import { dirname } from 'node:path';

const FIRST_PAUSE_MS = 1000;
const LONGEST_PAUSE_MS = 30_000;
/** Whoever has run for so long is well again: the next pause is a short one. */
const WELL_AFTER_MS = 60_000;

/**
 * `start` gives a promise of what runs: `exited` resolves with its code, `stop` ends it. `pause(ms)` waits; `now()` tells
 * the time. Gives `stop`, which ends it for good.
 */
export function keepRunning({ start, onStopped, pause, now = Date.now }) {
  let isStopping = false;
  let wake = () => {};
  const stopped = new Promise((resolve) => {
    wake = resolve;
  });
  let running = null;
  let pauseMs = FIRST_PAUSE_MS;
  const run = async () => {
    while (!isStopping) {
      const since = now();
      try {
        running = await start();
        if (isStopping) running.stop();
        const code = await running.exited;
        if (isStopping) return;
        if (now() - since >= WELL_AFTER_MS) pauseMs = FIRST_PAUSE_MS;
        onStopped({ code, pauseMs, error: null });
      } catch (error) {
        if (isStopping) return;
        onStopped({ code: null, pauseMs, error });
      }
      await Promise.race([pause(pauseMs), stopped]);
      pauseMs = Math.min(LONGEST_PAUSE_MS, pauseMs * 2);
    }
  };
  const ended = run();
  return {
    stop: async () => {
      isStopping = true;
      wake();
      running?.stop();
      await ended;
    },
  };
}

const MOST_LOG_BYTES = 5 * 1024 * 1024;

/** Appends to a log; one that has grown too long becomes FILE.1, and the one before that is gone. */
export function createLog(file, mostBytes = MOST_LOG_BYTES) {
  mkdirSync(dirname(file), { recursive: true });
  let bytes = 0;
  try {
    bytes = statSync(file).size;
  } catch {
    // There is none yet.
  }
  return (chunk) => {
    if (bytes + chunk.length > mostBytes && bytes > 0) {
      renameSync(file, `${file}.1`);
      bytes = 0;
    }
    appendFileSync(file, chunk);
    bytes += chunk.length;
  };
}
