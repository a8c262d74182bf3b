import { freshTeller, sayMark, type Teller, type Told, tellOn } from '@glimmer/core/motion';
import { type PieceMoment, usePieceStore } from '../picture/pieceStore.ts';

/** A line that the simulated controller said, and when. */
export interface SaidLine {
  readonly atMs: number;
  readonly text: string;
}

/** Follows the piece as the picture runs it, and gives each line that its program would say; gives what ends it. */
export function followTelling(mark: string, told: Told, onLine: (line: SaidLine) => void): () => void {
  let teller: Teller = freshTeller;
  const look = (moment: PieceMoment | null): void => {
    if (!moment) return;
    // A piece that begins anew is a board that was switched on again.
    if (moment.nowMs < teller.sinceMs) teller = { ...freshTeller, sinceMs: moment.nowMs };
    const next = tellOn(teller, told, moment.state, moment.nowMs, moment.scale256);
    teller = next.teller;
    for (const text of next.lines) onLine({ atMs: moment.nowMs, text });
  };
  const { moment } = usePieceStore.getState();
  onLine({ atMs: moment?.nowMs ?? 0, text: sayMark(mark) });
  look(moment);
  return usePieceStore.subscribe((state) => look(state.moment));
}
