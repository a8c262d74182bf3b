import { create } from 'zustand';

/** Who looks on: an eye nearby, an eye in the back row, or a camera with a shutter time. */
export interface Onlooker {
  /** From the back row dots run into one another. */
  readonly from: 'near' | 'back row';
  /** Null = the eye. */
  readonly shutterS: number | null;
}

interface LampState {
  readonly lamp: 'on' | 'off';
  readonly onlooker: Onlooker;
}

/** In what light the page is seen, and by whom. */
export const useLamp = create<LampState>()(() => ({
  lamp: localStorage.getItem('lamp') === 'off' ? 'off' : 'on',
  onlooker: { from: 'near', shutterS: null },
}));

/** Switches the lamp of the workshop. */
export const lamp = {
  switch: (): void => useLamp.setState((state) => ({ lamp: state.lamp === 'on' ? 'off' : 'on' })),
  lookAs: (change: Partial<Onlooker>): void =>
    useLamp.setState((state) => ({ onlooker: { ...state.onlooker, ...change } })),
};

/** Keeps the page's lamp and the browser's memory in step with the store. */
export function followLamp(): void {
  const apply = (now: 'on' | 'off'): void => {
    document.documentElement.dataset.lamp = now;
    localStorage.setItem('lamp', now);
  };
  apply(useLamp.getState().lamp);
  useLamp.subscribe((state, before) => {
    if (state.lamp !== before.lamp) apply(state.lamp);
  });
}
