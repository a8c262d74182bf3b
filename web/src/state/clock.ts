import { create } from 'zustand';

interface ClockState {
  readonly running: boolean;
  /** How fast the moods run: 1 is true time. */
  readonly speed: number;
  /** Time that the held picture is to be moved on by, in milliseconds; taken by the picture. */
  readonly skipMs: number;
  /** Time within the shown mood, in milliseconds: told by the picture. */
  readonly playheadMs: number;
  /** Time to go to; taken by the picture. */
  readonly scrubMs: number | null;
}

const isStill = (): boolean => window.matchMedia('(prefers-reduced-motion: reduce)').matches;

/** The time that passes on the picture. */
export const useClock = create<ClockState>()(() => ({
  running: !isStill(),
  speed: 1,
  skipMs: 0,
  playheadMs: 0,
  scrubMs: null,
}));

const set = useClock.setState;

/** Sets the clock of the picture. */
export const clock = {
  switch: (): void => set((state) => ({ running: !state.running })),
  hold: (): void => set({ running: false }),
  runAt: (speed: number): void => set({ speed }),
  step: (ms: number): void => set((state) => ({ running: false, skipMs: state.skipMs + ms })),
  takeSkip: (): number => {
    const { skipMs } = useClock.getState();
    if (skipMs !== 0) set({ skipMs: 0 });
    return skipMs;
  },
  tell: (playheadMs: number): void => {
    if (useClock.getState().playheadMs !== playheadMs) set({ playheadMs });
  },
  scrub: (scrubMs: number): void => set({ running: false, scrubMs }),
  takeScrub: (): number | null => {
    const { scrubMs } = useClock.getState();
    if (scrubMs !== null) set({ scrubMs: null });
    return scrubMs;
  },
};
