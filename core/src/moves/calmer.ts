import type { Calmer } from './contract.ts';

/** Longer than it is now, or nothing: a move that is slow already is not the one that flashes. */
export function slower(key: string, nowS: number, toS: number, pace = 'two'): Calmer | null {
  const value = Math.round(toS * 1000) / 1000;
  return nowS < value ? { say: (it) => `Slow ${it} to ${pace} a second`, key, value } : null;
}
