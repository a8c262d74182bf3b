// ./start: database, migrations, demo data, server; Ctrl-C stops all that it started.

import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { placeCluster, SetUpError, sayFolder, setAside, startCluster } from './postgres.mjs';
import { root, startServer } from './server.mjs';
import { createLog, keepRunning } from './supervise.mjs';

const usage =
  'Use: ./start [--port N] [--empty] [--fresh]\n  --port N   serve on this port (4680)\n  --empty    without the demo plans\n  --fresh    set the old data aside and begin anew\nDATABASE_URL takes a PostgreSQL server of your own.';

function readOptions() {
  try {
    const { values } = parseArgs({
      options: {
        port: { type: 'string', default: '4680' },
        empty: { type: 'boolean', default: false },
        fresh: { type: 'boolean', default: false },
        help: { type: 'boolean', default: false },
      },
    });
    const port = Number(values.port);
    if (!Number.isInteger(port) || port < 1 || port > 65_535)
      throw new SetUpError(`--port takes a number from 1 to 65535, got "${values.port}"`);
    return { ...values, port };
  } catch (error) {
    throw error instanceof SetUpError ? error : new SetUpError(`${error.message}\n${usage}`);
  }
}

const newest = (folder) =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .reduce((latest, entry) => Math.max(latest, statSync(join(entry.parentPath ?? entry.path, entry.name)).mtimeMs), 0);

/** Builds what is older than its source. */
function ensureBuilt() {
  const source = Math.max(
    ...['core/src', 'server/src', 'web/src'].map((folder) => newest(join(root, folder))),
    statSync(join(root, 'package-lock.json')).mtimeMs,
  );
  const built = ['web/dist/index.html', 'server/dist/main.mjs'].map((file) => join(root, file));
  if (built.every((file) => existsSync(file) && statSync(file).mtimeMs >= source)) return;
  console.log('Building …');
  const result = spawnSync('npm', ['run', 'build', '--silent'], { cwd: root, stdio: ['ignore', 'ignore', 'inherit'] });
  if (result.status !== 0) throw new SetUpError('The build failed; see the lines above');
}

async function main() {
  const options = readOptions();
  if (options.help) return console.log(usage);
  ensureBuilt();
  const folder = placeCluster(join(root, '.glimmer', 'database'));
  if (options.fresh && existsSync(folder))
    console.log(
      `The old data is set aside in ${setAside(folder, new Date().toISOString().replaceAll(':', '-').slice(0, 19))}`,
    );
  const own = process.env.DATABASE_URL;
  const cluster = own ? null : await startCluster({ folder });
  const databaseUrl = own ?? cluster.url;
  const log = createLog(join(root, '.glimmer', 'server.log'));
  const startOne = () => startServer({ databaseUrl, port: options.port, demo: !options.empty, log });
  let first;
  try {
    first = await startOne();
  } catch (error) {
    cluster?.stop();
    throw error;
  }
  console.log(
    `\nUnruly Glimmer is ready: ${first.address}\nCtrl-C stops it. Your plans are kept in ${own ? 'your own database' : folder}.`,
  );
  const server = keepRunning({
    start: async () => {
      const { child } = first ?? (await startOne());
      first = undefined;
      return {
        exited: new Promise((resolve) => child.once('exit', (code) => resolve(code))),
        stop: () => child.kill('SIGTERM'),
      };
    },
    onStopped: ({ pauseMs, error }) =>
      console.error(
        `The server stopped by itself${error instanceof SetUpError ? ` (${error.message})` : ''}; it is started again in ${pauseMs / 1000} s. Nothing that was saved is lost.`,
      ),
    pause,
  });
  const database = cluster ? watchDatabase(cluster, folder) : null;
  let stopping = false;
  const stop = async () => {
    if (stopping) return;
    stopping = true;
    await server.stop();
    database?.stop();
    process.exit(0);
  };
  // The terminal closed is an end like any other.
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop());
}

const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));
const LOOK_EVERY_MS = 5000;

/** Starts the database again, on its port, where it no longer answers. */
function watchDatabase(first, folder) {
  let cluster = first;
  const again = async () => {
    cluster = await startCluster({ folder, port: first.port });
    console.error('The database runs again.');
  };
  let isEnding = false;
  const kept = keepRunning({
    start: async () => {
      if (!cluster.answers()) await again();
      return { exited: untilItIsGone(() => isEnding || !cluster.answers()), stop: () => {} };
    },
    onStopped: ({ pauseMs, error }) =>
      console.error(
        `The database does not answer${error ? ` (${error.message})` : ''}; it is started again in ${pauseMs / 1000} s.`,
      ),
    pause,
  });
  return {
    stop: () => {
      isEnding = true;
      // It is not waited for: its next look may be seconds away.
      void kept.stop();
      cluster.stop();
    },
  };
}

async function untilItIsGone(isGone) {
  // Twice in a row: one look may come while it is busy.
  for (let missed = 0; missed < 2; ) {
    if (isGone()) missed += 1;
    else missed = 0;
    if (missed < 2) await pause(missed > 0 ? 300 : LOOK_EVERY_MS);
  }
  return null;
}

main().catch((trouble) => {
  const error = sayFolder(trouble);
  console.error(error instanceof SetUpError ? error.message : error);
  process.exit(1);
});
