import { type Control, kindOf } from '../items/index.ts';
import type { CoreDraft } from './runs.ts';
import { type Board, boardOf } from './switching.ts';
import { endAt, port, type Wiring } from './wiring.ts';

/** What goes out to a control beside its signal: its supply, a minus, the pack that it reads. */
export function wireControl(wiring: Wiring, control: Control): void {
  const { control: facet } = kindOf(control.kind);
  const board = boardOf(wiring.input.boards, control.board);
  if (!facet || !board) return;
  const giverId = facet.givenBy?.(control);
  if (giverId !== undefined) {
    wireGiven(wiring, control, board, giverId);
    return;
  }
  if (facet.sharesPinOf?.(control) != null) return;
  const own = facet.outputOf?.(control);
  if (own) {
    wireOutput(wiring, control, board, own);
    return;
  }
  const sense = facet.sense?.(control);
  if (sense?.kind === 'charge') wireToPack(wiring, control, sense.packId);
  const cores = facet.cores.map((core): CoreDraft | null =>
    core === 'chip plus'
      ? { ...wiring.chipPlus(board), to: port(control.id, 'plus') }
      : minusFrom(wiring, board, control),
  );
  wiring.add({
    id: `control:${control.id}`,
    name: control.name,
    from: endAt(board.item),
    to: endAt(control),
    cores: [
      ...cores.filter((core) => core !== null),
      {
        net: wiring.names.signal(control.id),
        from: port(`control:${control.id}`, 'in'),
        to: port(control.id, 'signal'),
      },
    ],
    carries: null,
  });
}

/** What goes out beside a signal from its board, while that is fed. */
const minusFrom = (wiring: Wiring, board: Board, control: Control): CoreDraft | null =>
  board.railId === null
    ? null
    : { net: wiring.names.minus(board.railId), from: port(board.id, 'minus'), to: port(control.id, 'minus') };

/** From an output of a receiver to the pin that hears it; the receiver has a lead of its own. */
function wireOutput(
  wiring: Wiring,
  control: Control,
  board: Board,
  { itemId, output }: { readonly itemId: string; readonly output: number },
): void {
  const giver = wiring.item(itemId);
  if (!giver) return;
  wiring.add({
    id: `control:${control.id}`,
    name: control.name,
    from: endAt(board.item),
    to: endAt(giver),
    cores: [
      {
        net: wiring.names.signal(control.id),
        from: port(`control:${control.id}`, 'in'),
        to: port(giver.id, `output ${output}`),
      },
    ],
    carries: null,
  });
}

/** A line from the board that gives it to the one that hears it. */
function wireGiven(wiring: Wiring, control: Control, board: Board, giverId: string): void {
  const giver = wiring.item(giverId);
  if (!giver) return;
  const minus = minusFrom(wiring, board, control);
  wiring.add({
    id: `control:${control.id}`,
    name: control.name,
    from: endAt(giver),
    to: endAt(board.item),
    cores: [
      {
        net: wiring.names.signal(control.id),
        from: port(`channel:${control.id}:1`, 'out'),
        to: port(`control:${control.id}`, 'in'),
      },
      ...(minus ? [minus] : []),
    ],
    carries: null,
  });
}

/** What reads a pack needs its plus. */
function wireToPack(wiring: Wiring, control: Control, packId: string | null): void {
  const { rails } = wiring.input;
  const railId = packId ?? rails.list.find((rail) => rail.gives.form === 'cells')?.id;
  const pack = railId === undefined ? undefined : wiring.item(railId);
  if (!pack) return;
  wiring.add({
    id: `sense:${control.id}`,
    name: `${control.name}, to the pack`,
    from: endAt(pack),
    to: endAt(control),
    cores: [wiring.plus(pack.id, port(control.id, 'plus'))],
    carries: null,
  });
}
