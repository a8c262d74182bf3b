/** How much more than what is asked of it a part that is proposed must bear: what is reckoned is good to a tenth. */
export const spare = 1.1;

/** A fuse is called too large only where it lies this far above what would suit: ratings go in steps of about a third. */
export const fuseStep = 1.3;

/** Lights stand in a ring where the way from the last to the first is no longer than this many of their steps. */
export const ringGap = 1.8;

/** Of the brightness that should just be enough, what is tried one after the other: converters and cells lose a little more. */
export const dimTries = [1, 0.85, 0.7] as const;

/** Moods are not dimmed to less than this part of what they are set to: little would be left of them. */
export const leastDimmed = 0.1;

/** A rail less than this many volts above what a tape wants at its end leaves nothing for wires: it hangs on the pack straight. */
export const straightAboveV = 0.3;

/** Head-room at the end of the pack's life below which the light has faded to little. */
export const SPENT_HEAD_ROOM_V = 0.1;
