import AxeBuilder from '@axe-core/playwright';
import { DEMO, expect, type Page, REEF, stages, test } from './bench.ts';

/** What hangs on the colours of a lamp. All else is of the page, and the same with it on or off. */
const ofColours = ['color-contrast', 'link-in-text-block'];

/**
 * Serious faults of access on the page as it stands, each with its place.
 * @param asked all that there is, or only what may differ from a page that was looked at already: its colours, or all else
 */
async function findFaults(page: Page, where: string, asked: 'all' | 'colours' | 'else' = 'all'): Promise<string[]> {
  const axe = new AxeBuilder({ page });
  if (asked === 'colours') axe.withRules(ofColours);
  else axe.withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']);
  if (asked === 'else') axe.disableRules(ofColours);
  const { violations } = await axe.analyze();
  return violations
    .filter((violation) => violation.impact === 'serious' || violation.impact === 'critical')
    .map(
      (violation) =>
        `${where}: ${violation.id}: ${violation.nodes
          .slice(0, 3)
          .map((node) => `${node.target.join(' ')} ${node.failureSummary?.split('\n')[1] ?? ''}`)
          .join(' | ')}`,
    );
}

for (const lamp of ['on', 'off'] as const) {
  test(`no serious fault of access on any stage, lamp ${lamp}`, async ({ page }) => {
    await page.addInitScript((state) => localStorage.setItem('lamp', state), lamp);
    const faults: string[] = [];
    for (const path of ['/', ...stages.map((stage) => `/plan/${DEMO}/${stage}`)]) {
      await page.goto(path);
      await expect(page.getByRole('heading').first()).toBeVisible();
      if (path !== '/') await expect(page.locator('main h3').first()).toBeVisible();
      faults.push(...(await findFaults(page, path, lamp === 'on' ? 'all' : 'colours')));
    }
    expect(faults).toEqual([]);
  });
}

test('no serious fault of access on the pages of the moods', async ({ page }) => {
  for (const lamp of ['on', 'off'] as const) {
    await page.addInitScript((state) => localStorage.setItem('lamp', state), lamp);
    await page.goto(`/plan/${REEF}/moods`);
    await page.getByRole('button', { name: 'Moods that fit' }).click();
    for (const name of ['Moves', 'Cues', 'Evening', 'Sets']) {
      await page.getByRole('tab', { name, exact: true }).click();
      expect(await findFaults(page, name, lamp === 'on' ? 'all' : 'colours')).toEqual([]);
    }
  }
});

for (const [width, height] of [
  [390, 844],
  [820, 1180],
  // 200 % zoom on a desk.
  [640, 400],
] as const)
  test(`no serious fault of access at ${width} × ${height}`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    const faults: string[] = [];
    for (const path of ['/', '/sums', `/plan/${DEMO}/lights`, `/plan/${DEMO}/power`, `/plan/${DEMO}/bench`]) {
      await page.goto(path);
      await expect(page.getByRole('heading').first()).toBeAttached();
      if (path.startsWith('/plan')) await expect(page.locator('main h3').first()).toBeVisible();
      faults.push(...(await findFaults(page, path, 'else')));
    }
    expect(faults).toEqual([]);
  });

test('a list of parts, open, has no serious fault of access', async ({ page }) => {
  await page.goto(`/plan/${DEMO}/power`);
  await page.getByRole('combobox', { name: 'Pack', exact: true }).click();
  await expect(page.getByRole('listbox').getByRole('option').first()).toBeVisible();
  expect(await findFaults(page, 'list')).toEqual([]);
});

