import { join } from 'node:path';
import { placeCluster, removeCluster, startCluster } from '../scripts/postgres.mjs';
import { startServer } from '../scripts/server.mjs';

/** The production build on a port and a throw-away database of its own; a function that takes both away. */
export default async function globalSetup(): Promise<() => Promise<void>> {
  const folder = placeCluster(join(import.meta.dirname, '../.glimmer', `test-browser-${process.pid}`));
  const cluster = await startCluster({ folder, careless: true });
  const server = await startServer({ databaseUrl: cluster.url, port: 0, demo: true });
  process.env.GLIMMER_URL = server.address;
  process.env.GLIMMER_DATABASE_URL = cluster.url;
  return async () => {
    const gone = new Promise((resolve) => server.child.once('exit', resolve));
    server.child.kill('SIGTERM');
    await gone;
    removeCluster(folder);
  };
}
