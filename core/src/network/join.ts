import type { Net } from './netNames.ts';
import type { PortRef, RunDraft } from './runs.ts';

/** A net with all that is joined on it. */
export interface JoinedNet {
  readonly id: string;
  readonly name: string;
  /** What it is for: a rail, a signal, or within a part. */
  readonly role: Net['role'];
  /** All that are soldered together. */
  readonly ports: readonly PortRef[];
}

/** A port as the key of a map. */
export const portKey = ({ item, port }: PortRef): string => JSON.stringify([item, port]);

/** The nets of a design, each with every port that is joined on it, by a wire or at one place. */
export function joinNets(drafts: readonly RunDraft[]): readonly JoinedNet[] {
  const nets = new Map<string, { readonly net: Net; readonly ports: Map<string, PortRef> }>();
  for (const { net, from, to } of drafts.flatMap((draft) => draft.cores)) {
    const found = nets.get(net.id) ?? { net, ports: new Map<string, PortRef>() };
    nets.set(net.id, found);
    for (const port of [from, to]) found.ports.set(portKey(port), port);
  }
  return [...nets.values()].map(({ net, ports }) => ({
    id: net.id,
    name: net.name,
    role: net.role,
    ports: [...ports.values()],
  }));
}
