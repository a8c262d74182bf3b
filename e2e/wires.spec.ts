import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import { copyDemo, expect, goTo, kept, type Page, slowWorkers, test } from './bench.ts';

const run = (page: Page, name: string) => page.getByRole('row', { name: new RegExp(`^${name}`) });

/** The text of what a button takes out, and the name it is given. */
async function takeOut(page: Page, name: string | RegExp): Promise<{ readonly name: string; readonly text: string }> {
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name }).click();
  const file = await download;
  return { name: file.suggestedFilename(), text: readFileSync(await file.path(), 'utf8') };
}

test('a longer run drops more, a thicker one less, and both are given back', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/wires`);
  await expect(page.getByRole('heading', { name: '8 runs, 5.3 m of wire' })).toBeVisible();
  const feed = run(page, 'Feed of Upper jaw');
  const dropOf = async (): Promise<number> => Number(/−([\d.]+) mV/.exec(await feed.innerText())?.[1]);
  // 409 mm of 24 gauge out and back at 1.716 A: 2 · 0.409 m · 0.0842 Ω/m · 1.716 A = 0.118 V.
  await expect.poll(dropOf).toBe(118);
  const length = page.getByLabel(/^Length of Feed of Upper jaw/);
  await length.fill('81.8 cm');
  await length.press('Enter');
  // Twice as long would drop 236 mV in 24 gauge; the next thicker one is taken.
  await expect(page.getByLabel('Length of Feed of Upper jaw yours', { exact: true })).toHaveValue('818 mm');
  const gauge = page.getByLabel(/^Gauge of Feed of Upper jaw/);
  await gauge.selectOption('24');
  await expect.poll(dropOf).toBe(236);
  await gauge.selectOption('20');
  // 0.0333 Ω/m: 2 · 0.818 · 0.0333 · 1.716 = 93 mV.
  await expect.poll(dropOf).toBeLessThan(96);
  await gauge.selectOption('reckoned');
  await length.fill('');
  await length.press('Enter');
  await expect.poll(dropOf).toBe(118);
  await feed.getByRole('button', { name: 'Feed of Upper jaw', exact: true }).click();
  await expect(page.getByRole('dialog')).toContainText('2 ·');
  await page.getByRole('button', { name: 'Close' }).click();
  await kept(page);
});

test('what is not in the drawer is not taken, and one gauge always stays', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/wires`);
  const gauge = page.getByLabel(/^Gauge of Eyes 1/);
  await expect(gauge.locator('option').first()).toHaveText('30, reckoned');
  await page.getByRole('button', { name: '30', exact: true }).click();
  await expect(gauge.locator('option').first()).toHaveText('28, reckoned');
  for (const each of ['28', '26', '24', '22']) await page.getByRole('button', { name: each, exact: true }).click();
  await expect(gauge.locator('option').first()).toHaveText('20, reckoned');
  await expect(page.getByRole('button', { name: '20', exact: true })).toBeDisabled();
  await page.getByRole('button', { name: '34', exact: true }).click();
  await expect(gauge.locator('option').first()).toHaveText('34, reckoned');
});

