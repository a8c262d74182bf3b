import { Archive, ArchiveRestore, ArrowDownToLine } from 'lucide-react';
import { api } from '../state/api.ts';
import { Button } from '../widgets/Button.tsx';
import { DeleteForGood } from './DeleteForGood.tsx';
import { doWith, type Named, takeOut } from './deeds.ts';

interface SeveralProps {
  readonly shelf: 'open' | 'away';
  /** All that are shown. */
  readonly shown: readonly Named[];
  /** Of them, what is chosen, by id. */
  readonly chosen: ReadonlySet<string>;
  readonly onChoose: (chosen: ReadonlySet<string>) => void;
  readonly onChange: () => void;
}

/** What is done with several plans at once. */
export function Several({ shelf, shown, chosen, onChoose, onChange }: SeveralProps) {
  const plans = shown.filter(({ id }) => chosen.has(id));
  const isNone = plans.length === 0;
  const puts = (isAway: boolean, done: string) => (): void => {
    const back = (): void => {
      void Promise.allSettled(plans.map(({ id }) => api.setPutAway(id, !isAway))).then(onChange);
    };
    void doWith(plans, ({ id }) => api.setPutAway(id, isAway), { done, takeBack: back }).then(() => {
      onChoose(new Set());
      onChange();
    });
  };
  return (
    <fieldset className="mb-4 flex flex-wrap items-center gap-x-1 gap-y-2 border-l-2 border-verdigris bg-pressed/50 px-3 py-1.5">
      <legend className="sr-only">With the chosen plans</legend>
      <span className="mr-2" aria-live="polite">
        {isNone ? 'Choose plans by the box on their tag' : `${plans.length} chosen`}
      </span>
      <Button look="quiet" onClick={() => onChoose(new Set(isNone ? shown.map(({ id }) => id) : []))}>
        {isNone ? 'All of them' : 'None of them'}
      </Button>
      <Button
        look="quiet"
        disabled={isNone}
        onClick={() => void doWith(plans, takeOut, { done: 'taken out, each as a file' })}
      >
        <ArrowDownToLine size={15} />
        Take out
      </Button>
      {shelf === 'open' ? (
        <Button look="quiet" disabled={isNone} onClick={puts(true, 'put away')}>
          <Archive size={15} />
          Put away
        </Button>
      ) : (
        <>
          <Button look="quiet" disabled={isNone} onClick={puts(false, 'brought back')}>
            <ArchiveRestore size={15} />
            Bring back
          </Button>
          <DeleteForGood
            plans={plans}
            onChange={() => {
              onChoose(new Set());
              onChange();
            }}
          />
        </>
      )}
    </fieldset>
  );
}
