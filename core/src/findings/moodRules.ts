import type { Assessment } from '../assess.ts';
import { type Finding, kindOf, type MoveAt, named } from '../items/index.ts';
import { changeMove, type Move, moveOf } from '../moves/index.ts';
import { editMove, type Mood } from '../plan/index.ts';
import type { Rule } from './finding.ts';
import { ringGap } from './margins.ts';

/** A move of a mood, what it is on, and where it stands in the plan. */
export interface Laid {
  /** Its own among all moves of all moods. */
  readonly key: string;
  readonly mood: Mood;
  readonly onId: string;
  readonly name: string;
  readonly move: Move;
  readonly at: MoveAt;
}

/** Every move as it is laid on a light group, mood by mood, those laid upon it too. */
export function listLaid(design: Parameters<Rule>[0]['design'], assessment: Assessment): Laid[] {
  const nameOf = (id: string): string =>
    assessment.placed.find((each) => each.id === id)?.name ??
    design.moods.sets?.find((each) => each.id === id)?.name ??
    id;
  return design.moods.list.flatMap((mood) => [
    ...Object.entries(mood.moves).map(([onId, move]) => ({
      key: `${mood.id}:${onId}`,
      mood,
      onId,
      name: nameOf(onId),
      move,
      at: { moodId: mood.id, on: onId },
    })),
    ...(mood.tops ?? []).map((top) => ({
      key: `${mood.id}:${top.on}:${top.id}`,
      mood,
      onId: top.on,
      name: nameOf(top.on),
      move: top.move,
      at: { moodId: mood.id, topId: top.id },
    })),
  ]);
}

/** Whether the first and the last light of a set are neighbours on the picture: it closes into a ring. */
function isRing(at: readonly { readonly xMm: number; readonly yMm: number }[]): boolean {
  const [first, second, last] = [at[0], at[1], at[at.length - 1]];
  if (!first || !second || !last || at.length < 6) return false;
  const pitchMm = Math.hypot(second.xMm - first.xMm, second.yMm - first.yMm);
  return pitchMm > 0 && Math.hypot(last.xMm - first.xMm, last.yMm - first.yMm) < pitchMm * ringGap;
}

/** A move that its drive can't show: no travel on one point, no direction on two channels, a seam on a ring. */
export const drivenMoveRule: Rule = ({ design, assessment }) =>
  listLaid(design, assessment).flatMap(({ key, mood, onId, name, move, at }): Finding[] => {
    const set = assessment.show.sets.find((each) => each.id === onId);
    if (!set || !moveOf(move.kind).travels) return [];
    const base = { stage: 'moods', aboutId: onId } as const;
    if (set.points < 2)
      return [
        {
          ...base,
          ...named('cant-travel', key),
          gravity: 'mend',
          what: `${name} is one channel: nothing can run along it in ${mood.name}`,
          why: 'All its lights are lit together, so a running light is only a blink.',
          mend: 'Give it three channels or more in Lights, or let it breathe.',
          fixes: [
            {
              label: 'Let it breathe',
              edits: [editMove(at, changeMove('breathe', move, move.colour))],
            },
          ],
        },
      ];
    const { repeats } = moveOf(move.kind);
    if (!repeats) return [];
    const every = repeats.every(move);
    if (Math.min(every, set.points) === 2)
      return [
        {
          ...base,
          ...named('no-direction', key),
          gravity: 'mind',
          what: `${name} swings rather than runs in ${mood.name}`,
          why: 'Two interleaved groups look the same one way round as the other.',
          mend: 'Three groups or more show a direction.',
          fixes: [],
        },
      ];
    const closes = isRing(set.at);
    if (!closes || set.points % every === 0) return [];
    const fitting = [3, 4, 5, 6, 7, 8].filter((k) => set.points % k === 0);
    return [
      {
        ...base,
        ...named('seam', key),
        gravity: 'mind',
        what: `The chase on ${name} has a seam in ${mood.name}`,
        why: `${set.points} lights in a ring are no whole number of ${every}s, so where the ring closes the run stumbles.`,
        mend:
          fitting.length > 0
            ? `One in ${fitting.join(', or one in ')} comes out even.`
            : 'No number from 3 to 8 comes out even: leave out a light or two, or take a sweep.',
        fixes: fitting.slice(0, 2).map((groups) => ({
          label: `One in ${groups}`,
          edits: [editMove(at, { ...move, [repeats.key]: groups })],
        })),
      },
    ];
  });

