import { listDifferences } from '@glimmer/core/plan';
import { CloudOff, HardDriveDownload, LoaderCircle, TriangleAlert } from 'lucide-react';
import { useState } from 'react';
import { type Places, settleClash, useKeepStatus } from '../keeping/index.ts';
import { usePlanStore } from '../state/planStore.ts';
import { Said } from '../units/Said.tsx';
import { Button } from '../widgets/Button.tsx';
import { Table } from '../widgets/Table.tsx';
import { tell } from '../widgets/Toasts.tsx';

const signs = {
  kept: { Icon: HardDriveDownload, tone: 'text-faint' },
  keeping: { Icon: LoaderCircle, tone: 'text-faint' },
  away: { Icon: CloudOff, tone: 'text-amber-ink' },
  clash: { Icon: TriangleAlert, tone: 'text-brick-ink' },
  refused: { Icon: TriangleAlert, tone: 'text-brick-ink' },
} as const;

/** Where the newest state of the plan is, in a few words. */
function wordsOf(places: Places): string {
  switch (places.kind) {
    case 'kept':
      return 'kept';
    case 'keeping':
      return 'keeping …';
    case 'away':
      return places.isHeld ? 'server away; kept in this browser' : 'server away; on this page alone';
    case 'clash':
      return 'changed elsewhere';
    default:
      return places.isHeld ? 'not kept on the server; kept in this browser' : 'on this page alone';
  }
}

/** A small sign that says how safe the plan is. */
export function KeepSign() {
  const { places } = useKeepStatus();
  const { Icon, tone } = signs[places.kind];
  return (
    <span
      role="status"
      aria-live="polite"
      data-keep={places.kind}
      className={`inline-flex items-center gap-1.5 text-small whitespace-nowrap ${tone}`}
    >
      <Icon size={15} aria-hidden="true" />
      {wordsOf(places)}
    </span>
  );
}

/** What differs between the two states of a plan that was changed twice, part by part. */
function Differences() {
  const { other } = useKeepStatus();
  const mine = usePlanStore((state) => state.plan);
  if (!other || !mine) return null;
  const rows = listDifferences(mine.design, other.design);
  if (rows.length === 0)
    return <p className="w-full">Both plans are alike; only what was done at the bench differs.</p>;
  return (
    <Table className="w-full max-w-4xl text-left text-small" aria-label="What differs">
      <thead>
        <tr className="text-faint">
          <th className="pr-4 font-normal">Part</th>
          <th className="pr-4 font-normal">Mine</th>
          <th className="font-normal">The other</th>
        </tr>
      </thead>
      <tbody>
        {rows.slice(0, MOST_ROWS).map(({ part, mine: here, other: there }) => (
          <tr key={part} className="align-top">
            <td className="pr-4">{part}</td>
            <td className="pr-4">
              <Said>{here}</Said>
            </td>
            <td>
              <Said>{there}</Said>
            </td>
          </tr>
        ))}
        {rows.length > MOST_ROWS && (
          <tr>
            <td colSpan={3}>… and {rows.length - MOST_ROWS} more</td>
          </tr>
        )}
      </tbody>
    </Table>
  );
}

const MOST_ROWS = 12;

const bandLook = 'flex flex-wrap items-center gap-3 border-b border-brick-ink bg-brick-wash px-4 py-2';

/** The band that appears when the plan can't be saved as it is: both states are kept, the maker says how to go on. */
export function KeepBand() {
  const { places } = useKeepStatus();
  const [busy, setBusy] = useState(false);
  if (places.kind === 'refused')
    return (
      <div role="alert" className={bandLook}>
        The server would not keep this: {places.why}.{' '}
        {places.isHeld
          ? 'Your work is safe in this browser; undo the last change, or take the plan out as a file.'
          : 'This browser’s store takes nothing either: leave this page open, and take the plan out as a file.'}
      </div>
    );
  if (places.kind === 'away' && !places.isHeld)
    return (
      <div role="alert" className={bandLook}>
        The server does not answer, and this browser’s store takes nothing (a private window, or a full disk). Leave
        this page open until the server is back, or take the plan out as a file.
      </div>
    );
  if (places.kind !== 'clash') return null;
  const settle = (way: 'mine' | 'other') => (): void => {
    setBusy(true);
    settleClash(way)
      .then((name) => tell(`The other state is on the shelf as "${name}"`))
      .catch((error: unknown) =>
        tell(`Not yet: ${error instanceof Error ? error.message : String(error)}. Both are still safe`, {
          gravity: 'trouble',
        }),
      )
      .finally(() => setBusy(false));
  };
  return (
    <div role="alert" className={bandLook}>
      <span className="min-w-60 flex-1">
        {places.with === 'tab'
          ? 'This plan was changed in another tab at the same moment. Nothing is lost: both states are in this browser.'
          : 'This plan was changed elsewhere since you opened it. Nothing is lost: the other state is on the server, yours is in this browser.'}
      </span>
      <Button look="main" disabled={busy} onClick={settle('mine')}>
        Go on with mine, keep the other as a copy
      </Button>
      <Button disabled={busy} onClick={settle('other')}>
        Go on with the other, keep mine as a copy
      </Button>
      <Differences />
    </div>
  );
}
