import { bands, type Control, removeControl } from '@glimmer/core/plan';
import { printQuantity } from '@glimmer/core/units';
import type { Draft } from 'immer';
import { Trash2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import { changeDesign, editDesign } from '../state/planStore.ts';
import { Button } from '../widgets/Button.tsx';
import { Choice, QuantityField, TextField } from '../widgets/fields.tsx';
import { useSheet } from './useSheet.ts';

const ohms = (value: number): string => printQuantity('resistanceOhm', value);
const amps = (value: number): string => printQuantity('currentA', value);

/** What each kind is called on the sheet, and how it is wired. */
const kinds: Readonly<Record<Control['kind'], { readonly name: string; readonly how: string }>> = {
  button: { name: 'Button', how: 'momentary, to minus' },
  'latching switch': { name: 'Switch', how: 'stays as it is put, to minus' },
  'tilt switch': { name: 'Tilt switch', how: 'closes when it tilts, to minus' },
  remote: { name: 'Remote', how: '' },
  'light sensor': { name: 'Light sensor', how: '' },
  'charge sense': { name: 'Charge sense', how: '' },
};

type Common = Pick<Control, 'id' | 'name' | 'at'>;

const make: Readonly<Record<Control['kind'], (common: Common) => Draft<Control>>> = {
  button: (common) => ({ kind: 'button', ...common }),
  'latching switch': (common) => ({ kind: 'latching switch', ...common }),
  'tilt switch': (common) => ({ kind: 'tilt switch', ...common }),
  remote: (common) => ({ kind: 'remote', ...common, output: 'held' }),
  'light sensor': (common) => ({ kind: 'light sensor', ...common, darkOhm: 180_000, lightOhm: 2400 }),
  'charge sense': (common) => ({ kind: 'charge sense', ...common, lowV: 3.4, settleS: 8 }),
};

function addControl(kind: Control['kind']): void {
  editDesign((draft) => {
    const count = draft.drive.controls.filter((control) => control.kind === kind).length + 1;
    const at = { xMm: Math.round(draft.view.widthMm * 0.6), yMm: Math.round(draft.view.heightMm * 0.8) };
    draft.drive.controls.push(make[kind]({ id: nanoid(8), name: `${kinds[kind].name} ${count}`, at }));
  });
}

/** What one kind of control has to be told. */
function Details({ control, index }: { readonly control: Control; readonly index: number }) {
  /** The settings of this kind of control, as its case below names them. */
  const set = <K extends Control['kind']>(change: Partial<Extract<Draft<Control>, { kind: K }>>): void =>
    editDesign((draft) => {
      const found = draft.drive.controls[index];
      if (found) Object.assign(found, change);
    });
  switch (control.kind) {
    case 'light sensor':
      return (
        <>
          <QuantityField
            label="Measured in the dark"
            kind="resistanceOhm"
            value={control.darkOhm}
            band={bands.resistorOhm}
            onCommit={(value) => set<'light sensor'>({ darkOhm: value })}
          />
          <QuantityField
            label="Measured in light"
            kind="resistanceOhm"
            value={control.lightOhm}
            band={bands.resistorOhm}
            onCommit={(value) => set<'light sensor'>({ lightOhm: value })}
          />
        </>
      );
    case 'charge sense':
      return (
        <>
          <QuantityField
            label="Low below, whole pack"
            kind="voltageV"
            value={control.lowV}
            band={bands.packV}
            onCommit={(value) => set<'charge sense'>({ lowV: value })}
          />
          <QuantityField
            label="For at least"
            kind="timeS"
            value={control.settleS}
            band={bands.settleS}
            onCommit={(value) => set<'charge sense'>({ settleS: value })}
          />
        </>
      );
    case 'remote':
      return (
        <div className="col-span-2">
          <Choice
            label="Its output"
            value={control.output}
            options={[
              { value: 'held', label: 'closed while the key is held' },
              { value: 'latched', label: 'changes with each press' },
            ]}
            onChoose={(value) => set<'remote'>({ output: value })}
          />
        </div>
      );
    default:
      return <span className="col-span-2 pb-1.5 text-[13px] text-faint">{kinds[control.kind].how}</span>;
  }
}

/** What was reckoned for a sensor. */
function Sensed({ id }: { readonly id: string }) {
  const { assessment, design } = useSheet();
  const sensing = assessment.sensing.find((each) => each.control.id === id);
  if (!sensing) {
    const waits = design.drive.controls.find((each) => each.id === id)?.kind === 'charge sense';
    return waits ? <p className="mt-1 text-[13px] text-faint">Its divider is reckoned once there is a pack.</p> : null;
  }
  if (sensing.kind === 'charge') {
    const { upperOhm, lowerOhm, lowBelow, wellAbove, emptyCode, fullCode, standingA } = sensing.design;
    return (
      <p className="figures mt-1 text-[13px] text-faint">
        {ohms(upperOhm)} to the pack, {ohms(lowerOhm)} to minus; low below {lowBelow}, well again above {wellAbove}{' '}
        (reads {emptyCode} empty and {fullCode} full); draws {amps(standingA)} always
      </p>
    );
  }
  const sensor = sensing.design;
  return (
    <p className="figures mt-1 text-[13px] text-faint">
      fixed resistor {ohms(sensor.fixedOhm)} to minus; dark below {sensor.darkBelow}, light above {sensor.lightAbove}{' '}
      (reads {sensor.darkCode} and {sensor.lightCode}); draws {amps(sensor.standingA)} in light
      {sensor.lightCode <= sensor.darkCode && (
        <span className="block font-semibold text-amber-ink">
          The dark reading must be the higher resistance: were the two exchanged?
        </span>
      )}
    </p>
  );
}

/** The controls of the piece, each with what it has to be told and what follows from it. */
export function Controls() {
  const { design } = useSheet();
  return (
    <ul>
      {design.drive.controls.map((control, i) => (
        <li key={control.id} className="stitch py-2 first:border-t-0">
          <div className="grid grid-cols-[1.3fr_1fr_1fr_auto] items-end gap-2">
            <TextField
              label={kinds[control.kind].name}
              value={control.name}
              onCommit={(name) =>
                editDesign((draft) => {
                  const found = draft.drive.controls[i];
                  if (found) found.name = name;
                })
              }
            />
            <Details control={control} index={i} />
            <Button
              look="quiet"
              aria-label={`Remove ${control.name}`}
              onClick={() => changeDesign((open) => removeControl(open, control.id))}
            >
              <Trash2 size={16} />
            </Button>
          </div>
          <Sensed id={control.id} />
        </li>
      ))}
    </ul>
  );
}

/** One button for each kind of control there is. */
export function AddControl() {
  return (
    <div className="flex flex-wrap gap-1">
      {(Object.keys(kinds) as Control['kind'][]).map((kind) => (
        <Button key={kind} look="quiet" onClick={() => addControl(kind)}>
          Add a {kinds[kind].name.toLowerCase()}
        </Button>
      ))}
    </div>
  );
}
