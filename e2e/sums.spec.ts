import { readFileSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import { copyDemo, expect, notice, type Page, REEF, test } from './bench.ts';

const lay = (page: Page, title: string) =>
  page.getByRole('navigation', { name: 'Quick sums' }).getByRole('button', { name: title, exact: true }).click();
const card = (page: Page, title: string) => page.getByRole('article', { name: title });

test('a sum from the shelf: filled in, written over, kept after a reload', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Quick sums' }).click();
  await expect(page.getByText('Choose a sum out of the list')).toBeVisible();
  await lay(page, 'Resistor for a light');
  const light = card(page, 'Resistor for a light');
  await expect(light.locator('output')).toHaveText('180 Ω');
  await light.getByLabel('Supply', { exact: true }).fill('9V');
  await light.getByLabel('Forward drop at that current').fill('2 V');
  await light.getByLabel('Wanted current').fill('20mA');
  // (9 − 2) / 20 mA = 350 Ω; the next of E12 is 390 Ω.
  await expect(light.locator('output')).toHaveText('390 Ω');
  await light.getByText('The sum, with its numbers').click();
  await expect(light.getByText('= (9.00 V − 0 V − 2.00 V) / 20.0 mA = 350 Ω')).toBeVisible();
  await page.reload();
  await expect(card(page, 'Resistor for a light').getByLabel('Wanted current')).toHaveValue('20mA');
  await expect(card(page, 'Resistor for a light').locator('output')).toHaveText('390 Ω');
});

test('a part is asked for first, out of groups, by its figures', async ({ page }) => {
  await page.goto('/sums');
  await lay(page, 'A light on a battery');
  const pack = page.getByRole('combobox', { name: 'Pack' });
  await pack.click();
  const list = page.getByRole('listbox');
  await expect(list).toContainText('Lithium-ion');
  await expect(list).toContainText('Alkaline');
  // No name has a mass in it: it is found by what stands below the names.
  await pack.fill('110 g lithium');
  await expect(page.getByRole('option')).toHaveCount(1);
  await page.getByRole('option', { name: /^Two lithium-ion cells in series/ }).click();
  await expect(pack).toHaveValue('Two lithium-ion cells in series, 2600 mAh');
});

test('two cards side by side to compare; taken off, and put back', async ({ page }) => {
  await page.goto('/sums');
  await lay(page, 'How long it runs');
  await expect(page.locator('output')).toHaveText('4.20 h');
  await page.getByRole('button', { name: 'Copy How long it runs beside' }).click();
  await expect(page.locator('output')).toHaveCount(2);
  await page.getByLabel('Load', { exact: true }).last().fill('840 mA');
  await expect(page.locator('output').first()).toHaveText('4.20 h');
  await expect(page.locator('output').last()).not.toHaveText('4.20 h');
  await page.getByRole('button', { name: 'Take How long it runs off the desk' }).first().click();
  await expect(page.locator('output')).toHaveCount(1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('output')).toHaveCount(2);
});

test('rubbish in a field says what is wrong beside it, and what was typed stays', async ({ page }) => {
  await page.goto('/sums');
  await lay(page, 'Gauge, drop and what a wire carries');
  const wire = card(page, 'Gauge, drop and what a wire carries');
  await wire.getByLabel('Current', { exact: true }).fill('plenty');
  await expect(wire.getByRole('alert')).toContainText('"plenty" is not a current; write it such as 20 mA or 1.5 A');
  await expect(wire.getByLabel('Current', { exact: true })).toHaveValue('plenty');
  await expect(wire.getByLabel('Current', { exact: true })).toHaveAttribute('aria-invalid', 'true');
  await expect(wire.getByLabel('Current', { exact: true })).toHaveAccessibleDescription(/is not a current/);
  await wire.getByLabel('Current', { exact: true }).fill('3 A');
  await expect(wire.getByText(/24 (AWG|gauge) carries 2.10 A in a bundle/)).toBeVisible();
  await wire.getByText(/more, taken as usual/).click();
  await wire.getByLabel('Conductor').selectOption('foil');
  await expect(wire.getByRole('alert')).toContainText('Foil needs its width and thickness');
});

test('what was reckoned goes into a new plan and into one of the shelf', async ({ page }) => {
  await page.goto('/sums');
  await lay(page, 'Marks on a ring');
  await page.getByLabel('Lights', { exact: true }).fill('9');
  await expect(page.getByRole('img', { name: 'Ring of 9 marks' })).toBeVisible();
  await page.getByRole('button', { name: 'Put Marks on a ring into a plan' }).click();
  await page.getByRole('button', { name: 'Put it in' }).click();
  await page.getByRole('link', { name: 'Open Marks on a ring' }).click();
  await expect(page.getByLabel('Name of the plan')).toHaveValue('Marks on a ring');
  await expect(page.getByRole('button', { name: /^Ring 1 9, at/ })).toBeVisible();

  await page.goto('/sums');
  await lay(page, 'Fuse');
  await page.getByRole('button', { name: 'Put Fuse into a plan' }).click();
  await page.getByLabel('Plan', { exact: true }).selectOption({ label: 'Marks on a ring' });
  await page.getByRole('button', { name: 'Put it in' }).click();
  await page.getByRole('link', { name: 'Open Marks on a ring' }).click();
  await expect(page.getByLabel('Fuse, near the pack')).toHaveValue('2.5');
});

