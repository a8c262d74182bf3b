import { X } from 'lucide-react';
import { Fragment, useEffect } from 'react';
import { resolveValue, toast, useToaster } from 'react-hot-toast/headless';

/** How many notices are seen at once: the newest. */
const MOST_SEEN = 3;

interface NoticeProps {
  readonly id: string;
  readonly text: string;
  readonly gravity: 'said' | 'trouble';
  readonly undo?: (() => void) | undefined;
}

function Notice({ id, text, gravity, undo }: NoticeProps) {
  const undoAndClose = () => {
    undo?.();
    toast.dismiss(id);
  };
  return (
    <div
      className={`flex items-start gap-3 border-l-4 bg-sheet px-3 py-2 ring-1 ring-rule ${gravity === 'trouble' ? 'border-brick-ink' : 'border-verdigris'}`}
    >
      <p className="min-w-0 flex-1 break-words">{text}</p>
      {undo && (
        <button type="button" onClick={undoAndClose} className="font-semibold text-verdigris underline">
          Undo
        </button>
      )}
      <button type="button" aria-label="Dismiss" onClick={() => toast.dismiss(id)} className="text-faint">
        <X size={16} />
      </button>
    </div>
  );
}

/** Says something in passing; `undo` puts a button beside it. @returns the notice, to be taken away again */
export function tell(text: string, options: Partial<Pick<NoticeProps, 'gravity' | 'undo'>> = {}): string {
  const { gravity = 'said', undo } = options;
  return toast(({ id }) => <Notice id={id} text={text} gravity={gravity} undo={undo} />);
}

/** Takes a notice away, if it is there still. */
export const untell = (id: string): void => toast.dismiss(id);

/** Where messages in passing appear; while a hand or the keyboard is on one, none of them goes. */
export function ToastShelf() {
  const { toasts, handlers } = useToaster({ duration: 9000, removeDelay: 0 });
  const seen = toasts.filter((each) => each.visible).slice(0, MOST_SEEN);
  const isEmpty = seen.length === 0;
  const { startPause, endPause } = handlers;
  // A notice that is closed under the hand takes the event that would end the pause with it.
  useEffect(() => {
    if (isEmpty) endPause();
  }, [isEmpty, endPause]);
  return (
    <section
      aria-label="Notices"
      aria-live="polite"
      onMouseEnter={startPause}
      onMouseLeave={endPause}
      onFocus={startPause}
      onBlur={endPause}
      className="no-print fixed right-4 bottom-24 z-50 flex w-96 max-w-[90vw] flex-col-reverse gap-2"
    >
      {seen.map((each) => (
        <Fragment key={each.id}>{resolveValue(each.message, each)}</Fragment>
      ))}
    </section>
  );
}
