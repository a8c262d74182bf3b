import type { PackModel } from '../items/index.ts';
import type { ConverterPart } from '../parts/index.ts';
import type { LinkLimit, SupplyTree } from './tree.ts';

/** One pack with one rail, straight or through a converter: the smallest tree there is. */
export function singleRail(options: {
  readonly pack: PackModel;
  /** Out and back. */
  readonly leadOhm: number;
  /** Null feeds the rail from the pack straight. */
  readonly converter: ConverterPart | null;
  /** What may give way. */
  readonly links?: readonly Omit<LinkLimit, 'node'>[];
  /** Below it what hangs there resets; 0 never does. */
  readonly brownOutV: number;
}): SupplyTree {
  const { pack, leadOhm, converter, links = [], brownOutV } = options;
  const own = { id: 'pack', name: 'Pack', parent: -1, ohm: converter ? 0 : leadOhm, converter: null };
  const nodes = converter
    ? [
        { ...own, brownOutV: 0 },
        { id: 'converter', name: 'Converter', parent: 0, ohm: leadOhm, converter, brownOutV },
      ]
    : [{ ...own, brownOutV }];
  const main = nodes.length - 1;
  return {
    source: { kind: 'pack', pack },
    nodes,
    main,
    returns: null,
    links: links.map((link) => ({ ...link, node: main })),
  };
}
