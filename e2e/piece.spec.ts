import { beginPlan, clickPicture, copyDemo, expect, figure, fill, goTo, kept, takePart, test } from './bench.ts';

test('wishes are met by the plan itself, and open again by themselves', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/piece`);
  const wish = (text: string) => page.locator('main li').filter({ hasText: text });
  const hours = wish('Runs at least');
  await expect(hours).toContainText('met');
  await fill(page, 'Hours wanted', '40 h');
  await expect(hours).toContainText('open');
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(hours).toContainText('met');
  // A budget that no pack and tape can keep.
  await fill(page, 'Budget for one', '2');
  await expect(wish('Costs at most')).toContainText('open');
  await fill(page, 'Budget for one', '2000');
  await expect(wish('Costs at most')).toContainText('met');
  await fill(page, 'Budget for one', '');
  await expect(wish('Costs at most')).toBeHidden();
});

test('hollows of each kind are added, named, sized and taken away with what lay in them', async ({ page }) => {
  await beginPlan(page);
  for (const kind of ['bore', 'channel', 'box']) await page.getByRole('button', { name: `Add a ${kind}` }).click();
  await page.getByLabel('Name of the channel').fill('Rim');
  await page.getByLabel('Name of the channel').press('Enter');
  // An empty name is no name: the old one stays, and it is said.
  await page.getByLabel('Name of the box').fill(' ');
  await page.getByLabel('Name of the box').press('Enter');
  await expect(page.getByRole('alert')).toContainText('A name can’t be empty');
  await expect(page.getByLabel('Name of the box')).toHaveValue('Box 1');
  await fill(page, 'Width', '8.3 mm');

  await goTo(page, 'lights');
  await page.getByRole('button', { name: 'Add a tape' }).click();
  await clickPicture(page, 0.2, 0.5);
  await clickPicture(page, 0.8, 0.5);
  await page.getByRole('button', { name: 'Done' }).click();
  await takePart(page, 'Kind of tape', '60/m, 10 mm');
  await page.getByLabel('Lies in').selectOption('Rim');
  // 10 mm of tape in a channel of 8.3 mm.
  await expect(page.getByText(/does not go into Rim/)).toBeVisible();

  await goTo(page, 'piece');
  await page.getByRole('button', { name: 'Remove Rim' }).click();
  await goTo(page, 'lights');
  await expect(page.getByLabel('Lies in')).toHaveValue('none');
  await expect(page.getByText(/does not go into/)).toBeHidden();
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(page.getByLabel('Lies in')).not.toHaveValue('none');
  await kept(page);
});

test('who carries it and where: cautions and findings follow the brief', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/piece`);
  const open = figure(page, 'Open findings');
  await expect(open).toContainText('2');
  await page.getByRole('button', { name: /things? to know/ }).click();
  const wet = page.getByText('It may get wet: pack, plugs and switch come first');
  await expect(wet).toBeVisible();
  await page.getByLabel('Weather').selectOption('dry');
  await expect(wet).toBeHidden();
  await page.getByLabel('Weather').selectOption('rain');
  await expect(wet).toBeVisible();
  // In the frost the cell gives less: the hours fall, and they are said to be the cautious ones.
  const before = Number.parseFloat((await figure(page, 'Runs for').innerText()).split('\n')[1] ?? '');
  await fill(page, 'Ambient temperature', '-10 °C');
  await expect
    .poll(async () => Number.parseFloat((await figure(page, 'Runs for').innerText()).split('\n')[1] ?? ''))
    .toBeLessThan(before);
  await fill(page, 'Copies', '4');
  await goTo(page, 'moods');
  await page.getByRole('tab', { name: 'Evening', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Copies in step' })).toBeVisible();
});
