// What a hand feels in Chromium: from a key to the next paint, and how long the page's own thread is busy at a stretch.
// node --import tsx scripts/benchFelt.ts [PLAN] [STAGE]: all demo plans and stages, or those whose names begin so. It says how
// that is against the last kept run of all, as ratios of what this machine takes for a loop; with --keep this run is kept.
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { chromium, type Locator, type Page } from '@playwright/test';
import { browser as debian } from './browser.mjs';
import { placeCluster, removeCluster, startCluster } from './postgres.mjs';
import { root, startServer } from './server.mjs';

const isKept = process.argv.includes('--keep');
const [wantedPlan = '', wantedStage = ''] = process.argv.slice(2).filter((word) => word !== '--keep');
const keptFile = join(root, 'scripts/feltKept.json');

/** A run as it is kept: what the loop took, in seconds, and what was felt, in milliseconds. */
interface Kept {
  readonly loopS: number;
  readonly paintP50Ms: number;
  readonly paintP98Ms: number;
  readonly longestTaskMs: number;
}
const stages = ['piece', 'lights', 'moods', 'drive', 'power', 'wires', 'bench', 'logbook'] as const;
/** So many controls of a sort are tried in each stage. */
const MOST_OF_A_SORT = 5;
/** A task longer than this is felt. */
const LONG_MS = 50;

interface Felt {
  readonly plan: string;
  readonly stage: string;
  readonly what: string;
  readonly paintMs: number;
  readonly taskMs: number;
}

/** Lets the page tell of its long tasks, and of how long each event took until it was painted. */
async function listen(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const noted = { tasks: [] as number[], paints: [] as number[] };
    Object.assign(window, { noted });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) noted.tasks.push(entry.duration);
    }).observe({ type: 'longtask', buffered: true });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) noted.paints.push(entry.duration);
    }).observe({ type: 'event', durationThreshold: 16, buffered: true } as PerformanceObserverInit);
  });
}

type Noted = { readonly tasks: number[]; readonly paints: number[] };

/** Does one thing, waits until the page rests, and gives what was noted meanwhile. */
async function feel(page: Page, act: () => Promise<void>): Promise<{ paintMs: number; taskMs: number }> {
  await page.evaluate(() => {
    const { noted } = window as unknown as { noted: Noted };
    noted.tasks.length = 0;
    noted.paints.length = 0;
  });
  await act();
  await page.waitForTimeout(350);
  return page.evaluate(() => {
    const { noted } = window as unknown as { noted: Noted };
    return { paintMs: Math.max(0, ...noted.paints), taskMs: Math.max(0, ...noted.tasks) };
  });
}

const visible = async (all: Locator): Promise<Locator[]> => {
  const found: Locator[] = [];
  for (const each of await all.all()) {
    if (found.length >= MOST_OF_A_SORT) break;
    if ((await each.isVisible()) && (await each.isEnabled())) found.push(each);
  }
  return found;
};

/** The label of a control, for the table. */
const nameOf = (control: Locator): Promise<string> =>
  control.evaluate((element) => {
    const { labels, ariaLabel } = element as HTMLInputElement;
    return (ariaLabel ?? labels?.[0]?.textContent ?? element.tagName).trim().slice(0, 40);
  });

/** One more of the last digit of what stands there. */
const nudged = (text: string): string | null => {
  const digits = /\d+(?:\.\d+)?/.exec(text)?.[0];
  return digits === undefined ? null : text.replace(digits, String(Number(digits) + (digits.includes('.') ? 0.1 : 1)));
};

async function tryFields(page: Page, note: (what: string, felt: { paintMs: number; taskMs: number }) => void) {
  const sheet = page.locator('main[data-stage]');
  for (const field of await visible(sheet.locator('input[type="text"].figures'))) {
    const [name, before] = [await nameOf(field), await field.inputValue()];
    const next = nudged(before);
    if (next === null) continue;
    await field.fill(next);
    await field.focus();
    note(`field ${name}`, await feel(page, () => page.keyboard.press('Enter')));
    await field.blur();
    note(`undo ${name}`, await feel(page, () => page.keyboard.press('Control+z')));
  }
  for (const slider of await visible(sheet.locator('input[type="range"]'))) {
    const name = await nameOf(slider);
    await slider.focus();
    for (const key of ['ArrowRight', 'ArrowLeft'])
      note(`slider ${name}`, await feel(page, () => page.keyboard.press(key)));
  }
  for (const choice of await visible(sheet.locator('select'))) {
    const name = await nameOf(choice);
    const [before, options] = [await choice.inputValue(), await choice.locator('option:enabled').count()];
    if (options < 2) continue;
    const values = await choice
      .locator('option:enabled')
      .evaluateAll((all) => all.map((each) => (each as HTMLOptionElement).value));
    const other = values.find((value) => value !== before && value !== '');
    if (other === undefined) continue;
    note(`choice ${name}`, await feel(page, async () => void (await choice.selectOption(other))));
    if (await choice.isVisible()) note(`undo ${name}`, await feel(page, () => page.keyboard.press('Control+z')));
  }
}

