import type { PackPart, ProtectionPart } from '../../parts/index.ts';
import { defineFormula } from '../../units/index.ts';

/** Whether a board is made for these cells: of their kind, and as many in series. */
export const suitsCells = (board: ProtectionPart, { chemistry, cellsInSeries }: PackPart): boolean =>
  chemistry === 'lithium-ion' && board.cellsInSeries === cellsInSeries;

/**
 * A pack as it is seen from outside behind a protection board: it gives no more than the board trips at, ends where the
 * board cuts off, and has its resistance on top. One for other cells is refused, and nothing is reckoned of it.
 */
export const behindProtection = (part: PackPart, board: ProtectionPart | undefined): PackPart =>
  board && suitsCells(board, part)
    ? {
        ...part,
        resistanceOhm: { ...part.resistanceOhm, likely: part.resistanceOhm.likely + board.ohm },
        steadyLimitA: Math.min(part.steadyLimitA, board.tripA),
        cutOffV: Math.max(part.cutOffV, board.cutOffV),
        protected: true,
        tripV: board.cutOffV,
      }
    : part;

/**
 * How long what fills a reservoir stays above a current. @example 8.4 V over 0.2 Ω into 2,000 µF: 42 A at once, above
 * 25 A for 0.21 ms
 */
export const timeAboveCurrent = defineFormula({
  name: 'A reservoir’s rush above a current',
  gives: { meaning: 'time', kind: 'timeS' },
  symbols: {
    V: { meaning: 'voltage that it is filled from', kind: 'voltageV' },
    R: { meaning: 'resistance of pack, contacts and leads', kind: 'resistanceOhm' },
    C: { meaning: 'reservoir', kind: 'capacitanceUf' },
    I: { meaning: 'current', kind: 'currentA' },
  },
  form: '{t} = {R} · {C} · ln({V} / ({R} · {I}))',
  source: 'a capacitor filled through a resistance: I = V/R · e^(−t/RC)',
  reckon: ({ V, R, C, I }) => Math.max(0, R * C * 1e-6 * Math.log(V / (R * I))),
});

/** How a board trips: what its maker does not say is typical. */
export const tripOf = ({ tripA, tripDelayS, shortTripA, shortDelayS }: ProtectionPart) => ({
  tripA,
  delayS: tripDelayS ?? 0.01,
  shortA: shortTripA ?? 3 * tripA,
  shortDelayS: shortDelayS ?? 0.0003,
});

/** Whether a board lets go while a reservoir is filled: above what it trips at, or takes for a short, for too long. */
export function tripsOnFilling(
  board: ProtectionPart,
  filling: { readonly V: number; readonly R: number; readonly C: number },
): boolean {
  const above = (I: number): number => timeAboveCurrent.reckon({ ...filling, I });
  const { tripA, delayS, shortA, shortDelayS } = tripOf(board);
  return above(shortA) > shortDelayS || above(tripA) > delayS;
}

/** What brings a piece back that its protection board has let go, as a sentence of its own. */
export const sayComesBack = ({ comesBack }: ProtectionPart): string =>
  comesBack === 'charger'
    ? 'Once it has let go it gives nothing until a charger is joined for a moment.'
    : 'Once it has let go it gives nothing until the piece is switched off for a moment.';
