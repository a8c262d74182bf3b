import AxeBuilder from '@axe-core/playwright';
import { DEMO, expect, test } from './bench.ts';

test('help opens beside what it is about, and leads to the words', async ({ page }) => {
  await page.goto(`/plan/${DEMO}/wires`);
  await page.getByRole('button', { name: 'Help on Wires' }).click();
  const drawer = page.getByRole('dialog', { name: 'Wires' });
  await expect(drawer.getByText('1 A × 1.2 m × 0.213 Ω/m = 256 mV')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(drawer).toHaveCount(0);
  await page.getByRole('button', { name: 'Help on Wires' }).click();
  await drawer.getByRole('link', { name: 'What do the words mean?' }).click();
  await expect(page.getByText('Three steps halve its copper')).toBeVisible();
});

test('help is found by what it tells of, and every page has an address', async ({ page }) => {
  await page.goto(`/plan/${DEMO}/lights`);
  await expect(page.getByRole('heading', { name: 'Pixel tape' })).toBeVisible();
  await page.keyboard.press('/');
  await page.getByLabel('Find a light, a mood').fill('head-room');
  await page.getByRole('option', { name: /^Head-room/ }).click();
  await expect(page).toHaveURL(/\/help\/words#head-room/);
  await expect(page.getByText('light hangs on the charge of the pack')).toBeInViewport();
  for (const [name, figure] of [
    ['Piece', '3.80 mm'],
    ['Bench', '140 Ω'],
    ['Logbook', '558 mAh'],
  ] as const) {
    await page.getByRole('link', { name, exact: true }).click();
    await expect(page.getByRole('heading', { level: 2, name })).toBeVisible();
    await expect(page.getByText(figure)).toBeVisible();
  }
  const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag22aa']).analyze();
  expect(violations.filter(({ impact }) => impact === 'serious' || impact === 'critical')).toEqual([]);
});

test('an address leads to a thing of the plan', async ({ page }) => {
  await page.goto(`/plan/${DEMO}/lights?at=eyes`);
  await expect(page.getByRole('article', { name: 'Single lights: Eyes', exact: true })).toBeInViewport();
});

test('an unusual word opens its meaning where it stands: in a finding, by click and by keyboard', async ({ page }) => {
  await page.goto(`/plan/${DEMO}/power`);
  const word = page
    .locator('[data-finding]')
    .getByRole('button', { name: /: what is that\?$/ })
    .first();
  await word.click();
  const meaning = page.getByText('All words').locator('..');
  await expect(meaning).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(meaning).toBeHidden();
  await word.focus();
  await page.keyboard.press('Enter');
  await page.getByRole('link', { name: 'All words' }).click();
  await expect(page).toHaveURL(/\/help\/words#/);
});

test('the word in the label of a field opens its meaning, and the field is still called by its name', async ({
  page,
}) => {
  await page.goto(`/plan/${DEMO}/lights`);
  const word = page.getByRole('button', { name: 'Forward voltage: what is that?' }).first();
  await word.click();
  const meaning = page.getByText(/What a light takes for itself; the resistor takes the rest/);
  await expect(meaning).toBeVisible();
  // The tail of the scroll that brought it here takes nothing away; a scroll that takes the word along does.
  await page.locator('main').dispatchEvent('scroll');
  await expect(meaning).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(word).toBeFocused();
  await word.click();
  await expect(meaning).toBeVisible();
  await page.locator('main').evaluate((sheet) => sheet.scrollBy(0, 120));
  await expect(meaning).toBeHidden();
  await expect(
    page.getByRole('textbox', { name: 'Forward voltage at that current', exact: true }).first(),
  ).toBeVisible();
});
