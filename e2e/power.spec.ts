import { copyDemo, expect, figure, fill, type Page, test } from './bench.ts';

const amperes = (text: string): number => {
  const [, value = '', unit] = /([\d.]+) (m?)A/.exec(text) ?? [];
  return Number(value) / (unit === 'm' ? 1000 : 1);
};
const budget = (page: Page) => page.getByRole('table').filter({ hasText: 'together' });

test('the budget is the sum of its lines, and the highest mood is the bar’s peak', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/power`);
  await expect(budget(page)).toBeVisible();
  const rows = await budget(page).locator('tbody tr').allInnerTexts();
  const cells = rows.map((row) => row.split('\t').map(amperes));
  const together = rows.findIndex((row) => row.startsWith('together'));
  // The controller, two jaws, the lure, the eyes and the sensor.
  expect(together).toBe(6);
  for (const column of [1, 2, 3]) {
    expect(cells[together]?.[column]).toBeGreaterThan(0.1);
    const sum = cells.slice(0, together).reduce((total, row) => total + (row[column] ?? 0), 0);
    // Each line is shown to three figures.
    expect(Math.abs(sum - (cells[together]?.[column] ?? 0))).toBeLessThan(0.004);
  }
  await page.getByRole('button', { name: 'Open the sum' }).click();
  const [, peak = 'no peak'] = /([\d.]+ m?A)/.exec(await figure(page, 'Peak draw').innerText()) ?? [];
  await expect(page.getByRole('dialog')).toContainText(peak);
});

test('the chain: a thinner fuse becomes its weakest link, and what is taken out is missed', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/power`);
  // Set to what the supply bears, the piece no longer pulls its pack down.
  await page.getByRole('button', { name: /^Set it to \d+ %/ }).click();
  await page.getByLabel('Fuse, near the pack').selectOption('1.00 A');
  await expect(figure(page, 'Weakest link')).toContainText('The fuse');
  await expect(page.getByRole('img', { name: /^Chain of \d+ links; weakest: The fuse/ })).toBeVisible();
  await expect(page.getByText(/The fuse of Pack carries .* at peak and is good for 1.00 A/)).toBeVisible();
  await page.getByLabel('Fuse, near the pack').selectOption('none');
  // Here none fits: 1.25 times what flows is more than the plug behind it bears.
  await expect(page.getByText('No fuse in the lead of Pack')).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await page.getByRole('button', { name: 'Remove Switch', exact: true }).click();
  await expect(page.getByRole('button', { name: /^Add: Slide switch/ })).toBeVisible();
  await page.getByLabel('Kept in').selectOption('nothing: bare');
  await page.getByLabel('Sits next to the body').click();
  await expect(page.getByText(/^(Stop: )?Pack sits next to the body without a case/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Put it into a hard case' }).click();
  await expect(page.getByLabel('Kept in')).toHaveValue('hard case');
});

test('a typed capacity is the maker’s own, moves the hours in proportion, and is given back', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/power`);
  const likely = async (): Promise<number> =>
    Number(/likely ([\d.]+)/.exec(await figure(page, 'Runs for').innerText())?.[1] ?? 0);
  const [before, capacity] = [await likely(), page.getByLabel(/^Capacity/)];
  const typical = Number.parseFloat(await capacity.inputValue());
  await capacity.fill(`${Math.round(typical * 0.7)} mAh`);
  await capacity.press('Enter');
  // What is typed is a guess until the maker says where it is from.
  await expect(page.getByLabel('Where the capacityMah is from')).toHaveValue('guess');
  await page.getByLabel('Where the capacityMah is from').selectOption('measured');
  await expect.poll(likely).toBeLessThan(before * 0.74);
  expect(await likely()).toBeGreaterThan(before * 0.66);
  await capacity.fill('');
  await capacity.press('Enter');
  await expect.poll(likely).toBe(before);
  await fill(page, 'Capacity', '3 mAh');
  await expect(page.getByRole('alert')).toContainText('is outside');
});

test('many nights are tried in the background, can be stopped, and stand by the hours wanted', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/power`);
  await page.getByRole('button', { name: 'Try 300 nights' }).click();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.locator('[data-sampled]')).toBeHidden();
  await page.getByRole('button', { name: 'Try 300 nights' }).click();
  await expect(page.locator('[data-sampled]')).toContainText(/Nineteen nights in twenty last/, { timeout: 90_000 });
  const [worst = 0, half = 0] = [...(await page.locator('[data-sampled]').innerText()).matchAll(/([\d.]+) h/g)].map(
    (match) => Number(match[1]),
  );
  expect(worst).toBeLessThanOrEqual(half);
  // The sampled middle and the reckoned likely hours are two ways to one figure.
  const likely = Number(/likely ([\d.]+)/.exec(await figure(page, 'Runs for').innerText())?.[1] ?? 0);
  expect(Math.abs(half / likely - 1)).toBeLessThan(0.06);
  await page.getByRole('button', { name: /^44.2 % \(full pack/ }).click();
  await expect(page.getByRole('dialog')).toContainText('Brightness ceiling of Strike');
});

test('the night is read off where it is pointed at, and walked along with the arrow keys', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/power`);
  const reader = page.getByRole('slider', { name: 'Read off: the night' });
  await expect(reader).toBeVisible({ timeout: 30_000 });
  await reader.focus();
  await page.keyboard.press('Home');
  await expect(reader).toHaveAttribute(
    'aria-valuetext',
    /^0 .*: pack voltage 4\.\d+.V; current from the pack .*; charge left 100 %$/,
  );
  // Half the night on, less is left; at its end nothing.
  for (let i = 0; i < 5; i += 1) await page.keyboard.press('Shift+ArrowRight');
  await expect(reader).toHaveAttribute('aria-valuenow', '50');
  await expect(reader).toHaveAttribute('aria-valuetext', /charge left [1-8]\d? %/);
  await page.keyboard.press('End');
  await expect(reader).toHaveAttribute('aria-valuetext', /: ended$/);
  await page.keyboard.press('Tab');
  await expect(page.getByText('Point at it, or walk along it with the arrow keys').first()).toBeVisible();
  const box = await reader.boundingBox();
  if (!box) throw new Error('it is there');
  await page.mouse.move(box.x + box.width / 4, box.y + box.height / 2);
  await expect(reader).toHaveAttribute('aria-valuenow', '25');
});
