import {
  beginPlan,
  clickPicture,
  copyDemo,
  drawn,
  expect,
  fill,
  goTo,
  kept,
  type Page,
  takePart,
  test,
} from './bench.ts';

async function layTape(page: Page, y: number): Promise<void> {
  await page.getByRole('button', { name: 'Add a tape' }).click();
  await clickPicture(page, 0.2, y);
  await clickPicture(page, 0.8, y);
  await page.getByRole('button', { name: 'Done' }).click();
}

/** A fresh plan on an outside supply. */
async function beginFed(page: Page, volts: string): Promise<void> {
  await beginPlan(page);
  await goTo(page, 'power');
  await page.getByRole('button', { name: 'Outside supply' }).click();
  await fill(page, 'Its voltage', volts);
}

/** The same at 5 V with a controller, on the sheet of lights. */
async function beginDriven(page: Page): Promise<void> {
  await beginFed(page, '5 V');
  await goTo(page, 'drive');
  await page.getByRole('button', { name: 'Controller', exact: true }).click();
  await goTo(page, 'lights');
}

/** A fresh plan on an outside supply, with a group of single lights that has no place yet. */
async function beginLights(page: Page, volts: string): Promise<void> {
  await beginFed(page, volts);
  await goTo(page, 'lights');
  await page.getByRole('button', { name: 'Add single lights' }).click();
  await page.keyboard.press('Escape');
}

