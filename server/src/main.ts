import { createHash } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { z } from 'zod';
import { createApp } from './app.ts';
import { createAside, describeAside } from './aside.ts';
import { createEvents } from './events.ts';
import { createExamples } from './examples.ts';
import { createShelf } from './shelf.ts';
import { layInDemo, openStore } from './store.ts';
import { sayWhyClosed } from './storeAway.ts';

const environment = z.object({
  DATABASE_URL: z.string().min(1),
  PORT: z.coerce.number().int().min(0).max(65_535).default(4680),
  WEB_ROOT: z.string().optional(),
  /** Where the example pieces are. */
  DEMO_FOLDER: z.string().optional(),
  /** Whether the first of them are laid on the shelf. */
  LAY_IN_DEMO: z.stringbool().default(false),
  MIGRATIONS_FOLDER: z.string().optional(),
});

/** A large workshop takes its time. */
const MOST_ARCHIVE_MS = 300_000;

let end = (): void => process.exit(0);
// Whoever started this holds its input open: when that one is gone, however it went, nothing stays behind.
if (process.env.ENDS_WITH_INPUT) process.stdin.resume().once('end', () => end());

const settings = environment.parse(process.env);
const logger = pino({ level: process.env.LOG_LEVEL ?? 'warn' });
const fromHere = (path: string): string => fileURLToPath(new URL(path, import.meta.url));

/** The database can't be used: whoever started this is told why, in a line. */
const CLOSED = 97;
const store = await openStore({
  at: new Date(),
  url: settings.DATABASE_URL,
  migrationsFolder: settings.MIGRATIONS_FOLDER ?? fromHere('../migrations'),
  onLost: (error) => logger.warn({ err: error }, 'A database connection was lost'),
}).catch((error: unknown) => {
  process.stderr.write(`The database can’t be opened: ${sayWhyClosed(error)}\n`);
  return process.exit(CLOSED);
});
await store.repository.sweepPictures(new Date());
if (settings.DEMO_FOLDER && settings.LAY_IN_DEMO) await layInDemo(store.repository, settings.DEMO_FOLDER, new Date());

// Built, the worker stands beside this file; from source it is run through the same loader.
const built = new URL('./asideWorker.mjs', import.meta.url);
const script = existsSync(built) ? built : new URL('./asideWorker.ts', import.meta.url);
// Whoever sends a plan does not wait for the shelf to be reckoned.
const [reckoner, reader] = [createAside(script), createAside(script)];
const archivist = createAside(script, MOST_ARCHIVE_MS);
const events = createEvents();
const shelf = createShelf({
  repository: store.repository,
  describe: describeAside(reckoner),
  core: createHash('sha256').update(readFileSync(script)).digest('hex').slice(0, 16),
  onReckoned: (id) => events.publish({ kind: 'shelf', id }),
  onTrouble: (error) => logger.warn({ message: error instanceof Error ? error.message : String(error) }, 'The shelf'),
});
const app = createApp({
  store,
  aside: reader,
  archivist,
  logger,
  now: () => new Date(),
  webRoot: settings.WEB_ROOT ?? null,
  shelf,
  examples: createExamples(settings.DEMO_FOLDER ?? null, describeAside(reckoner)),
  events,
});
// Whoever sends slowly, headers or body, is cut off: loopback is quick.
const server = createServer({ headersTimeout: 10_000, requestTimeout: 30_000, connectionsCheckingInterval: 2000 }, app);
server.once('error', (error: NodeJS.ErrnoException) => {
  logger.error({ code: error.code, message: error.message }, 'Could not listen');
  process.exit(error.code === 'EADDRINUSE' ? 98 : 1);
});
server.listen(settings.PORT, '127.0.0.1', () => {
  const address = server.address();
  const port = typeof address === 'object' && address ? address.port : settings.PORT;
  process.stdout.write(`ready http://127.0.0.1:${port}\n`);
});

function stop(): void {
  events.close();
  server.close(() => {
    void Promise.allSettled([store.close(), reckoner.close(), reader.close(), archivist.close()]).then(() =>
      process.exit(0),
    );
  });
  server.closeIdleConnections();
  // A browser may hold its connection open; it does not get to hold up the exit.
  setTimeout(() => server.closeAllConnections(), 500).unref();
}
end = stop;
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