test('the full-size template of a ring, and the drawer out of a table', async ({ page }) => {
  await page.goto('/sums');
  await lay(page, 'Marks on a ring');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Template, full size, SVG' }).click();
  expect(readFileSync(await (await download).path(), 'utf8')).toContain('This rule is 100 mm long');

  await page.getByLabel('Drawer table to bring in').setInputFiles({
    name: 'drawer.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('kind,count,resistance\nresistor,5,56\nresistor,9,82\nresistor,2,a few\n'),
  });
  await expect(notice(page, /2 lines taken; 1 left out, the first is line 4/)).toBeVisible();
  await lay(page, 'From the drawer');
  const drawer = card(page, 'From the drawer');
  await drawer.getByRole('button', { name: /from your drawer/ }).click();
  await drawer.getByLabel('Wanted').fill('33.3');
  await expect(drawer.locator('output')).toHaveText('33.3 Ω');
  await expect(drawer.getByText('56 ‖ 82').first()).toBeVisible();
});

test('by keyboard alone: find a sum, lay it, write into it', async ({ page }) => {
  await page.goto('/sums');
  await page.getByLabel('Find a sum').focus();
  await page.keyboard.type('colour bands');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await page.getByLabel('Value', { exact: true }).focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('180');
  await expect(page.getByText('brown, grey, brown, gold')).toBeVisible();
});

for (const lamp of ['on', 'off'] as const) {
  test(`no serious fault of access on the desk, lamp ${lamp}`, async ({ page }) => {
    await page.addInitScript((state) => localStorage.setItem('lamp', state), lamp);
    await page.goto('/sums');
    for (const title of [
      'Voltage along a tape',
      'Marks on a ring',
      'Cutting a list of lengths',
      'What a converter asks of a cell',
    ])
      await lay(page, title);
    await expect(page.locator('[data-answer]')).toHaveCount(4);
    const { violations } = await new AxeBuilder({ page })
      .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
      .analyze();
    const grave = violations.filter((violation) => violation.impact === 'serious' || violation.impact === 'critical');
    expect(grave.map((violation) => `${violation.id}: ${violation.nodes[0]?.target.join(' ')}`)).toEqual([]);
  });
}

test('a card that is slow says that it is at work and can be stopped; the others go on', async ({ page }) => {
  // The first worker never comes to begin: as slow as a sum can be.
  let asked = 0;
  await page.route('**/assets/sumsWorker*', async (route) => {
    asked += 1;
    if (asked > 1) await route.continue();
  });
  await page.goto('/sums');
  await page.getByRole('button', { name: 'How long it runs', exact: true }).click();
  const slow = page.getByRole('article', { name: 'How long it runs' });
  await expect(slow.getByRole('status')).toContainText('At work on this one');
  await page.getByRole('button', { name: 'Resistor for a light', exact: true }).click();
  await expect(page.getByRole('article', { name: 'Resistor for a light' }).locator('[data-answer]')).toContainText('Ω');
  await slow.getByRole('button', { name: 'Stop How long it runs' }).click();
  await expect(slow.getByRole('status')).toBeHidden();
  await expect(slow.getByRole('alert')).toContainText('This sum was stopped. Change one of its fields');
  await slow.getByRole('textbox').first().fill('2 Ah');
  await expect(slow.locator('[data-answer]')).toContainText('h');
  await expect(slow.getByRole('alert')).toBeHidden();
});

test('a sum out of the field that it answers: asked with what the plan says, changed, and put back', async ({
  page,
}) => {
  await page.goto(`/plan/${await copyDemo(page)}/drive`);
  const field = page.getByLabel('Resistor, each light').first();
  const before = await field.inputValue();
  await page.getByRole('button', { name: 'Quick sum of Lure: led resistor' }).click();
  const drawer = page.getByRole('dialog', { name: 'Resistor for a light' });
  // The plan’s own resistor, out of the plan’s own figures.
  await expect(drawer.locator('output')).toHaveText(/180 Ω/);
  await drawer.getByLabel('Wanted current').fill('5 mA');
  await expect(drawer.locator('output')).not.toHaveText(/180 Ω/);
  const answer = (await drawer.locator('output').textContent()) ?? '';
  await drawer.getByRole('button', { name: 'Put it into resistor' }).click();
  await expect(drawer).toHaveCount(0);
  await expect(field).not.toHaveValue(before);
  expect((await field.inputValue()).replace(/\.0+(?= )/, '')).toBe(answer.replace(/\.0+(?= )/, ''));
});

test('the rows of a grid ask their sum, and take what it was asked with', async ({ page }) => {
  const id = await copyDemo(page, REEF);
  await page.goto(`/plan/${id}/lights`);
  await page.getByRole('button', { name: 'Quick sum of Reef: grid scan' }).click();
  const drawer = page.getByRole('dialog', { name: 'A scanned grid' });
  // 64 lights in 8 rows: 8 rows and 8 columns are 16 pins; in 4 rows of 16, 20.
  await expect(drawer.getByText('Pins', { exact: true }).locator('..')).toContainText('16');
  await drawer.getByLabel('Rows', { exact: true }).fill('4');
  await drawer.getByLabel('Columns', { exact: true }).fill('16');
  await expect(drawer.getByText('Pins', { exact: true }).locator('..')).toContainText('20');
  // More rows than the field takes are not put there, and it says so.
  await drawer.getByLabel('Rows', { exact: true }).fill('40');
  await expect(drawer.getByRole('alert')).toContainText('Rows can’t take it: 40 is outside 1 to 16');
  await expect(drawer.getByRole('button', { name: 'Put it into rows' })).toHaveCount(0);
  await drawer.getByLabel('Rows', { exact: true }).fill('4');
  await drawer.getByRole('button', { name: 'Put it into rows' }).click();
  await expect(page.getByLabel('Switched by: rows')).toHaveValue('4');
});