test('a tape by its numbers: count, gap, neighbours, sum; by a route of figures; one fed by another', async ({
  page,
}) => {
  await beginPlan(page);
  await goTo(page, 'lights');
  await layTape(page, 0.4);
  await takePart(page, 'Kind of tape', '74/m, 8 mm');
  await fill(page, 'Length of the route', '583 mm');
  // 43 lights, 581.1 mm, 1.9 mm left; 44 would be 594.6 mm.
  await expect(page.getByText('581 mm, 1.92 mm')).toBeVisible();
  await expect(page.getByText(/42 \(568 mm\), 44 \(595 mm\)/)).toBeVisible();
  await page.getByRole('button', { name: '43', exact: true }).click();
  await expect(page.getByText('= floor(583 mm · 74.00/m / 1) · 1 = 43')).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();

  // Emptied, the length is measured on the picture again: by figures 300 and 400 at a right angle make 500.
  await page.getByText(/route’s points as numbers/).click();
  await fill(page, 'Point 1 across', '0');
  await fill(page, 'Point 1 down', '0');
  await fill(page, 'Point 2 across', '300');
  await fill(page, 'Point 2 down', '400');
  // The maker's own length is marked as such.
  await fill(page, 'Length of the route yours', '');
  await expect(page.getByLabel('Length of the route')).toHaveValue('500 mm');
  await expect(page.getByRole('button', { name: '37', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Add a point' }).click();
  await expect(page.getByLabel('Length of the route')).toHaveValue('550 mm');
  await page.getByRole('button', { name: 'Remove point 3' }).click();
  await expect(page.getByLabel('Length of the route')).toHaveValue('500 mm');

  // A second tape behind the first one; the first can't then be fed by the second: it would go round in a circle.
  await layTape(page, 0.7);
  await page.getByLabel('Data comes from').last().selectOption('the end of Tape 1');
  await expect(page.getByLabel('Data comes from')).toHaveCount(1);
  await page.getByRole('button', { name: 'Remove Tape 1' }).click();
  await expect(page.getByLabel('Data comes from')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(page.getByLabel('Data comes from').locator('option:checked')).toHaveText('the end of Tape 1');
  await kept(page);
});

test('a tape’s own reading is marked as the maker’s, and given back', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/lights`);
  const die = page.getByLabel(/^Current of one die at full/).first();
  await expect(die).toHaveValue('12 mA');
  await die.fill('10.5 mA');
  await die.press('Enter');
  await expect(page.getByText(/^guess, ± 2.1/).first()).toBeVisible();
  await expect(page.getByLabel('Current of one die at full yours', { exact: true })).toHaveValue('10.5 mA');
  await page.getByLabel('Current of one die at full yours', { exact: true }).fill('');
  await page.getByLabel('Current of one die at full yours', { exact: true }).press('Enter');
  await expect(die).toHaveValue('12 mA');
  await die.fill('10.5 V');
  await die.press('Enter');
  await expect(page.getByRole('alert')).toContainText(/unit of a voltage|is not a current/);
});

test('single lights by figures: places, channels, what goes in, and the one that is taken off', async ({ page }) => {
  await beginPlan(page);
  await page.getByRole('button', { name: 'Add a bore' }).click();
  await goTo(page, 'lights');
  await page.getByRole('button', { name: 'Add single lights' }).click();
  await page.keyboard.press('Escape');
  for (let i = 0; i < 3; i += 1) await page.getByRole('button', { name: 'Add one in the middle' }).click();
  await fill(page, 'Lights 1 2, across', '75');
  await fill(page, 'Lights 1 2, down', '30 mm');
  await expect(page.getByRole('button', { name: /^Lights 1 2, at 75.0 mm, 30.0 mm/ })).toBeVisible();
  // 5.8 mm over the flange with two walls of 0.45 mm makes 6.7 mm, and a bore of 7.1 mm.
  await expect(page.getByText(/finished ⌀ 6.70 mm, bore at least 7.10 mm/)).toBeVisible();
  await page.getByLabel('Legs in shrink sleeve').click();
  await expect(page.getByText(/finished ⌀ 5.80 mm, bore at least 6.20 mm/)).toBeVisible();
  await page.getByLabel('Bore of Lights 1 1').selectOption('Bore 1');
  await expect(page.getByText(/does not go into Bore 1: 5.80 mm finished/)).toBeVisible();
  await fill(page, 'Channels, lit by turns', '2');
  await page.getByRole('button', { name: 'Remove Lights 1 3' }).click();
  await expect(page.getByRole('button', { name: /^Lights 1 3, at/ })).toBeHidden();
  await page.getByLabel('Name of the single lights').fill('Teeth');
  await page.getByLabel('Name of the single lights').press('Enter');
  await expect(page.getByRole('button', { name: /^Teeth 2, at 75.0 mm/ })).toBeVisible();
  await kept(page);
  await page.reload();
  await expect(page.getByLabel('Teeth 2, down')).toHaveValue('30 mm');
});

test('a ring of single lights laid out by figures, strung on a supply, and what is said of it; one step back each', async ({
  page,
}) => {
  await beginLights(page, '12 V');
  await takePart(page, 'Kind of light', 'Light, 5 mm, amber');
  await fill(page, 'Wanted current, each', '8 mA');
  await page.getByText('Lay out a ring, a row or a grid').click();
  await fill(page, 'How many', '12');
  await fill(page, 'Radius', '60 mm');
  // 2 · 60 mm · sin 15° = 31.1 mm.
  await expect(page.getByText('31.1 mm from one to the next, middle to middle')).toBeVisible();
  await page.getByRole('button', { name: 'Lay 12 lights' }).click();
  await expect(page.getByLabel('Lights 1 12, across')).toBeVisible();
  // Straight up: the middle of the view, 60 mm above it.
  await expect(page.getByLabel('Lights 1 1, down')).toHaveValue('80 mm');

  await page.locator('summary', { hasText: 'How many in a string?' }).click();
  const three = page.getByRole('row').filter({ has: page.getByRole('button', { name: 'Take 3 in a string' }) });
  // (12 V − 3 · 1.93 V) / 8 mA = 775 Ω, so 820 Ω.
  await expect(three).toContainText('820 Ω');
  await three.getByRole('button').click();
  await expect(page.getByLabel('Lights one behind the other')).toHaveValue('3');
  await goTo(page, 'wires');
  await expect(page.getByRole('row', { name: /^Resistor 820/ })).toContainText('4');
  await goTo(page, 'lights');

  // Five in a string make no whole ones of twelve: named, and mended by a click.
  await fill(page, 'Lights one behind the other', '5');
  await expect(page.getByText(/12 lights do not make whole strings of 5/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Each by itself' }).click();
  await expect(page.getByLabel('Lights one behind the other')).toHaveValue('');
  for (const rubbish of ['-3', '0', 'many', '1e9']) {
    await fill(page, 'Lights one behind the other', rubbish);
    await expect(page.getByRole('alert').first()).toBeVisible();
    await page.getByLabel('Lights one behind the other').press('Escape');
  }

  await page.getByText('Move, turn, mirror or copy all of them').click();
  await page.getByRole('button', { name: 'Copy beside' }).click();
  await expect(page.getByLabel('Lights 1, copy 12, across')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Lights 1, copy 12, across')).toHaveCount(0);
  await page.getByRole('button', { name: 'Move', exact: true }).click();
  await expect(page.getByLabel('Lights 1 1, across')).toHaveValue('220 mm');
});

test('many-coloured, ready-wired and invisible lights: what each says of itself, and what is mended by a click', async ({
  page,
}) => {
  await beginLights(page, '5 V');
  await page.getByRole('button', { name: 'Add one in the middle' }).click();
  await takePart(page, 'Kind of light', 'Light, 5 mm, three colours, common plus');
  await goTo(page, 'drive');
  await fill(page, 'Resistor, each green die', '470 Ω');
  await fill(page, 'Resistor, each blue die', '390 Ω');
  await expect(page.getByLabel(/^Resistor, each green die/)).toHaveValue('470 Ω');
  await fill(page, /^Resistor, each green die/, '');
  await fill(page, /^Resistor, each blue die/, '');
  await expect(page.getByLabel(/^Resistor, each green die/)).toHaveValue('220 Ω');
  await goTo(page, 'lights');
  await page.getByText('Why a resistor for each colour?').click();
  // 330 Ω for the red die; with all three lit behind it green and blue get nothing.
  await expect(page.getByRole('row', { name: /^red 330 Ω/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /^green 220 Ω.* nA$/ })).toBeVisible();
  await goTo(page, 'wires');
  await expect(page.getByRole('row', { name: /^Resistor 220 Ω/ })).toContainText('2');
  await goTo(page, 'lights');

  await takePart(page, 'Kind of light', 'Ready-wired, resistor inside, 12 V, white, 5 mm');
  await expect(page.getByLabel('Wanted current, each')).toHaveCount(0);
  await goTo(page, 'drive');
  await expect(page.getByText(/is made for 12.0 V and gets 5.00 V/).first()).toBeVisible();
  await goTo(page, 'lights');

  await takePart(page, 'Kind of light', 'Light, 5 mm, ultraviolet, 365 nm');
  await expect(page.getByText(/Nothing that is seen tells when Lights 1 is on/).first()).toBeVisible();
  await page.getByText('What does it give at a distance?').click();
  await expect(page.getByText(/365 nm/).last()).toBeVisible();
  await fill(page, 'Distance on its axis', '30 mm');
  await expect(page.getByText(/on each square centimetre there: 1.00 J\/cm² after/)).toBeVisible();
  await page.getByRole('button', { name: 'Add a green light beside it' }).first().click();
  await expect(page.getByLabel('Name of the single lights').nth(1)).toHaveValue('Lights 1, sign');
  await expect(page.getByText(/Nothing that is seen tells/)).toHaveCount(0);
});

test('what could light this: what can’t says why, what can is ranked, and taking one puts it into the plan', async ({
  page,
}) => {
  await beginPlan(page);
  await goTo(page, 'lights');
  await page.locator('summary', { hasText: 'What could light this?' }).click();
  const choice = page
    .locator('details')
    .filter({ has: page.locator('summary', { hasText: 'What could light this?' }) });
  await fill(page, 'Points', '210');
  await choice.getByLabel('What moves').selectOption('each by itself');
  await choice.getByLabel('Its colour').selectOption('any colour');
  await fill(page, 'Current that there is', '500 mA');
  const pixels = choice.getByRole('row', { name: /^Pixel tape, 5 V/ });
  // 210 · (3 · 12 mA + 0.8 mA), and (0.5 A − 0.168 A) of the 7.56 A that are left for white.
  await expect(pixels).toContainText('7.73 A');
  await expect(pixels).toContainText('white goes up to 4.39 %');
  await expect(choice.getByText(/^Plain tape.*no run and no light by itself/).first()).toBeVisible();
  await expect(choice.getByRole('row')).toHaveCount(2);
  for (const rubbish of ['0', '-4', 'none']) {
    await fill(page, 'Points', rubbish);
    await expect(choice.getByRole('alert')).toBeVisible();
    await choice.getByLabel('Points', { exact: true }).press('Escape');
  }
  await pixels.getByRole('button').click();
  await expect(page.getByRole('button', { name: '210', exact: true })).toBeVisible();
  await expect(page.getByLabel('Name of the pixel tape')).toHaveValue('Tape 1');
  // A ring off the shelf lies about the first point of its route.
  await takePart(page, 'Kind of tape', 'Pixel ring, 24 pixels, ⌀ 66 mm');
  await expect(page.getByRole('button', { name: '24', exact: true })).toBeVisible();
  await expect(page.getByLabel('Length of the route')).toHaveCount(0);
  await goTo(page, 'wires');
  await expect(page.getByRole('row', { name: /^Pixel ring, 24 pixels/ })).toBeVisible();
});

test('a power star: its heatsink, its warmth, and the glue that softens', async ({ page }) => {
  await beginLights(page, '5 V');
  await page.getByRole('button', { name: 'Add one in the middle' }).click();
  await expect(page.getByLabel('Mass of the heatsink')).toHaveCount(0);
  await takePart(page, 'Kind of light', 'Power star, white, 0.35 A');
  await fill(page, 'Wanted current, each', '300 mA');
  // Usual for a star; of any other light it would be asked about.
  await expect(page.getByText('Did you mean')).toHaveCount(0);
  await page.getByLabel('Held by, or beside').selectOption('hot-melt glue');
  // 18 °C + 0.66 W · 45 K/W = 47.8 °C holds; the air of a closed hollow adds 6.6 K.
  await fill(page, 'Closed hollow, to the room', '10 K/W');
  await expect(page.getByText(/hot-melt glue softens at 60/).first()).toBeVisible();
  await fill(page, 'Its heatsink, to the air', '8 K/W');
  await expect(page.getByText(/hot-melt glue softens at 60/)).toHaveCount(0);
  for (const rubbish of ['-2 K/W', '0', 'cold']) {
    await fill(page, 'Its heatsink, to the air', rubbish);
    await expect(page.getByRole('alert').first()).toBeVisible();
    await page.getByLabel('Its heatsink, to the air').press('Escape');
  }
  await goTo(page, 'power');
  await expect(page.getByRole('heading', { name: 'What gets warm' })).toBeVisible();
  await expect(page.getByRole('row', { name: /^Lights 1 .*120 °C$/ })).toBeVisible();
  await page.getByRole('radio', { name: '1 min', exact: true }).click();
  await expect(page.getByRole('radio', { name: '1 min', exact: true })).toBeChecked();
  await goTo(page, 'wires');
  await expect(page.getByRole('row', { name: /^Heatsink, 8.00 K\/W or less/ })).toBeVisible();
});

test('a tape grown up: cut at its corners, fed again where it fades, in its own colour order, with a spare pixel first', async ({
  page,
}) => {
  await beginDriven(page);
  await page.getByRole('button', { name: 'Add a tape' }).click();
  for (const [x, y] of [
    [0.2, 0.3],
    [0.8, 0.3],
    [0.8, 0.7],
  ] as const)
    await clickPicture(page, x, y);
  await page.getByRole('button', { name: 'Done' }).click();

  // Laid round its corner in one piece it is asked about; the finding's own button cuts it.
  await page.getByRole('button', { name: /things? to know/ }).click();
  await expect(page.getByText('Tape 1 goes round a corner in one piece')).toBeVisible();
  await page.getByRole('button', { name: 'Cut it at its corners' }).click();
  await expect(page.getByText('Tape 1 goes round a corner in one piece')).toHaveCount(0);
  await expect(page.getByLabel('Cut at each corner, and joined again')).toBeChecked();
  await expect(page.getByText(/^pieces of \d+, \d+ lights$/)).toBeVisible();

  // Twelve metres of 30 a metre fade at their end: the fewest feeds that are enough are found at a click.
  await takePart(page, 'Kind of tape', '30/m, 10 mm');
  await fill(page, 'Length of the route', '12 m');
  await page.getByRole('button', { name: 'Find the fewest feeds that are enough' }).click();
  await expect(
    page.getByText(/^Feed it at (one place|\d+ places) beside its start: every light has what it wants\.$/),
  ).toBeVisible();
  const feeds = page.getByLabel(/^Feed \d+ at the pads before light/);
  await expect(feeds.first()).toBeVisible();
  const found = await feeds.count();
  await expect(page.getByRole('button', { name: 'Find the fewest feeds that are enough' })).toHaveCount(0);
  // Each has its run of wire.
  await goTo(page, 'wires');
  await expect(page.getByText(/^Feed of Tape 1, before light/)).toHaveCount(found);

  // What the colour test showed says the order: green where red was meant, and red where green was.
  await goTo(page, 'lights');
  await page.getByLabel('Colours seen in the test').selectOption('green, red, blue');
  await expect(page.getByLabel('Takes its colours in the order').locator('option:checked')).toHaveText(
    'red, green, blue',
  );
  await expect(page.getByText('The program takes it for red, green, blue.')).toBeVisible();

  // Only the first lights, and a spare one before them.
  await fill(page, 'Use only the first', '25');
  await page.getByLabel('A spare pixel before the first').selectOption('behind a diode: takes a lower data level too');
  await goTo(page, 'wires');
  await expect(page.getByText('Diode, silicon, 1 A')).toBeVisible();
  // What is bought has a step that says where it goes.
  await goTo(page, 'bench');
  await expect(page.getByText('Small parts at Tape 1').filter({ visible: true }).first()).toBeVisible();
  await kept(page);
});

test('light guides: holes on the picture, a bundle over a pixel, too near and mended; its ends show the light', async ({
  page,
}) => {
  await beginDriven(page);
  // Nothing to begin over yet: it says what to do.
  await page.getByRole('button', { name: 'Add light guides' }).click();
  for (let i = 0; i < 9; i += 1) await clickPicture(page, 0.15 + 0.08 * i, 0.3);
  await page.getByRole('button', { name: 'Done' }).click();
  const card = page.getByRole('article', { name: 'Light guides: Guides 1' });
  await expect(card.getByText('Add a light first: guides begin over one.')).toBeVisible();
  await layTape(page, 0.8);
  await card.getByRole('button', { name: 'Say which light they begin over' }).click();
  // Nine circles lie in one of 3.613 times their width: 2.71 mm, and a tenth of play.
  await expect(card.getByText('⌀ 2.71 mm, 2.81 mm')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Guides 1, hole 9' })).toBeVisible();

  // Thirty in each hole and no gap: the spot of a pixel lights the middle alone. The gap is set by a click.
  await fill(page, 'Guides in each hole', '30');
  await fill(page, 'Gap from light to guide', '0 mm');
  await expect(page.getByText(/The light is so near to Guides 1 that/)).toBeVisible();
  await page.getByRole('button', { name: /^Set the gap to/ }).click();
  await expect(page.getByText(/The light is so near to Guides 1 that/)).toHaveCount(0);
  await card.getByRole('button', { name: /^⌀/ }).click();
  await expect(page.getByRole('dialog').getByText('meets a fibre, not the room between')).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();

  // Rubbish in its fields is refused, and what stood there stands.
  await card.getByLabel('Gap from light to guide').fill('wide');
  await card.getByLabel('Gap from light to guide').press('Enter');
  await expect(card.getByRole('alert')).toBeVisible();

  // Ninety holes are not clicked one by one: a row of them is laid out, with what is known of it before a hole is drilled.
  await card.getByText('Lay out a ring, a row or a grid').click();
  await card.getByLabel('Shape').selectOption('a row');
  await fill(page, 'How many', '90');
  await fill(page, 'From, across', '20 mm');
  await fill(page, 'To, across', '376 mm');
  // 356 mm in 89 steps.
  await expect(card.getByText('4.00 mm from one to the next, middle to middle')).toBeVisible();
  await card.getByRole('button', { name: 'Lay 90 holes' }).click();
  await expect(page.getByRole('button', { name: 'Guides 1, hole 90' })).toBeVisible();

  // Seen where the guides end: with the first pixel red the row of holes is lit.
  await goTo(page, 'moods');
  const dark = await drawn(page);
  await page.getByRole('button', { name: 'Add a mood' }).click();
  await page.keyboard.press('l');
  await expect.poll(() => drawn(page)).not.toBe(dark);
  await goTo(page, 'bench');
  await expect(page.getByText('Cut and gather Guides 1').filter({ visible: true }).first()).toBeVisible();
  await kept(page);
});

test('the helmet lamp closed in its housing: the walls’ resistance follows from the box, and may be typed over', async ({
  page,
}) => {
  await page.goto(`/plan/${await copyDemo(page, '6f1d0c52-3b6e-4f0a-9a51-2c7d5b1e7b07')}/lights`);
  const card = page.getByRole('article', { name: 'Single lights: Helmet lamp' });
  const walls = card.getByLabel(/^Closed hollow, to the room/);
  await card.getByLabel('Closed in').selectOption('Lamp housing');
  // 64 × 44 × 50 mm: 164 cm² of wall in still air.
  await expect(walls).toHaveValue('12.2 K/W');
  await walls.fill('9 K/W');
  await walls.press('Enter');
  await expect(walls).toHaveValue('9 K/W');
  // Emptied, the walls of the box say it again.
  await walls.fill('');
  await walls.press('Enter');
  await expect(walls).toHaveValue('12.2 K/W');
  await card.getByLabel('Closed in').selectOption('nothing: it stands in the open');
  await expect(walls).toHaveValue('');
  await kept(page);
});

test('a scanned grid: laid out in rows, its figures, what glows and its mend, its pins, wires and steps; then pins that it shares', async ({
  page,
}) => {
  await beginDriven(page);
  await page.getByRole('button', { name: 'Add single lights' }).click();
  await page.keyboard.press('Escape');
  await page.getByText('Lay out a ring, a row or a grid').click();
  await page.getByLabel('Shape').selectOption('grid');
  await fill(page, 'In a row', '4');
  await fill(page, 'Rows', '4');
  await page.getByRole('button', { name: 'Lay 16 lights' }).click();
  const card = page.getByRole('article', { name: /^Single lights: Lights/ });
  await takePart(card, 'Kind of light', 'Light, 5 mm, amber');
  await card.getByLabel('Switched by', { exact: true }).selectOption('a scanned grid: its rows lit in turn');
  // As square as its lights make one; what a grid does not know is not asked.
  await expect(card.getByLabel('Switched by: rows')).toHaveValue('4');
  await expect(card.getByLabel('Channels, lit by turns')).toHaveCount(0);
  await expect(card.getByLabel('Wired', { exact: true })).toHaveCount(0);
  await expect(card.getByLabel('A diode behind each light')).toBeVisible();

  await goTo(page, 'drive');
  await expect(page.getByText('4 × 4, 8 wires')).toBeVisible();
  await expect(page.getByText('Each is on for one turn of 4; in the mean')).toBeVisible();
  await expect(page.getByText('The transistor of a row carries, all of it lit')).toBeVisible();
  // Half microseconds: 255 · 15 + 40 a turn, four turns: 129 pictures a second.
  await expect(page.getByText('129 Hz')).toBeVisible();
  await page.getByRole('button', { name: /mA \(/ }).click();
  await expect(page.getByText(/^= .* · .* \/ 4 = /)).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('row', { name: /Lights 1, row 1/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /Lights 1, column 4/ })).toBeVisible();

  // Rubbish is asked about, and nothing is lost.
  await page.getByLabel('Switched by: rows').fill('none');
  await page.getByLabel('Switched by: rows').press('Enter');
  await expect(page.getByRole('alert').first()).toBeVisible();
  await fill(page, 'Switched by: rows', '0');
  await expect(page.getByRole('alert').first()).toBeVisible();
  await fill(page, 'Switched by: rows', '4');

  // A chip of 3.3 V beside rows of 5 V: columns at pins are held too low, and amber glows.
  await takePart(page, 'Controller', '3.3 V radio controller, 16 pins');
  await page
    .getByLabel('Switched by: columns end at')
    .selectOption('a pin each: dark ones are held at the chip’s supply');
  await expect(page.getByText(/Lights 1 glows where it should be dark/).first()).toBeVisible();
  await page.getByText(/^What glows at 1\.\d+ V that should be dark\?$/).click();
  await expect(page.getByRole('row', { name: /5 mm, amber .* seen/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /5 mm, blue next to nothing dark/ })).toBeVisible();
  await page.getByRole('button', { name: 'Columns on transistors' }).first().click();
  await expect(page.getByText(/Lights 1 glows where it should be dark/)).toHaveCount(0);
  await expect(page.getByLabel(/^Switched by: columns end at/).locator('option:checked')).toHaveText(
    /^a transistor each/,
  );

  await goTo(page, 'wires');
  await expect(page.getByText('Lights 1, row 4', { exact: true })).toBeVisible();
  await expect(page.getByText('Lights 1, column 4', { exact: true })).toBeVisible();
  await goTo(page, 'bench');
  await expect(page.getByText('Join the rows of Lights 1').first()).toBeAttached();

  // Three pins would bear six lights; sixteen want five.
  await goTo(page, 'drive');
  await page
    .getByLabel('Switched by yours', { exact: true })
    .selectOption('between pins that they share, one light after another');
  await expect(page.getByText('Wires that they share')).toBeVisible();
  await expect(page.getByText('Resistor, each shared pin')).toBeVisible();
  await expect(page.getByRole('row', { name: /Lights 1, shared pin 5/ })).toBeVisible();
  await kept(page);
});

test('a scan driver: found among the parts, told over three wires, its columns held too far below its supply', async ({
  page,
}) => {
  await beginDriven(page);
  await page.getByRole('button', { name: 'Add single lights' }).click();
  await page.keyboard.press('Escape');
  await page.getByText('Lay out a ring, a row or a grid').click();
  await page.getByLabel('Shape').selectOption('grid');
  await page.getByRole('button', { name: 'Lay 12 lights' }).click();
  await goTo(page, 'drive');
  await page.getByRole('button', { name: 'Scan driver', exact: true }).click();
  await page
    .getByLabel(/^Switched by/)
    .first()
    .selectOption('a scan driver: it lights its rows in turn by itself');
  await expect(page.getByLabel('Switched by: which').locator('option:checked')).toHaveText(/^Scan driver/);
  for (const what of ['data', 'clock', 'latch'])
    await expect(page.getByRole('row', { name: new RegExp(`Scan driver.*, ${what}`) })).toBeVisible();
  await expect(page.getByText('800 Hz')).toBeVisible();
  await page.getByLabel(/^Switched by: rows/).fill('12');
  await page.getByLabel(/^Switched by: rows/).press('Enter');
  await expect(page.getByText(/has 12 rows of 1; its driver has lines for 8 rows of 8/).first()).toBeVisible();
  await kept(page);
});

test('a long plain tape fades, and is fed again where that helps most; each feed says what it brings', async ({
  page,
}) => {
  await beginFed(page, '12 V');
  await goTo(page, 'lights');
  await page.getByRole('button', { name: 'Add plain tape' }).click();
  await clickPicture(page, 0.1, 0.5);
  await clickPicture(page, 0.9, 0.5);
  await page.getByRole('button', { name: 'Done' }).click();
  const card = page.getByRole('article', { name: /^Plain tape: / });
  await fill(page, 'Length of the route', '5000 mm');
  await expect(card.getByText(/^7\d\.?\d* % of its brightest \(light 298\)$/)).toBeVisible();
  await expect(page.getByText(/Plain tape 1 fades: its far end gets/).first()).toBeVisible();
  await card.getByRole('button', { name: 'Find the fewest feeds that are enough' }).click();
  await expect(card.getByText(/Feed it at one place beside its start: every light has what it wants/)).toBeVisible();
  await expect(card.getByLabel('Feed 2 at the pads before light')).toHaveValue('201');
  await expect(card.getByText(/lights before its end; brings .*A/)).toBeVisible();
  await expect(page.getByText(/Plain tape 1 fades/)).toHaveCount(0);
  await goTo(page, 'wires');
  await expect(page.getByText('Feed of Plain tape 1, before light 199', { exact: true })).toBeVisible();
  await goTo(page, 'lights');
  await card.getByRole('button', { name: 'Remove feed 2' }).click();
  await expect(card.getByLabel('Feed 2 at the pads before light')).toHaveCount(0);
  await card.getByRole('button', { name: /at its far end too$/ }).click();
  await expect(card.getByText(/^its far end; brings/)).toBeVisible();
  await kept(page);
});
