import type { Request, Response } from 'express';

/** Something that every open page hears of at once. */
type PlanEvent =
  | { readonly kind: 'plan'; readonly id: string; readonly revision: number; readonly saveId: string | null }
  | { readonly kind: 'shelf'; readonly id: string }
  | { readonly kind: 'belonging'; readonly name: string; readonly revision: number };

/** What every open page hears of. */
export interface Events {
  /** Tells every page that listens. */
  readonly publish: (event: PlanEvent) => void;
  /** Answers a request with a stream of server-sent events, for as long as it is listened to. */
  readonly stream: (req: Request, res: Response) => void;
  /** Ends every stream. */
  readonly close: () => void;
}

/** What goes between is told to be there still, so that nobody in between cuts it. */
const STILL_HERE_MS = 20_000;

/** Server-sent events of what is saved and reckoned. */
export function createEvents(): Events {
  const listeners = new Set<Response>();
  const toAll = (text: string): void => {
    for (const listener of listeners) listener.write(text);
  };
  const timer = setInterval(() => toAll(': still here\n\n'), STILL_HERE_MS);
  timer.unref();
  return {
    publish: ({ kind, ...data }) => toAll(`event: ${kind}\ndata: ${JSON.stringify(data)}\n\n`),
    stream: (req, res) => {
      // Not to be transformed: compression would hold events back.
      res.writeHead(200, { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-cache, no-transform' });
      res.write('retry: 1000\n\n');
      listeners.add(res);
      req.once('close', () => listeners.delete(res));
    },
    close: () => {
      clearInterval(timer);
      for (const listener of listeners) listener.end();
      listeners.clear();
    },
  };
}
