import type { Assessment } from '../../assess.ts';
import type { Finding } from '../../items/index.ts';
import { type Design, emptyDesign } from '../../plan/index.ts';
import { describeEnd } from '../../power/index.ts';
import type { Piece } from '../piece.ts';
import { figure, mainFigure, type Result, text } from '../sum.ts';

/** What every sum about a pack says first: for how long, and why it ends. */
export const resultsOfRun = (runs: Assessment['runsFor'] | undefined): readonly Result[] => [
  mainFigure('likelyH', 'Runs for, likely', 'timeH', runs?.likelyH ?? null),
  figure('cautiousH', 'With caution (95 of 100 last longer)', 'timeH', runs?.cautiousH ?? null),
  ...(runs ? [text('end', 'It ends because', describeEnd(runs.end))] : []),
];

/** The brief of a plan that is to run as long as a sum was told. */
export const briefOf = (wantedH: number | null): Design['piece'] =>
  wantedH === null ? emptyDesign.piece : { ...emptyDesign.piece, hoursWanted: wantedH };

/** What such a plan is told; nothing of its hours where nobody said how many are wanted. */
export const toldOfRun = ({ told }: Piece, wantedH: number | null): readonly Finding[] =>
  told().filter(({ id }) => wantedH !== null || id !== 'runs-short');
