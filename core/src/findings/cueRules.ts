import { type Finding, named } from '../items/index.ts';
import { mapMoods } from '../motion/index.ts';
import { heightOf } from '../moves/index.ts';
import { controlsOf, editMove, isSameOccasion, listOccasions, moveOn } from '../plan/index.ts';
import type { Rule } from './finding.ts';

/** Moods that no way leads to, and moods that no way leads out of. */
export const reachRule: Rule = ({ design, assessment }) => {
  const { list } = design.moods;
  if (list.length < 2) return [];
  const map = mapMoods(assessment.show);
  const lost = list.flatMap((mood, i): Finding[] =>
    map.reached[i]
      ? []
      : [
          {
            ...named('unreached', mood.id),
            gravity: 'mend',
            stage: 'moods',
            aboutId: mood.id,
            what: `Nothing leads to ${mood.name}`,
            why: 'From the mood at the start no cue, nor a row of them, comes to it: it will never be seen.',
            mend: 'Add a cue that goes to it, or remove it.',
            fixes: [],
          },
        ],
  );
  // Where the piece stays for ever is where it belongs, as long as there is one such mood and no more.
  const stuck = list.flatMap((mood, i): Finding[] =>
    map.reached[i] && !map.isLeft[i]
      ? [
          {
            ...named('not-left', mood.id),
            gravity: 'mind',
            stage: 'moods',
            aboutId: mood.id,
            what: `Nothing leads out of ${mood.name}`,
            why: 'Once there, the piece stays there until it is switched off.',
            mend: 'Let its cue go back after a time, or add one that leaves it.',
            fixes: [],
          },
        ]
      : [],
  );
  return [...lost, ...stuck];
};

/** Two cues that answer the same thing in the same mood: only the first is ever followed. */
export const shadowedCueRule: Rule = ({ design }) => {
  const { cues, list } = design.moods;
  const nameOf = (id: string): string => list.find((mood) => mood.id === id)?.name ?? id;
  return cues.flatMap((cue, i): Finding[] => {
    const { when } = cue;
    const before = cues
      .slice(0, i)
      .find(
        (each) =>
          (each.from === null || each.from === cue.from) &&
          each.to !== cue.from &&
          JSON.stringify(each.when) === JSON.stringify(when),
      );
    // A cue of any mood does not lead from a mood to itself, so that one mood is left for the second.
    if (!before || (before.from === null && cue.from === null && before.to !== cue.to)) return [];
    return [
      {
        ...named('shadowed', cue.id),
        gravity: 'mend',
        stage: 'moods',
        aboutId: cue.id,
        what: `A cue to ${nameOf(cue.to)} is never followed`,
        why: `An earlier cue answers the same thing and goes to ${nameOf(before.to)}; the first that fits is followed.`,
        mend: 'Remove one of the two, or let it answer something else.',
        fixes: [],
      },
    ];
  });
};

/** A cue that can't do anything: it leads to its own mood, or waits for what its control can never do. */
export const impossibleCueRule: Rule = ({ design }) => {
  const possible = listOccasions(design);
  return design.moods.cues.flatMap((cue): Finding[] => {
    if (cue.from !== null && cue.from === cue.to) {
      const name = design.moods.list.find((mood) => mood.id === cue.to)?.name ?? cue.to;
      return [
        {
          ...named('to-itself', cue.id),
          gravity: 'mend',
          stage: 'moods',
          aboutId: cue.id,
          what: `A cue leads from ${name} to ${name}`,
          why: 'A mood that is there already is not begun anew, so nothing happens.',
          mend: 'Let it go to another mood, or remove it.',
          fixes: [],
        },
      ];
    }
    if (possible.some((each) => isSameOccasion(each.when, cue.when))) return [];
    const controlId = 'controlId' in cue.when ? cue.when.controlId : null;
    const control = controlsOf(design).find((each) => each.id === controlId);
    return [
      {
        ...named('impossible', cue.id),
        gravity: 'mend',
        stage: 'moods',
        aboutId: cue.id,
        what: `A cue waits for what ${control?.name ?? 'its control'} can’t do`,
        why: `A ${control?.kind ?? 'control'} gives no such sign, so the cue is never followed.`,
        mend: 'Choose another occasion for it.',
        fixes: [],
      },
    ];
  });
};

/** What is seen over almost anything. */
const twoShots = { kind: 'shots', count: 2, onS: 0.15, offS: 0.35, pauseS: 4 } as const;

/** A sign that shows nothing warns nobody. */
export const emptySignRule: Rule = ({ design }) =>
  (design.moods.signs ?? [])
    .filter((sign) => Object.keys(sign.moves).length === 0)
    .map((sign) => ({
      ...named('sign-empty', sign.id),
      gravity: 'mend',
      stage: 'moods',
      aboutId: sign.id,
      what: `The sign ${sign.name} has no move, so it is not seen`,
      why: 'A sign that nothing shows warns nobody.',
      mend: 'Give a light group a move in it; two short shots and a long pause are seen over anything.',
      fixes: [],
    }));

/** A sign must be told apart by what it does, not by its colour alone. */
export const signRule: Rule = ({ design, assessment }) =>
  (design.moods.signs ?? []).flatMap((sign) =>
    Object.entries(sign.moves).flatMap(([onId, move]): Finding[] => {
      const alike = design.moods.list.find((mood) => moveOn(mood.moves, onId)?.kind === move.kind);
      if (!alike) return [];
      const name = assessment.placed.find((each) => each.id === onId)?.name ?? onId;
      const shots = { ...twoShots, colour: move.colour, level: heightOf(move) };
      const isTaken = design.moods.list.some((mood) => moveOn(mood.moves, onId)?.kind === 'shots');
      return [
        {
          ...named('sign-alike', sign.id, onId),
          gravity: 'mend',
          stage: 'moods',
          aboutId: sign.id,
          what: `On ${name} the sign ${sign.name} does what ${alike.name} does too`,
          why: 'Told apart by colour alone it is missed by one helper in twelve, and by anyone across a dark street.',
          mend: 'Let it do something that no mood does there, such as two short shots and a long pause.',
          fixes: isTaken ? [] : [{ label: 'Two short shots', edits: [editMove({ signId: sign.id, on: onId }, shots)] }],
        },
      ];
    }),
  );
