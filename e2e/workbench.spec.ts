import { readFileSync } from 'node:fs';
import { beginPlan, copyDemo, DEMO, expect, figure, fill, goTo, kept, notice, test } from './bench.ts';

test('anything is found by its name, by keyboard alone, and the way leads to it', async ({ page }) => {
  await page.goto(`/plan/${DEMO}/piece`);
  await expect(page.getByLabel('Hours wanted')).toBeVisible();
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  for (const [query, stage] of [
    ['strike mood', 'moods'],
    ['jumper lower', 'wires'],
    ['palm', 'drive'],
    ['left eye bore', 'piece'],
  ] as const) {
    await page.keyboard.press('/');
    await page.keyboard.type(query);
    await expect(page.getByRole('dialog').getByRole('option').first()).toHaveAttribute('data-focus', '');
    await page.keyboard.press('Enter');
    await expect(page.locator(`main[data-stage="${stage}"]`)).toBeVisible();
  }
  await page.keyboard.press('/');
  await page.keyboard.type('no such thing');
  await expect(page.getByText(/Nothing of that name in this plan/)).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
});

test('every figure of the bar opens, on an empty plan as well, and says what it needs', async ({ page }) => {
  await beginPlan(page);
  // What a figure needs stays within its own field of the bar, on a screen of 1280 and on a narrow one.
  for (const width of [1280, 1024]) {
    await page.setViewportSize({ width, height: 800 });
    const past = await page
      .getByRole('contentinfo')
      .getByRole('button')
      .evaluateAll((buttons) =>
        buttons.flatMap((button) =>
          [...button.children]
            .filter((child) => child.getBoundingClientRect().right > button.getBoundingClientRect().right)
            .map((child) => child.textContent),
        ),
      );
    expect(past).toEqual([]);
  }
  for (const name of ['Peak draw', 'Usual draw', 'Runs for', 'Weakest link', 'Brightness ceiling']) {
    await figure(page, name).click();
    await expect(page.getByRole('dialog').getByRole('heading').first()).toBeVisible();
    await expect(page.getByRole('dialog')).not.toContainText(/NaN|undefined|Infinity/);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toBeHidden();
  }
  await figure(page, 'Runs for').click();
  await expect(page.getByRole('dialog')).toContainText('This can’t be decided yet: it needs');
});

test('everything that is taken out is a file of the plan, and the plan itself comes back as it was', async ({
  page,
}) => {
  const id = await copyDemo(page);
  await page.goto(`/plan/${id}/wires`);
  const files: Record<string, string> = {};
  for (const item of [
    'The plan, as an open file',
    'Shopping list, CSV',
    'Wire list, CSV',
    'Marking template, full size, SVG',
    'The same, mirrored for the back',
    'How it is worked, a page of text',
  ]) {
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Take out' }).click();
    await page.getByRole('menuitem', { name: item }).click();
    const file = await download;
    files[file.suggestedFilename().replace(/^copy-\w+/, '')] = readFileSync(await file.path(), 'utf8');
  }
  expect(Object.keys(files).sort()).toEqual([
    '-moods.txt',
    '-shopping.csv',
    '-template-back.svg',
    '-template.svg',
    '-wires.csv',
    '.glimmer.json',
  ]);
  const { plan } = await (await page.request.get(`/api/plans/${id}`)).json();
  expect(JSON.parse(files['.glimmer.json'] ?? '')).toEqual(plan);
  // The page of how it is worked carries the mark that the program and the summary carry.
  expect(files['-moods.txt']).toMatch(/[0-9a-f]{8}/);
});

