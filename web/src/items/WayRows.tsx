import { canBeNamed, type Nameable, type SwitchedBy, waysOf } from '@glimmer/core/items';
import { ways } from '@glimmer/core/network';
import { findPart, type TransistorPart, transistors } from '@glimmer/core/parts';
import { bands, type Item, itemNamed } from '@glimmer/core/plan';
import { Field } from '@headlessui/react';
import { useHeld } from '../reckoning/index.ts';
import { useSheet } from '../stages/useSheet.ts';
import { Choice, FieldLabel, fieldBox, QuantityField } from '../widgets/fields.tsx';
import { LongChoice } from '../widgets/LongChoice.tsx';
import { editItem, setField } from './itemActions.ts';
import { SumOf } from './SumOf.tsx';

const NONE = '(none)';
const namedBy: Readonly<Partial<Record<SwitchedBy['way'], Nameable>>> = {
  'hand switch': 'switch',
  'light gate': 'gate',
  driver: 'driver',
  box: 'box',
  'scan driver': 'scan driver',
};

/** Rows of a fresh grid: as square as its lights make one. */
const squareRows = (item: Item): number =>
  'places' in item ? Math.max(1, Math.min(bands.gridRows.most, Math.round(Math.sqrt(item.places.length)))) : 1;

/** A way of a kind with nothing said yet but what it must name. */
function freshWay(item: Item, way: SwitchedBy['way'], by: string): SwitchedBy {
  switch (way) {
    case 'scanned grid':
      return { way, board: null, rows: squareRows(item), part: null, columnsBy: null };
    case 'scan driver':
      return { way, by, rows: squareRows(item) };
    case 'shared pins':
      return { way, board: null };
    case 'pin high':
    case 'pin low':
      return { way, board: null };
    case 'transistor below':
    case 'transistor above':
      return { way, board: null, part: null };
    case 'hand switch':
    case 'light gate':
      return { way, by };
    case 'driver':
      return { way, by, board: null };
    case 'box':
      return { way, by, output: 1 };
    default:
      return { way };
  }
}

const allWays = Object.values(ways).flatMap(({ id, name }) =>
  id === 'undecided' || id === 'auto' ? [] : [{ id, name }],
);

interface WayRowProps {
  readonly item: Item;
  readonly label: string;
  readonly own: SwitchedBy;
  readonly channel: number;
  /** Changes the way as it is by now, of the item as it is by now: what is shown may be a moment behind. */
  readonly onSet: (change: (now: SwitchedBy, item: Item) => SwitchedBy) => void;
}

interface NamedProps extends Pick<WayRowProps, 'item' | 'label' | 'own' | 'onSet'> {
  readonly candidates: readonly Item[];
}

/** What of a grid the maker decides: its rows, and what its columns end at. */
function GridFields({ item, label, own, onSet }: Pick<WayRowProps, 'item' | 'label' | 'own' | 'onSet'>) {
  if (!('rows' in own)) return null;
  const setRows = (rows: number): void => onSet((now) => ('rows' in now ? { ...now, rows: Math.round(rows) } : now));
  return (
    <>
      <SumOf
        item={item}
        field="switchedBy.rows"
        label="Rows"
        onBack={setRows}
        takes={{ quantity: 'count', band: bands.gridRows }}
      >
        <QuantityField
          label={`${label}: rows`}
          kind="count"
          value={own.rows}
          band={bands.gridRows}
          onCommit={setRows}
        />
      </SumOf>
      {own.way === 'scanned grid' && (
        <Choice
          label={`${label}: columns end at`}
          value={own.columnsBy ?? NONE}
          overruled={own.columnsBy !== null}
          options={[
            { value: NONE, label: 'as reckoned' },
            { value: 'pin', label: 'a pin each: dark ones are held at the chip’s supply' },
            { value: 'transistor', label: 'a transistor each: dark ones are let go' },
          ]}
          onChoose={(by) =>
            onSet((now) =>
              now.way === 'scanned grid' ? { ...now, columnsBy: by === 'pin' || by === 'transistor' ? by : null } : now,
            )
          }
        />
      )}
    </>
  );
}

const transistorOf = (id: string): TransistorPart | undefined => transistors.find((part) => part.id === id);

