import { type FormRow, type ItemKind, kindOf } from '@glimmer/core/items';
import type { Item } from '@glimmer/core/plan';
import { Copy, Plus, Trash2 } from 'lucide-react';
import { type ReactNode, useEffect, useRef } from 'react';
import { tool, useTool } from '../state/tool.ts';
import { Button } from '../widgets/Button.tsx';
import { TextField } from '../widgets/fields.tsx';
import { TypedOf } from '../widgets/TypedOf.tsx';
import { FormRows, type Shown } from './FormRows.tsx';
import { addItem, copyOf, dropItem, setField } from './itemActions.ts';

/** One item: its name, what its kind asks, and what follows from it. */
export function ItemCard({
  item,
  shown,
  only,
  actions,
  lead,
  children,
}: {
  readonly item: Item;
  /** Rows that stand elsewhere, or are told otherwise. */
  readonly shown?: Shown;
  /** Which rows; all where it is left out. */
  readonly only?: (row: FormRow) => boolean;
  /** Beside its name. */
  readonly actions?: ReactNode;
  /** Above its rows: what is asked and what is told first. */
  readonly lead?: ReactNode;
  /** Below its rows. */
  readonly children?: ReactNode;
}) {
  const pointed = useTool((state) => state.pointedId === item.id);
  const card = useRef<HTMLElement>(null);
  // What is chosen on the picture, or pointed at by a finding, comes into sight; what is worked on here stays where it is.
  useEffect(() => {
    if (pointed && card.current && !card.current.contains(document.activeElement))
      card.current.scrollIntoView({ block: 'nearest' });
  }, [pointed]);
  return (
    <article
      ref={card}
      aria-label={`${kindOf(item.kind).name}: ${item.name}`}
      // The place of the mark is kept: a card that moved when it is touched would make the first click miss.
      className={`stitch -ml-3.5 border-l-2 py-2.5 pl-3 first:border-t-0 ${pointed ? 'border-l-verdigris' : 'border-l-transparent'}`}
      onFocus={() => tool.pointAt(item.id)}
    >
      <TypedOf id={item.id}>
        <div className="mb-1.5 grid grid-cols-[1fr_auto_auto_auto] items-end gap-2 max-sm:[&>*:first-child]:col-span-4">
          <TextField
            label={`Name of the ${kindOf(item.kind).name.toLowerCase()}`}
            value={item.name}
            onCommit={(name) => setField(item.id, 'name', name)}
          />
          {actions ?? <span />}
          <Button
            look="quiet"
            aria-label={`Copy ${item.name}`}
            data-tip="A copy beside it"
            onClick={() => copyOf(item.id)}
          >
            <Copy size={16} />
          </Button>
          <Button look="quiet" aria-label={`Remove ${item.name}`} onClick={() => dropItem(item)}>
            <Trash2 size={16} />
          </Button>
        </div>
        {lead && <div className="mb-2">{lead}</div>}
        <FormRows item={item} {...(shown ? { shown } : {})} {...(only ? { only } : {})} />
        {children}
      </TypedOf>
    </article>
  );
}

/** One button for each of some kinds. */
export function AddItems({
  kinds,
  main,
}: {
  /** One button each. */
  readonly kinds: readonly ItemKind[];
  /** The one to begin with. */
  readonly main?: ItemKind | undefined;
}) {
  return (
    <div className="flex flex-wrap gap-1">
      {kinds.map((kind) => (
        <Button key={kind} look={kind === main ? 'main' : 'quiet'} onClick={() => addItem(kind)}>
          <Plus size={15} />
          {kindOf(kind).name}
        </Button>
      ))}
    </div>
  );
}
