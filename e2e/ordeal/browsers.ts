import { randomUUID } from 'node:crypto';
import type { Plan } from '@glimmer/core/plan';
import { type Browser, type BrowserContext, chromium, type Page } from '@playwright/test';
import { browser as debian } from '../../scripts/browser.mjs';
import { count, demos } from './count.ts';
import { pause, pick, random } from './random.ts';

const PATIENT_MS = 8000;

/** One tab of one of the browsers, on the logbook of the plan that all of them write in. */
class Tab {
  private page: Page | null = null;

  constructor(
    private readonly context: BrowserContext,
    private readonly address: string,
    private readonly name: string,
  ) {}

  private async open(): Promise<Page> {
    if (this.page && !this.page.isClosed()) return this.page;
    const page = await this.context.newPage();
    page.setDefaultTimeout(PATIENT_MS);
    page.on('dialog', (dialog) => void dialog.accept());
    page.on('pageerror', (error) => {
      count.broke += 1;
      console.error(`${this.name} broke: ${error.message}`);
    });
    this.page = page;
    await page.goto(this.address);
    return page;
  }

  /** Writes a note; null where the page was not there to take it. */
  async note(): Promise<string | null> {
    const text = `${this.name} ${count.notes}: ${randomUUID()}`;
    try {
      const page = await this.open();
      await this.settleClash(page);
      const field = page.getByLabel('What happened, what was learned');
      await field.fill(text);
      await page.getByRole('button', { name: 'Write it down' }).click();
      // What stands in the list has been taken: from now on it may not get lost.
      await page.getByText(text).first().waitFor();
      count.notes += 1;
      return text;
    } catch {
      return null;
    }
  }

  /** Where two states lie side by side, goes on with one: the other becomes a plan of its own. */
  private async settleClash(page: Page): Promise<void> {
    const choice = page.getByRole('button', { name: pick([/^Go on with mine/, /^Go on with the other/]) });
    if (await choice.isVisible()) await choice.click().catch(() => undefined);
  }

  /** Something that happens to tabs. */
  async upset(): Promise<void> {
    count.upsets += 1;
    const page = await this.open().catch(() => null);
    if (!page) return;
    const what = pick(['reload', 'close', 'offline', 'stage'] as const);
    if (what === 'reload') await page.reload().catch(() => undefined);
    else if (what === 'close') await page.close();
    else if (what === 'stage') await page.keyboard.press(pick(['1', '5', '8']));
    else {
      await this.context.setOffline(true);
      await pause(300 + random() * 2500);
      await this.context.setOffline(false);
    }
    await this.page?.goto(this.address).catch(() => undefined);
  }

  /** Whether the server has confirmed all that is on this page. */
  async isKept(): Promise<boolean> {
    try {
      const page = await this.open();
      await this.settleClash(page);
      return await page.locator('[data-keep="kept"]').isVisible();
    } catch {
      return false;
    }
  }
}

/** All notes in all plans that the server has. */
async function readNotes(address: string): Promise<string> {
  const { plans } = (await (await fetch(`${address}/api/plans`)).json()) as { plans: { id: string }[] };
  const texts = await Promise.all(
    plans.map(async ({ id }) => {
      const { plan } = (await (await fetch(`${address}/api/plans/${id}`)).json()) as { plan: Plan };
      return JSON.stringify(plan.logbook);
    }),
  );
  return texts.join('\n');
}

const asLongAs = async (isDone: () => Promise<boolean>, mostMs: number): Promise<boolean> => {
  const until = Date.now() + mostMs;
  while (Date.now() < until) {
    if (await isDone()) return true;
    await pause(500);
  }
  return false;
};

async function putPlan(address: string): Promise<string> {
  const plan = { ...(JSON.parse(pick(demos)) as Plan), id: randomUUID(), name: 'Written in by many' };
  for (;;) {
    const answer = await fetch(`${address}/api/plans`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(plan),
    }).catch(() => null);
    if (answer && (answer.status === 201 || answer.status === 409)) return plan.id;
    await pause(100);
  }
}

/** Two browsers, one with two tabs, write notes into one plan, whatever happens to them and to the server. */
export async function liveInBrowsers(address: string, isOver: () => boolean): Promise<void> {
  const id = await putPlan(address);
  const browser: Browser = await chromium.launch(debian.launch);
  try {
    const contexts = await Promise.all([browser.newContext(), browser.newContext()]);
    const page = `${address}/plan/${id}/logbook`;
    const tabs = [0, 0, 1].flatMap((which, i) => {
      const context = contexts[which];
      return context ? [new Tab(context, page, `tab ${i + 1} of browser ${which + 1}`)] : [];
    });
    const written: string[] = [];
    await Promise.all(
      tabs.map(async (tab) => {
        while (!isOver()) {
          const text = await tab.note();
          if (text !== null) written.push(text);
          if (random() < 0.3) await tab.upset();
        }
      }),
    );
    const areKept = async (): Promise<boolean> =>
      (await Promise.all(tabs.map((tab) => tab.isKept()))).every((isKept) => isKept);
    if (!(await asLongAs(areKept, 90_000))) {
      count.unexpected += 1;
      console.error('The browsers did not come to rest');
    }
    const notes = await readNotes(address);
    for (const text of written)
      if (!notes.includes(text)) {
        count.lost += 1;
        console.error(`Lost: ${text}`);
      }
  } finally {
    await browser.close();
  }
}
