import fc from 'fast-check';
import { bands } from '../src/items/limits.ts';
import { changeMove, type Move, type MoveKind, type MoveRow, moveKinds, moveOf } from '../src/moves/index.ts';

const share = fc.double({ min: 0, max: 1, noNaN: true });
const colour = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, '0')}`);
const neighbours = fc.uniqueArray(fc.integer({ min: 0, max: 8 }), { maxLength: 5 });

/** No test waits for longer steps and periods, or counts on longer tails. */
const [MOST_STEP_S, MOST_S] = [2, 20];
const MOST_COUNT = 40;

/** Any value that the form of a move takes in a row. */
function anyValue(row: MoveRow): fc.Arbitrary<unknown> {
  switch (row.as) {
    case 'quantity': {
      const { least, most } = row.band;
      if (row.kind === 'timeS')
        return fc.double({ min: least, max: most <= bands.stepS.most ? MOST_STEP_S : MOST_S, noNaN: true });
      return fc.integer({ min: least, max: row.key === 'seed' ? most : Math.min(most, MOST_COUNT) });
    }
    case 'share':
      return share;
    case 'colour':
      return colour;
    case 'tick':
      return fc.boolean();
    case 'cell rule':
      return neighbours;
    case 'control':
      return fc.constant(null);
    default:
      return fc.constantFrom(...row.options.map(({ value }) => value));
  }
}

/** A move of a kind with any settings that its form takes. */
export const anyMoveOf = (kind: MoveKind): fc.Arbitrary<Move> =>
  fc
    .record({
      colour,
      ...Object.fromEntries(moveOf(kind).rows.map((row) => [row.key, anyValue(row)])),
    })
    // The rows are the settings of this very kind, each with a value that it takes.
    .map((settings) => ({ ...changeMove(kind, undefined, settings.colour), ...settings }) as unknown as Move);

/** A move of any kind with any settings that the plan allows. */
export const anyMove: fc.Arbitrary<Move> = fc.oneof(...moveKinds.map(anyMoveOf));
