import { sayChange } from '@glimmer/core/plan';
import { useState } from 'react';
import { goBack, useStates } from '../state/planStore.ts';
import { usePrinter } from '../units/index.ts';
import { Button } from '../widgets/Button.tsx';
import { Dialog } from '../widgets/Dialog.tsx';

/** So many are listed at first: each is found by comparing two states of the plan. */
const LISTED = 40;

/** Every change since the plan was opened, the newest first; each can be gone back to, and forth again. */
export function ChangesDialog({ onClose }: { readonly onClose: () => void }) {
  const printer = usePrinter();
  const { states, at } = useStates();
  const [most, setMost] = useState(LISTED);
  const changes = states
    .flatMap((after, i) => {
      const before = states[i - 1];
      return before && i > states.length - 1 - most ? [{ i, text: printer.message(sayChange(before, after)) }] : [];
    })
    .reverse();
  const isAllListed = states.length - 1 <= most;
  const entry = (i: number, text: string) => (
    <li key={i} className="border-b border-rule/60 last:border-b-0">
      <button
        type="button"
        aria-current={i === at ? 'step' : undefined}
        onClick={() => goBack(at - i)}
        className={`flex min-h-8 w-full items-baseline gap-3 px-2 py-1 text-left hover:bg-pressed ${i > at ? 'text-faint line-through decoration-1' : ''} ${i === at ? 'bg-pressed font-semibold' : ''}`}
      >
        <span className="min-w-0 flex-1 break-words">{text}</span>
        {i === at && <span className="shrink-0 text-small text-faint">here you are</span>}
      </button>
    </li>
  );
  return (
    <Dialog open onClose={onClose} title="Changes since it was opened" side="right">
      <p className="mb-3 text-faint">
        The newest first. Choose one to have the plan as it was right after it; what came later stays in the list until
        you change something else.
      </p>
      <ol className="mb-3 border-y border-rule">
        {changes.map(({ i, text }) => entry(i, text))}
        {isAllListed && entry(0, 'As it was opened')}
      </ol>
      {!isAllListed && (
        <Button look="quiet" onClick={() => setMost(most + 200)}>
          Earlier ones
        </Button>
      )}
      <Button onClick={onClose}>Close</Button>
    </Dialog>
  );
}
