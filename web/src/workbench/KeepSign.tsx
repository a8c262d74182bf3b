import { CloudOff, HardDriveDownload, LoaderCircle, TriangleAlert } from 'lucide-react';
import { useState } from 'react';
import { settleClash, useKeepStatus } from '../state/keeper.ts';
import { Button } from '../widgets/Button.tsx';
import { tell } from '../widgets/Toasts.tsx';

/** A small sign that says how safe the plan is. */
export function KeepSign() {
  const { status } = useKeepStatus();
  const sign = {
    kept: { Icon: HardDriveDownload, text: 'kept', tone: 'text-faint' },
    keeping: { Icon: LoaderCircle, text: 'keeping …', tone: 'text-faint' },
    away: { Icon: CloudOff, text: 'server away; kept in this browser', tone: 'text-amber-ink' },
    clash: { Icon: TriangleAlert, text: 'changed elsewhere', tone: 'text-brick-ink' },
    refused: { Icon: TriangleAlert, text: 'not kept on the server', tone: 'text-brick-ink' },
  }[status.kind];
  return (
    <span
      role="status"
      aria-live="polite"
      data-keep={status.kind}
      className={`inline-flex items-center gap-1.5 text-[13px] whitespace-nowrap ${sign.tone}`}
    >
      <sign.Icon size={15} aria-hidden="true" />
      {sign.text}
    </span>
  );
}

/** The band that appears when the plan can't be saved as it is: both states are kept, the maker says how to go on. */
export function KeepBand() {
  const { status } = useKeepStatus();
  const [busy, setBusy] = useState(false);
  if (status.kind === 'refused') {
    return (
      <div role="alert" className="border-b border-brick-ink bg-brick-wash px-4 py-2">
        The server would not keep this: {status.why}. Your work is safe in this browser; undo the last change, or take
        the plan out as a file.
      </div>
    );
  }
  if (status.kind !== 'clash') return null;
  const settle = (way: 'mine' | 'theirs') => (): void => {
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
    <div role="alert" className="flex flex-wrap items-center gap-3 border-b border-brick-ink bg-brick-wash px-4 py-2">
      <span className="min-w-60 flex-1">
        This plan was changed elsewhere since you opened it. Nothing is lost: the other state is on the server, yours is
        in this browser.
      </span>
      <Button look="main" disabled={busy} onClick={settle('mine')}>
        Go on with mine, keep the other as a copy
      </Button>
      <Button disabled={busy} onClick={settle('theirs')}>
        Go on with the other, keep mine as a copy
      </Button>
    </div>
  );
}
