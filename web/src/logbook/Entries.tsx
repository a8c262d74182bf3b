import { Trash2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import { useSheet } from '../stages/useSheet.ts';
import { editPlan } from '../state/planStore.ts';
import { Button } from '../widgets/Button.tsx';
import { LongText } from '../widgets/fields.tsx';
import { useTyped } from '../widgets/typed.ts';
import { useSayTime } from '../widgets/when.ts';

/** What happened, in the maker's words, the newest first. */
export function Entries() {
  const sayTime = useSayTime();
  const { plan } = useSheet();
  const [typed, setText] = useTyped('An entry');
  const text = typed ?? '';
  const write = (): void => {
    if (text.trim() === '') return;
    editPlan((draft) => {
      draft.logbook.entries.push({ id: nanoid(8), at: new Date().toISOString(), text: text.trim() });
    });
    setText(null);
  };
  return (
    <>
      <LongText label="What happened, what was learned" value={text} onChange={setText} rows={2} />
      <Button onClick={write} disabled={text.trim() === ''} className="mt-1">
        Write it down
      </Button>
      <ul className="mt-2">
        {[...plan.logbook.entries].reverse().map((entry) => (
          <li key={entry.id} className="stitch flex items-start gap-2 py-1.5 first:border-t-0">
            <p className="flex-1 whitespace-pre-wrap">
              {entry.text}
              <span className="block text-small text-faint">{sayTime(entry.at)}</span>
            </p>
            <Button
              look="quiet"
              aria-label={`Remove the entry of ${sayTime(entry.at)}`}
              onClick={() =>
                editPlan((draft) => {
                  draft.logbook.entries = draft.logbook.entries.filter((each) => each.id !== entry.id);
                })
              }
            >
              <Trash2 size={15} />
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}
