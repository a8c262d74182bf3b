import { copyDemo, expect, goTo, kept, type Page, test } from './bench.ts';

const step = (page: Page, name: RegExp) => page.getByRole('listitem').getByRole('button', { name });
async function read(page: Page, text: string): Promise<void> {
  await page.getByLabel('Your reading').fill(text);
  await page.getByRole('button', { name: 'Take it' }).click();
}

test('readings are judged as they are taken: right, near, wrong with the likeliest slip, and no number', async ({
  page,
}) => {
  await page.goto(`/plan/${await copyDemo(page)}/bench`);
  await step(page, /Measure a resistor for Eyes/).click();
  // 390 Ω within 5 %, and the meter within 1.5 %: 365 to 415 Ω.
  await expect(page.locator('[data-card]').getByText('365 Ω to 415 Ω')).toBeVisible();
  await read(page, 'a lot');
  await expect(page.getByRole('alert')).toContainText('"a lot" is not a resistance');
  await read(page, '3.9k');
  await expect(page.locator('[data-card]')).toContainText('Wrong: 3.90 kΩ, ten times too much');
  // A quarter of the band outside it is near.
  await read(page, '422');
  await expect(page.locator('[data-card]')).toContainText('Near: 422 Ω');
  await read(page, '392 Ω');
  // Right goes on to the next step by itself; the reading stands in the list.
  await expect(step(page, /Measure a resistor for Eyes 392 Ω/)).toBeVisible();
  await expect(page.locator('[data-card]')).not.toContainText('Measure a resistor for Eyes');
  await kept(page);
  await page.reload();
  await expect(step(page, /Measure a resistor for Eyes 392 Ω/)).toBeVisible();
});

test('steps are walked to and fro, done and undone; what can’t be taken back asks for its tests', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/bench`);
  const status = page.getByRole('status').filter({ hasText: /^Step \d+ of \d+/ });
  const total = Number(/of (\d+)/.exec(await status.innerText())?.[1]);
  await step(page, /^1 /).click();
  await expect(page.getByRole('button', { name: 'Step before' })).toBeDisabled();
  await page.getByRole('button', { name: 'Step after' }).click();
  await expect(status).toContainText(`Step 2 of ${total}`);
  await step(page, new RegExp(`^${total} `)).click();
  await expect(page.getByRole('button', { name: 'Step after' })).toBeDisabled();

  await step(page, /Glue and close/).click();
  await expect(page.locator('[data-card]').getByText('can’t be taken back')).toBeVisible();
  await expect(page.getByRole('note')).toContainText(/^Last chance: \d+ tests before this not right yet/);

  await step(page, /Pull, bend and shake/).click();
  const before = Number(/; (\d+) done/.exec(await status.innerText())?.[1]);
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(status).toContainText(`; ${before + 1} done`);
  await step(page, /Pull, bend and shake/).click();
  await page.getByRole('button', { name: 'Not done after all' }).click();
  await expect(status).toContainText(`; ${before} done`);
});

test('the steps follow the plan: another length, another count; no pack, no power-up', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/bench`);
  await step(page, /Cut Upper jaw/).click();
  await expect(page.locator('[data-card]')).toContainText('Cut at a mark after 43 lights');
  await goTo(page, 'lights');
  const length = page.getByLabel(/^Length of the route/).first();
  await length.fill('500 mm');
  await length.press('Enter');
  await goTo(page, 'bench');
  await step(page, /Cut Upper jaw/).click();
  // 500 mm at 74/m is 37.
  await expect(page.locator('[data-card]')).toContainText('Cut at a mark after 37 lights');
  await read(page, '37');
  await goTo(page, 'power');
  await page.getByRole('button', { name: 'Remove Pack', exact: true }).click();
  await goTo(page, 'bench');
  await expect(step(page, /Voltage of the pack/)).toBeHidden();
  await expect(step(page, /Cut Upper jaw 37/)).toBeVisible();
});

test('with the keyboard alone, one hand on the probe: a reading, and the next card', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/bench`);
  await step(page, /Test the lights of Lure/).click();
  await page.getByLabel('Your reading').focus();
  await page.keyboard.type('2.65 V');
  await page.keyboard.press('Enter');
  await expect(step(page, /Test the lights of Lure 2.65 V/)).toBeVisible();
  // The field of the next card is ready for the next reading.
  await expect(page.getByLabel('Your reading')).toBeFocused();
});

test('what is soldered stays soldered: another way of switching asks, says what comes out, and is kept on a click', async ({
  page,
}) => {
  await page.goto(`/plan/${await copyDemo(page)}/bench`);
  await step(page, /Wire: Eyes 1/).click();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await kept(page);
  await goTo(page, 'drive');
  const eyes = page.locator('div.stitch', { has: page.getByText('Eyes', { exact: true }) }).last();
  await eyes
    .getByLabel(/^Switched by/)
    .first()
    .selectOption('pin low');
  await goTo(page, 'bench');
  await step(page, /Wire: Eyes 1/).click();
  const card = page.locator('[data-card]');
  await expect(card).toContainText('This was soldered, and the plan has changed since');
  await expect(card).toContainText('not by a transistor to minus, but by the pin itself, lit low');
  await expect(step(page, /built otherwise Wire: Eyes 1/)).toBeVisible();
  await expect(page.getByText(/then tick the step at the Bench again/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Keep what is built' }).first().click();
  await expect(page.getByText(/is soldered already/)).toHaveCount(0);
  await step(page, /Wire: Eyes 1/).click();
  await expect(card.getByRole('button', { name: 'Not done after all' })).toBeVisible();
});
