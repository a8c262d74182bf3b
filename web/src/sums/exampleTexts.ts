import { findSum, showInput } from '@glimmer/core/sums';
import type { Printer } from '@glimmer/core/units';

/** What a new card shows: the example where a value is needed, nothing where it is taken as usual. */
export function exampleTexts(name: string, printer: Printer): Record<string, string> {
  const sum = findSum(name);
  if (!sum) return {};
  return Object.fromEntries(
    Object.entries(sum.inputs).flatMap(([key, input]): [string, string][] => {
      if (input.as === 'quantity' && input.needed) return [[key, showInput(sum, key, input.initial, printer)]];
      if (input.as === 'optional' && input.example !== undefined)
        return [[key, showInput(sum, key, input.example, printer)]];
      return (input.as === 'list' || input.as === 'pairs') && input.initial.length > 0
        ? [[key, showInput(sum, key, input.initial, printer)]]
        : [];
    }),
  );
}
