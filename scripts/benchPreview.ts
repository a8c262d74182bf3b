// How many frames a second the running picture gives in headless Chromium, and what a frame takes of the script: the demo,
// the demo with 600 pixels, and with 2400 in the dark.
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { browser as debian } from './browser.mjs';
import { placeCluster, removeCluster, startCluster } from './postgres.mjs';
import { root, startServer } from './server.mjs';

const DEMO = '6f1d0c52-3b6e-4f0a-9a51-2c7d5b1e7a01';
const SECONDS = 4;

/** Frames a second, and milliseconds of script of each: everything that is called at a frame is timed as it is called. */
async function measure(page: Page, address: string, id: string, isDark: boolean) {
  await page.goto(`${address}/plan/${id}/moods`);
  await page.getByRole('tab', { name: 'Hunt' }).click();
  if (isDark) await page.getByRole('button', { name: 'Lamp off' }).click();
  await page.waitForTimeout(2500);
  return page.evaluate(async (seconds) => {
    const ask = window.requestAnimationFrame.bind(window);
    const spentMs: number[] = [];
    window.requestAnimationFrame = (callback) =>
      ask((at) => {
        const from = performance.now();
        callback(at);
        spentMs.push(performance.now() - from);
      });
    await new Promise((resolve) => setTimeout(resolve, seconds * 1000));
    window.requestAnimationFrame = ask;
    spentMs.sort((a, b) => a - b);
    return { framesPerS: spentMs.length / seconds, scriptMs: spentMs[Math.floor(spentMs.length / 2)] ?? 0 };
  }, SECONDS);
}

const folder = placeCluster(join(root, '.glimmer', `preview-${process.pid}`));
const cluster = await startCluster({ folder, careless: true });
const server = await startServer({ databaseUrl: cluster.url, port: 0, demo: true });
const browser = await chromium.launch(debian.launch);
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const { plan } = await (await page.request.get(`${server.address}/api/plans/${DEMO}`)).json();
  /** The demo with both its tapes so long that they have this many pixels, from a supply that lights them. */
  const blownUp = async (pixels: number): Promise<string> => {
    const id = randomUUID();
    const items = plan.design.items.map(
      (item: { readonly kind: string; readonly id: string; readonly name: string }) => {
        if (item.kind === 'pixel tape') return { ...item, lengthMm: ((pixels / 2) * 1000) / 74 + 1, feed: 'pack' };
        const kept = {
          id: item.id,
          name: item.name,
          at: { xMm: 10, yMm: 10 },
          fuseA: null,
          plug: null,
          minus: 'joined',
        };
        return item.kind === 'pack' ? { kind: 'outside supply', part: 'supply-bench', volts: 5, ...kept } : item;
      },
    );
    const data = { ...plan, id, name: `${pixels} pixels`, design: { ...plan.design, items } };
    await page.request.post(`${server.address}/api/plans`, { data });
    return id;
  };
  for (const [name, id, isDark] of [
    ['the demo, 69 lights', DEMO, false],
    ['600 pixels', await blownUp(600), false],
    ['2400 pixels, lamp off', await blownUp(2400), true],
  ] as const) {
    const { framesPerS, scriptMs } = await measure(page, server.address, id, isDark);
    console.log(`${name}: ${framesPerS.toFixed(1)} frames a second, ${scriptMs.toFixed(2)} ms of script each`);
  }
} finally {
  await browser.close();
  server.child.kill('SIGTERM');
  removeCluster(folder);
}
