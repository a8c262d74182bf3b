import {
  beginPlan,
  clickPicture,
  copyDemo,
  drawn,
  expect,
  figure,
  fill,
  goTo,
  kept,
  type Page,
  REEF,
  shown,
  slowWorkers,
  tabTo,
  test,
} from './bench.ts';

/** A new plan with one tape of 60/m across the picture, so long. */
async function layTape(page: Page, length: string): Promise<void> {
  await beginPlan(page);
  await goTo(page, 'lights');
  await page.getByRole('button', { name: 'Add a tape' }).click();
  await clickPicture(page, 0.2, 0.5);
  await clickPicture(page, 0.8, 0.5);
  await page.getByRole('button', { name: 'Done' }).click();
  await fill(page, 'Length of the route', length);
  await goTo(page, 'moods');
}

const moodTab = (page: Page, name: string) => page.getByRole('tablist', { name: 'Moods' }).getByRole('tab', { name });
const pageTab = (page: Page, name: string) => page.getByRole('tab', { name, exact: true });
const hands = (page: Page) => page.getByRole('group', { name: 'Virtual hands' });

test('a mood from nothing by mouse: taken, taken apart, laid upon, split', async ({ page }) => {
  await layTape(page, '200 mm');
  // Twelve lights are offered what suits them, and cells only where there is a grid.
  await expect(page.getByRole('button', { name: 'Take Night sky' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Take Reef' })).toBeHidden();
  await page.getByRole('button', { name: 'Take Tide' }).click();
  await expect(page.getByText('held: Tide')).toBeVisible();
  await expect(page.getByRole('img', { name: /^Tape 1 over 16 seconds/ })).toBeVisible();
  await page.getByLabel('Meets the lights').selectOption('from both ends');
  await page.getByLabel('Keeps even').selectOption('the current');

  await page.getByRole('button', { name: 'Lay a move upon Tape 1' }).click();
  await page.getByLabel('Upon Tape 1', { exact: true }).selectOption('shots');
  await page.getByLabel('How it lies').selectOption('added');
  await fill(page, 'Dark', '50 ms');
  // The flashes are found on the frames of both together, with the seconds in which they are seen.
  await expect(
    page.getByText(/Tape 1 flashes \d\S* times a second in Tide, from \d.\d\d s to \d.\d\d s/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Slow it to two a second' }).last().click();
  await expect(page.getByText(/Tape 1 flashes/)).toBeHidden();

  await pageTab(page, 'Sets').click();
  await page.getByRole('button', { name: 'Add a set' }).click();
  await fill(page, 'to number', '4');
  await pageTab(page, 'Moves').click();
  await page.getByLabel('Move of Set 1').selectOption('steady');
  await expect(page.getByLabel('Move of Set 1')).toHaveValue('steady');
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(page.getByLabel('Move of Set 1')).toHaveValue('dark');
  await kept(page);
  await page.reload();
  await expect(page.getByLabel('Upon Tape 1', { exact: true })).toHaveValue('shots');
  await page.getByRole('button', { name: 'Take this move off Tape 1' }).click();
  await expect(page.getByLabel('Upon Tape 1', { exact: true })).toBeHidden();
});

test('a mood from nothing by keyboard alone', async ({ page }) => {
  await layTape(page, '200 mm');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await tabTo(page, /^Take Charge and fire/);
  await page.keyboard.press('Enter');
  await expect(page.getByText('held: Charging')).toBeVisible();
  await tabTo(page, /^Move of Tape 1/);
  await page.keyboard.type('sweep');
  await expect(page.getByLabel('Move of Tape 1')).toHaveValue('sweep');
  await expect(page.getByLabel('Tail, lights')).toBeVisible();
  await tabTo(page, /^Tail, lights/);
  await page.keyboard.press('Control+a');
  await page.keyboard.type('3');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Tail, lights')).toHaveValue('3');
  // The pages of the sheet are turned with the arrow keys.
  await pageTab(page, 'Moves').focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('heading', { name: 'Map' })).toBeVisible();
  await tabTo(page, /^Firing/);
  await page.keyboard.press('Enter');
  await expect(page.getByText('held: Firing')).toBeVisible();
  await pageTab(page, 'Cues').focus();
  await page.keyboard.press('ArrowRight');
  await tabTo(page, /^Add a part/);
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  const end = page.getByRole('separator', { name: /^End of Firing/ }).first();
  await end.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+ArrowRight');
  await expect(end).toHaveAttribute('aria-valuetext', '41 minutes');
  await expect(page.getByLabel('How long, 2')).toHaveValue('19 min');
});

test('hands on the reliquary: the lid for as long as it is open, and a sign while the charge is low', async ({
  page,
}) => {
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await page.goto(`/plan/${await copyDemo(page, REEF)}/moods`);
  await expect(page.getByText('running: Night reef')).toBeVisible();
  await hands(page).getByRole('button', { name: 'Lid' }).click();
  await expect(page.getByText('running: Offering')).toBeVisible();
  await hands(page).getByRole('button', { name: 'Lid' }).click();
  await expect(page.getByText('running: Night reef')).toBeVisible();

  // At the bench the same hands move the pins of the simulated controller.
  await goTo(page, 'bench');
  const log = page.getByRole('log', { name: 'What the controller says' });
  await expect(log).toContainText(/plan [0-9a-f]{8}/);
  await hands(page).getByRole('button', { name: 'Lid' }).click();
  await expect(page.getByRole('row', { name: /Lid low: closed/ })).toBeVisible();
  await expect(log).toContainText('Offering');
  await hands(page).getByLabel('Charge').fill('0');
  await expect(page.getByRole('row', { name: /Charge reads about \d+/ })).toBeVisible();
});

test('a button that is held, pressed twice, or let go', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await page.goto(`/plan/${await copyDemo(page)}/moods`);
  await pageTab(page, 'Cues').click();
  await page.getByLabel('When', { exact: true }).nth(2).selectOption('Palm button is pressed, for as long as it is');
  await shown(page);
  const palm = hands(page).getByRole('button', { name: 'Palm button' });
  const box = await palm.boundingBox();
  if (!box) throw new Error('the button is on the page');
  await page.mouse.move(box.x + 10, box.y + 10);
  await page.mouse.down();
  await expect(page.getByText('running: Strike')).toBeVisible();
  await page.mouse.up();
  await expect(page.getByText('running: Doze')).toBeVisible();
  // The same with a key.
  await palm.focus();
  await page.keyboard.down('Enter');
  await expect(page.getByText('running: Strike')).toBeVisible();
  await page.keyboard.up('Enter');
  await expect(page.getByText('running: Doze')).toBeVisible();

  await page.getByLabel('When', { exact: true }).nth(2).selectOption('Palm button is pressed twice');
  await shown(page);
  await palm.click();
  await expect(page.getByText('running: Doze')).toBeVisible();
  await palm.dblclick();
  await expect(page.getByText('running: Strike')).toBeVisible();
});

test('what can’t be reached is said, on the map and among the findings', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/moods`);
  await pageTab(page, 'Cues').click();
  await page.getByRole('button', { name: 'Remove cue 3' }).click();
  await expect(page.getByText('Nothing leads to Strike')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Strike, never reached/ })).toBeVisible();
  await page.getByRole('button', { name: 'Add a cue' }).click();
  await shown(page);
  await page.getByLabel('Go to').last().selectOption('Strike');
  await expect(page.getByText('Nothing leads to Strike')).toBeHidden();
  // A control that is taken out takes its cues with it.
  await goTo(page, 'drive');
  await page.getByRole('button', { name: 'Remove Palm button' }).click();
  await expect(page.getByText('Nothing leads to Strike')).toBeHidden();
  await goTo(page, 'moods');
  await expect(page.getByText('Nothing leads to Strike')).toBeVisible();
});

test('a mood is copied to be changed, and cues are put in their order', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/moods`);
  await moodTab(page, 'Hunt').click();
  await page.getByRole('button', { name: 'Copy it' }).click();
  await expect(moodTab(page, 'Hunt copy')).toHaveAttribute('aria-selected', 'true');
  await expect(page.getByText('Nothing leads to Hunt copy')).toBeVisible();
  await pageTab(page, 'Cues').click();
  await page.getByRole('button', { name: 'Add a cue' }).click();
  await shown(page);
  await page.getByLabel('When', { exact: true }).last().selectOption('Palm button is pressed');
  await page.getByLabel('Go to').last().selectOption('Hunt copy');
  // The palm button already leads from any mood to Strike, so only in Strike is the new cue followed.
  await expect(page.getByText('Nothing leads to Hunt copy')).toBeHidden();
  await page.getByLabel('In which mood').last().selectOption('Doze');
  await expect(page.getByText('A cue to Hunt copy is never followed')).toBeVisible();
  await page.getByRole('button', { name: 'Move cue 4 up' }).click();
  await expect(page.getByText('A cue to Hunt copy is never followed')).toBeHidden();
  await expect(page.getByRole('button', { name: 'Move cue 1 up' })).toBeDisabled();
});

test('the evening is dragged, and the night follows', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/moods`);
  await pageTab(page, 'Evening').click();
  const usual = await figure(page, 'Usual draw').innerText();
  const end = page.getByRole('separator', { name: 'End of Doze' });
  await expect(end).toHaveAttribute('aria-valuetext', '20 minutes');
  const box = await end.boundingBox();
  if (!box) throw new Error('the end is on the page');
  await page.mouse.move(box.x + box.width / 2, box.y + 20);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 120, box.y + 20, { steps: 6 });
  await page.mouse.up();
  // 120 of about 530 pixels of an hour.
  await expect(end).toHaveAttribute('aria-valuetext', /^3[2-6] minutes$/);
  await expect(figure(page, 'Usual draw')).not.toHaveText(usual);
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(end).toHaveAttribute('aria-valuetext', '20 minutes');
});

test('the mood is moved through by hand, and looked at by others', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/moods`);
  await expect(page.getByLabel('Scrub')).toBeDisabled();
  await moodTab(page, 'Hunt').click();
  const before = await drawn(page);
  await page.getByLabel('Scrub').fill('310');
  await expect.poll(() => drawn(page)).not.toBe(before);
  await expect(page.getByText('held: Hunt')).toBeVisible();
  await expect(page.getByLabel('Scrub')).toHaveValue('310');
  const near = await drawn(page);
  for (const onlooker of ['from 15 m', 'camera, 1/1000 s']) {
    await page.getByLabel('Who looks on').selectOption(onlooker);
    await expect.poll(() => drawn(page)).not.toBe(near);
  }
  // Another onlooker than the eye nearby is in sight on every stage.
  await goTo(page, 'lights');
  await page.getByLabel('Who looks on').selectOption('to the eye');
  await expect(page.getByLabel('Who looks on')).toBeHidden();
});