test('by keys: past the head to the sheet, a stage takes the focus, Escape leaves a field, and single keys rest', async ({
  page,
}) => {
  await page.goto(`/plan/${DEMO}/lights`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Anglerfish headdress: Lights');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'To the sheet' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('main')).toBeFocused();
  await page.keyboard.press('5');
  await expect(page.getByRole('heading', { level: 2, name: 'Power' })).toBeFocused();
  const field = page.getByLabel('Name of the pack');
  await field.focus();
  await page.keyboard.press('Escape');
  await expect(field).not.toBeFocused();
  await page.keyboard.press('6');
  await expect(page.getByRole('heading', { level: 2, name: 'Wires' })).toBeFocused();
  await page.keyboard.press('Shift+?');
  await page.getByRole('checkbox', { name: 'Keys that are pressed alone work' }).click();
  await page.getByRole('button', { name: 'Close' }).click();
  await page.keyboard.press('2');
  await expect(page.getByRole('heading', { level: 2, name: 'Wires' })).toBeVisible();
  await page.reload();
  await page.keyboard.press('2');
  await expect(page.getByRole('heading', { level: 2, name: 'Wires' })).toBeVisible();
});

test('a key of one letter is given another, which is kept; one that is taken is refused by name', async ({ page }) => {
  await page.goto(`/plan/${DEMO}/wires`);
  await expect(page.getByRole('heading', { level: 2, name: 'Wires' })).toBeVisible();
  await page.keyboard.press('Shift+?');
  const keys = page.getByRole('dialog', { name: 'The keys' });
  await keys.getByRole('button', { name: 'L: another key for lamp on, lamp off' }).click();
  await page.keyboard.press('n');
  await expect(keys.getByRole('alert')).toHaveText('N is the key for: next finding.');
  await keys.getByRole('button', { name: 'L: another key for lamp on, lamp off' }).click();
  await page.keyboard.press('F5');
  await expect(keys.getByRole('alert')).toContainText('It must be a letter');
  await keys.getByRole('button', { name: 'L: another key for lamp on, lamp off' }).click();
  await page.keyboard.press('k');
  await expect(keys.getByRole('button', { name: 'K: another key for lamp on, lamp off' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(keys).toBeHidden();
  await page.keyboard.press('l');
  await expect(page.locator('html')).not.toHaveAttribute('data-lamp', 'off');
  await page.keyboard.press('k');
  await expect(page.locator('html')).toHaveAttribute('data-lamp', 'off');
  await page.reload();
  await expect(page.getByRole('heading', { level: 2, name: 'Wires' })).toBeVisible();
  await page.keyboard.press('k');
  await expect(page.locator('html')).not.toHaveAttribute('data-lamp', 'off');
  await page.keyboard.press('Shift+?');
  await keys.getByRole('button', { name: 'As they were at first' }).click();
  await expect(keys.getByRole('button', { name: 'L: another key for lamp on, lamp off' })).toBeVisible();
});

test('a chart is read as a table', async ({ page }) => {
  await page.goto(`/plan/${DEMO}/power`);
  await page.getByText('Its figures').first().click();
  const table = page.getByRole('table', { name: 'The night, hour by hour' });
  await expect(table.getByRole('row')).not.toHaveCount(1);
  await expect(table.getByRole('row').nth(1)).toContainText('100 %');
});

test('on a tablet picture and sheet are two tabs', async ({ page }) => {
  await page.setViewportSize({ width: 768, height: 1024 });
  await page.goto(`/plan/${DEMO}/lights`);
  await expect(page.getByRole('heading', { name: 'Pixel tape' })).toBeVisible();
  await page.getByRole('tab', { name: 'Picture' }).click();
  await expect(page.getByRole('group', { name: /^Picture of/ })).toBeVisible();
});

test('a maker who asks for less motion gets a held picture', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.goto(`/plan/${DEMO}/moods`);
  await expect(page.getByText('held: Doze')).toBeVisible();
});

test('in the maker’s own colours what is drawn is drawn in them, what is chosen has a frame, and a wire keeps its colour', async ({
  page,
}) => {
  await page.emulateMedia({ forcedColors: 'active' });
  await page.goto(`/plan/${DEMO}/wires`);
  await expect(page.getByRole('heading', { level: 2, name: 'Wires' })).toBeVisible();
  const chosen = page.getByRole('button', { name: '24', exact: true });
  await expect(chosen).toHaveAttribute('aria-pressed', 'true');
  const frames = await chosen.evaluate((button) => getComputedStyle(button).outlineStyle);
  expect(frames).toBe('solid');
  // An outline of the piece in the colour of text on this ground, whichever that is.
  const [line, text] = await page
    .locator('svg[aria-label^="Picture of"] path')
    .first()
    .evaluate((path) => {
      const probe = document.createElement('span');
      probe.style.color = 'CanvasText';
      document.body.append(probe);
      const colours = [getComputedStyle(path).stroke, getComputedStyle(probe).color];
      probe.remove();
      return colours;
    });
  expect(line).toBe(text);
  const swatch = page.locator('[data-own-colour]').first();
  expect(await swatch.evaluate((element) => getComputedStyle(element).backgroundColor)).not.toMatch(
    /rgba?\(0, 0, 0, 0\)|rgb\(255, 255, 255\)/,
  );
});
