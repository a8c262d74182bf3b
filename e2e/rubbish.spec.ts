import { copyDemo, expect, figure, goTo, kept, REEF, stages, test } from './bench.ts';

const rubbish = ['zz', '-1e99 mm', '1/0', '5 parsecs'];

for (const [name, demo] of [
  ['headdress', undefined],
  ['reliquary', REEF],
] as const)
  test(`rubbish in every field of quantity of the ${name} is refused with a word, and changes nothing`, async ({
    page,
  }) => {
    const id = await copyDemo(page, demo);
    await page.goto(`/plan/${id}/piece`);
    const before = await figure(page, 'Peak draw').textContent();
    let tried = 0;
    for (const stage of stages) {
      if (stage === 'bench' || stage === 'logbook') continue;
      await goTo(page, stage);
      await expect(page.locator('main')).not.toContainText('Laying out the sheet');
      const fields = page.locator('main input.figures:visible:enabled[type="text"]');
      const count = await fields.count();
      for (let i = 0; i < count; i += 1) {
        const field = fields.nth(i);
        const was = await field.inputValue();
        await field.fill(rubbish[i % rubbish.length] ?? '');
        await field.press('Enter');
        await expect(field).toHaveAttribute('aria-invalid', 'true');
        // The word is said at once, and belongs to the field.
        await expect(field).toHaveAccessibleDescription(/\S/);
        await expect(page.locator('main').getByRole('alert')).not.toBeEmpty();
        // What was typed stays to be put right, and Escape gives the plan's own value back.
        await expect(field).toHaveValue(rubbish[i % rubbish.length] ?? '');
        await field.press('Escape');
        await expect(field).toHaveValue(was);
        tried += 1;
      }
    }
    expect(tried).toBeGreaterThan(35);
    await expect(figure(page, 'Peak draw')).toHaveText(before ?? '');
    await expect(page.getByRole('button', { name: 'Undo', exact: true }).first()).toBeDisabled();
    await kept(page);
  });

test('what can’t be read stays in the very field that it was typed into, beside others of the same name, through a reload', async ({
  page,
}) => {
  const id = await copyDemo(page, REEF);
  const fields = page.locator('main input.figures:visible:enabled[type="text"]');
  for (const stage of ['piece', 'lights', 'moods', 'drive', 'power'] as const) {
    await page.goto(`/plan/${id}/${stage}`);
    await expect(page.locator('main')).not.toContainText('Laying out the sheet');
    await expect(fields.first()).toBeVisible();
    const was = await fields.evaluateAll((inputs) => inputs.map((input) => (input as HTMLInputElement).value));
    // Each second one: what its neighbour shows must still be the plan's.
    const wanted = was.map((value, i) => (i % 2 === 0 ? `zz${i}` : value));
    for (const [i, text] of wanted.entries())
      if (i % 2 === 0) {
        await fields.nth(i).fill(text);
        await fields.nth(i).press('Enter');
      }
    await page.reload();
    await expect(fields).toHaveCount(was.length);
    expect(await fields.evaluateAll((inputs) => inputs.map((input) => (input as HTMLInputElement).value))).toEqual(
      wanted,
    );
  }
});
