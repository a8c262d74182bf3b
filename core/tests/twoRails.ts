import { type Design, emptyDesign } from '../src/plan/index.ts';
import { freshItem } from '../src/sums/piece.ts';

const at = { xMm: 1, yMm: 1 };

/** A pixel tape of so many millimetres, fed from there. */
export const strip = (id: string, feed: string, lengthMm: number) =>
  freshItem('pixel tape', {
    id,
    name: id,
    at,
    part: 'pixel-tape-60',
    feed,
    board: 'board',
    lengthMm,
    route: [at, { xMm: 1 + lengthMm, yMm: 1 }],
  });

/** Two converters behind one pack, each with a tape of its own that one mood lights white. */
export const twoRails = (pack: string, lengthMm: number): Design => ({
  ...emptyDesign,
  items: [
    freshItem('pack', { id: 'pack', name: 'Pack', at, part: pack }),
    freshItem('converter', { id: 'one', name: 'One', at, part: 'boost-5v-3a', feed: 'pack' }),
    freshItem('converter', { id: 'two', name: 'Two', at, part: 'boost-5v-3a', feed: 'pack' }),
    freshItem('board', { id: 'board', name: 'Board', at, part: 'controller-small-5v', feed: 'one' }),
    strip('left', 'one', lengthMm),
    strip('right', 'two', lengthMm),
  ],
  moods: {
    list: [
      {
        id: 'all',
        name: 'All',
        brightness: 1,
        moves: Object.fromEntries(
          ['left', 'right'].map((id) => [id, { kind: 'steady' as const, colour: '#ffffff', level: 1 }]),
        ),
      },
    ],
    startId: 'all',
    cues: [],
    course: [],
    cueUses: [],
  },
});
