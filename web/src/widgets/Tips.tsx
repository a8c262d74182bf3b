import { computePosition, flip, offset, type Placement, shift } from '@floating-ui/dom';
import { useEffect, useLayoutEffect, useRef, useState } from 'react';

/** How long a pointer rests on a thing before it is told of, and how long a tip stays to be reached itself. */
const RESTS_MS = 400;
const STAYS_MS = 150;
const TIP = 'tip';

/** What is told of a thing: what it says itself, or its name where all that is seen of it is a drawing. */
function tipOf(element: HTMLElement): string | null {
  if (element.dataset.tip !== undefined) return element.dataset.tip || null;
  return element.textContent?.trim() === '' ? element.getAttribute('aria-label') : null;
}

interface Told {
  readonly of: HTMLElement;
  readonly words: string;
}

const told = (target: EventTarget | null): Told | null => {
  const of =
    target instanceof Element ? target.closest<HTMLElement>('[data-tip], button[aria-label], a[aria-label]') : null;
  const words = of && tipOf(of);
  return words ? { of, words } : null;
};

/** What pointer or keyboard rests on, after a moment; gone by Escape, a press, or when it is left. */
function useTold(): Told | null {
  const [now, setNow] = useState<Told | null>(null);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const after = (ms: number, next: Told | null): void => {
      clearTimeout(timer);
      timer = setTimeout(() => setNow(next), ms);
    };
    const on = {
      pointerover: ({ target, pointerType }: PointerEvent): void => {
        if (pointerType === 'touch') return;
        // A tip can be reached by the pointer: it stays while that is on it.
        if (target instanceof Element && target.closest(`#${TIP}`)) clearTimeout(timer);
        else {
          const next = told(target);
          after(next ? RESTS_MS : STAYS_MS, next);
        }
      },
      focusin: ({ target }: FocusEvent): void => {
        if (target instanceof Element && target.matches(':focus-visible')) after(0, told(target));
      },
      focusout: (): void => after(0, null),
      pointerdown: (): void => after(0, null),
      wheel: (): void => after(0, null),
      keydown: ({ key }: KeyboardEvent): void => {
        if (key === 'Escape') after(0, null);
      },
    };
    const listening = new AbortController();
    for (const [name, listen] of Object.entries(on))
      document.addEventListener(name, listen as (event: Event) => void, {
        capture: true,
        passive: true,
        signal: listening.signal,
      });
    return () => {
      listening.abort();
      clearTimeout(timer);
    };
  }, []);
  return now;
}

/** The tips of all things of the page: one for everything that carries words in `data-tip`, or is a drawing with a name. */
export default function Tips() {
  const now = useTold();
  const tip = useRef<HTMLDivElement>(null);
  useLayoutEffect(() => {
    const { of, words } = now ?? {};
    if (!of || !tip.current) return;
    const placement = (of.dataset.tipSide ?? 'bottom') as Placement;
    void computePosition(of, tip.current, {
      placement,
      strategy: 'fixed',
      middleware: [offset(6), flip(), shift({ padding: 8 })],
    }).then(({ x, y }) => {
      if (tip.current) Object.assign(tip.current.style, { left: `${x}px`, top: `${y}px`, visibility: 'visible' });
    });
    // What only repeats a name is not read a second time.
    if (words === of.getAttribute('aria-label')) return;
    of.setAttribute('aria-describedby', TIP);
    return () => of.removeAttribute('aria-describedby');
  }, [now]);
  if (!now?.of.isConnected) return null;
  return (
    <div
      ref={tip}
      id={TIP}
      role="tooltip"
      key={now.words}
      className="no-print invisible fixed top-0 left-0 z-50 max-w-72 border border-ink bg-sheet px-2 py-1 text-small text-ink"
    >
      {now.words}
    </div>
  );
}
