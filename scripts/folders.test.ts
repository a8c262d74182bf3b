import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { describe, expect, it } from 'vitest';
import { removeCluster, SetUpError, sayFolder, startCluster } from './postgres.mjs';
import { root } from './server.mjs';

describe('a folder with a name that shells stumble over', () => {
  it('holds the database all the same: quotes, a dollar sign, blanks, an umlaut', async () => {
    const above = mkdtempSync(join(tmpdir(), 'glimmer-'));
    // The one that runs the database must be able to walk there.
    spawnSync('chmod', ['755', above]);
    const folder = join(above, `quo'te "double" $HOME müll`, 'database');
    try {
      const first = await startCluster({ folder, careless: true });
      expect(first.answers()).toBe(true);
      first.stop();
      expect(first.answers()).toBe(false);
      const again = await startCluster({ folder, careless: true, port: first.port });
      expect(again.port).toBe(first.port);
      expect(again.answers()).toBe(true);
      again.kill();
    } finally {
      removeCluster(folder);
      rmSync(above, { recursive: true });
    }
  });
});

describe('a folder beside which another is made', () => {
  it('takes nothing of it: what lies beside it stays, and each is opened by its own password', async () => {
    const above = mkdtempSync(join(tmpdir(), 'glimmer-'));
    spawnSync('chmod', ['755', above]);
    const folders = ['one', 'other'].map((name) => join(above, name));
    const making = folders.map(
      (folder) =>
        new Promise<string>((resolve) => {
          const script = `const { startCluster } = await import(${JSON.stringify(join(root, 'scripts/postgres.mjs'))});
            console.log((await startCluster({ folder: ${JSON.stringify(folder)}, careless: true })).url);`;
          const child = spawn(process.execPath, ['--input-type=module', '-e', script]);
          let said = '';
          child.stdout.on('data', (data) => {
            said += data;
          });
          child.once('exit', () => resolve(said.trim().split('\n').pop() ?? ''));
        }),
    );
    try {
      const urls = await Promise.all(making);
      for (const url of urls) {
        const opened = new pg.Client(url);
        await opened.connect();
        expect((await opened.query('select 1 as one')).rows).toEqual([{ one: 1 }]);
        await opened.end();
      }
      expect(readdirSync(above).sort()).toEqual(['one', 'other']);
    } finally {
      for (const folder of folders) removeCluster(folder);
      rmSync(above, { recursive: true });
    }
  });
});

describe('what the system says of a folder', () => {
  const trouble = (code: string): Error =>
    Object.assign(new Error(`${code}: no`), { code, path: '/srv/glimmer/.glimmer' });
  it.each([
    ['EACCES', /^\/srv\/glimmer\/\.glimmer belongs to someone else.*Start as the user/],
    ['EPERM', /belongs to someone else/],
    ['EROFS', /can only be read\. Copy the whole folder/],
    ['ENOSPC', /is full\. Make room and start again; what was saved is kept/],
  ])('%s is a sentence with what to do', (code, says) => {
    const said = sayFolder(trouble(code));
    expect(said).toBeInstanceOf(SetUpError);
    expect((said as Error).message).toMatch(says);
  });
  it('is left as it is where it is something else: a fault of ours shows where it came from', () => {
    const fault = new TypeError('x is not a function');
    expect(sayFolder(fault)).toBe(fault);
  });
});

describe('a database that is not there', () => {
  it.each(['postgres://x:y@127.0.0.1:9/none', 'postgres://x:y@127.0.0.1:9/none?connect_timeout=1'])(
    '%s is told of in a line, not by a stack',
    (address) => {
      const { status, stderr, stdout } = spawnSync(
        process.execPath,
        ['--import', 'tsx', join(root, 'server/src/main.ts')],
        { cwd: root, encoding: 'utf8', env: { ...process.env, DATABASE_URL: address, PORT: '0' } },
      );
      expect(status).toBe(97);
      expect(stdout).toBe('');
      expect(stderr.trim().split('\n')).toEqual([
        expect.stringMatching(/^The database can’t be opened: .*ECONNREFUSED/),
      ]);
    },
  );
});
