import { beginPlan, expect, figure, goTo, kept, tabTo, test } from './bench.ts';

test('the main path by keyboard alone', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('button', { name: 'New plan' })).toBeEnabled();
  await tabTo(page, /^New plan/);
  await page.keyboard.press('Enter');
  await page.waitForURL(/piece/);
  await expect(page.getByLabel('Outline')).toBeVisible();
  await tabTo(page, /^Outline/);
  // A list takes the first letters of what is wanted.
  await page.keyboard.type('Plain');
  await tabTo(page, /^Hours wanted/, 120);
  await page.keyboard.press('Control+a');
  await page.keyboard.type('2 h');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');

  await page.keyboard.press('2');
  await expect(page.locator('main[data-stage="lights"]')).toBeVisible();
  await tabTo(page, /^Add a tape/);
  await page.keyboard.press('Enter');
  // The picture has the focus now, with a cross in its middle.
  await expect(page.getByText(/Click along the route/)).toBeVisible();
  for (let i = 0; i < 15; i += 1) await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Enter');
  for (let i = 0; i < 30; i += 1) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  // 300 mm at 60/m.
  await expect(page.getByRole('button', { name: '18', exact: true })).toBeVisible();

  await page.keyboard.press('3');
  await tabTo(page, /^Add a mood/);
  await page.keyboard.press('Enter');
  await expect(page.getByText('held: Mood 1')).toBeVisible();
  // Space on a button presses that button; on the sheet itself it runs the moods.
  await tabTo(page, /^Run the moods/, 150);
  await page.keyboard.press('Space');
  await expect(page.getByText('running: Mood 1')).toBeVisible();
  await page.keyboard.press('Space');

  await page.keyboard.press('4');
  // A fresh controller is the larger one for 5 V.
  await tabTo(page, /^Controller/);
  await page.keyboard.press('Enter');
  await expect(page.getByText('5.00 V logic')).toBeVisible();
  await page.keyboard.press('Tab');
  await page.keyboard.press('Escape');
  await page.keyboard.press('5');
  await tabTo(page, /^Pack/);
  await page.keyboard.press('Enter');
  await expect(figure(page, 'Runs for')).not.toContainText('needs');
  await page.keyboard.press('Escape');

  // The wires, the bench and the logbook as well: a length of one's own, a reading, a run test.
  await page.keyboard.press('6');
  await expect(page.locator('main[data-stage="wires"]')).toBeVisible();
  await tabTo(page, /^Length of /, 60);
  await page.keyboard.press('Control+a');
  await page.keyboard.type('210 mm');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await page.keyboard.press('7');
  await expect(page.locator('main[data-stage="bench"]')).toBeVisible();
  await tabTo(page, /^Your reading/, 120);
  await page.keyboard.type('18');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('done').first()).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('8');
  await expect(page.locator('main[data-stage="logbook"]')).toBeVisible();
  await page.keyboard.press('5');

  // N walks the findings, and each can be mended from where the focus is.
  await page.keyboard.press('n');
  await expect(page.locator('[data-finding].ring-2')).toBeVisible();
  await page.keyboard.press('l');
  await expect(page.locator('html')).toHaveAttribute('data-lamp', 'off');
  await page.keyboard.press('l');
  await page.keyboard.press('/');
  await page.keyboard.type('tape 1');
  await expect(page.getByRole('option', { name: /Tape 1.*tape/ }).first()).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Shift+?');
  await expect(page.getByRole('heading', { name: 'The keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await kept(page);
});

test('a light on the picture is moved with the arrow keys, and undo brings it back', async ({ page }) => {
  await beginPlan(page);
  await goTo(page, 'lights');
  await page.getByRole('button', { name: 'Add single lights' }).click();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  const light = page.getByRole('button', { name: /^Lights 1 1, at/ });
  await expect(light).toHaveAccessibleName(/at 200 mm, 140 mm/);
  await light.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+ArrowDown');
  await expect(light).toHaveAccessibleName(/at 201 mm, 150 mm/);
  await page.keyboard.press('Control+z');
  await expect(light).toHaveAccessibleName(/at 200 mm, 140 mm/);
});
