import { kindOf, type PlacedTape } from '../items/index.ts';
import type { JoinedNet, PortRef } from '../network/index.ts';
import type { Library } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';
import type { BoardPins } from './pins.ts';

/** Ports that are left free on purpose: the data out of what no other tape follows, pins left over, outputs that nothing hangs on. */
export function listFreePorts(options: {
  readonly design: Design;
  readonly library: Library;
  /** Tapes by their data lines. */
  readonly chains: readonly (readonly PlacedTape[])[];
  readonly pins: readonly BoardPins[];
  /** What is joined with what. */
  readonly nets: readonly JoinedNet[];
}): readonly PortRef[] {
  const { design, library, chains, pins, nets } = options;
  const joined = new Set(nets.flatMap(({ ports }) => ports.map(({ item, port }) => JSON.stringify([item, port]))));
  const ends = chains.flatMap((chain) => chain.map(({ id }): PortRef => ({ item: id, port: 'data out' })));
  const left = pins.flatMap(({ board, plan }) =>
    plan.ok ? plan.free.map((pin): PortRef => ({ item: board.id, port: `pin ${pin.name}` })) : [],
  );
  const outputs = design.items.flatMap((item) =>
    (kindOf(item.kind).outputs?.(item, library) ?? []).map((port): PortRef => ({ item: item.id, port })),
  );
  return [...ends, ...left, ...outputs].filter(({ item, port }) => !joined.has(JSON.stringify([item, port])));
}
