import { beginPlan, clickPicture, expect, figure, goTo, kept, type Page, take, takePart, test } from './bench.ts';

/** The card of an item by its kind and name. */
const card = (page: Page, name: string) => page.getByRole('article', { name, exact: true });

async function choose(page: Page, item: string, label: string | RegExp, option: string): Promise<void> {
  await take(
    card(page, item)
      .getByRole('combobox', typeof label === 'string' ? { name: label, exact: true } : { name: label })
      .first(),
    option,
  );
}

async function set(page: Page, item: string, label: string, value: string): Promise<void> {
  const field = card(page, item).getByLabel(label, { exact: true });
  await field.fill(value);
  await field.press('Enter');
}

const add = (page: Page, kind: string): Promise<void> => page.getByRole('button', { name: kind, exact: true }).click();

/** Single lights at these shares of the picture. */
async function placeLights(page: Page, places: readonly (readonly [number, number])[]): Promise<void> {
  await page.getByRole('button', { name: 'Add single lights' }).click();
  for (const [x, y] of places) await clickPicture(page, x, y);
  await page.getByRole('button', { name: 'Done' }).click();
}

test('a float with a pouch cell, a magnet switch and one lamp: no controller, and no figure is nought', async ({
  page,
}) => {
  await beginPlan(page);
  await page.getByLabel('Outline').selectOption({ label: 'Mooring float' });
  await goTo(page, 'lights');
  await placeLights(page, [[0.5, 0.3]]);
  // Nothing is made up while nothing feeds it.
  await expect(figure(page, 'Peak draw')).toContainText('needs');
  await expect(figure(page, 'Runs for')).toContainText('needs');
  await choose(page, 'Single lights: Lights 1', 'Kind of light', 'Pre-wired chip light, white, 1.6 × 0.8 mm');
  await set(page, 'Single lights: Lights 1', 'Wanted current, each', '8 mA');

  await goTo(page, 'power');
  await add(page, 'Pack');
  await choose(page, 'Pack: Pack', 'Pack', 'Lithium-ion pouch, 150 mAh, bare leads');
  await add(page, 'Switch in the lead');
  await choose(
    page,
    'Switch in the lead: Switch in the lead',
    'Switch',
    'Magnet switch, closes near a magnet, 0.5 A direct current',
  );
  await page.getByRole('button', { name: /^A disc of 6\.00 mm × 3\.00 mm behind/ }).click();
  await expect(page.getByLabel('Its remanence')).toHaveValue('1200 mT');
  await page.getByRole('button', { name: /^Fit / }).click();

  await goTo(page, 'lights');
  await choose(page, 'Single lights: Lights 1', 'Switched by', 'a switch of its own in the lead');
  await choose(page, 'Single lights: Lights 1', 'Its resistor sits', 'at the switch or board');
  await expect(figure(page, 'Runs for')).toContainText(/\d h/);
  await expect(figure(page, 'Peak draw')).toContainText('mA');
  await goTo(page, 'drive');
  // Rated 15 mA: 82 Ω would let 16 mA through a light at the bright corner.
  await expect(page.getByLabel('Resistor, each light')).toHaveValue('100 Ω');
  await goTo(page, 'wires');
  const runs = page.getByRole('row');
  await expect(runs.filter({ hasText: 'Lead of Switch in the lead' })).toContainText('pack plus');
  await expect(runs.filter({ hasText: 'Minus to Switch in the lead' })).toContainText('minus');
  await goTo(page, 'bench');
  await expect(page.getByRole('button', { name: /Lights 1, at full/ })).toBeVisible();
  await kept(page);
});

test('lanterns with a line of pixels straight off one cell', async ({ page }) => {
  await beginPlan(page);
  await page.getByLabel('Outline').selectOption({ label: 'Stepping-stone lantern' });
  await goTo(page, 'lights');
  await page.getByRole('button', { name: 'Add a tape' }).click();
  await clickPicture(page, 0.35, 0.6);
  await clickPicture(page, 0.65, 0.6);
  await page.getByRole('button', { name: 'Done' }).click();
  await set(page, 'Pixel tape: Tape 1', 'Length of the route', '200 mm');
  await expect(page.getByRole('button', { name: '12', exact: true })).toBeVisible();
  await goTo(page, 'moods');
  await page.getByRole('button', { name: 'Add a mood' }).click();
  await goTo(page, 'drive');
  await add(page, 'Controller');
  await choose(page, 'Controller: Board', 'Controller', 'Sewable 3.3 V controller, round, 7 pins');
  await goTo(page, 'power');
  await add(page, 'Pack');
  await add(page, 'Switch in the lead');
  // Straight off the cell the board resets before the charge is gone; it is said.
  await expect(figure(page, 'Runs for')).toContainText(/\d h/);
  await expect(page.getByText(/The rail of Board falls to 3.00 V; it wants 3.50 V/)).toBeVisible();
  await expect(page.getByRole('img', { name: /^Chain of \d+ links/ })).toBeVisible();
  await kept(page);
});

