import { type MoveKind, moveKinds } from '../moves/index.ts';
import type { Show } from './show.ts';

/** What of the engine a show asks for, beside the moves: what it does not is left out of its program. */
export const engineParts = [
  'colours',
  'places',
  'signs',
  'switches',
  'dimming',
  'contacts',
  'held',
  'sensors',
  'cues',
  'random',
  'fades',
  'look fades',
] as const;
/** One of them. */
export type EnginePart = (typeof engineParts)[number];

/** What of the engine a show asks for. */
export interface Uses {
  /** In the order of all kinds. */
  readonly kinds: readonly MoveKind[];
  readonly parts: ReadonlySet<EnginePart>;
}

/** What of the engine a show asks for: kinds of moves, and of the rest what its groups, moods, cues and controls have. */
export function usesOf({ groups, sets, moods, signs, cues, controls }: Show): Uses {
  const layers = [...moods, ...signs].flatMap((each) => each.layers);
  const shown = new Set<string>(layers.map(({ move }) => move.kind));
  const fades =
    cues.some(({ fadeMs }) => fadeMs > 0) ||
    moods.some(({ fadeInMs, fadeOutMs }) => (fadeInMs ?? 0) > 0 || (fadeOutMs ?? 0) > 0);
  const has: Readonly<Record<EnginePart, boolean>> = {
    colours: groups.some(({ bytesPerPoint }) => bytesPerPoint === 3),
    places: layers.some(({ places }) => places !== null) || sets.some(({ offsets }) => offsets !== null),
    signs: signs.length > 0,
    switches: groups.some((group) => group.switches),
    dimming: controls.some(({ dims }) => dims),
    contacts: controls.some(({ sensing }) => sensing === null),
    held: controls.some(({ waits }) => waits),
    sensors: controls.some(({ sensing }) => sensing !== null),
    cues: cues.length > 0,
    random: cues.some(({ spanMs }) => spanMs > 0),
    fades,
    'look fades': fades && cues.some(({ keepsLook }) => keepsLook),
  };
  return {
    kinds: moveKinds.filter((kind) => shown.has(kind)),
    parts: new Set(engineParts.filter((part) => has[part])),
  };
}
