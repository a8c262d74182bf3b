import { dateStyles, isCurrency, printerFor, type Units } from '@glimmer/core/units';
import { useState } from 'react';
import { desk, useDesk } from '../sums/deskStore.ts';
import { Button } from '../widgets/Button.tsx';
import { Dialog } from '../widgets/Dialog.tsx';
import { Choice } from '../widgets/fields.tsx';
import { tell } from '../widgets/Toasts.tsx';
import { writeTime } from '../widgets/when.ts';
import { unitsOf, useChosenUnits, usePrinter } from './index.ts';

const choices: readonly {
  readonly field: 'length' | 'wire' | 'temperature' | 'date';
  readonly label: string;
  readonly options: readonly { readonly value: string; readonly label: string }[];
}[] = [
  {
    field: 'length',
    label: 'Lengths',
    options: [
      { value: 'mm', label: 'millimetres' },
      { value: 'in', label: 'inches, with fractions' },
    ],
  },
  {
    field: 'wire',
    label: 'Wires',
    options: [
      { value: 'gauge', label: 'gauge numbers' },
      { value: 'mm²', label: 'mm² of copper' },
    ],
  },
  {
    field: 'temperature',
    label: 'Temperatures',
    options: [
      { value: '°C', label: '°C' },
      { value: '°F', label: '°F' },
    ],
  },
  {
    field: 'date',
    label: 'Days',
    options: dateStyles.map((value) => ({ value, label: writeTime('2026-12-03T14:05', value) })),
  },
];

/** Reads and writes everything in other units from now on. What stands on the desk of sums keeps its meaning. */
async function choose(changed: Partial<Units>): Promise<void> {
  const hasCards = useDesk.getState().cards.length > 0;
  const rewrite = hasCards ? (await import('../sums/rewriteCards.ts')).rewriteCards : null;
  // Looked at after the wait: another choice, or a card, may have come meanwhile.
  const before = unitsOf(useChosenUnits.getState());
  const units = { ...before, ...changed };
  if (rewrite) desk.putBack(rewrite(useDesk.getState().cards, printerFor(before), printerFor(units)));
  useChosenUnits.setState({ chosen: [units] });
}

export default function UnitsDialog({ onClose }: { readonly onClose: () => void }) {
  const { units } = usePrinter();
  const change = (changed: Partial<Units>): void => {
    choose(changed).catch(() =>
      tell('The units stay as they were: a part of the page could not be fetched', { gravity: 'trouble' }),
    );
  };
  return (
    <Dialog open onClose={onClose} title="Units">
      <p className="mb-3 text-faint">
        They hold for every plan and sheet, at once. A field takes any unit that is written with the number; a number by
        itself is in the unit chosen here.
      </p>
      <div className="mb-4 grid grid-cols-2 gap-3">
        {choices.map(({ field, label, options }) => (
          <Choice
            key={field}
            label={label}
            value={units[field] ?? 'words'}
            options={options}
            // The options of a field are the values that it may have.
            onChoose={(value) => change({ [field]: value } as Partial<Units>)}
          />
        ))}
        <CurrencyField value={units.currency} onChange={(currency) => change({ currency })} />
      </div>
      <Button onClick={onClose}>Close</Button>
    </Dialog>
  );
}

function CurrencyField({ value, onChange }: { readonly value: string; readonly onChange: (sign: string) => void }) {
  const [text, setText] = useState(value);
  const isRight = isCurrency(text);
  return (
    <label className="block">
      <span className="mb-0.5 block text-small text-faint">Sign before money</span>
      <input
        type="text"
        autoComplete="off"
        value={text}
        placeholder="none"
        aria-invalid={!isRight}
        onChange={(event) => {
          setText(event.target.value);
          if (isCurrency(event.target.value)) onChange(event.target.value);
        }}
        className={`w-full rounded-sm border bg-paper px-2 py-1 ${isRight ? 'border-edge' : 'border-brick-ink'}`}
      />
      {!isRight && (
        <span role="alert" className="text-small text-brick-ink">
          A sign of at most four letters, such as €; “{value}” stays.
        </span>
      )}
    </label>
  );
}
