import { heightOf, type Move } from '../plan/index.ts';
import { printQuantity } from '../units/index.ts';
import type { Finding, Fix, Rule } from './finding.ts';

const MOST_FLASHES_PER_S = 3;

/** The calmer setting of a move: two flashes a second, or a flicker that glides. */
function calmMove(move: Move, path: readonly (string | number)[]): Fix[] {
  const set = (label: string, key: string, value: unknown): Fix => ({
    label,
    changes: [{ path: [...path, key], value }],
  });
  switch (move.kind) {
    case 'breathe':
    case 'fill':
    case 'drift':
      return [set('Slow it to two a second', 'periodS', 0.5)];
    case 'sweep':
      return [set('Slow it to one a second', 'periodS', 1)];
    case 'chase':
      return [set('Slow it to two a second', 'stepS', Number((0.5 / move.groups).toFixed(3)))];
    case 'flicker':
      return [set('Let it glow like an ember', 'character', 'ember')];
    case 'sparkle':
      return [set('Slow it to two a second', 'stepS', 0.5)];
    case 'shots':
      return [set('Slow it to two a second', 'offS', Number(Math.max(0.05, 0.5 - move.onS).toFixed(3)))];
    default:
      return [];
  }
}

/** Moves that go from light to light: on one channel they are only a blink. */
const travelling: ReadonlySet<Move['kind']> = new Set(['chase', 'sweep', 'fill']);

/** A move that its drive can't show: no travel on one point, no direction on two channels, a seam on a ring of channels. */
export const drivenMoveRule: Rule = ({ design, assessment }) =>
  design.moods.list.flatMap((mood, moodIndex) =>
    assessment.show.groups.flatMap((group): Finding[] => {
      const move = mood.moves[group.id];
      if (!move || !travelling.has(move.kind)) return [];
      const name = assessment.placed.find((each) => each.id === group.id)?.name ?? group.id;
      const base = { stage: 'moods', aboutId: group.id } as const;
      if (group.points < 2)
        return [
          {
            ...base,
            id: `cant-travel:${mood.id}:${group.id}`,
            gravity: 'mend',
            what: `${name} is one channel: nothing can run along it in ${mood.name}`,
            why: 'All its lights are lit together, so a running light is only a blink.',
            mend: 'Give it three channels or more in Lights, or let it breathe.',
            fixes: [
              {
                label: 'Let it breathe',
                changes: [
                  {
                    path: ['moods', 'list', moodIndex, 'moves', group.id],
                    value: { kind: 'breathe', colour: move.colour, periodS: 3, low: 0.1, high: heightOf(move) },
                  },
                ],
              },
            ],
          },
        ];
      if (move.kind !== 'chase') return [];
      const groups = Math.min(move.groups, group.points);
      if (groups === 2)
        return [
          {
            ...base,
            id: `no-direction:${mood.id}:${group.id}`,
            gravity: 'mind',
            what: `${name} swings rather than runs in ${mood.name}`,
            why: 'Two interleaved groups look the same one way round as the other.',
            mend: 'Three groups or more show a direction.',
            fixes: [],
          },
        ];
      return [];
    }),
  );

/**
 * Whether so many flashes a second are more than people nearby should be shown.
 * A fiftieth over is rounding of whole milliseconds, not a fourth flash.
 */
export function isFlashing(flashesPerS: number): boolean {
  return flashesPerS > MOST_FLASHES_PER_S + 0.02;
}

/** More than three flashes a second (WCAG 2.2, success criterion 2.3.1). */
export const flashRule: Rule = ({ design, assessment }) =>
  assessment.moods.flatMap((mood, moodIndex) =>
    mood.groups.flatMap((group): Finding[] => {
      const rate = group.load.flashesPerS;
      if (!isFlashing(rate)) return [];
      const name = assessment.placed.find((each) => each.id === group.groupId)?.name ?? group.groupId;
      const move = design.moods.list[moodIndex]?.moves[group.groupId];
      const path = ['moods', 'list', moodIndex, 'moves', group.groupId];
      const calmer = move ? calmMove(move, path) : [];
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
