import { readFileSync } from 'node:fs';
import { copyDemo, expect, fill, goTo, kept, type Page, test } from './bench.ts';

/** Chooses units in the dialog that every page has. */
async function choose(page: Page, chosen: Readonly<Record<string, string>>): Promise<void> {
  await page.getByRole('button', { name: 'Units' }).click();
  const dialog = page.getByRole('dialog', { name: 'Units' });
  for (const [label, value] of Object.entries(chosen)) {
    const field = dialog.getByLabel(label);
    await (label.startsWith('Sign') ? field.fill(value) : field.selectOption(value));
  }
  await dialog.getByRole('button', { name: 'Close' }).click();
}

const american = { Lengths: 'in', Wires: 'mm²', Temperatures: '°F', 'Sign before money': '€' };

test('a sheet, its findings and what is taken out are in the maker’s units at once, and go back', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/wires`);
  const feed = page.getByRole('row', { name: /^Feed of Upper jaw/ });
  await expect(page.getByLabel(/^Length of Feed of Upper jaw/)).toHaveValue('409 mm');
  await choose(page, american);
  // 409 mm are 16.102 in; 5.3 m of wire some 17 1/2 ft; 24 gauge has 0.205 mm² of copper.
  await expect(page.getByLabel(/^Length of Feed of Upper jaw/)).toHaveValue('16.1024 in');
  await expect(page.getByLabel(/^Gauge of Feed of Upper jaw/)).toContainText('0.205 mm², reckoned');
  await expect(page.getByRole('row', { name: /^One copy/ })).toContainText('€');
  await feed.getByRole('button', { name: 'Feed of Upper jaw', exact: true }).click();
  await expect(page.getByRole('dialog')).toContainText('16 1/8 in of 0.205 mm²');
  await page.getByRole('button', { name: 'Close' }).click();

  await goTo(page, 'lights');
  await expect(page.getByText('does not go into Left eye bore: 0.169 in finished, the bore is 0.165 in')).toBeVisible();
  await goTo(page, 'piece');
  await expect(page.getByText(/Runs at least .* at \d+(\.\d)? °F/)).toBeVisible();

  await page.getByRole('button', { name: 'Take out' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: 'Marking template, full size, SVG' }).click();
  expect(readFileSync(await (await download).path(), 'utf8')).toMatch(/, drill (\d+\/\d+|0\.\d+) in</);

  await choose(page, { Lengths: 'mm', Wires: 'gauge', Temperatures: '°C', 'Sign before money': '' });
  await goTo(page, 'wires');
  await expect(page.getByLabel(/^Length of Feed of Upper jaw/)).toHaveValue('409 mm');
});

test('a bare number is in the chosen unit, one with a unit is what it says; the plan is the same in both', async ({
  page,
}) => {
  const id = await copyDemo(page);
  await page.goto(`/plan/${id}/wires`);
  await choose(page, american);
  await fill(page, /^Length of Feed of Upper jaw/, '20');
  await expect(page.getByLabel('Length of Feed of Upper jaw yours', { exact: true })).toHaveValue('20 in');
  await kept(page);
  const lengthOf = async (): Promise<number> => {
    const { plan } = await (await page.request.get(`/api/plans/${id}`)).json();
    return plan.design.wires.runs.find((each: { readonly lengthMm: number | null }) => each.lengthMm !== null).lengthMm;
  };
  expect(await lengthOf()).toBeCloseTo(508, 9);
  await fill(page, 'Length of Feed of Upper jaw yours', '300 mm');
  await kept(page);
  expect(await lengthOf()).toBe(300);
  // 300 mm are shown as 11.811 in, which are 299.999 mm: typed over with the same, they stay what they are.
  const length = page.getByLabel('Length of Feed of Upper jaw yours', { exact: true });
  await length.fill('12 in');
  await length.fill('11.811 in');
  await length.press('Enter');
  await kept(page);
  expect(await lengthOf()).toBe(300);
});

test('they hold in other tabs and browsers, and after a reload', async ({ page, context, browser, baseURL }) => {
  const id = await copyDemo(page);
  await page.goto(`/plan/${id}/wires`);
  const tab = await context.newPage();
  await tab.goto(`/plan/${id}/wires`);
  const other = await browser.newPage({ baseURL: baseURL ?? '' });
  await other.goto(`/plan/${id}/wires`);
  await expect(other.getByLabel(/^Length of Feed of Upper jaw/)).toHaveValue('409 mm');
  await choose(page, { Lengths: 'in' });
  for (const each of [tab, other, page])
    await expect(each.getByLabel(/^Length of Feed of Upper jaw/)).toHaveValue('16.1024 in');
  await page.reload();
  await expect(page.getByLabel(/^Length of Feed of Upper jaw/)).toHaveValue('16.1024 in');
  await other.close();
});

test('a card on the desk keeps what its bare numbers stood for', async ({ page }) => {
  await page.goto('/sums');
  await page
    .getByRole('navigation', { name: 'Quick sums' })
    .getByRole('button', { name: 'Gauge, drop and what a wire carries', exact: true })
    .click();
  const wire = page.getByRole('article', { name: 'Gauge, drop and what a wire carries' });
  await wire.getByLabel('Current', { exact: true }).fill('1 A');
  await wire.getByLabel('Length, one way').fill('700');
  const drop = await wire.locator('output').innerText();
  await choose(page, american);
  await expect(wire.getByLabel('Length, one way')).toHaveValue('700 mm');
  await expect(wire.getByLabel('Current', { exact: true })).toHaveValue('1 A');
  await expect(wire.locator('output')).toHaveText(drop);
  await wire.getByLabel('Length, one way').fill('10');
  // 10 in are 254 mm: 254/700 of the drop before.
  await expect(wire.locator('output')).not.toHaveText(drop);
  await wire.getByLabel('Length, one way').fill('27.559 in');
  await expect(wire.locator('output')).toHaveText(drop);
});

test('choices in one breath are all taken, though the first still fetches what it needs', async ({ page }) => {
  await page.goto('/sums');
  await page
    .getByRole('navigation', { name: 'Quick sums' })
    .getByRole('button', { name: 'Gauge, drop and what a wire carries', exact: true })
    .click();
  const wire = page.getByRole('article', { name: 'Gauge, drop and what a wire carries' });
  await wire.getByLabel('Length, one way').fill('700');
  await page.getByRole('button', { name: 'Units' }).click();
  await expect(page.getByLabel('Lengths')).toBeVisible();
  // Both before anything can come in between.
  await page.evaluate(() => {
    for (const [label, value] of [
      ['Lengths', 'in'],
      ['Wires', 'mm²'],
    ] as const) {
      const field = [...document.querySelectorAll('label')].find((each) => each.textContent?.startsWith(label));
      const select = document.querySelector<HTMLSelectElement>(`#${CSS.escape(field?.htmlFor ?? '')}`);
      const set = Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value')?.set;
      if (!select || !set) throw new Error(`no choice of ${label}`);
      set.call(select, value);
      select.dispatchEvent(new Event('change', { bubbles: true }));
    }
  });
  await expect(page.getByLabel('Lengths')).toHaveValue('in');
  await expect(page.getByLabel('Wires')).toHaveValue('mm²');
  await page.keyboard.press('Escape');
  await expect(wire.getByLabel('Length, one way')).toHaveValue('700 mm');
});

