import type { IncomingMessage, ServerResponse } from 'node:http';
import compression from 'compression';
import express, { type ErrorRequestHandler, type Express, type RequestHandler } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import type { Aside } from './aside.ts';
import { mostOfBody, wantJson } from './bodies.ts';
import type { Events } from './events.ts';
import { createExampleRoutes, type Examples } from './examples.ts';
import { guardHosts } from './guard.ts';
import { describeApi } from './openapi.ts';
import { createPlanRoutes } from './planRoutes.ts';
import { Problem, problemsPage } from './problems.ts';
import type { Shelf } from './shelf.ts';
import type { Store } from './store.ts';
import { isStoreAway } from './storeAway.ts';
import { createArchiveRoutes, createWorkshopRoutes } from './workshopRoutes.ts';

/** What the app is made from; tests hand over their own. */
export interface AppDeps {
  /** The database. */
  readonly store: Pick<Store, 'repository' | 'belongings' | 'alone'>;
  /** Reads large plans. */
  readonly aside: Pick<Aside, 'run'>;
  /** Packs and unpacks archives. */
  readonly archivist: Pick<Aside, 'run'>;
  /** Errors of ours, and what the maker may want to read. */
  readonly logger: Pick<Logger, 'error' | 'info'>;
  /** The clock. */
  readonly now: () => Date;
  /** Folder of the built web app; null serves the interface from elsewhere (development). */
  readonly webRoot: string | null;
  /** What the shelf shows. */
  readonly shelf: Shelf;
  /** What a plan can begin from. */
  readonly examples: Examples;
  /** What pages that are open are told. */
  readonly events: Events;
}

function toProblem(error: unknown): Problem {
  if (error instanceof Problem) return error;
  if (isStoreAway(error))
    return new Problem('store-away', 'The database does not answer; your work is kept in the browser until it does', {
      cause: error,
    });
  const { type, status, limit } = (typeof error === 'object' && error !== null ? error : {}) as {
    readonly type?: unknown;
    readonly status?: unknown;
    readonly limit?: unknown;
  };
  if (type === 'entity.too.large')
    return new Problem(
      'too-large',
      `This may hold ${Number(limit) / 1024 / 1024} MB; a plan grows by its pictures: take smaller ones`,
      { cause: error },
    );
  if (status === 404) return new Problem('not-found', 'There is no such file here', { cause: error });
  if (typeof status === 'number' && status >= 400 && status < 500)
    return new Problem(
      'bad-request',
      `The request can’t be read: ${error instanceof Error ? error.message : 'something about it is broken'}`,
      { cause: error },
    );
  return new Problem('our-fault', 'This is a fault of the program; your work is kept in the browser', { cause: error });
}

/** What is logged of an error: what the driver was asked holds whole plans, and they stay out of the log. */
function tellOf(error: unknown): Record<string, unknown> {
  if (!(error instanceof Error)) return { message: String(error) };
  const { name, message, stack, cause } = error;
  const short = (text: string | undefined): string | undefined => text?.slice(0, MOST_LOGGED);
  return {
    name,
    message: short(message),
    stack: short(stack),
    ...(cause === undefined ? {} : { cause: tellOf(cause) }),
  };
}

const MOST_LOGGED = 600;

/** Says on every answer what a page may load; the same every time, so that it is worked out once. */
function guardPages(): RequestHandler {
  const headers = new Map<string, string>();
  const guard = helmet({
    // Plain http on loopback: asking the browser to upgrade would lock the maker out.
    strictTransportSecurity: false,
    contentSecurityPolicy: {
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        styleSrc: ["'self'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'"],
        workerSrc: ["'self'", 'blob:'],
        connectSrc: ["'self'", 'blob:'],
        objectSrc: ["'none'"],
        upgradeInsecureRequests: null,
      },
    },
  });
  const written = { setHeader: headers.set.bind(headers), removeHeader: () => undefined };
  guard({} as IncomingMessage, written as unknown as ServerResponse, (problem) => {
    if (problem) throw problem;
  });
  return (_req, res, next) => {
    res.setHeaders(headers);
    next();
  };
}

/** The built interface: every address that is no file is a page of it. */
function serveWeb(app: Express, webRoot: string): void {
  app.use('/assets', express.static(`${webRoot}/assets`, { immutable: true, maxAge: '1y', fallthrough: false }));
  app.use(express.static(webRoot, { index: false }));
  app.get('/{*path}', (_req, res) => {
    res.set('Cache-Control', 'no-cache').sendFile('index.html', { root: webRoot });
  });
}

/** Answers every error as a problem of the list, and logs our own. */
const answerErrors =
  (logger: AppDeps['logger']): ErrorRequestHandler =>
  (error, req, res, next) => {
    if (res.headersSent) {
      next(error);
      return;
    }
    const problem = toProblem(error);
    const body = problem.toBody();
    if (body.status >= 500) logger.error({ err: tellOf(problem.cause ?? problem), url: req.url }, problem.detail);
    res.set(problem.headers).status(body.status).type('application/problem+json').send(JSON.stringify(body));
  };

/** The whole server as one Express app, made from what it depends on; listening is done elsewhere. */
export function createApp({
  store,
  aside,
  archivist,
  logger,
  now,
  webRoot,
  shelf,
  examples,
  events,
}: AppDeps): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(guardPages());
  // What is answered to a save is too short to be packed.
  app.get('/{*path}', compression());
  app.use(guardHosts, wantJson);
  const deps = { store, aside, now, shelf, events } as const;
  app.use('/api/archive', createArchiveRoutes({ ...deps, archivist }));
  // Each route reads its body itself: a large one aside.
  app.use(express.raw({ type: ['json', '+json'], limit: mostOfBody.bytes }));

  app.get('/api/health', async (_req, res) => {
    await store.repository.ping();
    res.json({ ok: true });
  });
  app.get('/api/problems', (_req, res) => {
    res.type('html').send(problemsPage());
  });
  const api = JSON.stringify(describeApi());
  app.get('/api/openapi.json', (_req, res) => {
    res.type('json').send(api);
  });
  app.get('/api/events', events.stream);
  app.use('/api/plans', createPlanRoutes({ ...deps, repository: store.repository }));
  app.use('/api/examples', createExampleRoutes(examples));
  app.use('/api/workshop', createWorkshopRoutes(deps));
  app.use('/api', () => {
    throw new Problem('not-found', 'No such address under /api');
  });
  if (webRoot !== null) serveWeb(app, webRoot);
  app.use(answerErrors(logger));
  return app;
}
