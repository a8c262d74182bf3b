import { create } from 'zustand';

/** The time after which the picture tells how warm all is: as long as each is at work, for good, or so many seconds. */
export type WarmAt = 'its time' | number;

/** Which of the times of a plan's warmth is looked at. */
export const useWarmAt = create<{ readonly at: WarmAt }>()(() => ({ at: 'its time' }));

/** Looks at another time. */
export const lookAtWarmth = (at: WarmAt): void => useWarmAt.setState({ at });