test('a sign that is none is refused beside its field, and the last one stays', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Units' }).click();
  const sign = page.getByLabel('Sign before money');
  await sign.fill('€');
  await sign.fill('<b>12');
  await expect(page.getByRole('alert')).toContainText('“€” stays');
  await expect(sign).toHaveAttribute('aria-invalid', 'true');
});

test('days are written as the maker reads them, on the shelf and in the logbook, and that is kept', async ({
  page,
}) => {
  await page.goto('/');
  await expect(page.getByText(/^changed \d{1,2} [A-Z][a-z]{2,3} \d{4}/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Units' }).click();
  await page.getByRole('dialog', { name: 'Units' }).getByLabel('Days').selectOption('year first');
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByText(/^changed \d{4}-\d\d-\d\d \d\d:\d\d$/).first()).toBeVisible();
  await page.reload();
  await expect(page.getByText(/^changed \d{4}-\d\d-\d\d \d\d:\d\d$/).first()).toBeVisible();
  await page.goto(`/plan/${await copyDemo(page)}/logbook`);
  await expect(page.getByText(/\d{4}-\d\d-\d\d \d\d:\d\d/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Units' }).first().click();
  await page.getByRole('dialog', { name: 'Units' }).getByLabel('Days').selectOption('words');
  await page.getByRole('button', { name: 'Close' }).click();
});
