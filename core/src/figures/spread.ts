import { type Assessment, fullOf } from '../assess.ts';

/** How much more all may draw than is likely: each consumer by its own spread, as they add up in the worst case. */
export function withSpread({ consumers }: Assessment, likelyA: number): number {
  const most = (each: Assessment['consumers'][number]): number => each.restA + each.steadyPeakA + fullOf(each, 'peak');
  const whole = consumers.reduce((sum, each) => sum + most(each), 0);
  const spread = consumers.reduce((sum, each) => sum + most(each) * each.relativeSpread, 0);
  return whole <= 0 ? likelyA : likelyA * (1 + spread / whole);
}
