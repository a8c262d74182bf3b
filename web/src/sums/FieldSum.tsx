import { rowsOf } from '@glimmer/core/items';
import { stateFigure } from '@glimmer/core/parts';
import { itemNamed } from '@glimmer/core/plan';
import { type AskedOfField, askOfField, askOfRun, textsOfField } from '@glimmer/core/sums';
import { judge } from '@glimmer/core/units';
import { useState } from 'react';
import { setField } from '../items/itemActions.ts';
import type { Takes } from '../items/SumOf.tsx';
import { useSheet } from '../stages/useSheet.ts';
import { usePrinter } from '../units/index.ts';
import { Said } from '../units/Said.tsx';
import { Button } from '../widgets/Button.tsx';
import { Dialog } from '../widgets/Dialog.tsx';
import { tell } from '../widgets/Toasts.tsx';
import { desk } from './deskStore.ts';
import { SumForm } from './SumCard.tsx';

interface FieldSumProps {
  /** A field of an item, or a wire. */
  readonly of: { readonly itemId: string; readonly field: string } | { readonly runId: string };
  readonly label: string;
  readonly onBack: ((value: number) => void) | null;
  /** What the field takes, where no row of its kind says so. */
  readonly takes?: Takes | undefined;
  readonly onClose: () => void;
}

/** Sets a field as its row says: a figure is from a sum, so a guess until the maker says more. */
function setAsRow(itemId: string, field: string, value: number, isFigure: boolean): void {
  setField(itemId, field, isFigure ? stateFigure(value, 'guess') : value);
}

function Asked({
  asked,
  label,
  take,
  takes,
  onClose,
}: {
  readonly asked: AskedOfField;
  readonly label: string;
  readonly take: (value: number) => void;
  /** Undefined where the field takes whatever the sum gives. */
  readonly takes: Takes | undefined;
  readonly onClose: () => void;
}) {
  const printer = usePrinter();
  const { sum, back } = asked;
  const [texts, setTexts] = useState(() => textsOfField(asked, printer));
  const keep = (): void => {
    desk.add(sum.name, texts);
    tell(`${sum.title} lies on the desk of quick sums`);
  };
  return (
    <SumForm sum={sum} texts={texts} onType={(key, text) => setTexts({ ...texts, [key]: text })}>
      {(answer) => {
        const value = back?.(answer) ?? null;
        const judged = value === null || !takes ? null : judge(takes.quantity, value, takes.band);
        return (
          <div className="stitch sticky -bottom-5 -mx-5 mt-3 flex flex-wrap gap-2 bg-sheet px-5 py-3">
            {judged?.ok === false && (
              <p role="alert" className="w-full text-small text-brick-ink">
                {label} can’t take it: <Said>{judged.problem}</Said>
              </p>
            )}
            {value !== null && judged?.ok !== false && (
              <Button
                look="main"
                onClick={() => {
                  take(value);
                  onClose();
                }}
              >
                Put it into {label.charAt(0).toLowerCase() + label.slice(1)}
              </Button>
            )}
            <Button onClick={keep}>Lay it on the desk</Button>
          </div>
        );
      }}
    </SumForm>
  );
}

/** A quick sum in a drawer, asked out of a field of the plan and put back into it. */
export function FieldSum({ of, label, onBack, takes, onClose }: FieldSumProps) {
  const { design, assessment } = useSheet();
  const [asked] = useState(() => {
    if ('runId' in of) {
      const run = assessment.runs.find(({ id }) => id === of.runId);
      return run ? askOfRun(run, assessment) : null;
    }
    const item = itemNamed(design, of.itemId);
    return item ? askOfField(of.field, { item, design, assessment }) : null;
  });
  const item = 'itemId' in of ? itemNamed(design, of.itemId) : undefined;
  const row = 'itemId' in of && item ? rowsOf(item).find((each) => each.field === of.field) : undefined;
  const take = (value: number): void => {
    if (onBack) onBack(value);
    else if ('itemId' in of) setAsRow(of.itemId, of.field, value, row?.type === 'quantity' && row.isFigure === true);
  };
  return (
    <Dialog open onClose={onClose} title={asked?.sum.title ?? 'Not yet'} side="right">
      {asked ? (
        <Asked
          asked={asked}
          label={label}
          take={take}
          takes={takes ?? (row?.type === 'quantity' ? row : undefined)}
          onClose={onClose}
        />
      ) : (
        <p>The plan does not say enough for this sum yet: choose what feeds it, and what it is made of.</p>
      )}
    </Dialog>
  );
}
