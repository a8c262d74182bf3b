// Saves a second with ten browsers at once, each on a plan of its own, against a database that keeps what it confirms.
import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { installDebian, placeCluster, removeCluster, startCluster } from './postgres.mjs';
import { root, startServer } from './server.mjs';

const BROWSERS = 10;
const RUNS = 5;
const SECONDS = 20;

if (!existsSync('/usr/bin/wrk')) installDebian(['wrk']);
const folder = placeCluster(join(root, '.glimmer', `saves-${process.pid}`));
const plans = join(root, '.glimmer', `saves-plans-${process.pid}`);
const cluster = await startCluster({ folder });
const server = await startServer({ databaseUrl: cluster.url, port: 0, demo: false });
try {
  mkdirSync(plans);
  const { id: _own, ...demo } = JSON.parse(readFileSync(join(root, 'demo/anglerfish-headdress.glimmer.json'), 'utf8'));
  // Run 0 warms the server up: a new process compiles as it goes.
  for (let run = 0; run <= RUNS; run += 1) {
    for (let browser = 0; browser < BROWSERS; browser += 1) {
      const body = JSON.stringify({ id: randomUUID(), ...demo });
      const added = await fetch(`${server.address}/api/plans`, {
        method: 'POST',
        // A run outlasts what a connection is held for.
        headers: { 'Content-Type': 'application/json', Connection: 'close' },
        body,
      });
      if (!added.ok) throw new Error(`A plan was not taken in: ${added.status} ${await added.text()}`);
      writeFileSync(join(plans, `${browser}.json`), body);
    }
    const { stdout } = spawnSync(
      'wrk',
      [
        `-t${BROWSERS}`,
        `-c${BROWSERS}`,
        `-d${SECONDS}s`,
        '--latency',
        '-s',
        join(root, 'scripts/benchSaves.lua'),
        server.address,
        '--',
        plans,
      ],
      { encoding: 'utf8' },
    );
    const find = (pattern) => pattern.exec(stdout)?.[1] ?? '?';
    const refused = /Non-2xx[^:]*: (\d+)/.exec(stdout)?.[1];
    console.log(
      `${run === 0 ? 'warming up' : `run ${run}`}: ${find(/Requests\/sec:\s+(\S+)/)} saves a second, p50 ${find(/50%\s+(\S+)/)}, p99 ${find(/99%\s+(\S+)/)}${refused ? `, ${refused} REFUSED` : ''}`,
    );
  }
} finally {
  server.child.kill('SIGTERM');
  cluster.stop();
  removeCluster(folder);
  rmSync(plans, { recursive: true, force: true });
}
