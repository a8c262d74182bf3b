import type { Move } from './types.ts';

/** The height of a move: the level of its brightest moment. */
export const heightOf = (move: Move): number => (move.kind === 'breathe' ? move.high : move.level);

/** A usual move of each kind, in a colour and at a height. */
const usual: { readonly [K in Move['kind']]: (colour: string, level: number) => Extract<Move, { kind: K }> } = {
  steady: (colour, level) => ({ kind: 'steady', colour, level }),
  breathe: (colour, high) => ({ kind: 'breathe', colour, periodS: 3, low: Math.min(0.1, high), high }),
  chase: (colour, level) => ({ kind: 'chase', colour, groups: 3, stepS: 0.2, direction: 'onward', level }),
  sweep: (colour, level) => ({ kind: 'sweep', colour, periodS: 4, tail: 6, level }),
  fill: (colour, level) => ({ kind: 'fill', colour, periodS: 6, level }),
  drift: (colour, level) => ({ kind: 'drift', colour, second: '#2a6bff', periodS: 8, wave: 20, level }),
  sparkle: (colour, level) => ({ kind: 'sparkle', colour, share: 0.15, stepS: 0.4, seed: 1, level }),
  flicker: (colour, level) => ({ kind: 'flicker', colour, character: 'candle', seed: 1, level }),
  shots: (colour, level) => ({ kind: 'shots', colour, count: 4, onS: 0.12, offS: 0.4, pauseS: 2, level }),
  'build-up': (colour, level) => ({ kind: 'build-up', colour, riseS: 6, low: 0, level }),
  cells: (colour, level) => ({
    kind: 'cells',
    colour,
    birth: [3],
    survival: [2, 3],
    wraps: true,
    melts: true,
    stepS: 0.6,
    generations: 60,
    share: 0.4,
    seed: 1,
    level,
  }),
  gauge: (colour, level) => ({ kind: 'gauge', colour, controlId: null, level }),
  steps: (colour, level) => ({ kind: 'steps', colour, second: colour, controlId: null, count: 4, low: 0.1, level }),
};

/** Every kind of move, in the order in which they are offered. */
export const moveKinds = Object.keys(usual) as readonly Move['kind'][];

/** A move of another kind that keeps colour and height of the one before. */
export const changeMove = (kind: Move['kind'], before: Move | undefined, fallbackColour: string): Move =>
  usual[kind](before?.colour ?? fallbackColour, before ? heightOf(before) : 1);

/** How long it takes to see what a move does, in seconds. */
export function spanOfMove(move: Move): number {
  switch (move.kind) {
    case 'steady':
    case 'gauge':
    case 'steps':
      return 0;
    case 'cells':
      return move.stepS * Math.min(move.generations, 24);
    case 'chase':
      return move.stepS * move.groups * 3;
    case 'sparkle':
      return move.stepS * 12;
    case 'flicker':
      return move.character === 'ember' ? 8 : 4;
    case 'shots':
      return 2 * (move.count * (move.onS + move.offS) + move.pauseS);
    case 'build-up':
      return move.riseS * 1.3;
    default:
      return move.periodS * 2;
  }
}