test('each core of the wire list, and each line to buy', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/wires`);
  const lists: Record<string, Record<string, string>[]> = {};
  const buttons = page.getByRole('button', { name: 'CSV', exact: true });
  await expect(buttons).toHaveCount(2);
  for (const button of await buttons.all()) {
    const download = page.waitForEvent('download');
    await button.click();
    const file = await download;
    const { data } = Papa.parse<Record<string, string>>(readFileSync(await file.path(), 'utf8'), {
      header: true,
      skipEmptyLines: true,
    });
    lists[file.suggestedFilename()] = data;
  }
  const listed = lists['wires.csv'] ?? [];
  const cores = listed.filter(({ colour }) => colour !== '');
  // The pack's pair, two feeds of three, three lights and two controls of two each: 2 + 6 + 10.
  expect(cores).toHaveLength(18);
  expect(cores.filter((core) => core.run === 'Jumper to Lower jaw').map((core) => core.colour)).toEqual([
    'orange',
    'black',
    'green',
  ]);
  // The board sits on its converter and the switch on the pack: plus and minus of the one, plus of the other. Legs of small
  // parts: a transistor a channel, a resistor a light.
  const joined = listed.filter(({ colour }) => colour === '');
  expect(joined.map((core) => core['ends at'])).toEqual([
    'Board plus in',
    'Board minus',
    'Switch a',
    'transistor of Lure, on pin 3 of Board',
    'Lure plus 1',
    'transistor of Eyes, on pin 5 of Board',
    'Eyes plus 1',
    'Eyes plus 2',
  ]);
  await expect(
    page.getByText(
      /^At one place, joined without a wire of this list: Converter out plus to Board plus in; .*to Switch a\.$/,
    ),
  ).toBeVisible();
  const metres = cores.reduce((sum, core) => sum + Number(core['length mm']) / 1000, 0);
  await expect(page.getByRole('heading', { name: `8 runs, ${metres.toFixed(1)} m of wire` })).toBeVisible();
  const cost = (lists['shopping.csv'] ?? []).reduce((sum, line) => sum + Number(line.cost), 0);
  const shown = await page.getByRole('row', { name: /^One copy, by usual prices/ }).innerText();
  expect(Math.abs(cost - Number(/[\d.]+$/.exec(shown.trim())?.[0]))).toBeLessThan(0.1);
});

test('the template’s back is the mirror of its front, and neither is behind an edit', async ({ page, context }) => {
  await slowWorkers(context, 3000);
  await page.goto(`/plan/${await copyDemo(page)}/wires`);
  const [front, back] = [await takeOut(page, 'Front, SVG'), await takeOut(page, 'Back, mirrored')];
  expect([front.name, back.name]).toEqual(['template.svg', 'template-back.svg']);
  // Each jaw is measured longer than it is drawn: its marks stand on the line, and once more on a strip of its true length.
  const pixels = (text: string): number => text.match(/<rect x="[\d.-]+" y="[\d.-]+" width="2"/g)?.length ?? 0;
  expect([pixels(front.text), pixels(back.text)]).toEqual([132, 132]);
  expect(front.text).not.toBe(back.text);
  // A shorter jaw has fewer on both.
  await goTo(page, 'lights');
  const length = page.getByLabel(/^Length of the route/).last();
  await length.fill('204 mm');
  await length.press('Enter');
  await goTo(page, 'wires');
  expect(pixels((await takeOut(page, 'Front, SVG')).text)).toBe(116);
});

test('what is left free is said, and the circuit is taken out as a netlist that names every net', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/wires`);
  await expect(page.getByText(/^Left free: .*Lower jaw: data out/)).toBeVisible();
  await page.getByRole('button', { name: 'Take out' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: /The circuit as a netlist/ }).click();
  const file = await download;
  expect(file.suggestedFilename()).toMatch(/\.cir$/);
  const text = readFileSync(await file.path(), 'utf8');
  expect(text).toMatch(/^\* packs at 50 % of their charge; Strike at its height/m);
  expect(text).toMatch(/^\* n\d+: rail plus \(Converter out plus/m);
  expect(text.trimEnd().endsWith('.end')).toBe(true);
});

test('the sum of a wire is asked out of its row, and its gauge put back there', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/wires`);
  const gauge = page.getByLabel('Gauge of Feed of Upper jaw');
  await expect(gauge).toBeVisible();
  const length = await page.getByLabel('Length of Feed of Upper jaw').inputValue();
  await page.getByRole('button', { name: 'Quick sum of Feed of Upper jaw: wire' }).click();
  const drawer = page.getByRole('dialog');
  await expect(drawer.getByLabel('Length, one way')).toHaveValue(length);
  // With all of its current gone the thinnest wire in use would do.
  await drawer.getByLabel('Current', { exact: true }).fill('10 mA');
  const thinnest = drawer.getByText('Thinnest gauge that will do', { exact: true }).locator('..');
  await expect(thinnest).toContainText(/\d\d/);
  await drawer.getByRole('button', { name: 'Put it into gauge' }).click();
  await expect(drawer).toBeHidden();
  await expect(gauge).not.toHaveValue('auto');
  await kept(page);
});
