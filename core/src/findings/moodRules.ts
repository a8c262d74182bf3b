import { printQuantity } from '../units/index.ts';
import type { Finding, Rule } from './finding.ts';

const MOST_FLASHES_PER_S = 3;

/** More than three flashes a second (WCAG 2.2, success criterion 2.3.1). */
export const flashRule: Rule = ({ design, assessment }) =>
  assessment.moods.flatMap((mood, moodIndex) =>
    mood.groups.flatMap((group): Finding[] => {
      const rate = group.load.flashesPerS;
      // A thousandth over is rounding of whole milliseconds, not a fourth flash.
      if (rate <= MOST_FLASHES_PER_S + 0.02) return [];
      const name = assessment.placed.find((each) => each.id === group.groupId)?.name ?? group.groupId;
      const move = design.moods.list[moodIndex]?.moves[group.groupId];
      const path = ['moods', 'list', moodIndex, 'moves', group.groupId];
      const calmer =
        move?.kind === 'breathe'
          ? [{ label: 'Slow it to two a second', changes: [{ path: [...path, 'periodS'], value: 0.5 }] }]
          : move?.kind === 'chase'
            ? [
                {
                  label: 'Slow it to two a second',
                  changes: [{ path: [...path, 'stepS'], value: Number((0.5 / move.groups).toFixed(3)) }],
                },
              ]
            : [];
      return [
        {
          id: `flash:${mood.moodId}:${group.groupId}`,
          gravity: 'stop',
          stage: 'moods',
          aboutId: group.groupId,
          what: `${name} flashes ${printQuantity('count', Number(rate.toFixed(1)))} times a second in ${mood.name}`,
          why: 'More than three flashes a second over a large part of the view can bring on a seizure in people nearby (basis: WCAG 2.2, 2.3.1).',
          mend: 'Slow it to three a second or fewer, or let it swing less.',
          fixes: calmer,
        },
      ];
    }),
  );

/** A mood in which nothing glows, though there are lights. */
export const darkMoodRule: Rule = ({ design, assessment }) =>
  design.moods.list
    .filter((mood) => assessment.placed.length > 0 && Object.keys(mood.moves).length === 0)
    .map((mood) => ({
      id: `dark:${mood.id}`,
      gravity: 'mind',
      stage: 'moods',
      aboutId: mood.id,
      what: `${mood.name} has no move, so everything is dark in it`,
      why: 'That may be meant: dark pixels still draw their rest current.',
      mend: 'Give a light group a move, or keep it as the dark mood.',
      fixes: [],
    }));

/** A piece that should light itself and has no cue to do it. */
export const lightsItselfRule: Rule = ({ design }) => {
  const { piece, moods } = design;
  if (!piece.lightsItself || moods.list.length === 0 || moods.cues.some((cue) => cue.when.kind === 'dark')) return [];
  return [
    {
      id: 'lights-itself',
      gravity: 'mend',
      stage: 'moods',
      aboutId: null,
      what: 'The piece should light by itself in the dark, and no cue does it',
      why: 'The brief asks for it.',
      mend: 'Add a light sensor in Drive and a cue "when it gets dark" here.',
      fixes: [],
    },
  ];
};