/** What a way names: a switch or gate, an output, a transistor, a board. */
function Named({ item, label, own, candidates, onSet }: NamedProps) {
  const { assessment } = useSheet();
  const [part, hold] = useHeld('part' in own ? (own.part ?? NONE) : NONE, (id) =>
    onSet((now) => ('part' in now ? { ...now, part: id === NONE ? null : id } : now)),
  );
  const side = own.way === 'scanned grid' ? 'high' : own.way === 'auto' ? null : ways[own.way].transistor;
  const fitting = transistors.filter((each) => each.side === side);
  return (
    <>
      <GridFields item={item} label={label} own={own} onSet={onSet} />
      {'by' in own && (
        <Choice
          label={`${label}: which`}
          value={own.by}
          options={candidates.map((each) => ({ value: each.id, label: each.name }))}
          onChoose={(by) => onSet((now) => ('by' in now ? { ...now, by } : now))}
        />
      )}
      {own.way === 'box' && (
        <Choice
          label={`${label}: output`}
          value={String(own.output)}
          options={['1', '2', '3', '4', '5', '6'].map((value) => ({ value, label: value }))}
          onChoose={(output) => onSet((now) => (now.way === 'box' ? { ...now, output: Number(output) } : now))}
        />
      )}
      {'part' in own && (
        <Field className="col-span-full min-w-0">
          <FieldLabel
            label={own.way === 'scanned grid' ? `${label}: transistor of each row` : `${label}: which transistor`}
            overruled={own.part !== null}
          />
          <LongChoice
            value={part}
            options={[NONE, ...fitting.map(({ id }) => id)]}
            nameOf={(id) => transistorOf(id)?.name ?? 'as reckoned'}
            partOf={transistorOf}
            onChoose={hold}
            className={`${fieldBox} ${own.part === null ? 'border-edge' : 'border-brass'}`}
          />
        </Field>
      )}
      {'board' in own && assessment.boards.length > 1 && (
        <Choice
          label={`${label}: board`}
          value={own.board ?? NONE}
          options={[
            { value: NONE, label: 'the first' },
            ...assessment.boards.map((board) => ({ value: board.id, label: board.name })),
          ]}
          onChoose={(board) =>
            onSet((now) => ('board' in now ? { ...now, board: board === NONE ? null : board } : now))
          }
        />
      )}
    </>
  );
}

/** How one channel is switched: the way, and what it names. */
function WayRow({ item, label, own, channel, onSet }: WayRowProps) {
  const { design, assessment } = useSheet();
  const candidates = (way: SwitchedBy['way']): readonly Item[] => {
    const as = namedBy[way];
    return as ? design.items.filter((each) => canBeNamed(each, as)) : [];
  };
  const hasBoard = assessment.boards.length > 0;
  // Dice that share a leg can't be told from each other by a row and a column.
  const canTakeTurns = item.kind === 'light' && findPart(assessment.library, 'led', item.part)?.dice === undefined;
  const offered = allWays.filter(
    ({ id }) =>
      id === own.way ||
      ((!ways[id].scans || canTakeTurns) &&
        (namedBy[id] ? candidates(id).length > 0 : hasBoard || ways[id].pin === 'none')),
  );
  const resolved = assessment.switched.get(item.id)?.[channel];
  const driven = assessment.driven.find((each) => each.itemId === item.id && each.channels.includes(channel));
  const transistor = driven?.transistor;
  const hint = [
    own.way === 'auto' && resolved ? resolved.way.words : null,
    // One of the maker's own is named by its own field.
    transistor
      ? `${'part' in own && own.part !== null ? '' : `${transistor.part.name}, `}${Math.round(transistor.gateOhm)} Ω before it`
      : null,
  ].filter((each) => each !== null);
  return (
    <>
      <Choice
        label={label}
        value={own.way}
        overruled={own.way !== 'auto'}
        options={[
          { value: 'auto' as const, label: 'as reckoned' },
          ...offered.map(({ id, name }) => ({ value: id, label: name })),
        ]}
        hint={hint.length > 0 ? hint.join('; ') : undefined}
        onChoose={(way) => onSet((_, now) => freshWay(now, way, candidates(way)[0]?.id ?? ''))}
      />
      <Named item={item} label={label} own={own} candidates={candidates(own.way)} onSet={onSet} />
      {own.way === 'hand switch' && itemNamed(design, own.by) === undefined && (
        <span className="text-brick-ink">gone</span>
      )}
    </>
  );
}

const colourNames = ['red', 'green', 'blue', 'white'];

/** How an item is switched; a tape of several colours says so for each colour, or once for all. */
export function WayRows({ item, label }: { readonly item: Item; readonly label: string }) {
  const { assessment } = useSheet();
  const own = waysOf(item);
  const channels = item.kind === 'plain tape' ? (assessment.switched.get(item.id)?.length ?? 1) : 1;
  const [first] = own;
  if (!first) return null;
  const shown =
    item.kind === 'plain tape'
      ? Array.from({ length: channels }, (_, i) => own[Math.min(i, own.length - 1)] ?? first)
      : [first];
  const isApart = own.length > 1;
  const set = (index: number, change: (now: SwitchedBy, item: Item) => SwitchedBy): void =>
    editItem(item, (draft) => {
      const now = waysOf(draft as Item);
      const next = (isApart ? shown : [first]).map((each, i) => {
        const said = now[Math.min(i, now.length - 1)] ?? each;
        return i === index ? change(said, draft as Item) : said;
      });
      // A tape says so for each of its colours, all else once.
      Object.assign(draft, { switchedBy: item.kind === 'plain tape' ? next : next[0] });
    });
  return (
    <>
      {(isApart ? shown : shown.slice(0, 1)).map((each, i) => (
        <WayRow
          key={i}
          item={item}
          label={isApart ? `${label}, ${colourNames[i] ?? i + 1}` : label}
          own={each}
          channel={i}
          onSet={(change) => set(i, change)}
        />
      ))}
      {channels > 1 && (
        <Choice
          label="Its colours"
          value={isApart ? 'apart' : 'alike'}
          options={[
            { value: 'alike', label: 'each switched in the same way' },
            { value: 'apart', label: 'each in a way of its own' },
          ]}
          onChoose={(choice) => setField(item.id, 'switchedBy', choice === 'apart' ? shown : [first])}
        />
      )}
    </>
  );
}
