import {
  type alongs,
  bands,
  type breathCurves,
  type Control,
  controlsOf,
  flickerCharacters,
  type keepings,
  type Move,
} from '@glimmer/core/plan';
import type { Band, QuantityKind } from '@glimmer/core/units';
import { usePlan } from '../state/planStore.ts';
import { Choice, QuantityField, ShareSlider, Tick } from '../widgets/fields.tsx';
import { CellRule } from './CellRule.tsx';

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
  | { readonly as: 'tick'; readonly key: string; readonly label: string }
  | { readonly as: 'control'; readonly key: string; readonly label: string }
  | { readonly as: 'cell rule'; readonly key: string; readonly label: string }
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
const choice = <T extends string>(key: string, label: string, names: Readonly<Record<T, string>>): FieldRow => ({
  as: 'choice',
  key,
  label,
  options: Object.entries<string>(names).map(([value, name]) => ({ value, label: name })),
});
const along = choice<(typeof alongs)[number]>('along', 'Meets the lights', {
  route: 'as the data runs',
  'route back': 'against the data',
  'both ends': 'from both ends',
  ring: 'round, by the clock',
  across: 'across the picture',
  down: 'down the picture',
  outward: 'from the middle out',
});
const shows: FieldRow = { as: 'control', key: 'controlId', label: 'Shows' };

/** What can be set in each kind of move, in the maker's units. */
const fields: Readonly<Record<Move['kind'], readonly FieldRow[]>> = {
  steady: [level],
  breathe: [
    time('periodS', 'One breath'),
    choice<(typeof breathCurves)[number]>('curve', 'Rises and falls', {
      soft: 'softly',
      even: 'evenly',
      sharp: 'up at once',
      heart: 'like a heart',
    }),
    share('low', 'Lowest'),
    share('high', 'Highest'),
  ],
  chase: [
    count('groups', 'One in', bands.chaseGroups),
    time('stepS', 'Step', bands.stepS),
    {
      as: 'choice',
      key: 'direction',
      label: 'Runs',
      options: [
        { value: 'onward', label: 'onward' },
        { value: 'back', label: 'backward' },
      ],
    },
    along,
    level,
  ],
  sweep: [time('periodS', 'There and back'), count('tail', 'Tail, lights', bands.tail), along, level],
  fill: [time('periodS', 'Fill and empty'), along, level],
  drift: [
    time('periodS', 'There and back'),
    { as: 'colour', key: 'second', label: 'To the colour' },
    count('wave', 'Lights to a wave', bands.wave),
    along,
    choice<(typeof keepings)[number]>('keeps', 'Keeps even', { look: 'the look', current: 'the current' }),
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
  cells: [
    time('stepS', 'A generation', bands.stepS),
    count('generations', 'Begins again after', bands.generations),
    share('share', 'Alive at first'),
    seed,
    { as: 'cell rule', key: 'birth', label: 'Born with' },
    { as: 'cell rule', key: 'survival', label: 'Live on with' },
    { as: 'tick', key: 'wraps', label: 'Edges meet' },
    { as: 'tick', key: 'melts', label: 'Glides' },
    level,
  ],
  gauge: [shows, along, level],
  steps: [
    shows,
    count('count', 'Steps', bands.steps),
    { as: 'colour', key: 'second', label: 'Colour of the lowest' },
    share('low', 'Lowest'),
    share('level', 'Highest'),
  ],
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
    case 'tick':
      return <Tick label={row.label} checked={value === true} onChange={(next) => onSet(next)} />;
    case 'cell rule':
      return <CellRule label={row.label} value={Array.isArray(value) ? value : []} onChange={(next) => onSet(next)} />;
    case 'control':
      return <ControlChoice label={row.label} value={typeof value === 'string' ? value : null} onChoose={onSet} />;
    default:
      return (
        <Choice
          label={row.label}
          // What the plan does not say is the first of the list.
          value={typeof value === 'string' ? value : (row.options[0]?.value ?? '')}
          options={row.options}
          onChoose={(next) => onSet(next)}
        />
      );
  }
}

/** What the value of each kind of control is called. */
const readings: Readonly<Record<Control['kind'], string>> = {
  button: 'pressed or not',
  'latching switch': 'on or off',
  'tilt switch': 'tilted or not',
  remote: 'held or not',
  'light sensor': 'light of the room',
  'charge sense': 'charge left',
  signal: 'given or not',
};

function ControlChoice({
  label,
  value,
  onChoose,
}: {
  readonly label: string;
  readonly value: string | null;
  readonly onChoose: (value: string | null) => void;
}) {
  const controls = controlsOf(usePlan().design);
  return (
    <Choice
      label={label}
      value={value ?? 'none'}
      options={[
        { value: 'none', label: 'nothing yet: full' },
        ...controls.map((control) => ({ value: control.id, label: `${control.name}: ${readings[control.kind]}` })),
      ]}
      onChoose={(next) => onChoose(next === 'none' ? null : next)}
    />
  );
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

interface MoveSettingsProps {
  readonly move: Move;
  /** Pixels have a colour in each move; a single light has its own. */
  readonly fixedColour: string | null;
  readonly onChange: (move: Move, merge?: string) => void;
}

/** All settings of one move, in the maker's units. */
export function MoveSettings({ move, fixedColour, onChange }: MoveSettingsProps) {
  // A single light has one colour, so there is no second one.
  const rows = fields[move.kind].filter((row) => fixedColour === null || row.as !== 'colour');
  return (
    <div className="grid grid-cols-[3.5rem_1fr] items-start gap-x-3">
      {fixedColour === null ? (
        <ColourField
          label="Colour"
          value={move.colour}
          onChange={(colour) => onChange({ ...move, colour }, 'colour')}
        />
      ) : (
        <span
          className="mt-5 block h-8 w-12 rounded-sm border border-rule"
          style={{ background: fixedColour }}
          title="The colour of this light"
        />
      )}
      <div className="grid grid-cols-2 items-end gap-x-3 gap-y-1.5">
        {rows.map((row) => (
          <Setting
            key={row.key}
            row={row}
            move={move}
            // The row names a setting of this very kind of move, and its field gives the type that it has there.
            onSet={(value, merge) => onChange({ ...move, [row.key]: value } as Move, merge)}
          />
        ))}
      </div>
    </div>
  );
}
