import { copyDemo, expect, type Page, test } from './bench.ts';

const open = async (page: Page): Promise<void> => {
  await page.getByRole('button', { name: /^Find anything/ }).click();
  await expect(page.getByRole('combobox', { name: /^Find a light/ })).toBeFocused();
};
const hits = (page: Page) => page.getByRole('dialog').getByRole('option');
/** Types a word, and takes the first that it finds. */
async function take(page: Page, word: string, first: string): Promise<void> {
  await open(page);
  await page.keyboard.type(word);
  await expect(hits(page).first()).toContainText(first);
  await page.keyboard.press('Enter');
}

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
  await take(page, 'strike', 'Strike');
  await expect(page).toHaveURL(/\/moods\?at=strike$/);
  await take(page, 'weakest', 'Power');
  await expect(page).toHaveURL(/\/power$/);
  await take(page, 'scanned grid', 'A scanned grid');
  await expect(page).toHaveURL(/\/sums$/);
  await expect(page.getByRole('article', { name: 'A scanned grid' })).toBeVisible();
});

test('a page of the moods and a finding have an address: back, forward and a reload lead there', async ({ page }) => {
  const id = await copyDemo(page);
  await page.goto(`/plan/${id}/moods`);
  await page.getByRole('tab', { name: 'Cues' }).click();
  await expect(page).toHaveURL(/moods\?tab=cues$/);
  await page.getByRole('tab', { name: 'Evening' }).click();
  await page.goBack();
  await expect(page.getByRole('tab', { name: 'Cues' })).toHaveAttribute('aria-selected', 'true');
  await page.goForward();
  await expect(page.getByRole('tab', { name: 'Evening' })).toHaveAttribute('aria-selected', 'true');
  await page.reload();
  await expect(page.getByRole('tab', { name: 'Evening' })).toHaveAttribute('aria-selected', 'true');
  await expect(page.getByRole('heading', { name: 'The course of the evening' })).toBeVisible();

  // The next finding, and from its address alone.
  await page.locator('[data-tip="Next finding (N)"]').click();
  await expect(page).toHaveURL(/\?finding=/);
  const address = page.url();
  const told = page.locator('[data-finding].ring-2');
  const words = await told.textContent();
  await page.goto(`/plan/${id}/piece`);
  await expect(told).toBeHidden();
  await page.goto(address);
  await expect(told).toHaveText(words ?? '');
});
