import type { Along, Laying } from '../items/limits.ts';
import { type Message, type Quantity, quantity, say, seconds } from '../units/index.ts';
import type { Move } from './types.ts';

const share = (value: number): Quantity => quantity('fraction', Math.round(value * 100) / 100);

const alongWords: Readonly<Record<Along, string>> = {
  route: '',
  'route back': ', against the data',
  'both ends': ', from both ends',
  ring: ', round by the clock',
  across: ', across the picture',
  down: ', down the picture',
  outward: ', from the middle out',
};
const layingWords: Readonly<Record<Laying, string>> = {
  over: 'over it ',
  add: 'added to it ',
  lightest: 'or, where lighter, ',
};

/** How a top lies upon what is below, before its own words. */
export const sayLaying = (how: Laying): string => layingWords[how];

/** What a move does, in a few words with its times. @example "breathes in 4.00 s, 10 % to 100 %" */
export function sayMove(move: Move): Message {
  const way = 'along' in move && move.along ? alongWords[move.along] : '';
  switch (move.kind) {
    case 'steady':
      return say`glows steadily at ${share(move.level)}`;
    case 'breathe':
      return say`breathes in ${seconds(move.periodS)}, ${share(move.low)} to ${share(move.high)}`;
    case 'chase':
      return say`runs, one in ${move.groups}, a step each ${seconds(move.stepS)}${way}`;
    case 'sweep':
      return say`sweeps there and back in ${seconds(move.periodS)}${way}`;
    case 'fill':
      return say`fills and empties in ${seconds(move.periodS)}${way}`;
    case 'drift':
      return say`drifts between two colours in ${seconds(move.periodS)}${way}`;
    case 'sparkle':
      return say`sparkles, ${share(move.share)} lit at once`;
    case 'flicker':
      return `flickers like a ${move.character}`;
    case 'shots':
      return say`fires ${move.count} shot${move.count === 1 ? '' : 's'}, then rests ${seconds(move.pauseS)}`;
    case 'build-up':
      return say`builds up over ${seconds(move.riseS)}`;
    case 'cells':
      return say`lives and dies in cells, a generation each ${seconds(move.stepS)}`;
    case 'gauge':
      return `shows a value as a bar${way}`;
    case 'steps':
      return `shows a value in ${move.count} steps`;
  }
}
