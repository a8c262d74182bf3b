import type { Told } from '@glimmer/core/motion';
import { followTelling } from './telling.ts';

/** What is used of a port of the browser’s serial interface. */
export interface BoardPort {
  readonly open: (options: { readonly baudRate: number }) => Promise<void>;
  readonly close: () => Promise<void>;
  readonly readable: ReadableStream<Uint8Array> | null;
}

interface SerialInterface {
  readonly requestPort: () => Promise<BoardPort>;
}

/** The browser’s serial interface; null where it has none. */
export const serialInterface = (): SerialInterface | null =>
  'serial' in navigator ? ((navigator as { readonly serial?: SerialInterface }).serial ?? null) : null;

/** A board on a cable that is not there: it says, over the same interface, what the simulated controller says. */
export function standInPort(mark: string, told: Told): BoardPort {
  let end: (() => void) | null = null;
  let stream: ReadableStream<Uint8Array> | null = null;
  const letters = new TextEncoder();
  return {
    open: async () => {
      stream = new ReadableStream<Uint8Array>({
        start: (controller) => {
          end = followTelling(mark, told, ({ text }) => controller.enqueue(letters.encode(`${text}\r\n`)));
        },
        cancel: () => end?.(),
      });
    },
    close: async () => {
      end?.();
      stream = null;
    },
    get readable() {
      return stream;
    },
  };
}
