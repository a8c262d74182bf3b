import { firstOnLine, type PlacedTape, type PlanPoint, sparesBefore } from '../items/index.ts';
import type { CoreDraft, PortRef, RunCarries } from './runs.ts';
import { type Board, boardOf } from './switching.ts';
import { extraFeeds } from './tapeFeeds.ts';
import { padsBefore, padsIn, padsOut, pieceRunId, pieceStarts, pieceWord } from './tapePads.ts';
import { endAt, port, type Wiring } from './wiring.ts';

/** Pixels on a data line: the first is fed at its board, each further one by way of the one before. */
export function wirePixels(wiring: Wiring, tape: PlacedTape): void {
  const { placed, boards, rails } = wiring.input;
  if (tape.cut.lights === 0) return;
  const railId = rails.feedOf(tape.tape);
  if (railId === null) return;
  const before = placed.find((group): group is PlacedTape => group.shape === 'pixels' && group.id === tape.tape.after);
  const to = { name: `${tape.name}, data in`, itemId: tape.id, at: tape.places[0] ?? null };
  const carries = carriedBy(lineOf(wiring, tape));
  const dataIn: CoreDraft = {
    net: wiring.names.data(tape.id),
    from: before ? port(before.id, 'data out') : port(`data:${tape.id}`, 'out'),
    to: port(tape.id, 'data in'),
  };
  const spareId = `spare:${tape.id}`;
  if (before) {
    const last = before.places[before.places.length - 1] ?? null;
    wiring.add({
      id: `jumper:${tape.id}`,
      name: `Jumper to ${tape.name}`,
      from: { name: `${before.name}, end`, itemId: before.id, at: last },
      to,
      cores: [
        { net: wiring.names.plus(railId), from: port(before.id, 'plus out'), to: port(tape.id, 'plus') },
        { net: wiring.names.minus(railId), from: port(before.id, 'minus out'), to: port(tape.id, 'minus') },
        dataIn,
      ],
      carries,
    });
  } else {
    const board = boardOf(boards, tape.tape.board);
    if (!board) return;
    wiring.railTo(board.item, railId, carries.tapeIds);
    if (sparesBefore(tape) > 0) wireSpare(wiring, tape, { spareId, board, railId, dataIn });
    wiring.add({
      id: `feed:${tape.id}`,
      name: `Feed of ${tape.name}`,
      from: endAt(board.item),
      to,
      cores: [
        { net: wiring.names.plus(railId), from: wiring.plusAt(board.item, railId), to: port(tape.id, 'plus') },
        { net: wiring.names.minus(railId), from: wiring.minusAt(board.item, railId), to: port(tape.id, 'minus') },
        sparesBefore(tape) > 0
          ? { net: wiring.names.dataBehindSpare(tape.id), from: port(spareId, 'data out'), to: dataIn.to }
          : dataIn,
      ],
      carries,
    });
  }
  wirePieces(wiring, tape, railId);
  wireFeeds(wiring, tape, railId);
}

/** A spare pixel right at the board: all it does is to take the data and send it on afresh. */
function wireSpare(
  wiring: Wiring,
  tape: PlacedTape,
  {
    spareId,
    board,
    railId,
    dataIn,
  }: { readonly spareId: string; readonly board: Board; readonly railId: string; readonly dataIn: CoreDraft },
): void {
  const plus = { net: wiring.names.plus(railId), from: wiring.plusAt(board.item, railId) };
  const [diode, behind] = [`diode:${tape.id}`, wiring.names.inner(`spare plus:${tape.id}`, 'plus of the spare pixel')];
  const at = { name: `${tape.name}, spare pixel`, itemId: tape.id, at: endAt(board.item).at };
  wiring.leg(spareId, at, [
    ...(tape.tape.spareFirst === 'behind a diode'
      ? [
          { ...plus, to: port(diode, 'anode') },
          { net: behind, from: port(diode, 'cathode'), to: port(spareId, 'plus') },
        ]
      : [{ ...plus, to: port(spareId, 'plus') }]),
    { net: wiring.names.minus(railId), from: wiring.minusAt(board.item, railId), to: port(spareId, 'minus') },
    { ...dataIn, to: port(spareId, 'data in') },
  ]);
}

/** Further feeds of a tape, each with a pair of cores of its own from where the first begins. */
function wireFeeds(wiring: Wiring, tape: PlacedTape, railId: string): void {
  const line = lineOf(wiring, tape);
  const board = boardOf(wiring.input.boards, line[0]?.tape.board ?? null);
  if (!board) return;
  for (const { light, runId } of extraFeeds(tape)) {
    const isEnd = light === tape.cut.lights;
    const where = isEnd ? 'end' : `before light ${light + 1}`;
    wiring.add({
      id: runId,
      name: `Feed of ${tape.name}, ${where}`,
      from: endAt(board.item),
      to: {
        name: `${tape.name}, ${where}`,
        itemId: tape.id,
        at: tape.places[Math.min(light, tape.places.length - 1)] ?? null,
      },
      cores: [
        {
          net: wiring.names.plus(railId),
          from: wiring.plusAt(board.item, railId),
          to: port(tape.id, padsBefore(tape, 'plus', light)),
        },
        {
          net: wiring.names.minus(railId),
          from: wiring.minusAt(board.item, railId),
          to: port(tape.id, padsBefore(tape, 'minus', light)),
        },
      ],
      carries: carriedBy(line),
    });
  }
}

/** Any wire of a line carries its part of what the tapes of the whole line take: that follows from where it is fed. */
const carriedBy = (line: readonly PlacedTape[]): Extract<RunCarries, { kind: 'line' }> => ({
  kind: 'line',
  tapeIds: line.map(({ id }) => id),
});

/** The tapes of a data line from its first on, by any one of them. */
function lineOf(wiring: Wiring, tape: PlacedTape): readonly PlacedTape[] {
  const { placed } = wiring.input;
  const ids = new Set(wiring.behind(firstOnLine(tape, placed).id));
  return placed.filter((group): group is PlacedTape => group.shape === 'pixels' && ids.has(group.id));
}

/** Each piece is cut off and joined to the one before: from its last light to the next one's first. */
function wirePieces(wiring: Wiring, tape: PlacedTape, railId: string): void {
  const word = pieceWord(tape);
  const starts = pieceStarts(tape.pieces);
  const carries = carriedBy(lineOf(wiring, tape));
  for (let piece = 0; piece < tape.pieces.length - 1; piece += 1) {
    const next = starts[piece + 1] ?? 0;
    const at = (light: number): PlanPoint | null => tape.places[light] ?? null;
    const out = (side: string): PortRef => port(tape.id, padsOut(tape, side, piece));
    const into = (side: string): PortRef => port(tape.id, padsIn(tape, side, piece + 1));
    wiring.add({
      id: pieceRunId(tape.id, piece),
      name: `${tape.name}, ${word} ${piece + 1} to ${piece + 2}`,
      from: { name: `${tape.name}, end of ${word} ${piece + 1}`, itemId: tape.id, at: at(next - 1) },
      to: { name: `${tape.name}, ${word} ${piece + 2}`, itemId: tape.id, at: at(next) },
      cores: [
        { net: wiring.names.plus(railId), from: out('plus'), to: into('plus') },
        { net: wiring.names.minus(railId), from: out('minus'), to: into('minus') },
        { net: wiring.names.dataPiece(tape.id, word, piece), from: out('data'), to: into('data') },
      ],
      carries,
    });
  }
}
