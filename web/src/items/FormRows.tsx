import { canBeNamed, type FormRow, isFedByWay, kindOf, rowsOf } from '@glimmer/core/items';
import { type Figure, type Origin, type Part, stateFigure } from '@glimmer/core/parts';
import { type Design, type Item, itemNamed } from '@glimmer/core/plan';
import type { QuantityKind } from '@glimmer/core/units';
import type { ReactNode } from 'react';
import { InWords } from '../help/InWords.tsx';
import { useSheet } from '../stages/useSheet.ts';
import { usePrinter } from '../units/index.ts';
import { Choice, QuantityField, Tick } from '../widgets/fields.tsx';
import { setField } from './itemActions.ts';
import { PartChoice } from './PartChoice.tsx';
import { SumOf } from './SumOf.tsx';
import { WayRows } from './WayRows.tsx';

/** What stands in a field that the maker has left to the app, and what is said below any field. */
export type Shown = Readonly<Record<string, { readonly value?: number | null; readonly hint?: ReactNode } | undefined>>;

const NONE = '(none)';

const read = (item: Item, field: string): unknown =>
  field
    .split('.')
    .reduce<unknown>((at, key) => (at as Readonly<Record<string, unknown>> | undefined)?.[key], item as unknown);

const isFigure = (value: unknown): value is Figure => typeof value === 'object' && value !== null && 'likely' in value;

const origins: readonly { readonly value: Origin; readonly label: string }[] = [
  { value: 'guess', label: 'a guess' },
  { value: 'data sheet', label: 'from its data sheet' },
  { value: 'measured', label: 'measured' },
];

interface RowProps<T extends FormRow['type']> {
  readonly item: Item;
  readonly row: Extract<FormRow, { type: T }>;
  readonly shown: Shown;
}

/** Where a figure is from, and so how far it is trusted. */
function OriginChoice({ item, field, figure }: { item: Item; field: string; figure: Figure }) {
  return (
    <span className="flex flex-wrap items-baseline gap-1">
      <Choice
        inline
        label={`Where the ${field} is from`}
        value={origins.some((each) => each.value === figure.origin) ? figure.origin : 'guess'}
        options={origins}
        onChoose={(origin) => setField(item.id, field, stateFigure(figure.likely, origin))}
      />
    </span>
  );
}

function QuantityRow({ item, row, shown }: RowProps<'quantity'>) {
  const printer = usePrinter();
  const { assessment } = useSheet();
  const usual = kindOf(item.kind).usual?.(item, row.field, assessment.library) ?? null;
  const own = read(item, row.field);
  const figure = isFigure(own) ? own : null;
  const value = figure ? figure.likely : typeof own === 'number' ? own : null;
  const said = shown[row.field];
  const isOptional = row.empty !== undefined;
  return (
    <QuantityField
      label={row.label}
      kind={row.quantity}
      value={value ?? said?.value ?? null}
      band={usual ? { ...row.band, usual } : row.band}
      overruled={isOptional && value !== null && said?.value !== undefined}
      {...(row.empty ? { placeholder: row.empty } : {})}
      hint={
        figure ? (
          <>
            ± {printer.quantity(row.quantity, figure.spread)},{' '}
            <OriginChoice item={item} field={row.field} figure={figure} />
          </>
        ) : (
          inWords(said?.hint ?? row.hint)
        )
      }
      onCommit={(next) => {
        const typed = row.isWhole ? Math.round(next) : next;
        setField(item.id, row.field, row.isFigure ? stateFigure(typed, 'guess') : typed);
      }}
      {...(isOptional ? { onClear: () => setField(item.id, row.field, row.isLeftOut ? undefined : null) } : {})}
    />
  );
}

/** A hint, its words explained where they stand. */
const inWords = (hint: ReactNode): ReactNode => (typeof hint === 'string' ? <InWords>{hint}</InWords> : hint);

/** All parts of a kind: those of the library, then the maker's own. */
function usePartsOf(kind: Part['kind']): readonly Part[] {
  const { assessment } = useSheet();
  return [...assessment.library.parts.values()].filter((part) => part.kind === kind);
}

/** Tapes are told apart by what comes last in their names, where a narrow list would hide it. */
const labelOf = (part: Part): string =>
  part.kind === 'pixel-tape' && part.form === undefined
    ? `${'like' in part ? `${part.name}: ` : ''}${part.perMetre}/m, ${part.widthMm} mm${part.dice === 4 ? ', with a white die' : ''}`
    : part.kind === 'plain-tape'
      ? part.name.replace(/^Plain tape, /, '')
      : part.name;

function PartRow({ item, row, shown }: RowProps<'part'>) {
  const parts = usePartsOf(row.partKind);
  const value = read(item, row.field);
  const isGone = typeof value === 'string' && !parts.some((part) => part.id === value);
  return (
    <PartChoice
      item={item}
      field={row.field}
      label={row.label}
      value={typeof value === 'string' ? value : NONE}
      lines={[
        ...(row.none !== undefined || value === null ? [{ id: NONE, label: row.none ?? 'none yet', part: null }] : []),
        ...(isGone ? [{ id: value, label: `${value}: not known`, part: null }] : []),
        ...parts.map((part) => ({ id: part.id, label: labelOf(part), part })),
      ]}
      hint={shown[row.field]?.hint}
      onChoose={(next) => setField(item.id, row.field, next === NONE ? null : next)}
    />
  );
}

