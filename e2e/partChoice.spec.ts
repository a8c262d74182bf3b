import { copyDemo, expect, figure, test } from './bench.ts';

const beacon = '6f1d0c52-3b6e-4f0a-9a51-2c7d5b1e7a15';

test('a pack out of thirty-five: tried in this very plan, those that suit first, the others with what is against them', async ({
  page,
}) => {
  await page.goto(`/plan/${await copyDemo(page, beacon)}/power`);
  const field = page.getByRole('combobox', { name: 'Pack', exact: true });
  const before = await figure(page, 'Runs for').textContent();
  await field.click();
  const list = page.getByRole('listbox');
  await expect(list.getByText('Suit here')).toBeVisible({ timeout: 60_000 });
  // 12.4 V of a fresh lead battery on a board that bears 5.5 V; the cell that is in it suits.
  const lead = list.getByRole('option', { name: /^Sealed lead-acid, 12 V, 3 Ah/ });
  await expect(lead).toContainText('12.0 V · 3000 mAh · gives 6.00 A');
  await expect(lead).toContainText(/bears 5.50 V/);
  await expect(list.getByRole('option', { name: /^Lithium-ion pouch, 150 mAh/ })).toContainText(/8.00 h are wanted/);
  const names = await list.getByRole('option').allTextContents();
  const at = (name: string) => names.findIndex((text) => text.startsWith(name));
  expect(at('Three AA alkaline')).toBeLessThan(at('Sealed lead-acid'));
  // By its figures and its group, with no mouse.
  await field.fill('alkaline 2500');
  await expect(list.getByRole('option')).toHaveCount(3);
  await field.fill('three aa alkaline');
  await field.press('Enter');
  await expect(field).toHaveValue('Three AA alkaline cells in a holder');
  await expect(list).toHaveCount(0);
  await expect(figure(page, 'Runs for')).not.toHaveText(before ?? '');
});

test('who passes by with Tab is shown no list; the arrow key opens it, Escape closes it', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page, beacon)}/power`);
  const field = page.getByRole('combobox', { name: 'Pack', exact: true });
  await field.focus();
  await expect(field).toHaveAttribute('aria-expanded', 'false');
  await page.keyboard.press('ArrowDown');
  await expect(field).toHaveAttribute('aria-expanded', 'true');
  await page.keyboard.press('Escape');
  await expect(field).toHaveAttribute('aria-expanded', 'false');
});

test('words that no part has, and a list that is left: nothing is changed', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page, beacon)}/power`);
  const field = page.getByRole('combobox', { name: 'Pack', exact: true });
  const chosen = await field.inputValue();
  await field.fill('a kite of paper');
  await expect(page.getByText('Nothing here has all of these words')).toBeVisible();
  await field.press('Enter');
  await field.press('Escape');
  await page.getByLabel('Name of the pack').click();
  await expect(field).toHaveValue(chosen);
});
