import { expect, figure, goTo, takePart, test } from './bench.ts';

test('three of the examples are begun from: each opens as a plan of its own, with its figures and its steps', async ({
  page,
}) => {
  for (const name of ['Mooring float', 'Bow wave, 1:24', 'Foghorn buoy']) {
    await page.goto('/');
    await page.getByRole('link', { name: 'Begin from …' }).click();
    await page.getByRole('button', { name: new RegExp(`^Begin (another )?from ${name}$`) }).click();
    await page.waitForURL(/\/plan\/[\w-]+\/piece/);
    // Not the example itself: what is changed here is changed in a copy.
    expect(page.url()).not.toContain('6f1d0c52-3b6e-4f0a-9a51');
    await expect(page).toHaveTitle(new RegExp(name.replace(/[,:]/g, '.')));
    await expect(figure(page, 'Runs for')).toContainText(/\d (h|days|months)/);
    await goTo(page, 'bench');
    await expect(page.getByRole('heading', { level: 2 }).first()).toBeVisible();
  }
});

test('an example that was begun twice says so, leads to the first, and the second has a name of its own', async ({
  page,
}) => {
  const begin = async (): Promise<void> => {
    await page.goto('/');
    // By keyboard alone.
    const button = page.getByRole('button', { name: /from Harbour beacon, by a gate$/ });
    await button.focus();
    await page.keyboard.press('Enter');
    await page.waitForURL(/\/plan\/[\w-]+\/piece/);
  };
  await begin();
  const first = page.url();
  await page.goto('/');
  const offer = page.getByRole('listitem').filter({ hasText: 'the dark switches' });
  await expect(offer).toContainText('one is on the shelf already');
  await begin();
  await expect(page.getByRole('textbox', { name: 'Name of the plan' })).toHaveValue('Harbour beacon, by a gate (2)');
  await page.goto('/');
  await offer.getByRole('link', { name: 'on the shelf' }).click();
  await expect(page).not.toHaveURL('/');
  await page.goto(first);
  await expect(page.getByRole('textbox', { name: 'Name of the plan' })).toHaveValue('Harbour beacon, by a gate');
});

test('one question is answered at once, and its answer is the start of a plan', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: /^A light on a battery/ }).click();
  const drawer = page.getByRole('dialog');
  await expect(drawer.locator('output')).toHaveText(/\d (h|days|months)/);
  const before = await drawer.locator('output').textContent();
  await drawer.getByLabel('Wanted current').fill('2 mA');
  await expect(drawer.locator('output')).not.toHaveText(before ?? '');
  const ofOneCell = (await drawer.locator('output').textContent()) ?? '';
  await takePart(drawer, 'Pack', 'Two lithium-ion cells in series, 2600 mAh');
  await expect(drawer.locator('output')).not.toHaveText(ofOneCell);
  // Twice 4.19 V fresh and half way 7.4 V: a larger resistor than one cell asks for.
  await expect(drawer.getByText('Resistor of each light')).toBeVisible();
  const hours = (await drawer.locator('output').textContent()) ?? '';
  await drawer.getByRole('button', { name: 'Begin a plan with this' }).click();
  await page.waitForURL(/\/plan\/[\w-]+\/power/);
  // The leads of the plan lose a millivolt or two, which is an hour in two months.
  const [days = ''] = /^\d+/.exec(hours) ?? [];
  await expect(figure(page, 'Runs for')).toContainText(new RegExp(`likely ${days}[.\\d]* (h|days)`));
});

test('a question with a drawer is left by Escape, and nothing is begun', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: /^Which resistor/ }).click();
  await expect(page.getByRole('dialog').locator('output')).toHaveText('180 Ω');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page).toHaveURL(/\/$/);
});