test('controls of every kind, a sign, and a gauge on the charge', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/drive`);
  for (const kind of ['Switch', 'Tilt switch', 'Remote', 'Charge sense'])
    await page.getByRole('button', { name: kind, exact: true }).click();
  await fill(page, 'Low below, of the whole pack', '3.3 V');
  await fill(page, 'For at least', 'rubbish');
  await expect(page.getByRole('alert')).toContainText('rubbish');
  await fill(page, 'For at least', '12 s');
  await expect(page.getByText(/to the pack, 100 kΩ to minus; low below \d+/)).toBeVisible();
  await expect(page.getByRole('heading', { name: 'One turn of the loop, at its hardest' })).toBeVisible();
  await expect(page.getByText(/of 200000 bytes/)).toBeVisible();
  await goTo(page, 'moods');
  await page.getByLabel('Move of Upper jaw').selectOption('gauge');
  await expect(page.getByText('Upper jaw shows a value in Doze, and nothing says which')).toBeVisible();
  await page.getByLabel('Shows').selectOption('Charge sense 1: charge left');
  await expect(page.getByText('Upper jaw shows a value in Doze')).toBeHidden();
  await pageTab(page, 'Cues').click();
  await page.getByRole('button', { name: 'Add a sign' }).click();
  await expect(page.getByLabel('Lies over every mood while')).toHaveValue(/.+/);
  // The remote can be lost: its key does nothing then.
  await hands(page).getByRole('button', { name: 'Lose the remote' }).click();
  await expect(hands(page).getByRole('button', { name: 'Remote 1' })).toBeDisabled();
  await hands(page).getByRole('button', { name: 'Find the remote again' }).click();
  await expect(hands(page).getByRole('button', { name: 'Remote 1' })).toBeEnabled();
  await kept(page);
});

test('a grid of tape is offered living cells, whose rule is the maker’s, on a slow machine too', async ({
  page,
  context,
}) => {
  // Each press is told long before what it comes to is shown.
  await slowWorkers(context, 400);
  await layTape(page, '200 mm');
  await goTo(page, 'lights');
  await page.getByLabel('Cut into rows, as a grid').click();
  await fill(page, 'Across', '6');
  await fill(page, 'Down', '5');
  await expect(page.getByRole('button', { name: '30', exact: true })).toBeVisible();
  await fill(page, 'Diffuser in front, at', '12 mm');
  await goTo(page, 'moods');
  await page.getByRole('button', { name: 'Take Reef' }).click();
  await page.getByRole('button', { name: 'Born with 3 neighbours' }).click();
  await page.getByRole('button', { name: 'Born with 2 neighbours' }).click();
  await expect(page.getByRole('button', { name: 'Born with 2 neighbours' })).toHaveAttribute('aria-pressed', 'true');
  await page.getByLabel('Edges meet').click();
  await kept(page);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Born with 3 neighbours' })).toHaveAttribute('aria-pressed', 'false');
});
