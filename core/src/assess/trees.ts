import type { Item } from '../items/index.ts';
import { FEED_DIODE_V, kindOf, modelPack } from '../items/index.ts';
import {
  type Board,
  type PortRef,
  type Rail,
  type Rails,
  type RunDraft,
  runOhm,
  type WireRun,
  wireCoreOhm,
} from '../network/index.ts';
import { type ConverterPart, findPart, type Library, type SwitchPart } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';
import type { Deviation, LinkLimit, Source, SupplyNode, SupplyTree } from '../power/index.ts';
import { type NodeReturn, shareReturns } from './returns.ts';

/** Contact resistance of a plug or a fuse in its holder, out and back (typical of the kind). */
const CONTACT_OHM = 0.02;

/** The tree of one source, with the number of each node by what it stands for. */
export interface LaidTree {
  /** The pack or outside supply at its root. */
  readonly sourceId: string;
  readonly tree: SupplyTree;
  /** By the id of a rail, or of an item whose lead stands between the rail and what begins at it. */
  readonly nodeOf: ReadonlyMap<string, number>;
}

/** Where something begins: at an item, perhaps behind one of its outlets; all null = right at what feeds it. */
export interface Begins {
  /** The board or gate behind whose lead it begins; null begins at the rail. */
  readonly hubId: string | null;
  /** Which way out of the hub; null where it has but one. */
  readonly outlet: string | null;
}

/** Key of the node where a rail arrives at an item, and of the one behind an outlet of that. */
const hubKey = (itemId: string, railId: string, outlet: string | null = null): string =>
  outlet === null ? `${itemId} on ${railId}` : `${itemId} on ${railId}, outlet ${outlet}`;

/** The same tree behind a source that is off by so much. */
export function deviate(
  laid: LaidTree,
  rail: Rail,
  ambientC: number,
  deviation: Pick<Deviation, 'capacity' | 'resistance'>,
): LaidTree {
  const source = sourceOf(rail, ambientC, deviation);
  return source ? { ...laid, tree: { ...laid.tree, source } } : laid;
}

function sourceOf(
  rail: Rail,
  ambientC: number,
  deviation: Pick<Deviation, 'capacity' | 'resistance'> | undefined,
): Source | null {
  if (rail.gives.form === 'cells' && rail.gives.part) {
    const { part, item } = rail.gives;
    return {
      kind: 'pack',
      pack: modelPack({
        part,
        capacityMah: item.capacityMah ?? part.capacityMah,
        ambientC,
        ...(deviation ? { deviation } : {}),
      }),
    };
  }
  if (rail.gives.form === 'outside' && rail.gives.part)
    return { kind: 'steady', volts: rail.gives.item.volts ?? rail.gives.part.volts, ohm: rail.gives.part.ohm };
  return null;
}

const whole = { share: 1, offsetA: 0 } as const;

/** What stands in the source's own lead and carries only so much. */
function sourceLinks(rail: Rail, library: Library): Omit<LinkLimit, 'node' | 'side' | 'share' | 'offsetA'>[] {
  const { gives, name } = rail;
  if (gives.form !== 'cells' && gives.form !== 'outside') return [];
  const limitA = gives.form === 'cells' ? gives.part?.steadyLimitA : gives.part?.limitA;
  const plug = findPart(library, 'plug', gives.item.plug);
  const { fuseA } = gives.item;
  const board = gives.form === 'cells' ? findPart(library, 'protection', gives.item.protection ?? null) : undefined;
  const limiting =
    gives.form !== 'cells'
      ? name
      : board && board.tripA === limitA
        ? `The protection board of ${lower(name)}`
        : `The ${lower(name)}`;
  return [
    ...(limitA === undefined ? [] : [{ id: 'cell' as const, name: limiting, limitA }]),
    ...(plug ? [{ id: 'plug' as const, name: `The plug of ${name}`, limitA: plug.contactLimitA }] : []),
    ...(fuseA === null ? [] : [{ id: 'fuse' as const, name: `The fuse of ${name}`, limitA: fuseA }]),
  ];
}

/** The same at the node of the source. */
const linksOfSource = (rail: Rail, library: Library, node: number): LinkLimit[] =>
  sourceLinks(rail, library).map((link) => ({ ...link, node, side: 'out' as const, ...whole }));

/** "Pack" in a sentence; a name of the maker's own keeps its letters. */
const lower = (name: string): string => (name === 'Pack' ? 'pack' : name);

