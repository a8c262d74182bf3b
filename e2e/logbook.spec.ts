import { copyDemo, expect, figure, fill, goTo, kept, type Page, takePart, test } from './bench.ts';

async function logRun(page: Page, hours: string): Promise<void> {
  await fill(page, 'How long it really ran', hours);
  await page.getByRole('button', { name: 'Log the run test' }).click();
}

test('run tests teach the capacity: proposed, taken, seen in the hours, undone', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/logbook`);
  const runs = page.getByRole('table').filter({ hasText: 'off by' });
  // The demo's own: 5.9 h against 6.25 h is −5.6 %.
  await expect(runs.getByRole('row', { name: /Hunt/ })).toContainText('−5.6 %');
  const likely = async (): Promise<number> =>
    Number(/likely ([\d.]+)/.exec(await figure(page, 'Runs for').innerText())?.[1]);
  const before = await likely();
  const predicted = Number(/Predicted: ([\d.]+) h/.exec(await page.getByText(/^Predicted:/).innerText())?.[1]);
  await logRun(page, `${(predicted * 0.8).toFixed(2)} h`);
  await expect(runs.getByRole('row')).toHaveCount(3);
  await expect(runs).toContainText('−20 %');
  await expect(page.getByText(/^On the mean −1[23]/)).toBeVisible();
  // The mean of 0.944 and 0.8 of 3400 mAh is 2965 mAh.
  await expect(page.getByText(/The tests say a capacity of 2[.]9[67] Ah|296\d mAh/)).toBeVisible();
  await page.getByRole('button', { name: 'Reckon with it' }).click();
  await expect.poll(likely).toBeLessThan(before * 0.9);
  await expect(page.getByText('The tests say a capacity')).toBeHidden();
  await goTo(page, 'power');
  await expect(page.getByLabel('Where the capacityMah is from')).toHaveValue('measured');
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect.poll(likely).toBe(before);
  await kept(page);
});

test('entries and run tests are taken out again, and undo brings them back', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/logbook`);
  await expect(page.getByRole('button', { name: 'Write it down' })).toBeDisabled();
  await page
    .getByLabel('What happened, what was learned')
    .fill('The lure swings into the sight panel.\nShorter stalk.');
  await page.getByRole('button', { name: 'Write it down' }).click();
  const entry = page.getByText('The lure swings into the sight panel.');
  await expect(entry).toBeVisible();
  await page
    .getByRole('button', { name: /^Remove the entry of/ })
    .first()
    .click();
  await expect(entry).toBeHidden();
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(entry).toBeVisible();
  await page.getByRole('button', { name: 'Remove run test of Hunt' }).click();
  await expect(page.getByRole('row', { name: /Hunt/ })).toBeHidden();
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(page.getByRole('row', { name: /Hunt/ })).toBeVisible();
});

test('a run at another brightness and in the frost has a prediction of its own', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/logbook`);
  const predicted = async (): Promise<number> =>
    Number(/Predicted: ([\d.]+) h/.exec(await page.getByText(/^Predicted:/).innerText())?.[1]);
  const first = await predicted();
  await page.getByLabel('Brightness it ran at').fill('100');
  await expect.poll(predicted).toBeLessThan(first);
  const bright = await predicted();
  await fill(page, 'Temperature', '-15');
  await expect.poll(predicted).toBeLessThan(bright);
  await page.getByLabel('Mood that ran').selectOption('the evening’s course');
  await expect(page.getByLabel('Brightness it ran at')).toBeHidden();
  await fill(page, 'How long it really ran', '0');
  await expect(page.getByRole('alert')).toContainText('is outside');
  await expect(page.getByRole('button', { name: 'Log the run test' })).toBeDisabled();
});

test('versions stand side by side, better figures marked, and an old one comes back', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/logbook`);
  await page.getByLabel('Name of this version').fill('Large cell');
  await page.getByLabel('What changed, and why').fill('as first built');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await goTo(page, 'power');
  await takePart(page, 'Pack', 'Lithium-ion cell, round, 18 × 65 mm, 2600 mAh, protected');
  await goTo(page, 'logbook');
  const table = page.getByRole('table', { name: 'Comparison of two versions' });
  await expect(table.getByRole('row', { name: /^Runs for, cautious/ })).toContainText('better');
  await expect(page.getByText('as first built')).toBeVisible();
  await page.getByRole('button', { name: 'Bring back' }).first().click();
  await expect(table.getByRole('columnheader', { name: 'Before going back to Large cell' })).toBeVisible();
  await expect(page.getByText('Before going back to Large cell').first()).toBeVisible();
  await goTo(page, 'power');
  await expect(page.getByRole('combobox', { name: 'Pack', exact: true })).toHaveValue(/3400 mAh/);
  await goTo(page, 'logbook');
  await page.getByRole('button', { name: 'Remove version Large cell' }).click();
  await expect(page.getByText('as first built')).toBeHidden();
  await kept(page);
});
