/** What an item draws by itself, whatever the moods do. */
export interface OwnDraw {
  /** Drawn with nothing lit and nothing to do. */
  readonly restA: number;
  /** On top of it: on the mean, and at its most. */
  readonly steadyA: number;
  /** Lit without a program, at its height. */
  readonly steadyPeakA: number;
  /** In the first moment, where that is more. */
  readonly startA: number;
  /** Half-width of the doubt, as a share of what it draws. */
  readonly relativeSpread: number;
}

/** Draws so much, always. */
export const drawsAtRest = (restA: number, relativeSpread: number): OwnDraw => ({
  restA,
  steadyA: 0,
  steadyPeakA: 0,
  startA: 0,
  relativeSpread,
});
