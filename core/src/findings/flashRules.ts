import { type Finding, type Fix, named } from '../items/index.ts';
import { calmMove } from '../moves/index.ts';
import { editMove } from '../plan/index.ts';
import { say, seconds, toTenth } from '../units/index.ts';
import type { Rule } from './finding.ts';
import { isOn, type Laid, listLaid } from './moodRules.ts';

const MOST_FLASHES_PER_S = 3;

/** The calmer settings of moves that lie upon one another, each named by its kind, and by its place among its like. */
function calmAll(laid: readonly Pick<Laid, 'move' | 'at'>[]): Fix[] {
  const calmer = laid.flatMap(({ move, at }) => {
    const found = calmMove(move);
    return found ? [{ ...found, move, at }] : [];
  });
  return calmer.map(({ say, key, value, move, at }, i) => {
    const like = calmer.filter((each) => each.move.kind === move.kind);
    const place = like.length > 1 ? ` of layer ${i + 1}` : '';
    return {
      label: say(calmer.length > 1 ? `the ${move.kind}${place}` : 'it'),
      edits: [editMove(at, { ...move, [key]: value })],
    };
  });
}

/**
 * Whether so many flashes a second are more than people nearby should be shown.
 * A thirtieth over is rounding of the frames' times, not a fourth flash.
 */
export function isFlashing(flashesPerS: number): boolean {
  return flashesPerS > MOST_FLASHES_PER_S * (31 / 30);
}

/** More than three flashes a second (WCAG 2.2, success criterion 2.3.1). */
export const flashRule: Rule = ({ design, assessment }) =>
  assessment.moods.flatMap((mood) =>
    mood.groups.flatMap((group): Finding[] => {
      const { perS, fromS, toS } = group.load.flashing;
      if (!isFlashing(perS)) return [];
      const laid = listLaid(design, assessment).filter(
        (each) => each.mood.id === mood.moodId && isOn(design, each.onId, group.groupId),
      );
      const name = assessment.placed.find((each) => each.id === group.groupId)?.name ?? group.groupId;
      return [
        {
          ...named('flash', mood.moodId, group.groupId),
          gravity: 'stop',
          stage: 'moods',
          aboutId: group.groupId,
          what: say`${name} flashes ${toTenth(perS)} times a second in ${mood.name}, from ${seconds(fromS)} to ${seconds(toS)}`,
          why: 'More than three flashes a second over a large part of the view can bring on a seizure in people nearby (basis: WCAG 2.2, 2.3.1).',
          mend: 'Slow it to three a second or fewer, or let it swing less.',
          fixes: calmAll(laid),
        },
      ];
    }),
  );

/** The same for signs: they lie over every mood, and are seen at full. */
export const signFlashRule: Rule = ({ design, assessment }) =>
  assessment.signs.flatMap((sign, i) =>
    sign.groups.flatMap((group): Finding[] => {
      const { perS } = group.load.flashing;
      if (!isFlashing(perS)) return [];
      const name = assessment.placed.find((each) => each.id === group.groupId)?.name ?? group.groupId;
      const laid = Object.entries(design.moods.signs?.[i]?.moves ?? {})
        .filter(([onId]) => isOn(design, onId, group.groupId))
        .map(([on, move]) => ({ move, at: { signId: sign.signId, on } }));
      return [
        {
          ...named('flash', sign.signId, group.groupId),
          gravity: 'stop',
          stage: 'moods',
          aboutId: sign.signId,
          what: say`${name} flashes ${toTenth(perS)} times a second in the sign ${sign.name}`,
          why: 'More than three flashes a second can bring on a seizure in people nearby (basis: WCAG 2.2, 2.3.1).',
          mend: 'Slow it to three a second or fewer.',
          fixes: calmAll(laid),
        },
      ];
    }),
  );
