import { writeFileSync } from 'node:fs';
import { copyDemo, expect, test } from './bench.ts';

test('the template on sheets: 100 mm are 100 mm, and a cross of one sheet lies on that of the next', async ({
  page,
}, info) => {
  await page.goto(`/plan/${await copyDemo(page)}/wires`);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Front, on sheets of A4' }).click();
  const path = info.outputPath('template.html');
  await (await download).saveAs(path);
  await page.goto(`file://${path}`);
  // 96 pixels to an inch of 25.4 mm: 377.95 of them.
  const rules = await page.locator('.rule').evaluateAll((all) => all.map((rule) => rule.getBoundingClientRect().width));
  expect(rules.length).toBeGreaterThan(1);
  for (const width of rules) expect(width).toBeCloseTo((100 / 25.4) * 96, 0);
  const pdf = await page.pdf({ preferCSSPageSize: true });
  writeFileSync(info.outputPath('template.pdf'), pdf);
  expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b/g)).toHaveLength(rules.length);
});

test('on paper: the piece, the day and the mark first, all moods, and pages that are counted', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/moods`);
  await expect(page.getByRole('tab', { name: 'Moves' })).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('heading', { name: 'All moods' })).toBeVisible();
  for (const mood of ['Doze', 'Hunt', 'Strike'])
    await expect(page.locator('pre').getByText(mood).first()).toBeVisible();
  await expect(page.getByText(String(new Date().getFullYear())).first()).toBeVisible();
  await page.emulateMedia({ media: 'screen' });
  await expect(page.locator('pre')).toHaveCount(0);
});
