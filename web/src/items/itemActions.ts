import { type ItemKind, kindOf } from '@glimmer/core/items';
import { layRails } from '@glimmer/core/network';
import { withOwnParts } from '@glimmer/core/parts';
import { applyEdits, changeItem, copyItem, type Design, type Item, removeItem } from '@glimmer/core/plan';
import { castDraft, type Draft } from 'immer';
import { nanoid } from 'nanoid';
import { changeDesign, editDesign } from '../state/planStore.ts';
import { tool } from '../state/tool.ts';
import { takeAway } from '../widgets/takeAway.ts';

/** Where fresh things of a kind are put: apart from each other, so that each can be taken hold of. */
function freshPlace(design: Design, kind: ItemKind): { xMm: number; yMm: number } {
  const { widthMm, heightMm } = design.view;
  const placed = design.items.filter((item) => 'at' in item).length;
  const down = { lights: 0.5, drive: 0.7, power: 0.82 }[kindOf(kind).stage];
  return {
    xMm: Math.round(widthMm * (0.2 + ((placed * 0.17) % 0.7))),
    yMm: Math.round(heightMm * down),
  };
}

/** What a fresh item is fed from: what passes a rail on goes to the end of the main one; all else takes what there is. */
function withFeed(design: Design, item: Item): Item {
  if (!('feed' in item) || kindOf(item.kind).role !== 'passes') return item;
  return { ...item, feed: layRails(design, withOwnParts(design.ownParts)).mainId };
}

/** Adds an item of a kind, named by its number, and points at it. @returns its id */
export function addItem(kind: ItemKind, change: Readonly<Record<string, unknown>> = {}): string {
  const id = nanoid(8);
  editDesign((draft) => {
    // Reading needs no draft; the kinds are pure.
    const design = draft as Design;
    const count = design.items.filter((item) => item.kind === kind).length + 1;
    const { name, freshName = name, create } = kindOf(kind);
    const at = freshPlace(design, kind);
    // What there is mostly one of goes without a number until there are two.
    const isNumbered = count > 1 || kindOf(kind).stage === 'lights' || kindOf(kind).role === 'control';
    const fresh = create({ id, name: isNumbered ? `${freshName} ${count}` : freshName, at });
    draft.items.push(castDraft({ ...withFeed(design, fresh), ...change } as Item));
  });
  tool.pointAt(id);
  return id;
}

/** Takes an item out of the plan, and every reference to it. */
export const dropItem = ({ id, name }: Item): void => takeAway(name, (open) => removeItem(open, id));

/** Puts a copy of an item beside it, and points at it. */
export function copyOf(id: string): void {
  let copied: string | null = null;
  changeDesign((open) => {
    const made = copyItem(open, id, () => nanoid(8));
    copied = made.id;
    return made.design;
  });
  if (copied !== null) tool.pointAt(copied);
}

/** Sets one field of an item by its path; `undefined` takes an optional field away. */
export function setField(id: string, field: string, value: unknown): void {
  changeDesign((design) => applyEdits(design, changeItem(design, id, { [field]: value })));
}

/** Changes an item as it is by now, which may be more than what is shown. */
export function editItem<T extends Item>({ id, kind }: T, recipe: (item: Draft<T>) => void): void {
  editDesign((draft) => {
    const found = draft.items.find((each) => each.id === id && each.kind === kind);
    // An item of this id and kind is one of the type that was asked with.
    if (found) recipe(found as Draft<T>);
  });
}
