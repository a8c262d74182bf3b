import { bands } from '../../items/limits.ts';
import { say, seconds } from '../../units/index.ts';
import { slower } from '../calmer.ts';
import { type CompiledBase, defineMove } from '../contract.ts';
import { u8, u32 } from '../program.ts';
import { along, choice, count, level, time } from '../rows.ts';
import { litOf, wholeMs } from '../whole.ts';
import { sayAlong } from '../words.ts';
import type { Chase } from './schema.ts';

interface CompiledChase extends CompiledBase {
  readonly kind: 'chase';
  readonly groups: number;
  readonly stepMs: number;
  readonly isOnward: boolean;
}

/** One light of so many is lit, and the lit ones step on. */
export const chase = defineMove<Chase, CompiledChase>({
  kind: 'chase',
  rank: 30,
  usual: (colour, height) => ({ kind: 'chase', colour, groups: 3, stepS: 0.2, direction: 'onward', level: height }),
  rows: [
    count('groups', 'One in', bands.chaseGroups),
    time('stepS', 'Step', bands.stepS),
    choice<Chase['direction']>('direction', 'Runs', { onward: 'onward', back: 'backward' }),
    along,
    level,
  ],
  words: (move) => say`runs, one in ${move.groups}, a step each ${seconds(move.stepS)}${sayAlong(move)}`,
  spanS: (move) => move.stepS * move.groups * 3,
  calmer: (move) => slower('stepS', move.stepS, 0.5 / move.groups),
  travels: true,
  switches: true,
  repeats: { key: 'groups', every: (move) => move.groups },
  compile: (move) => {
    const stepMs = wholeMs(move.stepS);
    return {
      kind: 'chase',
      periodMs: stepMs * move.groups,
      ...litOf(move),
      groups: move.groups,
      stepMs,
      isOnward: move.direction === 'onward',
    };
  },
  program: {
    groups: u8((move) => move.groups),
    step_ms: u32((move) => move.stepMs),
    onward: u8((move) => move.isOnward),
  },
  cyclesAPixel: 660,
  programBytes: 30,
  sampleMs: (move) => Array.from({ length: move.groups }, (_, i) => i * move.stepMs),
  begin: (moment, move) => {
    const step = Math.trunc(moment.tMs / move.stepMs) % move.groups;
    moment.part = move.isOnward ? step : (move.groups - step) % move.groups;
  },
  level: (move, moment, _point, place256) => (((place256 + 128) >> 8) % move.groups === moment.part ? move.level : 0),
});
