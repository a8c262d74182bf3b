import type { PinDemand, PinPlan } from '../drive/index.ts';
import { assignPins } from '../drive/index.ts';
import { kindOf, type PlacedGroup, type PlacedTape, waysOf } from '../items/index.ts';
import { heightOf, type Move, moveOf } from '../moves/index.ts';
import {
  type Board,
  boardOf,
  type Driven,
  isProgrammed,
  nameOfLine,
  scanDataId,
  scanLineId,
  scanWires,
} from '../network/index.ts';
import type { ControllerPart, Pin } from '../parts/index.ts';
import { controlsOf, type Design, itemNamed, type Mood, pinOwnerOf } from '../plan/index.ts';
import type { Switching } from './drive.ts';

/** Every move that is shown on a group, by itself or as part of a set, in moods and signs. */
function listMovesOn(design: Design, groupId: string): { readonly move: Move; readonly brightness: number }[] {
  const sets = (design.moods.sets ?? []).filter((set) => set.of.some((part) => part.groupId === groupId));
  const ids = new Set([groupId, ...sets.map((set) => set.id)]);
  const pick = (moves: Mood['moves']): Move[] =>
    Object.entries(moves).flatMap(([id, move]) => (ids.has(id) ? [move] : []));
  return [
    ...design.moods.list.flatMap((mood) =>
      [...pick(mood.moves), ...(mood.tops ?? []).filter((top) => ids.has(top.on)).map((top) => top.move)].map(
        (move) => ({ move, brightness: mood.brightness }),
      ),
    ),
    ...(design.moods.signs ?? []).flatMap((sign) => pick(sign.moves).map((move) => ({ move, brightness: 1 }))),
  ];
}

/** Whether one mood ever glides into another. */
const isFaded = ({ list, cues }: Design['moods']): boolean =>
  list.length > 1 &&
  (cues.some((cue) => cue.fadeS > 0) || list.some((mood) => (mood.fadeInS ?? 0) + (mood.fadeOutS ?? 0) > 0));

/** Colours that moods mix want dimming unless every colour is plain on or off. */
const isMixed = (move: Move): boolean =>
  'colour' in move && /[1-9a-e]/.test(move.colour.slice(1).replace(/00|ff/g, ''));

/** Why a channel has to be dimmed, in words; null where switching does. */
export function whyDimmed(design: Design, groupId: string, hasColours: boolean): string | null {
  const shown = listMovesOn(design, groupId);
  if (shown.length > 0 && isFaded(design.moods)) return 'moods fade into each other';
  const reason = shown.find(
    ({ move, brightness }) => brightness < 1 || !moveOf(move.kind).switches || heightOf(move) < 1,
  );
  if (reason)
    return reason.brightness < 1 ? 'a mood is set below full brightness' : `a move "${reason.move.kind}" dims it`;
  return hasColours && shown.some(({ move }) => isMixed(move)) ? 'its colours are mixed' : null;
}

const needOf = (design: Design, groupId: string, hasColours: boolean): 'dimmed' | 'out' =>
  whyDimmed(design, groupId, hasColours) === null ? 'out' : 'dimmed';

