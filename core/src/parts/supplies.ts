import type { OutsideSupplyPart } from './kinds.ts';

const supply = (
  id: string,
  name: string,
  volts: number,
  limitA: number,
  price: number,
  more: Partial<Pick<OutsideSupplyPart, 'tolerance' | 'ohm' | 'adjustable' | 'switchesOffBelowA'>> = {},
): OutsideSupplyPart => ({
  kind: 'outside-supply',
  id: `supply-${id}`,
  name,
  price,
  volts,
  tolerance: 0.05,
  limitA,
  ohm: 0.1,
  ...more,
});

/** What feeds a piece from outside; limits as they are usually stated. */
export const outsideSupplies: readonly OutsideSupplyPart[] = [
  supply('port-0a5', 'Port of a computer, 5 V, 0.5 A', 5, 0.5, 0, { ohm: 0.25 }),
  supply('port-3a', 'Port of a charger, 5 V, 3 A', 5, 3, 9),
  supply('wall-5v-2a', 'Wall supply, 5 V, 2 A', 5, 2, 8),
  supply('wall-12v-1a5', 'Wall supply, 12 V, 1.5 A', 12, 1.5, 11),
  supply('wall-12v-5a', 'Wall supply, 12 V, 5 A', 12, 5, 22),
  supply('wall-24v-2a5', 'Wall supply, 24 V, 2.5 A', 24, 2.5, 24),
  supply('bench', 'Bench supply, set by hand, up to 30 V and 3 A', 5, 3, 0, {
    tolerance: 0.01,
    ohm: 0.02,
    adjustable: true,
  }),
];