/** Contacts in a source's lead. */
const contactsOf = (rail: Rail): number =>
  rail.gives.form === 'cells' || rail.gives.form === 'outside'
    ? (rail.gives.item.plug === null ? 0 : CONTACT_OHM) + (rail.gives.item.fuseA === null ? 0 : CONTACT_OHM)
    : 0;

interface Draft {
  readonly nodes: SupplyNode[];
  readonly returns: NodeReturn[];
  readonly links: LinkLimit[];
  readonly nodeOf: Map<string, number>;
}

/** Adds a lead's wire as a link, where it has one. */
function linkWire(draft: Draft, node: number, run: WireRun | undefined): void {
  if (run && run.lengthMm !== null)
    draft.links.push({ id: 'wire', name: run.name, limitA: run.carriesA, node, side: 'in', ...whole });
}

/** A way out of a hub, or several side by side, with the resistance that is left between. */
interface Outlet {
  readonly key: string;
  readonly ohm: number;
}

/** What the items that begin at a hub need of the tree: the hub's lead, and a transistor that all of its lights share. */
export interface Hub {
  readonly item: Item;
  readonly railId: string;
  /** Its lead; undefined where it sits on the rail. */
  readonly run: WireRun | undefined;
  /** Its outlets, each with what all that hangs on it goes through; several side by side for what has a channel on each. */
  readonly outlets: readonly Outlet[];
  /** Of a minus lead of its own, beside the run. */
  readonly backOhm: number;
  /** Where its minus arrives. */
  readonly minus: PortRef;
}

const switchOf = ({ gives }: Rail, library: Library): SwitchPart | undefined =>
  gives.form === 'contact'
    ? findPart(library, 'switch', gives.item.part)
    : gives.form === 'changeover'
      ? (gives.part ?? undefined)
      : undefined;

const switchLink = (rail: Rail, part: SwitchPart, node: number): LinkLimit => ({
  id: 'switch',
  name: rail.name === 'Switch' ? 'The switch' : rail.name,
  limitA: part.limitA,
  node,
  side: 'out',
  ...whole,
});

function converterLinks(rail: Rail, part: ConverterPart, node: number): LinkLimit[] {
  const named = rail.name === 'Converter' ? 'The converter' : rail.name;
  return [
    { id: 'converter input', name: `${named}’s input`, limitA: part.inputLimitA, node, side: 'in', ...whole },
    { id: 'converter output', name: named, limitA: part.outputLimitA, node, side: 'out', ...whole },
  ];
}

/** What a diode takes from one of two feeds. */
const diodeBefore = ({ gives }: Rail): { readonly dropV?: number } =>
  gives.form === 'changeover' && gives.item.by === 'diodes' ? { dropV: FEED_DIODE_V } : {};

/** The lead of a rail; beside a switch in the plus lead its minus is a way of its own, which nothing further on goes by. */
const leadOhm = ({ gives }: Rail, lead: WireRun | undefined, back: WireRun | undefined): number =>
  runOhm(lead) + (gives.form === 'contact' ? 0 : runOhm(back));

const minusOhm = (run: WireRun | undefined): number =>
  run?.joins.some(({ net }) => net.role === 'minus') ? wireCoreOhm(run) : 0;

/** Where the current of a rail comes back: what hangs on a switch in the plus lead goes by what is before it. */
function returnOf(
  rail: Rail,
  run: WireRun | undefined,
  back: WireRun | undefined,
  before: NodeReturn | undefined,
): Omit<NodeReturn, 'parent'> {
  const { minus } = rail.ports;
  if (minus === null && before) return { backOhm: 0, into: before.from, from: before.from };
  const from = { item: rail.id, port: minus ?? '' };
  const lead = kindOf(rail.gives.item.kind).lead?.minus ?? null;
  const into = lead === null ? from : { item: rail.id, port: lead };
  return { backOhm: before ? minusOhm(run) + runOhm(back) : 0, into, from };
}

