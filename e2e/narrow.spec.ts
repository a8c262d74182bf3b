import { copyDemo, expect, type Page, test } from './bench.ts';

const KELP = '6f1d0c52-3b6e-4f0a-9a51-2c7d5b1e7a05';
const stages = ['piece', 'lights', 'moods', 'drive', 'power', 'wires', 'bench', 'logbook'];

/** What sticks out of the page to the right, where nothing shifts it. */
const sticksOut = (page: Page): Promise<readonly string[]> =>
  page.evaluate(() => {
    const wide = document.documentElement.clientWidth;
    // A sheet that runs on downward counts as one that is shifted: only what is inside it does so for its own sake.
    const isShifted = (element: Element | null): boolean =>
      element !== null &&
      element.tagName !== 'MAIN' &&
      (getComputedStyle(element).overflowX === 'auto' || isShifted(element.parentElement));
    const over = [...document.querySelectorAll('header *, footer *, main *')].filter((element) => {
      const { width, right } = element.getBoundingClientRect();
      return width > 0 && right > wide + 1 && !isShifted(element.parentElement);
    });
    return [
      ...(document.documentElement.scrollWidth > wide ? ['the page'] : []),
      ...over.map((element) => `${element.tagName} ${(element.textContent ?? '').slice(0, 30)}`),
    ].slice(0, 5);
  });

for (const [width, height] of [
  [390, 844],
  [320, 640],
] as const)
  test(`on ${width} × ${height} every stage is used without shifting the page`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    const id = await copyDemo(page);
    for (const stage of stages) {
      await page.goto(`/plan/${id}/${stage}`);
      await expect(page.getByRole('heading', { level: 2 }).first()).toBeVisible();
      await expect(page.getByText('Laying out the sheet')).toHaveCount(0);
      expect(await sticksOut(page), stage).toEqual([]);
    }
    for (const path of ['/', '/sums']) {
      await page.goto(path);
      await expect(page.getByRole('heading').first()).toBeVisible();
      expect(await sticksOut(page), path).toEqual([]);
    }
  });

test('on a phone: one pane at a time, the picture while a tool is in hand, and the figures unfold', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`/plan/${await copyDemo(page)}/lights`);
  const sheet = page.getByRole('tab', { name: 'Sheet' });
  await expect(sheet).toHaveAttribute('aria-selected', 'true');
  await sheet.focus();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('group', { name: /^Picture of/ })).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await page.getByRole('button', { name: 'Go on with the route' }).first().click();
  await expect(page.getByRole('tab', { name: 'Picture' })).toHaveAttribute('aria-selected', 'true');
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(sheet).toHaveAttribute('aria-selected', 'true');
  const bar = page.getByRole('contentinfo');
  await expect(bar.getByText('Peak draw')).toBeHidden();
  await bar.getByRole('button', { name: 'all figures' }).click();
  await expect(bar.getByText('Peak draw')).toBeVisible();
});

test('at the bench what is pressed is as large as a thumb', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`/plan/${await copyDemo(page)}/bench`);
  const main = page.getByRole('main');
  await expect(main.getByRole('button', { name: 'Done', exact: true })).toBeVisible();
  const small = await main
    .locator('button:visible, input:visible, select:visible')
    .evaluateAll((all) =>
      all
        .filter((each) => each.getBoundingClientRect().height < 44 || each.getBoundingClientRect().width < 44)
        .map((each) => each.outerHTML.slice(0, 120)),
    );
  expect(small).toEqual([]);
});

test('the shelf is sought and put in order', async ({ page }) => {
  await page.goto('/');
  const names = page.getByRole('main').locator('ul').first().getByRole('heading', { level: 2 });
  await expect(names).not.toHaveCount(0);
  await page.getByLabel('In the order').selectOption('by name');
  const all = await names.allTextContents();
  expect(all).toEqual([...all].sort((a, b) => a.localeCompare(b)));
  await page.getByLabel('Find a plan').fill('jelly');
  await expect(names).toHaveText([/Jellyfish/]);
  await page.getByLabel('Find a plan').fill('kite of paper');
  await expect(page.getByText('No plan here is called so')).toBeVisible();
});

/** Figures on a sheet whose unit stands on another line than they do. */
const broken = (page: Page): Promise<readonly string[]> =>
  page.evaluate(() => {
    const found: string[] = [];
    const walker = document.createTreeWalker(document.querySelector('main') as Node, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const text = node.textContent ?? '';
      for (const { 0: figure, index } of text.matchAll(/\d (?:mA|A|V|mV|mm|h|°C|Ω|kΩ|mAh|%)(?![\p{L}])/gu)) {
        const range = document.createRange();
        range.setStart(node, index);
        range.setEnd(node, index + figure.length);
        const lines = new Set([...range.getClientRects()].map(({ top }) => Math.round(top)));
        if (lines.size > 1) found.push(text);
      }
    }
    return found;
  });

test('on a phone no figure parts from its unit, and the cores of a wire stand on lines of their own', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const id = await copyDemo(page, KELP);
  for (const stage of ['piece', 'lights', 'drive', 'power', 'wires', 'logbook']) {
    await page.goto(`/plan/${id}/${stage}`);
    await expect(page.getByText('Laying out the sheet')).toHaveCount(0);
    await expect(page.getByRole('heading', { level: 3 }).first()).toBeVisible();
    expect(await broken(page), stage).toEqual([]);
  }
  for (const path of ['/help/piece', '/help/lights', '/help/power']) {
    await page.goto(path);
    await expect(page.getByRole('heading', { name: 'For instance' })).toBeVisible();
    expect(await broken(page), path).toEqual([]);
  }
  await page.goto(`/plan/${id}/wires`);
  const core = page.getByText(/^red pack plus: Pack plus/);
  const { width = 0, height = 0 } = (await core.boundingBox()) ?? {};
  expect(width).toBeGreaterThan(200);
  // Two lines of it at the most; in a column beside its fields it were eight.
  expect(height).toBeLessThan(45);
});
