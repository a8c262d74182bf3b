import { readFileSync } from 'node:fs';
import { beginPlan, copyDemo, expect, figure, goTo, kept, notice, takePart, test } from './bench.ts';

const table = (text: string) => ({ name: 'parts.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });

test('a pack of the maker’s own: brought in, taken, reckoned with, kept, taken out', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/piece`);
  const before = await figure(page, 'Runs for').textContent();
  await page
    .getByLabel('Table of parts to bring in')
    .setInputFiles(table('kind,like,name,capacity\npack,pack-two-lithium-round,Tired pair,900 mAh\nkite,,Kite,\n'));
  await expect(notice(page, /Parts taken: 1; lines left out: 1, the first is line 3: kind "kite"/)).toBeVisible();
  await expect(page.getByText('capacity 900 mAh')).toBeVisible();
  await goTo(page, 'power');
  await takePart(page, 'Pack', 'Tired pair');
  await expect(figure(page, 'Runs for')).not.toHaveText(before ?? '');
  await kept(page);
  await page.reload();
  await expect(page.getByRole('combobox', { name: 'Pack', exact: true })).toHaveValue('Tired pair');
  await goTo(page, 'piece');
  await expect(page.getByText('in use: Pack')).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Take them out' }).click();
  expect(readFileSync(await (await download).path(), 'utf8')).toContain('Tired pair');
});

test('the table to fill in is one that can be brought in, and a part not in use can be removed', async ({ page }) => {
  await beginPlan(page);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'A table to fill in' }).click();
  await page.getByLabel('Table of parts to bring in').setInputFiles(await (await download).path());
  await expect(notice(page, 'Parts of your own taken: 10')).toBeVisible();
  await expect(page.getByText('density 66/m, die current 11 mA')).toBeVisible();
  await expect(
    page.getByText('draw 18 mA, pins D2 out in data; D3 out in dimmed data; A0 out in analog'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Remove My pack' }).click();
  await expect(page.getByText('capacity 2400 mAh')).toBeHidden();
  await page.getByLabel('Table of parts to bring in').setInputFiles(table('what,is,this\n1,2,3\n'));
  await expect(notice(page, /line 1: the first line must name the columns/)).toBeVisible();
});
