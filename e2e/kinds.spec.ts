import type { Page } from '@playwright/test';
import { copyDemo, DEMO, drawn, expect, figure, fill, goTo, kept, shown, take, test } from './bench.ts';

const demo = (number: string): string => `${DEMO.slice(0, -3)}${number}`;
const button = (page: Page, name: string) => page.getByRole('button', { name, exact: true });
const choose = async (page: Page, label: string, option: string | RegExp, nth = 0): Promise<void> => {
  await take(page.getByRole('combobox', { name: label, exact: true }).nth(nth), option);
  await shown(page);
};

test('a second level on the light sensor: one part and one pin, thresholds of its own, and a draw in the budget', async ({
  page,
}) => {
  await page.goto(`/plan/${await copyDemo(page)}/drive`);
  const pins = page.getByRole('row', { name: /sensor/i });
  await expect(pins).toHaveCount(1);
  await button(page, 'Light sensor').click();
  await shown(page);
  await expect(pins).toHaveCount(2);
  await page.getByLabel('Shares the part of').last().selectOption({ index: 1 });
  await shown(page);
  await expect(pins).toHaveCount(1);
  await expect(page.getByText(/dark is told after/)).toHaveCount(2);
  await page.getByLabel('Its part', { exact: true }).first().selectOption('phototransistor');
  await shown(page);
  await expect(page.getByText(/µF across it/)).toBeVisible();
  await goTo(page, 'power');
  const budget = page
    .locator('section, div')
    .filter({ has: page.getByRole('heading', { name: 'Budget on the rails' }) });
  await expect(budget.last().getByRole('row', { name: /sensor/i })).toHaveCount(1);
  await kept(page);
});

test('a knob, a motion sensor and a sound sensor: heard, turned and drawn, with their draw all day', async ({
  page,
}) => {
  await page.goto(`/plan/${await copyDemo(page)}/drive`);
  for (const kind of ['Knob', 'Motion sensor', 'Sound sensor']) await button(page, kind).click();
  await shown(page);
  await expect(page.getByText(/its slider to the pin; down below \d+, up above \d+/)).toBeVisible();
  await fill(page, 'Counts as turned up above', '300 %');
  await expect(page.getByRole('alert')).toContainText('300');
  await fill(page, 'Counts as turned up above', '70 %');
  await goTo(page, 'moods');
  const hands = page.getByRole('group', { name: 'Virtual hands' });
  await hands.getByRole('slider', { name: 'Knob 1' }).fill('20');
  // Turned down it darkens nothing yet: the lights go on moving. Once it dims they stand dark.
  const knob = hands.getByRole('slider', { name: 'Knob 1' });
  const stirs = async (): Promise<boolean> => {
    const before = await drawn(page);
    await page.waitForTimeout(400);
    return (await drawn(page)) !== before;
  };
  await page.getByRole('tab', { name: 'Hunt' }).click();
  await page.getByRole('button', { name: /^Lamp off/ }).click();
  await page.getByRole('button', { name: 'Run the moods' }).click();
  await knob.fill('0');
  await expect.poll(stirs).toBe(true);
  await goTo(page, 'drive');
  await page.getByLabel('Sets how bright all lights of its board are').check();
  await shown(page);
  await goTo(page, 'moods');
  await page.getByRole('tab', { name: 'Hunt' }).click();
  await knob.fill('0');
  await expect.poll(stirs).toBe(false);
  await knob.fill('100');
  await expect.poll(stirs).toBe(true);
  await hands.getByRole('button', { name: 'Motion sensor 1' }).click();
  await expect(hands.getByRole('button', { name: 'Motion sensor 1' })).toHaveAttribute('aria-pressed', 'true');
  await goTo(page, 'power');
  await expect(page.getByRole('row', { name: /^Sound sensor 1 4\.00 mA/ })).toBeVisible();
  await goTo(page, 'bench');
  await expect(page.getByRole('button', { name: /Knob 1, turned half way/ })).toBeVisible();
  await kept(page);
});

