import { changeMove, type Move, moveKinds } from '@glimmer/core/moves';
import { type Control, controlsOf, moveOn, removeSign, type Sign } from '@glimmer/core/plan';
import type { Draft } from 'immer';
import { Trash2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import { useSheet } from '../stages/useSheet.ts';
import { editDesign } from '../state/planStore.ts';
import { Button } from '../widgets/Button.tsx';
import { Choice, TextField } from '../widgets/fields.tsx';
import { TypedOf } from '../widgets/TypedOf.tsx';
import { takeAway } from '../widgets/takeAway.ts';
import { MoveSettings } from './MoveSettings.tsx';
import type { LightTarget } from './MoveStack.tsx';

/** For as long as what a sign lies over the moods, by the kind of its control. */
const whileWords: Readonly<Record<Control['kind'], string>> = {
  button: 'is pressed',
  'latching switch': 'is on',
  'tilt switch': 'is tilted',
  remote: 'is on',
  'light sensor': 'sees it dark',
  'charge sense': 'finds the pack low',
  knob: 'is turned down',
  'motion sensor': 'sees someone',
  'sound sensor': 'hears something loud',
  signal: 'is given',
};

const kinds = moveKinds.map((value) => ({ value, label: value }));

interface SignMoveProps {
  readonly sign: Sign;
  readonly target: LightTarget;
  readonly edit: (recipe: (draft: Draft<Sign>) => void, merge?: string) => void;
}

/** What one light group or set does for a sign. */
function SignMove({ sign, target, edit }: SignMoveProps) {
  const move = moveOn(sign.moves, target.id);
  const put = (next: Move | null): void =>
    edit((draft) => {
      if (next) draft.moves[target.id] = next as Draft<Move>;
      else delete draft.moves[target.id];
    });
  return (
    <div className="grid grid-cols-[8rem_1fr] gap-x-3 py-1">
      <div>
        <p className="text-small">{target.name}</p>
        <Choice
          hideLabel
          label={`${sign.name} on ${target.name}`}
          value={move?.kind ?? 'none'}
          options={[{ value: 'none', label: 'no sign' }, ...kinds]}
          onChoose={(kind) => put(kind === 'none' ? null : changeMove(kind, move, target.fixedColour ?? '#ff3020'))}
        />
      </div>
      {move && (
        <MoveSettings
          move={move}
          fixedColour={target.fixedColour}
          onSet={(fields, merge) =>
            edit((draft) => Object.assign(draft.moves[target.id] ?? {}, fields), merge && `${merge} ${target.id}`)
          }
        />
      )}
    </div>
  );
}

function SignEditor({ sign, targets }: { sign: Sign; targets: readonly LightTarget[] }) {
  const controls = controlsOf(useSheet().design);
  const edit = (recipe: (draft: Draft<Sign>) => void, merge?: string): void =>
    editDesign(
      (draft) => {
        const found = draft.moods.signs?.find((each) => each.id === sign.id);
        if (found) recipe(found);
      },
      merge ? { merge: `${merge} ${sign.id}` } : {},
    );
  return (
    <li className="stitch py-2 first:border-t-0">
      <TypedOf id={sign.id}>
        <div className="grid grid-cols-[1fr_1.4fr_auto] items-end gap-2">
          <TextField
            label="Sign"
            value={sign.name}
            onCommit={(name) =>
              edit((draft) => {
                draft.name = name;
              })
            }
          />
          <Choice
            label="Lies over every mood while"
            value={sign.controlId}
            options={controls.map((control) => ({
              value: control.id,
              label: `${control.name} ${whileWords[control.kind]}`,
            }))}
            onChoose={(controlId) =>
              edit((draft) => {
                draft.controlId = controlId;
              })
            }
          />
          <Button
            look="quiet"
            aria-label={`Remove the sign ${sign.name}`}
            onClick={() => takeAway(sign.name, (open) => removeSign(open, sign.id))}
          >
            <Trash2 size={16} />
          </Button>
        </div>
        {targets.map((target) => (
          <TypedOf key={target.id} id={target.id}>
            <SignMove sign={sign} target={target} edit={edit} />
          </TypedOf>
        ))}
      </TypedOf>
    </li>
  );
}

/** Adds a sign on the first charge sense, or the first control there is: two short winks and a long pause. */
function addSign(controls: readonly Control[], targets: readonly LightTarget[]): void {
  const control = controls.find((each) => each.kind === 'charge sense') ?? controls[0];
  const target = targets[0];
  if (!control || !target) return;
  editDesign((draft) => {
    draft.moods.signs = [
      ...(draft.moods.signs ?? []),
      {
        id: nanoid(8),
        name: control.kind === 'charge sense' ? 'Charge low' : 'Sign',
        controlId: control.id,
        moves: {
          [target.id]: {
            kind: 'shots',
            colour: target.fixedColour ?? '#ff3020',
            count: 2,
            onS: 0.15,
            offS: 0.35,
            pauseS: 5,
            level: 1,
          },
        },
      },
    ];
  });
}

/** Signs: what lies over every mood for as long as a control is in its state. */
export function Signs({ targets }: { readonly targets: readonly LightTarget[] }) {
  const { design } = useSheet();
  const controls = controlsOf(design);
  const signs = design.moods.signs ?? [];
  return (
    <>
      <ul>
        {signs.map((sign) => (
          <SignEditor key={sign.id} sign={sign} targets={targets} />
        ))}
      </ul>
      {signs.length === 0 && (
        <p className="text-faint">
          {controls.length === 0
            ? 'A sign needs a control: add a charge sense in Drive, and the piece can wink when its pack runs low.'
            : 'None yet. A sign lies over every mood, such as two short winks while the charge is low.'}
        </p>
      )}
      <Button look="quiet" disabled={controls.length === 0} onClick={() => addSign(controls, targets)}>
        Add a sign
      </Button>
    </>
  );
}
