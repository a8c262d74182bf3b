import { expect, figure, goTo, test } from './bench.ts';

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