test('undo and redo walk through everything, and a new change ends what could be redone', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/piece`);
  await fill(page, 'Hours wanted', '5 h');
  await fill(page, 'Copies', '2');
  await page.getByLabel('Weather').selectOption('splashes, spray');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  for (let i = 0; i < 3; i += 1) await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Hours wanted')).toHaveValue('3 h');
  await expect(page.getByLabel('Copies')).toHaveValue('1');
  await expect(page.getByRole('button', { name: 'Undo', exact: true }).first()).toBeDisabled();
  await page.keyboard.press('Control+Shift+z');
  await page.keyboard.press('Control+y');
  await expect(page.getByLabel('Copies')).toHaveValue('2');
  await fill(page, 'Copies', '7');
  await expect(page.getByRole('button', { name: 'Redo' })).toBeDisabled();
  await kept(page);
});

test('every change is listed, can be gone back to and forth again, and a figure is copied with its unit', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.goto(`/plan/${await copyDemo(page)}/piece`);
  await expect(page.getByRole('button', { name: 'Changes' })).toBeDisabled();
  await fill(page, 'Hours wanted', '5 h');
  await fill(page, 'Copies', '2');
  await fill(page, 'Copies', '3');
  await page.getByRole('button', { name: 'Changes' }).click();
  const list = page.getByRole('dialog', { name: 'Changes since it was opened' });
  await expect(list.getByRole('listitem')).toHaveText([
    /^The piece: copies: 2 → 3\s*here you are$/,
    /^The piece: copies: 1 → 2$/,
    /^The piece: hours wanted: 3\.00.h → 5\.00.h$/,
    /^As it was opened$/,
  ]);
  await list.getByRole('button', { name: 'As it was opened' }).click();
  await expect(list.getByRole('listitem').last()).toContainText('here you are');
  await list.getByRole('button', { name: /copies: 1 → 2/ }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByLabel('Hours wanted')).toHaveValue('5 h');
  await expect(page.getByLabel('Copies')).toHaveValue('2');
  await fill(page, 'Copies', '7');
  await page.getByRole('button', { name: 'Changes' }).click();
  await expect(list.getByRole('listitem').first()).toContainText('copies: 2 → 7');
  await expect(list.getByRole('listitem')).toHaveCount(4);
  await page.keyboard.press('Escape');

  await figure(page, 'Runs for').click();
  const drawer = page.getByRole('dialog', { name: 'Runs for' });
  await drawer.getByRole('button', { name: 'Copy the figure' }).click();
  await expect(page.getByText(/^Copied: \d/)).toBeVisible();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toMatch(/^[\d.]+.h with caution, [\d.]+.h likely$/);
  await drawer.getByRole('button', { name: 'Copy its sum' }).click();
  await expect(page.getByText('Copied its sum')).toBeVisible();
  expect((await page.evaluate(() => navigator.clipboard.readText())).split('\n')[0]).toMatch(
    /^Runs for: [\d.]+.h with caution/,
  );
});

test('on a tablet picture and sheet are two pages, and nothing is lost between them', async ({ page }) => {
  await page.setViewportSize({ width: 820, height: 1180 });
  await page.goto(`/plan/${await copyDemo(page)}/lights`);
  await expect(page.getByRole('tab', { name: 'sheet' })).toHaveAttribute('aria-selected', 'true');
  await expect(page.getByRole('group', { name: /^Picture of/ })).toBeHidden();
  await page.getByRole('tab', { name: 'picture' }).click();
  await expect(page.getByRole('group', { name: /^Picture of/ })).toBeVisible();
  await page.getByRole('tab', { name: 'sheet' }).click();
  await fill(page, 'Length of the route yours', '300 mm');
  await expect(page.getByRole('button', { name: '22', exact: true })).toBeVisible();
  // No page is wider than the screen.
  for (const stage of ['moods', 'drive', 'power', 'bench'] as const) {
    await goTo(page, stage);
    await expect(page.locator('main')).not.toContainText('Laying out the sheet');
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(820);
  }
});

test('a mend is said, and can be taken back from where it is said', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/lights`);
  await page.getByRole('button', { name: 'Drill it to 4.70 mm' }).click();
  await expect(notice(page, 'Done: Drill it to 4.70 mm')).toBeVisible();
  await expect(figure(page, 'Open findings')).toContainText('1');
  await page.getByRole('region', { name: 'Notices' }).getByRole('button', { name: 'Undo' }).click();
  await expect(figure(page, 'Open findings')).toContainText('2');
});

test('a plan that is not there, and a stage that is not one', async ({ page }) => {
  await page.goto('/plan/00000000-0000-4000-8000-00000000dead/moods');
  await expect(page.getByRole('heading', { name: 'This plan can’t be opened' })).toBeVisible();
  await page.getByRole('link', { name: 'Back to the shelf' }).click();
  await expect(page.getByRole('button', { name: 'New plan' })).toBeVisible();
  await page.goto(`/plan/${DEMO}/kitchen`);
  await expect(page.locator('main[data-stage="piece"]')).toBeVisible();
});

test('a sheet on paper: all its pages, ink on white, with the plan’s mark and every step', async ({ page }) => {
  await page.addInitScript(() => localStorage.setItem('lamp', 'off'));
  await page.goto(`/plan/${await copyDemo(page)}/bench`);
  const steps = Number(/of (\d+)/.exec(await page.getByText(/^Step \d+ of \d+/).innerText())?.[1]);
  const mark = /plan ([0-9a-f]{8})/.exec(
    await page.getByRole('log', { name: 'What the controller says' }).innerText(),
  )?.[1];
  // A4 in two pages or more: what the screen would scroll runs on.
  const pdf = (await page.pdf({ format: 'A4' })).toString('latin1');
  expect(pdf.match(/\/Type \/Page\b/g)?.length).toBeGreaterThanOrEqual(2);

  await page.emulateMedia({ media: 'print' });
  await expect(page.getByText(`mark ${mark}: the program of this very plan carries the same.`)).toBeVisible();
  const sheet = page.getByRole('region', { name: 'Test sheet' });
  await expect(sheet.locator('tbody tr')).toHaveCount(steps);
  await expect(sheet.getByRole('row', { name: /Measure a resistor for Eyes/ })).toContainText('365 Ω to 415 Ω');
  await expect(sheet.getByRole('row', { name: /Test the lights of Eyes/ })).toContainText('1.79 V');
  // What the screen folds away is said on paper: cautions above all.
  await expect(page.getByText(/^Soldering: fumes, burns and splashes/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Take it' })).toBeHidden();
  const [ink, ground] = await page
    .locator('main')
    .evaluate((main) => [getComputedStyle(main).color, getComputedStyle(main).backgroundColor]);
  expect([ink, ground]).toEqual(['rgb(0, 0, 0)', 'rgb(255, 255, 255)']);
});

test('printing leaves the sheet as it stands: the mood that is shown, woven, on the page that is turned to', async ({
  page,
}) => {
  await page.goto(`/plan/${await copyDemo(page)}/moods`);
  await page.getByRole('tablist', { name: 'Moods' }).getByRole('tab', { name: 'Hunt' }).click();
  await page.getByRole('tab', { name: 'Evening', exact: true }).click();
  await expect(page.getByRole('img', { name: /^Upper jaw over/ })).toBeVisible();
  const before = await page.getByRole('img', { name: /^Current over/ }).getAttribute('aria-label');
  await page.pdf({ format: 'A4' });
  await expect(page.getByRole('heading', { name: 'The course of the evening' })).toBeVisible();
  expect(await page.getByRole('img', { name: /^Current over/ }).getAttribute('aria-label')).toBe(before);
});
