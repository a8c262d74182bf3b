import type { Stage } from '@glimmer/core/items';
import { lazy, useEffect } from 'react';

type SheetModule = { readonly default: () => React.JSX.Element };

const fetchSheet: Readonly<Record<Stage, () => Promise<SheetModule>>> = {
  piece: () => import('../stages/PieceSheet.tsx'),
  lights: () => import('../stages/LightsSheet.tsx'),
  moods: () => import('../stages/MoodsSheet.tsx'),
  drive: () => import('../stages/DriveSheet.tsx'),
  power: () => import('../stages/PowerSheet.tsx'),
  wires: () => import('../stages/WiresSheet.tsx'),
  bench: () => import('../stages/BenchSheet.tsx'),
  logbook: () => import('../stages/LogbookSheet.tsx'),
};

/** The sheet of each stage, fetched when it is first turned to. */
export const sheets: Readonly<Record<Stage, React.LazyExoticComponent<SheetModule['default']>>> = {
  piece: lazy(fetchSheet.piece),
  lights: lazy(fetchSheet.lights),
  moods: lazy(fetchSheet.moods),
  drive: lazy(fetchSheet.drive),
  power: lazy(fetchSheet.power),
  wires: lazy(fetchSheet.wires),
  bench: lazy(fetchSheet.bench),
  logbook: lazy(fetchSheet.logbook),
};

/** Fetches the other sheets while the page rests, so that going to one waits for nothing. */
export function useSheetsAhead(): void {
  useEffect(() => {
    const waiting = Object.values(fetchSheet);
    let isHere = true;
    const next = (): void => {
      const fetchNext = isHere ? waiting.shift() : undefined;
      // One that can't be had now is asked for again when it is gone to, and says so there.
      if (fetchNext) void fetchNext().then(rest, rest);
    };
    // Not every browser says when it rests.
    const rest = (): void => void (window.requestIdleCallback?.(next) ?? setTimeout(next, 200));
    rest();
    return () => {
      isHere = false;
    };
  }, []);
}
