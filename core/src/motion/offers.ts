import type { PlacedGroup } from '../items/index.ts';
import type { MovableGroup } from '../lights/index.ts';
import { changeMove, type Move } from '../moves/index.ts';
import type { Cue, Mood } from '../plan/index.ts';

/** A mood that fits the lights of a plan, ready to be taken and taken apart. A row of moods brings its cues along. */
export interface MoodOffer {
  readonly name: string;
  /** What it looks like, in a sentence. */
  readonly what: string;
  readonly moods: readonly Pick<Mood, 'name' | 'brightness' | 'moves'>[];
  /** From mood to mood by their place in the row; the last goes back where the row was entered. */
  readonly ways: readonly { readonly from: number; readonly when: Cue['when']; readonly to: number }[];
}

/** Lights that a mood may be offered for: what they are wired as, and the colour that they have or are given. */
interface Offered {
  readonly id: string;
  readonly points: number;
  readonly isPixels: boolean;
  readonly isGrid: boolean;
  readonly colour: string;
}

const listOffered = (placed: readonly PlacedGroup[], movables: readonly MovableGroup[]): Offered[] =>
  placed.flatMap((group): Offered[] => {
    const movable = movables.find((each) => each.id === group.id);
    if (!movable || movable.points === 0) return [];
    return [
      {
        id: group.id,
        points: movable.points,
        isPixels: movable.bytesPerPoint === 3,
        isGrid: (movable.grid?.rows ?? 1) > 1,
        colour: group.shape === 'lights' ? group.part.colour : '#ff9a3c',
      },
    ];
  });

type Choose = (group: Offered) => Move | null;

const moodOf = (name: string, groups: readonly Offered[], choose: Choose): MoodOffer['moods'][number] => ({
  name,
  brightness: 0.4,
  moves: Object.fromEntries(
    groups.flatMap((group) => {
      const move = choose(group);
      return move ? [[group.id, move] as const] : [];
    }),
  ),
});

const usual = (kind: Move['kind'], colour: string, change: Partial<Move> = {}): Move =>
  // The change names settings of this very kind.
  ({ ...changeMove(kind, undefined, colour), ...change }) as Move;

const dim: Choose = ({ colour }) => usual('steady', colour, { level: 0.25 });

/** Points from which a move is seen to run. */
const LEAST_TO_RUN = 3;
const LEAST_TO_TWINKLE = 6;

/** Moods that suit the lights there are, the quietest first. A move is only offered where its drive can show it. */
export function offerMoods(placed: readonly PlacedGroup[], movables: readonly MovableGroup[]): readonly MoodOffer[] {
  const groups = listOffered(placed, movables);
  if (groups.length === 0) return [];
  const runs = groups.some((group) => group.points >= LEAST_TO_RUN);
  const twinkles = groups.some((group) => group.points >= LEAST_TO_TWINKLE);
  const one = (name: string, what: string, choose: Choose): MoodOffer => ({
    name,
    what,
    moods: [moodOf(name, groups, choose)],
    ways: [],
  });
  return [
    one('Asleep', 'every light breathes slowly', ({ colour }) =>
      usual('breathe', colour, { periodS: 5, low: 0.08, high: 0.8 }),
    ),
    one('Hearth', 'every light flickers like a candle', ({ colour }) => usual('flicker', colour)),
    one('Heart', 'two beats and a rest, all together', ({ colour }) =>
      usual('breathe', colour, { periodS: 1.6, low: 0.05, high: 1, curve: 'heart' }),
    ),
    ...(runs
      ? [
          one('On the prowl', 'a light sweeps there and back, the rest glows low', (group) =>
            group.points >= LEAST_TO_RUN ? usual('sweep', group.colour) : dim(group),
          ),
        ]
      : []),
    ...(twinkles
      ? [
          one('Night sky', 'single lights come and go at random', (group) =>
            group.points >= LEAST_TO_TWINKLE ? usual('sparkle', group.colour) : dim(group),
          ),
        ]
      : []),
    ...(groups.some((group) => group.isPixels)
      ? [
          one('Tide', 'two colours wash along the lights', (group) =>
            group.isPixels ? usual('drift', '#18c8a8') : dim(group),
          ),
        ]
      : []),
    ...(groups.some((group) => group.isGrid)
      ? [
          one('Reef', 'cells live and die on the grid', (group) =>
            group.isGrid ? usual('cells', '#37e0c0') : dim(group),
          ),
        ]
      : []),
    {
      name: 'Charge and fire',
      what: 'a row of two moods: a build-up, four shots, and back',
      moods: [
        moodOf('Charging', groups, ({ colour }) => usual('build-up', colour, { riseS: 4 })),
        moodOf('Firing', groups, ({ colour }) => usual('shots', colour)),
      ],
      ways: [
        { from: 0, when: { kind: 'through' }, to: 1 },
        { from: 1, when: { kind: 'through' }, to: 0 },
      ],
    },
  ];
}
