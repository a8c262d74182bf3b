import { readFileSync } from 'node:fs';
import { copyDemo, expect, notice, type Page, test } from './bench.ts';

/** Drops a file on the middle of the page, as a hand does. */
async function drop(page: Page, name: string, type: string, text: string): Promise<void> {
  const data = await page.evaluateHandle(
    ([named, kind, content]) => {
      const transfer = new DataTransfer();
      transfer.items.add(new File([content ?? ''], named ?? '', { type: kind ?? '' }));
      return transfer;
    },
    [name, type, text],
  );
  await page.dispatchEvent('body', 'drop', { dataTransfer: data });
}

const square = '<svg xmlns="http://www.w3.org/2000/svg" width="20" height="10"><path d="M0 0h20v10z"/></svg>';

test('a plan that is dropped on the shelf lies there; rubbish says why not', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('button', { name: 'Bring in a plan' })).toBeVisible();
  const text = readFileSync(new URL('../demo/mooring-float.glimmer.json', import.meta.url), 'utf8');
  await drop(page, 'float.glimmer.json', 'application/json', text);
  await expect(notice(page, /is on the shelf/)).toBeVisible();
  await drop(page, 'kite.json', 'application/json', '{"kite":');
  await expect(notice(page, /kite.json was not brought in/)).toBeVisible();
});

test('a picture that is dropped or pasted is the picture of the piece; another file is told where it goes', async ({
  page,
}) => {
  await page.goto(`/plan/${await copyDemo(page)}/power`);
  await expect(page.getByRole('heading', { name: 'Sources' })).toBeVisible();
  await drop(page, 'fish.svg', 'image/svg+xml', square);
  await expect(notice(page, /fish.svg is the picture now/)).toBeVisible();
  await expect(page.locator('svg image')).toHaveCount(1);
  await drop(page, 'parts.csv', 'text/csv', 'kind,name\n');
  await expect(notice(page, /parts.csv is no picture/)).toBeVisible();
});
