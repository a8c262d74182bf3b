import { say } from '../../units/index.ts';
import { type CompiledBase, defineMove } from '../contract.ts';
import { filledLevel } from '../filled.ts';
import { u8 } from '../program.ts';
import { along, level, shows } from '../rows.ts';
import { readOf } from '../shown.ts';
import { litOf } from '../whole.ts';
import { sayAlong } from '../words.ts';
import type { Gauge } from './schema.ts';

interface CompiledGauge extends CompiledBase {
  readonly kind: 'gauge';
  readonly control: number;
}

/** A value shown as a bar along the lights. */
export const gauge = defineMove<Gauge, CompiledGauge>({
  kind: 'gauge',
  rank: 120,
  usual: (colour, height) => ({ kind: 'gauge', colour, controlId: null, level: height }),
  rows: [shows, along, level],
  words: (move) => say`shows a value as a bar${sayAlong(move)}`,
  spanS: () => 0,
  travels: true,
  compile: (move, target) => ({
    kind: 'gauge',
    periodMs: 1,
    ...litOf(move),
    control: target.controlIndex(move.controlId),
  }),
  program: { control: u8((move) => move.control) },
  cyclesAPixel: 475,
  programBytes: 90,
  sampleMs: () => [0],
  begin: (moment, move, reads, length) => {
    moment.at256 = Math.trunc((readOf(reads, move.control) * length * 256) / 255);
  },
  level: filledLevel,
});
