import { type Message, mm, say } from '@glimmer/core/units';
import { type KeyboardEvent, useState } from 'react';
import { Link } from 'react-router';
import { type Deed, keyOf, ownKeys, resetKeys, sayKey, setKey, setSingleKeys, useSingleKeys } from '../state/keys.ts';
import { usePrinter } from '../units/index.ts';
import { Button } from '../widgets/Button.tsx';
import { Dialog } from '../widgets/Dialog.tsx';
import { Tick } from '../widgets/fields.tsx';

const deeds: Readonly<Record<Deed, string>> = {
  lamp: 'lamp on, lamp off',
  run: 'run or hold the moods',
  finding: 'next finding',
  find: 'find anything',
  keys: 'these keys',
};

const keys: readonly (readonly [key: string, what: Message])[] = [
  ['1 to 8', 'the stages'],
  ['Ctrl + C, Ctrl + V', 'a copy of what is chosen'],
  ['Ctrl + Z', 'undo'],
  ['Ctrl + Shift + Z', 'redo'],
  ['arrow keys', say`move what is chosen on the picture: ${mm(1)}, with Shift ${mm(10)}`],
  ['Shift + click, Shift + drag', 'choose several on the picture; by keyboard Space, and Ctrl + A for all'],
  ['Delete, Escape', 'take away what is chosen there, or let it go'],
];

/** A key of one's own: it is pressed once more to be another. */
function OwnKey({ deed }: { readonly deed: Deed }) {
  const key = useSingleKeys(({ by }) => by[deed]);
  const [asks, setAsks] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const take = (event: KeyboardEvent): void => {
    if (!asks || ['Shift', 'Control', 'Alt', 'Meta', 'Tab'].includes(event.key)) return;
    event.preventDefault();
    event.stopPropagation();
    setAsks(false);
    if (event.key === 'Escape') return;
    const next = keyOf(event.nativeEvent);
    const taken = next === null ? null : setKey(deed, next);
    if (next === null) setTrouble('It must be a letter, Space, or one of / , . ; - and alone or with Shift.');
    else setTrouble(taken ? `${sayKey(next)} is the key for: ${deeds[taken]}.` : null);
  };
  return (
    <div className="flex flex-wrap items-baseline gap-x-4 border-b border-rule/60 py-1">
      <dt className="w-40 shrink-0">
        <button
          type="button"
          aria-label={asks ? 'Press the key that it shall have' : `${sayKey(key)}: another key for ${deeds[deed]}`}
          onClick={() => setAsks(true)}
          onKeyDown={take}
          onBlur={() => setAsks(false)}
          className={`figures min-h-6 min-w-10 border px-2 text-left font-semibold ${asks ? 'border-verdigris bg-pressed' : 'border-edge'}`}
        >
          {asks ? 'press a key' : sayKey(key)}
        </button>
      </dt>
      <dd className="min-w-0 flex-1">{deeds[deed]}</dd>
      {trouble && (
        <dd role="alert" className="w-full text-small text-brick-ink">
          {trouble}
        </dd>
      )}
    </div>
  );
}

/** The keys. */
export function KeysDialog({ onClose }: { readonly onClose: () => void }) {
  const printer = usePrinter();
  const { on, by } = useSingleKeys();
  const isChanged = (Object.keys(ownKeys) as Deed[]).some((deed) => by[deed] !== ownKeys[deed]);
  return (
    <Dialog open onClose={onClose} title="The keys">
      <dl className="mb-4">
        {(Object.keys(deeds) as Deed[]).map((deed) => (
          <OwnKey key={deed} deed={deed} />
        ))}
        {keys.map(([key, what]) => (
          <div key={key} className="flex gap-4 border-b border-rule/60 py-1 last:border-b-0">
            <dt className="figures w-40 shrink-0 font-semibold">{key}</dt>
            <dd>{printer.message(what)}</dd>
          </div>
        ))}
      </dl>
      <div className="mb-4">
        <Tick label="Keys that are pressed alone work" checked={on} onChange={setSingleKeys} />
        <p className="text-small text-faint">
          Switch them off where you speak to the page, or a hand slips: those with Ctrl still work, and every key has
          its button. The first five take another key: choose one, and press it.
        </p>
        {isChanged && (
          <Button look="quiet" className="-ml-2.5" onClick={resetKeys}>
            As they were at first
          </Button>
        )}
      </div>
      <div className="flex items-center gap-4">
        <Button onClick={onClose}>Close</Button>
        <Link to="/help/piece" className="text-verdigris underline underline-offset-2">
          Help: a page a stage, and the words
        </Link>
      </div>
    </Dialog>
  );
}
