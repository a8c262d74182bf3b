import type { Element } from '../circuit/index.ts';
import { Joined } from '../network/index.ts';

/**
 * Circuits that nothing ties to each other are islands, each with a minus of its own to count from. A light or a load
 * from one island to another carries nothing, since no second way leads back: it is left out.
 * @param references minus of what gives power, in the order in which one is taken for an island
 */
export function settleIslands(
  elements: readonly Element[],
  references: readonly string[],
): { readonly elements: readonly Element[]; readonly grounds: ReadonlySet<string> } {
  const islands = new Joined();
  for (const element of elements.filter(ties)) for (const [a, b] of linksOf(element)) islands.join(a, b);
  const groundOf = new Map<string, string>();
  for (const place of references) {
    const island = islands.find(place);
    if (!groundOf.has(island)) groundOf.set(island, place);
  }
  // Between lights in series lie islets, which belong to the first island that a light leads to.
  const islets = new Joined();
  const crossing = elements.flatMap((element) =>
    ties(element) ? [] : linksOf(element).map(([a, b]): [string, string] => [islands.find(a), islands.find(b)]),
  );
  for (const [a, b] of crossing) if (!groundOf.has(a) && !groundOf.has(b)) islets.join(a, b);
  const homes = new Map<string, string>();
  const homeOf = (island: string): string | undefined =>
    groundOf.has(island) ? island : homes.get(islets.find(island));
  for (const [a, b] of crossing)
    for (const [islet, home] of [
      [a, b],
      [b, a],
    ] as const)
      if (!groundOf.has(islet) && groundOf.has(home) && !homes.has(islets.find(islet)))
        homes.set(islets.find(islet), home);
  return {
    elements: elements.filter(
      (element) =>
        ties(element) || linksOf(element).every(([a, b]) => homeOf(islands.find(a)) === homeOf(islands.find(b))),
    ),
    grounds: new Set(groundOf.values()),
  };
}

/** The same element between other nodes. */
export function renameNodes(element: Element, to: (node: string) => string): Element {
  switch (element.kind) {
    case 'resistor':
    case 'switch':
      return { ...element, a: to(element.a), b: to(element.b) };
    case 'current':
      return { ...element, from: to(element.from), to: to(element.to) };
    case 'diode':
      return { ...element, anode: to(element.anode), cathode: to(element.cathode) };
    case 'npn':
    case 'pnp':
      return { ...element, base: to(element.base), collector: to(element.collector), emitter: to(element.emitter) };
    case 'nmos':
    case 'pmos':
      return { ...element, gate: to(element.gate), drain: to(element.drain), source: to(element.source) };
    case 'converter':
      return {
        ...element,
        inPlus: to(element.inPlus),
        inMinus: to(element.inMinus),
        outPlus: to(element.outPlus),
        outMinus: to(element.outMinus),
      };
    case 'regulator':
      return { ...element, input: to(element.input), output: to(element.output), minus: to(element.minus) };
    default:
      return { ...element, plus: to(element.plus), minus: to(element.minus) };
  }
}

/** Pairs of nodes that an element ties to each other; the two sides of a converter know nothing of each other. */
export function linksOf(element: Element): readonly (readonly [string, string])[] {
  switch (element.kind) {
    case 'resistor':
    case 'switch':
      return [[element.a, element.b]];
    case 'current':
      return [[element.from, element.to]];
    case 'diode':
      return [[element.anode, element.cathode]];
    case 'npn':
    case 'pnp':
      return [
        [element.base, element.emitter],
        [element.collector, element.emitter],
      ];
    case 'nmos':
    case 'pmos':
      return [
        [element.gate, element.source],
        [element.drain, element.source],
      ];
    case 'converter':
      return [
        [element.inPlus, element.inMinus],
        [element.outPlus, element.outMinus],
      ];
    case 'regulator':
      return [
        [element.input, element.minus],
        [element.output, element.minus],
      ];
    default:
      return [[element.plus, element.minus]];
  }
}

/** What ties its ends to each other, whatever flows: a load that asks for its amperes does not. */
const conducts = (element: Element): boolean =>
  element.kind !== 'current' && element.kind !== 'falling load' && !(element.kind === 'switch' && !element.closed);

/** What ties its ends to each other both ways. */
const ties = (element: Element): boolean => conducts(element) && element.kind !== 'diode';

/** Pairs between which current can flow, from the first to the second. */
function pathsOf(element: Element): readonly (readonly [string, string])[] {
  if (!conducts(element)) return [];
  const links = linksOf(element);
  return element.kind === 'diode' ? links : [...links, ...links.map(([a, b]): [string, string] => [b, a])];
}

/** All nodes that current reaches from the common minus and leaves again to it: only they have a voltage of their own. */
export function fedNodes(netlist: readonly Element[]): ReadonlySet<string> {
  const paths = netlist.flatMap(pathsOf);
  const there = reachedFrom('0', paths);
  const back = reachedFrom(
    '0',
    paths.map(([a, b]): [string, string] => [b, a]),
  );
  return new Set([...there].filter((node) => back.has(node)));
}

function reachedFrom(start: string, paths: readonly (readonly [string, string])[]): ReadonlySet<string> {
  const next = new Map<string, string[]>();
  for (const [from, to] of paths) {
    const known = next.get(from);
    if (known) known.push(to);
    else next.set(from, [to]);
  }
  const reached = new Set([start]);
  const waiting = [start];
  for (let node = waiting.pop(); node !== undefined; node = waiting.pop())
    for (const each of next.get(node) ?? []) {
      if (reached.has(each)) continue;
      reached.add(each);
      waiting.push(each);
    }
  return reached;
}
