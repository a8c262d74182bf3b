import { type QuickSum, quickSums } from '@glimmer/core/sums';
import { LampDesk, Printer } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { lamp } from '../state/lamp.ts';
import { usePrinter } from '../units/index.ts';
import { UnitsButton } from '../units/UnitsButton.tsx';
import { Button } from '../widgets/Button.tsx';
import { BeginHere } from '../widgets/Section.tsx';
import { useBelongingsWaiting } from '../workshop/index.ts';
import { DrawerPanel } from './DrawerPanel.tsx';
import { desk, useDesk } from './deskStore.ts';
import { exampleTexts } from './exampleTexts.ts';
import { SumCard } from './SumCard.tsx';

const groups = [...new Set(quickSums.map((sum) => sum.group))];

const matches = (sum: QuickSum, query: string): boolean =>
  query
    .toLowerCase()
    .split(/\s+/)
    .every((word) => `${sum.title} ${sum.name} ${sum.about}`.toLowerCase().includes(word));

function SumGroup({ title, sums }: { readonly title: string; readonly sums: readonly QuickSum[] }) {
  const printer = usePrinter();
  return (
    <section className="mb-2">
      <h2 className="mb-0.5 text-small font-normal text-faint">{title}</h2>
      <ul>
        {sums.map((sum) => (
          <li key={sum.name}>
            <button
              type="button"
              data-tip={sum.about}
              data-tip-side="right"
              onClick={() => desk.add(sum.name, exampleTexts(sum.name, printer))}
              className="w-full rounded-sm px-1.5 py-[3px] text-left leading-5 hover:bg-pressed"
            >
              {sum.title}
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** All sums by what they are about, and the drawer below them. */
function SumList() {
  const [query, setQuery] = useState('');
  const found = quickSums.filter((sum) => matches(sum, query.trim()));
  return (
    <nav
      aria-label="Quick sums"
      className="no-print flex w-64 shrink-0 flex-col overflow-y-auto border-r border-rule bg-paper px-4 py-3 max-[899px]:max-h-[38vh] max-[899px]:w-full max-[899px]:border-r-0 max-[899px]:border-b"
    >
      <Link to="/" className="inline-flex min-h-6 items-center text-small text-verdigris underline underline-offset-2">
        The shelf
      </Link>
      <h1 className="mb-2 text-title leading-7">Quick sums</h1>
      <input
        type="search"
        value={query}
        onChange={(event) => setQuery(event.target.value)}
        placeholder="find a sum"
        aria-label="Find a sum"
        className="mb-2 w-full rounded-sm border border-edge bg-sheet px-2 py-1"
      />
      {groups.map((group) => {
        const own = found.filter((sum) => sum.group === group);
        if (own.length === 0) return null;
        return <SumGroup key={group} title={group} sums={own} />;
      })}
      {found.length === 0 && <p className="text-faint">No sum of that name.</p>}
      <DrawerPanel />
    </nav>
  );
}

/** What is asked first by most. */
const firstNames = ['led-resistor', 'one-light', 'tape-on-pack', 'runtime', 'tape-count', 'fuse'];

/** What an empty desk offers. */
function FirstSums() {
  const printer = usePrinter();
  const sums = quickSums.filter(({ name }) => firstNames.includes(name));
  return (
    <ul className="mt-4 grid grid-cols-[repeat(auto-fill,minmax(min(17rem,100%),1fr))] gap-3">
      {sums.map((sum) => (
        <li key={sum.name}>
          <button
            type="button"
            onClick={() => desk.add(sum.name, exampleTexts(sum.name, printer))}
            className="tag flex h-full w-full flex-col items-start border border-rule bg-sheet px-3 py-2 text-left hover:bg-pressed"
          >
            <span className="block font-display text-medium text-verdigris">{sum.title}</span>
            <span className="block text-small text-faint">{sum.about}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}

function DeskHead() {
  const cards = useDesk((state) => state.cards);
  const isWaiting = useBelongingsWaiting(({ names }) => names.has('desk'));
  return (
    <div className="no-print mb-3 flex items-center justify-end gap-1">
      {cards.length > 0 && (
        <p className="mr-auto text-faint">
          {cards.length === 1 ? 'One card' : `${cards.length} cards`} on the desk;{' '}
          {isWaiting ? 'kept in this browser until the server answers.' : 'kept on the server too.'}
        </p>
      )}
      <Button look="quiet" onClick={() => window.print()} disabled={cards.length === 0}>
        <Printer size={16} />
        Print
      </Button>
      <UnitsButton />
      <Button look="quiet" onClick={lamp.switch} aria-label="Lamp on or off">
        <LampDesk size={16} />
      </Button>
    </div>
  );
}

/** Sums without a plan: small work cards that stand side by side, are kept, and can be printed. */
export function SumsPage() {
  const cards = useDesk((state) => state.cards);
  useEffect(() => {
    document.title = 'Quick sums';
  }, []);
  return (
    <div className="flex h-full max-[899px]:flex-col">
      <SumList />
      <main className="print-only-sheet min-w-0 flex-1 overflow-y-auto px-5 py-4">
        <DeskHead />
        {cards.length === 0 && (
          <>
            <BeginHere>
              Choose a sum out of the list: it lies here as a card, filled in with an example. Write over it as you
              would on paper: 20 mA, 4k7, 1/4 W, 0.5 in. Lay several side by side to compare.
            </BeginHere>
            <FirstSums />
          </>
        )}
        <div className="grid grid-cols-[repeat(auto-fill,minmax(min(23rem,100%),1fr))] items-start gap-4">
          {cards.map((card) => (
            <SumCard key={card.id} card={card} />
          ))}
        </div>
        {cards.length > 0 && (
          <p className="stitch mt-6 pt-3 text-small text-faint">
            Figures here are for planning. Follow the sheets of your parts and local rules; a test at the bench decides.
          </p>
        )}
      </main>
    </div>
  );
}
