import { copyDemo, expect, kept, type Page, test } from './bench.ts';

const PARASOL = '6f1d0c52-3b6e-4f0a-9a51-2c7d5b1e7a02';
const CLOAK = '6f1d0c52-3b6e-4f0a-9a51-2c7d5b1e7a05';

/** Pairs of words on the picture that lie on each other, or on the mark of a control, by more than a hair. */
const covered = (page: Page): Promise<readonly string[]> =>
  page.locator('svg[aria-label^="Picture of"]').evaluate((svg) => {
    const words = [...svg.querySelectorAll<SVGGraphicsElement>('[data-words]')]
      .filter((element) => element.style.visibility !== 'hidden')
      .map((element) => ({ text: element.textContent ?? '', box: element.getBoundingClientRect() }));
    if (words.length < 2) return ['no words yet'];
    const marks = [...svg.querySelectorAll('[data-dot]')].map((mark) => ({
      text: 'a mark',
      box: mark.getBoundingClientRect(),
    }));
    return words.flatMap((one, i) =>
      [...words.slice(i + 1), ...marks].flatMap((other) => {
        const across = Math.min(one.box.right, other.box.right) - Math.max(one.box.left, other.box.left);
        const down = Math.min(one.box.bottom, other.box.bottom) - Math.max(one.box.top, other.box.top);
        return across > 1 && down > 1 ? [`${one.text} | ${other.text}`] : [];
      }),
    );
  });

test('no words on the picture cover others, on any stage', async ({ page }) => {
  const [parasol, fish, cloak] = [await copyDemo(page, PARASOL), await copyDemo(page), await copyDemo(page, CLOAK)];
  // The parasol has no hollows: its picture says nothing on the first stage. The cloak's button sits beside its tape.
  const seen = [
    [fish, 'piece'],
    ...['lights', 'drive', 'power', 'wires', 'bench'].map((stage) => [parasol, stage]),
    [cloak, 'drive'],
  ];
  for (const [plan, stage] of seen) {
    await page.goto(`/plan/${plan}/${stage}`);
    await expect(page.locator('svg[aria-label^="Picture of"]')).toBeVisible();
    await page.evaluate(() => document.fonts.ready);
    await expect.poll(() => covered(page), stage).toEqual([]);
  }
});

test('a line leads to what a name belongs to where another thing is nearer to it', async ({ page }) => {
  const id = await copyDemo(page);
  await page.goto(`/plan/${id}/piece`);
  const picture = page.locator('svg[aria-label^="Picture of"]');
  const name = picture.getByText(/^Left eye bore/);
  await expect(name).toBeVisible();
  // The left eye lies at 222 mm across and 189 mm down; the name of its bore has stepped up, over the right one.
  await expect(name).toHaveAttribute('data-at', '222 189');
  await expect(picture.locator('line[x1="222"][y1="189"]')).toHaveCount(1);
  await expect(picture.locator('line[x1="299"][y1="180"]')).toHaveCount(0);
});

