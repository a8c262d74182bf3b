// Refreshes docs/screenshots/ from the demo data: one picture of each main view.
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { browser as debian } from './browser.mjs';
import { placeCluster, removeCluster, startCluster } from './postgres.mjs';
import { root, startServer } from './server.mjs';

const DEMO = '6f1d0c52-3b6e-4f0a-9a51-2c7d5b1e7a01';

interface Shot {
  readonly name: string;
  readonly path: string;
  readonly lamp: 'on' | 'off';
  readonly before?: (page: Page) => Promise<void>;
}

/** Lays sums on the desk, the last one first in the row. */
async function layCards(page: Page, titles: readonly string[]): Promise<void> {
  for (const title of titles) await page.getByRole('button', { name: title, exact: true }).click();
  await page
    .locator('[data-answer]')
    .nth(titles.length - 1)
    .waitFor();
}

const stage = (name: string): string => `/plan/${DEMO}/${name}`;
const shots: readonly Shot[] = [
  {
    name: 'shelf',
    path: '/',
    lamp: 'on',
    before: async (page) => {
      await page.waitForFunction(() => !document.body.innerText.includes('being reckoned'));
    },
  },
  { name: 'piece', path: stage('piece'), lamp: 'on' },
  { name: 'lights', path: stage('lights'), lamp: 'on' },
  {
    name: 'moods-lamp-off',
    path: stage('moods'),
    lamp: 'off',
    before: (page) => page.getByRole('tab', { name: 'Hunt' }).click(),
  },
  {
    name: 'moods-jellyfish',
    path: `/plan/${DEMO.slice(0, -1)}2/moods`,
    lamp: 'off',
    before: (page) => page.getByRole('tab', { name: 'Drift' }).click(),
  },
  {
    name: 'moods-reef',
    path: `/plan/${DEMO.slice(0, -1)}4/moods`,
    lamp: 'off',
    before: (page) => page.getByRole('tab', { name: 'Night reef' }).click(),
  },
  {
    name: 'moods-cues',
    path: stage('moods'),
    lamp: 'on',
    before: async (page) => {
      await page.getByRole('tab', { name: 'Cues' }).click();
      await page.getByRole('tab', { name: 'Cues' }).evaluate((tab) => tab.scrollIntoView());
    },
  },
  { name: 'drive', path: stage('drive'), lamp: 'on' },
  {
    name: 'drive-colour-tape',
    path: `/plan/${DEMO.slice(0, -1)}5/drive`,
    lamp: 'on',
    before: (page) =>
      page.getByRole('heading', { name: 'How each is switched' }).evaluate((heading) => heading.scrollIntoView()),
  },
  {
    name: 'parts-list',
    path: `/plan/${DEMO.slice(0, -1)}3/power`,
    lamp: 'off',
    before: async (page) => {
      await page.getByRole('combobox', { name: 'Pack', exact: true }).click();
      await page.getByText('Suit here').waitFor({ timeout: 60_000 });
    },
  },
  { name: 'help', path: '/help/lights', lamp: 'on' },
  { name: 'power', path: stage('power'), lamp: 'on' },
  {
    name: 'night',
    path: stage('power'),
    lamp: 'on',
    before: (page) => page.getByRole('heading', { name: 'The night' }).evaluate((heading) => heading.scrollIntoView()),
  },
  { name: 'wires', path: stage('wires'), lamp: 'on' },
  {
    name: 'bench',
    path: stage('bench'),
    lamp: 'on',
    before: (page) => page.getByRole('button', { name: 'Step after' }).click(),
  },
  { name: 'logbook', path: stage('logbook'), lamp: 'on' },
  {
    name: 'quick-sums',
    path: '/sums',
    lamp: 'on',
    before: (page) => layCards(page, ['Voltage along a tape', 'Resistor for a light']),
  },
  {
    name: 'quick-sums-lamp-off',
    path: '/sums',
    lamp: 'off',
    before: (page) => layCards(page, ['Evenness behind a diffuser', 'Marks on a ring']),
  },
  {
    name: 'sum',
    path: stage('power'),
    lamp: 'off',
    before: (page) =>
      page
        .getByRole('contentinfo')
        .getByRole('button', { name: /^Peak draw/ })
        .click(),
  },
];

const folder = placeCluster(join(root, '.glimmer', `screenshots-${process.pid}`));
const cluster = await startCluster({ folder, careless: true });
const server = await startServer({ databaseUrl: cluster.url, port: 0, demo: true });
const browser = await chromium.launch(debian.launch);
/** Those named on the command line, or all. */
const wanted = process.argv.slice(2);
try {
  for (const shot of shots.filter(({ name }) => wanted.length === 0 || wanted.includes(name))) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.addInitScript((lamp) => localStorage.setItem('lamp', lamp), shot.lamp);
    await page.goto(`${server.address}${shot.path}`);
    await page.evaluate(() => document.fonts.ready);
    await page.waitForTimeout(1500);
    await shot.before?.(page);
    await page.waitForTimeout(700);
    await page.screenshot({ path: join(root, 'docs/screenshots', `${shot.name}.png`) });
    await page.close();
  }
} finally {
  await browser.close();
  server.child.kill('SIGTERM');
  removeCluster(folder);
}
