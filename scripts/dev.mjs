// npm run dev: the server rebuilt on change, Vite in front of it, both on loopback, with the same database as ./start.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { placeCluster, SetUpError, startCluster } from './postgres.mjs';
import { root } from './server.mjs';

try {
  const cluster = await startCluster({ folder: placeCluster(join(root, '.glimmer', 'database')) });
  const environment = {
    ...process.env,
    DATABASE_URL: cluster.url,
    PORT: '4681',
    DEMO_FOLDER: join(root, 'demo'),
    LAY_IN_DEMO: 'true',
    API_URL: 'http://127.0.0.1:4681',
  };
  const children = [
    spawn(process.execPath, ['--watch', '--import', 'tsx', 'src/main.ts'], {
      cwd: join(root, 'server'),
      stdio: 'inherit',
      env: environment,
    }),
    spawn(process.execPath, [join(root, 'node_modules/vite/bin/vite.js')], {
      cwd: join(root, 'web'),
      stdio: 'inherit',
      env: environment,
    }),
  ];
  let stopping = false;
  const stop = () => {
    if (stopping) return;
    stopping = true;
    for (const child of children) child.kill('SIGTERM');
    cluster.stop();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
  for (const child of children) child.once('exit', stop);
} catch (error) {
  console.error(error instanceof SetUpError ? error.message : error);
  process.exit(1);
}
