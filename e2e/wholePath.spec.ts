import { beginPlan, clickPicture, copyDemo, expect, figure, fill, goTo, kept, takePart, test } from './bench.ts';

test('from an empty plan to a logged run test, by mouse', async ({ page }) => {
  await beginPlan(page);
  await expect(page.getByText('Begin with the picture')).toBeVisible();

  // Piece: what it is, how big, one bore.
  await page.getByLabel('Name of the plan').fill('Jellyfish trial');
  await page.getByLabel('Outline').selectOption({ label: 'Plain panel' });
  await fill(page, 'Hours wanted', '2 h');
  await fill(page, 'True width of the view', '40 cm');
  await page.getByRole('button', { name: 'Add a bore' }).click();
  await fill(page, 'Diameter', '6.5');
  await expect(page.getByText('not decided').first()).toBeVisible();

  // Lights: a tape laid by clicking its route, one light in the bore.
  await goTo(page, 'lights');
  await expect(page.getByText('Begin with what glows')).toBeVisible();
  await page.getByRole('button', { name: 'Add a tape' }).click();
  await clickPicture(page, 0.2, 0.6);
  await clickPicture(page, 0.8, 0.6);
  await page.getByRole('button', { name: 'Done' }).click();
  await fill(page, 'Length of the route', '500 mm');
  // 500 mm at 60/m is 30 lights.
  await expect(page.getByRole('button', { name: '30', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Add single lights' }).click();
  await clickPicture(page, 0.5, 0.3);
  await page.getByRole('button', { name: 'Done' }).click();
  await page.getByLabel('Bore of Lights 1 1').selectOption({ label: 'Bore 1' });
  // 5.8 mm and two sleeves of 0.45 mm: 6.7 mm does not go into 6.5 mm.
  await expect(page.getByText(/does not go into Bore 1: 6.70 mm finished/)).toBeVisible();
  await page.getByRole('button', { name: 'Drill it to 7.10 mm' }).click();
  await expect(page.getByText(/does not go into Bore 1/)).toBeHidden();

  // Moods: one that breathes, with a course.
  await goTo(page, 'moods');
  await page.getByRole('button', { name: 'Add a mood' }).click();
  await expect(page.getByRole('img', { name: /Tape 1 over/ })).toBeVisible();
  await page.getByRole('tab', { name: 'Evening' }).click();
  await page.getByRole('button', { name: 'Add a part' }).click();

  // Drive: a controller, its findings mended by a click each.
  await goTo(page, 'drive');
  await page.getByRole('button', { name: 'Controller', exact: true }).click();
  await expect(page.getByRole('combobox', { name: 'Controller', exact: true })).toHaveValue(
    'Larger 5 V eight-bit controller, 18 pins',
  );
  await page.getByRole('button', { name: 'Add 330 Ω' }).click();
  await page.getByRole('button', { name: 'Add 1000 µF' }).click();
  await expect(page.getByRole('cell', { name: 'Data of Tape 1', exact: true })).toBeVisible();

  // Power: a cell and a converter, then what is missing.
  await goTo(page, 'power');
  await page.getByRole('button', { name: 'Pack', exact: true }).click();
  await takePart(page, 'Pack', 'Lithium-ion cell, round, 18 × 65 mm, 2600 mAh, protected');
  await page.getByRole('button', { name: 'Converter', exact: true }).click();
  await takePart(page, 'Converter', 'Boost converter, 5 V, 1.5 A');
  await page.getByRole('button', { name: /^Add: Slide switch/ }).click();
  await page.getByRole('button', { name: /^Fit / }).click();
  await expect(page.getByRole('img', { name: /^The night: ends after/ })).toBeVisible();
  await expect(figure(page, 'Open findings')).toContainText('0');
  await expect(figure(page, 'Runs for')).toContainText(/\d h/);
  await page.getByRole('button', { name: 'Try 300 nights' }).click();
  await expect(page.locator('[data-sampled]')).toContainText('last the 2.00 h wanted', { timeout: 60_000 });

  // Wires: every run is there, and the template comes at true size.
  await goTo(page, 'wires');
  await expect(page.getByText(/4 runs|3 runs/)).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Front, SVG' }).click();
  expect((await download).suggestedFilename()).toBe('template.svg');

  // Bench: a right reading, a wrong one, and the way on.
  await goTo(page, 'bench');
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Measure a resistor for Lights 1' })).toBeVisible();
  await page.getByLabel('Your reading').fill('18');
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByText(/Wrong/)).toBeVisible();
  const card = await page.locator('[data-card]').textContent();
  const low = /Expect ([\d.]+)/.exec(card ?? '')?.[1] ?? '';
  await page.getByLabel('Your reading').fill(String(Number(low) * 1.03));
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByRole('heading', { name: 'Test the lights of Lights 1' })).toBeVisible();

  // Logbook: an entry, a version, a run test beside its prediction.
  await goTo(page, 'logbook');
  await page.getByLabel('What happened, what was learned').fill('The bore splits unless it is drilled in two steps.');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('No figure and no part differs.')).toBeVisible();
  await fill(page, 'How long it really ran', '3.5 h');
  await page.getByRole('button', { name: 'Log the run test' }).click();
  await expect(page.getByRole('cell', { name: '3.50 h' })).toBeVisible();

  await kept(page);
  await page.reload();
  await expect(page.getByRole('cell', { name: '3.50 h' })).toBeVisible();
  await expect(page.getByText('The bore splits unless')).toBeVisible();
});

