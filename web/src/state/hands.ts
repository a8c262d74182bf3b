import { create } from 'zustand';

/** A virtual hand on a contact. */
export interface Touch {
  readonly controlId: string;
  /** Closed, or let go. */
  readonly isOn: boolean;
}

interface HandsState {
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
}

const none: HandsState = { shownMoodId: null, touches: [], closed: new Set(), dials: {}, remoteLost: false };

/** What virtual hands do to the piece on the picture. */
export const useHands = create<HandsState>()(() => none);

const set = useHands.setState;

/** Moves the virtual hands. */
export const hands = {
  showMood: (shownMoodId: string | null): void => set({ shownMoodId }),
  /** Closes or opens a contact. What virtual hands do is answered by the cues, so a mood chosen by hand is let go. */
  touch: (controlId: string, isOn: boolean): void =>
    set((state) => {
      if (state.closed.has(controlId) === isOn) return state;
      const closed = new Set(state.closed);
      if (isOn) closed.add(controlId);
      else closed.delete(controlId);
      return { closed, touches: [...state.touches, { controlId, isOn }], shownMoodId: null };
    }),
  takeTouches: (): readonly Touch[] => {
    const { touches } = useHands.getState();
    if (touches.length > 0) set({ touches: [] });
    return touches;
  },
  turnDial: (controlId: string, share: number): void =>
    set((state) => ({ dials: { ...state.dials, [controlId]: share }, shownMoodId: null })),
  loseRemote: (remoteLost: boolean): void => set({ remoteLost }),
  /** Off everything: for a piece that has just come onto the bench. */
  letGo: (): void => set(none),
};
