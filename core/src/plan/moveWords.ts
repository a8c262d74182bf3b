import type { Along, Laying } from '../items/limits.ts';
import { printQuantity } from '../units/index.ts';
import type { Move } from './types.ts';

const time = (seconds: number): string => printQuantity('timeS', seconds);
const share = (value: number): string => `${Math.round(value * 100)} %`;

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
export function sayMove(move: Move): string {
  const way = 'along' in move && move.along ? alongWords[move.along] : '';
  switch (move.kind) {
    case 'steady':
      return `glows steadily at ${share(move.level)}`;
    case 'breathe':
      return `breathes in ${time(move.periodS)}, ${share(move.low)} to ${share(move.high)}`;
    case 'chase':
      return `runs, one in ${move.groups}, a step each ${time(move.stepS)}${way}`;
    case 'sweep':
      return `sweeps there and back in ${time(move.periodS)}${way}`;
    case 'fill':
      return `fills and empties in ${time(move.periodS)}${way}`;
    case 'drift':
      return `drifts between two colours in ${time(move.periodS)}${way}`;
    case 'sparkle':
      return `sparkles, ${share(move.share)} lit at once`;
    case 'flicker':
      return `flickers like a ${move.character}`;
    case 'shots':
      return `fires ${move.count} shot${move.count === 1 ? '' : 's'}, then rests ${time(move.pauseS)}`;
    case 'build-up':
      return `builds up over ${time(move.riseS)}`;
    case 'cells':
      return `lives and dies in cells, a generation each ${time(move.stepS)}`;
    case 'gauge':
      return `shows a value as a bar${way}`;
    case 'steps':
      return `shows a value in ${move.count} steps`;
  }
}
