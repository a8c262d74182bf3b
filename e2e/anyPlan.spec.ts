import { randomUUID } from 'node:crypto';
import { createPlan } from '@glimmer/core/plan';
import fc from 'fast-check';
import { anyDesign } from '../core/tests/anyDesign.ts';
import { expect, figure, goTo, kept, stages, test } from './bench.ts';

const count = Number(process.env.GLIMMER_ANY_PLANS ?? 3);

// Sense or nonsense: a plan that can be read can be opened, and the page that it is on says no NaN.
for (const [i, design] of fc.sample(anyDesign, { numRuns: count, seed: 40 }).entries())
  test(`plan of any kind ${i + 1}: every stage opens, its moods run, nothing breaks`, async ({ page }) => {
    const plan = createPlan({ id: randomUUID(), name: `Any ${i + 1}`, design });
    const put = await page.request.post('/api/plans', { data: plan });
    expect(put.ok(), await put.text()).toBe(true);
    await page.goto(`/plan/${plan.id}/piece`);
    for (const stage of stages) {
      await goTo(page, stage);
      await expect(page.locator('main')).not.toContainText('Laying out the sheet');
      await expect(page.locator('body')).not.toContainText(/NaN|undefined|\[object|Infinity/);
    }
    await goTo(page, 'moods');
    if (design.moods.list.length > 0) {
      // One that flashes fast asks, at its own time, and is held then.
      const asked = page.getByRole('heading', { name: /flashes fast/ });
      await page.addLocatorHandler(asked, () => page.keyboard.press('Escape'));
      await page.getByRole('button', { name: 'Run the moods' }).click();
      await expect(
        page
          .getByText(/^running: /)
          .or(asked)
          .first(),
      ).toBeVisible();
    }
    for (const tab of await page.getByRole('tablist').getByRole('tab').all()) await tab.click();
    await figure(page, 'Peak draw').click();
    await expect(page.getByRole('dialog').getByRole('heading').first()).toBeVisible();
    await page.keyboard.press('Escape');
    await kept(page);
  });
