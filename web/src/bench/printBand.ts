import type { StepProgress } from '@glimmer/core/bench';
import { printQuantity } from '@glimmer/core/units';

/** The band that a reading should lie in, in words. */
export function printBand({ kind, low, high }: NonNullable<StepProgress['step']['expect']>): string {
  if (!Number.isFinite(high)) return `${printQuantity(kind, low)} or more`;
  return low === high ? printQuantity(kind, low) : `${printQuantity(kind, low)} to ${printQuantity(kind, high)}`;
}
