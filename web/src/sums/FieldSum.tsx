import { rowsOf } from '@glimmer/core/items';
import { stateFigure } from '@glimmer/core/parts';
import { itemNamed } from '@glimmer/core/plan';
import { type AskedOfField, askOfField, askOfRun, textsOfField } from '@glimmer/core/sums';
import { useState } from 'react';
import { setField } from '../items/itemActions.ts';
import { useSheet } from '../stages/useSheet.ts';
import { usePrinter } from '../units/index.ts';
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
  onClose,
}: {
  readonly asked: AskedOfField;
  readonly label: string;
  readonly take: (value: number) => void;
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
        return (
          <div className="stitch sticky -bottom-5 -mx-5 mt-3 flex flex-wrap gap-2 bg-sheet px-5 py-3">
            {value !== null && (
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
export function FieldSum({ of, label, onBack, onClose }: FieldSumProps) {
  const { design, assessment } = useSheet();
  const [asked] = useState(() => {
    if ('runId' in of) {
      const run = assessment.runs.find(({ id }) => id === of.runId);
      return run ? askOfRun(run, assessment) : null;
    }
    const item = itemNamed(design, of.itemId);
    return item ? askOfField(of.field, { item, design, assessment }) : null;
  });
  const take = (value: number): void => {
    if (onBack) onBack(value);
    else if ('itemId' in of) {
      const item = itemNamed(design, of.itemId);
      const row = item && rowsOf(item).find((each) => each.field === of.field);
      setAsRow(of.itemId, of.field, value, row?.type === 'quantity' && row.isFigure === true);
    }
  };
  return (
    <Dialog open onClose={onClose} title={asked?.sum.title ?? 'Not yet'} side="right">
      {asked ? (
        <Asked asked={asked} label={label} take={take} onClose={onClose} />
      ) : (
        <p>The plan does not say enough for this sum yet: choose what feeds it, and what it is made of.</p>
      )}
    </Dialog>
  );
}
