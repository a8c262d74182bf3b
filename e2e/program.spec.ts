import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { assess } from '@glimmer/core/assess';
import { startSimulated } from '@glimmer/core/bench';
import { unzipSync } from 'fflate';
import { copyDemo, drawn, expect, goTo, REEF, test } from './bench.ts';

test('the program is taken out, built, and runs with the plan’s mark', async ({ page }) => {
  const id = await copyDemo(page);
  await page.goto(`/plan/${id}/moods`);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Take out' }).click();
  await page.getByRole('menuitem', { name: 'The program for the controller, ZIP' }).click();
  const files = unzipSync(readFileSync(await (await download).path()));
  const folder = mkdtempSync(join(tmpdir(), 'glimmer-taken-out-'));
  for (const [name, bytes] of Object.entries(files)) {
    mkdirSync(join(folder, dirname(name)), { recursive: true });
    writeFileSync(join(folder, name), bytes);
  }
  const program = join(folder, Object.keys(files)[0]?.split('/')[0] ?? '');
  execFileSync('make', ['-s', 'host'], { cwd: program });
  const run = (lines: readonly string[]): string[] =>
    execFileSync(join(program, 'host'), { input: `${lines.join('\n')}\n`, encoding: 'utf8' })
      .trimEnd()
      .split('\n');
  const mark = /UG_FINGERPRINT "([0-9a-f]{8})"/.exec(readFileSync(join(program, 'show.h'), 'utf8'))?.[1];
  expect(run(['frame 0', 'close 0 100', 'frame 100']).slice(0, 1)).toEqual([`plan ${mark}, 200 bytes a frame`]);

  expect(readFileSync(join(program, 'LOADING.md'), 'utf8')).toMatch(/no frame draws more than 1.24 A/);

  // Every control touched, frame by frame, against the engine of the preview.
  const { plan } = await (await page.request.get(`/api/plans/${id}`)).json();
  const controller = startSimulated(plan.design, assess(plan.design), mark ?? '');
  const lines = Array.from({ length: 1000 }, (_, i) => {
    const atMs = i * 23;
    if (i % 200 === 40) return `close 0 ${atMs}`;
    if (i % 200 === 50) return `open 0 ${atMs}`;
    return i % 3 === 1 ? `code 1 ${i % 600 < 300 ? 30 : 4000} ${atMs}` : `frame ${atMs}`;
  });
  expect(run(lines).slice(1)).toEqual(lines.map(controller.answer));

  // And against the picture itself, which is held at the moment when the light has come up.
  await goTo(page, 'bench');
  const bytes = /the first ([0-9a-f]{2}) ([0-9a-f]{2}) ([0-9a-f]{2})/;
  const shown = bytes.exec(await page.getByText(bytes).first().innerText());
  const frame = run(['frame 512'])[1] ?? '';
  expect(frame.slice(0, 6)).toBe(shown?.slice(1).join(''));
  expect(readFileSync(join(program, 'LOADING.md'), 'utf8')).toContain(mark ?? 'no mark');
});

test('how it is worked is taken out as a page of text', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page, REEF)}/moods`);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Take out' }).click();
  await page.getByRole('menuitem', { name: 'How it is worked, a page of text' }).click();
  const text = readFileSync(await (await download).path(), 'utf8');
  expect(text).toContain('1. In any mood, when Lid is on, for as long as it is: Offering over 1.50 s');
  expect(text).toContain('SIGNS');
});

test('a mood made of the running moves, from the list to the ribbon', async ({ page }) => {
  await page.goto(`/plan/${await copyDemo(page)}/moods`);
  await goTo(page, 'moods');
  await page.getByLabel('Move of Upper jaw').selectOption('sweep');
  await page.getByLabel('Tail, lights').fill('12');
  await page.getByLabel('Tail, lights').press('Enter');
  await expect(page.getByLabel('Tail, lights')).toHaveValue('12');
  await page.getByLabel('Move of Lower jaw').selectOption('flicker');
  await page.getByLabel('Like').selectOption('ember');
  // A lure of one light can't show what runs.
  await page.getByLabel('Move of Lure').selectOption('fill');
  await expect(page.getByText('Lure is one channel: nothing can run along it in Doze')).toBeVisible();
  await page.getByRole('button', { name: 'Let it breathe' }).click();
  await expect(page.getByText('Lure is one channel')).toBeHidden();
  await page.getByLabel('Move of Eyes').selectOption('shots');
  await page.getByLabel('Dark').last().fill('50 ms');
  await page.getByLabel('Dark').last().press('Enter');
  await expect(page.getByText(/Eyes flashes \d\S* times a second in Doze/)).toBeVisible();
  await page.getByRole('button', { name: 'Slow it to two a second' }).click();
  await expect(page.getByText(/Eyes flashes/)).toBeHidden();
});

test('the current runs under the ribbons, and a mood that flashes once it is shown faster asks first', async ({
  page,
}) => {
  await page.goto(`/plan/${await copyDemo(page)}/moods`);
  // Two ways to one figure: the reckoning's loads give 322 mA at the height of Doze, the sum over
  // the frames of ten seconds, in which the lure and the jaws do not quite peak together, 320 mA.
  await expect(page.getByText(/mA, 322 mA/)).toBeVisible();
  await expect(page.getByRole('img', { name: /^Current over .* at most 320 mA/ })).toBeVisible();
  await page.getByLabel('Move of Eyes').selectOption('shots');
  await page.getByLabel('Dark').last().fill('900 ms');
  await page.getByLabel('Dark').last().press('Enter');
  await page.getByRole('button', { name: 'Run the moods' }).click();
  await expect(page.getByText('running: Doze')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'This mood flashes fast' })).toBeHidden();
  await page.getByLabel('Speed of the moods').selectOption('4');
  await expect(page.getByRole('heading', { name: 'This mood flashes fast' })).toBeVisible();
  await page.getByRole('button', { name: 'Hold it' }).click();
  await expect(page.getByText('held: Doze')).toBeVisible();
  const before = await drawn(page);
  // Ten steps are 400 ms: the breath and the shots have moved on, and it is still held.
  for (let i = 0; i < 10; i += 1) await page.getByRole('button', { name: 'Step' }).click();
  await expect.poll(() => drawn(page)).not.toBe(before);
  await expect(page.getByText('held: Doze')).toBeVisible();
  await page.getByLabel('Speed of the moods').selectOption('0.5');
  await page.getByRole('button', { name: 'Run the moods' }).click();
  await expect(page.getByText('running: Doze')).toBeVisible();
  await goTo(page, 'lights');
  await expect(page.getByLabel('Speed of the moods')).toHaveValue('0.5');
});