test('the demo: two findings, mended by a click each, undone, and the sums opened', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/piece`);
  await expect(figure(page, 'Open findings')).toContainText('2');
  const before = await figure(page, 'Peak draw').textContent();
  await figure(page, 'Open findings').click();
  await page.getByRole('button', { name: /^Set it to \d+ %/ }).click();
  await expect(figure(page, 'Open findings')).toContainText('1');
  await expect(figure(page, 'Peak draw')).not.toHaveText(before ?? '');
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(figure(page, 'Peak draw')).toHaveText(before ?? '');
  await page.getByRole('button', { name: 'Redo' }).click();
  await figure(page, 'Open findings').click();
  await page.getByRole('button', { name: 'Drill it to 4.70 mm' }).click();
  await expect(figure(page, 'Open findings')).toContainText('nothing open');

  for (const [name, sum] of [
    ['Peak draw', 'Current that a boost converter takes in'],
    ['Runs for', 'Plain run time'],
    ['Weakest link', 'Fuse, least'],
  ] as const) {
    await figure(page, name).click();
    await expect(page.getByRole('heading', { name: sum })).toBeVisible();
    await page.getByRole('button', { name: 'Close' }).click();
  }
});

test('versions: keep one, change, compare, bring back', async ({ page }) => {
  await beginPlan(page);
  await goTo(page, 'lights');
  await page.getByRole('button', { name: 'Add a tape' }).click();
  await clickPicture(page, 0.3, 0.5);
  await clickPicture(page, 0.7, 0.5);
  await page.getByRole('button', { name: 'Done' }).click();
  await fill(page, 'Length of the route', '583 mm');
  await takePart(page, 'Kind of tape', '74/m, 8 mm');
  await goTo(page, 'logbook');
  await page.getByLabel('Name of this version').fill('Sparse');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await goTo(page, 'lights');
  await takePart(page, 'Kind of tape', '100/m, 8 mm');
  await goTo(page, 'logbook');
  const table = page.getByRole('table', { name: 'Comparison of two versions' });
  // 583 mm: 43 lights at 74/m, 58 at 100/m.
  await expect(table.getByRole('row', { name: /^Lights 43 58/ })).toBeVisible();
  await page.getByRole('button', { name: 'Bring back' }).first().click();
  await goTo(page, 'lights');
  await expect(page.getByRole('button', { name: '43', exact: true })).toBeVisible();
});

test('cues run with virtual hands, and a fast flash asks first', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await page.goto(`/plan/${await copyDemo(page)}/moods`);
  await goTo(page, 'moods');
  await expect(page.getByText('running: Doze')).toBeVisible();
  await page.getByRole('button', { name: 'Palm button', exact: true }).click();
  await expect(page.getByText('running: Strike')).toBeVisible();
  // Back by itself after four seconds.
  await expect(page.getByText('running: Doze')).toBeVisible({ timeout: 15_000 });
  await fill(page, 'One breath', '0.2 s');
  await expect(page.getByRole('heading', { name: 'This mood flashes fast' })).toBeVisible();
  await page.getByRole('button', { name: 'Hold it' }).click();
  await expect(page.getByText('held: Doze')).toBeVisible();
  await page.getByRole('button', { name: 'Slow it to two a second' }).first().click();
  await expect(page.getByText(/flashes 5 times a second/)).toBeHidden();
});