test('four remotes on one receiver, one transmitter for all four copies', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page, demo('c11'))}/drive`);
  await expect(page.getByLabel('Receiver, with its transmitter')).toBeVisible();
  await page.getByLabel('Which output', { exact: true }).last().fill('9');
  await page.getByLabel('Which output', { exact: true }).last().press('Enter');
  await shown(page);
  await expect(page.getByText(/hears|no output 9|has 4/).first()).toBeVisible();
  await page.getByLabel('Which output', { exact: true }).last().fill('2');
  await page.getByLabel('Which output', { exact: true }).last().press('Enter');
  await shown(page);
  await goTo(page, 'wires');
  await expect(page.getByRole('row', { name: /Hand transmitter, radio, 4 keys/ })).toHaveCount(1);
  await goTo(page, 'bench');
  await expect(page.getByRole('button', { name: /Walk the range of Receiver/ })).toBeVisible();
});

test('a pack of its own, guarded, brought twice: how long it keeps, what the evening asks for, what the carrier is told', async ({
  page,
}) => {
  await page.goto(`/plan/${await copyDemo(page, demo('a06'))}/power`);
  await choose(page, 'Pack', /5000 mAh, bare/);
  await fill(page, 'Capacity', '');
  await expect(page.getByText(/Nothing stops the piece at the 2\.80 V/).first()).toBeVisible();
  await button(page, 'Add: Protection board, one lithium cell, 3 A').first().click();
  await shown(page);
  await expect(page.getByText(/Nothing stops the piece/)).toHaveCount(0);
  const waiting = page.locator('[data-waiting]');
  await expect(waiting).toContainText(/Switched off a full pack keeps for/);
  await expect(waiting).toContainText('18.5 Wh');
  await fill(page, 'Charged ones brought to exchange', '1');
  await expect(waiting).toContainText('2 are brought');
  await choose(page, 'Protection board', /two lithium cells/);
  await expect(page.getByText(/it is not made for/).first()).toBeVisible();
  await button(page, 'Leave it out').first().click();
  await kept(page);
});

test('a pack and a port to one rail, a charger at the pack: what is live when, in every state', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/power`);
  await button(page, 'Outside supply').click();
  await button(page, 'Two feeds to one rail').click();
  await button(page, 'Charger').click();
  await shown(page);
  await choose(page, 'Charged', 'in place, switched off');
  await expect(page.getByRole('heading', { name: 'What is live when' })).toBeVisible();
  await page.getByLabel('Or from', { exact: true }).selectOption({ index: 1 });
  await shown(page);
  await expect(page.getByRole('table').filter({ hasText: 'Charger' }).first()).toBeVisible();
  await kept(page);
});

test('a sound that starts with a mood: its start is the peak of that mood, and its step reads what it draws', async ({
  page,
}) => {
  await page.goto(`/plan/${await copyDemo(page, demo('c14'))}/moods`);
  await page.getByRole('tab', { name: 'Adrift' }).click();
  const peak = figure(page, 'Peak draw');
  await expect(peak).toContainText('903 mA');
  await page.getByLabel('What Foghorn does').selectOption('steady');
  await shown(page);
  // 92.3 mA of lights and board, 700 mA of the sound at its start, less the 20 mA that it waits with.
  await expect(page.getByText(/Draws on (the )?rails.*: mean, at its height/).locator('..')).toContainText('772 mA');
  await goTo(page, 'bench');
  await expect(page.getByRole('button', { name: /Foghorn, started by the program/ })).toBeVisible();
});

test('a servo: its two places, the mood that opens it, its pin that gives pulses, its step', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/power`);
  await expect(page.getByLabel('Pulse where it is at work')).toBeHidden();
  await button(page, 'Other load').click();
  await shown(page);
  await choose(page, 'What it is', /^Small servo/);
  await fill(page, 'Name of the other load', 'Jaw');
  // What else draws is asked for no pulse.
  await expect(page.getByLabel('Pulse where it stands still')).toHaveAttribute('placeholder', /^1 ms/);
  await fill(page, 'Pulse where it is at work', '1.6 ms');
  await fill(page, 'Pulse where it is at work', '9 ms');
  await expect(page.getByText(/9.*ms.*0\.5.*2\.5|between.*500/i).first()).toBeVisible();
  await fill(page, 'Pulse where it is at work', '1.6 ms');
  await goTo(page, 'moods');
  await page.getByRole('tab', { name: 'Hunt' }).click();
  await page.getByLabel('What Jaw does').selectOption('steady');
  await shown(page);
  await goTo(page, 'bench');
  await expect(page.getByText('pulses of 1.00 ms')).toBeVisible();
  await expect(page.getByRole('button', { name: /Jaw, started by the program/ })).toBeVisible();
  await kept(page);
});
