import { Archive, ArchiveRestore, ArrowDownToLine, Copy } from 'lucide-react';
import { Link } from 'react-router';
import { api, type ShelfEntry } from '../state/api.ts';
import { copyPlan } from '../state/copyPlan.ts';
import { usePrinter } from '../units/index.ts';
import { Button } from '../widgets/Button.tsx';
import { useSayTime } from '../widgets/when.ts';
import { DeleteForGood } from './DeleteForGood.tsx';
import { doWith, takeOut } from './deeds.ts';
import { Glimpse } from './Glimpse.tsx';

/** What is known of a plan, or why nothing is. */
function Facts({ entry }: { readonly entry: ShelfEntry }) {
  const printer = usePrinter();
  const { facts, isReckoned } = entry;
  if (facts?.state === 'broken')
    return (
      <p role="alert" className="text-brick-ink">
        This plan can’t be reckoned ({facts.trouble}). It is kept as it is: take it out as a file, or put it away.
      </p>
    );
  const toStopFor = facts?.toStopFor ?? 0;
  const toMend = (facts?.openFindings ?? 0) - toStopFor;
  return (
    <p className="text-faint">
      {facts?.kind}
      {facts && facts.runsForH !== null && <>; runs for {printer.quantity('timeH', facts.runsForH)}</>}
      {toStopFor > 0 && (
        <>
          ; <span className="whitespace-nowrap font-semibold text-brick-ink">{toStopFor} to stop for</span>
        </>
      )}
      {toMend > 0 && (
        <>
          ; <span className="whitespace-nowrap font-semibold text-amber-ink">{toMend} to mend</span>
        </>
      )}
      {!isReckoned && <span>{facts ? '; ' : ''}being reckoned …</span>}
    </p>
  );
}

interface EntryProps {
  readonly entry: ShelfEntry;
  readonly shelf: 'open' | 'away';
  /** This browser holds changes of it that the server has not seen. */
  readonly isWaitingHere: boolean;
  readonly onChange: () => void;
  /** Null while plans are not chosen, several at once. */
  readonly choice: { readonly isChosen: boolean; readonly toggle: () => void } | null;
}

/** What can be done with a plan on the shelf. */
function Actions({ entry, shelf, onChange }: Pick<EntryProps, 'entry' | 'shelf' | 'onChange'>) {
  const act = (deed: () => Promise<unknown>, done: string, takeBack?: () => void) => (): void => {
    void doWith([entry], deed, takeBack ? { done, takeBack } : { done }).then(onChange);
  };
  const bringBack = act(() => api.setPutAway(entry.id, false), 'is back');
  const makeCopy = async (): Promise<void> => {
    const kept = await api.load(entry.id);
    await api.add(copyPlan(kept.plan, `${kept.plan.name.slice(0, 110)} (copy)`));
  };
  return (
    <div className="stitch mt-2 flex flex-wrap gap-x-1 pt-1">
      <Button look="quiet" onClick={act(makeCopy, 'copied')} aria-label={`Copy ${entry.name}`}>
        <Copy size={15} />
        Copy
      </Button>
      <Button
        look="quiet"
        onClick={act(() => takeOut(entry), 'taken out as a file')}
        aria-label={`Take out ${entry.name}`}
      >
        <ArrowDownToLine size={15} />
        Take out
      </Button>
      {shelf === 'open' ? (
        <Button
          look="quiet"
          onClick={act(() => api.setPutAway(entry.id, true), 'put away', bringBack)}
          aria-label={`Put away ${entry.name}`}
        >
          <Archive size={15} />
          Put away
        </Button>
      ) : (
        <>
          <Button look="quiet" onClick={bringBack} aria-label={`Bring back ${entry.name}`}>
            <ArchiveRestore size={15} />
            Bring back
          </Button>
          <DeleteForGood plans={[entry]} onChange={onChange} />
        </>
      )}
    </div>
  );
}

/** A plan on the shelf: its name, its facts, and what can be done with it. */
export function Entry({ entry, shelf, isWaitingHere, onChange, choice }: EntryProps) {
  const sayTime = useSayTime();
  return (
    <li
      className={`tag relative flex flex-col border bg-sheet ${choice?.isChosen ? 'border-verdigris ring-2 ring-verdigris' : 'border-rule'}`}
    >
      {choice && (
        <label className="absolute top-2 left-2 z-10 flex items-center gap-2 bg-sheet px-2 py-1">
          <input
            type="checkbox"
            checked={choice.isChosen}
            onChange={choice.toggle}
            className="size-5 accent-verdigris"
          />
          <span>
            choose<span className="sr-only"> {entry.name}</span>
          </span>
        </label>
      )}
      <Link to={`/plan/${entry.id}/piece`} className="block hover:opacity-95" aria-label={`Open ${entry.name}`}>
        {entry.facts?.state === 'reckoned' ? (
          <Glimpse glimpse={entry.facts.glimpse} />
        ) : (
          <div className="h-44 w-full bg-[#0e1013]" />
        )}
      </Link>
      <div className="flex flex-1 flex-col px-4 py-2.5">
        <h2 className="text-large leading-6">
          <Link to={`/plan/${entry.id}/piece`}>{entry.name}</Link>
        </h2>
        <Facts entry={entry} />
        {isWaitingHere && <p className="text-amber-ink">Changes in this browser wait to be sent to the server.</p>}
        <p className="text-small text-faint">changed {sayTime(entry.updatedAt)}</p>
        <div className="mt-auto">
          <Actions entry={entry} shelf={shelf} onChange={onChange} />
        </div>
      </div>
    </li>
  );
}
