// How many frames a second the running picture gives in headless Chromium: the demo, and the demo with 600 pixels.
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { placeCluster, removeCluster, startCluster } from './postgres.mjs';
import { root, startServer } from './server.mjs';

const DEMO = '6f1d0c52-3b6e-4f0a-9a51-2c7d5b1e7a01';
const SECONDS = 4;

/** Frames that the picture tells of in some seconds, by the clock of the mood, which each frame moves. */
async function measure(page: Page, address: string, id: string): Promise<number> {
  await page.goto(`${address}/plan/${id}/moods`);
  await page.getByRole('tab', { name: 'Hunt' }).click();
  await page.waitForTimeout(1500);
  return page.evaluate(async (seconds) => {
    const slider = document.querySelector<HTMLInputElement>('input[type="range"][aria-valuetext$=" s"]');
    let [frames, last] = [0, ''];
    const until = performance.now() + seconds * 1000;
    while (performance.now() < until) {
      await new Promise((resolve) => requestAnimationFrame(resolve));
      const now = slider?.getAttribute('aria-valuetext') ?? '';
      if (now !== last) frames += 1;
      last = now;
    }
    return frames / seconds;
  }, SECONDS);
}

const folder = placeCluster(join(root, '.glimmer', `preview-${process.pid}`));
const cluster = await startCluster({ folder, careless: true });
const server = await startServer({ databaseUrl: cluster.url, port: 0, demo: true });
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const { plan } = await (await page.request.get(`${server.address}/api/plans/${DEMO}`)).json();
  const id = randomUUID();
  const items = plan.design.items.map((item: { readonly kind: string }) =>
    item.kind === 'pixel tape' ? { ...item, lengthMm: (300 * 1000) / 74 + 1 } : item,
  );
  await page.request.post(`${server.address}/api/plans`, {
    data: { ...plan, id, name: 'Six hundred', design: { ...plan.design, items } },
  });
  for (const [name, which] of [
    ['the demo, 69 lights', DEMO],
    ['600 pixels', id],
  ] as const)
    console.log(`${name}: ${(await measure(page, server.address, which)).toFixed(1)} frames a second`);
} finally {
  await browser.close();
  server.child.kill('SIGTERM');
  removeCluster(folder);
}
