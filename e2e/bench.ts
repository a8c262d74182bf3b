import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { type BrowserContext, test as base, expect, type Locator, type Page } from '@playwright/test';
import { placeCluster, removeCluster, startCluster } from '../scripts/postgres.mjs';
import { startServer } from '../scripts/server.mjs';

export { expect, type Page };

export const DEMO = '6f1d0c52-3b6e-4f0a-9a51-2c7d5b1e7a01';
export const REEF = '6f1d0c52-3b6e-4f0a-9a51-2c7d5b1e7a04';
export const stages = ['piece', 'lights', 'moods', 'drive', 'power', 'wires', 'bench', 'logbook'] as const;

/** Keeps back what pages of a browser send to their workers, in its order. */
export const slowWorkers = (context: BrowserContext, ms: number): Promise<unknown> =>
  ms === 0
    ? Promise.resolve()
    : context.addInitScript((delayMs) => {
        const { postMessage } = Worker.prototype;
        Worker.prototype.postMessage = function (this: Worker, ...sent: unknown[]) {
          setTimeout(() => Reflect.apply(postMessage, this, sent), delayMs);
        };
      }, ms);

interface Served {
  address: string;
  databaseUrl: string;
}

/** A page that fails its test if the browser's console shows an error or a script throws. */
export const test = base.extend<{ quiet: undefined; bare: undefined; slow: undefined }, { served: Served }>({
  // The production build with the demo, on a port and a throw-away database of each worker's own.
  served: [
    // biome-ignore lint/correctness/noEmptyPattern: the first argument must be a pattern, and this needs no other fixture
    async ({}, use) => {
      const folder = placeCluster(join(import.meta.dirname, '../.glimmer', `test-browser-${process.pid}`));
      const cluster = await startCluster({ folder, careless: true });
      const server = await startServer({ databaseUrl: cluster.url, port: 0, demo: true });
      await use({ address: server.address, databaseUrl: cluster.url });
      const gone = new Promise((resolve) => server.child.once('exit', resolve));
      server.child.kill('SIGTERM');
      await gone;
      removeCluster(folder);
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  baseURL: async ({ served }, use) => {
    await use(served.address);
  },
  // Desk, drawer and parts of one's own are the server's: no test finds what another left there.
  bare: [
    async ({ request }, use) => {
      for (const name of ['desk', 'drawer', 'own-parts', 'units']) {
        const { revision } = await (await request.get(`/api/workshop/${name}`)).json();
        await request.put(`/api/workshop/${name}`, { data: [], headers: { 'If-Match': `"${revision}"` } });
      }
      await use(undefined);
    },
    { auto: true },
  ],
  // On a slow machine what is shown is long behind the hand: GLIMMER_SLOW_MS keeps back what is sent to each worker.
  slow: [
    async ({ context }, use) => {
      await slowWorkers(context, Number(process.env.GLIMMER_SLOW_MS ?? 0));
      await use(undefined);
    },
    { auto: true },
  ],
  quiet: [
    async ({ page }, use) => {
      const troubles: string[] = [];
      page.on('pageerror', (error) => troubles.push(error.message));
      page.on('console', (message) => {
        // A refused or failed request is written to the console by the browser itself; tests make those on purpose.
        if (message.type() === 'error' && !/Failed to load resource|net::ERR/.test(message.text()))
          troubles.push(message.text());
      });
      await use(undefined);
      expect(troubles).toEqual([]);
    },
    { auto: true },
  ],
});

/** Waits until the server has confirmed everything. */
export const kept = (page: Page): Promise<void> => expect(page.locator('[data-keep="kept"]')).toBeVisible();

/** A notice in passing. */
export const notice = (page: Page, text: RegExp | string) =>
  page.getByRole('region', { name: 'Notices' }).getByText(text);

/** Goes to a stage by its bead. */
export async function goTo(page: Page, stage: (typeof stages)[number]): Promise<void> {
  const index = stages.indexOf(stage) + 1;
  await page
    .getByRole('navigation', { name: 'Stages' })
    .getByRole('link', { name: new RegExp(`^${index} `) })
    .click();
  await expect(page.locator(`main[data-stage="${stage}"]`)).toBeVisible();
}

/** Waits until the plan that is shown is the one that was made by the last edit. */
export const shown = (page: Page): Promise<void> => expect(page.locator('[data-behind="yes"]')).toHaveCount(0);

/** Types into a quantity field and leaves it. */
export async function fill(page: Page, label: string | RegExp, value: string): Promise<void> {
  const field = page.getByLabel(label, typeof label === 'string' ? { exact: true } : {}).first();
  await field.fill(value);
  await field.press('Enter');
  await shown(page);
}

/** A figure of the reckoning bar. */
export const figure = (page: Page, name: string) =>
  page.getByRole('contentinfo').getByRole('button', { name: new RegExp(`^${name}`) });

/** What the lights of the picture look like just now, to be compared. */
export const drawn = (page: Page): Promise<string> =>
  page
    .locator('canvas')
    .first()
    .evaluate((canvas: HTMLCanvasElement) => canvas.toDataURL());

/** Clicks at a share of the picture's width and height. */
export async function clickPicture(page: Page, x: number, y: number): Promise<void> {
  const box = await page.getByRole('group', { name: /^Picture of/ }).boundingBox();
  if (!box) throw new Error('the picture is on the page');
  await page.mouse.click(box.x + box.width * x, box.y + box.height * y);
}

/** Moves the focus onward until it stands on something with this name. */
export async function tabTo(page: Page, name: RegExp, most = 90): Promise<void> {
  for (let i = 0; i < most; i += 1) {
    await page.keyboard.press('Tab');
    const label = await page.evaluate(() => {
      const at = document.activeElement;
      const labels =
        at && 'labels' in at
          ? [...((at as HTMLInputElement).labels ?? [])].map((each) => each.textContent).join(' ')
          : '';
      return `${at?.getAttribute('aria-label') ?? ''} ${labels} ${at?.textContent ?? ''}`.trim();
    });
    if (name.test(label)) return;
  }
  throw new Error(`nothing named ${name} within ${most} steps of the Tab key`);
}

/** A copy of a demo for a test that changes it, so that no test depends on another; returns its id. */
export async function copyDemo(page: Page, demo = DEMO): Promise<string> {
  const laid = await page.request.get(`/api/plans/${demo}`);
  const { plan } = await (laid.ok() ? laid : await page.request.get(`/api/examples/${demo}`)).json();
  const id = randomUUID();
  await page.request.post('/api/plans', { data: { ...plan, id, name: `Copy ${id.slice(0, 6)}` } });
  return id;
}

/** Takes what is called so (or begins so) out of a list: the browser's own, or one that is searched. */
export async function take(field: Locator, option: string | RegExp): Promise<void> {
  if ((await field.evaluate((element) => element.tagName)) === 'SELECT') {
    const listed = field.locator('option').filter({ hasText: option }).first();
    await field.selectOption(
      typeof option === 'string' ? { label: option } : ((await listed.getAttribute('value')) ?? ''),
    );
    return;
  }
  const page = field.page();
  await field.click();
  if (typeof option === 'string') await field.fill(option);
  const begins = typeof option === 'string' ? new RegExp(`^${option.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}`) : option;
  await page.getByRole('option', { name: begins }).first().click();
}

/** Takes a part by its name in a field of a page or a card. */
export const takePart = (scope: Page | Locator, label: string, option: string): Promise<void> =>
  take(scope.getByRole('combobox', { name: label, exact: true }).first(), option);

/** A new empty plan from the shelf; returns its id. */
export async function beginPlan(page: Page): Promise<string> {
  await page.goto('/');
  await page.getByRole('button', { name: 'New plan' }).click();
  await page.waitForURL(/\/plan\/[\w-]+\/piece/);
  return /plan\/([\w-]+)\//.exec(page.url())?.[1] ?? '';
}
