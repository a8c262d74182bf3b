import { copyDemo, expect, type Page, test } from './bench.ts';

const open = async (page: Page): Promise<void> => {
  await page.getByRole('button', { name: /^Find anything/ }).click();
  await expect(page.getByRole('combobox', { name: /^Find a light/ })).toBeFocused();
};
const hits = (page: Page) => page.getByRole('option');

test('find anything knows the words that makers use, whatever the plan holds', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/lights`);
  await open(page);
  const field = page.getByRole('combobox', { name: /^Find a light/ });
  for (const word of [
    'magnet',
    'resistor',
    'plain tape',
    'copies',
    'glue',
    'fuse',
    'battery',
    'led',
    'motor',
    'gauge',
    'how long',
    'dusk',
    'knob',
    'fibre',
    'serial',
    'heatsink',
    'budget',
    'lighthouse',
  ]) {
    await field.fill(word);
    await expect(hits(page).first(), word).toBeVisible();
  }
  await field.fill('zzz');
  await expect(page.getByText('Try another word for it')).toBeVisible();
});

test('a thing of the plan, a stage by another word, a sum: each leads there, by keyboard alone', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/lights`);
  await open(page);
  await page.keyboard.type('lure');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/lights$/);
  await open(page);
  await page.keyboard.type('weakest');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/power$/);
  await open(page);
  await page.keyboard.type('scanned grid');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/sums$/);
  await expect(page.getByRole('article', { name: 'A scanned grid' })).toBeVisible();
});