/** Lays the tree of one source; null while its kind is not known. */
export function layTree(options: {
  readonly design: Pick<Design, 'piece'>;
  readonly library: Library;
  readonly rails: Rails;
  /** The pack or outside supply at its root. */
  readonly sourceId: string;
  readonly boards: readonly Board[];
  /** Boards and gates behind leads of their own. */
  readonly hubs: readonly Hub[];
  readonly runs: readonly WireRun[];
  /** What is joined with what. */
  readonly joins: readonly RunDraft[];
}): LaidTree | null {
  const { design, library, rails, sourceId, boards, hubs, runs } = options;
  const root = rails.byId.get(sourceId);
  const source = root && sourceOf(root, design.piece.ambientC, undefined);
  if (!root || !source) return null;
  const draft: Draft = { nodes: [], returns: [], links: [], nodeOf: new Map() };
  const runOf = (id: string): WireRun | undefined => runs.find((run) => run.id === id);
  const add = (node: SupplyNode, key: string, back: Omit<NodeReturn, 'parent'>): number => {
    draft.nodeOf.set(key, draft.nodes.length);
    draft.nodes.push(node);
    draft.returns.push({ ...back, parent: node.parent });
    return draft.nodes.length - 1;
  };
  const brownOutOn = (railId: string, hubId: string | null): number =>
    Math.max(
      0,
      ...boards
        .filter((board) => board.railId === railId && (hubId === null ? !isHub(board.id, railId) : board.id === hubId))
        .map((board) => board.part.brownOutV),
    );
  const isHub = (itemId: string, railId: string): boolean =>
    hubs.some((hub) => hub.item.id === itemId && hub.railId === railId);
  const addHub = (hub: Hub, rail: Rail, parent: number): void => {
    const { id, name } = hub.item;
    const ohm = runOhm(hub.run) + hub.backOhm;
    const node = { id, name, parent, ohm, converter: null, brownOutV: brownOutOn(rail.id, id) };
    const backOhm = minusOhm(hub.run) + hub.backOhm;
    const at = add(node, hubKey(id, rail.id), { backOhm, into: hub.minus, from: hub.minus });
    linkWire(draft, at, hub.run);
    for (const outlet of hub.outlets)
      add({ ...node, parent: at, ohm: outlet.ohm, brownOutV: 0 }, hubKey(id, rail.id, outlet.key), {
        backOhm: 0,
        into: hub.minus,
        from: hub.minus,
      });
  };
  const addRail = (rail: Rail, parent: number): void => {
    const run = runOf(`lead:${rail.id}`);
    const back = runOf(`return:${rail.id}`);
    const { gives } = rail;
    const part = switchOf(rail, library);
    const index = add(
      {
        id: rail.id,
        name: rail.name,
        parent,
        ohm: parent < 0 ? contactsOf(rail) : leadOhm(rail, run, back) + (part?.contactOhm ?? 0),
        converter: gives.form === 'converter' ? gives.part : null,
        ...diodeBefore(rail),
        brownOutV: brownOutOn(rail.id, null),
      },
      rail.id,
      returnOf(rail, run, back, draft.returns[parent]),
    );
    if (parent < 0) draft.links.push(...linksOfSource(rail, library, index));
    if (part) draft.links.push(switchLink(rail, part, index));
    linkWire(draft, index, run);
    if (gives.form === 'converter' && gives.part) draft.links.push(...converterLinks(rail, gives.part, index));
    for (const hub of hubs.filter((each) => each.railId === rail.id)) addHub(hub, rail, index);
    for (const next of rails.list) if (next.fromId === rail.id) addRail(next, index);
  };
  addRail(root, -1);
  const onMain = boards.find((board) => board.railId === rails.mainId);
  const main =
    (onMain && rails.mainId !== null ? draft.nodeOf.get(hubKey(onMain.id, rails.mainId)) : undefined) ??
    (rails.mainId === null ? undefined : draft.nodeOf.get(rails.mainId)) ??
    draft.nodes.length - 1;
  return {
    sourceId,
    tree: {
      source,
      nodes: draft.nodes,
      main,
      links: draft.links,
      returns: shareReturns(draft.returns, options.joins, runs),
    },
    nodeOf: draft.nodeOf,
  };
}

/** The node of a tree at which something of a rail is drawn: behind the lead of its hub, where that has one. */
export function nodeAtHub({ nodeOf }: LaidTree, { hubId, outlet }: Begins, railId: string | null): number {
  if (railId === null) return -1;
  const hub = hubId ?? railId;
  return (
    (outlet === null ? undefined : nodeOf.get(hubKey(hub, railId, outlet))) ??
    nodeOf.get(hubKey(hub, railId)) ??
    nodeOf.get(railId) ??
    -1
  );
}
