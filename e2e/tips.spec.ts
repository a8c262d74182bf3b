import { copyDemo, expect, test } from './bench.ts';

test('a tip is told by pointer and by keyboard, can be reached, and goes by Escape', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/drive`);
  const tip = page.getByRole('tooltip');
  const undo = page.getByRole('button', { name: 'Changes' });
  await undo.hover();
  await expect(tip).toHaveText('Changes since it was opened');
  await expect(undo).toHaveAccessibleDescription('Changes since it was opened');
  await tip.hover();
  await expect(tip).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(tip).toBeHidden();
  await expect(undo).not.toHaveAttribute('aria-describedby', /./);

  // A bead tells what its stage asks, and with which key it opens.
  await page.getByRole('link', { name: /Drive/ }).focus();
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: /Power/ })).toBeFocused();
  await expect(tip).toHaveText('What feeds it, and does it last? (5)');
  await page.keyboard.press('Tab');
  await expect(tip).toHaveText('What runs where, how thick, which colour? (6)');

  // What is only drawn tells its name, and says it no second time to whoever hears it.
  const remove = page.getByRole('button', { name: 'Remove Board' });
  await remove.hover();
  await expect(tip).toHaveText('Remove Board');
  await expect(remove).not.toHaveAttribute('aria-describedby', /./);
});
