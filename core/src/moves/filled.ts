import type { CompiledBase, Moment } from './contract.ts';

/** The level of a light in what is filled up to a point, the last light in part. */
export const filledLevel = (move: CompiledBase, moment: Moment, _point: number, place256: number): number =>
  (move.level * Math.min(256, Math.max(0, moment.at256 - place256))) >> 8;
