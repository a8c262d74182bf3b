import {
  CONVERTER_TOLERANCE,
  type ConverterItem,
  type Item,
  isLinear,
  itemsOf,
  kindOf,
  type LeadSwitchItem,
  modelPack,
  type OutsideSupplyItem,
  openCircuitVoltageV,
  type PackItem,
  type PackModel,
  waysOf,
} from '../items/index.ts';
import { type ConverterPart, findPart, type Library, type OutsideSupplyPart, type PackPart } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';

/** What a rail gives over the life of what feeds it, with nothing drawn. */
export interface RailRange {
  readonly leastV: number;
  readonly nominalV: number;
  readonly mostV: number;
}

/** A net that feeds: the output of a source, of a converter, or of a switch in a lead. */
export interface Rail {
  /** The id of the item that gives it. */
  readonly id: string;
  readonly name: string;
  readonly gives:
    | {
        readonly kind: 'pack';
        readonly item: PackItem;
        readonly part: PackPart | null;
        readonly model: PackModel | null;
      }
    | { readonly kind: 'outside'; readonly item: OutsideSupplyItem; readonly part: OutsideSupplyPart | null }
    | { readonly kind: 'converter'; readonly item: ConverterItem; readonly part: ConverterPart | null }
    | { readonly kind: 'switch'; readonly item: LeadSwitchItem };
  /** The rail that it takes from; null for a source, and for what nothing feeds yet. */
  readonly fromId: string | null;
  /** The source that it comes from in the end; null while nothing feeds it. */
  readonly sourceId: string | null;
  /** Rails with one minus carry the same name here. */
  readonly minusId: string;
  /** Null while nothing is known of it. */
  readonly range: RailRange | null;
}

/** All rails of a design, and what each item is fed from. */
export interface Rails {
  readonly list: readonly Rail[];
  readonly byId: ReadonlyMap<string, Rail>;
  /** The rail that an item takes from where it says none; null where there is none. */
  readonly mainId: string | null;
  /** Several could be meant: where an item says none, the first is taken. */
  readonly isAmbiguous: boolean;
  /** The rail that an item takes from: its own word, or the only one there is. */
  readonly feedOf: (item: Item) => string | null;
}

type Giver = PackItem | OutsideSupplyItem | ConverterItem | LeadSwitchItem;

const isSource = (item: Giver): item is PackItem | OutsideSupplyItem => kindOf(item.kind).role === 'source';

/** Switches that single items name as theirs: they are no main switch. */
const switchesOfItems = (design: Pick<Design, 'items'>): ReadonlySet<string> =>
  new Set(design.items.flatMap((item) => waysOf(item).flatMap((way) => ('by' in way ? [way.by] : []))));

interface Trunk {
  readonly mainId: string | null;
  readonly isAmbiguous: boolean;
  /** What feeds an item of the trunk that says nothing. */
  readonly before: ReadonlyMap<string, string | null>;
}

/** From the source by way of the main switch to the converter: what is fed from where, for those that do not say so. */
function findTrunk(design: Pick<Design, 'items'>, givers: readonly Giver[]): Trunk {
  const sources = givers.filter(isSource);
  const own = switchesOfItems(design);
  const feedOf = (item: Giver): string | null => ('feed' in item ? item.feed : null);
  const start = sources[0]?.id ?? null;
  const levers = givers.filter((item) => item.kind === 'switch');
  const mains = levers.filter(
    (item) => !own.has(item.id) && (feedOf(item) === null || sources.some((source) => source.id === feedOf(item))),
  );
  const afterSwitch = mains[0]?.id ?? start;
  const converters = givers.filter((item) => item.kind === 'converter');
  const first = converters.filter((item) => {
    const from = feedOf(item);
    return from === null || from === start || from === afterSwitch || sources.some((source) => source.id === from);
  });
  const mainId = first[0]?.id ?? afterSwitch;
  return {
    mainId,
    isAmbiguous: sources.length > 1 || mains.length > 1 || first.length > 1,
    before: new Map<string, string | null>([
      ...levers.map((item): [string, string | null] => [
        item.id,
        own.has(item.id) && !mains.includes(item) ? mainId : start,
      ]),
      ...converters.map((item): [string, string | null] => [item.id, afterSwitch]),
    ]),
  };
}

function rangeOfSource(rail: Rail['gives']): RailRange | null {
  if (rail.kind === 'pack' && rail.model) {
    const { model } = rail;
    return {
      leastV: model.cutOffV,
      nominalV: openCircuitVoltageV(model, 0.5),
      mostV: openCircuitVoltageV(model, 1),
    };
  }
  if (rail.kind === 'outside' && rail.part) {
    const volts = rail.item.volts ?? rail.part.volts;
    return { leastV: volts * (1 - rail.part.tolerance), nominalV: volts, mostV: volts * (1 + rail.part.tolerance) };
  }
  return null;
}

