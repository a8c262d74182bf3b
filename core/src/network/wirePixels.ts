import type { PlacedTape, PlanPoint } from '../items/index.ts';
import type { CoreDraft, PortRef } from './runs.ts';
import { boardOf } from './switching.ts';
import { endAt, port, type Wiring } from './wiring.ts';

/** The run that joins a row of a grid to the next, rows counted from 0. */
export const rowRunId = (tapeId: string, row: number): string => `row:${tapeId}:${row + 1}`;

/** Pixels on a data line: the first is fed at its board, each further one by way of the one before. */
export function wirePixels(wiring: Wiring, tape: PlacedTape): void {
  const { placed, boards, rails } = wiring.input;
  if (tape.cut.lights === 0) return;
  const railId = rails.feedOf(tape.tape);
  if (railId === null) return;
  const before = placed.find((group): group is PlacedTape => group.shape === 'pixels' && group.id === tape.tape.after);
  const to = { name: `${tape.name}, data in`, itemId: tape.id, at: tape.places[0] ?? null };
  const behind = wiring.behind(tape.id);
  const dataIn: CoreDraft = {
    net: wiring.names.data(tape.id),
    from: before ? port(before.id, 'data out') : port(`data:${tape.id}`, 'out'),
    to: port(tape.id, 'data in'),
  };
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
      carries: { kind: 'items', itemIds: behind, share: 1 },
    });
  } else {
    const board = boardOf(boards, tape.tape.board);
    if (!board) return;
    wiring.railTo(board.item, railId, behind);
    wiring.add({
      id: `feed:${tape.id}`,
      name: `Feed of ${tape.name}`,
      from: endAt(board.item),
      to,
      cores: [
        { net: wiring.names.plus(railId), from: wiring.plusAt(board.item, railId), to: port(tape.id, 'plus') },
        { net: wiring.names.minus(railId), from: wiring.minusAt(board.item, railId), to: port(tape.id, 'minus') },
        dataIn,
      ],
      carries: { kind: 'items', itemIds: behind, share: 1 },
    });
  }
  wireRows(wiring, tape, railId);
}

/** Each row of a grid is cut off and joined to the one before: from its last light to the next one's first. */
function wireRows(wiring: Wiring, tape: PlacedTape, railId: string): void {
  const { grid } = tape.tape;
  if (!grid) return;
  const feedsOthers = wiring.behind(tape.id).length > 1;
  for (let row = 0; row < grid.rows - 1; row += 1) {
    const next = (row + 1) * grid.columns;
    const at = (light: number): PlanPoint | null => tape.places[light] ?? null;
    const port0 = (name: string): PortRef => port(tape.id, `${name}, row ${row + 1} out`);
    const port1 = (name: string): PortRef => port(tape.id, `${name}, row ${row + 2} in`);
    wiring.add({
      id: rowRunId(tape.id, row),
      name: `${tape.name}, row ${row + 1} to ${row + 2}`,
      from: { name: `${tape.name}, end of row ${row + 1}`, itemId: tape.id, at: at(next - 1) },
      to: { name: `${tape.name}, row ${row + 2}`, itemId: tape.id, at: at(next) },
      cores: [
        { net: wiring.names.plus(railId), from: port0('plus'), to: port1('plus') },
        { net: wiring.names.minus(railId), from: port0('minus'), to: port1('minus') },
        { net: wiring.names.dataRow(tape.id, row), from: port0('data'), to: port1('data') },
      ],
      carries: {
        kind: 'items',
        itemIds: feedsOthers ? wiring.behind(tape.id) : [tape.id],
        share: feedsOthers ? 1 : (grid.rows - 1 - row) / grid.rows,
      },
    });
  }
}
