import { NO_CONTROL, type Reads } from './contract.ts';

/** What a control reads, 0…255. */
export const readOf = (reads: Reads, control: number): number =>
  control === NO_CONTROL ? 255 : (reads[control]?.level ?? 255);
