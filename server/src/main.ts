import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { z } from 'zod';
import { createApp } from './app.ts';
import { layInDemo, openStore } from './store.ts';

const environment = z.object({
  DATABASE_URL: z.string().min(1),
  PORT: z.coerce.number().int().min(0).max(65_535).default(4680),
  WEB_ROOT: z.string().optional(),
  DEMO_FOLDER: z.string().optional(),
  MIGRATIONS_FOLDER: z.string().optional(),
});

const settings = environment.parse(process.env);
const logger = pino({ level: process.env.LOG_LEVEL ?? 'warn' });
const fromHere = (path: string): string => fileURLToPath(new URL(path, import.meta.url));

const store = await openStore({
  url: settings.DATABASE_URL,
  migrationsFolder: settings.MIGRATIONS_FOLDER ?? fromHere('../migrations'),
  onLost: (error) => logger.warn({ err: error }, 'A database connection was lost'),
});
if (settings.DEMO_FOLDER) await layInDemo(store.repository, settings.DEMO_FOLDER, new Date());

const app = createApp({
  repository: store.repository,
  logger,
  now: () => new Date(),
  webRoot: settings.WEB_ROOT ?? null,
});
const server = app.listen(settings.PORT, '127.0.0.1', (error?: Error) => {
  if (error) {
    logger.error({ err: error }, 'Could not listen');
    process.exit('code' in error && error.code === 'EADDRINUSE' ? 98 : 1);
  }
  const address = server.address();
  const port = typeof address === 'object' && address ? address.port : settings.PORT;
  process.stdout.write(`ready http://127.0.0.1:${port}\n`);
});

function stop(): void {
  server.close(() => {
    void store.close().finally(() => process.exit(0));
  });
  server.closeIdleConnections();
  // A browser may hold its connection open; it does not get to hold up the exit.
  setTimeout(() => server.closeAllConnections(), 500).unref();
}
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
