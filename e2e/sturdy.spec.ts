import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { beginPlan, expect, fill, goTo, kept, test } from './bench.ts';

test('what is typed and not left stands in its field again: after a reload, and after another stage', async ({
  page,
}) => {
  await beginPlan(page);
  await kept(page);
  const hours = page.getByLabel('Hours wanted');
  // Rubbish is not taken, so that it stands there as it was typed.
  await hours.fill('about five or s');
  await page.reload();
  await expect(hours).toHaveValue('about five or s');
  await fill(page, 'Hours wanted', '5 h');
  await kept(page);
  await page.reload();
  await expect(hours).toHaveValue('5 h');
  await goTo(page, 'logbook');
  const note = page.getByLabel('What happened, what was learned');
  await note.fill('The left jaw went dark after two hours in the rain');
  await goTo(page, 'wires');
  await goTo(page, 'logbook');
  await expect(note).toHaveValue('The left jaw went dark after two hours in the rain');
  await page.reload();
  await expect(note).toHaveValue('The left jaw went dark after two hours in the rain');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(note).toHaveValue('');
  await page.reload();
  await expect(note).toHaveValue('');
  await expect(page.getByText('The left jaw went dark after two hours in the rain')).toBeVisible();
});

test('a stage whose script can’t be fetched says so; the plan goes on, and is taken out from there', async ({
  page,
}) => {
  // From the beginning: the sheets are fetched ahead while the page rests.
  await page.route('**/assets/PowerSheet*', (route) => route.abort());
  await beginPlan(page);
  await fill(page, 'Hours wanted', '5 h');
  await kept(page);
  await goTo(page, 'power');
  const trouble = page.getByRole('alert').filter({ hasText: 'could not be fetched' });
  await expect(trouble).toContainText('Your plan is untouched');
  const download = page.waitForEvent('download');
  await trouble.getByRole('button', { name: 'Take the plan out' }).click();
  const text = readFileSync(await (await download).path(), 'utf8');
  expect((JSON.parse(text) as { design: { piece: { hoursWanted: number } } }).design.piece.hoursWanted).toBe(5);
  const report = page.waitForEvent('download');
  await trouble.getByRole('button', { name: 'Take out a report' }).click();
  const told = readFileSync(await (await report).path(), 'utf8');
  expect(told).toContain('This sheet');
  expect(told).not.toContain('hoursWanted');
  // The other stages, the picture and the figures are as they were.
  await goTo(page, 'drive');
  await expect(page.getByRole('contentinfo')).toBeVisible();
  await page.unroute('**/assets/PowerSheet*');
  await goTo(page, 'power');
  await page.getByRole('button', { name: 'Load the page again' }).click();
  await expect(trouble).toBeHidden();
  await expect(page.locator('main[data-stage="power"]').getByRole('heading', { level: 3 }).first()).toBeVisible();
});

test('a plan with ids that every object answers to is opened, worked with and reckoned on the shelf', async ({
  page,
}) => {
  await page.goto('/');
  const plan = JSON.parse(readFileSync(new URL('../demo/mooring-float.glimmer.json', import.meta.url), 'utf8')) as {
    id: string;
    name: string;
  };
  const hostile = JSON.stringify({ ...plan, id: crypto.randomUUID(), name: 'Hostile float' })
    .replaceAll('"lamp"', '"constructor"')
    .replaceAll('"cell"', '"toString"');
  await page.getByLabel('Plan file to bring in').setInputFiles({
    name: 'hostile.glimmer.json',
    mimeType: 'application/json',
    buffer: Buffer.from(hostile),
  });
  await expect(page.getByRole('link', { name: 'Hostile float', exact: true })).toBeVisible();
  const card = page
    .getByRole('listitem')
    .filter({ has: page.getByRole('link', { name: 'Hostile float', exact: true }) });
  await expect(card).toContainText('runs for');
  await page.getByRole('link', { name: 'Hostile float', exact: true }).click();
  for (const stage of ['lights', 'moods', 'drive', 'power', 'wires', 'bench', 'logbook'] as const)
    await goTo(page, stage);
  await kept(page);
});

test('a browser whose store takes nothing: plans open and are kept on the server, and the sign says what is so', async ({
  page,
  context,
}) => {
  await page.addInitScript(() => {
    // As in a private window, or with a full disk.
    IDBFactory.prototype.open = () => {
      throw new DOMException('The store takes nothing', 'QuotaExceededError');
    };
  });
  await beginPlan(page);
  await fill(page, 'Hours wanted', '5 h');
  await kept(page);
  await page.reload();
  await expect(page.getByLabel('Hours wanted')).toHaveValue('5 h');
  await context.setOffline(true);
  await fill(page, 'Hours wanted', '6 h');
  await expect(page.locator('[data-keep="away"]')).toContainText('on this page alone');
  await expect(page.getByRole('alert')).toContainText('take the plan out as a file');
  await context.setOffline(false);
  await kept(page);
  await expect(page.getByRole('alert').filter({ hasText: 'as a file' })).toBeHidden();
  await page.reload();
  await expect(page.getByLabel('Hours wanted')).toHaveValue('6 h');
});

test('what started the server is killed outright: the server ends too, and its port is free for the next', async ({
  served: { databaseUrl },
}) => {
  const starter = spawn(
    process.execPath,
    [
      '--input-type=module',
      '-e',
      `import { startServer } from ${JSON.stringify(new URL('../scripts/server.mjs', import.meta.url).href)};
       const { address } = await startServer({ databaseUrl: ${JSON.stringify(databaseUrl)}, port: 0, demo: false });
       console.log('at ' + address);`,
    ],
    { stdio: ['ignore', 'pipe', 'inherit'] },
  );
  const address = await new Promise<string>((resolve) => {
    starter.stdout.on('data', (chunk: Buffer) => {
      const found = /^at (\S+)$/m.exec(chunk.toString())?.[1];
      if (found) resolve(found);
    });
  });
  expect((await fetch(`${address}/api/health`)).ok).toBe(true);
  starter.kill('SIGKILL');
  const isGone = (): Promise<boolean> =>
    fetch(`${address}/api/health`).then(
      () => false,
      () => true,
    );
  await expect.poll(isGone).toBe(true);
});
