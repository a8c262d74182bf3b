import type { DrivenLeds, PinDemand } from '../drive/index.ts';
import type { PlacedGroup, PlacedTape } from '../lights/index.ts';
import { type Design, heightOf, type Mood, type Move } from '../plan/index.ts';

/** Moves that only switch: at full level and brightness they need no dimming. */
const switchedMoves: ReadonlySet<string> = new Set(['steady', 'chase', 'shots']);

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

const isDimmed = (design: Design, groupId: string): boolean => {
  const shown = listMovesOn(design, groupId);
  return (
    (shown.length > 0 && isFaded(design.moods)) ||
    shown.some(({ move, brightness }) => brightness < 1 || !switchedMoves.has(move.kind) || heightOf(move) < 1)
  );
};

/** What every data line, channel and control asks of a pin. */
export function listPinDemands(
  design: Design,
  placed: readonly PlacedGroup[],
  driven: readonly DrivenLeds[],
): PinDemand[] {
  const data = placed
    .filter((group): group is PlacedTape => group.kind === 'tape' && group.tape.after === null && group.cut.lights > 0)
    .map((tape): PinDemand => ({ id: `data:${tape.id}`, label: `Data of ${tape.name}`, needs: 'data', isLoad: true }));
  const channels = driven.flatMap((leds) =>
    leds.lightsOnChannel.map(
      (_, i): PinDemand => ({
        id: `channel:${leds.groupId}:${i + 1}`,
        label: leds.lightsOnChannel.length > 1 ? `${leds.name}, channel ${i + 1}` : leds.name,
        needs: isDimmed(design, leds.groupId) ? 'dimmed' : 'out',
        isLoad: true,
      }),
    ),
  );
  const controls = design.drive.controls.map(
    (control): PinDemand => ({
      id: `control:${control.id}`,
      label: control.name,
      needs: control.kind === 'light sensor' || control.kind === 'charge sense' ? 'level' : 'in',
      isLoad: false,
    }),
  );
  return [...data, ...channels, ...controls];
}