const quantile = (values: readonly number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.ceil(values.length * share) - 1)] ?? 0;

/** How fast this machine is just now: the same loop takes 1.0 s on a quiet one. */
function howBusy(): number {
  const from = performance.now();
  let sum = 0;
  for (let i = 0; i < 1e9; i += 1) sum += i;
  return sum > 0 ? (performance.now() - from) / 1000 : 0;
}

const folder = placeCluster(join(root, '.glimmer', `felt-${process.pid}`));
const cluster = await startCluster({ folder, careless: true });
const server = await startServer({ databaseUrl: cluster.url, port: 0, demo: true });
const browser = await chromium.launch(debian.launch);
const all: Felt[] = [];
try {
  const loopS = howBusy();
  console.log(`this machine: the loop takes ${loopS.toFixed(2)} s (1.0 when it is quiet)`);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
  await listen(page);
  const { plans } = await (await page.request.get(`${server.address}/api/plans`)).json();
  for (const { id, name } of plans as { id: string; name: string }[]) {
    if (!name.toLowerCase().startsWith(wantedPlan.toLowerCase())) continue;
    const kept = await (await page.request.get(`${server.address}/api/plans/${id}`)).json();
    for (const stage of stages) {
      if (!stage.startsWith(wantedStage)) continue;
      await page.goto(`${server.address}/plan/${id}/${stage}`);
      await page.locator(`main[data-stage="${stage}"] h2`).first().waitFor();
      await page.waitForTimeout(1200);
      const here: Felt[] = [];
      const note = (what: string, felt: { paintMs: number; taskMs: number }): void => {
        here.push({ plan: name, stage, what, ...felt });
      };
      await tryFields(page, note);
      const next = stages[(stages.indexOf(stage) + 1) % stages.length] ?? 'piece';
      note(`to ${next}`, await feel(page, () => page.keyboard.press(String(stages.indexOf(next) + 1))));
      all.push(...here);
      const tasks = here.map(({ taskMs }) => taskMs);
      const worst = here.reduce((most, each) => (each.taskMs > most.taskMs ? each : most));
      console.log(
        `${name.padEnd(26)} ${stage.padEnd(8)} ${String(here.length).padStart(3)} edits, ${String(tasks.filter((ms) => ms > LONG_MS).length).padStart(3)} with a task over ${LONG_MS} ms, longest ${worst.taskMs.toFixed(0)} ms (${worst.what}); to paint p50 ${quantile(
          here.map((each) => each.paintMs),
          0.5,
        )} ms, p98 ${quantile(
          here.map((each) => each.paintMs),
          0.98,
        )} ms`,
      );
    }
    await page.request.put(`${server.address}/api/plans/${id}`, {
      data: kept.plan,
      headers: {
        'If-Match': `"${(await (await page.request.get(`${server.address}/api/plans/${id}`)).json()).revision}"`,
      },
    });
  }
  const paints = all.map((each) => each.paintMs);
  console.log(
    `all: ${all.length} edits, ${all.filter(({ taskMs }) => taskMs > LONG_MS).length} with a task over ${LONG_MS} ms; to paint p50 ${quantile(paints, 0.5)} ms, p98 ${quantile(paints, 0.98)} ms`,
  );
  const now: Kept = {
    loopS,
    paintP50Ms: quantile(paints, 0.5),
    paintP98Ms: quantile(paints, 0.98),
    longestTaskMs: Math.round(Math.max(0, ...all.map((each) => each.taskMs))),
  };
  if (existsSync(keptFile)) {
    const kept = JSON.parse(readFileSync(keptFile, 'utf8')) as Kept;
    const ratio = (field: Exclude<keyof Kept, 'loopS'>): string =>
      kept[field] === 0 ? '–' : (now[field] / now.loopS / (kept[field] / kept.loopS)).toFixed(2);
    console.log(
      `against the last kept run: to paint p50 ${ratio('paintP50Ms')}, p98 ${ratio('paintP98Ms')}, longest task ${ratio('longestTaskMs')}`,
    );
  }
  if (isKept) writeFileSync(keptFile, `${JSON.stringify(now, null, 2)}\n`);
  for (const each of [...all].sort((a, b) => b.taskMs - a.taskMs).slice(0, 15))
    console.log(`  ${each.taskMs.toFixed(0)} ms  ${each.plan}, ${each.stage}: ${each.what}`);
} finally {
  await browser.close();
  server.child.kill('SIGTERM');
  removeCluster(folder);
}
