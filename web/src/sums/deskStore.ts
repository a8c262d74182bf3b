import type { StockItem } from '@glimmer/core/parts';
import { findSum, showInput } from '@glimmer/core/sums';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** A card on the desk: which sum, and what stands in its fields, just as it was typed. */
export interface DeskCard {
  readonly id: string;
  readonly sum: string;
  readonly texts: Readonly<Record<string, string>>;
}

interface DeskState {
  readonly cards: readonly DeskCard[];
  readonly drawer: readonly StockItem[];
}

/** The desk is kept in this browser; it holds no plan. */
export const useDesk = create<DeskState>()(
  persist((): DeskState => ({ cards: [], drawer: [] }), { name: 'quick-sums', version: 1 }),
);

/** What a new card shows: the example where a value is needed, nothing where it is taken as usual. */
function exampleTexts(name: string): Record<string, string> {
  const sum = findSum(name);
  if (!sum) return {};
  return Object.fromEntries(
    Object.entries(sum.inputs).flatMap(([key, input]): [string, string][] => {
      if (input.as === 'quantity' && input.needed) return [[key, showInput(sum, key, input.initial)]];
      if (input.as === 'optional' && input.example !== undefined) return [[key, showInput(sum, key, input.example)]];
      return (input.as === 'list' || input.as === 'pairs') && input.initial.length > 0
        ? [[key, showInput(sum, key, input.initial)]]
        : [];
    }),
  );
}

const set = (change: (state: DeskState) => Partial<DeskState>): void => {
  useDesk.setState(change);
};

/** What can be done to the desk. */
export const desk = {
  lay: (sum: string): void =>
    set((state) => ({ cards: [{ id: crypto.randomUUID(), sum, texts: exampleTexts(sum) }, ...state.cards] })),
  copy: (id: string): void =>
    set((state) => ({
      cards: state.cards.flatMap((card) => (card.id === id ? [card, { ...card, id: crypto.randomUUID() }] : [card])),
    })),
  type: (id: string, key: string, text: string): void =>
    set((state) => ({
      cards: state.cards.map((card) => (card.id === id ? { ...card, texts: { ...card.texts, [key]: text } } : card)),
    })),
  take: (id: string): void => set((state) => ({ cards: state.cards.filter((card) => card.id !== id) })),
  putBack: (cards: readonly DeskCard[]): void => set(() => ({ cards })),
  fillDrawer: (drawer: readonly StockItem[]): void => set(() => ({ drawer })),
};
