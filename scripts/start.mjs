// ./start: database, migrations, demo data, server; Ctrl-C stops all that it started.

import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { placeCluster, SetUpError, setAside, startCluster } from './postgres.mjs';
import { root, startServer } from './server.mjs';

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
  const cluster = own ? { url: own, stop: () => {} } : await startCluster({ folder });
  let server;
  try {
    server = await startServer({ databaseUrl: cluster.url, port: options.port, demo: !options.empty });
  } catch (error) {
    cluster.stop();
    throw error;
  }
  console.log(
    `\nUnruly Glimmer is ready: ${server.address}\nCtrl-C stops it. Your plans are kept in ${own ? 'your own database' : folder}.`,
  );
  let stopping = false;
  const stop = () => {
    if (stopping) return;
    stopping = true;
    server.child.kill('SIGTERM');
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
  server.child.once('exit', (code) => {
    cluster.stop();
    if (!stopping) console.error('The server stopped by itself; start it again. Nothing that was saved is lost.');
    process.exit(stopping ? 0 : (code ?? 1));
  });
}

main().catch((error) => {
  console.error(error instanceof SetUpError ? error.message : error);
  process.exit(1);
});
