import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
import { placeCluster, removeCluster, startCluster } from '../../scripts/postgres.mjs';

declare module 'vitest' {
  export interface ProvidedContext {
    databaseUrl: string;
    databaseFolder: string;
  }
}

/** A throw-away cluster for one run of the server's tests, on a port of its own. */
export default async function setup(project: TestProject): Promise<() => void> {
  const folder = placeCluster(join(import.meta.dirname, '../../.glimmer', `test-server-${process.pid}`));
  const cluster = await startCluster({ folder, careless: true });
  project.provide('databaseUrl', cluster.url);
  project.provide('databaseFolder', folder);
  return () => removeCluster(folder);
}
