import { computePosition, flip, offset, shift } from '@floating-ui/dom';
import { type ReactNode, useEffect, useLayoutEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { addressOf } from './words.ts';

interface PanelProps {
  readonly button: HTMLElement;
  readonly word: string;
  readonly meaning: string;
  readonly onClose: () => void;
}

/** Below its word; closed by Escape, by a press elsewhere, and when the focus leaves it or its word is scrolled away. */
function Panel({ button, word, meaning, onClose }: PanelProps) {
  const ref = useRef<HTMLSpanElement>(null);
  const [at, setAt] = useState({ left: -9999, top: 0 });
  useLayoutEffect(() => {
    if (!ref.current) return;
    const middleware = [offset(4), flip({ padding: 8 }), shift({ padding: 8 })];
    void computePosition(button, ref.current, { strategy: 'fixed', placement: 'bottom-start', middleware }).then(
      ({ x, y }) => setAt({ left: x, top: y }),
    );
  }, [button]);
  useEffect(() => {
    const listening = new AbortController();
    const options = { capture: true, signal: listening.signal };
    const isWithin = (target: EventTarget | null): boolean =>
      target instanceof Node && (button.contains(target) || (ref.current?.contains(target) ?? false));
    const leave = ({ target }: Event): void => {
      if (!isWithin(target)) onClose();
    };
    document.addEventListener('pointerdown', leave, options);
    document.addEventListener('focusin', leave, options);
    // The last of a scroll that brought the word here may be told of after it was opened: then nothing has moved since.
    const { top, left } = button.getBoundingClientRect();
    const hasMoved = (): boolean => {
      const now = button.getBoundingClientRect();
      return Math.abs(now.top - top) > 1 || Math.abs(now.left - left) > 1;
    };
    document.addEventListener('scroll', () => hasMoved() && onClose(), options);
    document.addEventListener(
      'keydown',
      (event) => {
        if (event.key !== 'Escape') return;
        // It ends this and nothing else that Escape would.
        event.stopPropagation();
        button.focus();
        onClose();
      },
      options,
    );
    return () => listening.abort();
  }, [button, onClose]);
  return (
    <span
      ref={ref}
      style={at}
      className="no-print fixed z-50 block w-72 max-w-[90vw] border border-ink bg-sheet px-3 py-2 text-left text-small font-normal whitespace-normal text-ink"
    >
      <strong className="block">{word}</strong>
      {meaning}{' '}
      <Link to={`/help/words#${addressOf(word)}`} className="text-verdigris underline">
        All words
      </Link>
    </span>
  );
}

interface MeaningProps {
  /** As it is written where it stands. */
  readonly text: string;
  readonly word: string;
  readonly meaning: string;
  readonly className: string;
  readonly children: ReactNode;
}

/** A word of the work that opens what it means. A sheet holds many of them: until one is opened it is a mere button. */
export function Meaning({ text, word, meaning, className, children }: MeaningProps) {
  const [button, setButton] = useState<HTMLElement | null>(null);
  return (
    <>
      <button
        type="button"
        aria-expanded={button !== null}
        aria-label={`${text}: what is that?`}
        className={className}
        onClick={({ currentTarget }) => setButton((open) => (open ? null : currentTarget))}
      >
        {children}
      </button>
      {button && <Panel button={button} word={word} meaning={meaning} onClose={() => setButton(null)} />}
    </>
  );
}
