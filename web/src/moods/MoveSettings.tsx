import { type Move, type MoveRow, moveOf } from '@glimmer/core/moves';
import { type Control, controlsOf } from '@glimmer/core/plan';
import { useHeld, usePlan } from '../reckoning/index.ts';
import { Choice, QuantityField, ShareSlider, Tick } from '../widgets/fields.tsx';
import { CellRule } from './CellRule.tsx';

interface SettingProps {
  readonly row: MoveRow;
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
  knob: 'how far it is turned',
  'motion sensor': 'someone there or not',
  'sound sensor': 'loud or not',
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
  const [held, hold] = useHeld(value, onChange);
  return (
    <label className="text-small text-faint">
      {label}
      <input
        type="color"
        value={held}
        onChange={(event) => hold(event.target.value)}
        className="block h-8 w-12 rounded-sm border border-rule bg-paper"
      />
    </label>
  );
}

interface MoveSettingsProps {
  readonly move: Move;
  /** Pixels have a colour in each move; a single light has its own. */
  readonly fixedColour: string | null;
  readonly onSet: (fields: Partial<Move>, merge?: string) => void;
}

/** All settings of one move, in the maker's units. */
export function MoveSettings({ move, fixedColour, onSet }: MoveSettingsProps) {
  // A single light has one colour, so there is no second one.
  const rows = moveOf(move.kind).rows.filter((row) => fixedColour === null || row.as !== 'colour');
  return (
    <div className="grid grid-cols-[3.5rem_1fr] items-start gap-x-3">
      {fixedColour === null ? (
        <ColourField label="Colour" value={move.colour} onChange={(colour) => onSet({ colour }, 'colour')} />
      ) : (
        <span
          className="mt-5 block h-8 w-12 rounded-sm border border-rule"
          data-own-colour
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
            onSet={(value, merge) => onSet({ [row.key]: value } as Partial<Move>, merge)}
          />
        ))}
      </div>
    </div>
  );
}
