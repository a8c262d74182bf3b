import AxeBuilder from '@axe-core/playwright';
import { DEMO, expect, type Page, REEF, stages, test } from './bench.ts';

/** Serious faults of access on the page as it stands, each with its place. */
async function findFaults(page: Page, where: string): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
    .analyze();
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
      faults.push(...(await findFaults(page, path)));
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
      expect(await findFaults(page, name)).toEqual([]);
    }
  }
});

test('on a tablet picture and sheet are two tabs', async ({ page }) => {
  await page.setViewportSize({ width: 768, height: 1024 });
  await page.goto(`/plan/${DEMO}/lights`);
  await expect(page.getByRole('heading', { name: 'Pixel tape' })).toBeVisible();
  await page.getByRole('tab', { name: 'picture' }).click();
  await expect(page.getByRole('group', { name: /^Picture of/ })).toBeVisible();
});

test('a maker who asks for less motion gets a held picture', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.goto(`/plan/${DEMO}/moods`);
  await expect(page.getByText('held: Doze')).toBeVisible();
});
