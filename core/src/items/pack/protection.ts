import type { PackPart, ProtectionPart } from '../../parts/index.ts';

/**
 * A pack as it is seen from outside behind a protection board: it gives no more than the board trips at, ends where the
 * board cuts off, and has its resistance on top.
 */
export const behindProtection = (part: PackPart, board: ProtectionPart | undefined): PackPart =>
  board
    ? {
        ...part,
        resistanceOhm: { ...part.resistanceOhm, likely: part.resistanceOhm.likely + board.ohm },
        steadyLimitA: Math.min(part.steadyLimitA, board.tripA),
        cutOffV: Math.max(part.cutOffV, board.cutOffV),
        protected: true,
      }
    : part;
