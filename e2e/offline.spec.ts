import { appendFileSync, cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { root, startServer } from '../scripts/server.mjs';
import { copyDemo, expect, figure, fill, goTo, kept, type Page, stages, test } from './bench.ts';

test.use({ serviceWorkers: 'allow' });

type Server = Awaited<ReturnType<typeof startServer>>;

/** A server of the test's own with its own copy of the built program, so that it can be stopped and changed. */
async function ownServer(databaseUrl: string, port = 0, webRoot = join(root, 'web/dist')): Promise<Server> {
  return startServer({ databaseUrl, port, demo: false, webRoot });
}

async function stop({ child }: Server): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return;
  const gone = new Promise((resolve) => child.once('exit', resolve));
  child.kill('SIGKILL');
  await gone;
}

/** Waits until the program is laid into the browser and answers for this page. */
const isLaidIn = (page: Page): Promise<void> =>
  page.evaluate(async () => {
    await navigator.serviceWorker.ready;
    while (!navigator.serviceWorker.controller)
      await new Promise((resolve) => navigator.serviceWorker.addEventListener('controllerchange', resolve));
  });

test('without its server the program opens whole: shelf, a plan seen before, every stage, quick sums; edits are sent later', async ({
  page,
  served: { databaseUrl },
}) => {
  const id = await copyDemo(page);
  let server = await ownServer(databaseUrl);
  const port = Number(new URL(server.address).port);
  try {
    await page.goto(`${server.address}/plan/${id}/piece`);
    await kept(page);
    await isLaidIn(page);
    const peak = await figure(page, 'Peak draw').textContent();
    await stop(server);

    // As if the machine had been started anew: nothing but what the browser keeps.
    await page.goto(`${server.address}/`);
    await expect(page.getByRole('alert')).toContainText('The server does not answer');
    await page.getByRole('link', { name: `Copy ${id.slice(0, 6)}`, exact: true }).click();
    for (const stage of stages.slice(1)) await goTo(page, stage);
    expect(await figure(page, 'Peak draw').textContent()).toBe(peak);
    await page.reload();
    await expect(page.locator('main[data-stage="logbook"]')).toBeVisible();
    await goTo(page, 'piece');
    await fill(page, 'Hours wanted', '4.5 h');
    await expect(page.locator('[data-keep="away"]')).toBeVisible();

    await page.goto(`${server.address}/sums`);
    await page.getByRole('button', { name: 'Resistor for a light', exact: true }).click();
    await expect(page.locator('[data-answer]').first()).toContainText('Ω');

    server = await ownServer(databaseUrl, port);
    await page.goto(`${server.address}/plan/${id}/piece`);
    await kept(page);
    await page.reload();
    await expect(page.getByLabel('Hours wanted')).toHaveValue('4.5 h');
  } finally {
    await stop(server);
  }
});

test('a newer version waits until it is asked for, and takes over without losing what was typed', async ({
  page,
  served: { databaseUrl },
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'glimmer-web-'));
  cpSync(join(root, 'web/dist'), folder, { recursive: true });
  const id = await copyDemo(page);
  const server = await ownServer(databaseUrl, 0, folder);
  const isNewer = page.getByRole('status').filter({ hasText: 'A newer version of the program' });
  try {
    await page.goto(`${server.address}/plan/${id}/piece`);
    await kept(page);
    await isLaidIn(page);
    await expect(isNewer).toBeHidden();
    appendFileSync(join(folder, 'sw.js'), '\n// newer\n');
    await page.reload();
    await expect(isNewer).toBeVisible();
    await page.getByRole('button', { name: 'Later' }).click();
    await expect(isNewer).toBeHidden();
    // Nothing has taken over: it asks again the next time.
    await page.reload();
    await expect(isNewer).toBeVisible();
    await page.getByLabel('Hours wanted').fill('about sev');
    const loaded = page.waitForEvent('load');
    await page.getByRole('button', { name: 'Take it now' }).click();
    await loaded;
    await expect(page.getByLabel('Hours wanted')).toHaveValue('about sev');
    await expect(isNewer).toBeHidden();
    await page.getByLabel('Hours wanted').press('Escape');
  } finally {
    await stop(server);
    rmSync(folder, { recursive: true });
  }
});

test('it can be installed: a name, a picture and a start, by a manifest that its policy lets through', async ({
  page,
}) => {
  await page.goto('/');
  const address = await page.locator('link[rel="manifest"]').getAttribute('href');
  const manifest = await (await page.request.get(address ?? '')).json();
  expect(manifest).toMatchObject({ name: 'Unruly Glimmer', display: 'standalone', start_url: '/' });
  for (const { src } of manifest.icons) expect((await page.request.get(src)).ok()).toBe(true);
});
