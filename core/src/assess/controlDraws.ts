import { chipInputA, drawsAtRest, kindOf, type OwnDraw } from '../items/index.ts';
import { type Board, boardOf, type Rails } from '../network/index.ts';
import { controlsOf, type Design } from '../plan/index.ts';
import type { Sensing } from './sensing.ts';

/** What a control draws all day, and from where. */
export interface ControlDraw {
  readonly id: string;
  readonly name: string;
  /** The rail of the board that feeds it, or the pack whose charge it divides. */
  readonly railId: string;
  /** The board that it is fed by; null where it hangs on the pack itself. */
  readonly boardId: string | null;
  readonly draw: OwnDraw;
}

/** Parts of a module, and light on a sensor, are known no better. */
const SPREAD = 0.3;

/** What the divider of a sensor takes at its most; a further level has none of its own. */
const dividerA = (sensing: Sensing | undefined): number =>
  sensing === undefined || (sensing.kind === 'light' && sensing.isLevel) ? 0 : sensing.design.standingA;

/**
 * What receivers, modules and dividers draw whatever the moods do: out of the chip's supply of their board, or out of
 * the pack that is read.
 */
export const listControlDraws = (
  design: Pick<Design, 'items'>,
  boards: readonly Board[],
  rails: Rails,
  sensing: readonly Sensing[],
): ControlDraw[] =>
  controlsOf(design).flatMap((control): ControlDraw[] => {
    const read = sensing.find((each) => each.control.id === control.id);
    const amps = (kindOf(control.kind).control?.ownA?.(control) ?? 0) + dividerA(read);
    const board = boardOf(boards, control.board);
    if (amps === 0 || board?.railId == null) return [];
    const { id, name } = control;
    if (read?.kind === 'charge')
      return [{ id, name, railId: read.pack.id, boardId: null, draw: drawsAtRest(amps, SPREAD) }];
    const railV = rails.byId.get(board.railId)?.range?.nominalV ?? 0;
    return [
      {
        id,
        name,
        railId: board.railId,
        boardId: board.id,
        draw: drawsAtRest(chipInputA(board.part, amps, railV), SPREAD),
      },
    ];
  });