/** What comes out of a converter: its own voltage, or what a linear one that drops out lets through. */
function rangeOfConverter(part: ConverterPart, input: RailRange | null): RailRange {
  const full = {
    leastV: part.outputV * (1 - CONVERTER_TOLERANCE),
    nominalV: part.outputV,
    mostV: part.outputV * (1 + CONVERTER_TOLERANCE),
  };
  if (!input) return full;
  const dropOutV = part.inputLeastV - part.outputV;
  if (isLinear(part))
    return {
      leastV: Math.max(0, Math.min(full.leastV, input.leastV - dropOutV)),
      nominalV: Math.max(0, Math.min(full.nominalV, input.nominalV - dropOutV)),
      mostV: Math.max(0, Math.min(full.mostV, input.mostV - dropOutV)),
    };
  // A boost converter can only lift: what comes in above its output passes, less its diode.
  return part.topology === 'boost' ? { ...full, mostV: Math.max(full.mostV, input.mostV - 0.3) } : full;
}

function giveOf(item: Giver, library: Library, ambientC: number): Rail['gives'] {
  switch (item.kind) {
    case 'pack': {
      const part = findPart(library, 'pack', item.part) ?? null;
      const model = part && modelPack({ part, capacityMah: item.capacityMah ?? part.capacityMah, ambientC });
      return { kind: 'pack', item, part, model };
    }
    case 'outside supply':
      return { kind: 'outside', item, part: findPart(library, 'outside-supply', item.part) ?? null };
    case 'converter':
      return { kind: 'converter', item, part: findPart(library, 'converter', item.part) ?? null };
    default:
      return { kind: 'switch', item };
  }
}

/** A tape behind another is fed by way of it: the first of the line says from where. */
function firstOfLine(design: Pick<Design, 'items'>, item: Item): Item {
  let at = item;
  for (let hops = 0; at.kind === 'pixel tape' && at.after !== null && hops < design.items.length; hops += 1) {
    const { after } = at;
    at = design.items.find((each) => each.id === after) ?? at;
  }
  return at;
}

/** What a giver gives, from what it is fed with. */
function rangeGiven(gives: Rail['gives'], before: RailRange | null): RailRange | null {
  if (gives.kind === 'converter') return gives.part && rangeOfConverter(gives.part, before);
  return gives.kind === 'switch' ? before : rangeOfSource(gives);
}

/**
 * Lays out the rails of a design as trees from their sources: every pack, outside supply, converter and switch in a
 * lead gives one. A feed that leads nowhere or round in a circle is taken for none; the reader of plans refuses both.
 */
export function layRails(design: Pick<Design, 'items' | 'piece'>, library: Library): Rails {
  const givers = itemsOf(design, 'pack', 'outside supply', 'converter', 'switch');
  const trunk = findTrunk(design, givers);
  const givesById = new Map(givers.map((item) => [item.id, item]));
  const fromOf = (item: Giver): string | null => {
    if (!('feed' in item)) return null;
    const from = item.feed ?? trunk.before.get(item.id) ?? null;
    return from !== null && from !== item.id && givesById.has(from) ? from : null;
  };
  const byId = new Map<string, Rail>();
  const lay = (item: Giver, seen: ReadonlySet<string>): Rail => {
    const known = byId.get(item.id);
    if (known) return known;
    const fromId = fromOf(item);
    const giver = fromId !== null && !seen.has(fromId) ? givesById.get(fromId) : undefined;
    const from = giver ? lay(giver, new Set([...seen, item.id])) : null;
    const gives = giveOf(item, library, design.piece.ambientC);
    // A linear regulator has one minus, whatever is said of it.
    const isLinearOne = gives.kind === 'converter' && gives.part !== null && isLinear(gives.part);
    const isApart = 'minus' in item && item.minus === 'apart' && !isLinearOne;
    const range = rangeGiven(gives, from?.range ?? null);
    const rail: Rail = {
      id: item.id,
      name: item.name,
      gives,
      fromId: from?.id ?? null,
      sourceId: isSource(item) ? item.id : (from?.sourceId ?? null),
      minusId: isApart ? item.id : (from?.minusId ?? 'common'),
      range,
    };
    byId.set(item.id, rail);
    return rail;
  };
  const list = givers.map((item) => lay(item, new Set([item.id])));
  return {
    list,
    byId,
    mainId: trunk.mainId,
    isAmbiguous: trunk.isAmbiguous,
    feedOf: (item) => {
      const fed = firstOfLine(design, item);
      if (!('feed' in fed)) return null;
      if (fed.feed !== null) return byId.has(fed.feed) ? fed.feed : null;
      return trunk.before.has(fed.id) ? (trunk.before.get(fed.id) ?? null) : trunk.mainId;
    },
  };
}
