import { type ItemOf, kindOf, type PlanPoint, type RailRange } from '../../items/index.ts';
import { builtInLibrary, packs } from '../../parts/index.ts';
import { emptyDesign } from '../../plan/index.ts';
import { say, volts } from '../../units/index.ts';
import { SumError } from '../answer.ts';
import { assume, onlyWith, optional, partChoice } from '../inputs.ts';
import { freshItem } from '../piece.ts';

const steady = { id: 'none', name: 'none: a supply of so many volts' };
const noPack = { key: 'pack', is: steady.id };
const supplyBand = { most: 60, usual: [1.2, 30] } as const;

/** What sums ask of what feeds lights: first the pack, and without one its volts. */
export const sourceInputs = {
  pack: partChoice('pack', 'Pack', [steady, ...packs], 'pack-', steady.id),
  ...onlyWith(noPack, {
    supplyV: optional('voltageV', 'supply', 'Supply', supplyBand, 5),
    supplySpread: assume('fraction', 'supplyspread', 'Supply varies by, either way', 0.05, { least: 0, most: 0.5 }),
    sinksToV: optional('voltageV', 'sinks', '… or sinks to, spent', supplyBand),
    risesToV: optional('voltageV', 'rises', '… and rises to, fresh', supplyBand),
  }),
} as const;

/** What feeds lights, as a sum was told of it. */
export interface SourceAsked {
  /** Of the catalogue, or that there is none. */
  readonly pack: string;
  /** Nominal; null where there is a pack. */
  readonly supplyV: number | null;
  /** Either way, as a share. */
  readonly supplySpread: number;
  readonly sinksToV: number | null;
  readonly risesToV: number | null;
}

/** A supply of which its volts are known, and how far it is off them. */
export const steadySource = (supplyV: number, supplySpread: number): SourceAsked => ({
  pack: steady.id,
  supplyV,
  supplySpread,
  sinksToV: null,
  risesToV: null,
});

/** Whether more is known of a source than its volts: what it gives fresh, or spent. */
export const isKnownOverLife = ({ pack, sinksToV, risesToV }: SourceAsked): boolean =>
  pack !== steady.id || sinksToV !== null || risesToV !== null;

/** What feeds lights, as an item of a plan. */
export type Source = ItemOf<'pack'> | ItemOf<'outside supply'>;

/**
 * What feeds the lights, as a plan holds it.
 * @throws SumError where neither a pack nor its volts are given, or it sinks above or rises below them
 */
export function laySource(asked: SourceAsked, { id, at }: { readonly id: string; readonly at: PlanPoint }): Source {
  const { pack, supplyV, supplySpread, sinksToV, risesToV } = asked;
  if (pack !== steady.id)
    return freshItem('pack', { id, name: 'Pack', at, part: `pack-${pack}`, housing: 'hard case' });
  if (supplyV === null) throw new SumError('Give the pack or the volts of the supply: pack=three-aa-nimh or supply=5V');
  if (sinksToV !== null && sinksToV > supplyV)
    throw new SumError(say`It can’t sink to ${volts(sinksToV)} from ${volts(supplyV)}; give sinks below supply`);
  if (risesToV !== null && risesToV < supplyV)
    throw new SumError(say`It can’t rise to ${volts(risesToV)} from ${volts(supplyV)}; give rises above supply`);
  return freshItem('outside supply', {
    id,
    name: 'Supply',
    at,
    part: 'supply-bench',
    volts: supplyV,
    tolerance: supplySpread,
    ...(sinksToV === null ? {} : { sinksToV }),
    ...(risesToV === null ? {} : { risesToV }),
  });
}

/** What a source gives over its life, as its kind says. */
export function rangeOf(source: Source): RailRange {
  const { feeding } = kindOf(source.kind);
  const range = feeding?.rangeV(feeding.giving(source, builtInLibrary, emptyDesign.piece.ambientC), null) ?? null;
  if (!range) throw new SumError('Nothing is known of what this gives; take another pack, or give the volts');
  return range;
}
