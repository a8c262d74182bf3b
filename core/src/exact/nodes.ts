import type { Element } from '../circuit/index.ts';
import { Joined, type Net, type PortRef, portKey, type RunDraft, type WireRun, wireCoreOhm } from '../network/index.ts';

import { fedNodes, linksOf, renameNodes, settleIslands } from './islands.ts';

/** A place of the circuit at which ports are joined without any resistance between them. */
export interface ExactNode {
  /** `0` or `n1`, `n2` …: what circuit simulators read. */
  readonly id: string;
  /** Null for a place inside a part. */
  readonly net: Net | null;
  /** At least one, but for nodes within a part. */
  readonly ports: readonly PortRef[];
  /** Whether a way leads from a source to it: without one nobody can say its voltage. */
  readonly isFed: boolean;
}

/** Builds the netlist of a plan: what is joined without resistance is one node, what a wire joins is two. */
export class Sketch {
  private readonly elements: Element[] = [];
  private readonly joined = new Joined();
  private readonly ports = new Map<string, { readonly port: PortRef; readonly net: Net | null }>();
  private readonly references: string[] = [];
  private readonly owners = new Map<string, string>();

  constructor(joins: readonly RunDraft[], runs: readonly WireRun[], scaleOf: (run: RunDraft) => number) {
    const runOf = new Map(runs.map((run) => [run.id, run]));
    for (const draft of joins) {
      const coreOhm = wireCoreOhm(runOf.get(draft.id));
      draft.cores.forEach(({ net, from, to }, c) => {
        for (const port of [from, to]) this.ports.set(portKey(port), { port, net });
        const name = `${draft.id}, core ${c + 1}`;
        this.add(draft.id, { kind: 'resistor', name, a: portKey(from), b: portKey(to), ohm: coreOhm / scaleOf(draft) });
      });
    }
  }

  /** The place of a port; for ports that nothing is joined to it is a place of their own. */
  at(item: string, port: string): string {
    const key = portKey({ item, port });
    if (!this.ports.has(key)) this.ports.set(key, { port: { item, port }, net: null });
    return key;
  }

  add(itemId: string, ...elements: readonly Element[]): void {
    for (const element of elements) {
      // What does not resist is mere metal: two places of it are one.
      if (element.kind === 'resistor' && element.ohm === 0) this.join(element.a, element.b);
      else {
        this.owners.set(element.name, itemId);
        this.elements.push(element);
      }
    }
  }

  /** Joins two places by mere metal. */
  join(a: string, b: string): void {
    this.joined.join(a, b);
  }

  /** A place that voltages are counted from where nothing ties it to such a one yet: the minus of what gives power. */
  countFrom(place: string): void {
    this.references.push(place);
  }

  /** The netlist with its nodes numbered, in the order in which they are met from the sources on. */
  finish(): {
    readonly netlist: readonly Element[];
    readonly nodes: readonly ExactNode[];
    readonly owners: ReadonlyMap<string, string>;
  } {
    const all = this.elements.map((element) => renameNodes(element, (place) => this.joined.find(place)));
    const { elements: rooted, grounds } = settleIslands(
      all,
      this.references.map((place) => this.joined.find(place)),
    );
    const names = new Map<string, string>();
    const nameOf = (place: string): string => {
      if (grounds.has(place)) return '0';
      const known = names.get(place);
      if (known !== undefined) return known;
      const made = `n${names.size + 1}`;
      names.set(place, made);
      return made;
    };
    const drawn = rooted.map((element) => renameNodes(element, nameOf));
    const fed = fedNodes(drawn);
    // What draws its amperes whatever its voltage draws nothing where no source gives them.
    const netlist = drawn.filter(
      (element) => element.kind !== 'current' || (fed.has(element.from) && fed.has(element.to)),
    );
    const atNode = new Map<string, { net: Net | null; readonly ports: PortRef[] }>();
    for (const { port, net } of this.ports.values()) {
      const name = nameOf(this.joined.find(portKey(port)));
      const found = atNode.get(name);
      if (found) {
        found.ports.push(port);
        found.net ??= net;
      } else atNode.set(name, { net, ports: [port] });
    }
    const ids = new Set([...drawn.flatMap((element) => linksOf(element).flat()), ...atNode.keys()]);
    return {
      netlist,
      nodes: [...ids].map((id) => ({
        id,
        net: atNode.get(id)?.net ?? null,
        ports: atNode.get(id)?.ports ?? [],
        isFed: fed.has(id),
      })),
      owners: this.owners,
    };
  }
}
