import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from '../scripts/server.mjs';
import { beginPlan, copyDemo, expect, fill, goTo, kept, notice, test } from './bench.ts';

const asFile = (name: string, mimeType: string, buffer: Buffer) => ({ name, mimeType, buffer });
const parts = `kind,like,name,price,forward at 20 mA,density,die current,capacity
led,led-5mm-white,Lantern white,0.20,3.1 V,,,
pack,pack-two-lithium-round,Quay pack,18,,,,2.2 Ah
`;

test('everything of a workshop is taken out as one file and brought back: what is here just so stays, what differs gets a copy', async ({
  page,
}) => {
  const id = await copyDemo(page);
  const { plan } = await (await page.request.get(`/api/plans/${id}`)).json();
  await page.goto('/');
  await expect(page.getByRole('heading', { name: plan.name, exact: true })).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Take everything out' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toMatch(/^workshop-\d{4}-\d{2}-\d{2}\.glimmer\.zip$/);
  const zip = readFileSync(await file.path());
  // Changed since: the archive’s own state comes back beside it.
  await page.goto(`/plan/${id}/piece`);
  await fill(page, 'Hours wanted', '7 h');
  await kept(page);
  await page.goto('/');
  const input = page.getByLabel('Plan file to bring in');
  await input.setInputFiles(asFile('workshop.glimmer.zip', 'application/zip', zip));
  await expect(notice(page, /^Brought in: 0 plans; .* had just that here already; as copies/)).toBeVisible();
  await expect(page.getByRole('heading', { name: `${plan.name} (from the archive)` })).toBeVisible();
  await page.getByRole('link', { name: `${plan.name} (from the archive)`, exact: true }).click();
  await expect(page.getByLabel('Hours wanted')).not.toHaveValue('7 h');
  await page.goto('/');
  await input.setInputFiles(asFile('workshop.glimmer.zip', 'application/zip', zip.subarray(0, 4000)));
  await expect(notice(page, /is not a ZIP, or was cut short/)).toBeVisible();
});

test('the desk and the drawer are the same in every browser, and wait for a server that is away', async ({
  page,
  baseURL,
  browser,
  context,
}) => {
  await page.goto('/sums');
  await page.getByRole('button', { name: 'Resistor for a light', exact: true }).click();
  const supply = page.getByLabel('Supply').first();
  await supply.fill('6.1 V');
  await page
    .getByLabel('Drawer table to bring in')
    .setInputFiles(
      asFile('drawer.csv', 'text/csv', Buffer.from('kind,name,count,resistance\nresistor,grey ones,12,180\n')),
    );
  await expect(page.getByText('One card on the desk; kept on the server too.')).toBeVisible();
  const away = await browser.newContext({ baseURL });
  const other = await away.newPage();
  await other.goto('/sums');
  await expect(other.getByLabel('Supply').first()).toHaveValue('6.1 V');
  await expect(other.getByText('1 kinds, 12 pieces')).toBeVisible();

  await context.setOffline(true);
  await page.getByRole('button', { name: 'How long it runs', exact: true }).click();
  await expect(page.getByText('kept in this browser until the server answers')).toBeVisible();
  await other
    .getByRole('button', { name: /^Copy .* beside$/ })
    .first()
    .click();
  await expect(other.getByText('2 cards on the desk; kept on the server too.')).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText('3 cards on the desk; kept on the server too.')).toBeVisible();
  await expect(other.getByText('3 cards on the desk; kept on the server too.')).toBeVisible();
  await away.close();
});

test('parts of one’s own are offered in every other plan, until they are forgotten', async ({ page }) => {
  await beginPlan(page);
  await goTo(page, 'piece');
  const input = page.getByLabel('Table of parts to bring in');
  await input.setInputFiles(asFile('parts.csv', 'text/csv', Buffer.from(parts)));
  await expect(notice(page, 'Parts of your own taken: 2')).toBeVisible();
  await kept(page);
  await beginPlan(page);
  await goTo(page, 'piece');
  await page.getByText('2 more are known from your other plans').click();
  await page.getByRole('button', { name: 'Take Quay pack into this plan' }).click();
  await expect(page.getByText('One more is known from your other plans')).toBeVisible();
  await page.getByRole('button', { name: 'Forget Lantern white' }).click();
  await expect(page.getByText(/known from your other plans/)).toBeHidden();
  await kept(page);
  await page.reload();
  await expect(page.getByText('Quay pack')).toBeVisible();
  await expect(page.getByText(/known from your other plans/)).toBeHidden();
});

test('a picture is sent once, not with every save, and stands in the plan again after a reload', async ({ page }) => {
  const id = await beginPlan(page);
  const sizes: number[] = [];
  page.on('request', (request) => {
    if (request.method() === 'PUT' && request.url().endsWith(id)) sizes.push(request.postDataBuffer()?.length ?? 0);
  });
  const picture = readFileSync(join(root, 'docs/screenshots/shelf.png'));
  await page.getByLabel('Picture to bring in').setInputFiles(asFile('front.png', 'image/png', picture));
  await expect.poll(() => Math.max(0, ...sizes)).toBeGreaterThan(50_000);
  await kept(page);
  sizes.length = 0;
  await fill(page, 'Hours wanted', '6 h');
  await kept(page);
  await expect.poll(() => sizes.length).toBeGreaterThan(0);
  expect(Math.max(...sizes)).toBeLessThan(20_000);
  const { plan } = await (await page.request.get(`/api/plans/${id}`)).json();
  const [own] = Object.values(plan.pictures as Record<string, { base64: string }>);
  expect(own?.base64.length).toBeGreaterThan(50_000);
  await page.reload();
  await expect(
    page
      .getByRole('group', { name: /^Picture of/ })
      .locator('image, img')
      .first(),
  ).toBeVisible();
  // Loaded from the server it is known to be there too.
  sizes.length = 0;
  await fill(page, 'Hours wanted', '5 h');
  await kept(page);
  await expect.poll(() => sizes.length).toBeGreaterThan(0);
  expect(Math.max(...sizes)).toBeLessThan(20_000);
});

test('a server that has lost a picture is sent it again', async ({ page }) => {
  const id = await beginPlan(page);
  const picture = readFileSync(join(root, 'docs/screenshots/shelf.png'));
  await page.getByLabel('Picture to bring in').setInputFiles(asFile('front.png', 'image/png', picture));
  const hasPicture = async (): Promise<boolean> =>
    Object.keys((await (await page.request.get(`/api/plans/${id}`)).json()).plan.pictures).length === 1;
  await expect.poll(hasPicture).toBe(true);
  await kept(page);
  let refused = 0;
  await page.route(`**/api/plans/${id}`, async (route) => {
    const body = route.request().postData() ?? '';
    if (route.request().method() !== 'PUT' || !body.includes('sha256') || refused > 0) return route.continue();
    refused += 1;
    return route.fulfill({
      status: 422,
      contentType: 'application/problem+json',
      body: JSON.stringify({ code: 'no-such-picture', status: 422, detail: 'A picture is only named' }),
    });
  });
  await fill(page, 'Hours wanted', '6 h');
  await kept(page);
  expect(refused).toBe(1);
  const { plan } = await (await page.request.get(`/api/plans/${id}`)).json();
  expect(plan.design.piece.hoursWanted).toBe(6);
});
