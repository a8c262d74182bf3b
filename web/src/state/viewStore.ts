import { create } from 'zustand';

/** What a click on the picture does. */
export type Tool =
  | { readonly kind: 'none' }
  | { readonly kind: 'route'; readonly tapeId: string }
  | { readonly kind: 'light'; readonly groupId: string };

/** A virtual hand on a contact. */
export interface Touch {
  readonly controlId: string;
  readonly isOn: boolean;
}

/** Who looks on: an eye nearby, an eye in the back row, or a camera with a shutter time. */
export interface Onlooker {
  readonly from: 'near' | 'back row';
  /** Null = the eye. */
  readonly shutterS: number | null;
}

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
  /** Virtual hands on contacts: the picture picks them up. */
  readonly touches: readonly Touch[];
  /** Contacts that virtual hands hold closed. */
  readonly closed: ReadonlySet<string>;
  /** Where virtual hands have set the sensors: 0 = dark or empty, 1 = light or full. */
  readonly dials: Readonly<Record<string, number>>;
  /** The remote is out of reach: nothing of it arrives. */
  readonly remoteLost: boolean;
  readonly onlooker: Onlooker;
  /** Time within the shown mood, in milliseconds: told by the picture. */
  readonly playheadMs: number;
  /** Time to go to; taken by the picture. */
  readonly scrubMs: number | null;
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
  touches: [],
  closed: new Set(),
  dials: {},
  remoteLost: false,
  onlooker: { from: 'near', shutterS: null },
  playheadMs: 0,
  scrubMs: null,
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
  /** Closes or opens a contact. What virtual hands do is answered by the cues, so a mood chosen by hand is let go. */
  touch: (controlId: string, isOn: boolean) =>
    set((state) => {
      if (state.closed.has(controlId) === isOn) return state;
      const closed = new Set(state.closed);
      if (isOn) closed.add(controlId);
      else closed.delete(controlId);
      return { closed, touches: [...state.touches, { controlId, isOn }], shownMoodId: null };
    }),
  takeTouches: (): readonly Touch[] => {
    const { touches } = useViewStore.getState();
    if (touches.length > 0) set({ touches: [] });
    return touches;
  },
  turnDial: (controlId: string, share: number) =>
    set((state) => ({ dials: { ...state.dials, [controlId]: share }, shownMoodId: null })),
  /** Hands off everything: for a piece that has just come onto the bench. */
  letGo: () => set({ touches: [], closed: new Set(), dials: {}, remoteLost: false, shownMoodId: null, scrubMs: null }),
  loseRemote: (remoteLost: boolean) => set({ remoteLost }),
  lookAs: (change: Partial<Onlooker>) => set((state) => ({ onlooker: { ...state.onlooker, ...change } })),
  tellPlayhead: (playheadMs: number) => {
    if (useViewStore.getState().playheadMs !== playheadMs) set({ playheadMs });
  },
  scrub: (scrubMs: number) => set({ running: false, scrubMs }),
  takeScrub: (): number | null => {
    const { scrubMs } = useViewStore.getState();
    if (scrubMs !== null) set({ scrubMs: null });
    return scrubMs;
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