test('a cloak of 12 V colour tape on three transistors, its board on a rail of its own', async ({ page }) => {
  await beginPlan(page);
  await page.getByLabel('Outline').selectOption({ label: 'Cloak' });
  await goTo(page, 'lights');
  await page.getByRole('button', { name: 'Add plain tape' }).click();
  await clickPicture(page, 0.3, 0.75);
  await clickPicture(page, 0.7, 0.75);
  await page.getByRole('button', { name: 'Done' }).click();
  const tape = 'Plain tape: Plain tape 1';
  await choose(page, tape, 'Kind of tape', '12 V, red, green and blue, 72/m, cut every 3, 9.6 W/m');
  await set(page, tape, 'Length of the route', '2.4 m');
  // 2.4 m of 72 a metre, cut only behind every third: 57 pieces of three.
  await expect(card(page, tape).getByText('171', { exact: true })).toBeVisible();
  await goTo(page, 'power');
  await add(page, 'Pack');
  await takePart(card(page, 'Pack: Pack'), 'Pack', 'Three lithium-ion cells in series, 2600 mAh');
  await goTo(page, 'drive');
  await add(page, 'Controller');
  await goTo(page, 'power');
  await add(page, 'Converter');
  await choose(page, 'Converter: Converter', 'Converter', 'Buck converter, 5 V, 3 A');
  await goTo(page, 'lights');
  await choose(page, tape, 'Fed from', 'Pack');
  await goTo(page, 'moods');
  await page.getByRole('button', { name: 'Add a mood' }).click();
  await goTo(page, 'drive');
  await expect(page.getByRole('cell', { name: 'Plain tape 1, red', exact: true })).toBeVisible();
  await expect(page.getByLabel('Switched by').first()).toHaveValue('auto');
  await expect(page.getByText(/a transistor to minus; Field-effect/).first()).toBeVisible();
  await goTo(page, 'wires');
  await expect(page.getByRole('row').filter({ hasText: 'Feed of Plain tape 1' })).toContainText(
    'channel Plain tape 1 red',
  );
  await kept(page);
});

test('a beacon that lights itself in the dark by a gate, without a program', async ({ page }) => {
  await beginPlan(page);
  await page.getByLabel('Outline').selectOption({ label: 'Harbour beacon' });
  await goTo(page, 'lights');
  await placeLights(page, [
    [0.5, 0.3],
    [0.4, 0.6],
  ]);
  await goTo(page, 'power');
  await add(page, 'Pack');
  await goTo(page, 'drive');
  await add(page, 'Light gate');
  await goTo(page, 'lights');
  await choose(page, 'Single lights: Lights 1', 'Switched by', 'a light gate, without a program');
  await expect(card(page, 'Single lights: Lights 1').getByLabel('Switched by: which')).toBeVisible();
  await expect(figure(page, 'Runs for')).toContainText(/\d h/);
  await goTo(page, 'wires');
  await expect(page.getByRole('row', { name: /^Lights 1 1/ })).toContainText('switched minus of Light gate');
  await kept(page);
});

test('a beacon whose program lights one after another, by two sensors', async ({ page }) => {
  await beginPlan(page);
  await page.getByLabel('Outline').selectOption({ label: 'Harbour beacon' });
  await goTo(page, 'lights');
  await placeLights(page, [[0.5, 0.3]]);
  await placeLights(page, [[0.4, 0.7]]);
  await goTo(page, 'drive');
  await add(page, 'Controller');
  await add(page, 'Light sensor');
  await add(page, 'Light sensor');
  await set(page, 'Light sensor: Light sensor 2', 'Measured in the dark', '300 k');
  await goTo(page, 'power');
  await add(page, 'Pack');
  await add(page, 'Converter');
  await goTo(page, 'moods');
  await page.getByRole('button', { name: 'Add a mood' }).click();
  await page.getByRole('button', { name: 'Add a mood' }).click();
  await page.getByRole('tab', { name: 'Cues' }).click();
  await page.getByRole('button', { name: 'Add a cue' }).click();
  await expect(page.getByText(/Light sensor 1/).first()).toBeVisible();
  await goTo(page, 'drive');
  await expect(page.getByRole('cell', { name: 'Lights 1', exact: true })).toBeVisible();
  await expect(page.getByRole('cell', { name: 'Light sensor 2', exact: true })).toBeVisible();
  await goTo(page, 'wires');
  // A light on a pin that is lit high: the pin gives, minus takes back.
  const light = page.getByRole('row').filter({ hasText: /^Lights 1/ });
  await expect(light).toContainText('channel Lights 1');
  await expect(light).toContainText('minus');
  await expect(light).not.toContainText('rail plus');
  await kept(page);
});
