// npm run ordeal -- --minutes 5: kills server and database under saves and under browsers that write, and feeds readers and
// sums with damaged input. Prints what was tried, what was lost and what broke; all that was lost or broke must be 0.
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { placeCluster, removeCluster, startCluster } from '../../scripts/postgres.mjs';
import { root, startServer } from '../../scripts/server.mjs';
import { liveInBrowsers } from './browsers.ts';
import { count, demos } from './count.ts';
import { pause, pick, random, setSeed } from './random.ts';
import { feedReaders, sendHostile } from './readers.ts';
import { Writer } from './writer.ts';

const { values } = parseArgs({ options: { minutes: { type: 'string', default: '5' }, seed: { type: 'string' } } });
const minutes = Number(values.minutes);
if (values.seed !== undefined) setSeed(Number(values.seed));

const folder = placeCluster(join(root, '.glimmer', `ordeal-${process.pid}`));
let cluster = await startCluster({ folder });
const port = 4710;
let server = await startServer({ databaseUrl: cluster.url, port, demo: false });
const address = server.address;
const until = Date.now() + minutes * 60_000;
const isOver = (): boolean => Date.now() >= until;

async function kill(): Promise<void> {
  const what = pick(['server', 'database', 'both'] as const);
  count.kills += 1;
  if (what !== 'database') {
    const gone = new Promise((resolve) => server.child.once('exit', resolve));
    server.child.kill('SIGKILL');
    await gone;
  }
  if (what !== 'server') {
    cluster.kill();
    await pause(100 + random() * 400);
    cluster = await startCluster({ folder, port: cluster.port });
  }
  if (what !== 'database') server = await startServer({ databaseUrl: cluster.url, port, demo: false });
}

try {
  const writers = Array.from({ length: 6 }, () => new Writer(() => address, pick(demos)));
  await Promise.all(writers.map((writer) => writer.begin()));
  await Promise.all([
    liveInBrowsers(address, isOver),
    ...writers.map(async (writer) => {
      while (!isOver()) await writer.save();
    }),
    (async () => {
      while (!isOver()) {
        await pause(500 + random() * 2000);
        await kill();
      }
    })(),
    (async () => {
      while (!isOver()) {
        for (let i = 0; i < 5; i += 1) feedReaders();
        await sendHostile(address);
        await pause(5);
      }
    })(),
  ]);
  for (const writer of writers) await writer.check();
} finally {
  server.child.kill('SIGKILL');
  removeCluster(folder);
}
console.log(
  `tried: ${count.saves} saves confirmed under ${count.kills} kills, ${count.notes} notes in two browsers and three tabs with ${count.upsets} reloads, lost networks and closed tabs, ${count.damaged} damaged inputs, ${count.hostile} hostile requests\n` +
    `lost: ${count.lost}; broke: ${count.broke}; answered otherwise than they should be: ${count.unexpected}`,
);
process.exit(count.lost + count.broke + count.unexpected === 0 ? 0 : 1);
