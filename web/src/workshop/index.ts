import type { OwnPart } from '@glimmer/core/parts';
import type { BelongingName, BelongingOf } from '@glimmer/core/workshop';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { api } from '../state/api.ts';
import { news } from '../state/news.ts';
import { useDesk } from '../sums/deskStore.ts';
import { useChosenUnits } from '../units/index.ts';
import { createBelongingKeeper, type Mark } from './keepBelonging.ts';

/** Parts of the maker’s own that any plan may take in. */
export const useWorkshop = create<{ readonly parts: readonly OwnPart[] }>()(
  persist((): { readonly parts: readonly OwnPart[] } => ({ parts: [] }), { name: 'own-parts', version: 1 }),
);

/** What can be done with the workshop’s parts. */
export const workshop = {
  /** Keeps parts for other plans; one of the same id is replaced. */
  keepParts: (added: readonly OwnPart[]): void => {
    useWorkshop.setState(({ parts }) => ({
      parts: [...parts.filter((old) => !added.some((each) => each.id === old.id)), ...added],
    }));
  },
  forgetPart: (id: string): void => {
    useWorkshop.setState(({ parts }) => ({ parts: parts.filter((part) => part.id !== id) }));
  },
};

/** Belongings with changes that the server has not seen. */
export const useBelongingsWaiting = create<{ readonly names: ReadonlySet<BelongingName> }>()(() => ({
  names: new Set(),
}));

const markKey = (name: BelongingName): string => `belonging:${name}`;

function readMark(name: BelongingName): Mark | null {
  try {
    const text = localStorage.getItem(markKey(name));
    return text === null ? null : (JSON.parse(text) as Mark);
  } catch {
    return null;
  }
}

/** In a browser whose store takes nothing the mark holds for this page. */
const marks = new Map<BelongingName, Mark>();

function writeMark(name: BelongingName, mark: Mark): void {
  marks.set(name, mark);
  try {
    localStorage.setItem(markKey(name), JSON.stringify(mark));
  } catch {
    // It is known on this page.
  }
  useBelongingsWaiting.setState(({ names }) => {
    const now = new Set(names);
    if (mark.isChanged) now.add(name);
    else now.delete(name);
    return { names: now };
  });
}

const REST_MS = 500;
/** What the server has not taken is sent again. */
const AGAIN_MS = 5000;

/** Keeps one belonging that stands in a store of the page. */
function keep<N extends BelongingName>(
  name: N,
  store: {
    readonly read: () => BelongingOf<N>;
    readonly write: (value: BelongingOf<N>) => void;
    readonly subscribe: (listener: () => void) => void;
  },
): () => Promise<void> {
  let isTaking = false;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const keeper = createBelongingKeeper<N>(name, {
    read: store.read,
    write: (value) => {
      isTaking = true;
      store.write(value);
      isTaking = false;
    },
    readMark: () => readMark(name) ?? marks.get(name) ?? null,
    writeMark: (mark) => writeMark(name, mark),
    load: () => api.belonging(name),
    save: (value, basedOn) => api.saveBelonging(name, value, basedOn),
    alone: (work) => navigator.locks.request(markKey(name), work).then(() => undefined),
  });
  let before = store.read();
  store.subscribe(() => {
    const value = store.read();
    if (value === before) return;
    before = value;
    if (isTaking || isRehydrating) return;
    keeper.changed();
    clearTimeout(timer);
    timer = setTimeout(() => void settle(), REST_MS);
  });
  let again: ReturnType<typeof setTimeout> | undefined;
  const settle = async (): Promise<void> => {
    clearTimeout(again);
    await keeper.settle();
    if (useBelongingsWaiting.getState().names.has(name)) again = setTimeout(() => void settle(), AGAIN_MS);
  };
  return settle;
}

/** Set while another tab’s change is taken over, which that tab sends itself. */
let isRehydrating = false;

/** Begins to keep the desk, the drawer and the workshop’s parts on the server, alike in all tabs and browsers. */
export function startBelongings(): void {
  const settles = [
    keep('desk', {
      read: () => useDesk.getState().cards,
      write: (cards) => useDesk.setState({ cards }),
      subscribe: (listener) => useDesk.subscribe(listener),
    }),
    keep('drawer', {
      read: () => useDesk.getState().drawer,
      write: (drawer) => useDesk.setState({ drawer }),
      subscribe: (listener) => useDesk.subscribe(listener),
    }),
    keep('own-parts', {
      read: () => useWorkshop.getState().parts,
      write: (parts) => useWorkshop.setState({ parts }),
      subscribe: (listener) => useWorkshop.subscribe(listener),
    }),
    keep('units', {
      read: () => useChosenUnits.getState().chosen,
      write: (chosen) => useChosenUnits.setState({ chosen }),
      subscribe: (listener) => useChosenUnits.subscribe(listener),
    }),
  ];
  const settleAll = (): void => {
    for (const settle of settles) void settle();
  };
  window.addEventListener('storage', ({ key }) => {
    const store = [useDesk, useWorkshop, useChosenUnits].find(({ persist: kept }) => kept.getOptions().name === key);
    if (!store) return;
    isRehydrating = true;
    void Promise.resolve(store.persist.rehydrate()).finally(() => {
      isRehydrating = false;
    });
  });
  news().addEventListener('open', settleAll);
  news().addEventListener('belonging', settleAll);
  window.addEventListener('online', settleAll);
  settleAll();
}