/** A set of lights of which some have colours and some have one. */
export const mixedSetRule: Rule = ({ design, assessment }) =>
  (design.moods.sets ?? []).flatMap((set): Finding[] => {
    const bytesOf = (groupId: string) => assessment.show.groups.find((each) => each.id === groupId)?.bytesPerPoint;
    const first = set.of.flatMap((part) => bytesOf(part.groupId) ?? [])[0];
    const isOther = (part: (typeof set.of)[number]): boolean => {
      const bytes = bytesOf(part.groupId);
      return bytes !== undefined && bytes !== first;
    };
    const others = set.of.filter(isOther);
    if (others.length === 0) return [];
    const names = others.map(
      (part) => assessment.placed.find((each) => each.id === part.groupId)?.name ?? part.groupId,
    );
    return [
      {
        ...named('set-mixed', set.id),
        gravity: 'mend',
        stage: 'moods',
        aboutId: set.id,
        what: `${set.name} mixes lights that have colours with lights that have one: ${names.join(', ')} ${names.length > 1 ? 'are' : 'is'} left out of it`,
        why: 'A move gives each light of a set either a colour or a height, not both.',
        mend: 'Make two sets of it.',
        fixes: [
          {
            label: 'Leave them out',
            edits: [{ kind: 'set', id: set.id, fields: { of: set.of.filter((part) => !isOther(part)) } }],
          },
        ],
      },
    ];
  });

/** A set that asks for lights which its group has not, since the tape was cut shorter. */
export const setRule: Rule = ({ design, assessment }) =>
  (design.moods.sets ?? []).flatMap((set) =>
    set.of.flatMap((part, k): Finding[] => {
      const group = assessment.show.groups.find((each) => each.id === part.groupId);
      const most = Math.max(part.first, part.last);
      if (!group || most <= group.points) return [];
      const name = assessment.placed.find((each) => each.id === part.groupId)?.name ?? part.groupId;
      return [
        {
          ...named('set-beyond', set.id, k),
          gravity: 'mind',
          stage: 'moods',
          aboutId: set.id,
          what: `${set.name} goes up to light ${most} of ${name}, which has ${group.points}`,
          why: 'What is not there is left out of the set, so its moves come out shorter.',
          mend: 'End it at the last light there is.',
          fixes:
            group.points === 0
              ? []
              : [
                  {
                    label: `End it at ${group.points}`,
                    edits: [
                      {
                        kind: 'set',
                        id: set.id,
                        fields: {
                          [`of.${k}.first`]: Math.min(part.first, group.points),
                          [`of.${k}.last`]: Math.min(part.last, group.points),
                        },
                      },
                    ],
                  },
                ],
        },
      ];
    }),
  );

/** A move that shows a value and has no control to take it from. */
export const shownValueRule: Rule = ({ design, assessment }) =>
  listLaid(design, assessment).flatMap(({ key, mood, onId, name, move }): Finding[] => {
    if (!('controlId' in move) || move.controlId !== null) return [];
    return [
      {
        ...named('no-value', key),
        gravity: 'mend',
        stage: 'moods',
        aboutId: onId,
        what: `${name} shows a value in ${mood.name}, and nothing says which`,
        why: 'Without a control it stands at full.',
        mend: 'Choose what it shows; a charge sense or a light sensor is added in Drive.',
        fixes: [],
      },
    ];
  });

/** Whether what is laid on a group or set is seen on the lights of a group. */
export const isOn = (design: Parameters<Rule>[0]['design'], onId: string, groupId: string): boolean =>
  onId === groupId ||
  (design.moods.sets?.find((set) => set.id === onId)?.of.some((part) => part.groupId === groupId) ?? false);

/** A mood in which nothing glows, though there are lights. */
export const darkMoodRule: Rule = ({ design, assessment }) =>
  design.moods.list
    .filter(
      (mood) => assessment.placed.length > 0 && Object.keys(mood.moves).length === 0 && (mood.tops ?? []).length === 0,
    )
    .map((mood) => ({
      ...named('dark', mood.id),
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
  if (
    !piece.lightsItself ||
    moods.list.length === 0 ||
    moods.cues.some((cue) => cue.when.kind === 'dark') ||
    design.items.some((item) => kindOf(item.kind).seesLight)
  )
    return [];
  return [
    {
      ...named('lights-itself'),
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
