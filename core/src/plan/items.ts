import { type Edit, type Fields, type Item, kindOf, type SwitchedBy } from '../items/index.ts';
import type { Design } from './types.ts';

/** The item of this id, or undefined. */
export const itemNamed = (design: Pick<Design, 'items'>, id: string | null): Item | undefined =>
  design.items.find((item) => item.id === id);

/** Items that moods can move: what gives light, loads, and signals from board to board. */
export const movableItems = (design: Pick<Design, 'items'>): readonly Item[] =>
  design.items.filter(
    ({ kind }) =>
      kindOf(kind).role === 'light' || kindOf(kind).role === 'load' || kindOf(kind).control?.givenBy !== undefined,
  );

/** The edit that sets fields of one item; none where the item is not there. */
export const changeItem = (design: Design, id: string, fields: Fields): readonly Edit[] =>
  itemNamed(design, id) ? [{ kind: 'item', id, fields }] : [];

/** Whether an item says of each of its channels how it is switched. */
const hasWayEach = (item: Item | undefined): boolean =>
  item !== undefined && 'switchedBy' in item && !('way' in item.switchedBy);

/** The edit that switches every channel of an item in one way. */
export const changeWay = (design: Design, id: string, way: SwitchedBy): readonly Edit[] =>
  changeItem(design, id, { switchedBy: hasWayEach(itemNamed(design, id)) ? [way] : way });

/** The design with one item changed. */
export const mapItem = (design: Design, id: string, change: (item: Item) => Item): Design => ({
  ...design,
  items: design.items.map((item) => (item.id === id ? change(item) : item)),
});
