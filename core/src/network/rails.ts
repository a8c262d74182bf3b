import { type Giving, type Item, isLinear, kindOf, type RailRange, waysOf } from '../items/index.ts';
import type { Library } from '../parts/index.ts';
import type { Design } from '../plan/index.ts';

/** A net that feeds: the output of a source, of a converter, or of a switch in a lead. */
export interface Rail {
  /** The id of the item that gives it. */
  readonly id: string;
  readonly name: string;
  /** What feeds it. */
  readonly gives: Giving;
  /** Where it comes out; a switch in the plus lead passes no minus on. */
  readonly ports: { readonly plus: string; readonly minus: string | null };
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
  /** Sources first, then what is made from them. */
  readonly list: readonly Rail[];
  readonly byId: ReadonlyMap<string, Rail>;
  /** The rail that an item takes from where it says none; null where there is none. */
  readonly mainId: string | null;
  /** Several could be meant: where an item says none, the first is taken. */
  readonly isAmbiguous: boolean;
  /** The rail that an item takes from: its own word, or the only one there is. */
  readonly feedOf: (item: Item) => string | null;
}

const isSource = (item: Item): boolean => kindOf(item.kind).role === 'source';

/** What only stands in for another, by its place as a second feed. */
const secondFeed = (item: Item): string | null => kindOf(item.kind).feeding?.other?.(item).railId ?? null;

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
function findTrunk(design: Pick<Design, 'items'>, givers: readonly Item[]): Trunk {
  const second = new Set(givers.map(secondFeed));
  const sources = givers.filter((item) => isSource(item) && !second.has(item.id));
  const own = switchesOfItems(design);
  const feedOf = (item: Item): string | null => ('feed' in item ? item.feed : null);
  // Where two feeds meet the trunk begins: what says nothing is fed from there.
  const joint = givers.find((item) => kindOf(item.kind).feeding?.other);
  const begin = sources[0]?.id ?? null;
  const start = joint?.id ?? begin;
  const isLever = ({ kind }: Item): boolean => kindOf(kind).feeding?.ports.minus === null;
  const levers = givers.filter(isLever);
  const mains = levers.filter(
    (item) =>
      !own.has(item.id) &&
      (feedOf(item) === null || feedOf(item) === start || sources.some((source) => source.id === feedOf(item))),
  );
  const afterSwitch = mains[0]?.id ?? start;
  const converters = givers.filter((item) => !isSource(item) && !isLever(item) && !kindOf(item.kind).feeding?.other);
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
      ...givers.flatMap((item): [string, string | null][] =>
        kindOf(item.kind).feeding?.other ? [[item.id, begin === item.id ? null : begin]] : [],
      ),
    ]),
  };
}

/** A tape behind another is fed by way of it: the first of the line says from where. */
function firstOfLine(design: Pick<Design, 'items'>, item: Item): Item {
  let at = item;
  for (let hops = 0; 'after' in at && at.after !== null && hops < design.items.length; hops += 1) {
    const { after } = at;
    at = design.items.find((each) => each.id === after) ?? at;
  }
  return at;
}

/**
 * Lays out the rails of a design as trees from their sources: every pack, outside supply, converter and switch in a
 * lead gives one. A feed that leads nowhere or round in a circle is taken for none; the reader of plans refuses both.
 */
export function layRails(design: Pick<Design, 'items' | 'piece'>, library: Library): Rails {
  const givers = design.items.filter((item) => kindOf(item.kind).feeding !== undefined);
  const trunk = findTrunk(design, givers);
  const givesById = new Map(givers.map((item) => [item.id, item]));
  const fromOf = (item: Item): string | null => {
    if (!('feed' in item)) return null;
    const from = item.feed ?? trunk.before.get(item.id) ?? null;
    return from !== null && from !== item.id && givesById.has(from) ? from : null;
  };
  const byId = new Map<string, Rail>();
  const railOf = (item: Item, seen: ReadonlySet<string>): Rail | null => {
    const known = byId.get(item.id);
    if (known) return known;
    const fromId = fromOf(item);
    const giver = fromId !== null && !seen.has(fromId) ? givesById.get(fromId) : undefined;
    const from = giver ? railOf(giver, new Set([...seen, item.id])) : null;
    const { feeding } = kindOf(item.kind);
    if (!feeding) return null;
    const gives = feeding.giving(item, library, design.piece.ambientC);
    // A linear regulator has one minus, whatever is said of it.
    const isLinearOne = gives.form === 'converter' && gives.part !== null && isLinear(gives.part);
    const isApart = 'minus' in item && item.minus === 'apart' && !isLinearOne;
    const rail: Rail = {
      id: item.id,
      name: item.name,
      gives,
      fromId: from?.id ?? null,
      sourceId: isSource(item) ? item.id : (from?.sourceId ?? null),
      minusId: isApart ? item.id : (from?.minusId ?? 'common'),
      range: feeding.rangeV(gives, from?.range ?? null),
      ports: feeding.ports,
    };
    byId.set(item.id, rail);
    return rail;
  };
  const list = givers.flatMap((item) => railOf(item, new Set([item.id])) ?? []);
  return {
    list,
    byId,
    mainId: trunk.mainId,
    isAmbiguous: trunk.isAmbiguous,
    feedOf: (item) => {
      const fed = firstOfLine(design, item);
      if (!('feed' in fed)) return null;
      if (fed.feed !== null) return byId.has(fed.feed) ? fed.feed : null;
      if (kindOf(fed.kind).role === 'charges') return list.find(({ gives }) => gives.form === 'cells')?.id ?? null;
      return trunk.before.has(fed.id) ? (trunk.before.get(fed.id) ?? null) : trunk.mainId;
    },
  };
}
