import { createPlan, emptyDesign, type Plan } from '@glimmer/core/plan';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ArrowUpFromLine, Calculator, CircleHelp, LampDesk, ListChecks, PackageOpen, Plus, Sprout } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { isWaiting, type KeptRecord, listHeld, whenSaved } from '../keeping/index.ts';
import { api, type ShelfEntry } from '../state/api.ts';
import { copyPlan } from '../state/copyPlan.ts';
import { lamp } from '../state/lamp.ts';
import { UnitsButton } from '../units/UnitsButton.tsx';
import { Button } from '../widgets/Button.tsx';
import { FileButton } from '../widgets/FileButton.tsx';
import { tell } from '../widgets/Toasts.tsx';
import { useDroppedFiles } from '../widgets/useDroppedFiles.ts';
import { Entry } from './Entry.tsx';
import { Examples } from './Examples.tsx';
import { readPlanFile, saveFile } from './files.ts';
import { Glimpse } from './Glimpse.tsx';
import { lastShelf } from './lastShelf.ts';
import { Questions } from './Questions.tsx';
import { Several } from './Several.tsx';
import { sayTrouble } from './sayTrouble.ts';

/** Reads a plan from a file and puts it on the shelf; one that is there already comes as a copy. */
async function bringIn(file: File): Promise<Plan> {
  const { readPlanText } = await import('@glimmer/core/plan/reading');
  const read = readPlanText(await readPlanFile(file));
  if (!read.ok) {
    const lines = read.problems.slice(0, 3).map((problem) => `${problem.place}: ${problem.message}`);
    throw new Error(
      `${file.name} was not brought in. ${lines.join('; ')}${read.problems.length > 3 ? ` (and ${read.problems.length - 3} more)` : ''}`,
    );
  }
  try {
    return (await api.add(read.plan)).plan;
  } catch (error) {
    if (!(error instanceof Error) || !('code' in error) || error.code !== 'plan-exists') throw error;
    return (await api.add(copyPlan(read.plan, `${read.plan.name.slice(0, 100)} (brought in)`))).plan;
  }
}

/** Everything that the server keeps, as one file. */
async function takeOutAll(): Promise<void> {
  await whenSaved();
  saveFile(`workshop-${new Date().toISOString().slice(0, 10)}.glimmer.zip`, await api.takeOutAll(), 'application/zip');
}

const countPlans = (count: number): string => (count === 1 ? 'one plan' : `${count} plans`);

/** Takes an archive in, and says what became of it. */
async function bringInAll(file: File): Promise<string> {
  const { added, same, asCopies } = await api.bringInAll(file);
  return [
    `Brought in: ${countPlans(added.length)}`,
    ...(same.length > 0 ? [`${countPlans(same.length)} had just that here already`] : []),
    ...(asCopies.length > 0 ? [`as copies, because yours differ: ${asCopies.join(', ')}`] : []),
  ].join('; ');
}

const isArchive = (file: File): boolean => /\.zip$/i.test(file.name);

/** What this browser keeps, for when the server is away; its pictures are those that the shelf showed last. */
function LocalShelf({ locals }: { readonly locals: readonly KeptRecord<Plan>[] }) {
  const { data: last = [] } = useQuery({
    queryKey: ['shelf', 'last'],
    queryFn: () => lastShelf.read(),
    networkMode: 'always',
  });
  if (locals.length === 0) return null;
  return (
    <>
      <p className="mt-4 mb-2">Plans that this browser keeps can be opened and changed meanwhile:</p>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(min(20rem,100%),1fr))] gap-5">
        {locals.map((held) => {
          const facts = last.find(({ id }) => id === held.plan.id)?.facts;
          return (
            <li key={held.plan.id} className="tag flex flex-col border border-rule bg-sheet">
              {facts?.state === 'reckoned' ? (
                <Glimpse glimpse={facts.glimpse} />
              ) : (
                <div className="h-44 w-full bg-[#0e1013]" />
              )}
              <div className="px-4 py-2.5">
                <h2 className="text-large leading-6">
                  <Link to={`/plan/${held.plan.id}/piece`}>{held.plan.name}</Link>
                </h2>
                {isWaiting(held) && (
                  <p className="text-amber-ink">Changes in this browser wait to be sent to the server.</p>
                )}
              </div>
            </li>
          );
        })}
      </ul>
    </>
  );
}

/** What concerns all plans, and how far to trust what is said of them. */
function Foot() {
  return (
    <>
      <p className="stitch mt-8 pt-3">
        <Button
          look="quiet"
          className="-ml-2.5"
          onClick={() =>
            void takeOutAll().catch((trouble: unknown) => tell(sayTrouble(trouble), { gravity: 'trouble' }))
          }
        >
          <PackageOpen size={16} />
          Take everything out
        </Button>
        <span className="text-faint">
          Plans with their versions and pictures, parts of your own, drawer and desk, as one file. “Bring in a plan”
          takes it back, here or on another machine.
        </span>
      </p>
      <p className="mt-3 text-small text-faint">
        Figures here are for planning. Follow the sheets of your parts, local rules, and someone licensed where mains or
        transport rules ask for it; a test at the bench decides.
      </p>
    </>
  );
}

