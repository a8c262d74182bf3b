import { say } from '../../units/index.ts';
import { type CompiledBase, defineMove } from '../contract.ts';
import { level } from '../rows.ts';
import { litOf } from '../whole.ts';
import { sayLevel } from '../words.ts';
import type { Steady } from './schema.ts';

interface CompiledSteady extends CompiledBase {
  readonly kind: 'steady';
}

/** All lights at one level. */
export const steady = defineMove<Steady, CompiledSteady>({
  kind: 'steady',
  rank: 10,
  usual: (colour, height) => ({ kind: 'steady', colour, level: height }),
  rows: [level],
  words: (move) => say`glows steadily at ${sayLevel(move.level)}`,
  spanS: () => 0,
  switches: true,
  compile: (move) => ({ kind: 'steady', periodMs: 1, ...litOf(move) }),
  program: {},
  sampleMs: () => [0],
  begin: (moment, move) => {
    moment.level = move.level;
  },
});
