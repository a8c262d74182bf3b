import { kindOf, type PlacedTape } from '../items/index.ts';
import { compileShow, type Show, type ShowLimit } from '../motion/index.ts';
import { type Board, boardOf } from '../network/index.ts';
import type { Design } from '../plan/index.ts';
import type { Build } from './build.ts';
import type { LineOfData } from './dataLines.ts';
import type { LaidGuard } from './guards.ts';
import { limitOf } from './limit.ts';
import { budgetLoop, type LoopBudget } from './loop.ts';
import { thresholdsById } from './sensing.ts';

/** One board with its program's part of the show. */
export interface BoardAssessment {
  readonly board: Board;
  /** What this board moves and hears; its frame is its own. */
  readonly show: Show;
  /** What the board’s own limiter keeps to. */
  readonly limit: ShowLimit;
  /** Time and memory of its program. */
  readonly loop: LoopBudget;
}

interface Programmed {
  readonly dataLines: readonly LineOfData[];
  readonly guards: readonly LaidGuard[];
  /** The limit of all that moods move, which a board by itself has. */
  readonly whole: ShowLimit;
  /** Highest current of each consumer in its moods. */
  readonly peaks: ReadonlyMap<string, number>;
}

/** Each board with its own part of the show. */
export function listPrograms(design: Design, built: Build, programmed: Programmed): BoardAssessment[] {
  const { boards, byId } = built;
  const { dataLines, guards, whole, peaks } = programmed;
  const shown = boards.map((board) => ({ board, show: showOfBoard(design, built, board) }));
  return shown.map(({ board, show }): BoardAssessment => {
    const others = shown.flatMap((each) => (each.board === board ? [] : [each.show]));
    const limit = boards.length === 1 ? whole : limitOf(guards, show, byId, { own: show, others, peaks });
    const lines = dataLines.filter((each) => each.board?.id === board.id);
    const loop = budgetLoop(
      show,
      board.part,
      lines.map(({ line }) => line),
      limit,
    );
    return { board, show, limit, loop };
  });
}

/** Whether a board drives a group of lights, a load or a signal. */
export function drives({ placed, boards, controls, chains, switching }: Build, boardId: string, id: string): boolean {
  const isItsTape = placed.some(
    (group) =>
      group.id === id && group.shape === 'pixels' && boardOf(boards, firstOnLine(chains, group).board)?.id === boardId,
  );
  const isItsSignal = controls.some(
    (control) => control.id === id && kindOf(control.kind).control?.givenBy?.(control) === boardId,
  );
  const isSwitched = [...switching.driven, ...switching.loads].some(
    (each) => each.itemId === id && each.board?.id === boardId,
  );
  return isItsTape || isItsSignal || isSwitched;
}

/** What one board moves and hears. */
function showOfBoard(design: Design, built: Build, board: Board): Show {
  const { boards, movables, controls, sensing } = built;
  const isOwn = (id: string): boolean => drives(built, board.id, id);
  return compileShow({
    moods: boards.length > 1 ? onlyFor(design.moods, isOwn) : design.moods,
    movables: movables.filter((group) => boards.length === 1 || isOwn(group.id)),
    controls: controls.filter((control) => boardOf(boards, control.board)?.id === board.id),
    sensing: thresholdsById(sensing),
  });
}

/** The first tape of the line that a tape hangs on. */
const firstOnLine = (chains: readonly (readonly PlacedTape[])[], tape: PlacedTape): PlacedTape['tape'] =>
  (chains.find((chain) => chain.includes(tape))?.[0] ?? tape).tape;

/** Moods as one board of several sees them: moves on what is its own. Sets that mix boards move what each has. */
function onlyFor(moods: Design['moods'], isOwn: (id: string) => boolean): Design['moods'] {
  const sets = (moods.sets ?? []).filter((set) => set.of.some((part) => isOwn(part.groupId)));
  const mine = (id: string): boolean => isOwn(id) || sets.some((set) => set.id === id);
  const pick = <T>(moves: Readonly<Record<string, T>>): Record<string, T> =>
    Object.fromEntries(Object.entries(moves).filter(([id]) => mine(id)));
  return {
    ...moods,
    list: moods.list.map((mood) => ({
      ...mood,
      moves: pick(mood.moves),
      ...(mood.tops ? { tops: mood.tops.filter((top) => mine(top.on)) } : {}),
    })),
    ...(moods.signs ? { signs: moods.signs.map((sign) => ({ ...sign, moves: pick(sign.moves) })) } : {}),
    sets,
  };
}
