import type { Control } from '@glimmer/core/plan';
import { BatteryLow, Disc3, Hand, RadioTower, SunMoon, ToggleLeft, ToggleRight } from 'lucide-react';
import { hands, useHands } from '../state/hands.ts';
import { Button } from '../widgets/Button.tsx';

/** A contact that is closed for as long as it is pressed, by mouse, finger or key. */
function Pressed({ control, disabled }: { readonly control: Control; readonly disabled: boolean }) {
  const isClosed = useHands((state) => state.closed.has(control.id));
  const press = (isOn: boolean): void => hands.touch(control.id, isOn);
  const isKey = (key: string): boolean => key === ' ' || key === 'Enter';
  return (
    <Button
      aria-pressed={isClosed}
      disabled={disabled}
      title="Closed for as long as it is pressed"
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        press(true);
      }}
      onPointerUp={() => press(false)}
      onPointerCancel={() => press(false)}
      onBlur={() => press(false)}
      onKeyDown={(event) => {
        if (!isKey(event.key)) return;
        event.preventDefault();
        event.stopPropagation();
        press(true);
      }}
      onKeyUp={(event) => {
        if (!isKey(event.key)) return;
        event.preventDefault();
        press(false);
      }}
    >
      {control.kind === 'remote' ? <RadioTower size={15} /> : <Hand size={15} />}
      {control.name}
    </Button>
  );
}

/** A contact that stays as it was put. */
function Put({ control, disabled }: { readonly control: Control; readonly disabled: boolean }) {
  const isClosed = useHands((state) => state.closed.has(control.id));
  return (
    <Button aria-pressed={isClosed} disabled={disabled} onClick={() => hands.touch(control.id, !isClosed)}>
      {isClosed ? <ToggleRight size={15} /> : <ToggleLeft size={15} />}
      {control.name}
    </Button>
  );
}

/** What a dial goes from, and to. */
const dialled = {
  'light sensor': { ends: 'from dark to light', Icon: SunMoon },
  'charge sense': { ends: 'from empty to full', Icon: BatteryLow },
  knob: { ends: 'from left to right', Icon: Disc3 },
} as const;

type Dialled = keyof typeof dialled;

const isDialled = (kind: Control['kind']): kind is Dialled => kind in dialled;

/** What a sensor sees, from nothing to full. */
function Dial({ control, kind }: { readonly control: Control; readonly kind: Dialled }) {
  const value = useHands((state) => state.dials[control.id] ?? 1);
  const { ends, Icon } = dialled[kind];
  return (
    <label className="flex items-center gap-1.5 text-small">
      <Icon size={15} aria-hidden="true" />
      {control.name}
      <input
        type="range"
        min={0}
        max={100}
        value={Math.round(value * 100)}
        aria-valuetext={`${Math.round(value * 100)} %, ${ends}`}
        onChange={(event) => hands.turnDial(control.id, Number(event.target.value) / 100)}
        className="w-24 accent-verdigris"
      />
      <span className="figures w-11 text-right whitespace-nowrap text-faint">{Math.round(value * 100)} %</span>
    </label>
  );
}

const isKept = (control: Control): boolean =>
  control.kind === 'latching switch' ||
  control.kind === 'tilt switch' ||
  control.kind === 'motion sensor' ||
  (control.kind === 'remote' && control.output === 'latched');

/** Hands on the controls of the piece: what they do, the running picture answers. */
export function VirtualHands({ controls }: { readonly controls: readonly Control[] }) {
  const remoteLost = useHands((state) => state.remoteLost);
  if (controls.length === 0) return null;
  const remotes = controls.filter((control) => control.kind === 'remote');
  const lose = (isLost: boolean): void => {
    hands.loseRemote(isLost);
    // A receiver that hears nothing opens what was held; what was latched stays.
    if (isLost) for (const remote of remotes) if (remote.output === 'held') hands.touch(remote.id, false);
  };
  return (
    <fieldset className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-rule px-3 py-1.5">
      <legend className="sr-only">Virtual hands</legend>
      <span className="text-small text-faint">Hands on</span>
      {controls.map((control) => {
        if (isDialled(control.kind)) return <Dial key={control.id} control={control} kind={control.kind} />;
        const disabled = control.kind === 'remote' && remoteLost;
        return isKept(control) ? (
          <Put key={control.id} control={control} disabled={disabled} />
        ) : (
          <Pressed key={control.id} control={control} disabled={disabled} />
        );
      })}
      {remotes.length > 0 && (
        <Button look="quiet" aria-pressed={remoteLost} onClick={() => lose(!remoteLost)}>
          {remoteLost ? 'Find the remote again' : 'Lose the remote'}
        </Button>
      )}
    </fieldset>
  );
}