/** A new plan, opened at once. */
function BeginAnew() {
  const navigate = useNavigate();
  const begin = useMutation({
    mutationFn: () => api.add(createPlan({ id: crypto.randomUUID(), name: 'New piece', design: emptyDesign })),
    onSuccess: (kept) => navigate(`/plan/${kept.plan.id}/piece`),
    onError: (trouble) => tell(sayTrouble(trouble), { gravity: 'trouble' }),
  });
  return (
    <Button look="main" onClick={() => begin.mutate()} disabled={begin.isPending}>
      <Plus size={16} />
      New plan
    </Button>
  );
}

/** Plans and whole workshops, from a file. */
function BringIn({ onBrought }: { readonly onBrought: () => void }) {
  const onFile = (file: File): void => {
    const brought = isArchive(file) ? bringInAll(file) : bringIn(file).then(({ name }) => `${name} is on the shelf`);
    brought.then(
      (said) => {
        tell(said);
        onBrought();
      },
      (trouble: unknown) => tell(sayTrouble(trouble), { gravity: 'trouble' }),
    );
  };
  useDroppedFiles(onFile);
  return (
    <FileButton label="Plan file to bring in" accept=".json,application/json,.zip,application/zip" onFile={onFile}>
      <ArrowUpFromLine size={16} />
      Bring in a plan
    </FileButton>
  );
}

interface ShelfHeadProps {
  readonly shelf: 'open' | 'away';
  readonly onShelf: (shelf: 'open' | 'away') => void;
  readonly onBrought: () => void;
}

/** What the page is, and what can be begun from it. */
function ShelfHead({ shelf, onShelf, onBrought }: ShelfHeadProps) {
  return (
    <header className="mb-5 flex flex-wrap items-end gap-x-6 gap-y-3">
      <div className="min-w-72 flex-1">
        <h1 className="text-display leading-10 tracking-tight">Unruly Glimmer</h1>
        <p className="max-w-lg text-faint">
          Plan, reckon, build and test battery-powered light for props, costumes and models.
        </p>
      </div>
      <div className="flex flex-wrap gap-2">
        <BeginAnew />
        <BringIn onBrought={onBrought} />
        <a
          href="#questions"
          className="inline-flex min-h-8 items-center gap-1.5 rounded-sm px-2.5 py-1 font-medium text-verdigris hover:bg-pressed"
        >
          <Sprout size={16} />
          Begin from …
        </a>
        <Link
          to="/sums"
          className="inline-flex min-h-8 items-center gap-1.5 rounded-sm px-2.5 py-1 font-medium text-verdigris hover:bg-pressed"
        >
          <Calculator size={16} />
          Quick sums
        </Link>
        <Link
          to="/help/piece"
          className="inline-flex min-h-8 items-center gap-1.5 rounded-sm px-2.5 py-1 font-medium text-verdigris hover:bg-pressed"
        >
          <CircleHelp size={16} />
          Help
        </Link>
        <Button look="quiet" onClick={() => onShelf(shelf === 'open' ? 'away' : 'open')}>
          {shelf === 'open' ? 'What is put away' : 'Back to the shelf'}
        </Button>
        <UnitsButton />
        <Button look="quiet" onClick={lamp.switch} aria-label="Lamp on or off">
          <LampDesk size={16} />
        </Button>
      </div>
    </header>
  );
}

/** From so many plans on they are sought and put in order. */
const SOUGHT_FROM = 4;

const orders = {
  changed: { label: 'changed last', by: (a: ShelfEntry, b: ShelfEntry) => b.updatedAt.localeCompare(a.updatedAt) },
  name: { label: 'by name', by: (a: ShelfEntry, b: ShelfEntry) => a.name.localeCompare(b.name) },
} as const;

/** Which plans are wanted, and in which order. */
interface Wish {
  readonly words: string;
  readonly order: keyof typeof orders;
}

const inOrder = (entries: readonly ShelfEntry[], { words, order }: Wish): readonly ShelfEntry[] =>
  entries
    .filter(({ name }) =>
      words
        .toLowerCase()
        .split(/\s+/)
        .every((word) => name.toLowerCase().includes(word)),
    )
    .sort(orders[order].by);

interface OrderProps {
  readonly wish: Wish;
  readonly onWish: (wish: Wish) => void;
  readonly choosesSeveral: boolean;
  readonly onSeveral: (choosesSeveral: boolean) => void;
}