test('the picture is drawn near by the wheel and by buttons, shifted, and shown whole again', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page, PARASOL)}/lights`);
  const picture = page.locator('svg[aria-label^="Picture of"]');
  const box = () => picture.getAttribute('viewBox').then((text) => (text ?? '').split(' ').map(Number));
  // Before its pane is measured it is shown with its margins alone.
  await expect
    .poll(() =>
      picture.evaluate(
        (svg: SVGSVGElement) =>
          svg.viewBox.baseVal.width / svg.viewBox.baseVal.height / (svg.clientWidth / svg.clientHeight),
      ),
    )
    .toBeCloseTo(1, 2);
  const [x0 = 0, , wide = 0] = await box();
  await page.getByRole('button', { name: 'Nearer' }).click();
  await expect.poll(async () => (await box())[2]).toBeCloseTo(wide / 1.5, 3);
  await picture.hover({ position: { x: 60, y: 300 } });
  await page.mouse.wheel(0, -400);
  await expect.poll(async () => (await box())[2] ?? 0).toBeLessThan(wide / 1.6);
  const [x1 = 0] = await box();
  await page.mouse.down();
  await page.mouse.move(200, 300, { steps: 4 });
  await page.mouse.up();
  await expect.poll(async () => (await box())[0]).not.toBeCloseTo(x1, 1);
  await page.getByRole('button', { name: 'All of it' }).click();
  await expect.poll(async () => (await box())[0]).toBeCloseTo(x0, 3);
  await expect(page.getByRole('button', { name: 'Farther' })).toBeDisabled();
});

test('what is chosen on the picture is its card on the sheet, and a copy of it comes beside it by keys', async ({
  page,
}) => {
  await page.goto(`/plan/${await copyDemo(page)}/lights`);
  const eye = page.getByRole('button', { name: /^Eyes 2, at/ });
  await eye.focus();
  const card = page.getByRole('article', { name: 'Single lights: Eyes', exact: true });
  await expect(card).toBeInViewport();
  await expect(eye).toHaveAttribute('data-pointed', 'true');
  await page.keyboard.press('ControlOrMeta+c');
  await page.keyboard.press('ControlOrMeta+v');
  const copy = page.getByRole('article', { name: 'Single lights: Eyes copy', exact: true });
  await expect(copy).toBeInViewport();
  await copy.getByRole('button', { name: 'Remove Eyes copy', exact: true }).click();
  await expect(copy).toHaveCount(0);
  await page.getByRole('status').or(page.getByLabel('Notices')).getByText('Eyes copy is taken away.').waitFor();
  await page.getByLabel('Notices').getByRole('button', { name: 'Undo' }).click();
  await expect(copy).toBeVisible();
});

test('several things are chosen on the picture, by Shift, by a frame or by keyboard, move together and go together', async ({
  page,
}) => {
  await page.goto(`/plan/${await copyDemo(page)}/lights`);
  const picture = page.getByRole('group', { name: /^Picture of/ });
  const eye = (number: number) => picture.getByRole('button', { name: new RegExp(`^Eyes ${number}, at`) });
  const dot = (number: number) => eye(number).locator('circle').first();
  const xOf = async (number: number): Promise<number> =>
    Number(/at ([\d.]+)/.exec((await eye(number).getAttribute('aria-label')) ?? '')?.[1]);
  await expect(eye(1)).toBeVisible();
  const [first, second] = [await xOf(1), await xOf(2)];
  await dot(1).click({ modifiers: ['Shift'] });
  await dot(2).click({ modifiers: ['Shift'] });
  await expect(page.getByText('2 chosen: drag one')).toBeVisible();
  await expect(eye(1)).toHaveAttribute('aria-pressed', 'true');
  await eye(2).focus();
  for (let i = 0; i < 3; i += 1) await page.keyboard.press('ArrowRight');
  await expect.poll(() => xOf(1)).toBeCloseTo(first + 3, 1);
  await expect.poll(() => xOf(2)).toBeCloseTo(second + 3, 1);
  // A drag of one takes the other along, and is one step for undo.
  const box = await dot(2).boundingBox();
  if (!box) throw new Error('it is on the picture');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 40, box.y + box.height / 2, { steps: 5 });
  await page.mouse.up();
  await expect.poll(() => xOf(1)).toBeGreaterThan(first + 5);
  await expect.poll(async () => (await xOf(2)) - (await xOf(1))).toBeCloseTo(second - first, 0);
  await page.keyboard.press('Control+z');
  await expect.poll(() => xOf(1)).toBeCloseTo(first + 3, 1);
  await eye(2).focus();
  await page.keyboard.press('Escape');
  await expect(page.getByText('chosen: drag one')).toBeHidden();

  // A frame over all of it.
  const whole = await picture.boundingBox();
  if (!whole) throw new Error('there is a picture');
  await page.keyboard.down('Shift');
  await page.mouse.move(whole.x + 6, whole.y + 6);
  await page.mouse.down();
  await page.mouse.move(whole.x + whole.width - 6, whole.y + whole.height - 6, { steps: 4 });
  await page.mouse.up();
  await page.keyboard.up('Shift');
  const handles = await picture.locator('[data-spot]').count();
  await expect(page.getByText(`${handles} chosen`)).toBeVisible();
  await page.getByRole('button', { name: 'Let go' }).click();

  // By keyboard: Space chooses, Delete takes away, and the notice brings it back.
  await eye(1).focus();
  await page.keyboard.press('Space');
  await expect(page.getByText('1 chosen: drag one')).toBeVisible();
  await page.keyboard.press('Delete');
  await expect(eye(2)).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(eye(2)).toBeVisible();
  await kept(page);
});
