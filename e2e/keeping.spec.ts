import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { startServer } from '../scripts/server.mjs';
import { beginPlan, copyDemo, expect, fill, goTo, kept, test } from './bench.ts';

const demoFile = join(import.meta.dirname, '../demo/anglerfish-headdress.glimmer.json');
const asFile = (name: string, text: string) => ({ name, mimeType: 'application/json', buffer: Buffer.from(text) });

test('the shelf: new, copy, take out, bring in, put away, bring back', async ({ page }) => {
  await beginPlan(page);
  await page.getByLabel('Name of the plan').fill('Lantern of the quay');
  await page.getByLabel('Name of the plan').press('Enter');
  await kept(page);
  await page.getByRole('link', { name: 'The shelf' }).click();
  await expect(page.getByRole('heading', { name: 'Lantern of the quay', exact: true })).toBeVisible();
  // What is to stop for is no mere mend.
  await expect(page.getByRole('listitem').filter({ hasText: 'Anglerfish headdress' }).first()).toContainText(
    /1 to stop for; 1 to mend/,
  );
  await page.getByRole('button', { name: 'Copy Lantern of the quay', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Lantern of the quay (copy)' })).toBeVisible();

  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Take out Lantern of the quay', exact: true }).click();
  const file = await (await download).path();
  await page
    .getByLabel('Plan file to bring in')
    .setInputFiles(asFile('lantern.glimmer.json', readFileSync(file, 'utf8')));
  await expect(page.getByRole('heading', { name: 'Lantern of the quay (brought in)' })).toBeVisible();

  await page.getByRole('button', { name: 'Put away Lantern of the quay', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Lantern of the quay', exact: true })).toBeHidden();
  await page.getByRole('button', { name: 'What is put away' }).click();
  await page.getByRole('button', { name: 'Bring back Lantern of the quay', exact: true }).click();
  await page.getByRole('button', { name: 'Back to the shelf' }).click();
  await expect(page.getByRole('heading', { name: 'Lantern of the quay', exact: true })).toBeVisible();
  // Put away by a slip, it is back at a click.
  await page.getByRole('button', { name: 'Put away Lantern of the quay', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Lantern of the quay', exact: true })).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByRole('heading', { name: 'Lantern of the quay', exact: true })).toBeVisible();
});

test('several plans at once: chosen, put away, brought back; deleted for good once asked, and taken back', async ({
  page,
}) => {
  await page.goto('/');
  for (const name of ['Rope lamp one', 'Rope lamp two', 'Rope lamp three']) {
    await beginPlan(page);
    await page.getByLabel('Name of the plan').fill(name);
    await page.getByLabel('Name of the plan').press('Enter');
    await kept(page);
    await page.getByRole('link', { name: 'The shelf' }).click();
  }
  await page.getByRole('button', { name: 'Several at once' }).click();
  await page.getByLabel('Find a plan').fill('rope lamp');
  await expect(page.getByRole('heading', { level: 2, name: /^Rope lamp/ })).toHaveCount(3);
  const chosen = page.getByRole('group', { name: 'With the chosen plans' });
  await expect(chosen.getByRole('button', { name: 'Put away' })).toBeDisabled();
  await page.getByRole('checkbox', { name: 'choose Rope lamp one' }).check();
  await page.getByRole('checkbox', { name: 'choose Rope lamp three' }).check();
  await expect(chosen).toContainText('2 chosen');
  await chosen.getByRole('button', { name: 'Put away' }).click();
  await expect(page.getByText('2 plans put away')).toBeVisible();
  await expect(page.getByRole('heading', { level: 2, name: /^Rope lamp/ })).toHaveText(['Rope lamp two']);

  await page.getByRole('button', { name: 'What is put away' }).click();
  await page.getByRole('button', { name: 'Several at once' }).click();
  await page.getByRole('checkbox', { name: 'choose Rope lamp one' }).check();
  await chosen.getByRole('button', { name: 'Bring back' }).click();
  await expect(page.getByRole('heading', { name: 'Rope lamp one' })).toBeHidden();

  // Asked first: the way out keeps it.
  const remove = page.getByRole('button', { name: 'Delete Rope lamp three for good' });
  await remove.click();
  const asked = page.getByRole('dialog', { name: 'Delete Rope lamp three for good?' });
  await asked.getByRole('button', { name: 'Keep it' }).click();
  await expect(asked).toBeHidden();
  await remove.click();
  await asked.getByRole('button', { name: 'Delete for good' }).click();
  await expect(page.getByText('Rope lamp three deleted for good')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Rope lamp three' })).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByRole('heading', { name: 'Rope lamp three' })).toBeVisible();
  await remove.click();
  await asked.getByRole('button', { name: 'Delete for good' }).click();
  await expect(page.getByRole('heading', { name: 'Rope lamp three' })).toBeHidden();
  await page.reload();
  await page.getByRole('button', { name: 'What is put away' }).click();
  await expect(page.getByRole('button', { name: 'Back to the shelf' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Rope lamp three' })).toBeHidden();
});

test('bad files are refused with a message and the shelf goes on', async ({ page }) => {
  await page.goto('/');
  const demo = readFileSync(demoFile, 'utf8');
  const input = page.getByLabel('Plan file to bring in');
  for (const [text, message] of [
    [demo.slice(0, demo.length / 2), /cut short/],
    [demo.replace('"version": 3', '"version": 8'), /of version 8/],
    [demo.replace('"lengthMm": 583', '"lengthMm": -583'), /lengthMm: Upper jaw: found -583/],
    [demo.replace('"lengthMm": 583', '"lengthMm": 14000000'), /at most 20000/],
    ['not a plan at all', /is not JSON/],
  ] as const) {
    await input.setInputFiles(asFile('bad.glimmer.json', text));
    await expect(page.getByText(message).first()).toBeVisible();
  }
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Anglerfish headdress', exact: true, level: 2 })).toBeVisible();
});

test('pictures: a script is refused, 50 MB is refused, a plain drawing is taken', async ({ page }) => {
  await beginPlan(page);
  const input = page.getByLabel('Picture to bring in');
  await input.setInputFiles({
    name: 'sly.svg',
    mimeType: 'image/svg+xml',
    buffer: Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>document.title="caught"</script></svg>'),
  });
  await expect(page.getByText(/sly.svg: the drawing holds a script/).first()).toBeVisible();
  await input.setInputFiles({ name: 'huge.png', mimeType: 'image/png', buffer: Buffer.alloc(49_000_000) });
  await expect(page.getByText(/huge.png holds 49 MB/).first()).toBeVisible();
  await input.setInputFiles({ name: 'broken.png', mimeType: 'image/png', buffer: Buffer.from('not a picture') });
  await expect(page.getByText(/broken.png was not brought in/).first()).toBeVisible();
  await expect(page.getByLabel('Outline')).toHaveValue('none');
  await input.setInputFiles({
    name: 'fin.svg',
    mimeType: 'image/svg+xml',
    buffer: Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="200" height="100"><path d="M0 0 L200 50 L0 100 Z"/></svg>',
    ),
  });
  await expect(page.getByLabel('Outline')).toHaveValue('own');
  // 400 mm wide at two to one.
  await expect(page.getByLabel('True height')).toHaveValue('200 mm');
  await kept(page);
});

test('a drawing is kept as what draws in it: shapes, uses and gradients stay, what else could act is taken out', async ({
  page,
}) => {
  const id = await beginPlan(page);
  const drawing = `<?xml version="1.0"?>
    <svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 40 20" width="40" height="20">
      <defs><linearGradient id="g"><stop offset="0" stop-color="#123456"/></linearGradient><path id="p" d="M0 0h9v9z"/></defs>
      <use href="#p" x="3"/><rect width="40" height="20" fill="url(#g)"/><text>Kelp &amp; tide</text>
      <set attributeName="fill" to="red"/><unknown-thing/><portal/>
    </svg>`;
  await page.getByLabel('Picture to bring in').setInputFiles({
    name: 'kelp.svg',
    mimeType: 'image/svg+xml',
    buffer: Buffer.from(drawing),
  });
  await expect(
    page
      .getByRole('group', { name: /^Picture of/ })
      .locator('image, img')
      .first(),
  ).toBeVisible();
  await kept(page);
  const { plan } = await (await page.request.get(`/api/plans/${id}`)).json();
  const [{ svg }] = Object.values(plan.pictures as Record<string, { svg: string }>) as [{ svg: string }];
  expect(svg).toContain('viewBox="0 0 40 20"');
  expect(svg).toContain('<use');
  expect(svg).toContain('linearGradient');
  expect(svg).toContain('Kelp &amp; tide');
  expect(svg).not.toMatch(/<set|unknown-thing|portal/);
});

test('rubbish in a field: what is wrong, what would be right, and the plan untouched', async ({ page }) => {
  const id = await copyDemo(page);
  await page.goto(`/plan/${id}/piece`);
  const hours = page.getByLabel('Hours wanted');
  for (const [text, message] of [
    ['plenty', /"plenty" is not a time/],
    ['20 mm', /unit of a length/],
    ['-3', /is outside/],
    ['1e30', /is outside|is not/],
    ['', /nothing written/],
  ] as const) {
    await hours.fill(text);
    await hours.press('Enter');
    await expect(page.getByRole('alert').filter({ hasText: message })).toBeVisible();
  }
  await hours.press('Escape');
  await expect(hours).toHaveValue('3 h');
  // A likely slip is taken and asked about.
  await goTo(page, 'lights');
  await fill(page, 'Wanted current, each', '0.3 A');
  await expect(page.getByText(/Did you mean/)).toBeVisible();
  await page.getByRole('button', { name: /mA$/ }).first().click();
  await expect(page.getByLabel('Wanted current, each').first()).toHaveValue('30 mA');
  await kept(page);
});

test('a reload in the middle of an edit loses nothing', async ({ page }) => {
  await beginPlan(page);
  await fill(page, 'Hours wanted', '7 h');
  await page.reload();
  await expect(page.getByLabel('Hours wanted')).toHaveValue('7 h');
  await kept(page);
});

test('the server stopped and started in the middle of an edit', async ({ page, served: { databaseUrl } }) => {
  let server = await startServer({ databaseUrl, port: 0, demo: false });
  const port = Number(new URL(server.address).port);
  const stop = async (): Promise<void> => {
    const gone = new Promise((resolve) => server.child.once('exit', resolve));
    server.child.kill('SIGKILL');
    await gone;
  };
  try {
    await page.goto(server.address);
    await page.getByRole('button', { name: 'New plan' }).click();
    await page.waitForURL(/piece/);
    await fill(page, 'Hours wanted', '4 h');
    await kept(page);
    await stop();
    await fill(page, 'Hours wanted', '5 h');
    await expect(page.locator('[data-keep="away"]')).toBeVisible();
    await fill(page, 'Copies', '3');
    server = await startServer({ databaseUrl, port, demo: false });
    await kept(page);
    await page.reload();
    await expect(page.getByLabel('Hours wanted')).toHaveValue('5 h');
    await expect(page.getByLabel('Copies')).toHaveValue('3');
  } finally {
    await stop();
  }
});

test('two tabs of one browser work on one plan together, and a reload of either has all of it', async ({
  page,
  context,
}) => {
  const id = await beginPlan(page);
  await kept(page);
  const other = await context.newPage();
  await other.goto(`/plan/${id}/piece`);
  await expect(other.getByLabel('Hours wanted')).toHaveValue('3 h');
  await fill(page, 'Hours wanted', '6 h');
  await expect(other.getByLabel('Hours wanted')).toHaveValue('6 h');
  await fill(other, 'Copies', '4');
  await expect(page.getByLabel('Copies')).toHaveValue('4');
  await kept(page);
  await kept(other);
  for (const each of [page, other]) {
    await each.reload();
    await expect(each.getByLabel('Hours wanted')).toHaveValue('6 h');
    await expect(each.getByLabel('Copies')).toHaveValue('4');
  }
});

test('two browsers: each sees what the other saves; what both changed is shown side by side, and both are kept', async ({
  page,
  browser,
}) => {
  const id = await beginPlan(page);
  await kept(page);
  const context = await browser.newContext();
  const other = await context.newPage();
  await other.goto(new URL(`/plan/${id}/piece`, page.url()).href);
  await expect(other.getByLabel('Hours wanted')).toHaveValue('3 h');
  await fill(page, 'Hours wanted', '6 h');
  await expect(other.getByLabel('Hours wanted')).toHaveValue('6 h');
  await kept(other);
  // The other one can't send for a while, and hears nothing either.
  await context.setOffline(true);
  await fill(other, 'Hours wanted', '8 h');
  await expect(other.locator('[data-keep="away"]')).toBeVisible();
  await fill(page, 'Hours wanted', '7 h');
  await kept(page);
  await context.setOffline(false);
  await expect(other.getByText('This plan was changed elsewhere')).toBeVisible();
  const row = other.getByRole('table', { name: 'What differs' }).getByRole('row', { name: /The piece: hours wanted/ });
  await expect(row).toContainText('8.00 h');
  await expect(row).toContainText('7.00 h');
  await other.getByRole('button', { name: 'Go on with mine, keep the other as a copy' }).click();
  await kept(other);
  await expect(page.getByLabel('Hours wanted')).toHaveValue('8 h');
  await other.goto(new URL('/', page.url()).href);
  await other.getByRole('link', { name: 'New piece (the other one)', exact: true }).click();
  await expect(other.getByLabel('Hours wanted')).toHaveValue('7 h');
  await context.close();
});

test('what was changed while the server was away is sent from anywhere, and the shelf says that it waits', async ({
  page,
  context,
}) => {
  const first = await beginPlan(page);
  await fill(page, 'Hours wanted', '4 h');
  await kept(page);
  await context.setOffline(true);
  await fill(page, 'Hours wanted', '9 h');
  await expect(page.locator('[data-keep="away"]')).toContainText('kept in this browser');
  // To the shelf within the page: nothing can be fetched.
  await page.getByRole('link', { name: /shelf/i }).first().click();
  const waits = page.getByText('Changes in this browser wait to be sent to the server.');
  await expect(page.getByRole('alert').filter({ has: waits })).toBeVisible();
  await context.setOffline(false);
  await expect(waits).toHaveCount(0);
  await expect
    .poll(async () => {
      const answer = await page.request.get(`/api/plans/${first}`);
      return ((await answer.json()) as { plan: { design: { piece: { hoursWanted: number } } } }).plan.design.piece
        .hoursWanted;
    })
    .toBe(9);
});

test('a machine that has lost its network goes on: the server is on it', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('button', { name: 'New plan' })).toBeEnabled();
  await page.evaluate(() => window.dispatchEvent(new Event('offline')));
  await page.getByRole('button', { name: 'New plan' }).click();
  await page.waitForURL(/piece/);
});
