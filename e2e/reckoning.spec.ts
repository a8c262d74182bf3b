import { copyDemo, expect, figure, goTo, kept, type Page, shown, slowWorkers, test } from './bench.ts';

const figures = ['Peak draw', 'Usual draw', 'Runs for', 'Weakest link', 'Brightness ceiling'] as const;
const barOf = (page: Page): Promise<string[]> => Promise.all(figures.map((name) => figure(page, name).innerText()));
const notices = (page: Page) => page.getByRole('region', { name: 'Notices' });

test('figures follow the hand: of many edits in a row the last one counts, and a reload comes to the same', async ({
  page,
}) => {
  await page.goto(`/plan/${await copyDemo(page)}/moods`);
  await page.getByRole('tab', { name: 'Strike' }).click();
  const brightness = page.getByRole('slider', { name: /^Brightness/ });
  await shown(page);
  const before = await barOf(page);
  const start = Number(await brightness.inputValue());
  await brightness.focus();
  for (let i = 0; i < 12; i += 1) await page.keyboard.press('ArrowLeft');
  // What the hand set stands at once, whether its figures are there or not.
  const set = Number(await brightness.inputValue());
  expect(set).toBeLessThan(start);
  await shown(page);
  await expect(brightness).toHaveValue(String(set));
  const after = await barOf(page);
  expect(after[0]).not.toBe(before[0]);
  await kept(page);
  await page.reload();
  await expect(figure(page, 'Peak draw')).toBeVisible();
  await shown(page);
  await expect.poll(() => barOf(page)).toEqual(after);

  // There and back again is where it began, whatever was overtaken in between.
  await page.getByRole('tab', { name: 'Strike' }).click();
  await brightness.focus();
  for (let i = 0; i < 12; i += 1) await page.keyboard.press('ArrowRight');
  await shown(page);
  await expect(brightness).toHaveValue(String(start));
  await expect.poll(() => barOf(page)).toEqual(before);
});

test('an edit and a stage further in one breath: the sheet that is turned to has the figures of the edit', async ({
  page,
}) => {
  await page.goto(`/plan/${await copyDemo(page)}/power`);
  const capacity = page.getByLabel('Capacity', { exact: true });
  const runs = await figure(page, 'Runs for').innerText();
  await capacity.fill('1700 mAh');
  await capacity.press('Enter');
  await goTo(page, 'wires');
  await shown(page);
  await expect(figure(page, 'Runs for')).not.toHaveText(runs);
  const half = Number.parseFloat((await figure(page, 'Runs for').innerText()).replace(/^[^\d]*/, ''));
  const whole = Number.parseFloat(runs.replace(/^[^\d]*/, ''));
  // Half the capacity is about half the time.
  expect(half / whole).toBeGreaterThan(0.4);
  expect(half / whole).toBeLessThan(0.6);
});

test('what is printed in the breath of an edit is the plan as it stands', async ({ page, context }) => {
  await slowWorkers(context, 5000);
  await page.goto(`/plan/${await copyDemo(page)}/power`);
  const capacity = page.getByLabel('Capacity', { exact: true });
  const runs = await figure(page, 'Runs for').innerText();
  await capacity.fill('1700 mAh');
  await capacity.press('Enter');
  await expect(figure(page, 'Runs for')).toHaveText(runs, { useInnerText: true });
  await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
  expect(await figure(page, 'Runs for').innerText()).not.toBe(runs);
});

test('a notice takes back what it names and nothing else: it goes with the next change', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/lights`);
  const drilled = notices(page).getByText('Done: Drill it to 4.70 mm');
  const drill = page.getByRole('button', { name: 'Drill it to 4.70 mm' });
  await drill.click();
  await expect(drilled).toBeVisible();
  await goTo(page, 'power');
  await expect(drilled).toBeVisible();
  await page.getByRole('button', { name: /^Set it to 44 %/ }).click();
  await expect(notices(page).getByText(/^Done: Set it to 44 %/)).toBeVisible();
  await expect(drilled).toBeHidden();
  await expect(figure(page, 'Open findings')).toContainText('nothing open');

  // Its Undo is for the second; the first stays done.
  await notices(page).getByRole('button', { name: 'Undo' }).click();
  await expect(figure(page, 'Open findings')).toContainText('1');
  await expect(notices(page).getByRole('button')).toHaveCount(0);
  await goTo(page, 'lights');
  await expect(drill).toBeHidden();

  // Taken back on the keyboard, it is not offered to be taken back again.
  await page.keyboard.press('Control+z');
  await drill.click();
  await expect(drilled).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(drilled).toBeHidden();
  await expect(drill).toBeVisible();
});

test('a notice stays while a hand is on it, and goes when it is closed', async ({ page }) => {
  await page.clock.install();
  await page.goto(`/plan/${await copyDemo(page)}/lights`);
  await page.getByRole('button', { name: 'Drill it to 4.70 mm' }).click();
  const drilled = notices(page).getByText('Done: Drill it to 4.70 mm');
  await drilled.hover();
  await page.clock.runFor(30_000);
  await expect(drilled).toBeVisible();
  await notices(page).getByRole('button', { name: 'Dismiss' }).click();
  await expect(drilled).toBeHidden();

  // The next one is not held by the hand that closed the one before.
  await page.keyboard.press('Control+z');
  await page.mouse.move(5, 5);
  await page.getByRole('button', { name: 'Drill it to 4.70 mm' }).click();
  await expect(drilled).toBeVisible();
  await page.clock.runFor(10_000);
  await expect(drilled).toBeHidden();
});
