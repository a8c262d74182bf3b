import { type Printer, printerFor, type Units, usualUnits } from '@glimmer/core/units';
import { useMemo } from 'react';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** The maker's choice of units; none until they choose. `workshop/` keeps it on the server too. */
export const useChosenUnits = create<{ readonly chosen: readonly Units[] }>()(
  persist((): { readonly chosen: readonly Units[] } => ({ chosen: [] }), { name: 'units', version: 1 }),
);

/** The units of a choice; the usual ones where none was made. */
export const unitsOf = ({ chosen }: { readonly chosen: readonly Units[] }): Units => chosen[0] ?? usualUnits;

/** Reads and writes quantities in the maker's units; a page that uses it is written anew when they change. */
export function usePrinter(): Printer {
  const units = useChosenUnits(unitsOf);
  return useMemo(() => printerFor(units), [units]);
}
