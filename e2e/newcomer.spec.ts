import type { Locator } from '@playwright/test';
import { expect, figure, type Page, takePart, test } from './bench.ts';

/** What a maker does, counted: a click, or a field that is filled or chosen. */
function counted() {
  let count = 0;
  return {
    click: async (place: Locator): Promise<void> => {
      count += 1;
      await place.click();
    },
    fill: async (place: Locator, text: string): Promise<void> => {
      count += 1;
      await place.fill(text);
    },
    choose: async (scope: Locator, label: string, option: string): Promise<void> => {
      count += 1;
      await takePart(scope, label, option);
    },
    count: () => count,
  };
}

/** A new maker comes to the shelf with a question of their own. */
const comes = async (page: Page) => {
  await page.goto('/');
  const maker = counted();
  const ask = (question: RegExp): Promise<void> => maker.click(page.getByRole('button', { name: question }));
  const drawer = page.getByRole('dialog');
  return { maker, ask, drawer, answer: drawer.locator('output') };
};

const MOST = 5;

test.describe('a first answer to a question of one’s own takes no more than five actions, and begins a plan', () => {
  test('one light on a lithium cell: how bright, for how long?', async ({ page }) => {
    const { maker, ask, drawer, answer } = await comes(page);
    await ask(/^A light on a battery/);
    await maker.choose(drawer, 'Pack', 'Lithium-ion cell, round, 18 × 65 mm, 2600 mAh, protected');
    await maker.fill(drawer.getByLabel('Wanted current'), '12 mA');
    // 2600 mAh at 12 mA are 217 h; the resistor of the series gives a little less, so that it lasts a little longer.
    await expect(answer).toHaveText(/^2[1-9]\d h$/);
    expect(maker.count()).toBeLessThan(MOST);
    await maker.click(drawer.getByRole('button', { name: 'Begin a plan with this' }));
    await page.waitForURL(/\/plan\/[\w-]+\/power/);
    await expect(figure(page, 'Runs for')).toContainText(/likely 2\d\d h|likely 1\d\.\d days/);
    expect(maker.count()).toBeLessThanOrEqual(MOST);
  });

  test('a tape in a channel of so many millimetres: how many lights, for how long?', async ({ page }) => {
    const { maker, ask, drawer, answer } = await comes(page);
    await ask(/^A tape on a battery/);
    await maker.fill(drawer.getByLabel('Length of its way'), '500 mm');
    // 30 lights at 30 %, 3 · 12 mA · 0.3 + 0.8 mA each, and a controller of 28 mA: 376 mA at 5 V. Of a cell with 3.7 V, by a
    // converter of 91 %, that is 558 mA: 3400 mAh are 6.1 h, and its cut-off comes somewhat before.
    await expect(drawer.getByText('376 mA', { exact: true })).toBeVisible();
    await expect(answer).toHaveText(/^5\.[5-9]\d* h$/);
    await maker.click(drawer.getByRole('button', { name: 'Begin a plan with this' }));
    await page.waitForURL(/\/plan\/[\w-]+\//);
    await expect(figure(page, 'Runs for')).toContainText(/likely 5\.[5-9]\d* h/);
    expect(maker.count()).toBeLessThanOrEqual(MOST);
  });

  test('a lamp that lights itself in the dark', async ({ page }) => {
    const { maker, ask, drawer, answer } = await comes(page);
    await ask(/^How does a lamp light itself/);
    await maker.fill(drawer.getByLabel('Supply', { exact: true }), '4.5 V');
    await maker.fill(drawer.getByLabel('Pull-up', { exact: true }), '220 kΩ');
    // Its gate has the 3 V for full on while no more than 1.5 V lie over 220 kΩ: 6.82 µA, at a microampere a lux.
    await expect(answer).toHaveText('6.82 lx');
    expect(maker.count()).toBeLessThanOrEqual(MOST);
  });

  test('which resistor, for 4.5 V and a light of 2 V at 15 mA', async ({ page }) => {
    const { maker, ask, drawer, answer } = await comes(page);
    await ask(/^Which resistor/);
    await maker.fill(drawer.getByLabel('Supply', { exact: true }), '4.5 V');
    await maker.fill(drawer.getByLabel('Forward drop at that current'), '2 V');
    await maker.fill(drawer.getByLabel('Wanted current'), '15 mA');
    // (4.5 − 2) V / 15 mA = 167 Ω: the next of the series is 180 Ω.
    await expect(answer).toHaveText('180 Ω');
    expect(maker.count()).toBeLessThanOrEqual(MOST);
  });

  test('which resistor, for a light of 2 V at 15 mA on three rechargeable cells', async ({ page }) => {
    const { maker, ask, drawer, answer } = await comes(page);
    await ask(/^Which resistor/);
    await maker.choose(drawer, 'Pack', 'Three AA nickel-metal hydride cells in a holder');
    await expect(drawer.getByLabel('Supply', { exact: true })).toBeHidden();
    await maker.fill(drawer.getByLabel('Forward drop at that current'), '2 V');
    await maker.fill(drawer.getByLabel('Wanted current'), '15 mA');
    // Half spent they rest at 3.75 V: 1.75 V / 15 mA = 117 Ω. Fresh they give 4.2 V, and a light of low drop would get
    // (4.2 − 1.88) V / 114 Ω = 20.4 mA of its 20 behind 120 Ω: so it is the next, 150 Ω.
    await expect(answer).toHaveText('150 Ω');
    await expect(drawer.getByText('Fresh, at 4.20 V')).toBeVisible();
    await maker.click(drawer.getByRole('button', { name: 'Begin a plan with this' }));
    await page.waitForURL(/\/plan\/[\w-]+\//);
    expect(maker.count()).toBeLessThanOrEqual(MOST);
  });
});