function RatingRow({ item, row, shown }: RowProps<'rating'>) {
  const printer = usePrinter();
  const value = read(item, row.field);
  const own = typeof value === 'number' ? [value] : [];
  const print = (kind: QuantityKind, rating: number): string => printer.quantity(kind, rating);
  return (
    <Choice
      label={row.label}
      value={typeof value === 'number' ? String(value) : NONE}
      options={[
        { value: NONE, label: row.none },
        ...[...new Set([...row.ratings, ...own])]
          .sort((a, b) => a - b)
          .map((rating) => ({ value: String(rating), label: print(row.unit, rating) })),
      ]}
      hint={shown[row.field]?.hint}
      onChoose={(next) => setField(item.id, row.field, next === NONE ? null : Number(next))}
    />
  );
}

/** What a field of an item may name: items that suit, or hollows. An item that leads to itself is left out. */
function listNameable(design: Design, item: Item, row: Extract<FormRow, { type: 'named' }>) {
  if (row.names === 'channel' || row.names === 'bore' || row.names === 'hollow box')
    return design.hollows.filter(({ kind }) => row.names === (kind === 'box' ? 'hollow box' : kind));
  const leadsHere = (from: Item): boolean => {
    let at: Item | undefined = from;
    for (let hops = 0; at && hops <= design.items.length; hops += 1) {
      if (at.id === item.id) return true;
      const next: unknown = read(at, row.field);
      at = typeof next === 'string' ? itemNamed(design, next) : undefined;
    }
    return false;
  };
  return design.items.filter((each) => canBeNamed(each, row.names) && !leadsHere(each));
}

function NamedRow({ item, row, shown }: RowProps<'named'>) {
  const { design, assessment } = useSheet();
  const value = read(item, row.field);
  const named = listNameable(design, item, row);
  if (named.length < (row.field === 'feed' || row.names === 'board' ? 2 : 1) && (value === null || value === undefined))
    return null;
  const reckonedId = row.field === 'feed' ? assessment.rails.feedOf({ ...item, feed: null } as Item) : null;
  const main = reckonedId === null ? undefined : itemNamed(design, reckonedId);
  const words = row.names === 'tape' ? (name: string) => `the end of ${name}` : (name: string) => name;
  return (
    <Choice
      label={row.label}
      value={typeof value === 'string' && value !== '' ? value : NONE}
      options={[
        { value: NONE, label: main && main.id !== item.id ? `as reckoned: ${main.name}` : row.none || 'not said yet' },
        ...named.map((each) => ({ value: each.id, label: words(each.name) })),
      ]}
      hint={shown[row.field]?.hint}
      onChoose={(next) => setField(item.id, row.field, next === NONE ? null : next)}
    />
  );
}

/** Minus is only a question where there are two of them. */
const hasMinuses = (design: Design): boolean =>
  design.items.filter((item) => item.kind === 'pack' || item.kind === 'outside supply' || item.kind === 'converter')
    .length > 1;

const isAsked = (design: Design, item: Item, row: FormRow): boolean =>
  row.field === 'minus' ? hasMinuses(design) : row.field === 'feed' ? !isFedByWay(item) : true;

function OneRow({ item, row, shown }: { readonly item: Item; readonly row: FormRow; readonly shown: Shown }) {
  const value = read(item, row.field);
  switch (row.type) {
    case 'quantity':
      return <QuantityRow item={item} row={row} shown={shown} />;
    case 'part':
      return <PartRow item={item} row={row} shown={shown} />;
    case 'rating':
      return <RatingRow item={item} row={row} shown={shown} />;
    case 'named':
      return <NamedRow item={item} row={row} shown={shown} />;
    case 'switched by':
      return <WayRows item={item} label={row.label} />;
    case 'tick':
      return (
        <div className="self-center">
          <Tick label={row.label} checked={value === true} onChange={(next) => setField(item.id, row.field, next)} />
        </div>
      );
    default:
      return (
        <Choice
          label={row.label}
          value={typeof value === 'string' ? value : NONE}
          options={[...(row.none === undefined ? [] : [{ value: NONE, label: row.none }]), ...row.options]}
          hint={inWords(shown[row.field]?.hint ?? row.hint)}
          onChoose={(next) => setField(item.id, row.field, next === NONE ? undefined : next)}
        />
      );
  }
}

/** The rows of an item's form, as its kind names them. */
export function FormRows({
  item,
  shown = {},
  only,
  bare = false,
}: {
  readonly item: Item;
  /** Rows that stand elsewhere, or are told otherwise. */
  readonly shown?: Shown;
  /** Which rows; all where it is left out. */
  readonly only?: (row: FormRow) => boolean;
  /** The grid that they stand in is another’s. */
  readonly bare?: boolean;
}) {
  const { design } = useSheet();
  return (
    <div className={bare ? 'contents' : 'grid grid-cols-2 gap-x-3 gap-y-2'}>
      {rowsOf(item)
        .filter((row) => isAsked(design, item, row) && (only?.(row) ?? true))
        .map((row) => (
          <SumOf key={row.field} item={item} field={row.field} label={row.label}>
            <OneRow item={item} row={row} shown={shown} />
          </SumOf>
        ))}
    </div>
  );
}
