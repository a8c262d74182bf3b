import { type Message, mm, say } from '@glimmer/core/units';
import { Link } from 'react-router';
import { setSingleKeys, useSingleKeys } from '../state/keys.ts';
import { usePrinter } from '../units/index.ts';
import { Button } from '../widgets/Button.tsx';
import { Dialog } from '../widgets/Dialog.tsx';
import { Tick } from '../widgets/fields.tsx';

const keys: readonly (readonly [key: string, what: Message])[] = [
  ['1 to 8', 'the stages'],
  ['L', 'lamp on, lamp off'],
  ['Space', 'run or hold the moods'],
  ['N', 'next finding'],
  ['/', 'find anything'],
  ['Ctrl + C, Ctrl + V', 'a copy of what is chosen'],
  ['Ctrl + Z', 'undo'],
  ['Ctrl + Shift + Z', 'redo'],
  ['arrow keys', say`move what is chosen on the picture: ${mm(1)}, with Shift ${mm(10)}`],
  ['Shift + click, Shift + drag', 'choose several on the picture; by keyboard Space, and Ctrl + A for all'],
  ['Delete, Escape', 'take away what is chosen there, or let it go'],
  ['?', 'these keys'],
];

/** The keys. */
export function KeysDialog({ onClose }: { readonly onClose: () => void }) {
  const printer = usePrinter();
  const on = useSingleKeys((state) => state.on);
  return (
    <Dialog open onClose={onClose} title="The keys">
      <dl className="mb-4">
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
          its button.
        </p>
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