/** What every data line, channel, signal and control asks of a pin of one board. */
function listPinDemands(
  design: Design,
  board: Board,
  boards: readonly Board[],
  placed: readonly PlacedGroup[],
  { driven, loads }: Pick<Switching, 'driven' | 'loads'>,
): PinDemand[] {
  const isHere = (id: string | null): boolean => boardOf(boards, id)?.id === board.id;
  const data = placed
    .filter(
      (group): group is PlacedTape =>
        group.shape === 'pixels' && group.tape.after === null && group.cut.lights > 0 && isHere(group.tape.board),
    )
    .map((tape): PinDemand => ({ id: `data:${tape.id}`, label: `Data of ${tape.name}`, needs: 'data', isLoad: true }));
  const own = driven.filter((each) => each.board?.id === board.id && isProgrammed(each.way));
  const lines = own.flatMap((each) => demandsOfTurns(design, each));
  const channels = own
    .filter((each) => !each.scan)
    .flatMap((each) =>
      each.channels.map(
        (channel): PinDemand => ({
          id: `channel:${each.itemId}:${channel + 1}`,
          label: each.channels.length > 1 ? `${each.name}, channel ${channel + 1}` : each.name,
          needs: needOf(design, each.itemId, each.channels.length === 1 && each.name.includes(', ')),
          isLoad: true,
        }),
      ),
    );
  const runs = loads
    .filter((each) => each.board.id === board.id)
    .map((each): PinDemand => ({ id: `channel:${each.itemId}:1`, label: each.name, needs: 'out', isLoad: true }));
  const given = controlsOf(design)
    .filter((control) => kindOf(control.kind).control?.givenBy?.(control) === board.id)
    .map(
      (signal): PinDemand => ({
        id: `channel:${signal.id}:1`,
        label: `${signal.name}, given`,
        needs: 'out',
        isLoad: false,
      }),
    );
  const controls = controlsOf(design)
    .filter((control) => isHere(control.board) && pinOwnerOf(control) === control.id)
    .map(
      (control): PinDemand => ({
        id: `control:${control.id}`,
        label: control.name,
        needs: kindOf(control.kind).control?.pin ?? 'in',
        isLoad: false,
      }),
    );
  const all = [...data, ...channels, ...runs, ...lines, ...given, ...controls];
  // Two grids on one scan driver are told by the same wires, which is refused elsewhere.
  return all.filter(({ id }, i) => all.findIndex((each) => each.id === id) === i);
}

/** The part that scans an item's lights, by its id; undefined where none does. */
function scanDriverOf(design: Pick<Design, 'items'>, itemId: string): string | undefined {
  const item = itemNamed(design, itemId);
  const way = item && waysOf(item).find((each) => each.way === 'scan driver');
  return way && 'by' in way ? way.by : undefined;
}

/** A pin for each line of lights that take turns; three to tell the part that scans them, where that is another. */
function demandsOfTurns(design: Design, { itemId, name, scan }: Driven): PinDemand[] {
  if (!scan) return [];
  const { driver } = scan;
  const by = scanDriverOf(design, itemId);
  const demand = (id: string, label: string): PinDemand => ({ id, label, needs: 'out', isLoad: true });
  if (!driver || by === undefined)
    return scan.layout.lines.map((line) => demand(scanLineId(itemId, line), `${name}, ${nameOfLine(line)}`));
  const told = itemNamed(design, by)?.name ?? name;
  return scanWires.map((what) => demand(scanDataId(by, what), `${told}, ${what}`));
}

/** The pins of one board. */
export interface BoardPins {
  readonly board: Board;
  /** Which pin each demand is given, or why they don’t fit. */
  readonly plan: PinPlan;
}

/** Pins for all that each board does, its locks kept. */
export const planPins = (
  design: Design,
  boards: readonly Board[],
  placed: readonly PlacedGroup[],
  switching: Pick<Switching, 'driven' | 'loads'>,
): readonly BoardPins[] =>
  boards.map((board) => ({
    board,
    plan: assignPins(
      whileScanning(board, switching.driven),
      listPinDemands(design, board, boards, placed, switching),
      board.item.pinLocks,
    ),
  }));

/** A controller whose program scans needs one of its clocks for that: the pins that it dims can then only switch. */
function whileScanning({ id, part }: Board, driven: readonly Driven[]): ControllerPart {
  const scans = driven.some((each) => each.board?.id === id && each.scan !== null && each.scan.driver === null);
  const lost = scans ? (part.scan?.losesDimming ?? []) : [];
  if (lost.length === 0) return part;
  const withoutDimming = (pin: Pin): Pin => ({ ...pin, can: pin.can.filter((ability) => ability !== 'dimmed') });
  return { ...part, pins: part.pins.map((pin) => (lost.includes(pin.name) ? withoutDimming(pin) : pin)) };
}