function Order({ wish, onWish, choosesSeveral, onSeveral }: OrderProps) {
  return (
    <div className="mb-4 flex flex-wrap items-end gap-3">
      <input
        type="search"
        value={wish.words}
        onChange={(event) => onWish({ ...wish, words: event.target.value })}
        placeholder="find a plan"
        aria-label="Find a plan"
        className="w-60 max-w-full rounded-sm border border-edge bg-sheet px-2 py-1"
      />
      <label className="flex items-baseline gap-2 text-small text-faint">
        In the order
        <select
          value={wish.order}
          onChange={(event) => onWish({ ...wish, order: event.target.value as Wish['order'] })}
          className="rounded-sm border border-edge bg-paper px-2 py-1 text-body text-ink"
        >
          {Object.entries(orders).map(([value, { label }]) => (
            <option key={value} value={value}>
              {label}
            </option>
          ))}
        </select>
      </label>
      <Button look="quiet" aria-pressed={choosesSeveral} onClick={() => onSeveral(!choosesSeveral)}>
        <ListChecks size={16} />
        Several at once
      </Button>
    </div>
  );
}

const toggled = (chosen: ReadonlySet<string>, id: string): ReadonlySet<string> =>
  new Set(chosen.has(id) ? [...chosen].filter((each) => each !== id) : [...chosen, id]);

/** The shelf: all plans, each with a small lit picture. */
export function ShelfPage() {
  const [shelf, setShelf] = useState<'open' | 'away'>('open');
  /** Null while plans are not chosen. */
  const [chosen, setChosen] = useState<ReadonlySet<string> | null>(null);
  const client = useQueryClient();
  const { data, error, isPending } = useQuery({
    queryKey: ['shelf', shelf],
    queryFn: async () => {
      await whenSaved();
      const list = await api.list(shelf);
      if (shelf === 'open') lastShelf.note(list);
      return list;
    },
    refetchOnMount: 'always',
    refetchInterval: (query) => (query.state.error ? 3000 : false),
  });
  const { data: locals = [] } = useQuery({ queryKey: ['shelf', 'held'], queryFn: () => listHeld().catch(() => []) });
  const [wish, setWish] = useState<Wish>({ words: '', order: 'changed' });
  const shown = inOrder(data ?? [], wish);
  const waiting = new Set(locals.filter(isWaiting).map(({ plan }) => plan.id));
  const refresh = (): void => void client.invalidateQueries({ queryKey: ['shelf'] });

  useEffect(() => {
    document.title = 'Unruly Glimmer';
  }, []);
  return (
    <div className="h-full overflow-y-auto">
      <main className="mx-auto max-w-6xl px-6 py-6">
        <ShelfHead
          shelf={shelf}
          onShelf={(next) => {
            setShelf(next);
            setChosen(null);
          }}
          onBrought={refresh}
        />
        {error && (
          <div role="alert" className="border-l-4 border-amber-ink bg-amber-wash px-4 py-3">
            <p>{sayTrouble(error)}. This page asks again every few seconds.</p>
            <LocalShelf locals={locals} />
          </div>
        )}
        {isPending && !error && <p className="text-faint">Looking along the shelf …</p>}
        {data && data.length === 0 && (
          <p className="border-l-2 border-verdigris bg-pressed/50 px-4 py-3">
            {shelf === 'open'
              ? 'The shelf is empty. Begin with "New plan": eight stages lead from the first look inside the piece to the night it is worn. Or begin from one of the pieces below.'
              : 'Nothing is put away.'}
          </p>
        )}
        {data && (data.length >= SOUGHT_FROM || (shelf === 'away' && data.length > 1)) && (
          <Order
            wish={wish}
            onWish={setWish}
            choosesSeveral={chosen !== null}
            onSeveral={(isWanted) => setChosen(isWanted ? new Set() : null)}
          />
        )}
        {chosen && shown.length > 0 && (
          <Several shelf={shelf} shown={shown} chosen={chosen} onChoose={setChosen} onChange={refresh} />
        )}
        {data && data.length > 0 && shown.length === 0 && <p className="text-faint">No plan here is called so.</p>}
        {shown.length > 0 && (
          <ul className="grid grid-cols-[repeat(auto-fill,minmax(min(20rem,100%),1fr))] gap-5">
            {shown.map((entry) => (
              <Entry
                key={entry.id}
                entry={entry}
                shelf={shelf}
                isWaitingHere={waiting.has(entry.id)}
                onChange={refresh}
                choice={
                  chosen && {
                    isChosen: chosen.has(entry.id),
                    toggle: () => setChosen(toggled(chosen, entry.id)),
                  }
                }
              />
            ))}
          </ul>
        )}
        {data && shelf === 'open' && <Questions />}
        {data && shelf === 'open' && <Examples shelf={data} />}
        <Foot />
      </main>
    </div>
  );
}
