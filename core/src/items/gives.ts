import type { ConverterPart, Library, OutsideSupplyPart, PackPart, SwitchPart } from '../parts/index.ts';
import type { PackModel } from './pack/model.ts';
import type { ChangeoverItem, ConverterItem, LeadSwitchItem, OutsideSupplyItem, PackItem } from './types.ts';

/** What a rail gives over the life of what feeds it, with nothing drawn. */
export interface RailRange {
  /** From a spent pack. */
  readonly leastV: number;
  /** Half spent. */
  readonly nominalV: number;
  /** From a fresh one. */
  readonly mostV: number;
}

/** The forms in which something feeds a rail: cells that run down, a supply that does not, a converter, a contact, one of two feeds. */
export type Giving =
  | {
      readonly form: 'cells';
      readonly item: PackItem;
      readonly part: PackPart | null;
      readonly model: PackModel | null;
    }
  | { readonly form: 'outside'; readonly item: OutsideSupplyItem; readonly part: OutsideSupplyPart | null }
  | { readonly form: 'converter'; readonly item: ConverterItem; readonly part: ConverterPart | null }
  | { readonly form: 'contact'; readonly item: LeadSwitchItem }
  | { readonly form: 'changeover'; readonly item: ChangeoverItem; readonly part: SwitchPart | null };

/** What a kind that feeds a rail says of it. */
export interface Feeding<I> {
  /** The ports at which its rail comes out; a switch in the plus lead passes no minus on. */
  readonly ports: { readonly plus: string; readonly minus: string | null };
  /** Where a second feed arrives, and which that is; null while it is not chosen. */
  readonly other?: (item: I) => { readonly railId: string | null; readonly plus: string };
  readonly giving: (item: I, library: Library, ambientC: number) => Giving;
  /** What comes out of it, from what it is fed with; null while nothing is known of it. */
  readonly rangeV: (giving: Giving, before: RailRange | null) => RailRange | null;
}
