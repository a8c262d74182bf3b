import type { PlacedGroup } from '@glimmer/core/lights';
import { bands, changeMove, flickerCharacters, type Move, moveKinds } from '@glimmer/core/plan';
import type { Band, QuantityKind } from '@glimmer/core/units';
import { editDesign } from '../state/planStore.ts';
import { Choice, QuantityField, ShareSlider } from '../widgets/fields.tsx';

/** A setting of a move, by its name in the plan. */
type FieldRow =
  | {
      readonly as: 'quantity';
      readonly key: string;
      readonly label: string;
      readonly kind: QuantityKind;
      readonly band: Band;
    }
  | { readonly as: 'share'; readonly key: string; readonly label: string }
  | { readonly as: 'colour'; readonly key: string; readonly label: string }
  | {
      readonly as: 'choice';
      readonly key: string;
      readonly label: string;
      readonly options: readonly { readonly value: string; readonly label: string }[];
    };

const time = (key: string, label: string, band: Band = bands.periodS): FieldRow => ({
  as: 'quantity',
  key,
  label,
  kind: 'timeS',
  band,
});
const count = (key: string, label: string, band: Band): FieldRow => ({
  as: 'quantity',
  key,
  label,
  kind: 'count',
  band,
});
const share = (key: string, label: string): FieldRow => ({ as: 'share', key, label });
const level = share('level', 'Level');
const seed = count('seed', 'Start number', bands.seed);

/** What can be set in each kind of move, in the maker's units. */
const fields: Readonly<Record<Move['kind'], readonly FieldRow[]>> = {
  steady: [level],
  breathe: [time('periodS', 'One breath'), share('low', 'Lowest'), share('high', 'Highest')],
  chase: [
    count('groups', 'One in', bands.chaseGroups),
    time('stepS', 'Step', bands.stepS),
    {
      as: 'choice',
      key: 'direction',
      label: 'Runs',
      options: [
        { value: 'onward', label: 'with the data' },
        { value: 'back', label: 'against the data' },
      ],
    },
    level,
  ],
  sweep: [time('periodS', 'There and back'), count('tail', 'Tail, lights', bands.tail), level],
  fill: [time('periodS', 'Fill and empty'), level],
  drift: [
    time('periodS', 'There and back'),
    { as: 'colour', key: 'second', label: 'To the colour' },
    count('wave', 'Lights to a wave', bands.wave),
    level,
  ],
  sparkle: [share('share', 'Lit at once'), time('stepS', 'Each for', bands.stepS), seed, level],
  flicker: [
    {
      as: 'choice',
      key: 'character',
      label: 'Like',
      options: flickerCharacters.map((value) => ({ value, label: value })),
    },
    seed,
    level,
  ],
  shots: [
    count('count', 'Shots', bands.shots),
    time('onS', 'Lit', bands.stepS),
    time('offS', 'Dark', bands.stepS),
    time('pauseS', 'Pause after them', bands.pauseS),
    level,
  ],
  'build-up': [time('riseS', 'Rises over'), share('low', 'From'), share('level', 'To')],
};

interface SettingProps {
  readonly row: FieldRow;
  readonly move: Move;
  readonly onSet: (value: unknown, merge?: string) => void;
}

function Setting({ row, move, onSet }: SettingProps) {
  const value: unknown = Reflect.get(move, row.key);
  switch (row.as) {
    case 'quantity':
      return (
        <QuantityField
          label={row.label}
          kind={row.kind}
          value={typeof value === 'number' ? value : null}
          band={row.band}
          onCommit={(next) => onSet(row.kind === 'count' ? Math.round(next) : next)}
        />
      );
    case 'share':
      return (
        <ShareSlider
          label={row.label}
          value={typeof value === 'number' ? value : 0}
          onChange={(next) => onSet(next, row.key)}
        />
      );
    case 'colour':
      return <ColourField label={row.label} value={String(value)} onChange={(next) => onSet(next, row.key)} />;
    default:
      return <Choice label={row.label} value={String(value)} options={row.options} onChoose={(next) => onSet(next)} />;
  }
}

function ColourField({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly onChange: (colour: string) => void;
}) {
  return (
    <label className="text-[13px] text-faint">
      {label}
      <input
        type="color"
        value={value}
        onChange={(event) => onChange(event.target.value)}
        className="block h-8 w-12 rounded-sm border border-rule bg-paper"
      />
    </label>
  );
}

interface MoveEditorProps {
  readonly group: PlacedGroup;
  readonly move: Move | undefined;
  readonly moodIndex: number;
}

/** What one light group does in one mood. */
export function MoveEditor({ group, move, moodIndex }: MoveEditorProps) {
  const fallback = group.kind === 'leds' ? group.part.colour : '#ffb45e';
  const isTaped = group.kind === 'tape';
  const put = (next: Move | null, merge?: string): void =>
    editDesign(
      (draft) => {
        const moves = draft.moods.list[moodIndex]?.moves;
        if (!moves) return;
        if (next) moves[group.id] = next;
        else delete moves[group.id];
      },
      merge ? { merge: `${merge} ${moodIndex} ${group.id}` } : {},
    );
  // A single light has one colour, so a drift has no second one.
  const rows = move ? fields[move.kind].filter((row) => isTaped || row.as !== 'colour') : [];
  return (
    <div className="stitch grid grid-cols-[8rem_1fr] gap-x-3 py-2 first:border-t-0">
      <div>
        <p className="font-semibold">{group.name}</p>
        <Choice
          hideLabel
          label={`Move of ${group.name}`}
          value={move?.kind ?? 'dark'}
          options={[{ value: 'dark', label: 'dark' }, ...moveKinds.map((value) => ({ value, label: value }))]}
          onChoose={(kind) => put(kind === 'dark' ? null : changeMove(kind, move, fallback))}
        />
      </div>
      {move && (
        <div className="grid grid-cols-[3.5rem_1fr_1fr] items-end gap-x-3 gap-y-1.5">
          {isTaped ? (
            <ColourField label="Colour" value={move.colour} onChange={(colour) => put({ ...move, colour }, 'colour')} />
          ) : (
            <span
              className="block h-8 w-12 self-end rounded-sm border border-rule"
              style={{ background: group.part.colour }}
              title="The colour of this light"
            />
          )}
          <div className="col-span-2 grid grid-cols-2 items-end gap-x-3 gap-y-1.5">
            {rows.map((row) => (
              <Setting
                key={row.key}
                row={row}
                move={move}
                // The row names a setting of this very kind of move, and its field gives the type that it has there.
                onSet={(value, merge) => put({ ...move, [row.key]: value } as Move, merge)}
              />
            ))}
          </div>
        </div>
      )}
    </div>
  );
}
