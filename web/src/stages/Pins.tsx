import type { BoardPins } from '@glimmer/core/assess';
import type { ItemOf } from '@glimmer/core/items';
import type { Board } from '@glimmer/core/network';
import { Lock } from 'lucide-react';
import { editItem, setField } from '../items/itemActions.ts';
import { Button } from '../widgets/Button.tsx';
import { Choice } from '../widgets/fields.tsx';
import { Table } from '../widgets/Table.tsx';
import { useSheet } from './useSheet.ts';

const lockPin = (board: ItemOf<'board'>, demand: string, pin: string | null): void =>
  editItem(board, (draft) => {
    draft.pinLocks = [...draft.pinLocks.filter((lock) => lock.demand !== demand), ...(pin ? [{ demand, pin }] : [])];
  });

/** What stands beside a pin on the maker's own board, behind its number. */
function PinName({ board, pin }: { readonly board: ItemOf<'board'>; readonly pin: string }) {
  const own = board.pinNames.find((each) => each.pin === pin)?.name ?? '';
  return (
    <input
      aria-label={`Printed beside pin ${pin} of ${board.name}`}
      defaultValue={own}
      key={own}
      maxLength={12}
      placeholder="as printed"
      className="figures w-24 border border-edge bg-paper px-1.5 py-0.5"
      onBlur={(event) => {
        const name = event.target.value.trim();
        if (name === own) return;
        editItem(board, (draft) => {
          draft.pinNames = [...draft.pinNames.filter((each) => each.pin !== pin), ...(name ? [{ pin, name }] : [])];
        });
      }}
    />
  );
}

interface PinRowProps {
  readonly board: Board;
  /** A column for what is to be known of a pin. */
  readonly hasRemarks: boolean;
  readonly given: Extract<BoardPins['plan'], { ok: true }>['given'][number];
}

/** What one pin does, and which it is. */
function PinRow({ board, hasRemarks, given: { demand, pin, locked } }: PinRowProps) {
  return (
    <tr className="border-b border-rule/60">
      <td className="py-0.5">{demand.label}</td>
      <td className="py-0.5 pr-2">
        <Choice
          hideLabel
          overruled={locked}
          label={`Pin of ${demand.label}`}
          value={locked ? pin.name : 'auto'}
          options={[
            { value: 'auto', label: locked ? 'reckoned' : `${pin.name}, reckoned` },
            ...board.part.pins
              .filter((each) => each.can.includes(demand.needs))
              .map((each) => ({ value: each.name, label: each.name })),
          ]}
          onChoose={(value) => lockPin(board.item, demand.id, value === 'auto' ? null : value)}
        />
      </td>
      <td className="py-0.5">
        <PinName board={board.item} pin={pin.name} />
      </td>
      {hasRemarks && (
        <td className="text-small text-faint">
          {locked && (
            <span className="mr-1 inline-flex items-center gap-1 text-brass">
              <Lock size={12} />
              yours
            </span>
          )}
          {pin.startUp ?? ''}
        </td>
      )}
    </tr>
  );
}

/** The pins of a board with what hangs on each; any of them can be chosen and held. */
export function Pins({ board }: { readonly board: Board }) {
  const { assessment } = useSheet();
  const plan = assessment.pins.find((each) => each.board.id === board.id)?.plan;
  if (!plan) return null;
  const hasRemarks = plan.given.some(({ pin, locked }) => locked || pin.startUp);
  if (plan.given.length === 0 && plan.ok) return <p className="mt-1 text-faint">Nothing needs a pin yet.</p>;
  return (
    <>
      <Table className="mt-2 w-full text-body">
        <thead>
          <tr className="border-b border-rule text-left text-small text-faint">
            <th className="font-normal">what</th>
            <th className="w-36 font-normal">pin</th>
            <th className="w-28 font-normal">printed there</th>
            {hasRemarks && <th className="font-normal">remark</th>}
          </tr>
        </thead>
        <tbody>
          {plan.given.map((each) => (
            <PinRow key={each.demand.id} board={board} hasRemarks={hasRemarks} given={each} />
          ))}
        </tbody>
      </Table>
      {plan.ok ? (
        <p className="mt-1 text-small text-faint">
          Free: <span className="figures">{plan.free.map((pin) => pin.name).join(' ') || 'none'}</span>
        </p>
      ) : (
        <p className="mt-1 font-semibold text-brick-ink">{plan.reason}</p>
      )}
      {board.item.pinLocks.length > 0 && (
        <Button look="quiet" onClick={() => setField(board.id, 'pinLocks', [])}>
          Free all locks
        </Button>
      )}
    </>
  );
}
