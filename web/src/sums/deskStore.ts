import type { StockItem } from '@glimmer/core/parts';
import type { DeskCard } from '@glimmer/core/workshop';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface DeskState {
  readonly cards: readonly DeskCard[];
  readonly drawer: readonly StockItem[];
}

/** The desk as this browser has it; `workshop/` keeps it on the server too. It holds no plan. */
export const useDesk = create<DeskState>()(
  persist((): DeskState => ({ cards: [], drawer: [] }), { name: 'quick-sums', version: 1 }),
);

const set = (change: (state: DeskState) => Partial<DeskState>): void => {
  useDesk.setState(change);
};

/** What can be done to the desk. */
export const desk = {
  add: (sum: string, texts: DeskCard['texts']): void =>
    set((state) => ({ cards: [{ id: crypto.randomUUID(), sum, texts }, ...state.cards] })),
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
