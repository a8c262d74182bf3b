import type { OnLine } from '../../drive/index.ts';
import { assume } from '../inputs.ts';
import type { Result } from '../sum.ts';

/** Where the sums about a transistor look at it, besides on the bench. */
export const temperatures = {
  coldC: assume('temperatureC', 'cold', 'Cold', -10, { least: -40, most: 40 }),
  hotC: assume('temperatureC', 'hot', 'Hot, inside', 80, { least: 25, most: 150 }),
} as const;

const BENCH_C = 25;

/** What a transistor and its load come to, cold, on the bench and hot. */
export const onItsLine = (
  { coldC, hotC }: { readonly coldC: number; readonly hotC: number },
  at: (celsius: number) => OnLine,
): Result => ({
  form: 'table',
  key: 'onItsLine',
  label: 'With its load, typically',
  columns: [
    { key: 'temperatureC', label: 'at', kind: 'temperatureC' },
    { key: 'currentA', label: 'flows', kind: 'currentA' },
    { key: 'lostV', label: 'across it', kind: 'voltageV' },
    { key: 'heatW', label: 'heat in it', kind: 'powerW' },
  ],
  rows: [coldC, BENCH_C, hotC].map((celsius) => {
    const { currentA, acrossV, heatW } = at(celsius);
    return [celsius, currentA, acrossV, heatW];
  }),
});
