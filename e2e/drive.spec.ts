import { copyDemo, expect, figure, fill, goTo, kept, type Page, takePart, test } from './bench.ts';

const pinOf = (page: Page, what: string) => page.getByLabel(new RegExp(`^Pin of ${what}`));

test('pins are locked by hand, a clash is named, and all locks are freed by a click', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/drive`);
  const lure = pinOf(page, 'Lure');
  await expect(lure).toBeVisible();
  const others = (await lure.locator('option').allInnerTexts()).slice(1).filter((name) => !name.includes('reckoned'));
  await lure.selectOption(others[0] ?? '');
  await expect(page.getByRole('row', { name: /^Lure/ }).getByText('yours').last()).toBeVisible();
  // The same pin for the eyes as well: there is no plan of pins then.
  await pinOf(page, 'Eyes')
    .first()
    .selectOption(others[0] ?? '');
  await expect(page.getByText(/No pin plan for Board:/)).toBeVisible();
  await page.getByRole('button', { name: 'Free all locked pins' }).click();
  await expect(page.getByText(/No pin plan for Board:/)).toBeHidden();
  await expect(lure.locator('option').first()).toHaveText(/, reckoned$/);
  await kept(page);
});

test('a resistor of the maker’s own: odd values too, too little, too much, and back to what is reckoned', async ({
  page,
}) => {
  await page.goto(`/plan/${await copyDemo(page)}/drive`);
  const resistor = page.getByLabel(/^Resistor, each light/).first();
  const reckoned = await resistor.inputValue();
  // No colour code says 1234 ohms; the sheet and the steps of the bench stand all the same.
  await resistor.fill('1234');
  await resistor.press('Enter');
  await expect(resistor).toHaveValue('1.234 kΩ');
  await expect(page.getByLabel('Resistor, each light yours', { exact: true })).toBeVisible();
  await goTo(page, 'bench');
  await page
    .getByRole('button', { name: /^\d+ Measure a resistor for/ })
    .first()
    .click();
  await expect(page.locator('[data-card]').getByText(/of 1.23 kΩ and measure one/)).toBeVisible();
  await goTo(page, 'drive');
  await resistor.fill('2 Ω');
  await resistor.press('Enter');
  await expect(page.getByText(/^(Stop: )?Lure may take .* and is rated for/)).toBeVisible();
  await resistor.fill('');
  await resistor.press('Enter');
  await expect(resistor).toHaveValue(reckoned);
});

test('what switches a channel, and what the pixels’ data line has', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/drive`);
  const switched = page.getByLabel(/^Switched by/).first();
  await expect(page.getByText(/Bipolar transistor, NPN, 0.2 A, \d+ Ω before it/).first()).toBeVisible();
  // The 3.3 V of this controller's pin leave nothing for the resistor of a white light.
  await switched.selectOption('the pin itself, lit high');
  await expect(page.getByText(/head-room/).first()).toBeVisible();
  await switched.selectOption('as reckoned');
  await expect(page.getByText(/a transistor to minus; Bipolar/).first()).toBeVisible();
  await goTo(page, 'lights');

  await fill(page, 'Resistor in the data line', '');
  await goTo(page, 'drive');
  await expect(page.getByText('No resistor in the data line before the first pixel of Upper jaw')).toBeVisible();
  await page.getByRole('button', { name: 'Add 330 Ω' }).click();
  await goTo(page, 'lights');
  await expect(page.getByLabel('Resistor in the data line').first()).toHaveValue('330 Ω');
  await fill(page, 'Capacitor at its feed', '');
  await goTo(page, 'drive');
  await expect(page.getByText('No reservoir capacitor at the feed of Upper jaw')).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(page.getByText('No reservoir capacitor at the feed of Upper jaw')).toBeHidden();
  await goTo(page, 'drive');
  // 66 pixels: 66 · 24 · 1.25 µs + 0.3 ms = 2.28 ms, 438 frames a second.
  await page.getByRole('button', { name: '438', exact: true }).click();
  await expect(page.getByRole('dialog').getByText('= 66 · 24 · 1.25 µs + 300 µs')).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();
});

test('another controller: other pins, other draw, and none at all', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/drive`);
  const peak = (await figure(page, 'Peak draw').textContent()) ?? '';
  await takePart(page, 'Controller', 'Larger 5 V eight-bit controller, 18 pins');
  await expect(figure(page, 'Peak draw')).not.toHaveText(peak);
  await expect(page.getByText(/^5.00 V logic/)).toBeVisible();
  await page.getByRole('button', { name: 'Remove Board', exact: true }).click();
  await expect(page.getByText('begins with a controller')).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(figure(page, 'Peak draw')).toHaveText(peak);
});

test('the transistor of a channel is chosen out of a list by its figures, and can be left to the plan again', async ({
  page,
}) => {
  await page.goto(`/plan/${await copyDemo(page, '6f1d0c52-3b6e-4f0a-9a51-2c7d5b1e7a05')}/drive`);
  const list = page.getByRole('combobox', { name: /^Switched by, red: which transistor/ });
  await list.click();
  await list.fill('4.5 V');
  const option = page.getByRole('option', { name: /full on at 4\.5 V/ }).first();
  await option.click();
  // The pins of this board give 5 V, so that one which is promised at 4.5 V may be taken.
  await expect(list).toHaveValue(/full on at 4\.5 V/);
  await list.click();
  await page.getByRole('listbox').getByRole('option', { name: 'as reckoned' }).click();
  await expect(page.getByText(/before it$/).first()).toContainText(/Field-effect transistor, .*Ω before it/);
});
