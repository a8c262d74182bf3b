import type { ShowEvent } from '@glimmer/core/motion';
import { create } from 'zustand';

/** What a click on the picture does. */
export type Tool =
  | { readonly kind: 'none' }
  | { readonly kind: 'route'; readonly tapeId: string }
  | { readonly kind: 'light'; readonly groupId: string };

interface ViewState {
  readonly lamp: 'on' | 'off';
  readonly running: boolean;
  /** How fast the moods run: 1 is true time. */
  readonly speed: number;
  /** Time that the held picture is to be moved on by, in milliseconds; taken by the picture. */
  readonly skipMs: number;
  readonly tool: Tool;
  /** The thing that the sheet or a finding points at. */
  readonly pointedId: string | null;
  /** The mood under the hand in Moods; null lets the cues decide. */
  readonly shownMoodId: string | null;
  /** Virtual hands: events for the player that the picture picks up. */
  readonly events: readonly ShowEvent[];
}

const isStill = (): boolean => window.matchMedia('(prefers-reduced-motion: reduce)').matches;

export const useViewStore = create<ViewState>()(() => ({
  lamp: localStorage.getItem('lamp') === 'off' ? 'off' : 'on',
  running: !isStill(),
  speed: 1,
  skipMs: 0,
  tool: { kind: 'none' },
  pointedId: null,
  shownMoodId: null,
  events: [],
}));

const set = useViewStore.setState;

/** Ways of looking; nothing here changes the plan. */
export const view = {
  switchLamp: () => set((state) => ({ lamp: state.lamp === 'on' ? 'off' : 'on' })),
  switchRunning: () => set((state) => ({ running: !state.running })),
  hold: () => set({ running: false }),
  runAt: (speed: number) => set({ speed }),
  step: (ms: number) => set((state) => ({ running: false, skipMs: state.skipMs + ms })),
  takeSkip: (): number => {
    const { skipMs } = useViewStore.getState();
    if (skipMs !== 0) set({ skipMs: 0 });
    return skipMs;
  },
  takeTool: (tool: Tool) => set({ tool }),
  layToolDown: () => set({ tool: { kind: 'none' } }),
  pointAt: (pointedId: string | null) => set({ pointedId }),
  showMood: (shownMoodId: string | null) => set({ shownMoodId }),
  act: (event: ShowEvent) => set((state) => ({ events: [...state.events, event], shownMoodId: null })),
  takeEvents: () => {
    const { events } = useViewStore.getState();
    if (events.length > 0) set({ events: [] });
    return events;
  },
};

/** Keeps the page's lamp and the browser's memory in step with the store. */
export function followLamp(): void {
  const apply = (lamp: 'on' | 'off'): void => {
    document.documentElement.dataset.lamp = lamp;
    localStorage.setItem('lamp', lamp);
  };
  apply(useViewStore.getState().lamp);
  useViewStore.subscribe((state, before) => {
    if (state.lamp !== before.lamp) apply(state.lamp);
  });
}
